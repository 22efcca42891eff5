import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import type { Role } from '@neat-measure/contract';
import { SessionService } from '../../data/session-service';

const DESKS: readonly { readonly path: string; readonly name: string; readonly least: Role }[] = [
  { path: 'you', name: 'You', least: 'viewer' },
  { path: 'people', name: 'People', least: 'administrator' },
  { path: 'sizing', name: 'How we size', least: 'administrator' },
  { path: 'settings', name: 'Settings', least: 'administrator' },
  { path: 'tapes', name: 'Tapes and links', least: 'fitter' },
];

/** The house: what is one's own, who may enter, and what is settled for everybody. */
@Component({
  selector: 'nm-house',
  imports: [RouterOutlet, RouterLink, RouterLinkActive],
  template: `
    <aside aria-label="House">
      <h1>House</h1>
      <nav aria-label="Desks of the house">
        @for (desk of desks(); track desk.path) {
          <a [routerLink]="['/house', desk.path]" routerLinkActive="here" ariaCurrentWhenActive="page">{{
            desk.name
          }}</a>
        }
      </nav>
    </aside>
    <section><router-outlet /></section>
  `,
  styleUrl: './house.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class House {
  private readonly session = inject(SessionService);
  protected readonly desks = computed(() => DESKS.filter(({ least }) => this.session.may(least)));
}
