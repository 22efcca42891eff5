import { likelyDelimiter, type TableRow } from '@neat-measure/core/sheets';
import Papa from 'papaparse';
import { StringDecoder } from 'node:string_decoder';
import type { Readable } from 'node:stream';

/** The longest a row may be before a list is taken for something else. */
const LONGEST_ROW = 1_000_000;

/** What keeps a list from being read on, at a line of it. */
export class BrokenList extends Error {
  constructor(
    readonly line: number,
    readonly why: 'quote' | 'endless',
  ) {
    super(
      why === 'quote'
        ? `A quotation mark opened on line ${line} is never closed. Close or remove it; nothing after it was read`
        : `Line ${line} never ends`,
    );
  }
}

/**
 * Rows of a list as it streams in, each with the line it stands on. Only what is being read is
 * held: whole rows are taken off the stream, a line break within quotes being no row's end.
 *
 * @throws BrokenList for a quotation mark that is never closed, and a row longer than any list has
 */
export async function* streamRows(input: Readable): AsyncGenerator<TableRow> {
  const decoder = new StringDecoder('utf8');
  let rest = '';
  let line = 1;
  let delimiter: string | null = null;
  let first = true;

  const take = function* (last: boolean): Generator<TableRow> {
    if (delimiter === null && (last || rest.includes('\n'))) delimiter = likelyDelimiter(rest);
    if (delimiter === null) return;
    // The parser itself, as the one that streams uses it: it stops before a row that is not whole yet.
    const parser = new Papa.Parser({ delimiter, newline: '\n' });
    const { data, errors, meta } = parser.parse(rest, 0, !last) as Papa.ParseResult<string[]>;
    const open = errors.find(({ code }) => code === 'MissingQuotes');
    const whole = open === undefined ? data : data.slice(0, open.row);
    for (const cells of whole) {
      const plain = cells.map((cell) => cell.trim());
      if (plain.some((cell) => cell !== '')) yield { line, cells: plain };
      line += 1;
      for (const cell of cells) if (cell.includes('\n')) line += cell.split('\n').length - 1;
    }
    if (open !== undefined) throw new BrokenList(line, 'quote');
    rest = last ? '' : rest.slice(meta.cursor);
  };

  for await (const chunk of input) {
    rest += decoder.write(chunk as Buffer);
    if (first && rest !== '') rest = rest.replace(/^\uFEFF/, '');
    first &&= rest === '';
    // A return at the end may be half of a line end.
    const half = rest.endsWith('\r') ? '\r' : '';
    rest = rest.slice(0, rest.length - half.length).replace(/\r\n?/g, '\n');
    yield* take(false);
    if (rest.length > LONGEST_ROW) throw new BrokenList(line, rest.includes('\n') ? 'quote' : 'endless');
    rest += half;
  }
  rest = (rest + decoder.end()).replace(/\r\n?/g, '\n');
  if (rest !== '') yield* take(true);
}
