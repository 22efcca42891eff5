import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import type { Length, WorkingUnit } from '../quantity/length';
import { isMassUnit, type MeasureUnit } from '../quantity/mass';
import { unitOffers, type UnitOffer } from './read-reading';

/** A bare number that bodies have in the unit it was read in, but that is far likelier in another. */
export interface UnitSlip {
  readonly code: MeasurementCode;
  readonly text: string;
  readonly unit: WorkingUnit;
  readonly length: Length;
  readonly offer: UnitOffer;
}

/** So many times as large, or as small, as is to be expected: a working value of ours. */
const FAR = 1.6;

/**
 * Whether a bare number was meant in another unit: 66 for a waist is a body in inches and a body in
 * centimetres, but a rare one and an ordinary one. The middle of a measurement's limits is what is expected;
 * of a body whose other girths are known, as much more or less as they are.
 *
 * @param text what was typed, without a unit
 * @param known the girths that are settled, and whatever was read of the measurement itself before
 * @returns `null` where there is nothing to ask
 * @example unitSlip('66', 'trouser-waist-girth', 'in', new Map()).offer.unit // 'cm'
 * @example unitSlip('66', 'trouser-waist-girth', 'in', new Map([['chest-girth', inches(62)]])) // null
 */
export function unitSlip(
  text: string,
  code: MeasurementCode,
  unit: MeasureUnit,
  known: ReadonlyMap<MeasurementCode, Length>,
): UnitSlip | null {
  const { kind } = measurement(code);
  if (isMassUnit(unit) || kind === 'mass' || kind === 'foot') return null;
  if (!/^[\d\s.,/½¼¾⅛⅜⅝⅞-]+$/.test(text)) return null;
  const [own, ...others] = unitOffers(text, code, null).sort(
    (one, other) => Number(other.unit === unit) - Number(one.unit === unit),
  );
  if (own === undefined || own.unit !== unit) return null;
  const expected = known.get(code) ?? middleOf(code) * sizeOf(known, kind);
  const off = (length: Length) => Math.abs(Math.log(length / expected));
  const offer = others.filter(({ length }) => off(length) < off(own.length)).at(0);
  return offer === undefined || off(own.length) < Math.log(FAR)
    ? null
    : { code, text: text.trim(), unit: own.unit, length: own.length, offer };
}

/** The geometric middle of what bodies have. */
function middleOf(code: MeasurementCode): number {
  const { least, most } = measurement(code).limits;
  return Math.sqrt(least * most);
}

/** How much larger than the middle a body is, by the median of its known girths; 1 of what is no girth. */
function sizeOf(known: ReadonlyMap<MeasurementCode, Length>, kind: string): number {
  const sizes = [...known]
    .filter(([code]) => kind === 'girth' && measurement(code).kind === 'girth')
    .map(([code, value]) => value / middleOf(code))
    .sort((one, other) => one - other);
  return sizes[Math.floor(sizes.length / 2)] ?? 1;
}
