import { formatNumber, shownIn } from '../../quantity/format-length';
import { micrometres, MICROMETRES_PER, type Length, type WorkingUnit } from '../../quantity/length';
import { parseLength } from '../../quantity/parse-length';
import type { Bound, Cell } from '../interval';

const UPPER_SIGN = { open: '<', closed: '<=', printed: '' } as const;
const LOWER_SIGN = { open: '>', closed: '>=', printed: '' } as const;

/** An end that there is none of, beside one as printed. */
export const NO_END = '*';

/**
 * Writes a cell in its column's unit so that `parseCell` reads the same cell again, whatever its
 * ends are: `86-90`, `>=86 <90`, `86-<90`, `>86-90`, `86-*`, `*`.
 *
 * @example writeCell({ kind: 'nominal', at: cm(90) }, 'cm') // '90'
 */
export function writeCell(cell: Cell, unit: WorkingUnit): string {
  if (cell.kind === 'nominal') return writeNumber(cell.at, unit);
  const { lower, upper } = cell;
  const from = lower === null ? NO_END : end(LOWER_SIGN, lower, unit);
  const to = upper === null ? NO_END : end(UPPER_SIGN, upper, unit);
  if (lower === null && upper === null) return NO_END;
  if (lower === null) return upper!.edge === 'printed' ? `${from}-${to}` : to;
  if (upper === null) return lower.edge === 'printed' ? `${from}-${to}` : from;
  return lower.edge === 'printed' || upper.edge === 'printed' ? `${from}-${to}` : `${from} ${to}`;
}

function end(sign: Readonly<Record<Bound['edge'], string>>, { at, edge }: Bound, unit: WorkingUnit): string {
  return `${sign[edge]}${writeNumber(at, unit)}`;
}

/**
 * A number in a unit that reads back to the same micrometre: as people write it where that is exact, in decimals where not.
 *
 * @example writeNumber(inches(34.5), 'in') // '34 1/2'
 */
export function writeNumber(at: Length, unit: WorkingUnit): string {
  if (at < 0) return `(-${writeNumber(micrometres(-at), unit)})`;
  const shown = formatNumber(at, shownIn(unit, 16));
  const read = parseLength(shown, unit);
  if (read.ok && read.value.length === at) return shown;
  return String(Number((at / MICROMETRES_PER[unit]).toFixed(6)));
}
