import { failure, success, type Outcome } from '../../outcome';
import type { FileFinding } from '../finding';

/** The largest table file taken. A chart of 60 sizes is some 5 kB; people files go another way. */
export const MOST_CHART_BYTES = 1_000_000;

/**
 * Takes the bytes of a file as text: UTF-8, with or without a byte order mark.
 *
 * @param bytes the whole file
 * @param most the largest size taken, in bytes
 * @returns the text, or what keeps the bytes from being text
 * @example readText(new TextEncoder().encode('size,chest')).value // 'size,chest'
 */
export function readText(bytes: Uint8Array, most = MOST_CHART_BYTES): Outcome<string, FileFinding> {
  if (bytes.length > most) return failure({ code: 'file-too-large', bytes: bytes.length, most });
  if (bytes.length === 0) return failure({ code: 'file-empty' });
  // No text has a NUL; spreadsheets' own files and pictures do, near the start.
  if (bytes.includes(0)) return failure({ code: 'file-binary' });
  try {
    return success(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    return failure({ code: 'file-not-utf8' });
  }
}
