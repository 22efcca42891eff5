import { formatNumber } from '../../quantity/format-length';
import { MICROMETRES_PER, type Length, type WorkingUnit } from '../../quantity/length';
import { parseLength } from '../../quantity/parse-length';
import type { Bound, Cell } from '../interval';

const UPPER_SIGN = { open: '<', closed: '<=', printed: '<=' } as const;
const LOWER_SIGN = { open: '>', closed: '>=', printed: '>=' } as const;

/**
 * Writes a cell in its column's unit so that `parseCell` reads the same cell again, or `null`
 * where no text can (one end printed and the other open).
 */
export function writeCell(cell: Cell, unit: WorkingUnit): string | null {
  if (cell.kind === 'nominal') return writeNumber(cell.at, unit);
  const { lower, upper } = cell;
  if (lower === null && upper === null) return null;
  if (lower === null) return upper!.edge === 'printed' ? null : one(UPPER_SIGN, upper!, unit);
  if (upper === null) return lower.edge === 'printed' ? null : one(LOWER_SIGN, lower, unit);
  const [from, to] = [writeNumber(lower.at, unit), writeNumber(upper.at, unit)];
  if (lower.edge === 'printed' && upper.edge === 'printed') return `${from}-${to}`;
  if (lower.edge === 'printed' || upper.edge === 'printed') return null;
  return `${LOWER_SIGN[lower.edge]}${from} ${UPPER_SIGN[upper.edge]}${to}`;
}

function one(sign: Readonly<Record<Bound['edge'], string>>, { at, edge }: Bound, unit: WorkingUnit): string {
  return `${sign[edge]}${writeNumber(at, unit)}`;
}

/** A number in a unit that reads back to the same micrometre: as people write it where that is exact, in decimals where not. */
export function writeNumber(at: Length, unit: WorkingUnit): string {
  const shown = formatNumber(at, unit).replace('−', '-');
  const read = parseLength(shown, unit);
  if (read.ok && read.value.length === at) return shown;
  return String(Number((at / MICROMETRES_PER[unit]).toFixed(6)));
}
