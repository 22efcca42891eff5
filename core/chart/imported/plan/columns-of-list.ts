// The columns of a table with a line a size.
import { halvesOf, unitsByRatio, type Halves } from '../cells/dual-cell';
import { isMeasure, isNotGiven } from '../cells/not-given';
import { namesMeasurement } from '../layout/cells-of';
import { guessHeading } from '../words/guess-heading';
import { LONGEST_SIZE } from '../../chart-shape';
import { classRank, headsArticles, headsSizes, isLetterSize, systemOf } from '../words/size-words';
import { unitPairOfHeading, unitsOfCell, type WrittenUnit } from '../words/unit-evidence';
import { plainWords } from '../words/vocabulary';
import type { Heading } from './headings';
import { joined, plain, planColumn, type Table } from './one-column';
import type { PlannedColumn } from './planned-column';

/** The columns of a table with a line a size, in their order; those that hold nothing are none. */
export function listColumns(whole: Table, count: number): PlannedColumn[] {
  const table = { ...whole, headings: withTitle(whole) };
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
    if (index === sizeAt)
      return [plain(index, joined(heading), cells, 'size'), ...alsoMeasured(table, index, heading, cells)];
    if (isClassColumn(joined(heading), cells)) return [plain(index, joined(heading), cells, 'class')];
    const system =
      heading.class === null
        ? (systemOf(heading.text) ??
          (headsSizes(heading.text) || headsArticles(heading.text) ? heading.text : null))
        : null;
    // The sizes a second time, for other cells beside them: no other system, and asked about.
    if (heading.text !== '' && heading.text === headings[sizeAt]?.text)
      return [{ ...plain(index, heading.text, cells, 'label'), means: null, asks: 'left-out' as const }];
    if (system !== null && cells.some((cell) => cell !== ''))
      return cells.some((cell) => cell === '' || cell.length > LONGEST_SIZE)
        ? [{ ...plain(index, heading.text, cells, 'label'), system, means: null, asks: 'left-out' as const }]
        : [{ ...plain(index, heading.text, cells, 'label'), system }];
    const halves = dualOf(cells, unitPairOfHeading(heading.text) !== null || table.general.pair !== null);
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
  return withFollowers(withRegular(columns));
}

/** Without any heading, a title that names a measurement heads the only column of measures: `Bust in cm`. */
function withTitle({ body, headings, notes }: Table): readonly Heading[] {
  if (headings.some(({ text, class: named }) => text !== '' || named !== null)) return headings;
  const measured = headings.flatMap((_, index) =>
    index > 0 && body.every(({ cells }) => isMeasure(cells[index] ?? '')) ? [index] : [],
  );
  const titles = notes.filter(namesMeasurement);
  if (measured.length !== 1 || titles.length !== 1) return headings;
  return headings.map((heading, index) =>
    index === measured[0] ? { ...heading, text: titles[0]! } : heading,
  );
}

/**
 * A size that is called by what it measures, `Waist (in)` 30, 32, 34, is a measurement besides: left out, people
 * would be sized by everything but what the size is named for.
 */
function alsoMeasured(
  table: Table,
  index: number,
  heading: Heading,
  cells: readonly string[],
): PlannedColumn[] {
  const measured = cells.filter(Boolean);
  if (!namesMeasurement(heading.text) || headsSizes(heading.text) || !measured.every(isMeasure)) return [];
  const column = planColumn(table, { key: `${index}m`, index, half: null }, heading, cells, null);
  return column.candidates.length === 0 ? [] : [column];
}

/** `Inside leg` beside `Inside leg Long` is that of the regular length. */
function withRegular(columns: readonly PlannedColumn[]): PlannedColumn[] {
  const meaningOf = ({ means, candidates }: PlannedColumn) => means ?? candidates.join();
  const classed = columns.filter((column) => column.class !== null && meaningOf(column) !== '');
  const plainOnes = columns.filter((column) => column.class === null);
  return columns.map((column) => {
    const beside = classed.some(
      (other) => meaningOf(other) === meaningOf(column) && other.named === column.named,
    );
    const only = plainOnes.filter((other) => meaningOf(other) === meaningOf(column)).length === 1;
    return column.class === null && beside && only ? { ...column, class: REGULAR } : column;
  });
}
const REGULAR = 'Regular';

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
function dualOf(cells: readonly string[], named: boolean): Halves[] | null {
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
  return named || marked || unitsByRatio(halves) !== null ? halves : null;
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

const SIZES =
  /\b(?:sizes?|grosse|grossen|groesse|gr|konfektionsgrosse|taille|tailles|talla|tallas|pointure)\b/;

function sizeColumn(
  indices: readonly number[],
  cellsAt: (index: number) => readonly string[],
  headingOf: (index: number) => string,
): number {
  const heads = indices.filter((index) => headsSizes(headingOf(index)) && cellsAt(index).some(Boolean));
  // A number to order by is no size where another column is headed by one, or holds letters.
  const sizes = heads.filter((index) => !headsArticles(headingOf(index)));
  const named = sizes.length > 0 ? sizes : heads;
  // `Fit` and `Label` head sizes where nothing else does.
  const plainly = sizes.filter((index) => SIZES.test(plainWords(headingOf(index))));
  const letters = (index: number) => cellsAt(index).every(isLetterSize);
  return (
    plainly.find((index) => systemOf(headingOf(index)) === null) ??
    sizes.find((index) => systemOf(headingOf(index)) === null) ??
    indices.find(letters) ??
    named.find((index) => systemOf(headingOf(index)) === null) ??
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
