import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { GarmentAhead } from '@neat-measure/contract/musters';

/**
 * How many of one size it may be, on a scale from none: a line for 95 of 100 cases, a bar for the middle half, a stroke in
 * the middle, and a bracket at what is enough.
 */
@Component({
  selector: 'nm-size-spread',
  template: `
    <span class="line" [style.left.%]="at(of().from)" [style.right.%]="100 - at(of().to)"></span>
    <span
      class="half"
      [style.left.%]="at(of().quarter)"
      [style.right.%]="100 - at(of().threeQuarters)"
    ></span>
    <span class="middle" [style.left.%]="at(of().median)"></span>
    <span class="enough" [style.left.%]="at(of().order)"></span>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
      height: 26px;
      margin: 0 10px;
    }
    span {
      position: absolute;
    }
    .line {
      top: 12px;
      border-top: 2px solid var(--soft);
    }
    .half {
      top: 7px;
      min-width: 2px;
      height: 12px;
      background: var(--green);
      opacity: 0.45;
    }
    .middle {
      top: 4px;
      width: 3px;
      height: 18px;
      margin-left: -1px;
      background: var(--ink);
    }
    .enough {
      top: 2px;
      width: 7px;
      height: 22px;
      margin-left: -3px;
      border: solid var(--green);
      border-width: 2px 2px 2px 0;
    }
  `,
  host: { role: 'img', '[attr.aria-label]': 'said()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizeSpread {
  readonly of = input.required<GarmentAhead['lines'][number]>();
  /** The end of the scale. */
  readonly most = input.required<number>();
  protected readonly said = computed(() => {
    const { from, to, median, order } = this.of();
    return `${from} to ${to}, most likely about ${median}; ${order} are enough`;
  });

  protected at(count: number): number {
    return (100 * count) / this.most();
  }
}
