import { isMeasurementCode, measurement } from '../../body/catalogue';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { nearestCodes } from '../../body/nearest-codes';
import { failure, success, type Outcome } from '../../outcome';
import { WORKING_UNITS, type WorkingUnit } from '../../quantity/length';
import { isMassUnit, MASS_UNITS, type MeasureUnit } from '../../quantity/mass';
import type { ChartColumn } from '../chart-shape';
import { isColumnCode } from '../column-code';
import { NOMINAL_REACHES } from '../interval';
import { parseCell } from './parse-cell';
import { writeNumber } from './write-cell';

/** Why a column heading names no measurement in a unit, or says something more that is not known. */
export type HeadingProblem =
  | {
      readonly code: 'unknown-measurement';
      readonly name: string;
      readonly nearest: readonly MeasurementCode[];
    }
  | { readonly code: 'unit-missing'; readonly name: string; readonly units: readonly MeasureUnit[] }
  | {
      readonly code: 'unit-unknown';
      readonly name: string;
      readonly unit: string;
      readonly units: readonly MeasureUnit[];
    }
  | { readonly code: 'heading-words-unknown'; readonly name: string; readonly words: string }
  | { readonly code: 'mass-is-no-size'; readonly name: string };

/**
 * Reads a column heading such as `chest-girth (cm)`, in charts and in lists of people alike.
 * A name that is no code is refused with the nearest codes: `waist` is at least four places. A mass
 * takes units of mass: `weight (kg)`.
 *
 * @example parseHeading('chest-girth (cm)').value.unit // 'cm'
 */
export function parseHeading(
  heading: string,
): Outcome<{ code: MeasurementCode; unit: MeasureUnit }, HeadingProblem> {
  const { name, bracket } = takenApart(heading);
  return measured(name, bracket);
}

/** What a column of a size table is headed with, beyond its measurement and unit. */
export type HeadedColumn = Omit<ChartColumn, 'cells'>;

/**
 * Reads the heading of a column of a size table, which may say in its bracket what the cells are:
 * `chest-girth (cm, ease 8-14)` for finished measures of the garment, `reported` for what does not
 * decide, `next-up` or `next-down` for how far single values reach, `or overarm-girth` for what may
 * stand in.
 *
 * @example parseColumnHeading('chest-girth (cm, ease 8-14)').value.ease // { least: cm(8), most: cm(14) }
 */
export function parseColumnHeading(heading: string): Outcome<HeadedColumn, HeadingProblem> {
  const { name, bracket } = takenApart(heading);
  const [unitText, ...options] = (bracket ?? '').split(',').map((one) => one.trim());
  const read = measured(name, unitText);
  if (!read.ok) return read;
  const { code, unit } = read.value;
  if (isMassUnit(unit)) return failure({ code: 'mass-is-no-size', name: code });
  let column: HeadedColumn = {
    code,
    unit,
    role: 'deciding',
    reach: 'halfway',
    ease: null,
    standIns: [],
  };
  for (const words of options) {
    const more = readOption(words, unit);
    if (more === null) return failure({ code: 'heading-words-unknown', name: code, words });
    column = { ...column, ...more };
  }
  return success(column);
}

/**
 * Writes the heading of a column so that `parseColumnHeading` reads the same column again.
 *
 * @example writeColumnHeading({ code: 'hip-girth', unit: 'cm', role: 'advisory', reach: 'halfway', ease: null, standIns: [] }) // 'hip-girth (cm, reported)'
 */
export function writeColumnHeading({ code, unit, role, reach, ease, standIns }: HeadedColumn): string {
  const options = [
    ease === null ? '' : `ease ${writeNumber(ease.least, unit)}-${writeNumber(ease.most, unit)}`,
    role === 'advisory' ? REPORTED : '',
    reach === 'halfway' ? '' : reach,
    standIns.length === 0 ? '' : `or ${standIns.join(' or ')}`,
  ];
  return `${code} (${[unit, ...options].filter(Boolean).join(', ')})`;
}

const REPORTED = 'reported';

function readOption(words: string, unit: WorkingUnit): Partial<HeadedColumn> | null {
  if (words === REPORTED) return { role: 'advisory' };
  const reach = NOMINAL_REACHES.find((one) => one === words);
  if (reach !== undefined) return { reach };
  const standIns = /^or (.+)$/.exec(words)?.[1]!.split(/ or /);
  if (standIns !== undefined) return standIns.every(isColumnCode) ? { standIns } : null;
  const ease = parseCell(/^ease (.+)$/.exec(words)?.[1] ?? '', unit);
  if (!ease.ok || ease.value.kind === 'nominal') return null;
  const { lower, upper } = ease.value;
  return lower === null || upper === null ? null : { ease: { least: lower.at, most: upper.at } };
}

function takenApart(heading: string): { readonly name: string; readonly bracket: string | undefined } {
  const match = /^(.*?)\s*(?:[([]\s*(.*?)\s*[)\]])?$/.exec(heading.trim())!;
  return { name: match[1]!, bracket: match[2] };
}

function measured(
  name: string,
  bracket: string | undefined,
): Outcome<{ code: MeasurementCode; unit: MeasureUnit }, HeadingProblem> {
  const code = name.toLowerCase().replace(/[\s_]+/g, '-');
  if (!isMeasurementCode(code))
    return failure({ code: 'unknown-measurement', name, nearest: nearestCodes(name) });
  const units: readonly MeasureUnit[] = measurement(code).kind === 'mass' ? MASS_UNITS : WORKING_UNITS;
  const unit = bracket?.toLowerCase();
  if (unit === undefined || unit === '') return failure({ code: 'unit-missing', name: code, units });
  const known = units.find((one) => one === unit);
  if (known === undefined) return failure({ code: 'unit-unknown', name: code, unit, units });
  return success({ code, unit: known });
}
