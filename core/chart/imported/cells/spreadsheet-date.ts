// What a spreadsheet makes of `6-8` and `10-12`: a day of a month. It is taken back to what was typed.

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
/** Months in German, French and Spanish where they are written otherwise. */
// prettier-ignore
const OTHER_MONTHS: Readonly<Record<string, number>> = {
  mrz: 3, mär: 3, mar: 3, mai: 5, okt: 10, dez: 12,
  janv: 1, févr: 2, fév: 2, fevr: 2, mars: 3, avr: 4, juin: 6, juil: 7, août: 8, aout: 8, déc: 12,
  ene: 1, abr: 4, ago: 8, dic: 12, sept: 9,
};

const DAY_MONTH = /^(\d{1,2})[-. /]+([\p{L}]{3,5})\.?$/u;
const MONTH_NUMBER = /^([\p{L}]{3,5})\.?[-. /]+(\d{1,2})$/u;
const ISO = /^\d{4}-(\d{2})-(\d{2})(?:[T ]00:00(?::00(?:\.0+)?)?Z?)?$/;
const DAY_MONTH_YEAR = /^(\d{1,2})[./](\d{1,2})[./](?:19|20)\d{2}$/;

/**
 * The two numbers that were typed, the smaller first, of a text that a spreadsheet made a date of; nothing of
 * a text that is no date.
 *
 * @example fromDate('06-Aug') // '6-8'
 */
export function fromDate(text: string): string | null {
  const plain = text.trim().toLowerCase();
  const dayMonth = DAY_MONTH.exec(plain);
  if (dayMonth !== null) return pair(Number(dayMonth[1]), monthOf(dayMonth[2]!));
  const monthNumber = MONTH_NUMBER.exec(plain);
  if (monthNumber !== null) return pair(Number(monthNumber[2]), monthOf(monthNumber[1]!));
  const whole = ISO.exec(plain) ?? DAY_MONTH_YEAR.exec(plain);
  return whole === null ? null : pair(Number(whole[1]), Number(whole[2]));
}

function monthOf(name: string): number {
  return OTHER_MONTHS[name] ?? MONTHS.indexOf(name.slice(0, 3)) + 1;
}

function pair(one: number, other: number): string | null {
  if (one === 0 || other === 0) return null;
  return one <= other ? `${one}-${other}` : `${other}-${one}`;
}
