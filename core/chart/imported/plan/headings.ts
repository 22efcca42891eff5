// The headings of the columns of a table, from however many rows they stand in.
import { classRank } from '../words/size-words';
import { isUnit, unitOfHeading, type WrittenUnit } from '../words/unit-evidence';

/** The heading of a column: its words, and the class of lengths that its lowest row names alone. */
export interface Heading {
  readonly text: string;
  readonly class: string | null;
  /** The unit that stands below it by itself, in a row of units. */
  readonly unit: WrittenUnit | null;
}

const CUP = /^(?:AA|[A-K]|DD|DDD|EE|FF|GG|HH)$/;
/** Words below a heading that is spread over several columns: ends, units, classes. */
const BELOW = /^(?:min|max|from|to|von|bis|de|à|desde|hasta)\.?$/i;

/**
 * The headings of some columns. A text that stands over several columns, merged or only written above the
 * first of them, heads each.
 *
 * @param rows the rows of the heading, uppermost first
 */
export function headingsOf(rows: readonly (readonly string[])[], count: number): Heading[] {
  const spread = rows.map((row, at) => spreadOver(row, rows.slice(at + 1), count));
  const lowest = Array.from(
    { length: count },
    (_, index) =>
      spread.map((row) => row[index] ?? '').findLast((text) => text !== '' && !isUnit(text)) ?? '',
  );
  const cups = areCups(lowest.filter((text) => CUP.test(text)));
  const heads = lowest.map((text, index) => {
    const texts = [...new Set(spread.map((row) => row[index] ?? '').filter(Boolean))];
    const named = classRank(text) !== null || (cups && CUP.test(text)) ? text : null;
    const units = texts.filter(isUnit);
    return {
      text: texts.filter((one) => one !== named && (texts.length === 1 || !units.includes(one))).join(' '),
      class: named,
      unit: units.length === 1 && texts.length > 1 ? unitOfHeading(units[0]!) : null,
    };
  });
  return heads.map((heading) => withLastWord(heading, heads));
}

/** Whether letters are cups: one follows the other, as `D, F, I` of three countries do not. */
function areCups(letters: readonly string[]): boolean {
  const at = letters.map((text) => text.charCodeAt(0) + text.length / 10);
  return (
    letters.length >= 2 &&
    at.every((one, index) => index === 0 || (one > at[index - 1]! && one - at[index - 1]! < 2))
  );
}

/** `Bust (cm) A` beside `Bust (cm) B`: what several headings begin with is the measurement, the last word the class. */
function withLastWord(heading: Heading, all: readonly Heading[]): Heading {
  const apart = (text: string) => /^(.*?\S)\s+([^\s()[\]]+)(\s*[([][^()[\]]*[)\]])?$/.exec(text);
  const own = apart(heading.text);
  if (heading.class !== null || own === null) return heading;
  const named = (word: string) => CUP.test(word) || classRank(word) !== null;
  const alike = all.filter((other) => {
    const parts = apart(other.text);
    return parts !== null && parts[1] === own[1] && parts[3] === own[3] && named(parts[2]!);
  });
  const classes = new Set(alike.map((other) => other.text));
  return named(own[2]!) && classes.size >= 2
    ? { ...heading, text: `${own[1]!}${own[3] ?? ''}`, class: own[2]! }
    : heading;
}

/** A row with what stands only above the first of its columns written above each of them. */
function spreadOver(row: readonly string[], below: readonly (readonly string[])[], count: number): string[] {
  const under = (index: number) => below.map((one) => one[index] ?? '').find((text) => text !== '') ?? '';
  const parts = (index: number) => {
    const text = under(index);
    return text !== '' && (BELOW.test(text) || isUnit(text) || classRank(text) !== null || CUP.test(text));
  };
  const cells = Array.from({ length: count }, (_, index) => row[index] ?? '');
  for (let index = 1; index < count; index++)
    if (cells[index] === '' && cells[index - 1] !== '' && parts(index) && parts(index - 1))
      cells[index] = cells[index - 1]!;
  return cells;
}
