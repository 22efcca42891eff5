import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { fitChecksOf, sayOtherwise, type ChartSheet } from '@neat-measure/core';

/** What to look at once the garment is on, each with what to do where it is not so. */
@Component({
  selector: 'nm-fit-checks',
  template: `
    <ul class="rows">
      @for (check of checks(); track check.look) {
        <li>
          {{ check.look }}. <span class="soft">{{ check.otherwise }}</span>
        </li>
      }
    </ul>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FitChecks {
  readonly sheet = input.required<ChartSheet>();
  protected readonly checks = computed(() =>
    fitChecksOf(this.sheet()).map((check) => ({
      look: check.look,
      otherwise: sayOtherwise(this.sheet(), check),
    })),
  );
}
