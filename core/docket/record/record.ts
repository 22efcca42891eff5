import type { MeasurementCode } from '../../body/catalogue/codes';
import type { Instrument } from '../../body/measurement';
import { isNaturalWaist, isSameWaist, waistOf, type WaistPlace } from '../../body/waist';
import type { Length } from '../../quantity/length';
import type { Act } from '../acts';
import { asReading, type ReadingTaken } from '../acts/reading-taken';
import type { Origin, Reading } from '../docket';
import { ageAt } from './age';
import { remeasureIn, stillGrows, type Habits } from '../habits';
import { agreementOf, thatCount } from '../judge/settle';
import type { Library } from '../library';

/** What an earlier docket of a wearer already answers: offered, never used by itself. */
export interface RecordedValue {
  readonly code: MeasurementCode;
  readonly value: Length;
  readonly takenAt: string;
  readonly origin: Origin;
  /** What it was taken with, where that is known. */
  readonly instrument?: Instrument | undefined;
  /** Where the waist was, of what is read at it. */
  readonly waist?: WaistPlace | null | undefined;
  /** How many readings it rests on, where that is known. */
  readonly readings?: number | undefined;
  /** Older than the house lets a record stand: to be measured again. */
  readonly due: boolean;
}

const DAY_MS = 86_400_000;

/**
 * The readings among some acts that were not taken back, in their order.
 *
 * @example standingTaken(acts).length // 4
 */
export function standingTaken(acts: readonly Act[]): ReadingTaken[] {
  const back = new Set(acts.flatMap((act) => (act.kind === 'reading-withdrawn' ? [act.readingId] : [])));
  return acts.flatMap((act) => (act.kind === 'reading-taken' && !back.has(act.id) ? [act] : []));
}

/**
 * What a wearer's standing readings come to: of each measurement the docket that took it last, if
 * its readings agree.
 *
 * @param taken of one wearer, of any dockets, in the order taken
 * @example latestSettled(standingTaken(acts), house).map(({ code }) => code) // ['chest-girth', 'waist-girth']
 */
export function latestSettled(
  taken: readonly ReadingTaken[],
  habits: Pick<Habits, 'allowedApart'>,
): { readonly code: MeasurementCode; readonly value: Length; readonly last: Reading }[] {
  return [...new Set(taken.map(({ code }) => code))].flatMap((code) => {
    const own = taken.filter((one) => one.code === code);
    const last = own.at(-1)!;
    const together = own.filter(({ docketId }) => docketId === last.docketId).map(asReading);
    const agreement = agreementOf(code, together, habits);
    return agreement.state === 'agreed'
      ? [{ code, value: agreement.value, last: thatCount(together).at(-1)! }]
      : [];
  });
}

/**
 * What is known of a wearer's body for those who know no docket: charts, maps and coverage. What was
 * read with the waist at the navel is none of it, as makers mean the natural waist.
 *
 * @example latestOfBody(standingTaken(acts), house).get('waist-girth') === cm(85) // true
 */
export function latestOfBody(
  taken: readonly ReadingTaken[],
  habits: Pick<Habits, 'allowedApart'>,
): ReadonlyMap<MeasurementCode, Length> {
  const natural = taken.filter((one) => isNaturalWaist(waistOf(one)));
  return new Map(latestSettled(natural, habits).map(({ code, value }) => [code, value]));
}

/**
 * The record of a wearer for a docket: what a fitter read on earlier ones stands before what the
 * wearer sent, unless it is due; of the wearer's own the latest counts.
 *
 * @param taken the standing readings of earlier dockets, the oldest docket first
 * @param sent what the wearer measured and sent, the oldest first
 * @param library the docket's charts, of which the shortest period that any names for a measurement
 *   counts, and the house's habits for the rest
 * @param now in milliseconds since 1970
 * @param born year and month of birth, for what is due sooner while somebody grows
 * @example recordOf(standingTaken(acts), [], { charts: [jacket], habits: house }, Date.parse('2026-05-05')).length // 2
 */
export function recordOf(
  taken: readonly ReadingTaken[],
  sent: readonly RecordedValue[],
  library: Pick<Library, 'charts' | 'habits'>,
  now: number,
  born: string | null = null,
): RecordedValue[] {
  // What was read with the waist at the navel does not stand in the way of what was read where it creases.
  const places = [
    taken.filter((one) => isNaturalWaist(waistOf(one))),
    taken.filter((one) => !isNaturalWaist(waistOf(one))),
  ];
  const settled = places.flatMap((one) => latestSettled(one, library.habits));
  const read = settled.map(({ code, value, last }): RecordedValue => {
    const takenAt = last.carriedFrom ?? last.takenAt;
    const due = takenAt < oldestStanding(code, library, born, now);
    const { origin, instrument } = last;
    return { code, value, takenAt, origin, instrument, waist: waistOf(last), due };
  });
  const own = sent.filter((one, at) => sent.slice(at + 1).every((later) => !isSameMeasurement(one, later)));
  const kept = read.filter((one) => !one.due || own.every((other) => !isSameMeasurement(one, other)));
  return [...kept, ...own.filter((one) => kept.every((other) => !isSameMeasurement(one, other)))];
}

/** Whether two values on record are of one measurement, with the waist at one place. */
function isSameMeasurement(one: RecordedValue, other: RecordedValue): boolean {
  return one.code === other.code && isSameWaist(one.waist ?? null, other.waist ?? null);
}

/**
 * From when on a value of a measurement stands. The shortest period that any of the charts names counts,
 * else the house's; of those who still grow the house's for them, where it is shorter.
 *
 * @example oldestStanding('chest-girth', library, null, Date.UTC(2026, 6, 3)) // '2026-01-01T00:00:00.000Z'
 */
export function oldestStanding(
  code: MeasurementCode,
  { charts, habits }: Pick<Library, 'charts' | 'habits'>,
  born: string | null,
  now: number,
): string {
  const named = charts.flatMap(({ sheet }) =>
    sheet.expects.flatMap((one) =>
      one.code === code && one.remeasureAfter !== null ? [one.remeasureAfter] : [],
    ),
  );
  const age = ageAt(born, now);
  const house = remeasureIn(habits, code, age);
  const chart = Math.min(...named);
  const days = named.length === 0 ? house : stillGrows(habits, age) ? Math.min(chart, house) : chart;
  return new Date(now - days * DAY_MS).toISOString();
}
