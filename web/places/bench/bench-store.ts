import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import {
  demandable,
  planOf,
  type Planned,
  settledValues,
  standingReadings,
  type Bench,
  type DecisionSave,
  type DocketSave,
  type Reading,
  type StreamedLine,
} from '@neat-measure/contract';
import {
  asTyped,
  bareUnit,
  deviceLength,
  formatLength,
  decidingCodes,
  openSuspicions,
  type Clothing,
  type Instrument,
  type Tension,
  type Suspicion,
  readReading,
  type MeasurementCode,
  type ReadingProblem,
} from '@neat-measure/core';
import { EMPTY, finalize, switchMap } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { DeviceService } from '../../data/device-service';
import { DocketService } from '../../data/docket-service';
import { ReadingOutbox } from '../../data/reading-outbox';
import { UnitService } from '../../data/unit-service';
import {
  asksTheSame,
  asTaken,
  firstOpen,
  garmentsOf,
  readingsToGo,
  stepsOf,
  withWaiting,
  type Garment,
  type Step,
} from './bench-view';
import { stopBeside, stopsOf, type Stop } from './stops';
import { readRecorded, toReading, type Taken } from './taken';
import type { Choice, Override } from './choice';

const NOTHING_ASKED = { charts: [], protocols: [], docket: { extraCodes: [] } };

/** The state of one docket on the Bench. */
@Injectable()
export class BenchStore {
  private readonly dockets = inject(DocketService);
  private readonly outbox = inject(ReadingOutbox);
  private readonly units = inject(UnitService);
  private readonly devices = inject(DeviceService);

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

  /** What lies between tape and body; stays until it is changed, as the wearer does. */
  readonly clothing = signal<Clothing>('close-fitting');
  /** The tension the step at hand was taken with, where it was not the one asked for. */
  private readonly otherTension = signal<{ code: MeasurementCode; tension: Tension } | null>(null);

  readonly docket = computed(() => this.bench()?.docket ?? null);
  readonly wearer = computed(() => this.bench()?.wearer ?? null);
  readonly unit = this.units.unit;

  /** What the plan rests on: it stays as it is while only readings come in. */
  private readonly asked = computed<Planned>(() => this.bench() ?? NOTHING_ASKED, { equal: asksTheSame });
  readonly plan = computed(() => planOf(this.asked()));
  readonly stops = computed(() => stopsOf(this.plan()));
  readonly stop = computed<Stop>(
    () => this.stops().find(({ key }) => key === this.at()) ?? { key: 'decide', kind: 'decide' },
  );
  readonly protocols = computed(() => this.bench()?.protocols ?? []);

  readonly steps = computed<readonly Step[]>(() => {
    const bench = this.bench();
    return bench === null ? [] : stepsOf(this.plan(), bench);
  });

  readonly values = computed(() => settledValues(this.bench()?.readings ?? []));
  /** What does not hang together and nobody has confirmed. */
  readonly suspicions = computed<readonly Suspicion[]>(() =>
    openSuspicions(this.values(), this.bench()?.confirmations ?? []),
  );

  readonly garments = computed<readonly Garment[]>(() => {
    const bench = this.bench();
    return bench === null ? [] : garmentsOf(bench);
  });

  /** The step being taken, or `null` at any other stop. */
  readonly current = computed(() => this.steps().find(({ code }) => code === this.at()) ?? null);
  /** How the tape lies at the step at hand: as asked, unless the fitter says otherwise. */
  readonly tension = computed<Tension>(() => {
    const [step, other] = [this.current(), this.otherTension()];
    return other !== null && other.code === step?.code ? other.tension : (step?.tension ?? 'skin');
  });
  /** What may be measured besides, and whether it is asked for. */
  readonly extras = computed(() => demandable(this.asked()));
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
  readonly toGo = computed(() => readingsToGo(this.steps()));

  constructor() {
    toObservable(this.devices.paired)
      .pipe(
        switchMap((device) => (device === '' ? EMPTY : this.devices.lines(device))),
        takeUntilDestroyed(),
      )
      .subscribe((line) => this.receive(line));
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
        this.bench.set(withWaiting(bench, this.outbox.waitingFor(bench.docket.id)));
        this.at.set(
          bench.readings.length === 0 && bench.skips.length === 0
            ? 'prepare'
            : (firstOpen(this.steps()) ?? 'decide'),
        );
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
    this.keep(step.code, { typed: this.entry().trim(), unit });
  }

  /** Takes the typed number in the unit that was offered for it. */
  takeOffer(): void {
    const problem = this.problem();
    if (problem?.code !== 'impossible' || problem.offers.length === 0) return;
    this.keep(problem.measurement, { typed: problem.text, unit: problem.offers[0]!.unit });
  }

  /** Takes what a paired tape sent, by the same way as what is typed; what cannot be taken is said, with its value. */
  receive(line: StreamedLine): void {
    const [bench, step] = [this.bench(), this.current()];
    const said = formatLength(deviceLength(line), this.unit());
    if (bench === null) return;
    if (line.docket !== undefined && line.docket !== bench.docket.id)
      return this.trouble.set(`The tape sent ${said} for another docket. It was not taken here.`);
    if (step === null)
      return this.trouble.set(
        `The tape sent ${said} while no measurement was open. Go to the measurement and pull again.`,
      );
    const read = readReading(asTyped(line), step.code, 'mm');
    if (read.ok) this.keep(step.code, { typed: asTyped(line), unit: 'mm', device: line.device });
    else {
      this.entry.set(asTyped(line));
      this.problem.set(read.problem);
    }
  }

  /** Carries the value on record over to this docket, with its date and origin. */
  takeRecorded(): void {
    const recorded = this.recorded();
    if (recorded === null) return;
    this.keep(recorded.code, readRecorded(recorded));
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
    this.goToStop(stopBeside(this.stops(), this.stop(), 1));
  }

  /** The stop before; from deciding, the last step. */
  back(): void {
    this.goToStop(stopBeside(this.stops(), this.stop(), -1));
  }

  /** On to the garments, from wherever the tape is. */
  toDeciding(): void {
    this.goToStop('decide');
  }

  /** Passes a step over, with the reason; the current one unless another is named. */
  skip(reason: string, code = this.current()?.code): void {
    const bench = this.bench();
    if (bench === null || code === undefined) return;
    this.trouble.set('');
    this.dockets.skip(uuidv7(), { docketId: bench.docket.id, code, reason }).subscribe({
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

  /** Says how the tape lies at this step, where it cannot lie as asked. */
  takeWith(tension: Tension): void {
    const step = this.current();
    if (step !== null) this.otherTension.set({ code: step.code, tension });
  }

  /** Asks for a measurement besides, or no longer; what has been read stays read. */
  askFor(code: MeasurementCode, asked: boolean): void {
    const others = (this.bench()?.docket.extraCodes ?? []).filter((one) => one !== code);
    this.change({ extraCodes: asked ? [...others, code] : others });
  }

  clearEntry(): void {
    this.entry.set('');
    this.problem.set(null);
  }

  /** Decides a garment on the readings that stand, once all of them have arrived. */
  decide(garment: Garment, choice: Choice): void {
    const bench = this.bench();
    if (bench === null || this.saving()) return;
    const readingIds = standingReadings(bench.readings, decidingCodes(garment.chart.sheet)).map(
      ({ id }) => id,
    );
    this.saving.set(true);
    this.trouble.set('');
    const decision: DecisionSave = {
      docketId: bench.docket.id,
      chartId: garment.chart.id,
      readingIds,
      ...choice,
    };
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

  /** Puts a rule or preference in the place of the chart's and the docket's, for one garment; kept with the docket. */
  overrule(garment: Garment, by: Partial<Override>): void {
    const overrides = this.bench()?.docket.overrides ?? {};
    const before = overrides[garment.chart.id] ?? { rule: null, preference: null };
    this.change({ overrides: { ...overrides, [garment.chart.id]: { ...before, ...by } } });
  }

  /** Saves a change of the docket; the readings that still wait here stand in what comes back. */
  private change(changes: Partial<DocketSave>): void {
    const bench = this.bench();
    if (bench === null || this.saving()) return;
    const { id, number: _, openedAt: __, ...docket } = bench.docket;
    this.saving.set(true);
    this.trouble.set('');
    this.dockets
      .save(id, { ...docket, ...changes })
      .pipe(finalize(() => this.saving.set(false)))
      .subscribe({
        next: (saved) => this.bench.set(withWaiting(saved, this.outbox.waitingFor(id))),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
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

  private keep(code: MeasurementCode, taken: Taken): void {
    const bench = this.bench();
    if (bench === null) return;
    const reading = toReading(bench.docket.id, code, taken, {
      tension: this.tension(),
      clothing: this.clothing(),
      instrument: this.instrument(),
    });
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
