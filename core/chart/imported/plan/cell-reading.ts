// How each cell of an imported table is read, for the table to be shown as it came and every cell explained.
import type { WorkingUnit } from '../../../quantity/length';
import { isMark, isNotGiven } from '../cells/not-given';
import type { Grid } from '../layout/grid';
import { isMeasurement } from '../chart-parts/imported-parts';
import type { TakenColumn } from '../chart-parts/pieces';
import { isUnit } from '../words/unit-evidence';
import { columnsTurned } from '../layout/around';
import type { PlannedRow } from '../layout/outline';
import type { TablePlan } from './table-plan';
import type { PlannedColumn } from './planned-column';
import {
  sayColumn,
  sayInMatrix,
  sayLeftOut,
  sayMeasure,
  sayNothingGiven,
  sayOf,
  sayOtherLabel,
  sayRole,
  saySizeLabel,
  type CellRole,
} from './say-cell-reading';

/** A cell as it is read. */
export class CellReading {
  constructor(
    readonly role: CellRole,
    /** Whether something is asked about it. */
    readonly asked: boolean,
    /** The columns it belongs to, by their keys. */
    readonly keys: readonly string[],
    /** The row it belongs to, by its line from the side that is read. */
    readonly line: number | null,
    private readonly say: () => string,
  ) {}

  /** How it is read, as a sentence: put together for the cell that is pointed at, not for the thousands that are drawn. */
  get says(): string {
    return this.say();
  }
}

/**
 * How the cells of a table are read.
 *
 * @param grid as it was imported, with what was typed into it
 * @returns the reading of a cell by its row and column in the grid, both counted from 0
 * @example cellReader(textGrid('Size,Chest (cm)\nM,94-102').value, planTable(textGrid('Size,Chest (cm)\nM,94-102').value), 'cm')(1, 1).role // 'measure'
 */
export function cellReader(
  grid: Grid,
  plan: TablePlan,
  shownIn: WorkingUnit,
): (row: number, column: number) => CellReading {
  const place = columnsTurned(grid, plan.across);
  const looked: Looked = {
    plan,
    shownIn,
    leftOut: new Set(plan.leftOutRightly ? [] : plan.leftOut.map(({ line }) => line)),
    notGiven: new Set(plan.notGiven.map(({ line }) => line)),
  };
  return (row, column) => {
    const text = grid.rows[row]?.cells[column] ?? '';
    const at = place(row, column);
    const planned = at === null ? undefined : plan.rows[at.row];
    if (planned === undefined || at === null) return plainly('note', text, null);
    return readingOf(looked, planned, at.cell, text);
  };
}

/** What is looked up for every cell of a table. */
interface Looked {
  readonly plan: TablePlan;
  readonly shownIn: WorkingUnit;
  /** Lines that are asked about. */
  readonly leftOut: ReadonlySet<number>;
  readonly notGiven: ReadonlySet<number>;
}

function readingOf(looked: Looked, row: PlannedRow, index: number, text: string): CellReading {
  const { plan, shownIn } = looked;
  const { line } = row;
  if (row.role === 'left-out') return plainly('left-out', text, line, looked.leftOut.has(line));
  const columns = plan.columns.filter((one) => one.index === index || one.upperIn === index);
  const keys = columns.map(({ key }) => key);
  const open = columns.some(isOpen);
  if (row.role === 'heading' || row.role === 'unit') return headingOf(row, columns, text);
  if (row.role !== 'size') return plainly(row.role === 'footnote' ? 'note' : row.role, text, line);
  if (plan.inside !== 'measures') return inMatrix(plan, row, index, text);
  const [column] = columns;
  // What says which end or unit stands in a line has done so, and holds nothing any more.
  if (text !== '' && (row.cells[index] ?? '') === '')
    return plainly(isUnit(text) ? 'unit' : 'heading', text, line);
  if (column === undefined) return plainly(text === '' ? 'empty' : 'left-out', text, line);
  const asked = open || (looked.notGiven.has(line) && isNotGiven(text));
  const as = (role: CellRole, say: () => string) => new CellReading(role, asked, keys, line, say);
  if (column.means === 'size') return as('size', () => saySizeLabel(text));
  if (column.means === 'label') return as('label', () => sayOtherLabel(text, column.system));
  if (column.means === 'class') return as('class', () => sayRole('class', text));
  const taken = columns.filter((one): one is TakenColumn => isMeasurement(one) && one.unit !== null);
  if (taken.length === 0) {
    if (text === '') return as('empty', () => sayRole('empty', text));
    return as('left-out', () => sayLeftOut(text, open));
  }
  if (isNotGiven(text)) return as('empty', () => sayNothingGiven(text));
  return as('measure', () => taken.map((one) => sayMeasure(row.cells, one, text, shownIn)).join(' '));
}

function headingOf(row: PlannedRow, columns: readonly PlannedColumn[], text: string): CellReading {
  const role = text !== '' && isUnit(text) ? 'unit' : (row.role as CellRole);
  const own = plainly(text === '' && columns.length === 0 ? 'empty' : role, text, row.line);
  return new CellReading(
    own.role,
    columns.some(isOpen),
    columns.map(({ key }) => key),
    row.line,
    () => (columns.length === 0 ? own.says : `${own.says} ${columns.map(sayColumn).join('; ')}.`),
  );
}

function inMatrix(plan: TablePlan, row: PlannedRow, index: number, text: string): CellReading {
  const down = plan.columns.find(({ key }) => key === 'down');
  const as = (role: CellRole, say: () => string, asked = false) =>
    new CellReading(role, asked, ['down', 'across'], row.line, say);
  if (down !== undefined && index === down.index) return as('size', () => sayOf(down, text), isOpen(down));
  if (index < (down?.index ?? 0)) return as('heading', () => sayInMatrix('heading', text));
  if (text === '' || (isNotGiven(text) && !isMark(text)))
    return as('empty', () => sayInMatrix('empty', text));
  return plan.inside === 'marks'
    ? as('mark', () => sayInMatrix('mark', text))
    : as('size', () => sayInMatrix('size', text));
}

function isOpen({ asks }: PlannedColumn): boolean {
  return asks !== null;
}

function plainly(role: CellRole, text: string, line: number | null, asked = false): CellReading {
  return new CellReading(text === '' ? 'empty' : role, asked, [], line, () => sayRole(role, text));
}
