// A line of lower and one of upper ends for each size.
import type { PlannedRow } from './outline';

const LOWER = /^(?:min(?:imum|\.)?|from|von|ab|de|desde|mín(?:imo|\.)?|lower|kleinste[rs]?|mini)$/iu;
const UPPER = /^(?:max(?:imum|\.)?|to|bis|à|hasta|máx(?:imo|\.)?|upper|größte[rs]?|maxi)$/iu;
/** A label that has its end behind it: `S min`, `M - max.`. */
const BEHIND = /^(.*\S)[\s,(–-]+([\p{L}.]+)\)?$/u;
const NUMBER = /^\d+(?:[.,]\d+)?$/;

/** Whether a text says which end of a size stands beside it, `min`, `bis`. */
export function namesEnd(text: string): boolean {
  return LOWER.test(text) || UPPER.test(text);
}

/** A row with its ends said apart from its cells: which of the two it holds, and the cells without that word. */
interface EndRow {
  readonly end: 'lower' | 'upper';
  readonly cells: readonly string[];
}

/**
 * Rows of which every size has two, the first with its lower and the second with its upper ends, each with a word for that in
 * a column of its own or behind the size: the first of each pair with both ends, the second said with it. Any other rows
 * are as they were.
 */
export function withoutEndRows(rows: readonly PlannedRow[]): readonly PlannedRow[] {
  const sizes = rows.filter(({ role }) => role === 'size');
  if (sizes.length < 2 || sizes.length % 2 === 1) return rows;
  const ends = sizes.map(({ cells }) => endOf(cells));
  const both = new Map<PlannedRow, readonly string[]>();
  for (let at = 0; at < sizes.length; at += 2) {
    const [lower, upper] = [ends[at], ends[at + 1]];
    if (lower?.end !== 'lower' || upper?.end !== 'upper') return rows;
    const cells = joined(lower.cells, upper.cells);
    if (cells === null) return rows;
    both.set(sizes[at]!, cells);
  }
  return rows.map((row): PlannedRow => {
    if (row.role !== 'size') return row;
    const cells = both.get(row);
    return cells === undefined ? { ...row, role: 'with-above' } : { ...row, cells };
  });
}

function endOf(cells: readonly string[]): EndRow | null {
  const named = cells.findIndex(namesEnd);
  if (named >= 0)
    return {
      end: LOWER.test(cells[named]!) ? 'lower' : 'upper',
      cells: cells.map((cell, at) => (at === named ? '' : cell)),
    };
  const first = cells.findIndex((cell) => cell !== '');
  const behind = BEHIND.exec(cells[first] ?? '');
  const word = behind?.[2] ?? '';
  if (behind === null || !namesEnd(word)) return null;
  return {
    end: LOWER.test(word) ? 'lower' : 'upper',
    cells: cells.map((cell, at) => (at === first ? behind[1]! : cell)),
  };
}

/**
 * Two rows of one size as one; nothing where they are not of one, or an end is no number: of a number that stands in one of
 * them alone nobody can tell whether it is both ends.
 */
function joined(lower: readonly string[], upper: readonly string[]): readonly string[] | null {
  const width = Math.max(lower.length, upper.length);
  const label = lower.findIndex((cell) => cell !== '');
  const cells = Array.from({ length: width }, (_, at) => {
    const [from, to] = [lower[at] ?? '', upper[at] ?? ''];
    if (from === to || (to === '' && (at === label || !NUMBER.test(from)))) return from;
    return at !== label && NUMBER.test(from) && NUMBER.test(to) ? `${from}-${to}` : null;
  });
  return cells.every((cell) => cell !== null) ? cells : null;
}
