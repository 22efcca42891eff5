import { addDays, daysFrom } from '../words/days';

/** A piece that is promised from one day to another. Days as `2026-03-31`. */
export interface Booking {
  readonly pieceId: string;
  /** The first and the last day with the wearer. */
  readonly from: string;
  readonly until: string;
  /** The first day it can go out again, cleaned and dry. */
  readonly free: string;
}

/** The longest hire that is booked, in days: a slip in the year is refused. */
export const LONGEST_HIRE = 366;

/**
 * The first day a piece can go out again that comes back on a day.
 *
 * @example freeAfter('2026-05-04', 2) // '2026-05-07'
 */
export function freeAfter(until: string, dryingDays: number): string {
  return addDays(until, 1 + dryingDays);
}

/**
 * Whether nothing of a piece is booked from a day until it would be free again.
 *
 * @example isFree([{ from: '2026-05-04', free: '2026-05-08' }], { from: '2026-05-08', free: '2026-05-10' }) // true
 */
export function isFree(
  bookings: readonly Pick<Booking, 'from' | 'free'>[],
  { from, free }: Pick<Booking, 'from' | 'free'>,
): boolean {
  return bookings.every((one) => one.free <= from || free <= one.from);
}

/**
 * Why some days cannot be booked; `null` where they can.
 *
 * @example refuseDays('2026-05-04', '2026-05-03') // 'ends-before'
 */
export function refuseDays(from: string, until: string): 'ends-before' | 'too-long' | null {
  const days = daysFrom(from, until);
  if (days < 0) return 'ends-before';
  return days >= LONGEST_HIRE ? 'too-long' : null;
}

/**
 * How many days late something comes back that was due on a day.
 *
 * @example lateBy('2026-05-04', '2026-05-06') // 2
 */
export function lateBy(until: string, back: string): number {
  return Math.max(0, daysFrom(until, back));
}

/**
 * What can be free for some days: the pieces, by what they are called.
 *
 * @example freePieces([{ id: 'one' }, { id: 'two' }], [{ pieceId: 'one', from: '2026-05-04', until: '2026-05-05', free: '2026-05-08' }], { from: '2026-05-06', until: '2026-05-07' }, 2) // [{ id: 'two' }]
 */
export function freePieces<Piece extends { readonly id: string }>(
  pieces: readonly Piece[],
  bookings: readonly Booking[],
  { from, until }: Pick<Booking, 'from' | 'until'>,
  dryingDays: number,
): readonly Piece[] {
  const wanted = { from, free: freeAfter(until, dryingDays) };
  return pieces.filter(({ id }) =>
    isFree(
      bookings.filter(({ pieceId }) => pieceId === id),
      wanted,
    ),
  );
}
