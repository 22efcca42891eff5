import { formatNumber, type Cell, type ShownLength } from '@neat-measure/core';

/** A cell as its maker means it, in the reader's unit. */
export function sayCell(cell: Cell, unit: ShownLength): string {
  if (cell.kind === 'nominal') return formatNumber(cell.at, unit);
  const { lower, upper } = cell;
  if (lower === null)
    return upper === null ? 'any' : `${upper.edge === 'closed' ? '≤' : '<'} ${formatNumber(upper.at, unit)}`;
  if (upper === null) return `${lower.edge === 'open' ? '>' : '≥'} ${formatNumber(lower.at, unit)}`;
  return `${formatNumber(lower.at, unit)} – ${formatNumber(upper.at, unit)}`;
}
