import { likelyDelimiter, type TableRow } from '@neat-measure/core';
import Papa from 'papaparse';
import { StringDecoder } from 'node:string_decoder';
import type { Readable } from 'node:stream';

/** The longest a single line may be before a list is taken for something else. */
const LONGEST_LINE = 1_000_000;

/**
 * Rows of a list as it streams in, each with the line it stands on. Only what is being read is
 * held: whole lines are cut off the stream and taken apart one block at a time. A line break
 * within quotes is no line end here; lists of people have none.
 *
 * @throws RangeError for a line longer than any list has
 */
export async function* streamRows(input: Readable): AsyncGenerator<TableRow> {
  const decoder = new StringDecoder('utf8');
  let rest = '';
  let line = 1;
  let delimiter: string | null = null;

  const take = function* (block: string): Generator<TableRow> {
    delimiter ??= likelyDelimiter(block);
    const { data } = Papa.parse<string[]>(block, { delimiter, newline: '\n' });
    for (const cells of data) {
      const plain = cells.map((cell) => cell.trim());
      if (plain.some((cell) => cell !== '')) yield { line, cells: plain };
      line += 1;
    }
  };

  for await (const chunk of input) {
    rest += decoder.write(chunk as Buffer).replace(/\r\n?/g, '\n');
    if (line === 1) rest = rest.replace(/^\uFEFF/, '');
    const end = rest.lastIndexOf('\n');
    if (end >= 0) {
      yield* take(rest.slice(0, end));
      rest = rest.slice(end + 1);
    }
    if (rest.length > LONGEST_LINE) throw new RangeError(`line ${line} never ends`);
  }
  rest += decoder.end();
  if (rest !== '') yield* take(rest);
}
