import { formatNumber, plainUnit, type ShownUnit } from '../quantity/format-length';
import { micrometres, type Length } from '../quantity/length';
import { parseMeasure, type MeasureUnit } from '../quantity/mass';
import { roundLength } from '../quantity/rounding';

/** One nudge: an eighth of an inch, half a centimetre, or about a fifth of a kilogram. */
const NUDGE: Readonly<Record<MeasureUnit, Length>> = {
  kg: micrometres(200),
  lb: micrometres(227),
  in: micrometres(3_175),
  cm: micrometres(5_000),
  mm: micrometres(5_000),
};

/**
 * Moves an entry up or down by a small step and writes it again in the unit.
 *
 * @param entry what is typed; when empty, the nudge starts from `before`
 * @param before the reading before it, if there is one
 * @returns the new entry, or `null` when there is nothing readable to nudge
 * @example nudgeEntry('38 1/2', null, 'in/8', 1) // '38 5/8'
 */
export function nudgeEntry(
  entry: string,
  before: Length | null,
  unit: ShownUnit,
  direction: 1 | -1,
): string | null {
  const read = parseMeasure(entry, plainUnit(unit));
  const from = read.ok ? read.value.length : entry.trim() === '' ? before : null;
  if (from === null) return null;
  const step = NUDGE[plainUnit(unit)];
  const onGrid = roundLength(from, { mode: 'nearest', step })!;
  return formatNumber(micrometres(Math.max(0, onGrid + direction * step)), unit);
}
