import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { compiled, isDerivedCode, measurement, type ChartSheet, type WorkingUnit } from '@neat-measure/core';
import { SizeRuler } from '../../parts/size-ruler/size-ruler';
import { sayColumn } from './say-cell';
import { UnitService } from '../../data/unit-service';

/** One part of a chart: a ruler a measurement, and the table beneath in the reader's unit. */
@Component({
  selector: 'nm-part-rulers',
  imports: [SizeRuler],
  template: `
    <div class="rulers">
      @for (column of columns(); track column.code) {
        <div>
          <h3>
            {{ column.name }} <small>{{ column.about }}</small>
          </h3>
          <nm-size-ruler
            stature="chart"
            [measurement]="column.name"
            [sizes]="part().sizes"
            [intervals]="column.intervals"
            [unit]="unit()"
          />
        </div>
      }
    </div>
    @if (table()) {
      <div class="wide" tabindex="0" role="region" [attr.aria-label]="part().name + ', table'">
        <table class="cells">
          <thead>
            <tr>
              <th scope="col">{{ part().name }}</th>
              @for (column of columns(); track column.code) {
                <th scope="col" class="num">{{ column.name }}, {{ unit() }}</th>
              }
              @for (system of part().otherNames; track system.system) {
                <th scope="col" class="num">{{ system.system }}</th>
              }
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.size) {
              <tr>
                <th scope="row">{{ row.size }}</th>
                @for (cell of row.cells; track $index) {
                  <td class="num">{{ cell }}</td>
                }
                @for (label of row.otherNames; track $index) {
                  <td class="num">{{ label }}</td>
                }
              </tr>
            }
          </tbody>
        </table>
      </div>
    }
  `,
  // The table and its rulers are read together: beside each other where there is room.
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: flex-start;
      gap: 6px 28px;
      margin-top: 14px;
    }
    .wide {
      order: -1;
      max-width: 100%;
      margin-top: 0;
    }
    .rulers {
      display: grid;
      flex: 1 1 340px;
      gap: 10px;
      min-width: 0;
      max-width: 860px;
    }
    h3 {
      margin: 0;
    }
    h3 small {
      font-weight: 400;
    }
    .cells :is(th, td) {
      height: 31px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartRulers {
  readonly sheet = input.required<ChartSheet>();
  readonly code = input.required<string>();
  /** Whether the figures stand beneath the rulers; a desk that has them already shows the rulers alone. */
  readonly table = input(true);
  readonly unit = input.required<WorkingUnit>();

  private readonly units = inject(UnitService);
  protected readonly part = computed(() => this.sheet().parts.find(({ code }) => code === this.code())!);
  private readonly whole = computed(
    () => compiled(this.sheet()).parts.find(({ whole }) => whole.code === this.code())!.whole,
  );
  protected readonly columns = computed(() =>
    this.part().columns.map((column) => {
      const { name, intervals } = [...this.whole().deciding, ...this.whole().advisory].find(
        ({ code }) => code === column.code,
      )!;
      const about = [
        isDerivedCode(column.code) ? 'derived' : measurement(column.code).place,
        column.role === 'advisory' ? 'reported, does not decide' : '',
        column.ease === null ? '' : 'finished measures; the ruler shows the bodies they are for',
      ];
      return {
        code: column.code,
        name,
        intervals,
        about: about.filter(Boolean).join(' · '),
        cells: column.cells,
      };
    }),
  );
  protected readonly rows = computed(() => {
    const written = this.columns().map(({ cells }) => sayColumn(cells, this.units.written(this.unit())));
    return this.part().sizes.map((size, index) => ({
      size,
      cells: written.map((cells) => cells[index]!),
      otherNames: this.part().otherNames.map(({ labels }) => labels[index]!),
    }));
  });
}
