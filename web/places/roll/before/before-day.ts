import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  linkedSignal,
  untracked,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { counted } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { MusterStore } from '../../../data/musters/muster-store';
import { SessionService } from '../../../data/session-service';
import { sayDays } from '../say-muster';
import { AskedDesk } from './asked-desk';
import { OrderAheadDesk } from './order-ahead-desk';
import { PicksDesk } from './picks-desk';

/** What comes before the day of a muster: who measures themselves at home, and what to order before the tape. */
@Component({
  selector: 'nm-before-day',
  imports: [AskedDesk, NzButtonModule, OrderAheadDesk, PicksDesk, RouterLink],
  template: `
    @if (muster(); as one) {
      <header class="split">
        <div>
          <h1>{{ one.name }}: before the day</h1>
          <p class="soft">{{ sayDays(one) }} · {{ counted(one.people.length, 'wearer') }}</p>
        </div>
        <a nz-button [routerLink]="['/roll', one.id]">Back to the muster</a>
      </header>
      <div class="row under" role="group" aria-label="Before the day">
        @for (tab of tabs(); track tab.id) {
          <button
            nz-button
            type="button"
            [nzType]="shown() === tab.id ? 'primary' : 'default'"
            [attr.aria-pressed]="shown() === tab.id"
            (click)="shown.set(tab.id)"
          >
            {{ tab.name }}
          </button>
        }
      </div>
      @if (store.trouble()) {
        <p class="fault" role="alert">{{ store.trouble() }}</p>
      }
      @switch (shown()) {
        @case ('asked') {
          <nm-asked-desk />
        }
        @case ('order') {
          <nm-order-ahead-desk />
        }
        @case ('picks') {
          <nm-picks-desk />
        }
      }
    } @else if (store.trouble()) {
      <p class="fault" role="alert">
        {{ store.trouble() }}
        <button nz-button nzType="link" type="button" (click)="store.again(musterId())">Try again</button>
      </p>
    } @else {
      <p class="soft" role="status">Loading the muster …</p>
    }
  `,
  host: { class: 'page' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BeforeDay {
  readonly musterId = input.required<string>();
  protected readonly store = inject(MusterStore);
  private readonly session = inject(SessionService);
  protected readonly muster = this.store.muster;
  protected readonly sayDays = sayDays;
  protected readonly counted = counted;
  /** What its address asks for. */
  readonly show = input<string>();
  protected readonly shown = linkedSignal<'asked' | 'order' | 'picks'>(() =>
    this.show() === 'picks' ? 'picks' : 'asked',
  );
  /** An order is a lead's. */
  protected readonly tabs = computed(() => [
    { id: 'asked' as const, name: 'Measured at home' },
    ...(this.session.may('lead-muster') ? [{ id: 'order' as const, name: 'Order before the tape' }] : []),
    { id: 'picks' as const, name: 'Pick list' },
  ]);

  constructor() {
    const destroyed = inject(DestroyRef);
    effect(() => {
      const id = this.musterId();
      untracked(() => this.store.open(id, destroyed));
    });
  }
}
