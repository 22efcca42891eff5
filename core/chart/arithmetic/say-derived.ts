import { isMeasurementCode, measurement } from '../../body/catalogue';
import {
  formatLength,
  formatNumber,
  plainUnit,
  shownStep,
  type ShownLength,
} from '../../quantity/format-length';
import type { Length } from '../../quantity/length';
import { sayRounding } from '../../quantity/say-rounding';
import { isDerivedCode } from '../column-code';
import type { DerivedLine } from './derived';
import { kindOfStep } from './steps';

/** How a line of arithmetic is told. */
export interface LineWords {
  /** The unit the maker's sheet is printed in: the arithmetic is told in it. */
  readonly maker: ShownLength;
  /** The reader's unit: the result is given in it beside, where it is another. */
  readonly reader: ShownLength;
  /** The name of a derivation, for operands that are one. */
  readonly nameOf?: (code: string) => string;
}

/**
 * One line of the maker's arithmetic as it was carried out, such as
 * `collar to belt 19 × 0.8 = 15.2 in` or `15.2 in, to the nearest 1 in: 15 in`, and beside it what
 * that is in the reader's unit: `(38.1 cm)`.
 *
 * @example sayDerivedLine({ step: waistcoat.sheet.derivations[0].steps[0], operands: [{ text: 'chest-girth', value: inches(40) }], result: inches(44) }, { maker: 'in', reader: 'cm' }) // 'chest 40 × 1.1 = 44 in (111.8 cm)'
 */
export function sayDerivedLine({ step, operands, result }: DerivedLine, words: LineWords): string {
  const { maker, reader, nameOf = (code) => code } = words;
  const number = (value: Length) => exact(value, maker);
  const named = operands.map(({ text, value }) => {
    const name = operandName(text, nameOf);
    return name === '' ? number(value) : `${name} ${number(value)}`;
  });
  const line = kindOfStep(step).tell(step, named, `${number(result)} ${plainUnit(maker)}`, {
    unit: plainUnit(maker),
    rounding: (to) => sayRounding(to, maker),
  });
  return maker === reader ? line : `${line} (${formatLength(result, reader)})`;
}

/** Decimals where they are needed: 15.2 is no part of an inch, and arithmetic must be seen as it was done. */
function exact(value: Length, unit: ShownLength): string {
  const step = shownStep(unit);
  const isPart = Math.round(Math.round(value / step) * step) === value;
  if (plainUnit(unit) !== 'in' || isPart) return formatNumber(value, unit);
  return String(Math.round((value / 25_400) * 1_000) / 1_000);
}

function operandName(text: string, nameOf: (code: string) => string): string {
  if (isMeasurementCode(text)) return measurement(text).name.toLowerCase();
  if (isDerivedCode(text)) return nameOf(text).toLowerCase();
  const part = /^size-of:(.*)$/.exec(text);
  if (part) return `the ${part[1]!.replace(/-/g, ' ')}’s`;
  return /^[a-z]/.test(text) ? text.replace(/^choice:/, '').replace(/-/g, ' ') : '';
}
