import type { HireBooking } from '@neat-measure/contract/stores';
import { daysFrom } from '@neat-measure/core/stock';
import { sayDay, today } from '../stores-account';

/** So many days are shown. */
export const SHOWN_DAYS = 21;

/** A booking as a bar on the line of its piece, in columns of days counted from 1. */
export interface Bar {
  readonly booking: HireBooking;
  readonly from: number;
  readonly until: number;
  /** The column behind the last day it dries. */
  readonly free: number;
  readonly kind: 'booked' | 'out' | 'late' | 'back';
  readonly says: string;
}

/** A bar, and on which line of its piece it is drawn, counted from 1. */
export interface PlacedBar extends Bar {
  readonly row: number;
}

/** Bars below each other where a piece that is not back, or not dry, is booked by the next. */
export function placed(bars: readonly Bar[]): readonly PlacedBar[] {
  const ends: number[] = [];
  return [...bars]
    .sort((one, other) => one.from - other.from)
    .map((bar) => {
      const free = ends.findIndex((end) => end <= bar.from);
      const row = free < 0 ? ends.length : free;
      ends[row] = bar.free;
      return { ...bar, row: row + 1 };
    });
}

/** Where a booking is drawn on a calendar that begins with a day. */
export function barOf(booking: HireBooking, first: string): Bar {
  const column = (day: string) => daysFrom(first, day) + 1;
  const stillOut = booking.out !== null && booking.outcome === null;
  const late = stillOut && booking.until < today();
  // What is out stays out, whatever was agreed.
  const last = booking.back ?? (late ? today() : booking.until);
  const from = clamp(column(booking.from));
  const until = Math.max(from + 1, clamp(column(last) + 1));
  const free = Math.max(until, clamp(column(booking.free)));
  const over = booking.outcome === null ? 'booked' : 'back';
  return {
    booking,
    from,
    until,
    free,
    kind: late ? 'late' : stillOut ? 'out' : over,
    says: sayBooking(booking),
  };
}

/** A booking in words. */
export function sayBooking(one: HireBooking): string {
  const late = one.late === 0 ? '' : `, ${one.late} ${one.late === 1 ? 'day' : 'days'} late`;
  const days = `${sayDay(one.from)} to ${sayDay(one.until)}`;
  return `${one.serial} for ${one.who}, ${days}: ${stateOf(one)}${late}. Free again on ${sayDay(one.free)}.`;
}

function stateOf({ outcome, back, out }: HireBooking): string {
  if (outcome === 'lost') return 'lost';
  if (back !== null) return `returned on ${sayDay(back)}`;
  return out === null ? 'is booked' : 'is out';
}

function clamp(column: number): number {
  return Math.min(Math.max(column, 1), SHOWN_DAYS + 1);
}
