// A line that is printed twice says nothing the second time.
import type { PlannedRow } from './outline';

/**
 * Rows of which each size that says, cell for cell, what one before it says is told from the others; it makes no second size.
 * One without a label may be another size that lacks its own, and is asked about.
 */
export function withoutRepeats(rows: readonly PlannedRow[]): readonly PlannedRow[] {
  const said = new Set<string>();
  const sizes = rows.filter(({ role }) => role === 'size');
  const label = Math.min(...sizes.map(({ cells }) => cells.findIndex((cell) => cell !== '')));
  return rows.map((row): PlannedRow => {
    if (row.role !== 'size' || (row.cells[label] ?? '') === '') return row;
    const key = JSON.stringify([row.section, row.cells]);
    if (said.has(key)) return { ...row, role: 'repeated' };
    said.add(key);
    return row;
  });
}
