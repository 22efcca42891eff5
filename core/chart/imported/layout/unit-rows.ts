// A line in centimetres and one in inches for each size.
import { sayTheSame } from '../cells/dual-cell';
import { isUnit, unitOfHeading } from '../words/unit-evidence';
import type { PlannedRow } from './outline';

/**
 * Rows of which every size has two, each with its unit in a column of units: the first of each pair with its unit behind its
 * measures, the second said with it, where both say the same. Any other rows are as they were, to be asked about.
 */
export function withoutUnitRows(rows: readonly PlannedRow[]): readonly PlannedRow[] {
  const sizes = rows.filter(({ role }) => role === 'size');
  const width = Math.max(0, ...sizes.map(({ cells }) => cells.length));
  const at = Array.from({ length: width }, (_, index) => index).find((index) =>
    sizes.every(({ cells }) => isUnit(cells[index] ?? '')),
  );
  if (at === undefined || sizes.length < 4 || sizes.length % 2 === 1) return rows;
  const unitOf = ({ cells }: PlannedRow) => unitOfHeading(cells[at]!);
  const pairs = sizes.flatMap((row, index) => (index % 2 === 0 ? [[row, sizes[index + 1]!] as const] : []));
  const [unit, other] = [unitOf(sizes[0]!), unitOf(sizes[1]!)];
  if (unit === null || other === null || unit === other) return rows;
  const same = pairs.every(
    ([one, two]) =>
      unitOf(one) === unit &&
      unitOf(two) === other &&
      one.cells.every((cell, index) => {
        const there = two.cells[index] ?? '';
        if (index === at || there === cell || (there === '' && index < at)) return true;
        return sayTheSame(cell, unit, there, other);
      }),
  );
  if (!same) return rows;
  const seconds = new Set(pairs.map(([, two]) => two));
  const label = (index: number) => index < at;
  return rows.map((row): PlannedRow => {
    if (seconds.has(row)) return { ...row, role: 'with-above' };
    if (row.role === 'heading' || row.role === 'unit')
      return { ...row, cells: row.cells.map((cell, index) => (index === at ? '' : cell)) };
    if (row.role !== 'size') return row;
    const measured = (cell: string) => (/\d/.test(cell) ? `${cell} ${unit}` : cell);
    return {
      ...row,
      cells: row.cells.map((cell, index) => (index === at ? '' : label(index) ? cell : measured(cell))),
    };
  });
}
