import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { SessionService } from '../../data/session-service';
import { DESKS } from './desks';

/** The house: what is one's own, who may enter, and what is settled for everybody. */
@Component({
  selector: 'nm-house',
  imports: [RouterOutlet, RouterLink, RouterLinkActive],
  template: `
    <aside aria-label="House">
      <h1>House</h1>
      <nav class="rows" aria-label="House pages">
        @for (desk of desks(); track desk.path) {
          <a
            class="pick"
            [routerLink]="['/house', desk.path]"
            routerLinkActive="here"
            ariaCurrentWhenActive="page"
            >{{ desk.name }}</a
          >
        }
      </nav>
    </aside>
    <section><router-outlet /></section>
  `,
  host: { class: 'beside' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class House {
  private readonly session = inject(SessionService);
  protected readonly desks = computed(() => DESKS.filter(({ takes }) => this.session.may(takes)));
}
