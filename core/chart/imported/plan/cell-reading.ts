// How each cell of an imported table is read, for the table to be shown as it came and every cell explained.
import { formatLength, shownIn as writtenIn } from '../../../quantity/format-length';
import type { WorkingUnit } from '../../../quantity/length';
import type { Cell } from '../../interval';
import { parseCell } from '../../formats/parse-cell';
import { isMark, isNotGiven } from '../cells/not-given';
import { rewriteCell } from '../cells/maker-cell';
import type { Grid } from '../layout/grid';
import { isMeasurement, labelIn } from '../chart-parts/imported-parts';
import { takenCell, type TakenColumn } from '../chart-parts/pieces';
import { nameOfMeaning, type Meaning } from '../words/meaning';
import { isUnit, type WrittenUnit } from '../words/unit-evidence';
import { columnsTurned } from '../layout/around';
import type { PlannedRow } from '../layout/outline';
import type { TablePlan } from './table-plan';
import type { PlannedColumn, UnitSource } from './planned-column';

/** What a cell is taken for. */
export type CellRole =
  | 'title'
  | 'note'
  | 'with-above'
  | 'repeated'
  | 'heading'
  | 'unit'
  | 'section'
  | 'size'
  | 'label'
  | 'class'
  | 'measure'
  | 'mark'
  | 'left-out'
  | 'empty';

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

const UNIT_WORDS: Readonly<Record<WrittenUnit, string>> = {
  mm: 'millimetres',
  cm: 'centimetres',
  in: 'inches',
  m: 'metres',
  ft: 'feet and inches',
};
const SOURCE_WORDS: Readonly<Record<UnitSource, string>> = {
  heading: 'from the heading',
  cells: 'from the cells',
  note: 'from a line around the table',
  said: 'as you said',
};
const ROLE_WORDS: Readonly<Record<CellRole, string>> = {
  title: 'a title',
  note: 'a note',
  'with-above': 'taken together with the line above',
  repeated: 'the same as in a line above',
  heading: 'a heading',
  unit: 'a unit',
  section: 'the name of a section',
  size: 'a size',
  label: 'a label of another system',
  class: 'a class of lengths',
  measure: 'a measure',
  mark: 'a mark that the size is made',
  'left-out': 'left out',
  empty: 'empty',
};

/**
 * What a role is called.
 *
 * @example nameOfRole('heading') // 'a heading'
 */
export function nameOfRole(role: CellRole): string {
  return ROLE_WORDS[role];
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
  if (column.means === 'size') return as('size', () => `“${text}” is the size ${labelIn(text)}.`);
  if (column.means === 'label')
    return as('label', () => `“${text}” is the same size by ${column.system ?? 'another system'}.`);
  if (column.means === 'class') return as('class', () => `“${text}” is a class of lengths.`);
  const taken = columns.filter((one): one is TakenColumn => isMeasurement(one) && one.unit !== null);
  if (taken.length === 0) {
    if (text === '') return as('empty', () => 'An empty cell.');
    return as(
      'left-out',
      () => `“${text}” is left out${open ? ' until you say what the column means' : ''}.`,
    );
  }
  if (isNotGiven(text))
    return as('empty', () =>
      text === '' ? 'An empty cell: nothing is given.' : `“${text}”: nothing is given.`,
    );
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

/**
 * A column as a person reads it: `Chest girth, in centimetres from the heading`.
 *
 * @example sayColumn(planTable(textGrid('Size,Chest (cm)\nM,94-102\nL,102-110').value).columns[1]) // 'Chest, in centimetres from the heading'
 */
export function sayColumn(column: PlannedColumn): string {
  const { means, system, named, namedBy } = column;
  if (means === 'size') return 'The sizes';
  if (means === 'label') return `Labels of ${system ?? 'another system'}`;
  if (means === 'class') return 'Classes of lengths';
  if (means === null) return column.asks === null ? 'Left out' : 'Not answered yet';
  const unit =
    named === null ? 'no unit yet' : `in ${UNIT_WORDS[named]} ${SOURCE_WORDS[namedBy ?? 'heading']}`;
  const slip = column.slip === null ? '' : `, “${column.slip.wrote}” read as “${column.slip.read}”`;
  const more = [
    column.class === null ? '' : `of ${column.class}`,
    unit,
    column.times === 2 ? 'doubled' : '',
    column.spreads ? `${column.eitherSide!} to either side` : '',
    column.ease === null ? '' : `of the garment, ${column.ease} larger than the body`,
    column.recalled ? 'as in this maker’s last table' : '',
  ].filter(Boolean);
  return `${nameOfMeaning(means as Meaning)}, ${more.join(', ')}${slip}`;
}

function sayMeasure(
  cells: readonly string[],
  column: TakenColumn,
  text: string,
  shownIn: WorkingUnit,
): string {
  const {
    text: rewritten,
    dropped,
    wasDate,
  } = rewriteCell(text, { unit: column.named ?? column.unit, thousands: column.thousands });
  const cell = parseCell(takenCell(cells, column), column.unit);
  if (!cell.ok) return `“${text}” cannot be read as a measure.`;
  const notes = [
    wasDate ? ` A spreadsheet had turned this into a date: ${rewritten.replace(/ /g, '')}.` : '',
    dropped === '' ? '' : ` “${dropped}” is dropped.`,
  ].join('');
  const other = shownIn === column.unit ? '' : `, ${sayCell(cell.value, shownIn)}`;
  return `“${text}”: ${sayColumn(column)}; ${sayCell(cell.value, column.unit)}${other}.${notes}`;
}

function sayCell(cell: Cell, unit: WorkingUnit): string {
  // A maker's cell is told as finely as a tape is ruled, whatever the house writes.
  const one = (at: Parameters<typeof formatLength>[0]) => formatLength(at, writtenIn(unit, 16));
  if (cell.kind === 'nominal') return one(cell.at);
  if (cell.lower === null) return cell.upper === null ? 'any' : `up to ${one(cell.upper.at)}`;
  return cell.upper === null
    ? `from ${one(cell.lower.at)}`
    : `${one(cell.lower.at)} to ${one(cell.upper.at)}`;
}

function inMatrix(plan: TablePlan, row: PlannedRow, index: number, text: string): CellReading {
  const down = plan.columns.find(({ key }) => key === 'down');
  const as = (role: CellRole, say: () => string, asked = false) =>
    new CellReading(role, asked, ['down', 'across'], row.line, say);
  if (down !== undefined && index === down.index)
    return as('size', () => `“${text}”: ${sayColumn(down)}.`, isOpen(down));
  if (index < (down?.index ?? 0)) return as('heading', () => `“${text}” names what runs down the side.`);
  if (text === '' || (isNotGiven(text) && !isMark(text))) return as('empty', () => 'Not made.');
  return plan.inside === 'marks'
    ? as('mark', () => `“${text}”: this size is made.`)
    : as('size', () => `“${text}” is the name of these two together.`);
}

function isOpen({ asks }: PlannedColumn): boolean {
  return asks !== null;
}

function plainly(role: CellRole, text: string, line: number | null, asked = false): CellReading {
  return new CellReading(text === '' ? 'empty' : role, asked, [], line, () =>
    text === '' ? 'An empty cell.' : `“${text}” is ${ROLE_WORDS[role]}.`,
  );
}
