const DAY_MS = 86_400_000;

/** The day so many days after another, both as `2026-03-31`. */
export function addDays(day: string, days: number): string {
  return new Date(Date.parse(day) + days * DAY_MS).toISOString().slice(0, 10);
}

/** The day so many months after another; where that month has no such day, its last. */
export function addMonths(day: string, months: number): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const last = new Date(Date.UTC(year, month + months, 0));
  const lastDate = last.getUTCDate();
  last.setUTCDate(Math.min(date, lastDate));
  return last.toISOString().slice(0, 10);
}

/** How many days one day is after another; less than nothing where it is before. */
export function daysFrom(day: string, to: string): number {
  return Math.round((Date.parse(to) - Date.parse(day)) / DAY_MS);
}
