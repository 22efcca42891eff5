import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { CHANGE_WORDS } from '@neat-measure/contract/musters';
import { counted, VERDICT_WORDS } from '@neat-measure/core';
import type { SizedOne } from '@neat-measure/core/group';
import { SizesStore } from '../../../data/musters/sizes-store';
import { sayMoment } from '../../house/say-role';

/** So many are shown; who needs more sizes more often. */
const SHOWN = 400;

/** Who is sized otherwise than the time before, and why. */
@Component({
  selector: 'nm-size-changes',
  template: `
    @if (store.before(); as before) {
      <p>
        {{ counted(changes().length, 'change') }} since {{ sayMoment(before.progress.madeAt) }}.
        @if (changes().length > shown().length) {
          The first {{ shown().length }} are shown.
        }
      </p>
      <ul class="rows">
        @for (one of shown(); track $index) {
          <li class="line">
            <span class="what"
              ><b>{{ store.nameOf(one.wearerId) }}</b> {{ one.garment }}</span
            >
            <span>{{ say(one.before) }} → {{ say(one.after) }}</span>
            <span class="soft why">{{ words[one.why] }}</span>
          </li>
        } @empty {
          <li class="line soft">Everybody has the same sizes as before.</li>
        }
      </ul>
    } @else {
      <p class="soft" role="status">Loading the sizes of before …</p>
    }
  `,
  styles: `
    :host {
      margin-top: 12px;
    }
    .why {
      width: 220px;
    }
  `,
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizeChanges {
  protected readonly store = inject(SizesStore);
  protected readonly words = CHANGE_WORDS;
  protected readonly counted = counted;
  protected readonly sayMoment = sayMoment;
  protected readonly changes = this.store.changes;
  protected readonly shown = computed(() => this.changes().slice(0, SHOWN));

  constructor() {
    // Sized anew meanwhile, there is another one before.
    effect(() => {
      this.store.earlier();
      untracked(() => this.store.compare());
    });
  }

  protected say(one: SizedOne | null): string {
    if (one === null) return 'not asked for';
    const words = one.stands === 'open' ? VERDICT_WORDS[one.verdict] : SAID[one.stands];
    return one.size === null ? words : `${one.size}, ${words}`;
  }
}

const SAID = { decided: 'decided', 'in-hand': 'handed over', 'made-to-measure': 'made to measure' } as const;
