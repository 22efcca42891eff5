import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { sayWearer, threeWearers, type ChartSheet } from '@neat-measure/core';
import { UnitService } from '../../data/unit-service';

/** Three people, sized before the eyes of whoever keeps a chart. */
@Component({
  selector: 'nm-three-wearers',
  template: `
    @if (says().length > 0) {
      <section class="under" aria-label="Three wearers sized by this chart">
        <h3>Three example wearers</h3>
        @for (line of says(); track $index) {
          <p [class.beyond]="line.none">{{ line.text }}</p>
        }
        @if (noneOfAll()) {
          <p class="note">
            None of the three gets a size. Check that the table was read as its maker means it.
          </p>
        }
      </section>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ThreeWearers {
  readonly sheet = input.required<ChartSheet>();
  private readonly units = inject(UnitService);
  protected readonly says = computed(() => {
    try {
      return threeWearers(this.sheet()).map((one) => ({
        text: sayWearer(one, this.units.unit()),
        none: one.proposed === null,
      }));
    } catch {
      // A chart that is not whole yet sizes nobody; what it lacks is said elsewhere.
      return [];
    }
  });
  protected readonly noneOfAll = computed(() => this.says().every(({ none }) => none));
}
