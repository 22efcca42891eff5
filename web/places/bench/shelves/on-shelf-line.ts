import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { sayOnShelf, ShelvesHere } from './shelves-here';

/** Whether a size of a garment is on a shelf, in one line; nothing where that is not known. */
@Component({
  selector: 'nm-on-shelf-line',
  template: `
    @if (says(); as words) {
      <p class="fine" [class.beyond]="none()" data-stocked>{{ words }}</p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OnShelfLine {
  private readonly shelves = inject(ShelvesHere);
  readonly chartId = input.required<string>();
  readonly label = input.required<string | null>();
  private readonly here = computed(() => this.shelves.of(this.chartId(), this.label()));
  protected readonly none = computed(() => this.here()?.count === 0);
  protected readonly says = computed(() => sayOnShelf(this.here(), this.label() ?? ''));
}
