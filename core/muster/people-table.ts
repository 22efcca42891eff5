import { distance } from 'fastest-levenshtein';
import { columnRoles, type RoledColumn, type RoleWords } from '../chart/imported/words/column-roles';
import type { Grid } from '../chart/imported/layout/grid';
import { failure, success, type Outcome } from '../outcome';
import {
  PEOPLE_ROLES,
  sayPeopleAsk,
  sayPeopleFault,
  type PeopleFault,
  type PeopleRole,
} from './say-people-table';

export {
  PEOPLE_ROLE_WORDS,
  PEOPLE_ROLES,
  sayPeopleAsk,
  sayPeopleFault,
  type PeopleRole,
} from './say-people-table';

// A door of its own: reading tables takes packages that the Bench need not load.

/** Words of headings; one that could be several is asked about. */
const WORDS: RoleWords<PeopleRole> = {
  name: ['name', 'full name', 'wearer', 'cadet', 'person', 'student', 'employee', 'nom complet'],
  first: ['first name', 'firstname', 'given name', 'forename', 'first', 'vorname', 'prénom', 'nombre'],
  last: [
    'last name',
    'lastname',
    'surname',
    'family name',
    'last',
    'nachname',
    'nom',
    'apellido',
    'apellidos',
  ],
  role: ['role', 'position', 'job', 'function', 'rank', 'grade', 'funktion', 'rolle'],
  number: ['number', 'no', 'nr', 'id', 'house number', 'personnel number', 'staff number', 'service number'],
  born: ['born', 'date of birth', 'birth date', 'birthday', 'dob', 'year and month of birth', 'geboren'],
};

/** How long each may be, in letters. */
const MOST = { name: 120, role: 80, number: 40 } as const;
/** The most rows of one import. */
export const MOST_ROWS = 5_000;

/** A row that was understood. */
export interface PeopleTableRow {
  readonly line: number;
  readonly name: string;
  readonly role: string;
  /** The house's own number; `null` where the list has none. */
  readonly number: string | null;
  /** Year and month of birth, `2009-04`; `null` where the list has none. */
  readonly born: string | null;
}

/** A list as far as it is understood. */
export interface PeoplePlan {
  readonly columns: readonly RoledColumn<PeopleRole>[];
  /** What is to be said before anything of it is taken. */
  readonly asks: readonly string[];
  readonly rows: readonly PeopleTableRow[];
  /** Rows that cannot be taken, with their cells, so that they can be handed out to be mended. */
  readonly faults: readonly {
    readonly line: number;
    readonly says: string;
    readonly cells: readonly string[];
  }[];
  /** How many rows beyond the most of one import there are. */
  readonly beyond: number;
}

/**
 * A name as it is compared: without accents, case, marks, and in whichever order its words stand.
 *
 * @example sameName('Økland, Åse') === sameName('Ase Okland') // true
 */
export function sameName(name: string): string {
  return name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/ø/g, 'o')
    .replace(/ß/g, 'ss')
    .replace(/æ/g, 'ae')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '')
    .sort()
    .join(' ');
}

/**
 * Year and month of birth as lists write it; `null` where that could be another month, or is none.
 *
 * @example monthOf('2009-04-17') // '2009-04'
 * @example monthOf('17.04.2009') // '2009-04'
 * @example monthOf('04/05/2009') // null
 */
export function monthOf(text: string): string | null {
  const iso = /^((?:19|20)\d\d)-(\d{1,2})(?:-\d{1,2})?(?:[T ].*)?$/.exec(text);
  if (iso !== null) return month(iso[1]!, iso[2]!);
  const dotted = /^\d{1,2}\.(\d{1,2})\.((?:19|20)\d\d)$/.exec(text);
  if (dotted !== null) return month(dotted[2]!, dotted[1]!);
  const short = /^(\d{1,2})[./]((?:19|20)\d\d)$/.exec(text);
  if (short !== null) return month(short[2]!, short[1]!);
  const slashed = /^(\d{1,2})\/(\d{1,2})\/((?:19|20)\d\d)$/.exec(text);
  if (slashed === null) return null;
  // Which of two numbers is the month is told only where one of them cannot be, or where both are the same.
  const [one, other] = [Number(slashed[1]), Number(slashed[2])];
  if (one > 12) return month(slashed[3]!, slashed[2]!);
  return other > 12 || one === other ? month(slashed[3]!, slashed[1]!) : null;
}

function month(year: string, of: string): string | null {
  const number = Number(of);
  return number >= 1 && number <= 12 ? `${year}-${String(number).padStart(2, '0')}` : null;
}

/**
 * Reads a list of wearers: the first row is its heading. Rows that cannot be taken stop no others. Who stands in it twice,
 * or nearly so, is told where no number tells them apart.
 *
 * @param said what a person said a column is, by its place
 * @param remembered what such headings were said to be the last time
 * @example planPeople(textGrid('Name,Rank\nAda Tern,Cadet').value, new Map(), new Map()).rows // [{ line: 2, name: 'Ada Tern', role: 'Cadet', number: null, born: null }]
 */
export function planPeople(
  grid: Grid,
  said: ReadonlyMap<number, PeopleRole>,
  remembered: ReadonlyMap<string, PeopleRole>,
): PeoplePlan {
  const columns = columnRoles<PeopleRole>(grid, said, remembered, WORDS);
  const placeOf = (role: PeopleRole) => columns.findIndex((column) => column.role === role);
  const named = placeOf('name') >= 0 || (placeOf('first') >= 0 && placeOf('last') >= 0);
  const asks = [
    ...columns.flatMap(({ heading, role }) =>
      role === null ? [sayPeopleAsk({ code: 'heading', heading })] : [],
    ),
    ...PEOPLE_ROLES.filter(
      (role) => role !== 'left-out' && columns.filter((column) => column.role === role).length > 1,
    ).map((role) => sayPeopleAsk({ code: 'twice', role })),
    ...(named ? [] : [sayPeopleAsk({ code: 'no-name' })]),
  ];
  const body = grid.rows.slice(1).filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  if (asks.length > 0) return { columns, asks, rows: [], faults: [], beyond: 0 };
  const taken = new Taken();
  const faults: { line: number; says: string; cells: readonly string[] }[] = [];
  for (const { line, cells } of body.slice(0, MOST_ROWS)) {
    const read = readRow((role) => (cells[placeOf(role)] ?? '').trim(), line);
    const refused = read.ok ? taken.refuse(read.value) : read.problem;
    if (refused !== null) faults.push({ line, says: sayPeopleFault(refused), cells });
    else if (read.ok) taken.add(read.value);
  }
  return { columns, asks, rows: taken.rows, faults, beyond: Math.max(0, body.length - MOST_ROWS) };
}

/** A row, or why it cannot be taken. */
function readRow(cell: (role: PeopleRole) => string, line: number): Outcome<PeopleTableRow, PeopleFault> {
  const whole = cell('name');
  const name = (whole === '' ? `${cell('first')} ${cell('last')}` : turned(whole))
    .replace(/\s+/g, ' ')
    .trim();
  const [role, number, born] = [cell('role'), cell('number'), cell('born')];
  for (const text of [name, role, number, born])
    if (text.startsWith('=')) return failure({ code: 'formula', text: text.slice(0, 40) });
  if (!/\p{L}/u.test(name)) return failure({ code: 'name-missing' });
  for (const [of, text] of [
    ['name', name],
    ['role', role],
    ['number', number],
  ] as const)
    if (text.length > MOST[of]) return failure({ code: 'too-long', role: of, most: MOST[of] });
  const at = born === '' ? null : monthOf(born);
  if (born !== '' && at === null) return failure({ code: 'no-month', text: born.slice(0, 40) });
  return success({ line, name, role, number: number === '' ? null : number, born: at });
}

/** `Tern, Ada` as it is said: `Ada Tern`. */
function turned(name: string): string {
  const parts = name.split(',').map((part) => part.trim());
  return parts.length === 2 && parts.every((part) => part !== '') ? `${parts[1]!} ${parts[0]!}` : name;
}

/** Names of so many letters or more that differ in one letter may be one that was mistyped. */
const LONG_ENOUGH = 8;

/** The rows that were taken, and who of them another might be. */
class Taken {
  readonly rows: PeopleTableRow[] = [];
  private readonly byName = new Map<string, PeopleTableRow>();
  private readonly byNumber = new Map<string, PeopleTableRow>();
  /** By the name without each of its letters in turn: two that differ in one letter share one of these. */
  private readonly byShorter = new Map<string, PeopleTableRow[]>();

  add(row: PeopleTableRow): void {
    this.rows.push(row);
    const name = sameName(row.name);
    if (!this.byName.has(name)) this.byName.set(name, row);
    if (row.number !== null) this.byNumber.set(row.number, row);
    for (const shorter of shorterBy(name)) {
      const others = this.byShorter.get(shorter);
      if (others === undefined) this.byShorter.set(shorter, [row]);
      else others.push(row);
    }
  }

  /** Why a row is not taken beside those that were; `null` where it is. */
  refuse(row: PeopleTableRow): PeopleFault | null {
    const { name, number } = row;
    const owner = number === null ? undefined : this.byNumber.get(number);
    if (owner !== undefined) return { code: 'number-twice', number: number!, line: owner.line };
    const same = this.byName.get(sameName(name));
    if (same !== undefined && !toldApart(row, same)) return { code: 'twice', name, line: same.line };
    if (same !== undefined) return null;
    const key = sameName(name);
    if (key.length < LONG_ENOUGH) return null;
    const near = [...shorterBy(key)]
      .flatMap((shorter) => this.byShorter.get(shorter) ?? [])
      .find((one) => distance(key, sameName(one.name)) === 1 && !toldApart(row, one));
    return near === undefined ? null : { code: 'alike', name, other: near.name, line: near.line };
  }
}

/** Whether two rows are two people for certain: each has a number, or a month of birth, and they differ. */
function toldApart(one: PeopleTableRow, other: PeopleTableRow): boolean {
  const differ = (a: string | null, b: string | null) => a !== null && b !== null && a !== b;
  return differ(one.number, other.number) || differ(one.born, other.born);
}

/** A name and all that it is with one letter less. */
function shorterBy(name: string): Set<string> {
  const all = new Set([name]);
  for (let at = 0; at < name.length; at += 1) all.add(name.slice(0, at) + name.slice(at + 1));
  return all;
}
