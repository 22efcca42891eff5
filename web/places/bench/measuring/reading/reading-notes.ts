import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  bareUnit,
  DART_OF,
  dartOf,
  formatLength,
  TOLD_ITEM_WORDS,
  toldEstimate,
  UNIT_WORDS,
  type MeasureUnit,
  type ToldItem,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { UnitService } from '../../../../data/unit-service';
import { DocketStore } from '../../docket-store';
import type { Step } from '@neat-measure/core';
import { EntryStore } from './entry-store';

/** What stands beside an entry: that another unit is shown than a bare number takes, what a told size leads to, and the dart. */
@Component({
  selector: 'nm-reading-notes',
  imports: [NzButtonModule],
  template: `
    @if (view(); as view) {
      <p class="soft">
        This docket is in {{ view.entered }}. A number without a unit is in {{ view.entered }}.
        <button nz-button nzType="link" type="button" (click)="changeUnit()">
          Change the docket to {{ view.shown }}
        </button>
      </p>
    }
    @if (dart(); as dart) {
      <p class="soft">Dart: {{ dart }}, over the breast less beside it.</p>
    }
    @for (one of told(); track one.words) {
      <div class="hint split panel under">
        <p>{{ one.words }}</p>
        <button nz-button type="button" (click)="store.takeTold(one.estimate)">Use the estimate</button>
      </div>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadingNotes {
  readonly step = input.required<Step>();
  readonly unit = input.required<MeasureUnit>();

  private readonly units = inject(UnitService);
  private readonly docket = inject(DocketStore);
  protected readonly store = inject(EntryStore);

  /** What a size that the wearer told leads to here, until something is read. */
  protected readonly told = computed(() => {
    const { code, readings } = this.step();
    if (readings.length > 0) return [];
    const told = Object.entries(this.docket.docket()?.told ?? {}) as [ToldItem, string][];
    return told.flatMap(([item, text]) => {
      const estimate = toldEstimate(item, text);
      if (estimate?.code !== code) return [];
      const about = formatLength(estimate.length, this.units.written(this.unit()));
      return [
        { estimate, words: `Told: ${TOLD_ITEM_WORDS[item].toLowerCase()}, ${text}. An estimate: ${about}.` },
      ];
    });
  });
  /** The dart, at either of the two lengths whose difference it is. */
  protected readonly dart = computed(() => {
    if (DART_OF.every((code) => code !== this.step().code)) return null;
    const dart = dartOf(this.docket.values());
    return dart === null ? null : formatLength(dart, this.units.written(this.unit()));
  });
  /** The unit that is shown elsewhere, where it is not the one a bare number takes. */
  protected readonly view = computed(() => {
    const { unit, entered } = this.units;
    return unit() === entered() ||
      bareUnit(this.step().code, entered()) === bareUnit(this.step().code, unit())
      ? null
      : { shown: UNIT_WORDS[unit()], entered: UNIT_WORDS[entered()] };
  });

  protected changeUnit(): void {
    this.docket.does({ kind: 'unit-chosen', unit: this.units.unit() });
  }
}
