/** Letters and digits that are not taken for one another on paper, and spell nothing. */
export const SLIP_LETTERS = '23456789BCDFGHJKMNPQRTVWXYZ';
/** So many of them are more than anybody guesses while the server allows some hundred tries a minute: 47 bits. */
export const SLIP_LENGTH = 10;

/**
 * The code of a slip in what was typed from it, or scanned as the whole address it has; `null` where it is none.
 *
 * @example slipIn('4k7qx-f9mwb') // '4K7QXF9MWB'
 * @example slipIn('https://hall.example/self/4K7QXF9MWB') // '4K7QXF9MWB'
 * @example slipIn('D57-2') // null
 */
export function slipIn(text: string): string | null {
  const plain = text.trim().split('/').at(-1)!.toUpperCase().replace(/[\s-]/g, '');
  return plain.length === SLIP_LENGTH && [...plain].every((letter) => SLIP_LETTERS.includes(letter))
    ? plain
    : null;
}

/**
 * A code as it is printed: two groups of five.
 *
 * @example printedSlip('4K7QXF9MWB') // '4K7QX-F9MWB'
 */
export function printedSlip(code: string): string {
  return `${code.slice(0, SLIP_LENGTH / 2)}-${code.slice(SLIP_LENGTH / 2)}`;
}
