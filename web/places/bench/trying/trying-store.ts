import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import {
  adviceOn,
  adviseFit,
  alterationsOf,
  finalSize,
  fitChecksOf,
  isClosing,
  labelOf,
  NOT_SEEN,
  readAlteration,
  RIGHT,
  sayAlterationProblem,
  sizesAfterTrials,
  stageOf,
  standingFitting,
  trialOrder,
  trialsOf,
  unmendedOn,
  type AlteredHow,
  type FitArea,
  type SizesAfterTrial,
  type Way,
} from '@neat-measure/core';
import { UnitService } from '../../../data/unit-service';
import { DocketStore } from '../docket-store';
import { changedJustNow } from '../just-now';
import { ShelvesHere, type OnShelf } from '../shelves/shelves-here';

const NOTHING_KNOWN: SizesAfterTrial = { odds: [], surprising: false };

/** A size that is on no shelf, as it was to be put on. */
interface Missing {
  readonly label: string;
  readonly sizes: Readonly<Record<string, string>>;
  readonly carrier: string | null;
  readonly near: OnShelf['near'];
}

/** Trying on what was decided, garment by garment: what is on, what was seen, and what follows. */
@Injectable()
export class TryingStore {
  private readonly store = inject(DocketStore);
  private readonly units = inject(UnitService);

  /** Which garment is tried on, by its place on the docket. */
  readonly at = signal(0);
  readonly garment = computed(() => this.store.garments()[this.at()] ?? null);
  /** The places of the garments in the order in which they are put on. */
  private readonly order = computed(() =>
    trialOrder(this.store.garments().map(({ chart }) => chart.sheet.kind)),
  );
  /** Which of them it is in that order. */
  readonly turn = computed(() => Math.max(0, this.order().indexOf(this.at())));
  readonly sheet = computed(() => this.garment()?.chart.sheet ?? null);
  readonly chartId = computed(() => this.garment()?.chart.id ?? '');

  readonly stage = computed(() => {
    const docket = this.store.docket();
    return docket === null ? 'not-decided' : stageOf(docket, this.chartId());
  });
  readonly trials = computed(() => {
    const docket = this.store.docket();
    return docket === null ? [] : trialsOf(docket, this.chartId());
  });
  readonly on = computed(() => this.trials().at(-1) ?? null);
  readonly fitting = computed(() => {
    const docket = this.store.docket();
    return docket === null ? null : standingFitting(docket, this.chartId());
  });
  readonly final = computed(() => {
    const docket = this.store.docket();
    return docket === null ? null : finalSize(docket, this.chartId());
  });
  readonly alterations = computed(() => {
    const docket = this.store.docket();
    return docket === null ? [] : alterationsOf(docket, this.chartId());
  });
  readonly checks = computed(() => {
    const sheet = this.sheet();
    return sheet === null ? [] : fitChecksOf(sheet);
  });
  readonly advice = computed(() => {
    const [docket, garment] = [this.store.docket(), this.garment()];
    return docket === null || garment === null
      ? null
      : adviceOn(docket, garment.chart.id, garment.chart.sheet);
  });
  /** How likely each size is by tape and trial; reckoned only where something was seen that is not right. */
  readonly after = computed<SizesAfterTrial>(() => {
    const [docket, garment] = [this.store.docket(), this.garment()];
    if (docket === null || garment === null || this.advice()?.faults.length === 0) return NOTHING_KNOWN;
    return sizesAfterTrials(docket, garment.chart, this.store.library().habits);
  });

  /** The check that is looked at: the first that is open, unless somebody went to another; `null` past the last. */
  private readonly gone = linkedSignal<string, string | null>({
    source: () => this.on()?.id ?? '',
    computation: () => null,
  });
  readonly check = computed(() => {
    const on = this.on();
    if (on === null || this.fitting() !== null) return null;
    const gone = this.gone();
    if (gone === END) return null;
    const open = this.advice()?.open ?? [];
    return this.checks().find(({ code }) => code === gone) ?? open[0] ?? null;
  });
  /** What was answered at a check of the size that is on; `undefined` where nobody looked yet. */
  seenAt(code: string) {
    return this.on()?.seen.find(({ check }) => check === code);
  }

  /** What an answer at a check would lead to by itself. */
  leadsOf(check: string, answer: string): readonly Way[] {
    const [sheet, on] = [this.sheet(), this.on()];
    if (sheet === null || on === null) return [];
    const { faults } = adviseFit(sheet, [{ sizes: on.sizes, seen: [{ check, answer }] }]);
    return faults[0]?.ways ?? [];
  }

  /** Whether the size that is on is kept only for a reason: something is not right, and nothing noted mends it. */
  needsReason(): boolean {
    const [docket, sheet] = [this.store.docket(), this.sheet()];
    return docket !== null && sheet !== null && unmendedOn(docket, this.chartId(), sheet) !== null;
  }

  /** Whether nothing of the docket is left to be tried on. */
  readonly allTried = computed(() => {
    const docket = this.store.docket();
    return (
      docket === null ||
      docket.garments.every(({ chartId }) => !['to-try', 'on'].includes(stageOf(docket, chartId)))
    );
  });

  /** The sizes to put on first: those that were decided, else those that are proposed. */
  readonly first = computed(() => {
    const garment = this.garment();
    if (garment === null) return {};
    const { decision, verdict } = garment;
    return decision !== null && isClosing(decision) && decision.size !== null
      ? decision.sizes
      : verdict.sizes;
  });

  private readonly shelves = inject(ShelvesHere);
  /** A size that was to be put on and is on no shelf: nobody has it on before somebody says that it is here. */
  readonly missing = linkedSignal<string, Missing | null>({
    source: () => `${this.chartId()} ${this.on()?.id ?? ''}`,
    computation: () => null,
  });

  /** Puts a size on that is there; of one that is not, says so first. */
  wear(sizes: Readonly<Record<string, string>>, carrier: string | null = null): boolean {
    const sheet = this.sheet();
    const label = sheet === null ? null : labelOf(sheet, sizes);
    const here = this.shelves.of(this.chartId(), label);
    if (label === null || here?.stocked !== true || here.count > 0) return this.putOn(sizes, carrier);
    this.missing.set({ label, sizes, carrier, near: here.near });
    return false;
  }

  /** What is on no shelf is in the hand. */
  isHere(): void {
    const missing = this.missing();
    if (missing !== null) this.putOn(missing.sizes, missing.carrier);
  }

  private putOn(sizes: Readonly<Record<string, string>>, carrier: string | null): boolean {
    return this.store.does({ kind: 'garment-tried', chartId: this.chartId(), sizes, carrier, found: null });
  }

  private readonly otherPutOn = changedJustNow(() => this.on()?.id ?? '');

  /** Answers the check that is looked at, and goes on to the next that is open. */
  answer(answer: string | null, reason: string | null = null): boolean {
    const [on, check] = [this.on(), this.check()];
    if (on === null || check === null) return false;
    // Whoever was about to answer looked at the size before.
    const other = this.otherPutOn();
    if (other !== null) {
      this.store.trouble.set(`${other} put ${on.size} on just now. Check that size, then answer.`);
      return false;
    }
    const done = this.see(check.code, answer, reason);
    if (done) this.gone.set(null);
    return done;
  }

  /** Everything that was not looked at yet is right, but for what must be looked at by itself. */
  restIsRight(): void {
    for (const { code, must } of this.advice()?.open ?? []) if (!must) this.see(code, RIGHT, null);
    this.gone.set(null);
  }

  private see(check: string, answer: string | null, reason: string | null): boolean {
    const trialId = this.on()!.id;
    const chartId = this.chartId();
    return this.store.does({ kind: 'fit-checked', chartId, trialId, check, answer, reason });
  }

  /** Takes back what was answered at a check. */
  unsee(check: string): void {
    if (this.see(check, NOT_SEEN, null)) this.gone.set(check);
  }

  /** To the check before or after; past the last to what follows. */
  go(by: 1 | -1): void {
    const codes = this.checks().map(({ code }) => code);
    const from = this.check() === null ? codes.length : codes.indexOf(this.check()!.code);
    const to = Math.min(Math.max(from + by, 0), codes.length);
    this.gone.set(codes[to] ?? END);
  }

  goTo(check: string): void {
    this.gone.set(check);
  }

  /** Keeps the size that is on. */
  keep(reason: string | null): boolean {
    return this.fitted('kept', reason);
  }

  makeToMeasure(reason: string | null): boolean {
    return this.fitted('made-to-measure', reason);
  }

  reopen(): boolean {
    return this.fitted('open', null);
  }

  private fitted(outcome: 'kept' | 'made-to-measure' | 'open', reason: string | null): boolean {
    const trialId = this.fitting()?.trialId ?? this.on()?.id;
    if (trialId === undefined) return false;
    const chartId = this.chartId();
    return this.store.does({ kind: 'garment-fitted', chartId, trialId, outcome, reason, found: null });
  }

  /** Notes an alteration as it was typed; nothing typed takes it back. Returns what is wrong with it, or nothing. */
  alter(area: FitArea, how: AlteredHow, text: string): string {
    const unit = this.units.entered();
    const chartId = this.chartId();
    const typed = text.trim();
    const noted = this.alterations().find((one) => one.area === area && one.how === how);
    if (typed === '') {
      if (noted !== undefined)
        this.store.does({ kind: 'alteration-noted', chartId, area, how, typed: null, unit, length: null });
      return '';
    }
    const read = readAlteration(typed, how, unit);
    if (!read.ok) return sayAlterationProblem(read.problem, this.units.written(unit));
    if (noted?.length === read.value) return '';
    this.store.does({ kind: 'alteration-noted', chartId, area, how, typed, unit, length: read.value });
    return '';
  }

  /** Begins with the garment that is put on first of those still to be tried on; where there is none, with this one. */
  begin(at: number): void {
    this.at.set(this.order().find((index) => this.isOpen(index)) ?? at);
  }

  /** On to the next garment that is still to be tried on; whether there is one. */
  toNextOpen(): boolean {
    const next = this.fromHere().find((index) => index !== this.at() && this.isOpen(index));
    if (next !== undefined) this.at.set(next);
    return next !== undefined;
  }

  /** To the garment that is put on before or after this one. */
  move(by: 1 | -1): void {
    const order = this.order();
    this.at.set(order.at((this.turn() + by) % order.length)!);
  }

  /** The garments that are put on after this one, then those before it. */
  private fromHere(): number[] {
    const order = this.order();
    return [...order.slice(this.turn() + 1), ...order.slice(0, this.turn() + 1)];
  }

  private isOpen(index: number): boolean {
    const docket = this.store.docket();
    const stage = docket === null ? 'kept' : stageOf(docket, this.store.garments()[index]!.chart.id);
    return stage === 'to-try' || stage === 'on';
  }
}

/** Past the last check. */
const END = '…';
