import { SLIP_LENGTH, SLIP_LETTERS, slipIn } from '@neat-measure/core/muster';
import { createHash, randomInt } from 'node:crypto';

/** A code that somebody can type from paper, as it stands behind `/self/`. */
export function makeCode(): string {
  return Array.from({ length: SLIP_LENGTH }, () => SLIP_LETTERS[randomInt(SLIP_LETTERS.length)]!).join('');
}

/** What is kept of the token of a link. A code is the same however it was typed, or scanned with the address before it. */
export function hashOf(token: string): string {
  return createHash('sha256')
    .update(slipIn(token) ?? token)
    .digest('hex');
}
