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

/**
 * The delimiter the heading uses. Papa's own guess weighs every line, and decimal commas in
 * a semicolon file mislead it; headings hold neither numbers nor commas of their own.
 *
 * @example likelyDelimiter('size;chest-girth (cm)') // ';'
 */
export function likelyDelimiter(text: string): string {
  const heading = text.split(/\r\n|\r|\n/).find((line) => line.trim() !== '') ?? '';
  return [';', '\t'].find((sign) => heading.includes(sign)) ?? ',';
}
