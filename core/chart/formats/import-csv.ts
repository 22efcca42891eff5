import { failure, success, type Outcome } from '../../outcome';
import { parseCsv } from './csv';
import type { FileFinding, Finding } from '../finding';
import { readTable } from './read-table';
import { MOST_CHART_BYTES, readText } from './read-text';
import type { ChartPart } from '../chart-shape';

/**
 * Reads a CSV file, or its text, as a one-part size table.
 *
 * @returns the part, or everything found wrong with the file, each with its place
 *
 * @example importCsv('size,chest-girth (cm)\nS,86-94\nM,94-102').value.sizes // ['S', 'M']
 */
export function importCsv(file: Uint8Array | string): Outcome<ChartPart, readonly Finding[]> {
  const text = typeof file === 'string' ? checkText(file) : readText(file);
  if (!text.ok) return failure([text.problem]);
  const rows = parseCsv(text.value);
  if (!rows.ok) return failure([rows.problem]);
  return readTable(rows.value);
}

/** The same limits for text that was decoded elsewhere: pasted, or sent as JSON. */
function checkText(text: string): Outcome<string, FileFinding> {
  if (text.trim() === '') return failure({ code: 'file-empty' });
  if (text.length > MOST_CHART_BYTES)
    return failure({ code: 'file-too-large', bytes: text.length, most: MOST_CHART_BYTES });
  if (text.includes('\0')) return failure({ code: 'file-binary' });
  return success(text);
}
