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

/**
 * Milligrams in one of each unit, so that whole numbers suffice. The pound is 0.45359237 kg
 * exactly (1959), rounded to the milligram; a stone is fourteen pounds.
 */
const MILLIGRAMS_PER: Readonly<Record<string, { readonly milligrams: number; readonly unit: MassUnit }>> = {
  kg: { milligrams: 1_000_000, unit: 'kg' },
  g: { milligrams: 1_000, unit: 'kg' },
  lb: { milligrams: 453_592, unit: 'lb' },
  lbs: { milligrams: 453_592, unit: 'lb' },
};
const POUNDS_PER_STONE = 14;

/** Whether a unit is one of mass. */
export function isMassUnit(unit: MeasureUnit): unit is MassUnit {
  return unit === 'kg' || unit === 'lb';
}

/** A mass of so many kilograms, as whole grams in the place of micrometres. */
export function kilograms(count: number): Length {
  return micrometres(Math.round(count * 1_000));
}

/** Grams in the smallest step shown of each unit of mass. */
export const GRAMS_PER: Readonly<Record<MassUnit, number>> = { kg: 1_000, lb: 453.592 };

/**
 * Reads what was typed in the unit a bare number takes, a length or a mass by that unit:
 * lengths as `parseLength`, masses as `72.5`, `72,5 kg`, `160 lb`, `11 st 4`.
 */
export function parseMeasure(text: string, unit: MeasureUnit): Outcome<WrittenMeasure, LengthProblem> {
  return isMassUnit(unit) ? parseMass(text, unit) : parseLength(text, unit);
}

function parseMass(text: string, unit: MassUnit): Outcome<WrittenMeasure, LengthProblem> {
  const plain = normalise(text);
  if (plain === '') return failure({ code: 'empty' });
  const stone = /^(\d{1,2})\s*st\s*(?:(\d{1,2})\s*(?:lbs?)?)?$/.exec(plain);
  if (stone) {
    const pounds = Number(stone[1]) * POUNDS_PER_STONE + Number(stone[2] ?? 0);
    return weighed(pounds * MILLIGRAMS_PER['lb']!.milligrams, 1, 'lb', false);
  }
  const number = splitNumber(plain);
  if (number === null) return failure({ code: 'unreadable', text });
  const named = MILLIGRAMS_PER[number.unit ?? unit];
  if (named === undefined) return failure({ code: 'unknown-unit', text, unit: number.unit! });
  if (number.denominator === 0) return failure({ code: 'zero-denominator', text });
  return weighed(number.numerator * named.milligrams, number.denominator, named.unit, number.unit === null);

  function weighed(milligrams: number, over: number, as: MassUnit, bare: boolean) {
    const grams = divideToNearest(milligrams, over * 1_000);
    return grams > 1_000_000
      ? failure<LengthProblem>({ code: 'too-long', text })
      : success({ length: micrometres(grams), unit: as, bare });
  }
}
