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

/** The cells of a column, for reading below each other: with decimals all of them, or none. */
export function sayColumn(cells: readonly Cell[], unit: ShownLength): readonly string[] {
  const said = cells.map((cell) => sayCell(cell, unit));
  if (!said.some((one) => /\d\.\d/.test(one))) return said;
  return said.map((one) => one.replace(/(?<![\d.])\d+(?![\d.])/g, (whole) => `${whole}.0`));
}
