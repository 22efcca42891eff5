import { parseColumnHeading } from '../../formats/heading';
import { parseCell } from '../../formats/parse-cell';
import { numbersIn } from '../cells/dual-cell';
import { rewriteCell } from '../cells/maker-cell';
import { isNotGiven } from '../cells/not-given';
import { aroundIt } from '../layout/around';
import { turned, type Grid } from '../layout/grid';
import { outlineOf, standAcross, type Inside, type PlannedRow } from '../layout/outline';
import { withoutEndRows } from '../layout/end-rows';
import { withPartedRanges } from '../layout/parted-ranges';
import { withoutRepeats } from '../layout/repeated-rows';
import { withoutUnitRows } from '../layout/unit-rows';
import type { Meaning } from '../words/meaning';
import { isUnit, unitOfHeading, type WrittenUnit } from '../words/unit-evidence';
import { NO_ANSWERS, type TableAnswers } from './answers';
import { withoutDoubles, withPairs } from './column-twins';
import { generalOf } from './general';
import { headingsOf, type Heading } from './headings';
import { withLegend } from './legend';
import { listColumns } from './columns-of-list';
import { matrixColumns } from './columns-of-matrix';
import type { Table } from './one-column';
import { cellIn, type PlannedColumn } from './planned-column';
import { withAnswer, withOneSize } from './said';

/** How an imported table is to be read: guessed, and then the fitter's. */
export interface TablePlan {
  /** Whether the sizes stand across, so that rows and columns change places. */
  readonly across: boolean;
  /** What the cells beside the labels are. */
  readonly inside: Inside;
  /** Every row, from the side it is read from. */
  readonly rows: readonly PlannedRow[];
  readonly columns: readonly PlannedColumn[];
  /** Lines above and below that are no part of the table. */
  readonly notes: readonly string[];
  /** Lines that are left out and hold a size or a number: asked about before anything is taken. */
  readonly leftOut: readonly { readonly line: number; readonly text: string }[];
  /** Whether those are left out rightly, as somebody has said. */
  readonly leftOutRightly: boolean;
  /** Sizes of which something is not given: asked about. */
  readonly notGiven: readonly NotGiven[];
  /** Only this class of lengths is taken. */
  readonly onlyClass: string | null;
}

/** A size that lacks something. */
export interface NotGiven {
  readonly line: number;
  readonly label: string;
  readonly headings: readonly string[];
  readonly text: string;
}

/** What is known of a table besides its cells. */
export interface TableContext {
  /** What it is called where it was found: it may name the unit of all of it. */
  readonly name?: string;
  /** What headings of this maker's tables meant before, by their plain words. */
  readonly remembered?: ReadonlyMap<string, Meaning>;
}

/**
 * Whether something of a table is to be said before it may be taken.
 *
 * @example isAsked(planTable(textGrid('Size,Chest (cm)\nM,94-102\nL,102-110').value)) // false
 */
export function isAsked({ columns, leftOut, leftOutRightly, notGiven }: TablePlan): boolean {
  return (
    columns.some(({ asks }) => asks !== null) ||
    (leftOut.length > 0 && !leftOutRightly) ||
    notGiven.length > 0
  );
}

/**
 * The grid with what somebody typed into its cells.
 *
 * @example withTyped(textGrid('Size,Chest\nM,9o').value, { '2:2': '90' }).rows[1].cells // ['M', '90']
 */
export function withTyped(grid: Grid, cells: TableAnswers['cells']): Grid {
  if (Object.keys(cells).length === 0) return grid;
  // A line may end before the others do; what is typed where it has nothing stands there all the same.
  const width = Math.max(0, ...grid.rows.map(({ cells: row }) => row.length));
  return {
    rows: grid.rows.map(({ line, cells: row }) => ({
      line,
      cells: Array.from({ length: width }, (_, at) => cells[`${line}:${at + 1}`] ?? row[at] ?? ''),
    })),
  };
}

/**
 * Plans how a table is to be read: what is guessed, and what somebody has said instead. The fitter sees all of
 * it and may change all of it.
 *
 * @example planTable(textGrid('Size,Chest\nM,94-102\nL,102-110').value).columns.map(({ means, asks }) => [means, asks]) // [['size', null], ['chest-girth', 'which-unit']]
 */
export function planTable(grid: Grid, answers = NO_ANSWERS, context: TableContext = {}): TablePlan {
  const typed = withTyped(grid, answers.cells);
  const across = answers.across ?? standAcross(typed);
  const { around, within } = across ? aroundIt(typed) : { around: [], within: typed };
  const outline = outlineOf(across ? turned(within) : within, answers.rows);
  const { inside } = outline;
  const rows =
    inside === 'measures'
      ? withPartedRanges(withoutRepeats(withoutEndRows(withoutUnitRows(outline.rows))))
      : outline.rows;
  const body = rows.filter(({ role }) => role === 'size');
  const from = rows.findIndex(({ role }) => role === 'size');
  const head = rows.slice(0, Math.max(0, from)).filter(({ role }) => role === 'heading' || role === 'unit');
  const outside = rows.filter(({ role }) => role === 'title' || role === 'note' || role === 'footnote');
  const notes = [...around, ...outside].map(({ cells }) => [...new Set(cells)].filter(Boolean).join(' '));
  const general = generalOf([...notes, context.name ?? '']);
  const count = Math.max(0, ...body.map(({ cells }) => cells.length));
  const headings = headingsOf(
    withLegend(
      head.map(({ cells }) => cells),
      notes,
    ),
    count,
  );
  const table: Table = {
    body,
    headings,
    notes: [...notes, context.name ?? ''].filter(Boolean),
    // A unit alone in the corner is that of all that stands beside it.
    general: { ...general, unit: general.unit ?? cornerUnit(headings, count) },
    remembered: context.remembered ?? new Map(),
  };
  const guessed = inside === 'measures' ? listColumns(table, count) : matrixColumns(table, head, answers);
  const cells = (column: PlannedColumn) => body.map((row) => cellIn(row.cells, column));
  const columns = withoutDoubles(withPairs(guessed, cells), cells).map((column) => {
    const [own, first] = [
      answers.columns[column.key],
      column.follows === null ? undefined : answers.columns[column.follows],
    ];
    // What is said of the first of several classes holds of the others, whatever was said of them besides.
    return own === undefined && first === undefined ? column : withAnswer(column, { ...own, ...first });
  });
  const sized = withOneSize(columns, answers).map((column): PlannedColumn => {
    if (column.asks !== null || !isMeasured(column)) return column;
    if (isOneValue(column, cells(column))) return { ...column, asks: 'alike' };
    const said = answers.columns[column.key];
    if (goesToEitherSide(column) && !column.spreads && said?.so !== true)
      return { ...column, asks: 'either-side' };
    const settled = column.toNext || said?.toNext === false || said?.so === true;
    return !settled && isOneSided(column, cells(column)) ? { ...column, asks: 'one-sided' } : column;
  });
  return {
    across,
    inside,
    rows,
    columns: sized,
    notes,
    leftOut: rows
      .filter(({ role, line }) => role === 'left-out' && answers.rows[line] === undefined)
      .map(({ line, cells: row }) => ({ line, text: row.filter(Boolean).join(' · ') })),
    leftOutRightly: answers.leftOutRightly ?? false,
    notGiven: inside === 'measures' ? notGivenIn(body, sized) : [],
    onlyClass: answers.onlyClass ?? null,
  };
}

/** Sizes of which a column that is taken gives nothing; where classes stand beside each other that means: not made. */
function notGivenIn(body: readonly PlannedRow[], columns: readonly PlannedColumn[]): NotGiven[] {
  const size = columns.find(({ means }) => means === 'size');
  const taken = columns.filter(
    ({ means, class: named }) =>
      means !== null && means !== 'size' && means !== 'label' && means !== 'class' && named === null,
  );
  return body.flatMap(({ line, cells }) => {
    const nothing = (text: string, { heading }: PlannedColumn) =>
      // A star alone is every length where we wrote it, and a mark of nothing said anywhere else.
      isNotGiven(text) || (text === '*' && !parseColumnHeading(heading).ok);
    const missing = taken.filter(
      (column) =>
        nothing(cellIn(cells, column), column) &&
        (column.upperIn === null || isNotGiven(cells[column.upperIn] ?? '')),
    );
    if (missing.length === 0 || size === undefined) return [];
    const text = [...new Set(missing.map((column) => cells[column.index] ?? ''))].filter(Boolean).join(', ');
    return [{ line, label: cells[size.index] ?? '', headings: missing.map(({ heading }) => heading), text }];
  });
}

/** The unit that stands by itself above the sizes, where no heading names one. */
function cornerUnit(headings: readonly Heading[], count: number): WrittenUnit | null {
  const first = headings.slice(0, count).find(({ text }) => text !== '');
  return first !== undefined && isUnit(first.text) ? unitOfHeading(first.text) : null;
}

function isMeasured({ means, class: named, upperIn }: PlannedColumn): boolean {
  return means !== null && !/^(?:size|label|class)$/.test(means) && named === null && upperIn === null;
}

/** Whether its heading says how far its numbers go: of a garment that is how exactly it is sewn, and nobody's body. */
function goesToEitherSide({ eitherSide, of, times, ease }: PlannedColumn): boolean {
  return eitherSide !== null && of === 'body' && times === 1 && ease === null;
}

/** Whether every size has one and the same single value: how far that reaches is nowhere said. */
function isOneValue({ ease }: PlannedColumn, cells: readonly string[]): boolean {
  const [first = '', ...others] = cells;
  return (
    ease === null &&
    others.length > 0 &&
    numbersIn(first).length === 1 &&
    others.every((cell) => cell === first) &&
    !/[<>≤≥+]|\p{L}{2}/u.test(first)
  );
}

/**
 * Whether every size is open to the same side, `up to 94`, `up to 102`: as it stands everybody of a smaller size
 * would be of every larger one, too.
 */
function isOneSided({ named, unit, thousands }: PlannedColumn, cells: readonly string[]): boolean {
  if (cells.length < 2 || unit === null) return false;
  const read = cells.map((cell) =>
    parseCell(rewriteCell(cell, { unit: named ?? unit, thousands }).text, unit),
  );
  const open = (side: 'lower' | 'upper') =>
    read.every((cell) => cell.ok && cell.value.kind === 'interval' && cell.value[side] === null);
  return open('lower') !== open('upper');
}
