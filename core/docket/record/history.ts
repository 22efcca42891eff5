import Papa from 'papaparse';
import { nameAt } from '../../body/at-waist';
import { measurement } from '../../body/catalogue';
import { MEASUREMENT_CODES, type MeasurementCode } from '../../body/catalogue/codes';
import type { Clothing, Instrument, Tension } from '../../body/measurement';
import { waistOf, type WaistPlace } from '../../body/waist';
import { MICROMETRES_PER, type Length } from '../../quantity/length';
import { GRAMS_PER } from '../../quantity/mass';
import type { Act } from '../acts';
import { asReading } from '../acts/reading-taken';
import type { Author, Origin } from '../docket';
import type { Habits } from '../habits';
import { oldestStanding, standingTaken } from './record';
import { agreementOf, countingReadings, thatCount } from '../judge/settle';

/** One value that was ever settled: on which docket, when, by whom and how. */
export interface HistoryPoint {
  readonly code: MeasurementCode;
  /** In micrometres; in grams of a mass. */
  readonly value: Length;
  /** When it was first taken, where it was carried over. */
  readonly takenAt: string;
  readonly docket: number;
  readonly origin: Origin;
  readonly tension: Tension;
  readonly clothing: Clothing;
  readonly waist: WaistPlace | null;
  readonly instrument: Instrument;
  /** How many readings it rests on. */
  readonly readings: number;
  readonly by: Author;
}

/** What a wearer's measurements were over time, and what is due. */
export interface BodyHistory {
  /** In the catalogue's order, and of each the oldest first. */
  readonly points: readonly HistoryPoint[];
  /** Whose latest value is older than the house lets a record stand. */
  readonly due: readonly MeasurementCode[];
}

/** A docket as its history needs it. */
export interface HistoryDocket {
  readonly number: number;
  readonly acts: readonly Act[];
}

/**
 * Every value that a wearer's dockets ever settled. What was carried over counts once, on the first
 * docket that has it.
 *
 * @param dockets of one wearer, in any order
 * @param born year and month of birth, for what is due sooner while somebody grows
 * @param now in milliseconds since 1970
 * @example historyOf([], house, null, 0).points // []
 */
export function historyOf(
  dockets: readonly HistoryDocket[],
  habits: Habits,
  born: string | null,
  now: number,
): BodyHistory {
  const known = new Map<string, HistoryPoint>();
  for (const { number, acts } of [...dockets].sort((one, other) => one.number - other.number))
    for (const point of settledOn(number, acts, habits)) {
      const key = `${point.code} ${point.takenAt}`;
      if (!known.has(key)) known.set(key, point);
    }
  const points = [...known.values()].sort(
    (one, other) =>
      MEASUREMENT_CODES.indexOf(one.code) - MEASUREMENT_CODES.indexOf(other.code) ||
      (one.takenAt < other.takenAt ? -1 : 1),
  );
  const latest = new Map(points.map((point) => [point.code, point]));
  const due = [...latest.values()]
    .filter(({ code, takenAt }) => takenAt < oldestStanding(code, { charts: [], habits }, born, now))
    .map(({ code }) => code);
  return { points, due };
}

function settledOn(docket: number, acts: readonly Act[], habits: Habits): HistoryPoint[] {
  const taken = standingTaken(acts);
  return [...new Set(taken.map(({ code }) => code))].flatMap((code): HistoryPoint[] => {
    const standing = thatCount(taken.filter((one) => one.code === code).map(asReading));
    const agreement = agreementOf(code, standing, habits);
    if (agreement.state !== 'agreed') return [];
    const counting = countingReadings(standing, agreement);
    const last = counting.at(-1)!;
    const { origin, tension, clothing, instrument, by } = last;
    const takenAt = last.carriedFrom ?? last.takenAt;
    return [
      {
        code,
        value: agreement.value,
        takenAt,
        docket,
        origin,
        tension,
        clothing,
        waist: waistOf(last),
        instrument,
        readings: last.carriedReadings ?? counting.length,
        by,
      },
    ];
  });
}

/**
 * The history as a table, a line a value: to be read by people and by spreadsheets.
 *
 * @example historyCsv({ points: [] }).startsWith('measurement,name,value,unit') // true
 */
export function historyCsv({ points }: Pick<BodyHistory, 'points'>): string {
  const head = [
    'measurement',
    'name',
    'value',
    'unit',
    'in cm',
    'in inches',
    'taken at (UTC)',
    'docket',
    'origin',
    'tension',
    'clothing',
    'waist',
    'taken with',
    'readings',
    'by',
  ];
  const rows = points.map((one) => {
    const mass = measurement(one.code).kind === 'mass';
    return [
      one.code,
      nameAt(one.code, one.waist),
      String(mass ? one.value / GRAMS_PER.kg : one.value / MICROMETRES_PER.mm),
      mass ? 'kg' : 'mm',
      mass ? '' : inUnit(one.value, 'cm'),
      mass ? '' : inUnit(one.value, 'in'),
      one.takenAt,
      String(one.docket),
      one.origin,
      one.tension,
      one.clothing,
      one.waist ?? '',
      one.instrument,
      String(one.readings),
      one.by.name,
    ];
  });
  // A name that begins like a formula stays a name in whatever opens this.
  return Papa.unparse([head, ...rows], { escapeFormulae: true });
}

/** A length as a number of a spreadsheet: to a tenth of a millimetre, or to a hundredth of an inch. */
function inUnit(length: Length, unit: 'cm' | 'in'): string {
  return String(Math.round((length / MICROMETRES_PER[unit]) * 100) / 100);
}
