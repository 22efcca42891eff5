import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { StreamedLine } from '@neat-measure/contract';
import {
  asTyped,
  bareUnit,
  carriedOver,
  deviceLength,
  formatLength,
  measurement,
  readReading,
  type Clothing,
  type Instrument,
  type MeasurementCode,
  type MeasureUnit,
  type Origin,
  type ReadingProblem,
  type Suspicion,
  offMark,
  standingReadings,
  type Length,
  type OffMark,
  type WaistPlace,
  type Tension,
  type ToldEstimate,
  unitSlip,
  usableRecord,
  writtenExactly,
  type UnitSlip,
} from '@neat-measure/core';
import { EMPTY, switchMap } from 'rxjs';
import { DeviceService } from '../../../../data/device-service';
import { UnitService } from '../../../../data/unit-service';
import { DocketStore } from '../../docket-store';
import { CursorStore } from '../cursor-store';
import { markBefore } from '../steps';

/** A reading to be taken: typed by the fitter unless something else is said. */
interface TakenReading {
  readonly typed: string;
  readonly unit: MeasureUnit;
  readonly origin?: Origin;
  readonly carriedFrom?: string;
  /** What it was taken with, where it was not taken here. */
  readonly instrument?: Instrument | undefined;
  /** Where the waist was, where it was not read here. */
  readonly waist?: WaistPlace | null | undefined;
  readonly device?: string;
  /** How many readings it rests on, where it was carried over. */
  readonly readings?: number | undefined;
}

/** What is being entered at the step at hand, how the tape lies and over what. */
@Injectable()
export class EntryStore {
  private readonly docket = inject(DocketStore);
  private readonly cursor = inject(CursorStore);
  private readonly units = inject(UnitService);
  private readonly devices = inject(DeviceService);

  private readonly key = computed(() => this.cursor.stop().key);
  /** What is typed and not taken yet; another stop begins empty. */
  readonly entry = linkedSignal({ source: this.key, computation: () => '' });
  /** Why what was typed is not taken. */
  readonly problem = linkedSignal<string, ReadingProblem | null>({
    source: this.key,
    computation: () => null,
  });
  /** A mark that does not lie where it can, beside the mark before: asked about before it is taken. */
  readonly off = linkedSignal<string, OffMark | null>({ source: this.key, computation: () => null });
  /** A number that is far likelier in another unit: asked about before it is taken. */
  readonly slip = linkedSignal<string, UnitSlip | null>({ source: this.key, computation: () => null });
  /** Whether something is asked that has to be answered before anything else is read. */
  readonly asks = computed(() => this.off() !== null || this.slip() !== null);
  /** Whether it was tried to go on while something is asked about this step. */
  readonly held = linkedSignal<string, boolean>({ source: this.key, computation: () => false });
  /** What girths and lengths are taken with: the tape, or a marked string laid on a ruler. */
  readonly instrument = signal<Instrument>('tape');
  /** Who reads the step at hand: the fitter, a helper, or nobody, where the wearer tells it. */
  readonly origin = linkedSignal<string, Origin>({ source: this.key, computation: () => 'fitter' });
  /** The tension the step at hand is taken with, where it is not the one asked for. */
  private readonly otherTension = linkedSignal<string, Tension | null>({
    source: this.key,
    computation: () => null,
  });
  /** What is worn where the plan asks for something else: it stays so for every step that asks the same. */
  private readonly worn = signal<Readonly<Partial<Record<Clothing, Clothing>>>>({});

  /** How the tape lies at the step at hand: as asked, unless the fitter says otherwise. */
  readonly tension = computed<Tension>(() => this.otherTension() ?? this.cursor.current()?.tension ?? 'skin');
  /** What lies between tape and body: what those who ask want, unless the fitter says otherwise. */
  readonly clothing = computed<Clothing>(() => {
    const asked = this.cursor.current()?.clothing ?? 'close-fitting';
    return this.worn()[asked] ?? asked;
  });

  constructor() {
    toObservable(this.devices.paired)
      .pipe(
        switchMap((device) => (device === '' ? EMPTY : this.devices.lines(device))),
        takeUntilDestroyed(),
      )
      .subscribe((line) => this.receive(line));
  }

  /** Says where the next readings of this step come from. */
  takeFrom(origin: Origin): void {
    this.origin.set(origin);
  }

  /** Says how the tape lies at this step, where it cannot lie as asked. */
  takeWith(tension: Tension): void {
    this.otherTension.set(tension);
  }

  /** Says what is worn, where it is not what is asked for. */
  takeOver(clothing: Clothing): void {
    const asked = this.cursor.current()?.clothing;
    if (asked !== undefined) this.worn.update((worn) => ({ ...worn, [asked]: clothing }));
  }

  write(text: string): void {
    this.entry.set(text);
    this.held.set(false);
    this.problem.set(null);
    this.off.set(null);
    this.slip.set(null);
  }

  clear(): void {
    this.write('');
  }

  /** Takes what is typed as a reading of the current step; says why not where it cannot be. */
  take(): void {
    const step = this.cursor.current();
    if (step === null) return;
    if (this.entry().trim() === '') {
      // A question is answered by a reading or by a word, not by passing it.
      const asked = this.cursor.suspicions().some(({ weight }) => weight === 'ask');
      this.held.set(asked);
      if (!asked) this.cursor.next();
      return;
    }
    const unit = bareUnit(step.code, this.units.entered());
    const read = readReading(this.entry(), step.code, unit);
    if (!read.ok) return this.problem.set(read.problem);
    const taken = { typed: this.entry().trim(), unit };
    const known = new Map(this.docket.values());
    const before = step.readings.at(-1);
    if (before !== undefined) known.set(step.code, before.length);
    const slip = unitSlip(taken.typed, step.code, unit, known);
    if (slip === null) return this.keepMark(taken, read.value.length);
    this.asked = taken;
    this.slip.set(slip);
  }

  /** Takes a number as it was typed although another unit is likelier: the fitter has looked again. */
  takeAsTyped(): void {
    const [slip, taken] = [this.slip(), this.asked];
    if (slip === null || taken === null) return;
    this.slip.set(null);
    this.keepMark(taken, slip.length);
  }

  /** Takes a mark although it does not lie where it can: the fitter has looked again. */
  takeOff(): void {
    const [step, taken] = [this.cursor.current(), this.asked];
    if (step !== null && this.off() !== null && taken !== null) this.keep(step.code, taken);
  }

  /** What is asked about, as it would be taken. */
  private asked: TakenReading | null = null;

  /** Takes a reading of the step at hand, unless along a chain it does not lie beyond the mark before. */
  private keepMark(taken: TakenReading, length: Length): void {
    const step = this.cursor.current()!;
    const before = markBefore(this.cursor.placing(), step.code);
    const off = before === null ? null : offMark(step.code, length, before);
    if (off === null) return this.keep(step.code, taken);
    this.asked = taken;
    this.off.set(off);
  }

  /** Takes the typed number in the unit that was offered for it. */
  takeOffer(): void {
    const [problem, slip] = [this.problem(), this.slip()];
    if (slip !== null) {
      this.slip.set(null);
      return this.keepMark({ typed: slip.text, unit: slip.offer.unit }, slip.offer.length);
    }
    if (problem?.code !== 'impossible' || problem.offers.length === 0) return;
    this.keep(problem.measurement, { typed: problem.text, unit: problem.offers[0]!.unit });
  }

  /** Takes what a paired tape sent, by the same way as what is typed; what cannot be taken is said, with its value. */
  receive(line: StreamedLine): void {
    const [docket, step] = [this.docket.docket(), this.cursor.current()];
    const said = formatLength(deviceLength(line), this.units.shown());
    if (docket === null) return;
    if (line.docket !== undefined && line.docket !== docket.id)
      return this.docket.trouble.set(`The tape sent ${said} for another docket. The reading was not saved.`);
    if (step === null)
      return this.docket.trouble.set(
        `The tape sent ${said} while no measurement was open. Go to the measurement and pull again.`,
      );
    const read = readReading(asTyped(line), step.code, 'mm');
    this.entry.set(asTyped(line));
    if (read.ok) this.keepMark({ typed: asTyped(line), unit: 'mm', device: line.device }, read.value.length);
    else this.problem.set(read.problem);
  }

  /** Carries the value on record over to this docket, with its date and origin. */
  takeRecorded(): void {
    const recorded = this.cursor.recorded();
    if (recorded === null || recorded.elsewhere) return;
    const { code, value, origin, takenAt, waist, instrument, readings } = recorded;
    this.keep(code, {
      ...writtenExactly(code, value, bareUnit(code, this.units.entered())),
      origin,
      carriedFrom: takenAt,
      readings,
      waist,
      instrument,
    });
  }

  /** What stands on record for steps nothing was read of yet, and may be used as it is. */
  readonly usable = computed(() => usableRecord(this.docket.steps(), this.docket.record()));

  /** Carries everything that stands on record and is not due over to this docket. */
  takeAllRecorded(): void {
    for (const one of this.usable())
      this.docket.does(carriedOver(one, bareUnit(one.step.code, this.units.entered())));
  }

  /** Takes what a told size leads to, as told and not measured. */
  takeTold({ code, length }: ToldEstimate): void {
    const unit = bareUnit(code, this.units.entered());
    this.keep(code, { ...writtenExactly(code, length, unit), origin: 'reported' });
  }

  /** Takes back the last reading of the step at hand, or of the one before where there is none. */
  takeBack(): void {
    if (this.cursor.placing().length > 1) return this.takeBackMark();
    if ((this.cursor.current()?.readings.length ?? 0) === 0 && !this.cursor.toStepBefore()) return;
    const last = this.cursor.current()?.readings.at(-1);
    if (last !== undefined)
      this.docket.does({ kind: 'reading-withdrawn', readingId: last.id, code: last.code });
    this.clear();
  }

  /** Along a chain the mark that was read last is the one to take back, wherever the eye has gone since. */
  private takeBackMark(): void {
    const codes = this.cursor.placing().map(({ code }) => code);
    const last = standingReadings(this.docket.docket()?.readings ?? [], codes).at(-1);
    this.clear();
    if (last === undefined) {
      this.cursor.goTo(codes[0]!);
      this.cursor.toStepBefore();
      const before = this.cursor.current()?.readings.at(-1);
      if (before !== undefined)
        this.docket.does({ kind: 'reading-withdrawn', readingId: before.id, code: before.code });
      return;
    }
    this.docket.does({ kind: 'reading-withdrawn', readingId: last.id, code: last.code });
    this.cursor.goTo(last.code);
  }

  /** Passes a step over, with the reason. */
  pass(code: MeasurementCode, reason: string, idle = false): void {
    const here = this.cursor.current()?.code === code;
    if (!this.docket.does({ kind: 'step-passed', code, reason, idle }) || !here) return;
    // Along a chain the other marks are still to be read again.
    if (this.cursor.placing().length > 1) this.cursor.goOnIfSettled();
    else this.cursor.next();
  }

  /** Confirms a suspicion for the values as they stand, and goes on where nothing else is asked. */
  confirm({ check, measurements }: Suspicion): void {
    const values = measurements.map((code) => ({ code, value: this.docket.values().get(code)! }));
    if (this.docket.does({ kind: 'suspicion-confirmed', check, values, reason: 'Confirmed' }))
      this.cursor.goOnIfSettled();
  }

  private keep(code: MeasurementCode, taking: TakenReading): void {
    const { typed, unit, origin = this.origin(), carriedFrom, device, waist } = taking;
    const takenWith = taking.instrument ?? this.instrument();
    const { stance, instruments } = measurement(code);
    const read = readReading(typed, code, unit);
    if (!read.ok) return this.problem.set(read.problem);
    const taken = this.docket.does({
      kind: 'reading-taken',
      code,
      typed,
      unit,
      length: read.value.length,
      stance,
      tension: this.tension(),
      clothing: this.clothing(),
      waist: waist ?? this.cursor.current()?.waist ?? undefined,
      instrument: instruments.includes(takenWith) ? takenWith : instruments[0]!,
      origin,
      carriedFrom: carriedFrom ?? null,
      ...(taking.readings === undefined ? {} : { carriedReadings: taking.readings }),
      device: device ?? null,
    });
    if (!taken) return;
    this.clear();
    this.cursor.goOnIfSettled();
  }
}
