import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import type { Chart } from '@neat-measure/contract';
import {
  alterationsOf,
  countingFeet,
  formatLength,
  HANDING_WORDS,
  isClosing,
  lastHanding,
  measurement,
  sayAltered,
  sayReason,
  stageOf,
  standingFitting,
  trialsOf,
  VERDICT_WORDS,
  type DecisionOutcome,
  type JudgedGarment,
  dayOf,
  sayDay,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { UnitService } from '../../data/unit-service';
import { SizeRuler } from '../../parts/size-ruler/size-ruler';
import { rulersOf, shortOutcome } from '../../parts/verdict-account/verdict-view';
import { VerdictGlyph } from '../../parts/verdict-glyph/verdict-glyph';
import { DecidingStore } from './deciding/deciding-store';
import { DocketStore } from './docket-store';
import { CursorStore } from './measuring/cursor-store';
import { ForesightStore } from './measuring/foresight/foresight-store';
import { minutesLeft, paceOf } from './measuring/pace';
import { PaceService } from './measuring/pace-service';

/** The most rulers of one card; a garment of many parts shows those that are still open. */
const MOST_RULERS = 3;

const DECIDED_WORDS: Readonly<Record<DecisionOutcome, string>> = {
  accepted: 'accepted',
  overridden: 'chosen instead',
  'made-to-measure': 'to be made to measure',
  later: 'put off',
};

/** Every garment on the docket, narrowing as the readings come in. */
@Component({
  selector: 'nm-garment-cards',
  imports: [NzButtonModule, SizeRuler, VerdictGlyph],
  templateUrl: './garment-cards.html',
  styleUrl: './garment-cards.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GarmentCards {
  protected readonly store = inject(DocketStore);
  protected readonly cursor = inject(CursorStore);
  protected readonly units = inject(UnitService);
  protected readonly foresight = inject(ForesightStore);
  protected readonly desk = inject(DecidingStore);
  private readonly paces = inject(PaceService);
  /** The garment that the work is at, or `null` while measuring. */
  readonly at = input<number | null>(null);
  readonly deciding = input(false);
  readonly chosen = output<number>();
  /** Everything that is settled was accepted. */
  readonly accepted = output<void>();

  protected readonly cards = computed(() =>
    this.store.garments().map((garment) => {
      const { chart, verdict, decision } = garment;
      const closed = isClosing(decision);
      const tried = this.triedOf(chart.id);
      return {
        id: chart.id,
        verdict: verdict.verdict,
        name: chart.sheet.garment,
        size: tried?.size ?? (closed ? (decision!.size ?? 'made to measure') : shortOutcome(verdict)),
        open: !closed && (verdict.verdict === 'incomplete' || verdict.verdict === 'suspect'),
        closed: tried?.kept ?? closed,
        beyond: !closed && verdict.verdict === 'beyond',
        word:
          tried?.word ??
          (decision === null ? VERDICT_WORDS[verdict.verdict] : DECIDED_WORDS[decision.outcome]),
        reason: tried?.reason ?? decision?.reason ?? sayReason(verdict, this.units.shown()),
        rulers: closed ? [] : openRulers(garment),
      };
    }),
  );

  /** How far trying a garment on has come, where a size is on or was kept. */
  private triedOf(chartId: string) {
    const docket = this.store.docket();
    if (docket === null) return null;
    const [stage, on] = [stageOf(docket, chartId), trialsOf(docket, chartId).at(-1)];
    const handing = lastHanding(docket, chartId);
    if (handing !== null && (stage === 'handed-over' || stage === 'came-back')) {
      const word = handing.back === null ? HANDING_WORDS[handing.way] : 'came back';
      const until =
        handing.until === null || handing.back !== null
          ? ''
          : `until ${sayDay(handing.until, dayOf(new Date()))}`;
      return { size: handing.size ?? 'made to measure', word, reason: until, kept: handing.back === null };
    }
    const fitting = standingFitting(docket, chartId);
    if (stage === 'on') return { size: on!.size, word: 'on now', reason: '', kept: false };
    if (fitting === null) return null;
    const altered = alterationsOf(docket, chartId).map((one) => sayAltered(one, this.units.shown()));
    const reason = [fitting.reason ?? '', ...altered].filter((one) => one !== '').join('; ');
    return fitting.outcome === 'kept'
      ? { size: fitting.size!, word: 'kept, tried on', reason, kept: true }
      : { size: 'made to measure', word: 'tried on', reason, kept: true };
  }

  /** How much is left to be read, and about how long that takes. */
  private readonly ownPace = computed(() => paceOf(this.store.steps()));
  /** Until this docket shows one, the fitter's pace on an earlier one. */
  private readonly pace = computed(() => this.ownPace() ?? this.paces.known());

  protected readonly left = computed(() => {
    const count = this.cursor.toGo();
    if (count === 0) return 'all read';
    const minutes = minutesLeft(count, this.pace());
    return `${count} ${count === 1 ? 'reading' : 'readings'} left, about ${minutes} ${minutes === 1 ? 'minute' : 'minutes'}`;
  });

  constructor() {
    effect(() => {
      const own = this.ownPace();
      if (own !== null) this.paces.keep(own);
    });
  }

  protected acceptSettled(): void {
    this.desk.acceptSettled();
    this.accepted.emit();
  }

  protected readonly heading = computed(() => {
    const [garments, protocols] = [this.store.garments().length, this.store.protocols().length];
    const counted = (count: number, one: string) =>
      count === 0 ? '' : `${count} ${one}${count === 1 ? '' : 's'}`;
    return `Docket: ${[counted(garments, 'garment'), counted(protocols, 'protocol')].filter(Boolean).join(', ')}`;
  });

  /** The steps that can change no size any more, by name. */
  protected readonly idle = computed(() =>
    this.foresight
      .idle()
      .map((code) => measurement(code).name.toLowerCase())
      .join(', '),
  );

  /** Protocols have no size to give: how far they are, and what counts of the feet. */
  protected readonly records = computed(() =>
    this.store.protocols().map(({ id, name, steps }) => {
      const wanted = this.store.steps().filter(({ code }) => steps.some((step) => step.code === code));
      const taken = wanted.filter(({ agreement }) => agreement.value !== null).length;
      const feet = wanted.some(({ code }) => code.startsWith('foot-'))
        ? countingFeet(this.store.values())
        : null;
      const longer = feet?.length ? `longer foot ${formatLength(feet.length, 'mm')}` : '';
      const wider = feet?.width ? `wider ${formatLength(feet.width, 'mm')}` : '';
      return {
        id,
        name,
        done: `${taken} of ${wanted.length}`,
        feet: [longer, wider].filter(Boolean).join(', '),
      };
    }),
  );
}

/** The rulers that still tell something: all of a simple garment's, of another those that are not settled. */
function openRulers({ chart, verdict }: JudgedGarment<Chart>) {
  const rulers = rulersOf(chart.sheet, verdict);
  const open = verdict.parts.length > 1 ? rulers.filter(({ settled }) => !settled) : rulers;
  return open.slice(0, MOST_RULERS);
}
