// What a row or a cell of a table looks like, before anybody knows what it means.
import { fromDate } from '../cells/spreadsheet-date';
import { isMark, isMeasure, isNotGiven } from '../cells/not-given';
import { PHRASES, plainWords } from '../words/vocabulary';
import { headsSizes, isLetterSize, systemOf } from '../words/size-words';

/** What stands in a row, each once. */
export function distinct(cells: readonly string[]): string[] {
  return [...new Set(cells.filter((cell) => cell !== ''))];
}

/** How many cells of a row hold something. */
export function filled(cells: readonly string[]): number {
  return cells.filter((cell) => cell !== '').length;
}

/** Whether a row holds one text and nothing else: a title, a note, the name of a section. */
export function isSingle(cells: readonly string[]): boolean {
  const [text, ...others] = distinct(cells);
  return text !== undefined && others.length === 0 && (filled(cells) === 1 || !holdsMeasure(text));
}

/** Whether a cell holds a measure, one that a spreadsheet made a date of among them. */
export function holdsMeasure(cell: string): boolean {
  return isMeasure(cell) || fromDate(cell) !== null;
}

/** Whether a row is one of sizes: something to know it by, and a measure or a mark behind it. */
export function isSizeRow(cells: readonly string[]): boolean {
  if (filled(cells) < 2) return false;
  const [first = '', ...others] = cells;
  // The label may stand behind what it measures.
  return (
    others.some((cell) => holdsMeasure(cell) || isMark(cell)) ||
    (holdsMeasure(first) && others.some(isLetterSize))
  );
}

/** Whether a row is one of sizes of which nothing is given: a label, and dashes or `sold out` behind it. */
export function givesNothing(cells: readonly string[]): boolean {
  const [first = '', ...others] = cells;
  return (
    first !== '' &&
    others.some((cell) => cell !== '') &&
    others.every(isNotGiven) &&
    first.length <= 24 &&
    !namesMeasurement(first)
  );
}

/** Whether a text names a measurement, in full or among other words. */
export function namesMeasurement(text: string): boolean {
  const words = plainWords(text).split(' ');
  for (let count = Math.min(4, words.length); count > 0; count--)
    for (let at = 0; at + count <= words.length; at++)
      if (PHRASES.has(words.slice(at, at + count).join(' '))) return true;
  return false;
}

/** Whether a row heads a table: measurements or systems of sizes by name, and not a measure among them. */
export function isHeadingRow(cells: readonly string[]): boolean {
  if (filled(cells) < 2) return false;
  const [first = ''] = cells;
  if (headsSizes(first) && distinct(cells).length > 1) return true;
  if (cells.some((cell) => holdsMeasure(cell) && !namesMeasurement(cell))) return false;
  return distinct(cells).some(
    (cell) => namesMeasurement(cell) || headsSizes(cell) || systemOf(cell) !== null,
  );
}

/** Whether a text could label a size: short, and no sentence. */
export function isLabel(text: string): boolean {
  return (
    text !== '' && text.length <= 12 && (isLetterSize(text) || /^[\p{L}\d][\p{L}\d./+-]{0,7}$/u.test(text))
  );
}
