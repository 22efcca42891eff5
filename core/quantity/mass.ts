import { failure, success, type Outcome } from '../outcome';
import { micrometres, type Length, type LengthUnit, type WorkingUnit } from './length';
import { divideToNearest, normalise, parseLength, splitNumber, type LengthProblem } from './parse-length';

/** Units a mass is shown in. */
export const MASS_UNITS = ['kg', 'lb'] as const;
export type MassUnit = (typeof MASS_UNITS)[number];

/** The unit a measurement is shown and typed in: a length's, or a mass's. */
export const MEASURE_UNITS = ['in', 'cm', 'mm', ...MASS_UNITS] as const;
export type MeasureUnit = WorkingUnit | MassUnit;

/**
 * What somebody wrote for a measurement. `length` is whole micrometres; for a mass, whole
 * grams stand in the same place, and the unit tells which of the two it is.
 */
export interface WrittenMeasure {
  readonly length: Length;
  readonly unit: LengthUnit | MassUnit;
  readonly bare: boolean;
}

/** Why a text is no mass. */
export type MassProblem =
  | { readonly code: 'mass-empty' }
  | { readonly code: 'mass-unreadable'; readonly text: string }
  | { readonly code: 'mass-unknown-unit'; readonly text: string; readonly unit: string }
  | { readonly code: 'mass-improper-fraction'; readonly text: string }
  | { readonly code: 'mass-pounds-not-below-a-stone'; readonly text: string }
  | { readonly code: 'too-heavy'; readonly text: string };

interface Weighing {
  readonly milligrams: number;
  readonly unit: MassUnit;
}

/** The pound is 0.45359237 kg exactly (1959), here to the milligram; a stone is fourteen pounds. */
const POUND: Weighing = { milligrams: 453_592, unit: 'lb' };
const POUNDS_PER_STONE = 14;
const STONE: Weighing = { milligrams: POUNDS_PER_STONE * POUND.milligrams, unit: 'lb' };
const KILOGRAM: Weighing = { milligrams: 1_000_000, unit: 'kg' };
const GRAM: Weighing = { milligrams: 1_000, unit: 'kg' };

/** Milligrams in one of each unit as it is written, so that whole numbers suffice. */
const UNIT_SPELLINGS: ReadonlyMap<string, Weighing> = new Map([
  ...['kg', 'kgs', 'kilo', 'kilos', 'kilogram', 'kilograms'].map((unit) => [unit, KILOGRAM] as const),
  ...['g', 'gram', 'grams'].map((unit) => [unit, GRAM] as const),
  ...['lb', 'lbs', 'pound', 'pounds'].map((unit) => [unit, POUND] as const),
  ...['st', 'stone', 'stones'].map((unit) => [unit, STONE] as const),
]);
const STONES_AND_POUNDS = /^(\d{1,2})\s*(?:st|stones?)\s*(\d{1,2})\s*(?:lbs?|pounds?)?$/;
/** A tonne: no body comes near it. */
const HEAVIEST = 1_000_000;

/**
 * Whether a unit is one of mass.
 *
 * @example isMassUnit('kg') // true
 */
export function isMassUnit(unit: MeasureUnit): unit is MassUnit {
  return unit === 'kg' || unit === 'lb';
}

/**
 * A mass of so many kilograms, as whole grams in the place of micrometres.
 *
 * @example kilograms(72.5) // 72500
 */
export function kilograms(count: number): Length {
  return micrometres(Math.round(count * 1_000));
}

/** Grams in the smallest step shown of each unit of mass. */
export const GRAMS_PER: Readonly<Record<MassUnit, number>> = { kg: 1_000, lb: 453.592 };

/**
 * Reads what was typed in the unit a bare number takes, a length or a mass by that unit:
 * lengths as `parseLength`, masses as `72.5`, `72,5 kg`, `160 lb`, `11 st 4`, `11 stone`.
 *
 * @example parseMeasure('11 st 4', 'kg') // { ok: true, value: { length: 71668, unit: 'lb', bare: false } }
 */
export function parseMeasure(
  text: string,
  unit: MeasureUnit,
): Outcome<WrittenMeasure, LengthProblem | MassProblem> {
  return isMassUnit(unit) ? parseMass(text, unit) : parseLength(text, unit);
}

function parseMass(text: string, unit: MassUnit): Outcome<WrittenMeasure, MassProblem> {
  const plain = normalise(text);
  if (plain === '') return failure({ code: 'mass-empty' });
  const stones = STONES_AND_POUNDS.exec(plain);
  if (stones) {
    const [whole, rest] = [Number(stones[1]), Number(stones[2])];
    if (rest >= POUNDS_PER_STONE) return failure({ code: 'mass-pounds-not-below-a-stone', text });
    return weighed(text, whole * STONE.milligrams + rest * POUND.milligrams, 1, 'lb', false);
  }
  const number = splitNumber(plain);
  if (number === null) return failure({ code: 'mass-unreadable', text });
  const named = UNIT_SPELLINGS.get(number.unit ?? unit);
  if (named === undefined) return failure({ code: 'mass-unknown-unit', text, unit: number.unit! });
  if (number.improper) return failure({ code: 'mass-improper-fraction', text });
  const milligrams = number.numerator * named.milligrams;
  return weighed(text, milligrams, number.denominator, named.unit, number.unit === null);
}

function weighed(
  text: string,
  milligrams: number,
  over: number,
  unit: MassUnit,
  bare: boolean,
): Outcome<WrittenMeasure, MassProblem> {
  if (!Number.isSafeInteger(milligrams)) return failure({ code: 'too-heavy', text });
  const grams = divideToNearest(milligrams, over * 1_000);
  return grams > HEAVIEST
    ? failure({ code: 'too-heavy', text })
    : success({ length: micrometres(grams), unit, bare });
}
