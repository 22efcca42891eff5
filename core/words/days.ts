const DAY_MS = 86_400_000;

/** How days are written, wherever people read them. */
export const LOCALE = 'en-GB';

/**
 * The day it is at a moment, as `2026-03-31`, by the time zone of the machine this runs on.
 *
 * @example dayOf(new Date(2026, 4, 4, 23, 59)) // '2026-05-04'
 */
export function dayOf(at: Date): string {
  const two = (number: number) => String(number).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}

/**
 * A day as people read it, `31 Mar 2026`; without its year where that is the one of `today`.
 *
 * @example sayDay('2026-05-04') // '4 May 2026'
 */
export function sayDay(day: string, today = ''): string {
  const year = day.slice(0, 4) === today.slice(0, 4) ? undefined : 'numeric';
  return new Date(day).toLocaleDateString(LOCALE, { day: 'numeric', month: 'short', year, timeZone: 'UTC' });
}

/**
 * A day with its day of the week and its year, for where it is chosen.
 *
 * @example sayWeekday('2026-12-04') // 'Fri, 4 Dec 2026'
 */
export function sayWeekday(day: string): string {
  return new Date(day).toLocaleDateString(LOCALE, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  });
}

/**
 * The day so many days after another, both as `2026-03-31`.
 *
 * @example addDays('2026-02-27', 2) // '2026-03-01'
 */
export function addDays(day: string, days: number): string {
  return new Date(Date.parse(day) + days * DAY_MS).toISOString().slice(0, 10);
}

/**
 * The day so many months after another; where that month has no such day, its last.
 *
 * @example addMonths('2026-01-31', 1) // '2026-02-28'
 */
export function addMonths(day: string, months: number): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const last = new Date(Date.UTC(year, month + months, 0));
  const lastDate = last.getUTCDate();
  last.setUTCDate(Math.min(date, lastDate));
  return last.toISOString().slice(0, 10);
}

/**
 * How many days one day is after another; less than nothing where it is before.
 *
 * @example daysFrom('2026-05-04', '2026-05-09') // 5
 */
export function daysFrom(day: string, to: string): number {
  return Math.round((Date.parse(to) - Date.parse(day)) / DAY_MS);
}
