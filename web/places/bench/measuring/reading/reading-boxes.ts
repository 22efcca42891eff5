import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { formatLength, type MeasureUnit } from '@neat-measure/core';
import { Figures } from '../../../../parts/figures/figures';
import type { Step } from '@neat-measure/core';
import { UnitService } from '../../../../data/unit-service';

/** The readings of a step side by side, and what they come to; along a chain only the latter, as its marks stand together. */
@Component({
  selector: 'nm-reading-boxes',
  imports: [Figures],
  template: `
    <div class="boxes">
      @for (box of step().chain === null ? boxes() : []; track box.name) {
        <div class="panel" [class.now]="box.now">
          <small>{{ box.name }}{{ box.reading?.device ? ', ' + box.reading?.device : '' }}</small>
          <b>
            @if (box.reading; as reading) {
              <nm-figures [length]="reading.length" [unit]="unit()" />
            } @else {
              <span class="num">·</span>
            }
          </b>
        </div>
      }
      <div [class]="'says ' + comparison().state">
        <small>{{ comparison().words }}</small>
        @if (comparison().state === 'agreed' && step().agreement.value; as value) {
          <b><nm-figures [length]="value" [unit]="unit()" /></b>
        }
      </div>
    </div>
  `,
  styles: `
    .boxes {
      display: grid;
      grid-auto-columns: 1fr;
      grid-auto-flow: column;
      gap: 10px;
      margin-top: 8px;
      > div {
        min-height: 70px;
        padding: 8px 12px;
      }
      small {
        display: block;
        line-height: 1.25;
      }
      b {
        font: 500 24px var(--figures);
      }
      .now {
        outline: 2px solid var(--ink);
      }
      .agreed {
        background: var(--green-wash);
      }
      :is(.third-wanted, .disagree) {
        border: 2px dashed var(--ink);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadingBoxes {
  readonly step = input.required<Step>();
  readonly unit = input.required<MeasureUnit>();

  private readonly units = inject(UnitService);
  /** The last box: what the readings come to, in words. */
  protected readonly comparison = computed(() => {
    const { agreement } = this.step();
    const unit = this.units.written(this.unit());
    switch (agreement.state) {
      case 'none':
        return { state: agreement.state, words: 'Two readings needed.' };
      case 'one':
        return { state: agreement.state, words: 'One reading. Read once more.' };
      case 'agreed':
        return {
          state: agreement.state,
          words: `${formatLength(agreement.difference, unit)} apart, ${formatLength(agreement.allowed, unit)} allowed`,
        };
      case 'third-wanted':
        return {
          state: agreement.state,
          words: `${formatLength(agreement.difference, unit)} apart, ${formatLength(agreement.allowed, unit)} allowed. Read a third time.`,
        };
      case 'disagree':
        return {
          state: agreement.state,
          words: `No two of the three are within ${formatLength(agreement.allowed, unit)}. Continue with S and return later.`,
        };
    }
  });
  protected readonly boxes = computed(() => {
    const { readings } = this.step();
    const count = Math.max(
      2,
      Math.min(readings.length + (this.step().agreement.state === 'agreed' ? 0 : 1), 3),
    );
    const last = readings.slice(-count);
    return Array.from({ length: count }, (_, index) => ({
      name: ['First reading', 'Second reading', 'Third reading'][index]!,
      reading: last[index] ?? null,
      now: index === last.length,
    }));
  });
}
