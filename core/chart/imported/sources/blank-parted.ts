// Text from a page on which columns are parted by single blanks, or by uneven ones, as copying from a printed page leaves it.
import type { Grid } from '../layout/grid';
import { isMeasure } from '../cells/not-given';
import { guessHeading } from '../words/guess-heading';
import { headsSizes, systemOf } from '../words/size-words';

/** More columns are nobody's table of this kind, and ways to part a heading would be too many. */
const MOST_COLUMNS = 8;
const MOST_WORDS = 16;

/**
 * Lines that end in the same number of measures, with a label before them and a heading above that names as many columns;
 * `null` where they are not that.
 *
 */
export function blankParted(lines: readonly string[]): Grid['rows'] | null {
  const rows = lines
    .map((line, at) => ({ line: at + 1, words: wordsOf(line) }))
    .filter(({ words }) => words.length > 0);
  const measures = rows.map(({ words }) => endsIn(words));
  const most = measures.reduce((all, one) => Math.max(all, one), 0);
  const counted = measures.filter((count) => count === most).length;
  if (most < 1 || most > MOST_COLUMNS || counted < 2) return null;
  const first = measures.indexOf(most);
  if (first < 1) return null;
  const head = parted(rows[first - 1]!.words, most + 1);
  if (head === null) return null;
  return rows.map(({ line, words }, at) => {
    if (at === first - 1) return { line, cells: head };
    if (measures[at] !== most) return { line, cells: [words.join(' ')] };
    return { line, cells: [words.slice(0, -most).join(' '), ...words.slice(-most)] };
  });
}

/** The words of a line; a range with blanks about its dash is one. */
function wordsOf(line: string): string[] {
  return line
    .trim()
    .replace(/(\d)\s+([-–—~])\s+(?=\d)/g, '$1$2')
    .replace(/([<>≤≥]=?)\s+(?=\d)/g, '$1')
    .split(/\s+/)
    .filter(Boolean);
}

/** How many measures a line ends in, with something before them to know it by. */
function endsIn(words: readonly string[]): number {
  let count = 0;
  while (count < words.length - 1 && isMeasure(words[words.length - 1 - count]!)) count += 1;
  return count;
}

/** A heading parted into so many columns, each of which it names; `null` where that can be done in no way, or in several. */
function parted(words: readonly string[], count: number): string[] | null {
  if (words.length < count || words.length > MOST_WORDS) return null;
  const found: string[][] = [];
  const part = (from: number, cells: readonly string[]) => {
    if (found.length > 1) return;
    if (cells.length === count) {
      if (from === words.length) found.push([...cells]);
      return;
    }
    const left = count - cells.length - 1;
    for (let to = from + 1; to <= words.length - left; to++) {
      const cell = words.slice(from, to).join(' ');
      if (names(cell, cells.length === 0)) part(to, [...cells, cell]);
    }
  };
  part(0, []);
  return found.length === 1 ? found[0]! : null;
}

function names(cell: string, first: boolean): boolean {
  // A bracket belongs to what stands before it.
  if (/^[([]/.test(cell) || (cell.match(/[([]/g) ?? []).length !== (cell.match(/[)\]]/g) ?? []).length)
    return false;
  if (first) return headsSizes(cell) || systemOf(cell) !== null;
  const { candidates, unknown } = guessHeading(cell);
  return (candidates.length > 0 && unknown.length === 0) || systemOf(cell) !== null;
}
