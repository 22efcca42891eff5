import { holdsMeasure } from './cells-of';
import type { PlannedRow } from './outline';

/** The labels along the top of a matrix, each with its place; a column of measures beside them is not part of them. */
export function axisOf(
  { line, cells }: PlannedRow,
  labelAt: number,
  body: readonly PlannedRow[],
): { readonly text: string; readonly line: number; readonly column: number }[] {
  return cells.flatMap((text, column) =>
    column > labelAt &&
    text !== '' &&
    (holdsMeasure(text) || !body.some((row) => holdsMeasure(row.cells[column] ?? '')))
      ? [{ text, line, column }]
      : [],
  );
}
