import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  agreementOf,
  judgeGarment,
  settledValues,
  standingReadings,
  type Bench,
  type Chart,
  type Decision,
  type DecisionSave,
  type Reading,
  type ReadingSave,
} from '@neat-measure/contract';
import {
  bareUnit,
  decidingCodes,
  measurement,
  openSuspicions,
  type Instrument,
  type Suspicion,
  type Tension,
  readReading,
  type Agreement,
  type GarmentVerdict,
  type MeasurementCode,
  type ReadingProblem,
  type WorkingUnit,
} from '@neat-measure/core';
import { finalize, switchMap } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { DocketService } from '../../data/docket-service';
import { ReadingOutbox } from '../../data/reading-outbox';
import { UnitService } from '../../data/unit-service';
import { planOf, stopsOf, type Stop } from './stops';

/** One step of the work: a measurement, what has been read, and what it comes to. */
export interface Step {
  readonly code: MeasurementCode;
  readonly tension: Tension;
  /** The garments and protocols that ask for it. */
  readonly wantedBy: readonly string[];
  readonly readings: readonly Reading[];
  readonly agreement: Agreement;
  /** Why it was passed over, unless it was taken after all. */
  readonly skipped: string | null;
}

/** A garment of the docket with its verdict now and what was decided last. */
export interface Garment {
  readonly chart: Chart;
  readonly verdict: GarmentVerdict;
  readonly decision: Decision | null;
}

/** The state of one docket on the Bench. */
@Injectable()
export class BenchStore {
  private readonly dockets = inject(DocketService);
  private readonly outbox = inject(ReadingOutbox);
  private readonly units = inject(UnitService);

  private readonly bench = signal<Bench | null>(null);
  private readonly at = signal('prepare');
  /** What is typed and not taken yet. */
  readonly entry = signal('');
  /** Why what was typed is not taken. */
  readonly problem = signal<ReadingProblem | null>(null);
  /** What went wrong between here and the server, in its words. */
  readonly trouble = signal('');
  readonly saving = signal(false);
  /** What girths and lengths are taken with: the tape, or a marked string laid on a ruler. */
  readonly instrument = signal<Instrument>('tape');

  readonly docket = computed(() => this.bench()?.docket ?? null);
  readonly wearer = computed(() => this.bench()?.wearer ?? null);
  readonly unit = this.units.unit;

  readonly plan = computed(() => planOf(this.bench() ?? { charts: [], protocols: [] }));
  readonly stops = computed(() => stopsOf(this.plan()));
  readonly stop = computed<Stop>(
    () => this.stops().find(({ key }) => key === this.at()) ?? { key: 'decide', kind: 'decide' },
  );
  readonly protocols = computed(() => this.bench()?.protocols ?? []);

  readonly steps = computed<readonly Step[]>(() => {
    const bench = this.bench();
    if (bench === null) return [];
    return this.plan().steps.map(({ code, tension, wantedBy }) => {
      const readings = standingReadings(bench.readings, [code]);
      const skip = bench.skips.filter((one) => one.code === code).at(-1)?.reason ?? null;
      return {
        code,
        tension,
        wantedBy,
        readings,
        agreement: agreementOf(code, readings),
        skipped: readings.length === 0 ? skip : null,
      };
    });
  });

  readonly values = computed(() => settledValues(this.bench()?.readings ?? []));
  /** What does not hang together and nobody has confirmed. */
  readonly suspicions = computed<readonly Suspicion[]>(() =>
    openSuspicions(this.values(), this.bench()?.confirmations ?? []),
  );

  readonly garments = computed<readonly Garment[]>(() => {
    const bench = this.bench();
    if (bench === null) return [];
    return bench.charts.map((chart) => ({
      chart,
      verdict: judgeGarment(chart, bench),
      decision: bench.decisions.filter(({ chartId }) => chartId === chart.id).at(-1) ?? null,
    }));
  });

  /** The step being taken, or `null` at any other stop. */
  readonly current = computed(() => this.steps().find(({ code }) => code === this.at()) ?? null);
  readonly currentNumber = computed(() => this.steps().findIndex(({ code }) => code === this.at()) + 1);
  /** The suspicions the step at hand takes part in. */
  readonly currentSuspicions = computed(() => {
    const code = this.current()?.code;
    return code === undefined
      ? []
      : this.suspicions().filter(({ measurements }) => measurements.includes(code));
  });
  /** What an earlier docket says of the step at hand, while nothing has been read here. */
  readonly recorded = computed(() => {
    const step = this.current();
    if (step === null || step.readings.length > 0) return null;
    return this.bench()?.record.find(({ code }) => code === step.code) ?? null;
  });
  /** How many readings the steps still want, two each. */
  readonly toGo = computed(() =>
    this.steps().reduce(
      (sum, { agreement, readings, skipped }) =>
        sum + (agreement.state === 'agreed' || skipped !== null ? 0 : Math.max(1, 2 - readings.length)),
      0,
    ),
  );

  constructor() {
    this.outbox.deliveries.pipe(takeUntilDestroyed()).subscribe((delivery) => {
      const bench = this.bench();
      if (bench === null || delivery.docketId !== bench.docket.id) return;
      if ('kept' in delivery) this.replaceReading(delivery.kept);
      else {
        this.bench.set({ ...bench, readings: bench.readings.filter(({ id }) => id !== delivery.readingId) });
        this.trouble.set(`A reading was not taken by the server. ${delivery.refused}`);
      }
    });
  }

  /** Opens a docket; readings that still wait on this device stand in it. */
  open(docketId: string): void {
    this.bench.set(null);
    this.dockets.open(docketId).subscribe({
      next: (bench) => {
        this.show(bench);
        this.at.set(bench.readings.length === 0 && bench.skips.length === 0 ? 'prepare' : this.firstOpen());
      },
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }

  /** Takes what is typed as a reading of the current step; says why not where it cannot be. */
  takeEntry(): void {
    const step = this.current();
    const bench = this.bench();
    if (step === null || bench === null) return;
    if (this.entry().trim() === '') {
      this.next();
      return;
    }
    const unit = bareUnit(step.code, this.unit());
    const read = readReading(this.entry(), step.code, unit);
    if (!read.ok) {
      this.problem.set(read.problem);
      return;
    }
    this.keep(step.code, this.entry().trim(), unit);
  }

  /** Takes the typed number in the unit that was offered for it. */
  takeOffer(): void {
    const problem = this.problem();
    if (problem?.code !== 'impossible' || problem.offers.length === 0) return;
    this.keep(problem.measurement, problem.text, problem.offers[0]!.unit);
  }

  /** Carries the value on record over to this docket, with its date and origin. */
  takeRecorded(): void {
    const recorded = this.recorded();
    if (recorded === null) return;
    // In millimetres a whole number of micrometres is written exactly.
    this.keep(recorded.code, `${recorded.value / 1_000} mm`, 'mm', recorded.takenAt, recorded.origin);
  }

  /** Takes back the last reading of the current step, or of the step before where it has none. */
  takeBack(): void {
    let step = this.current();
    if (step !== null && step.readings.length === 0) {
      this.back();
      step = this.current();
    }
    const last = step?.readings.at(-1);
    const bench = this.bench();
    if (last === undefined || bench === null) return;
    this.replaceReading({ ...last, withdrawnAt: new Date().toISOString() });
    this.outbox.withdraw(last.id, bench.docket.id);
    this.clearEntry();
  }

  goTo(code: MeasurementCode): void {
    this.goToStop(code);
  }

  /** The next stop; after the last step the garments are decided. */
  next(): void {
    this.goToStop(this.stopAt(1));
  }

  /** The stop before; from deciding, the last step. */
  back(): void {
    this.goToStop(this.stopAt(-1));
  }

  /** On to the garments, from wherever the tape is. */
  toDeciding(): void {
    this.goToStop('decide');
  }

  /** Passes the current step over, with the reason. */
  skip(reason: string): void {
    const [bench, step] = [this.bench(), this.current()];
    if (bench === null || step === null) return;
    this.trouble.set('');
    this.dockets.skip(uuidv7(), { docketId: bench.docket.id, code: step.code, reason }).subscribe({
      next: (skip) => {
        this.bench.update((now) => now && { ...now, skips: [...now.skips, skip] });
        if (this.current()?.code === skip.code) this.next();
      },
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }

  /** Confirms a suspicion for the values as they stand, and goes on where nothing else is asked. */
  confirm(suspicion: Suspicion): void {
    const bench = this.bench();
    if (bench === null) return;
    const values = suspicion.measurements.map((code) => ({ code, value: this.values().get(code)! }));
    this.trouble.set('');
    this.dockets
      .confirm(uuidv7(), { docketId: bench.docket.id, check: suspicion.check, values, reason: 'It is so' })
      .subscribe({
        next: (confirmation) => {
          this.bench.update((now) => now && { ...now, confirmations: [...now.confirmations, confirmation] });
          this.goOnIfSettled();
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }

  clearEntry(): void {
    this.entry.set('');
    this.problem.set(null);
  }

  /** Decides a garment: the proposal, or another size with its reason. */
  decide(garment: Garment, choice: { readonly size: string; readonly reason: string | null }): void {
    const bench = this.bench();
    if (bench === null || this.saving()) return;
    const readingIds = standingReadings(bench.readings, decidingCodes(garment.chart.sheet)).map(
      ({ id }) => id,
    );
    const base = { docketId: bench.docket.id, chartId: garment.chart.id, readingIds, size: choice.size };
    this.saving.set(true);
    this.trouble.set('');
    const decision: DecisionSave =
      choice.reason === null
        ? { ...base, outcome: 'accepted' }
        : { ...base, outcome: 'overridden', reason: choice.reason };
    this.outbox
      .whenSent()
      .pipe(
        switchMap(() => this.dockets.decide(uuidv7(), decision)),
        finalize(() => this.saving.set(false)),
      )
      .subscribe({
        next: (kept) => this.bench.update((now) => now && { ...now, decisions: [...now.decisions, kept] }),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }

  private show(bench: Bench): void {
    let readings = [...bench.readings];
    for (const { readingId, reading } of this.outbox.waitingFor(bench.docket.id)) {
      if (reading === null)
        readings = readings.map((one) =>
          one.id === readingId ? { ...one, withdrawnAt: new Date().toISOString() } : one,
        );
      else if (readings.every(({ id }) => id !== readingId)) readings.push(...asTaken(readingId, reading));
    }
    this.bench.set({ ...bench, readings });
  }

  private firstOpen(): string {
    return (
      this.steps().find(({ agreement, skipped }) => agreement.state !== 'agreed' && skipped === null)?.code ??
      'decide'
    );
  }

  private stopAt(by: 1 | -1): string {
    const stops = this.stops();
    const index = stops.findIndex(({ key }) => key === this.stop().key);
    return stops[Math.min(Math.max(index + by, 0), stops.length - 1)]!.key;
  }

  private goToStop(key: string): void {
    this.at.set(key);
    this.clearEntry();
  }

  /** Two readings that agree and ask nothing need no further look. */
  private goOnIfSettled(): void {
    const asks = this.currentSuspicions().some(({ weight }) => weight === 'ask');
    if (this.current()?.agreement.state === 'agreed' && !asks) this.next();
  }

  private keep(
    code: MeasurementCode,
    typed: string,
    unit: WorkingUnit,
    carriedFrom: string | null = null,
    origin: ReadingSave['origin'] = 'fitter',
  ): void {
    const bench = this.bench();
    if (bench === null) return;
    const { stance, instruments } = measurement(code);
    const { tension } = this.plan().steps.find((step) => step.code === code)!;
    const reading: ReadingSave = {
      docketId: bench.docket.id,
      code,
      typed,
      unit,
      stance,
      tension,
      instrument: instruments.includes(this.instrument()) ? this.instrument() : instruments[0]!,
      origin,
      takenAt: new Date().toISOString(),
      carriedFrom,
    };
    const id = uuidv7();
    this.bench.set({ ...bench, readings: [...bench.readings, ...asTaken(id, reading)] });
    this.outbox.take(id, reading);
    this.clearEntry();
    this.goOnIfSettled();
  }

  private replaceReading(reading: Reading): void {
    this.bench.update(
      (bench) =>
        bench && { ...bench, readings: bench.readings.map((one) => (one.id === reading.id ? reading : one)) },
    );
  }
}

/** A reading as it will come back from the server, to be shown before it does. */
function asTaken(id: string, reading: ReadingSave): Reading[] {
  const read = readReading(reading.typed, reading.code, reading.unit);
  return read.ok ? [{ ...reading, id, length: read.value.length, fitterId: '', withdrawnAt: null }] : [];
}
