import type { SelfStep } from '@neat-measure/contract';
import {
  bareUnit,
  byPlacing,
  offMark,
  readReading,
  sayOffMark,
  sayReadingProblem,
  settleReadings,
  type Length,
  type MeasurementCode,
  type WorkingUnit,
  shownIn,
} from '@neat-measure/core';

/** What was typed of each measurement, round by round. */
export type Typed = Readonly<Partial<Record<MeasurementCode, readonly string[]>>>;

/** How far somebody has come: at which placing of the tape, and in which round of it. */
export interface Place {
  readonly placing: number;
  readonly round: number;
}

/** The rounds of a placing: twice, and a third time for what does not agree. */
const ROUNDS = 2;

/** The placings of the tape in order, each a screen. */
export function placingsOfSheet(steps: readonly SelfStep[]): SelfStep[][] {
  return byPlacing(steps);
}

/** What is asked in a round of a placing: all its marks, and in the third those of which two readings do not agree. */
export function askedIn(
  placing: readonly SelfStep[],
  typed: Typed,
  round: number,
  unit: WorkingUnit,
): SelfStep[] {
  if (round < ROUNDS) return [...placing];
  return placing.filter((step) => stateOf(step, typed, unit) === 'third-wanted');
}

/** How the readings of a step stand together; what cannot be read counts as none. */
export function stateOf(step: SelfStep, typed: Typed, unit: WorkingUnit) {
  return settled(step, typed, unit).state;
}

/** What a step comes to so far. */
export function valueOf(step: SelfStep, typed: Typed, unit: WorkingUnit): Length | null {
  return settled(step, typed, unit).value;
}

function settled(step: SelfStep, typed: Typed, unit: WorkingUnit) {
  return settleReadings(step.code, lengthsOf(step.code, typed, unit), step.allowed);
}

function lengthsOf(code: MeasurementCode, typed: Typed, unit: WorkingUnit): Length[] {
  return (typed[code] ?? []).flatMap((text) => {
    const read = readReading(text, code, bareUnit(code, unit));
    return read.ok ? [read.value.length] : [];
  });
}

/** What is wrong with what is typed. */
export interface Fault {
  readonly words: string;
  /** Whether it is only asked about, and taken as it is when it stays. */
  readonly asks: boolean;
}
export type Faults = Readonly<Partial<Record<MeasurementCode, Fault>>>;

/**
 * What is wrong with what is typed in a round, by measurement; a mark that does not lie beyond the one
 * before it is asked about, and taken as it is when it is confirmed.
 */
export function faultsIn(
  asked: readonly SelfStep[],
  typed: Typed,
  round: number,
  unit: WorkingUnit,
  confirmed: ReadonlySet<string>,
): Faults {
  const faults: Partial<Record<MeasurementCode, Fault>> = {};
  let before: { code: MeasurementCode; length: Length } | null = null;
  for (const { code } of asked) {
    const text = (typed[code]?.[round] ?? '').trim();
    if (text === '') continue;
    const own = bareUnit(code, unit);
    const read = readReading(text, code, own);
    if (!read.ok) {
      faults[code] = { words: sayReadingProblem(read.problem, shownIn(own, 8)), asks: false };
      continue;
    }
    const { length } = read.value;
    const off = before === null ? null : offMark(code, length, before);
    if (off !== null && !confirmed.has(`${code} ${length}`))
      faults[code] = { words: sayOffMark(off, shownIn(unit, 8)), asks: true };
    before = { code, length };
  }
  return faults;
}

/** The place after one; past the last placing there is none. */
export function placeAfter(
  placings: readonly (readonly SelfStep[])[],
  { placing, round }: Place,
  typed: Typed,
  unit: WorkingUnit,
): Place | null {
  const here = placings[placing]!;
  // What was left out the first time is not asked a second time.
  const begun = here.some(({ code }) => (typed[code]?.[round] ?? '').trim() !== '');
  const next = { placing, round: round + 1 };
  if (begun && next.round <= ROUNDS && askedIn(here, typed, next.round, unit).length > 0) return next;
  return placing + 1 < placings.length ? { placing: placing + 1, round: 0 } : null;
}

/** The place before one; before the first there is none. */
export function placeBefore({ placing, round }: Place): Place | null {
  if (round > 0) return { placing, round: round - 1 };
  return placing > 0 ? { placing: placing - 1, round: 0 } : null;
}
