import { isDerivedCode } from '../../column-code';
import { parseColumnHeading } from '../../formats/heading';
import { halvesOf, numbersIn, unitsByRatio, type Halves } from '../cells/dual-cell';
import { isNotGiven } from '../cells/not-given';
import { isSingle } from '../layout/cells-of';
import { turned, type Grid } from '../layout/grid';
import { outlineOf, standAcross, type Inside, type Outline } from '../layout/outline';
import { guessHeading } from '../words/guess-heading';
import type { Meaning } from '../words/meaning';
import { classRank, headsSizes, isLetterSize, systemOf } from '../words/size-words';
import {
  unitOfNote,
  unitPairOfHeading,
  unitPairOfNote,
  unitsOfCell,
  KEPT_IN,
  type WrittenUnit,
} from '../words/unit-evidence';
import { MODIFIERS, plainWords } from '../words/vocabulary';
import { NO_ANSWERS, type ColumnAnswer, type TableAnswers } from './answers';
import { withoutDoubles, withPairs } from './column-twins';
import { axesOf, headingsOf, type Heading } from './headings';
import { asThousands, large, withMeaning, type PlannedColumn, type UnitSource } from './planned-column';

/** A row of a table as it is taken. */
export type PlannedRow = Outline['rows'][number];

/** How a brought table is to be read: guessed, and then the fitter's. */
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

/** Whether something of a table is to be said before it may be taken. */
export function isAsked({ columns, leftOut, leftOutRightly, notGiven }: TablePlan): boolean {
  return (
    columns.some(({ asks }) => asks !== null) ||
    (leftOut.length > 0 && !leftOutRightly) ||
    notGiven.length > 0
  );
}

/** The grid with what somebody typed into its cells. */
export function withTyped(grid: Grid, cells: TableAnswers['cells']): Grid {
  if (Object.keys(cells).length === 0) return grid;
  return {
    rows: grid.rows.map(({ line, cells: row }) => ({
      line,
      cells: row.map((cell, at) => cells[`${line}:${at + 1}`] ?? cell),
    })),
  };
}

/**
 * Plans how a table is to be read: what is guessed, and what somebody has said instead. The fitter sees all of
 * it and may change all of it.
 */
export function planTable(grid: Grid, answers = NO_ANSWERS, context: TableContext = {}): TablePlan {
  const typed = withTyped(grid, answers.cells);
  const across = answers.across ?? standAcross(typed);
  const { around, within } = across ? aroundIt(typed) : { around: [], within: typed };
  const { rows, inside } = outlineOf(across ? turned(within) : within, answers.rows);
  const body = rows.filter(({ role }) => role === 'size');
  const from = rows.findIndex(({ role }) => role === 'size');
  const head = rows.slice(0, Math.max(0, from)).filter(({ role }) => role === 'heading' || role === 'unit');
  const outside = rows.filter(({ role }) => role === 'title' || role === 'note' || role === 'footnote');
  const notes = [...around, ...outside].map(({ cells }) => [...new Set(cells)].filter(Boolean).join(' '));
  const general = generalOf([...notes, context.name ?? '']);
  const count = Math.max(0, ...body.map(({ cells }) => cells.length));
  const table: Table = {
    body,
    headings: headingsOf(
      head.map(({ cells }) => cells),
      count,
    ),
    general,
    remembered: context.remembered ?? new Map(),
  };
  const guessed =
    inside === 'measures'
      ? listColumns(table, count)
      : matrixColumns(
          table,
          head.map(({ cells }) => cells),
          answers,
        );
  const cells = (column: PlannedColumn) => body.map((row) => cellIn(row.cells, column));
  const columns = withoutDoubles(withPairs(guessed), cells).map((column) => {
    const said =
      answers.columns[column.key] ?? (column.follows === null ? undefined : answers.columns[column.follows]);
    return said === undefined ? column : withAnswer(column, said);
  });
  const sized = withOneSize(columns, answers);
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

/**
 * A table with its sizes across, without the lines of one text above and below it: turned, they would be
 * columns.
 */
export function aroundIt({ rows }: Grid): { readonly around: Grid['rows']; readonly within: Grid } {
  const whole = rows.map(({ cells }) => !isSingle(cells));
  const [first, last] = [whole.indexOf(true), whole.lastIndexOf(true)];
  if (first < 0) return { around: [], within: { rows } };
  return {
    around: [...rows.slice(0, first), ...rows.slice(last + 1)],
    within: { rows: rows.slice(first, last + 1) },
  };
}

/**
 * Where a cell of a grid stands from the side that is read: its row in the plan, and its place in that row;
 * nothing for lines around a table that is turned.
 */
export function columnsTurned(
  grid: Grid,
  across: boolean,
): (row: number, column: number) => { readonly row: number; readonly cell: number } | null {
  if (!across) return (row, column) => ({ row, cell: column });
  const { within } = aroundIt(grid);
  const first = grid.rows.indexOf(within.rows[0]!);
  return (row, column) =>
    row < first || row >= first + within.rows.length ? null : { row: column, cell: row - first };
}

/** What of a table its columns are planned from. */
interface Table {
  readonly body: readonly PlannedRow[];
  readonly headings: readonly Heading[];
  readonly general: General;
  readonly remembered: ReadonlyMap<string, Meaning>;
}

/** What lines around a table say of all of it. */
interface General {
  readonly unit: WrittenUnit | null;
  readonly pair: readonly [WrittenUnit, WrittenUnit] | null;
  readonly of: PlannedColumn['of'];
}

function generalOf(notes: readonly string[]): General {
  const pair = notes.map(unitPairOfNote).find((one) => one !== null) ?? null;
  const units = new Set(
    notes.filter((note) => unitPairOfNote(note) === null).flatMap((note) => unitOfNote(note) ?? []),
  );
  const words = notes
    .filter((note) => ABOUT_MEASURES.test(note) && !/\b(?:not|nicht|pas|no)\b/i.test(note))
    .map(plainWords);
  const says = (list: ReadonlySet<string>) =>
    words.some((note) => note.split(' ').some((word) => list.has(word)));
  return {
    unit: units.size === 1 ? [...units][0]! : null,
    pair,
    of: says(MODIFIERS.flat) ? 'flat' : says(MODIFIERS.garment) ? 'garment' : 'body',
  };
}
const ABOUT_MEASURES = /measure|dimension|maße|masse|mesures|medidas/i;

/** The measure of a row that a column is about. */
export function cellIn(
  row: readonly string[],
  { index, half }: Pick<PlannedColumn, 'index' | 'half'>,
): string {
  const text = row[index] ?? '';
  return half === null ? text : (halvesOf(text)?.[half] ?? (isNotGiven(text) ? '' : text));
}

function listColumns(table: Table, count: number): PlannedColumn[] {
  const { body, headings } = table;
  const cellsAt = (index: number) => body.map(({ cells }) => cells[index] ?? '');
  const empty = (index: number) =>
    cellsAt(index).every((cell) => cell === '') &&
    headings[index]!.text === '' &&
    headings[index]!.class === null;
  const indices = Array.from({ length: count }, (_, index) => index).filter((index) => !empty(index));
  const sizeAt = sizeColumn(indices, cellsAt, (index) => headings[index]!.text);
  const columns = indices.flatMap((index) => {
    const heading = headings[index]!;
    const cells = cellsAt(index);
    if (index === sizeAt) return [plain(index, joined(heading), cells, 'size')];
    if (isClassColumn(joined(heading), cells)) return [plain(index, joined(heading), cells, 'class')];
    const system =
      heading.class === null
        ? (systemOf(heading.text) ?? (headsSizes(heading.text) ? heading.text : null))
        : null;
    if (system !== null && cells.some((cell) => cell !== ''))
      return [{ ...plain(index, heading.text, cells, 'label'), system }];
    const halves = dualOf(cells);
    if (halves === null)
      return [planColumn(table, { key: String(index), index, half: null }, heading, cells, null)];
    const units = unitsOfHalves(table, heading.text, halves);
    return ([0, 1] as const).map((half) =>
      planColumn(
        table,
        { key: `${index}${half === 0 ? 'a' : 'b'}`, index, half },
        heading,
        cells.map((cell) => halvesOf(cell)?.[half] ?? ''),
        units?.[half] ?? null,
      ),
    );
  });
  return withFollowers(columns);
}

function joined({ text, class: named }: Heading): string {
  return [text, named].filter(Boolean).join(' ');
}

/** Columns of one measurement in several classes are said together. */
function withFollowers(columns: readonly PlannedColumn[]): PlannedColumn[] {
  const firsts = new Map<string, string>();
  return columns.map((column) => {
    if (column.class === null) return column;
    const same = `${column.means ?? column.candidates.join()}|${column.half ?? ''}`;
    const first = firsts.get(same);
    if (first === undefined) firsts.set(same, column.key);
    return { ...column, follows: first ?? null };
  });
}

/** Columns whose every cell holds two measures. */
function dualOf(cells: readonly string[]): Halves[] | null {
  const some = cells.filter((cell) => !isNotGiven(cell));
  const halves = some.flatMap((cell) => {
    const found = halvesOf(cell);
    return found === null ? [] : [found];
  });
  if (halves.length === 0 || halves.length < some.length) return null;
  const marked = halves.every(([first, second]) => {
    const [one, other] = [unitsOfCell(first), unitsOfCell(second)];
    return one.length > 0 && other.length > 0 && one[0] !== other[0];
  });
  return marked || unitsByRatio(halves) !== null ? halves : null;
}

function unitsOfHalves(
  { general }: Table,
  heading: string,
  halves: readonly Halves[],
): readonly [WrittenUnit | null, WrittenUnit | null] {
  const marked = ([0, 1] as const).map((half) => {
    const units = new Set(halves.flatMap((one) => unitsOfCell(one[half])));
    return units.size === 1 ? [...units][0]! : null;
  });
  const pair = unitPairOfHeading(heading) ?? general.pair;
  const [first, second] = [marked[0] ?? pair?.[0] ?? null, marked[1] ?? pair?.[1] ?? null];
  const ratio = unitsByRatio(halves);
  // One of the two is named, and no other unit is so far from it: that names the other.
  if (ratio !== null && first === ratio[0] && second === null) return [first, ratio[1]];
  if (ratio !== null && second === ratio[1] && first === null) return [ratio[0], second];
  const { unit } = guessHeading(heading);
  const named = unit ?? general.unit;
  if (first === null && second === null && ratio !== null && named !== null) {
    if (ratio[0] === named || ratio[1] === named) return [...ratio];
  }
  return [first, second];
}

/** A column that is no measurement. */
function plain(
  index: number,
  heading: string,
  cells: readonly string[],
  means: 'size' | 'class' | 'label',
): PlannedColumn {
  return { ...blank(String(index), index, null, heading, cells), means };
}

function blank(
  key: string,
  index: number,
  half: 0 | 1 | null,
  heading: string,
  cells: readonly string[],
): PlannedColumn {
  return {
    key,
    index,
    half,
    heading,
    means: null,
    system: null,
    class: null,
    follows: null,
    unit: null,
    named: null,
    namedBy: null,
    proposes: null,
    of: 'body',
    times: 1,
    ease: null,
    candidates: [],
    recalled: false,
    unknown: [],
    slip: null,
    asks: null,
    numbers: [],
    thousands: false,
    sample: cells.filter(Boolean).slice(0, 3),
    upperIn: null,
    says: '',
  };
}

function planColumn(
  { general, remembered }: Table,
  place: Pick<PlannedColumn, 'key' | 'index' | 'half'>,
  heading: Heading,
  cells: readonly string[],
  unitOfHalf: WrittenUnit | null,
): PlannedColumn {
  const { text } = heading;
  const base = blank(place.key, place.index, place.half, joined(heading), cells);
  const numbers = large(cells.flatMap(numbersIn));
  // A heading as exports write it says of its column what the cells are, and is taken at its word.
  const own = parseColumnHeading(text);
  if (own.ok && !isDerivedCode(own.value.code)) {
    const { code, unit } = own.value;
    const says = /\(\w+(,.*)\)$/.exec(text.trim())?.[1] ?? '';
    const column: PlannedColumn = {
      ...base,
      means: code,
      unit,
      named: unit,
      namedBy: 'heading',
      numbers,
      candidates: [code],
      says,
    };
    // What a heading says of ease is of garments, and those may be of any size.
    return says === '' ? withMeaning(asThousands(column, cells, code), code) : column;
  }
  const guess = guessHeading(text);
  const [named, namedBy] = unitOf(cells, guess.unit ?? heading.unit, general.unit, unitOfHalf, place.half);
  const column: PlannedColumn = {
    ...base,
    numbers,
    named,
    namedBy,
    unit: named === null ? null : KEPT_IN[named],
    class: heading.class ?? guess.class,
    candidates: text === '' && heading.class === null ? [] : guess.candidates,
    of: guess.of === 'body' ? general.of : guess.of,
    unknown: guess.unknown,
    slip: guess.slip,
  };
  if (numbers.length === 0) return { ...column, candidates: [] };
  if (text === '' && heading.class === null) return { ...column, candidates: [], asks: 'left-out' };
  if (guess.candidates.length === 1 && guess.candidates[0] === 'weight') return { ...column, asks: 'mass' };
  const recalled = guess.code === null ? remembered.get(plainWords(text)) : undefined;
  const code = recalled ?? guess.code;
  const sure = recalled !== undefined ? { ...column, recalled: true } : column;
  return withMeaning(asThousands(sure, cells, code ?? guess.candidates[0]), code, 'which-measurement');
}

/** The unit of a column, with whence: its cells, its heading, what stands around the table. */
function unitOf(
  cells: readonly string[],
  heading: WrittenUnit | null,
  general: WrittenUnit | null,
  ofHalf: WrittenUnit | null,
  half: 0 | 1 | null,
): readonly [WrittenUnit | null, UnitSource | null] {
  const inCells = new Set(cells.flatMap(unitsOfCell));
  if (half !== null) return ofHalf === null ? [null, null] : [ofHalf, inCells.size > 0 ? 'cells' : 'heading'];
  // Feet in the cells are feet, whatever the heading says of inches.
  if (inCells.size === 1 && inCells.has('ft') && (heading === null || heading === 'in' || heading === 'ft'))
    return ['ft', 'cells'];
  // A column whose cells name several units, or another than its heading, names none.
  const named = new Set([...inCells, ...(heading === null ? [] : [heading])]);
  if (named.size === 0) return general === null ? [null, null] : [general, 'note'];
  return named.size === 1 ? [[...named][0]!, heading === null ? 'cells' : 'heading'] : [null, null];
}

/** The two axes of a matrix as columns that are said like any other. */
function matrixColumns(
  table: Table,
  head: readonly (readonly string[])[],
  answers: TableAnswers,
): PlannedColumn[] {
  const { body } = table;
  const axis = head.at(-1) ?? [];
  const labelAt = Math.max(
    0,
    body[0]?.cells.findIndex((cell, at) => cell !== '' && !isSameDown(body, at)) ?? 0,
  );
  const beside = labelAt > 0 ? (body[0]?.cells[labelAt - 1] ?? '') : '';
  const above =
    head
      .slice(0, -1)
      .flatMap((row) => row.slice(labelAt + 1))
      .find((text) => text !== '') ?? '';
  const named = axesOf(axis[labelAt] === beside ? '' : (axis[labelAt] ?? ''), above);
  const fields = [
    {
      key: 'down',
      index: labelAt,
      heading: beside || named.down,
      cells: body.map(({ cells }) => cells[labelAt] ?? ''),
    },
    { key: 'across', index: -1, heading: named.across, cells: axis.slice(labelAt + 1).filter(Boolean) },
  ];
  return fields.map(({ key, index, heading, cells }) => {
    const column = planColumn(
      table,
      { key, index, half: null },
      { text: heading || '?', class: null, unit: null },
      cells,
      null,
    );
    // Classes along an axis measure nothing; what they stand for is said by somebody.
    const asked: PlannedColumn = column.numbers.length === 0 ? { ...column, candidates: [] } : column;
    return { ...asked, heading, asks: answers.columns[key]?.so === true ? null : asked.asks };
  });
}

/** Whether a column holds one and the same text in every row: the name of an axis, merged. */
function isSameDown(body: readonly PlannedRow[], at: number): boolean {
  const texts = new Set(body.map(({ cells }) => cells[at] ?? ''));
  return body.length > 1 && texts.size === 1;
}

function withAnswer(column: PlannedColumn, said: ColumnAnswer): PlannedColumn {
  const unit = said.unit ?? column.named;
  const changed: PlannedColumn = {
    ...column,
    recalled: false,
    named: unit,
    namedBy: said.unit === undefined ? column.namedBy : 'said',
    unit: unit === null ? null : KEPT_IN[unit],
    times: said.times ?? column.times,
    ease: said.ease === undefined || said.ease === '' ? column.ease : said.ease,
    of:
      said.ease === '' || (said.times === 1 && said.ease === undefined)
        ? 'body'
        : said.times === 2 && said.ease === undefined
          ? 'body'
          : column.of,
  };
  const settled = (one: PlannedColumn): PlannedColumn => (said.so === true ? { ...one, asks: null } : one);
  if (said.means === 'size' || said.means === 'class') return { ...changed, means: said.means, asks: null };
  if (said.means === 'label')
    return { ...changed, means: 'label', system: column.system ?? (column.heading || 'Other'), asks: null };
  if (said.means === null) return { ...changed, means: null, asks: null };
  if (said.means !== undefined) return settled(withMeaning(changed, said.means));
  const { means } = column;
  if (means === null || means === 'size' || means === 'label' || means === 'class') return settled(changed);
  return settled(withMeaning(changed, means));
}

/** There is one column of sizes; what was it is a label of something else, and asked about. */
function withOneSize(columns: readonly PlannedColumn[], answers: TableAnswers): PlannedColumn[] {
  const said = columns.find(({ key }) => answers.columns[key]?.means === 'size');
  if (said === undefined) return [...columns];
  return columns.map((one) =>
    one.means === 'size' && one !== said && answers.columns[one.key] === undefined
      ? { ...one, means: null, asks: 'left-out' }
      : one,
  );
}

/** Sizes of which a column that is taken gives nothing; where classes stand beside each other that means: not made. */
function notGivenIn(body: readonly PlannedRow[], columns: readonly PlannedColumn[]): NotGiven[] {
  const size = columns.find(({ means }) => means === 'size');
  const taken = columns.filter(
    ({ means, class: named }) =>
      means !== null && means !== 'size' && means !== 'label' && means !== 'class' && named === null,
  );
  return body.flatMap(({ line, cells }) => {
    const missing = taken.filter(
      (column) =>
        isNotGiven(cellIn(cells, column)) &&
        (column.upperIn === null || isNotGiven(cells[column.upperIn] ?? '')),
    );
    if (missing.length === 0 || size === undefined) return [];
    const text = [...new Set(missing.map((column) => cells[column.index] ?? ''))].filter(Boolean).join(', ');
    return [{ line, label: cells[size.index] ?? '', headings: missing.map(({ heading }) => heading), text }];
  });
}

function sizeColumn(
  indices: readonly number[],
  cellsAt: (index: number) => readonly string[],
  headingOf: (index: number) => string,
): number {
  const named = indices.filter((index) => headsSizes(headingOf(index)) && cellsAt(index).some(Boolean));
  const letters = (index: number) => cellsAt(index).every(isLetterSize);
  return (
    named.find((index) => systemOf(headingOf(index)) === null) ??
    indices.find(letters) ??
    indices.find((index) => systemOf(headingOf(index)) !== null) ??
    named[0] ??
    indices[0] ??
    0
  );
}

/** Whether a column says of each size which class of lengths it is. */
function isClassColumn(heading: string, cells: readonly string[]): boolean {
  const some = cells.filter(Boolean);
  const words = some.some((cell) => cell.length > 2 || /^r$/i.test(cell));
  return some.length > 0 && words && !headsSizes(heading) && some.every((cell) => classRank(cell) !== null);
}
