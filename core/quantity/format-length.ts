import { MICROMETRES_PER, micrometres, type Length, type WorkingUnit } from './length';
import { GRAMS_PER, isMassUnit, type MeasureUnit } from './mass';

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

/** Into how many parts an inch may be written. A quarter would hide what the tape says. */
export const INCH_PARTS = [8, 16] as const;
export type InchParts = (typeof INCH_PARTS)[number];

/**
 * Of the whole process: a server and a page have one house each, and everything that writes a
 * length, down to the last sentence, writes it alike. Only what is shown goes by it.
 */
let inchParts: InchParts = 8;

/** Has inches written in so many parts from now on. */
export function writeInchesIn(parts: InchParts): void {
  inchParts = parts;
}

/**
 * The finest step shown in a unit, in micrometres: an eighth of an inch, or a sixteenth (1,587.5)
 * where the house writes them; a millimetre.
 */
export function shownStep(unit: WorkingUnit): number {
  return unit === 'in' ? MICROMETRES_PER.in / inchParts : MICROMETRES_PER.mm;
}

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
  // To the nearest step, a half upward.
  const steps = Math.floor(Math.abs(length) / shownStep(unit) + 0.5);
  const shown = steps * shownStep(unit);
  const sign = length < 0 && shown > 0 ? '−' : '';
  if (unit === 'in') {
    const whole = Math.floor(steps / inchParts);
    const fraction = reduced(steps % inchParts, inchParts);
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
    ? `less than ${formatLength(micrometres(Math.round(shownStep(unit))), unit)}`
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
