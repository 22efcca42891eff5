// Two ends of a size with nothing but a comma or a point between, `86,94`: no number, as nobody prints hundredths of one.
import type { PlannedRow } from './outline';

const PARTED = /^(\d{2,4})[.,](\d{2,4})$/;

/**
 * Rows with ranges for what reads as numbers with two or three places behind a comma, in every cell of a column, where those
 * places are a number somewhat larger than what stands before them.
 */
export function withPartedRanges(rows: readonly PlannedRow[]): readonly PlannedRow[] {
  const sizes = rows.filter(({ role }) => role === 'size');
  const width = Math.max(0, ...sizes.map(({ cells }) => cells.length));
  const parted = Array.from({ length: width }, (_, index) => index).filter(
    (index) => index > 0 && areRanges(sizes.map(({ cells }) => cells[index] ?? '')),
  );
  if (parted.length === 0) return rows;
  return rows.map(
    (row): PlannedRow =>
      row.role === 'size'
        ? {
            ...row,
            cells: row.cells.map((cell, index) =>
              parted.includes(index) ? cell.replace(PARTED, '$1-$2') : cell,
            ),
          }
        : row,
  );
}

/** Whether every cell is a range, as wide as the others, that ends where the next begins: `34.38` and `36.50` are numbers. */
function areRanges(cells: readonly string[]): boolean {
  const ends = cells.map((cell) => PARTED.exec(cell)?.slice(1).map(Number) as [number, number] | undefined);
  const ranges = ends.flatMap((one) =>
    one !== undefined && one[0] < one[1] && one[1] <= one[0] * 1.5 ? [one] : [],
  );
  if (cells.length < 2 || ranges.length < cells.length) return false;
  const widths = ranges.map(([from, to]) => to - from).sort((a, b) => a - b);
  const inOrder = ranges[0]![0] <= ranges.at(-1)![0] ? ranges : [...ranges].reverse();
  return (
    widths.at(-1)! <= widths[0]! * 1.5 &&
    inOrder.every(([, to], at) => {
      const next = inOrder[at + 1]?.[0] ?? to;
      return Math.abs(next - to) <= to * 0.06;
    })
  );
}
