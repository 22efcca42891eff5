import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { lengthFigures, type Length, type MeasureUnit } from '@neat-measure/core';
import { UnitService } from '../../data/unit-service';

/** A length in figures: the fraction raised, the unit beside it. Its size is that of the text around. */
@Component({
  selector: 'nm-figures',
  template: `<span class="num"
      >{{ figures().sign }}{{ figures().whole }}
      @if (figures().fraction) {
        <span class="fraction"><span class="unseen">&nbsp;</span>{{ figures().fraction }}</span>
      }</span
    ><span class="unit">{{ figures().unit }}</span>`,
  styles: `
    :host {
      display: inline-flex;
      align-items: baseline;
      white-space: nowrap;
    }
    .fraction {
      position: relative;
      top: -0.38em;
      margin-left: 0.12em;
      font-size: 0.56em;
      line-height: 0;
    }
    .unit {
      margin-left: 0.3em;
      font-size: var(--unit-size, 0.8em);
      font-weight: 400;
      letter-spacing: 0;
      color: var(--soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Figures {
  readonly length = input.required<Length>();
  readonly unit = input.required<MeasureUnit>();
  private readonly units = inject(UnitService);
  protected readonly figures = computed(() => lengthFigures(this.length(), this.units.written(this.unit())));
}
