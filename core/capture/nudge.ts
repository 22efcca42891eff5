import { formatNumber } from '../quantity/format-length';
import { micrometres, type Length, type WorkingUnit } from '../quantity/length';
import { parseLength } from '../quantity/parse-length';
import { roundLength } from '../quantity/rounding';

/** One nudge: an eighth of an inch, or half a centimetre. */
const NUDGE: Readonly<Record<WorkingUnit, Length>> = {
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
 */
export function nudgeEntry(
  entry: string,
  before: Length | null,
  unit: WorkingUnit,
  direction: 1 | -1,
): string | null {
  const read = parseLength(entry, unit);
  const from = read.ok ? read.value.length : entry.trim() === '' ? before : null;
  if (from === null) return null;
  const step = NUDGE[unit];
  const onGrid = roundLength(from, { mode: 'nearest', step })!;
  return formatNumber(micrometres(Math.max(0, onGrid + direction * step)), unit);
}
