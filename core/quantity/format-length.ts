import { MICROMETRES_PER, micrometres, type Length, type WorkingUnit } from './length';
import { GRAMS_PER, isMassUnit, type MassUnit, type MeasureUnit } from './mass';

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
 * How a quantity is written: its unit, and of inches how finely. A unit alone does not say that: whoever writes a
 * length is told by the house it is written for (`shownIn`), as screen, print and command line may each have another.
 */
export type ShownUnit = Exclude<MeasureUnit, 'in'> | `in/${InchParts}`;

/**
 * How a unit is written in a house.
 *
 * @param parts into how many parts the house writes an inch
 * @see plainUnit, the way back
 * @example shownIn('in', 16) // 'in/16'
 * @example shownIn('cm', 16) // 'cm'
 */
export function shownIn(unit: WorkingUnit, parts: InchParts): Exclude<ShownUnit, MassUnit>;
export function shownIn(unit: MeasureUnit, parts: InchParts): ShownUnit;
export function shownIn(unit: MeasureUnit, parts: InchParts): ShownUnit {
  return unit === 'in' ? `in/${parts}` : unit;
}

/**
 * The unit itself, without how it is written.
 *
 * @see shownIn
 * @example plainUnit('in/16') // 'in'
 */
export function plainUnit(shown: ShownLength): WorkingUnit;
export function plainUnit(shown: ShownUnit): MeasureUnit;
export function plainUnit(shown: ShownUnit): MeasureUnit {
  return isInches(shown) ? 'in' : shown;
}

/** How a length is written: no mass. */
export type ShownLength = Exclude<ShownUnit, MassUnit>;

function isInches(shown: ShownUnit): shown is `in/${InchParts}` {
  return shown === 'in/8' || shown === 'in/16';
}

function inchPartsOf(shown: `in/${InchParts}`): InchParts {
  return shown === 'in/16' ? 16 : 8;
}

/**
 * The finest step that is written, in micrometres: an eighth of an inch, or a sixteenth (1,587.5); a millimetre.
 *
 * @example shownStep('in/8') // 3175
 */
export function shownStep(shown: ShownLength): number {
  return isInches(shown) ? MICROMETRES_PER.in / inchPartsOf(shown) : MICROMETRES_PER.mm;
}

/**
 * Takes a length apart as it is written, to the step it is written in (1/8 in, 0.1 cm, 1 mm).
 * A mass, told by its unit, is shown to a tenth. What is shown may be rounded; what is compared never is.
 *
 * @example lengthFigures(inches(41.25), 'in/8') // { sign: '', whole: '41', fraction: '1/4', unit: 'in' }
 */
export function lengthFigures(length: Length, shown: ShownUnit): LengthFigures {
  const unit = plainUnit(shown);
  // A mass: whole grams, shown to a tenth.
  if (isMassUnit(unit)) {
    const sign = length < 0 ? '−' : '';
    return { sign, whole: massNumber(Math.abs(length) / GRAMS_PER[unit]), fraction: '', unit };
  }
  // To the nearest step, a half upward.
  const step = shownStep(shown as ShownLength);
  const steps = Math.floor(Math.abs(length) / step + 0.5);
  const written = steps * step;
  const sign = length < 0 && written > 0 ? '−' : '';
  if (isInches(shown)) {
    const inchParts = inchPartsOf(shown);
    const whole = Math.floor(steps / inchParts);
    const fraction = reduced(steps % inchParts, inchParts);
    return { sign, whole: whole === 0 && fraction !== '' ? '' : String(whole), fraction, unit };
  }
  const decimals = unit === 'cm' && written % MICROMETRES_PER.cm !== 0 ? 1 : 0;
  return { sign, whole: (written / MICROMETRES_PER[unit]).toFixed(decimals), fraction: '', unit };
}

/**
 * Writes a length with its unit: `41 1/4 in`, `104.8 cm`, `1048 mm`.
 *
 * @example formatLength(inches(41.25), 'in/8') // '41 1/4 in'
 */
export function formatLength(length: Length, shown: ShownUnit): string {
  return `${formatNumber(length, shown)} ${plainUnit(shown)}`;
}

/**
 * Writes how far something is from something else; what is too little to be shown is not called nothing.
 *
 * @example formatDistance(micrometres(200), 'cm') // 'less than 0.1 cm'
 */
export function formatDistance(length: Length, shown: ShownLength): string {
  const written = formatLength(length, shown);
  return length > 0 && written === formatLength(micrometres(0), shown)
    ? `less than ${formatLength(micrometres(Math.round(shownStep(shown))), shown)}`
    : written;
}

/**
 * Writes a length as a bare number in a unit, for axes and table cells whose head names the unit.
 *
 * @example formatNumber(inches(34.5), 'in/8') // '34 1/2'
 */
export function formatNumber(length: Length, shown: ShownUnit): string {
  const { sign, whole, fraction } = lengthFigures(length, shown);
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
