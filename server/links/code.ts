import { createHash, randomInt } from 'node:crypto';

/** Letters and digits that are not taken for one another on paper, and spell nothing. */
const ALPHABET = '23456789BCDFGHJKMNPQRTVWXYZ';
/** So many of them are more than anybody guesses while the server allows some hundred tries a minute: 47 bits. */
const LONG = 10;

/** A code that somebody can type from paper, as it stands behind `/self/`. */
export function makeCode(): string {
  return Array.from({ length: LONG }, () => ALPHABET[randomInt(ALPHABET.length)]!).join('');
}

/** A code as it is printed: two groups of five. */
export function printedCode(code: string): string {
  return `${code.slice(0, LONG / 2)}-${code.slice(LONG / 2)}`;
}

/**
 * What is kept of the token of a link. A code is the same however it was typed, or scanned as the whole address that
 * its slip has.
 */
export function hashOf(token: string): string {
  return createHash('sha256').update(keyOf(token)).digest('hex');
}

function keyOf(token: string): string {
  const last = token.split('/').at(-1)!;
  const plain = last.toUpperCase().replace(/[\s-]/g, '');
  return plain.length === LONG && [...plain].every((letter) => ALPHABET.includes(letter)) ? plain : last;
}
