// One list of sizes for each word of a column: `Slim` and `Regular`, `Men` and `Women`, `Jacket` and `Trousers`.
import { numbersIn } from '../cells/dual-cell';
import { classRank, headsSizes, namesPeople } from '../words/size-words';
import { isUnit } from '../words/unit-evidence';
import { MODIFIERS, plainWords } from '../words/vocabulary';
import {
  distinct,
  filled,
  holdsMeasure,
  isHeadingRow,
  isLabel,
  isSizeRow,
  namesMeasurement,
} from './cells-of';
import { namesEnd } from './end-rows';
import type { GridRow } from './grid';

/** A list of sizes with its heading, and the word it is of. */
export interface WordList {
  readonly title: string;
  readonly rows: readonly GridRow[];
}

/** More words than these are no lists of sizes. */
const MOST_WORDS = 12;

/**
 * The lists that a column of words parts a table into, where the sizes begin anew for each of them; without that column. A word
 * that stands once above its sizes, as merged cells do, holds for those below it. Lengths are classes of one list and stay.
 *
 * @returns nothing where there is no such column
 */
export function byColumnOfWords(rows: readonly GridRow[]): readonly WordList[] | null {
  const head = rows.findIndex(({ cells }) => isHeadingRow(cells.filter((cell) => cell !== '')));
  if (head < 0) return null;
  const sizeAt = rows[head]!.cells.findIndex(headsSizes);
  if (sizeAt < 0) return null;
  const body = rows.slice(head + 1).filter(({ cells }) => isBody(cells));
  const width = Math.max(0, ...body.map(({ cells }) => cells.length));
  for (let at = 0; at < width; at++) {
    if (at === sizeAt) continue;
    const words = filledDown(body, at, at < sizeAt);
    if (words === null || !partsSizes(body, words, sizeAt, at)) continue;
    const own = new Map(body.map((row, index) => [row, words[index]!]));
    const without = ({ line, cells }: GridRow): GridRow => ({
      line,
      cells: cells.map((cell, index) => (index === at ? '' : cell)),
    });
    return distinct(words).map((title) => ({
      title,
      // What is no size, above, between and below them, stands with each.
      rows: rows
        .filter((row) => !own.has(row) || own.get(row) === title)
        .map(without)
        .filter(({ cells }) => filled(cells) > 0),
    }));
  }
  return null;
}

function isBody(cells: readonly string[]): boolean {
  return isSizeRow(cells.filter((cell) => cell !== ''));
}

/** The words of a column, one for each row; nothing where it holds something else. */
function filledDown(body: readonly GridRow[], at: number, mayRest: boolean): readonly string[] | null {
  const words: string[] = [];
  for (const { cells } of body) {
    const cell = cells[at] ?? '';
    if (cell === '' && (!mayRest || words.length === 0)) return null;
    if (cell !== '' && !mayNameAList(cell)) return null;
    words.push(cell === '' ? words.at(-1)! : cell);
  }
  const some = distinct(words);
  const lengths = some.every((word) => classRank(word) !== null);
  return some.length < 2 || some.length > MOST_WORDS || lengths ? null : words;
}

/** Words that say what the cells beside them are, ends, units, places on the body, garments, name no list of sizes. */
function mayNameAList(text: string): boolean {
  const saysOfCells =
    namesEnd(text) ||
    isUnit(text) ||
    namesMeasurement(text) ||
    plainWords(text)
      .split(' ')
      .some((word) => MODIFIERS.garment.has(word) || MODIFIERS.flat.has(word));
  return /\p{L}/u.test(text) && text.length <= 40 && !holdsMeasure(text) && !saysOfCells;
}

/** Whether a list begins anew for each word: its sizes stand again, or the same measures with sizes by another name. */
function partsSizes(body: readonly GridRow[], words: readonly string[], sizeAt: number, at: number): boolean {
  const labels = body.map(({ cells }) => cells[sizeAt] ?? '');
  if (!labels.every((label) => isLabel(label) || holdsMeasure(label))) return false;
  const measures = body.map(({ cells }) =>
    cells.filter((_, index) => index !== sizeAt && index !== at).join('|'),
  );
  const anew = new Set(labels).size < labels.length || new Set(measures).size < measures.length;
  const once = new Set(labels.map((label, index) => `${label}|${words[index]!}`)).size === labels.length;
  const lists = distinct(words).filter((word) => words.indexOf(word) !== words.lastIndexOf(word));
  return anew && once && lists.length >= 2 && (words.every(namesWearersOrCut) || measures.every(isOfRanges));
}

/** Words that are known to name a list whatever stands in it; others may be of ends, means and limits, which are single numbers. */
function namesWearersOrCut(word: string): boolean {
  return (
    namesPeople(word) ||
    plainWords(word)
      .split(' ')
      .every((one) => CUTS.has(one))
  );
}
const CUTS: ReadonlySet<string> = new Set(
  'slim skinny fitted tailored athletic regular normal standard classic modern comfort relaxed loose wide straight tapered cut fit'.split(
    ' ',
  ),
);

/** Whether every measure among some cells is a range. */
function isOfRanges(cells: string): boolean {
  const measures = cells.split('|').filter(holdsMeasure);
  return measures.length > 0 && measures.every((one) => numbersIn(one).length >= 2);
}
