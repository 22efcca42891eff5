// How each cell of a brought table is read, for the table to be shown as it came and every cell explained.
import { formatLength, shownIn as writtenIn } from '../../../quantity/format-length';
import type { WorkingUnit } from '../../../quantity/length';
import type { Cell } from '../../interval';
import { parseCell } from '../../formats/parse-cell';
import { isMark, isNotGiven } from '../cells/not-given';
import { rewriteCell } from '../cells/maker-cell';
import type { Grid } from '../layout/grid';
import { isMeasurement, labelIn } from '../chart-parts/brought-parts';
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
export interface CellReading {
  readonly role: CellRole;
  /** Whether something is asked about it. */
  readonly asked: boolean;
  /** How it is read, as a sentence. */
  readonly says: string;
  /** The columns it belongs to, by their keys. */
  readonly keys: readonly string[];
  /** The row it belongs to, by its line from the side that is read. */
  readonly line: number | null;
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
  heading: 'a heading',
  unit: 'a unit',
  section: 'the name of a section',
  size: 'a size',
  label: 'a label of another system',
  class: 'a class of lengths',
  measure: 'a measure',
  mark: 'a mark: this is made',
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
 * @param grid as it was brought, with what was typed into it
 * @returns the reading of a cell by its row and column in the grid, both counted from 0
 * @example cellReader(textGrid('Size,Chest (cm)\nM,94-102').value, planTable(textGrid('Size,Chest (cm)\nM,94-102').value), 'cm')(1, 1).role // 'measure'
 */
export function cellReader(
  grid: Grid,
  plan: TablePlan,
  shownIn: WorkingUnit,
): (row: number, column: number) => CellReading {
  const place = columnsTurned(grid, plan.across);
  return (row, column) => {
    const text = grid.rows[row]?.cells[column] ?? '';
    const at = place(row, column);
    const planned = at === null ? undefined : plan.rows[at.row];
    if (planned === undefined || at === null) return plainly('note', text, null);
    return readingOf(plan, planned, at.cell, text, shownIn);
  };
}

function readingOf(
  plan: TablePlan,
  row: PlannedRow,
  index: number,
  text: string,
  shownIn: WorkingUnit,
): CellReading {
  const asked = plan.leftOut.some(({ line }) => line === row.line) && !plan.leftOutRightly;
  const columns = plan.columns.filter((one) => one.index === index || one.upperIn === index);
  if (row.role === 'left-out') return { ...plainly('left-out', text, row.line), asked };
  if (row.role === 'heading' || row.role === 'unit') {
    const role = text !== '' && isUnit(text) ? 'unit' : row.role;
    const keys = columns.map(({ key }) => key);
    const heads = columns.map(sayColumn).join('; ');
    const own = plainly(text === '' && heads === '' ? 'empty' : role, text, row.line);
    return {
      ...own,
      keys,
      asked: columns.some(isOpen),
      says: heads === '' ? own.says : `${own.says} ${heads}.`,
    };
  }
  if (row.role !== 'size') return plainly(row.role === 'footnote' ? 'note' : row.role, text, row.line);
  if (plan.inside !== 'measures') return inMatrix(plan, row, index, text);
  const [column] = columns;
  const missing = plan.notGiven.some(({ line }) => line === row.line) && isNotGiven(text);
  if (column === undefined) return plainly(text === '' ? 'empty' : 'left-out', text, row.line);
  const keys = columns.map(({ key }) => key);
  const base = { keys, line: row.line, asked: columns.some(isOpen) || missing };
  if (column.means === 'size')
    return { ...base, role: 'size', says: `“${text}” is the size ${labelIn(text)}.` };
  if (column.means === 'label')
    return {
      ...base,
      role: 'label',
      says: `“${text}” is the same size by ${column.system ?? 'another system'}.`,
    };
  if (column.means === 'class') return { ...base, role: 'class', says: `“${text}” is a class of lengths.` };
  const taken = columns.filter((one): one is TakenColumn => isMeasurement(one) && one.unit !== null);
  if (taken.length === 0) {
    const because = columns.some(({ asks }) => asks !== null)
      ? ' until it is said what the column means'
      : '';
    return {
      ...base,
      role: text === '' ? 'empty' : 'left-out',
      says: text === '' ? 'An empty cell.' : `“${text}” is left out${because}.`,
    };
  }
  if (isNotGiven(text))
    return {
      ...base,
      role: 'empty',
      says: text === '' ? 'An empty cell: nothing is given.' : `“${text}”: nothing is given.`,
    };
  return {
    ...base,
    role: 'measure',
    says: taken.map((one) => sayMeasure(row.cells, one, text, shownIn)).join(' '),
  };
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
  if (means === null) return column.asks === null ? 'Left out' : 'Not said yet';
  const unit =
    named === null ? 'no unit yet' : `in ${UNIT_WORDS[named]} ${SOURCE_WORDS[namedBy ?? 'heading']}`;
  const slip = column.slip === null ? '' : `, “${column.slip.wrote}” read as “${column.slip.read}”`;
  const more = [
    column.class === null ? '' : `of ${column.class}`,
    unit,
    column.times === 2 ? 'twice what stands there' : '',
    column.ease === null ? '' : `of the garment, ${column.ease} larger than the body`,
    column.recalled ? 'as in their last table' : '',
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
    wasDate ? ` A spreadsheet had made a date of ${rewritten.replace(/ /g, '')}.` : '',
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
  const base = { keys: ['down', 'across'], line: row.line, asked: false };
  if (index === down?.index)
    return { ...base, role: 'size', asked: isOpen(down), says: `“${text}”: ${sayColumn(down)}.` };
  if (index < (down?.index ?? 0))
    return { ...base, role: 'heading', says: `“${text}” names what stands down the side.` };
  if (text === '' || (isNotGiven(text) && !isMark(text)))
    return { ...base, role: 'empty', says: 'Not made.' };
  return plan.inside === 'marks'
    ? { ...base, role: 'mark', says: `“${text}”: this is made.` }
    : { ...base, role: 'size', says: `“${text}” is what these two are called together.` };
}

function isOpen({ asks }: PlannedColumn): boolean {
  return asks !== null;
}

function plainly(role: CellRole, text: string, line: number | null): CellReading {
  const says = text === '' ? 'An empty cell.' : `“${text}” is ${ROLE_WORDS[role]}.`;
  return { role: text === '' ? 'empty' : role, asked: false, says, keys: [], line };
}
