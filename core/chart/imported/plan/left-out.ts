import type { PlannedColumn } from './planned-column';
import type { TablePlan } from './table-plan';

/** What of a table is taken by nobody: said beside whatever takes the rest, so that nothing is dropped unseen. */
export interface LeftOut {
  /** Columns, or halves of them, as they are headed; of a twin in another unit, that it is one. */
  readonly columns: readonly { readonly heading: string; readonly sample: string; readonly twin: boolean }[];
  /** Lines that hold a size or a number, and those that somebody left out. */
  readonly lines: readonly { readonly line: number; readonly text: string }[];
}

/**
 * What of a table is left out, whatever the cause.
 *
 * @example leftOutOf(planTable(textGrid('Size,Chest (cm),Colour\nM,94-102,red\nL,102-110,red').value)).columns.map(({ heading }) => heading) // ['Colour']
 */
export function leftOutOf(plan: TablePlan): LeftOut {
  const partners = new Set(plan.columns.flatMap(({ upperIn }) => (upperIn === null ? [] : [upperIn])));
  const isOut = ({ means, asks, index }: PlannedColumn) =>
    means === null && asks === null && !partners.has(index);
  return {
    columns: plan.columns.filter(isOut).map((column) => ({
      heading: column.heading,
      sample: column.sample.join(', '),
      twin: plan.columns.some((other) => other !== column && isTwin(column, other)),
    })),
    lines: plan.rows
      .filter(({ role }) => role === 'left-out')
      .map(({ line, cells }) => ({ line, text: cells.filter(Boolean).join(' · ') })),
  };
}

/** Whether a column that is left out is one that is taken, in another unit. */
function isTwin(out: PlannedColumn, taken: PlannedColumn): boolean {
  return (
    taken.means !== null &&
    taken.class === out.class &&
    out.candidates.includes(taken.means as never) &&
    out.named !== null &&
    out.named !== taken.named
  );
}
