import { isMeasurementCode, measurement } from '../body/catalogue';
import type { DerivedLine } from '../chart/derive';
import { isDerivedCode } from '../chart/column-code';
import { formatLength, formatNumber } from '../quantity/format-length';
import type { Length, WorkingUnit } from '../quantity/length';
import type { RoundingPolicy } from '../quantity/rounding';

/**
 * One line of the maker's arithmetic as it was carried out, such as
 * `collar to belt 19 × 0.8 = 15.2 in` or `15.2 in, to the nearest 1 in: 15 in`.
 *
 * @param nameOf the name of a derivation, for operands that are one
 */
export function sayDerivedLine(
  { step, operands, result }: DerivedLine<Length>,
  unit: WorkingUnit,
  nameOf: (code: string) => string = (code) => code,
): string {
  const number = (value: Length) => exact(value, unit);
  const words = operands.map(({ text, value }) => {
    const name = operandName(text, nameOf);
    return name === '' ? number(value) : `${name} ${number(value)}`;
  });
  const result_ = `${number(result)} ${unit}`;
  switch (step.do) {
    case 'reading':
      return `${words[0]!} ${unit}`;
    case 'add':
      return `${words.join(' + ')} = ${result_}`;
    case 'subtract':
      return `${words[0]!} − ${words[1]!} = ${result_}`;
    case 'multiply':
      return `${words[0]!} × ${step.by} = ${result_}`;
    case 'average':
      return `(${words.join(' + ')}) / ${words.length} = ${result_}`;
    case 'difference':
      return `${words[0]!} against ${words[1]!}: ${result_} apart`;
    case 'max':
      return `the largest of ${words.join(', ')}: ${result_}`;
    case 'lookup':
      return `${words[0]!} ${unit}, looked up: ${result_}`;
    case 'round':
      return `${words[0]!} ${unit}, ${sayRounding(step.to, unit)}: ${result_}`;
    case 'clamp':
      return `${words[0]!} ${unit}, kept within the maker’s limits: ${result_}`;
    case 'require':
      return `${words[0]!} is at least ${words[1]!} ${unit}, as it must be`;
  }
}

/** A rounding policy in words. */
export function sayRounding(to: RoundingPolicy, unit: WorkingUnit): string {
  if (to.mode === 'down-to-offered')
    return `the largest offered that is not above it (${to.offered.map((one) => formatNumber(one, unit)).join(', ')} ${unit})`;
  const step = formatLength(to.step, unit);
  return to.mode === 'nearest' ? `to the nearest ${step}` : `${to.mode} to a whole ${step}`;
}

/** Decimals where they are needed: 15.2 is no eighth, and arithmetic must be seen as it was done. */
function exact(value: Length, unit: WorkingUnit): string {
  if (unit !== 'in' || value % 3_175 === 0) return formatNumber(value, unit);
  return String(Math.round((value / 25_400) * 1_000) / 1_000);
}

function operandName(text: string, nameOf: (code: string) => string): string {
  if (isMeasurementCode(text)) return measurement(text).name.toLowerCase();
  if (isDerivedCode(text)) return nameOf(text).toLowerCase();
  const part = /^size-of:(.*)$/.exec(text);
  if (part) return `the ${part[1]!.replace(/-/g, ' ')}’s`;
  return /^[a-z]/.test(text) ? text.replace(/-/g, ' ') : '';
}
