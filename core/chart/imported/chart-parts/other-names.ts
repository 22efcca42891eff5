import { failure, success, type Outcome } from '../../../outcome';
import { LONGEST_SIZE, type ChartPart } from '../../chart-shape';
import type { Finding } from '../../finding';
import type { PlannedRow } from '../layout/outline';
import type { PlannedColumn } from '../plan/planned-column';
import { labelIn } from './imported-parts';

/** As many systems a part may have. */
const MOST_SYSTEMS = 6;

/** The rows of a table that are one size. */
export interface LabelledRows {
  readonly size: string;
  readonly rows: readonly PlannedRow[];
}

/** Columns that hold other systems' labels. */
export function labelColumns(columns: readonly PlannedColumn[]): PlannedColumn[] {
  return columns.filter(({ means }) => means === 'label');
}

/** Whether a column has one label for each of some sizes. */
export function hasOneEach({ index }: PlannedColumn, sizes: readonly LabelledRows[]): boolean {
  return sizes.every(({ rows }) => {
    const labels = new Set(rows.map(({ cells }) => labelIn(cells[index] ?? '')));
    const [label = ''] = labels;
    return labels.size === 1 && label !== '' && label.length <= LONGEST_SIZE;
  });
}

/** What the sizes are called in other systems; a column that does not label them one by one is a fault. */
export function otherNamesOf(
  columns: readonly PlannedColumn[],
  sizes: readonly LabelledRows[],
): Outcome<ChartPart['otherNames'], readonly Finding[]> {
  const strange = columns.find((column, at) => at >= MOST_SYSTEMS || !hasOneEach(column, sizes));
  if (strange !== undefined) {
    const { index, heading } = strange;
    const line = sizes[0]?.rows[0]?.line ?? 1;
    return failure([
      { code: 'labels-unplaced', most: MOST_SYSTEMS, place: { line, column: index + 1, heading } },
    ]);
  }
  return success(
    columns.map(({ index, system, heading }) => ({
      system: (system ?? heading).slice(0, 40),
      labels: sizes.map(({ rows }) => labelIn(rows[0]!.cells[index] ?? '')),
    })),
  );
}
