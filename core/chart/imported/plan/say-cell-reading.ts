// How a cell of an imported table is read, in words.
import { formatLength, shownIn as writtenIn } from '../../../quantity/format-length';
import type { WorkingUnit } from '../../../quantity/length';
import type { Cell } from '../../interval';
import { parseCell } from '../../formats/parse-cell';
import { rewriteCell } from '../cells/maker-cell';
import { labelIn } from '../chart-parts/imported-parts';
import { takenCell, type TakenColumn } from '../chart-parts/pieces';
import { nameOfMeaning, type Meaning } from '../words/meaning';
import type { WrittenUnit } from '../words/unit-evidence';
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

/** How a cell that holds no measure is read, by its role. */
export function sayRole(role: CellRole, text: string): string {
  return text === '' ? 'An empty cell.' : `“${text}” is ${ROLE_WORDS[role]}.`;
}

/** How a label of a size is read. */
export function saySizeLabel(text: string): string {
  return `“${text}” is the size ${labelIn(text)}.`;
}

/** How a label of another system of sizes is read. */
export function sayOtherLabel(text: string, system: string | null): string {
  return `“${text}” is the same size by ${system ?? 'another system'}.`;
}

/** How a cell of a column without a meaning is read. */
export function sayLeftOut(text: string, open: boolean): string {
  return `“${text}” is left out${open ? ' until you say what the column means' : ''}.`;
}

/** How a cell is read in which the maker gives nothing. */
export function sayNothingGiven(text: string): string {
  return text === '' ? 'An empty cell: nothing is given.' : `“${text}”: nothing is given.`;
}

/** How a cell is read of a table whose two sides make a size together. */
export function sayInMatrix(role: 'heading' | 'empty' | 'mark' | 'size', text: string): string {
  switch (role) {
    case 'heading':
      return `“${text}” names what runs down the side.`;
    case 'empty':
      return 'Not made.';
    case 'mark':
      return `“${text}”: this size is made.`;
    case 'size':
      return `“${text}” is the name of these two together.`;
  }
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

/** How a cell is read that stands for its column alone. */
export function sayOf(column: PlannedColumn, text: string): string {
  return `“${text}”: ${sayColumn(column)}.`;
}

/** How a measure is read, as its maker wrote it and in the unit shown. */
export function sayMeasure(
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
