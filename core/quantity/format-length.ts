import { MICROMETRES_PER, micrometres, type Length, type WorkingUnit } from './length';
import { GRAMS_PER, isMassUnit, type MeasureUnit } from './mass';
import { roundLength } from './rounding';

/** A length taken apart for the screen: the whole part large, the fraction raised, the unit beside it. */
export interface LengthFigures {
  /** `-` for a negative length, else empty. */
  readonly sign: '' | '−';
  /** `41`, or `104.5` in centimetres; empty when only a fraction remains. */
  readonly whole: string;
  /** `1/4`, or empty. Only inches have one. */
  readonly fraction: string;
  readonly unit: MeasureUnit;
}

/** The finest step shown in each unit: an eighth of an inch, a millimetre. */
export const SHOWN_STEP: Readonly<Record<WorkingUnit, Length>> = {
  in: micrometres(3_175),
  cm: micrometres(1_000),
  mm: micrometres(1_000),
};

/**
 * Takes a length apart in a unit, to the step shown in that unit (1/8 in, 0.1 cm, 1 mm).
 * A mass, told by its unit, is shown to a tenth. What is shown may be rounded; what is compared never is.
 */
export function lengthFigures(length: Length, unit: MeasureUnit): LengthFigures {
  // A mass: whole grams, shown to a tenth.
  if (isMassUnit(unit)) {
    const sign = length < 0 ? '−' : '';
    return { sign, whole: massNumber(Math.abs(length) / GRAMS_PER[unit]), fraction: '', unit };
  }
  const shown = roundLength(micrometres(Math.abs(length)), { mode: 'nearest', step: SHOWN_STEP[unit] })!;
  const sign = length < 0 && shown > 0 ? '−' : '';
  if (unit === 'in') {
    const eighths = shown / SHOWN_STEP.in;
    const whole = Math.floor(eighths / 8);
    const fraction = reduced(eighths % 8, 8);
    return { sign, whole: whole === 0 && fraction !== '' ? '' : String(whole), fraction, unit };
  }
  const decimals = unit === 'cm' && shown % MICROMETRES_PER.cm !== 0 ? 1 : 0;
  return { sign, whole: (shown / MICROMETRES_PER[unit]).toFixed(decimals), fraction: '', unit };
}

/**
 * Writes a length with its unit: `41 1/4 in`, `104.8 cm`, `1048 mm`.
 *
 * @example formatLength(inches(41.25), 'in') // '41 1/4 in'
 */
export function formatLength(length: Length, unit: MeasureUnit): string {
  return `${formatNumber(length, unit)} ${unit}`;
}

/**
 * Writes how far something is from something else; what is too little to be shown is not called nothing.
 *
 * @example formatDistance(micrometres(200), 'cm') // 'less than 0.1 cm'
 */
export function formatDistance(length: Length, unit: WorkingUnit): string {
  const shown = formatLength(length, unit);
  return length > 0 && shown === formatLength(micrometres(0), unit)
    ? `less than ${formatLength(SHOWN_STEP[unit], unit)}`
    : shown;
}

/**
 * Writes a length as a bare number in a unit, for axes and table cells whose head names the unit.
 *
 * @example formatNumber(inches(34.5), 'in') // '34 1/2'
 */
export function formatNumber(length: Length, unit: MeasureUnit): string {
  const { sign, whole, fraction } = lengthFigures(length, unit);
  return `${sign}${[whole, fraction].filter((part) => part !== '').join(' ')}`;
}

function massNumber(count: number): string {
  const tenths = Math.round(count * 10);
  return (tenths / 10).toFixed(tenths % 10 === 0 ? 0 : 1);
}

function reduced(numerator: number, denominator: number): string {
  if (numerator === 0) return '';
  let [top, bottom] = [numerator, denominator];
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return `${top}/${bottom}`;
}
