import { type MovementRefusal } from './movement';

/**
 * Why a movement is not let in, and what to do.
 *
 * @example sayMovementRefusal({ code: 'too-few', there: 1 }, 'Sluice gloves 9') // 'Only 1 of Sluice gloves 9 is in stock there. Check the stock now.'
 */
export function sayMovementRefusal(refusal: MovementRefusal, what: string): string {
  switch (refusal.code) {
    case 'no-count':
      return `How many of ${what}? Enter a whole number, 1 or more.`;
    case 'other-way':
      return `${what} cannot be moved like that. Check where it is and where it should go.`;
    case 'nowhere':
      return `${what} is there already.`;
    case 'reason-missing':
      return `Enter why ${what} is written off.`;
    case 'not-looked-at':
      return `${what} was set aside. Enter what was found.`;
    case 'not-out':
      return refusal.there === 0
        ? `None of ${what} is out that way. Return a garment that was issued on a docket at that docket.`
        : `Only ${refusal.there} of ${what} ${refusal.there === 1 ? 'is' : 'are'} out that way. Return a garment that was issued on a docket at that docket.`;
    case 'too-few':
      return refusal.there === 0
        ? `None of ${what} is in stock there any more. Another user may have taken it; check the stock now.`
        : `Only ${refusal.there} of ${what} ${refusal.there === 1 ? 'is' : 'are'} in stock there. Check the stock now.`;
  }
}
