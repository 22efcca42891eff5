import { wishOf, type WishCode } from '../body/wishes';
import { failure, success, type Outcome } from '../outcome';
import type { Length, WorkingUnit } from '../quantity/length';
import { parseLength, type LengthProblem } from '../quantity/parse-length';

/** Why what was typed is no wish. */
export type WishProblem =
  | { readonly code: 'unreadable'; readonly problem: LengthProblem }
  | { readonly code: 'impossible'; readonly wish: WishCode; readonly text: string };

/**
 * Reads a length that is wanted of a garment. A wish is as long as it is wanted, within what can be worn at all.
 *
 * @example readWish('30', 'train', 'cm').value === cm(30) // true
 */
export function readWish(text: string, wish: WishCode, unit: WorkingUnit): Outcome<Length, WishProblem> {
  const written = parseLength(text, unit);
  if (!written.ok) return failure({ code: 'unreadable', problem: written.problem });
  const { length } = written.value;
  const { least, most } = wishOf(wish).limits;
  return length < least || length > most
    ? failure({ code: 'impossible', wish, text: text.trim() })
    : success(length);
}
