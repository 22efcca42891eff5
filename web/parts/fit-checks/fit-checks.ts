import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { fitChecksOf, type ChartSheet } from '@neat-measure/core';

/** What to look at once the garment is on, each with what to do where it is not so. */
@Component({
  selector: 'nm-fit-checks',
  template: `
    <ul>
      @for (check of checks(); track check.look) {
        <li>
          {{ check.look }}. <span>{{ check.otherwise }}</span>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      max-width: 80ch;
      margin: 6px 0 0;
      padding-left: 20px;
    }

    li + li {
      margin-top: 4px;
    }

    span {
      color: var(--soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FitChecks {
  readonly sheet = input.required<ChartSheet>();
  protected readonly checks = computed(() => fitChecksOf(this.sheet()));
}
