import { failure, success, type Outcome } from '../outcome';
import { LENGTH_UNITS, MICROMETRES_PER, micrometres, type Length, type LengthUnit } from './length';

/** A length as somebody wrote it: the value, and the unit it was written in. */
export interface WrittenLength {
  readonly length: Length;
  /** The unit written, or the one assumed when the number stood bare. */
  readonly unit: LengthUnit;
  /** True when no unit was written, so that another reading of the number is possible. */
  readonly bare: boolean;
}

/** Why a text is no length. */
export type LengthProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'unreadable'; readonly text: string }
  | { readonly code: 'unknown-unit'; readonly text: string; readonly unit: string }
  | { readonly code: 'inches-not-below-a-foot'; readonly text: string }
  /** A fraction that is one or more, or over zero: `38 9/8` is a slip, `94/88` no number. */
  | { readonly code: 'improper-fraction'; readonly text: string }
  | { readonly code: 'too-long'; readonly text: string };

/** A non-negative rational number, kept exact until it becomes micrometres. */
interface Ratio {
  readonly numerator: number;
  readonly denominator: number;
  /** Whether it was written as a fraction that is no part of one. */
  readonly improper: boolean;
}

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

/** `38`, `38.5`, `38,5`, `.5`, `38 1/2`, `38-1/2`, `1/2`; at most six digits on either side of the point. */
const NUMBER = String.raw`(?:\d{1,6}[ -]+\d{1,4}\/\d{1,4}|\d{1,4}\/\d{1,4}|\d{1,6}(?:[.,]\d{1,6})?|[.,]\d{1,6})`;
const PLAIN = /^\d{1,6}(?:[.,]\d{1,6})?$/;
const WITH_UNIT = new RegExp(`^(${NUMBER})\\s*([^\\d\\s].*)?$`);
const FEET = new RegExp(`^(\\d{1,2})\\s*(?:'|ft|feet|foot)\\s*(?:(${NUMBER})\\s*(?:"|in|inches|inch)?)?$`);

const UNIT_SPELLINGS: ReadonlyMap<string, LengthUnit> = new Map([
  ...LENGTH_UNITS.map((unit) => [unit, unit] as const),
  ['"', 'in'],
  ['inch', 'in'],
  ['inches', 'in'],
  ["'", 'ft'],
  ['feet', 'ft'],
  ['foot', 'ft'],
]);

/** No body and no garment comes near this; anything longer is a slip, and stays exact in a double. */
const LONGEST = 100 * MICROMETRES_PER.m;

/**
 * Reads a length as fitters write it: `38`, `38.5`, `38,5`, `38 1/2`, `38½`, `38-1/2`,
 * `97cm`, `970 mm`, `1.70 m`, `38"`, `5'7`, `5'7 1/2"`, `5 ft 7`.
 *
 * @param text what was typed
 * @param unit the unit a bare number takes (the docket's, or the column's)
 * @returns the length in whole micrometres; thirds and sixteenths of an inch go to the
 *   nearest one, a half upward
 *
 * @example parseLength('38 1/2', 'in') // { ok: true, value: { length: 977900, unit: 'in', bare: true } }
 */
export function parseLength(text: string, unit: LengthUnit): Outcome<WrittenLength, LengthProblem> {
  // Most of what is read is a plain number; the rest of the grammar is not needed for it.
  if (PLAIN.test(text)) return measured(text, toRatio(text), unit, true);
  const plain = normalise(text);
  if (plain === '') return failure({ code: 'empty' });

  const feet = FEET.exec(plain);
  if (feet) return feetAndInches(text, feet[1]!, feet[2]);

  const number = splitNumber(plain);
  if (number === null) return failure({ code: 'unreadable', text });
  const named = number.unit === null ? unit : UNIT_SPELLINGS.get(number.unit);
  if (named === undefined) return failure({ code: 'unknown-unit', text, unit: number.unit! });
  if (number.improper) return failure({ code: 'improper-fraction', text });
  return measured(text, number, named, number.unit === null);
}

/**
 * A text taken apart into its number and the unit behind it; `null` when it is not that.
 *
 * @example splitNumber('38 1/2 in') // { numerator: 77, denominator: 2, improper: false, unit: 'in' }
 */
export function splitNumber(plain: string): (Ratio & { readonly unit: string | null }) | null {
  const match = WITH_UNIT.exec(plain);
  if (!match) return null;
  return { ...toRatio(match[1]!), unit: match[2]?.trim().replace(/\.$/, '') ?? null };
}

/**
 * One spelling for quotes, primes, dashes, spaces and fractions, so that one grammar serves.
 *
 * @example normalise('38½ in') // '38 1/2 in'
 */
export function normalise(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (sign) => ` ${VULGAR[sign]!}`)
    .replace(/[’′‘]/g, "'")
    .replace(/''|[”“″]/g, '"')
    .replace(/[–—−‐‑]/g, '-')
    .replace(/[⁄∕]/g, '/')
    .replace(/\s+/g, ' ')
    .trim();
}

const NO_INCHES: Ratio = { numerator: 0, denominator: 1, improper: false };

function feetAndInches(
  text: string,
  feet: string,
  inches: string | undefined,
): Outcome<WrittenLength, LengthProblem> {
  const part = inches === undefined ? NO_INCHES : toRatio(inches);
  if (part.improper) return failure({ code: 'improper-fraction', text });
  if (part.numerator >= 12 * part.denominator) return failure({ code: 'inches-not-below-a-foot', text });
  const whole: Ratio = {
    ...part,
    numerator: Number(feet) * 12 * part.denominator + part.numerator,
  };
  return measured(text, whole, 'in', false);
}

function measured(
  text: string,
  ratio: Ratio,
  unit: LengthUnit,
  bare: boolean,
): Outcome<WrittenLength, LengthProblem> {
  const scaled = ratio.numerator * MICROMETRES_PER[unit];
  // Past this a double no longer holds every whole number; no length a person means is near it.
  if (!Number.isSafeInteger(scaled) || scaled > LONGEST * ratio.denominator)
    return failure({ code: 'too-long', text });
  return success({ length: micrometres(divideToNearest(scaled, ratio.denominator)), unit, bare });
}

function toRatio(number: string): Ratio {
  const mixed = !number.includes('/') ? null : /^(?:(\d+)[ -]+)?(\d+)\/(\d+)$/.exec(number);
  if (mixed) {
    const [part, denominator] = [Number(mixed[2]), Number(mixed[3])];
    const numerator = Number(mixed[1] ?? 0) * denominator + part;
    return { numerator, denominator, improper: part >= denominator };
  }
  const [whole = '', decimals = ''] = number.split(/[.,]/);
  return { numerator: Number(`${whole}${decimals}`), denominator: 10 ** decimals.length, improper: false };
}

/**
 * Whole-number division to the nearest, a half upward; both operands non-negative whole numbers.
 *
 * @example divideToNearest(7, 2) // 4
 */
export function divideToNearest(numerator: number, denominator: number): number {
  const quotient = Math.floor(numerator / denominator);
  const remainder = numerator - quotient * denominator;
  return remainder * 2 >= denominator ? quotient + 1 : quotient;
}
