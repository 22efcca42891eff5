import { ChangeDetectionStrategy, Component, computed, effect, ElementRef, inject } from '@angular/core';
import {
  bareUnit,
  formatNumber,
  measurement,
  STANCE_WORDS,
  type Stance,
  nameAt,
  shortAt,
} from '@neat-measure/core';
import { DocketStore } from '../../docket-store';
import { CursorStore } from '../cursor-store';
import { ForesightStore } from '../foresight/foresight-store';
import type { Step } from '@neat-measure/core';
import { UnitService } from '../../../../data/unit-service';

/** The tape along the bottom: the steps in the order of the work, what is taken standing on it as a figure. */
@Component({
  selector: 'nm-tape-strip',
  templateUrl: './tape-strip.html',
  styleUrl: './tape-strip.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TapeStrip {
  private readonly store = inject(DocketStore);
  protected readonly cursor = inject(CursorStore);
  private readonly units = inject(UnitService);
  private readonly foresight = inject(ForesightStore);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  protected readonly stances = computed(() => {
    const groups: { stance: Stance; words: string; steps: ReturnType<TapeStrip['marking']>[] }[] = [];
    for (const step of this.store.steps()) {
      const { stance } = measurement(step.code);
      if (groups.at(-1)?.stance !== stance) groups.push({ stance, words: STANCE_WORDS[stance], steps: [] });
      groups.at(-1)!.steps.push(this.marking(step));
    }
    return groups;
  });

  constructor() {
    // A long docket's tape slides along, so that the step at hand is always in sight.
    effect(() => {
      const code = this.cursor.current()?.code;
      if (code !== undefined)
        queueMicrotask(() =>
          this.host.nativeElement
            .querySelector('[aria-current]')
            ?.scrollIntoView({ block: 'nearest', inline: 'nearest' }),
        );
    });
  }

  private marking({ code, agreement, readings, skipped, waist }: Step) {
    const unit = bareUnit(code, this.units.unit());
    const [short, name] = [shortAt(code, waist), nameAt(code, waist)];
    const value =
      skipped !== null
        ? 'skipped'
        : agreement.value === null
          ? ''
          : formatNumber(agreement.value, this.units.written(unit));
    const asked = this.store
      .suspicions()
      .some(({ weight, measurements }) => weight === 'ask' && measurements.includes(code));
    const state =
      skipped !== null
        ? `skipped, ${skipped}`
        : agreement.state === 'none'
          ? 'not read'
          : agreement.state === 'agreed'
            ? `${value} ${unit}`
            : agreement.state === 'one'
              ? `${value} ${unit}, read once`
              : 'to be read again';
    const note = noteOf(agreement.state, readings, asked);
    return {
      code,
      short,
      note,
      value,
      unit,
      decidesMost: this.foresight.next() === code,
      spoken: `${name}: ${state}${note === '' || agreement.state === 'one' ? '' : `, ${note}`}${this.foresight.next() === code ? ', decides most' : ''}`,
      unsettled: (readings.length > 0 && agreement.state !== 'agreed') || asked,
    };
  }
}

/** What stands beside a value: why it is doubtful, or where it came from if not by the fitter's tape here. */
function noteOf(state: Step['agreement']['state'], readings: Step['readings'], asked: boolean): string {
  const last = readings.at(-1);
  if (last === undefined) return '';
  if (state === 'third-wanted' || state === 'disagree') return 'apart';
  if (asked) return 'asked about';
  if (state === 'one') return 'once';
  if (last.carriedFrom !== null) return 'on record';
  return last.device === null ? ORIGINS[last.origin] : 'sent';
}

const ORIGINS = { fitter: '', helper: 'by a helper', self: 'by the wearer', reported: 'told' } as const;
