import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  judgeGarment,
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
  planSteps,
  readReading,
  settleReadings,
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

/** One step of the work: a measurement, what has been read, and what it comes to. */
export interface Step {
  readonly code: MeasurementCode;
  readonly readings: readonly Reading[];
  readonly agreement: Agreement;
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
  private readonly at = signal<MeasurementCode | null>(null);
  /** What is typed and not taken yet. */
  readonly entry = signal('');
  /** Why what was typed is not taken. */
  readonly problem = signal<ReadingProblem | null>(null);
  /** What went wrong between here and the server, in its words. */
  readonly trouble = signal('');
  readonly saving = signal(false);

  readonly docket = computed(() => this.bench()?.docket ?? null);
  readonly wearer = computed(() => this.bench()?.wearer ?? null);
  readonly unit = this.units.unit;

  readonly steps = computed<readonly Step[]>(() => {
    const bench = this.bench();
    if (bench === null) return [];
    return planSteps(bench.charts.flatMap(({ sheet }) => decidingCodes(sheet))).map((code) => {
      const readings = standingReadings(bench.readings, [code]);
      return {
        code,
        readings,
        agreement: settleReadings(
          code,
          readings.map(({ length }) => length),
        ),
      };
    });
  });

  readonly garments = computed<readonly Garment[]>(() => {
    const bench = this.bench();
    if (bench === null) return [];
    return bench.charts.map((chart) => ({
      chart,
      verdict: judgeGarment(chart, bench.docket, bench.readings),
      decision: bench.decisions.filter(({ chartId }) => chartId === chart.id).at(-1) ?? null,
    }));
  });

  /** The step being taken, or `null` when all are done and the garments are to be decided. */
  readonly current = computed(() => this.steps().find(({ code }) => code === this.at()) ?? null);
  readonly currentNumber = computed(() => this.steps().findIndex(({ code }) => code === this.at()) + 1);
  /** How many readings the steps still want, two each. */
  readonly toGo = computed(() =>
    this.steps().reduce(
      (sum, { agreement, readings }) =>
        sum + (agreement.state === 'agreed' ? 0 : Math.max(1, 2 - readings.length)),
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
        this.at.set(this.firstOpen());
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

  /** Takes back the last reading of the current step, or of the step before where it has none. */
  takeBack(): void {
    let step = this.current();
    if (step === null || step.readings.length === 0) {
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
    this.at.set(code);
    this.clearEntry();
  }

  /** The next step; after the last one the garments are decided. */
  next(): void {
    const steps = this.steps();
    this.at.set(steps[this.currentNumber()]?.code ?? null);
    this.clearEntry();
  }

  /** The step before; from deciding, the last one. */
  back(): void {
    const steps = this.steps();
    const number = this.currentNumber();
    const before = number === 0 ? steps.at(-1) : steps[Math.max(number - 2, 0)];
    if (before !== undefined) this.goTo(before.code);
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

  private firstOpen(): MeasurementCode | null {
    return this.steps().find(({ agreement }) => agreement.state !== 'agreed')?.code ?? null;
  }

  private keep(code: MeasurementCode, typed: string, unit: WorkingUnit): void {
    const bench = this.bench();
    if (bench === null) return;
    const { stance, tension, instruments } = measurement(code);
    const reading: ReadingSave = {
      docketId: bench.docket.id,
      code,
      typed,
      unit,
      stance,
      tension,
      instrument: instruments[0]!,
      origin: 'fitter',
      takenAt: new Date().toISOString(),
    };
    const id = uuidv7();
    this.bench.set({ ...bench, readings: [...bench.readings, ...asTaken(id, reading)] });
    this.outbox.take(id, reading);
    this.clearEntry();
    if (this.current()?.agreement.state === 'agreed') this.next();
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
