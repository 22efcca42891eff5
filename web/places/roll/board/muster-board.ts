import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { MusterStore } from '../../../data/musters/muster-store';
import { shortName } from '../say-muster';

/** So many who are next are named beside each station. */
const NEXT = 2;

/**
 * A page for a wall: whose turn is where, by first name and initial. No measurement and no size stand on it, and nothing
 * can be done there.
 */
@Component({
  selector: 'nm-muster-board',
  imports: [NzButtonModule, RouterLink],
  template: `
    @if (store.muster(); as muster) {
      <h1 class="soft">
        {{ muster.name }}
        <a nz-button nzType="link" [routerLink]="['/roll', muster.id]">Back to the muster</a>
      </h1>
      @if (store.lost()) {
        <p class="fault" role="status">Not up to date: the server cannot be reached.</p>
      }
      <ul aria-label="Whose turn it is" aria-live="polite">
        @for (one of stations(); track one.id) {
          <li>
            <span class="station">{{ one.name }}</span>
            <b>{{ one.now }}</b>
            <span class="next">{{ one.next }}</span>
          </li>
        }
      </ul>
    } @else {
      <p class="page" role="status">{{ store.trouble() || 'Loading the board …' }}</p>
    }
  `,
  styleUrl: './muster-board.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MusterBoard {
  readonly musterId = input.required<string>();
  protected readonly store = inject(MusterStore);
  protected readonly stations = computed(() =>
    this.store.queues().stations.map(({ station, at, waiting }) => ({
      id: station.id,
      name: station.name,
      now: at === null ? '' : shortName(this.store.name(at.wearerId)),
      next: waiting
        .slice(0, NEXT)
        .map(({ wearerId }) => shortName(this.store.name(wearerId)))
        .join(', '),
    })),
  );

  constructor() {
    const destroyed = inject(DestroyRef);
    effect(() => {
      const id = this.musterId();
      untracked(() => this.store.open(id, destroyed));
    });
  }
}
