import { failure, success, type Outcome } from '../../../outcome';
import type { ImportProblem } from './imported';

/** Text with the encoding it was found to be in. */
export interface DecodedText {
  readonly text: string;
  readonly encoding: string;
}

/** Encodings of one byte a letter that spreadsheets still write, the likelier first. */
const ONE_BYTE = [
  ['windows-1252', 'Windows-1252'],
  ['macintosh', 'Mac Roman'],
] as const;
/** Some engines read Windows-1252 as if it were Latin 1, which has nothing printed in these places. */
const SIGNS_OF_1252 = [...'€\ufffd‚ƒ„…†‡ˆ‰Š‹Œ\ufffdŽ\ufffd\ufffd‘’“”•–—˜™š›œ\ufffdžŸ'];
/** What stands in size tables, of all that these encodings have beyond plain letters. */
const USUAL = /[½¼¾°²³¹–—‘’“”„«»•…×€äöüßÄÖÜéèêëàâçîïôûùÉÈÀÇñÑáíóúÁÍÓÚ\u00a0]/g;
/** A text without a mark of its byte order is UTF-16 where so many of its bytes on one side are nothing. */
const MOSTLY = 0.4;

/**
 * Takes bytes as text: by their byte order mark, as UTF-8, as UTF-16 without a mark, or else in that
 * encoding of one byte a letter in which the odd letters are those of size tables.
 *
 * @returns the text, and the encoding's name for people
 * @example decodeText(new TextEncoder().encode('Größe')).value.encoding // 'UTF-8'
 */
export function decodeText(bytes: Uint8Array): Outcome<DecodedText, ImportProblem> {
  if (bytes.length === 0) return failure({ code: 'empty' });
  const marked = byMark(bytes) ?? withoutMark(bytes);
  if (marked !== null) return decoded(bytes, marked);
  if (bytes.includes(0)) return failure({ code: 'no-text' });
  const utf8 = decoded(bytes, 'utf-8');
  if (utf8.ok) return utf8;
  const [best] = ONE_BYTE.map(([label, encoding]) => ({
    text: new TextDecoder(label)
      .decode(bytes)
      .replace(/[\u0080-\u009f]/g, (sign) => SIGNS_OF_1252[sign.charCodeAt(0) - 0x80]!),
    encoding,
  })).sort((one, other) => usualIn(other.text) - usualIn(one.text));
  return isText(best!.text) ? success(best!) : failure({ code: 'no-text' });
}

function byMark([first, second, third]: Uint8Array): 'utf-8' | 'utf-16le' | 'utf-16be' | null {
  if (first === 0xef && second === 0xbb && third === 0xbf) return 'utf-8';
  if (first === 0xff && second === 0xfe) return 'utf-16le';
  return first === 0xfe && second === 0xff ? 'utf-16be' : null;
}

/** Letters of Europe have nothing in the upper byte: on which side it is tells the order. */
function withoutMark(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const looked = bytes.subarray(0, 400);
  const nothing = [0, 0];
  looked.forEach((byte, at) => (nothing[at % 2]! += byte === 0 ? 1 : 0));
  const [even, odd] = nothing.map((count) => count / (looked.length / 2));
  if (odd! > MOSTLY && even! < 0.1) return 'utf-16le';
  return even! > MOSTLY && odd! < 0.1 ? 'utf-16be' : null;
}

function decoded(
  bytes: Uint8Array,
  encoding: 'utf-8' | 'utf-16le' | 'utf-16be',
): Outcome<DecodedText, ImportProblem> {
  try {
    const text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
    return isText(text)
      ? success({ text, encoding: encoding === 'utf-8' ? 'UTF-8' : 'UTF-16' })
      : failure({ code: 'no-text' });
  } catch {
    return failure({ code: 'no-text' });
  }
}

/** No text has a NUL, and few other signs that are no letters. */
function isText(text: string): boolean {
  const looked = text.slice(0, 4_000);
  const odd = looked.match(/[\u0000-\u0008\u000e-\u001f\ufffd]/g)?.length ?? 0;
  return !text.includes('\0') && odd * 50 <= looked.length;
}

function usualIn(text: string): number {
  const looked = text.slice(0, 50_000);
  const odd = looked.match(/[^\p{ASCII}]/gu)?.length ?? 0;
  const usual = looked.match(USUAL)?.length ?? 0;
  // One letter that no size table has tells more than several that many have.
  return usual - 4 * (odd - usual);
}
