import Papa from 'papaparse';
import { failure, success, type Outcome } from '../../outcome';
import type { FileFinding } from '../finding';

/** A row of a table with the line it came from, counted from 1 as a text editor counts. */
export interface TableRow {
  readonly line: number;
  readonly cells: readonly string[];
}

/**
 * Takes CSV text apart into rows: comma, semicolon or tab, quoted cells, any line ends.
 * Empty lines are left out but still counted.
 */
export function parseCsv(text: string): Outcome<TableRow[], FileFinding> {
  const rows: TableRow[] = [];
  let line = 1;
  let unclosed: number | null = null;
  Papa.parse<string[]>(text.trimEnd(), {
    delimiter: likelyDelimiter(text),
    step: ({ data: cells, errors }) => {
      if (errors.some((error) => error.type === 'Quotes')) unclosed ??= line;
      if (cells.some((cell) => cell.trim() !== ''))
        rows.push({ line, cells: cells.map((cell) => cell.trim()) });
      line += 1 + cells.reduce((breaks, cell) => breaks + (cell.match(/\r\n|\r|\n/g)?.length ?? 0), 0);
    },
  });
  if (unclosed !== null) return failure({ code: 'file-quotes', line: unclosed });
  return success(rows);
}

/** The lines that are looked at to tell a delimiter. */
const LOOKED_AT = 40;

/**
 * The delimiter of a table. Papa's own guess weighs signs alone, and decimal commas in a semicolon file
 * mislead it. A tab or semicolon that stands in the heading, or in two lines and no fewer than half of those
 * with a comma, is it: a title above the heading has none, and a note may have any.
 *
 * @example likelyDelimiter('size;chest-girth (cm)') // ';'
 */
export function likelyDelimiter(text: string): string {
  const lines = text
    .split(/\r\n|\r|\n/)
    .filter((line) => line.trim() !== '')
    .slice(0, LOOKED_AT);
  const having = (sign: string) => lines.filter((line) => line.includes(sign)).length;
  return (
    ['\t', ';'].find(
      (sign) => lines[0]?.includes(sign) === true || (having(sign) >= 2 && having(sign) * 2 >= having(',')),
    ) ?? ','
  );
}
