import { distance } from 'fastest-levenshtein';
import type { MeasurementCode } from '../body/catalogue/codes';
import { measurement } from '../body/catalogue';
import type { ToldItem } from '../body/told-sizes';
import { readReading } from '../capture/read-reading';
import { sayReadingProblem } from '../capture/say-reading-problem';
import { columnRoles, type RoledColumn, type RoleWords } from '../chart/imported/words/column-roles';
import { guessHeading } from '../chart/imported/words/guess-heading';
import { possibleUnits, unitOfHeading } from '../chart/imported/words/unit-evidence';
import { plainWords } from '../chart/imported/words/vocabulary';
import { shownIn } from '../quantity/format-length';
import type { MeasureUnit } from '../quantity/mass';
import type { Grid } from '../chart/imported/layout/grid';
import { failure, success, type Outcome } from '../outcome';
import {
  isMeasured,
  PEOPLE_ROLES,
  sayPeopleAsk,
  sizeTold,
  sayPeopleFault,
  type PeopleFault,
  type PeopleRole,
} from './say-people-table';

export {
  isMeasured,
  PEOPLE_ROLE_WORDS,
  PEOPLE_ROLES,
  sayPeopleAsk,
  sayPeopleFault,
  sizeTold,
  type PeopleRole,
} from './say-people-table';

// A door of its own: reading tables takes packages that the Bench need not load.

/** Words of headings; one that could be several is asked about. */
const WORDS: Partial<RoleWords<PeopleRole>> = {
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
  group: ['group', 'squad', 'class', 'platoon', 'team', 'unit', 'gruppe', 'klasse'],
  weight: ['weight', 'weight kg', 'weight lb', 'body weight', 'gewicht'],
  number: ['number', 'no', 'nr', 'id', 'house number', 'personnel number', 'staff number', 'service number'],
  born: ['born', 'date of birth', 'birth date', 'birthday', 'dob', 'year and month of birth', 'geboren'],
};

/** How long each may be, in letters. */
const MOST = { name: 120, role: 80, group: 80, number: 40 } as const;
/** A size as somebody tells it is no longer. */
const MOST_SIZE = 40;
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
  /** The group they belong to, by its name; `null` for none. */
  readonly group: string | null;
  /** What the list tells of their body, as it was written. */
  readonly readings: readonly {
    readonly code: MeasurementCode;
    readonly typed: string;
    readonly unit: MeasureUnit;
  }[];
  /** Sizes that fit, as they were written. */
  readonly sizes: readonly { readonly item: ToldItem; readonly told: string }[];
}

/** The units a column of a list can be in: a height is written in metres, too. */
export const COLUMN_UNITS = ['cm', 'in', 'mm', 'm', 'kg', 'lb'] as const;
export type ColumnUnit = (typeof COLUMN_UNITS)[number];

/** A column of a list of wearers. */
export interface PeopleColumn extends RoledColumn<PeopleRole> {
  /** The unit its numbers are in; `null` where that is to be said, or it has none. */
  readonly unit: ColumnUnit | null;
}

/** A list as far as it is understood. */
export interface PeoplePlan {
  readonly columns: readonly PeopleColumn[];
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
 * @param units in which a person said a column is, by its place
 * @example planPeople(textGrid('Name,Rank,Height (cm)\nAda Tern,Cadet,171').value, new Map(), new Map()).rows // [{ line: 2, name: 'Ada Tern', role: 'Cadet', number: null, born: null, group: null, readings: [{ code: 'height', typed: '171', unit: 'cm' }], sizes: [] }]
 */
export function planPeople(
  grid: Grid,
  said: ReadonlyMap<number, PeopleRole>,
  remembered: ReadonlyMap<string, PeopleRole>,
  units: ReadonlyMap<number, ColumnUnit> = new Map(),
): PeoplePlan {
  const columns = columnRoles<PeopleRole>(grid, said, remembered, WORDS as RoleWords<PeopleRole>).map(
    (column, at) => withUnit(column, units.get(at) ?? null, () => cellsOf(grid, at)),
  );
  const placeOf = (role: PeopleRole) => columns.findIndex((column) => column.role === role);
  const named = placeOf('name') >= 0 || (placeOf('first') >= 0 && placeOf('last') >= 0);
  const asks = [
    ...columns.flatMap(({ heading, role }) =>
      role === null ? [sayPeopleAsk({ code: 'heading', heading })] : [],
    ),
    ...columns.flatMap(({ heading, role, unit }) =>
      isMeasured(role) && unit === null ? [sayPeopleAsk({ code: 'unit', heading })] : [],
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
    const read = readRow((role) => (cells[placeOf(role)] ?? '').trim(), line, columns);
    const refused = read.ok ? taken.refuse(read.value) : read.problem;
    if (refused !== null) faults.push({ line, says: sayPeopleFault(refused), cells });
    else if (read.ok) taken.add(read.value);
  }
  return { columns, asks, rows: taken.rows, faults, beyond: Math.max(0, body.length - MOST_ROWS) };
}

function cellsOf({ rows }: Grid, at: number): string[] {
  return rows.slice(1).flatMap(({ cells }) => cells[at]?.trim() ?? []);
}

/** So many cells of a column tell its unit. */
const TELLING = 200;

/** A column as a measurement, where its heading can mean nothing else, and the unit that its heading or its numbers tell. */
function withUnit(
  column: RoledColumn<PeopleRole>,
  said: ColumnUnit | null,
  cells: () => readonly string[],
): PeopleColumn {
  const { heading } = column;
  const guess = column.role === null ? guessHeading(heading) : null;
  const meant = guess?.of === 'body' && guess.code !== null && isMeasured(guess.code as PeopleRole);
  const role = meant ? (guess.code as MeasurementCode) : column.role;
  if (!isMeasured(role)) return { ...column, role, unit: null };
  return { ...column, role, unit: said ?? unitTold(role, heading, cells().slice(0, TELLING)) };
}

function unitTold(code: MeasurementCode, heading: string, cells: readonly string[]): ColumnUnit | null {
  if (measurement(code).kind === 'mass') {
    const words = plainWords(heading).split(' ');
    const told = (['kg', 'lb'] as const).filter((unit) => words.includes(unit));
    // A cell that says its own unit is read by it, whatever the column is in.
    return told.length === 1 ? told[0]! : cells.every((cell) => /[a-z]/i.test(cell)) ? 'kg' : null;
  }
  const written = unitOfHeading(heading);
  if (written !== null && written !== 'ft') return written;
  const numbers = cells.map((cell) => Number(cell.replace(',', '.'))).filter((one) => one > 0);
  if (numbers.length === 0) return 'cm';
  const possible = possibleUnits(code, numbers);
  const [only] = possible;
  return possible.length === 1 && only !== undefined && only !== 'ft' ? only : null;
}

/** A row, or why it cannot be taken. */
function readRow(
  cell: (role: PeopleRole) => string,
  line: number,
  columns: readonly PeopleColumn[],
): Outcome<PeopleTableRow, PeopleFault> {
  const whole = cell('name');
  const name = (whole === '' ? `${cell('first')} ${cell('last')}` : turned(whole))
    .replace(/\s+/g, ' ')
    .trim();
  const [role, group, number, born] = [cell('role'), cell('group'), cell('number'), cell('born')];
  for (const text of [name, role, group, number, born])
    if (text.startsWith('=')) return failure({ code: 'formula', text: text.slice(0, 40) });
  if (!/\p{L}/u.test(name)) return failure({ code: 'name-missing' });
  for (const [of, text] of [
    ['name', name],
    ['role', role],
    ['group', group],
    ['number', number],
  ] as const)
    if (text.length > MOST[of]) return failure({ code: 'too-long', role: of, most: MOST[of] });
  const at = born === '' ? null : monthOf(born);
  if (born !== '' && at === null) return failure({ code: 'no-month', text: born.slice(0, 40) });
  const readings: PeopleTableRow['readings'][number][] = [];
  const sizes: PeopleTableRow['sizes'][number][] = [];
  for (const { role: of, unit } of columns) {
    const item = sizeTold(of);
    const typed = of === null ? '' : cell(of);
    if (typed === '') continue;
    if (item !== null && typed.length > MOST_SIZE)
      return failure({ code: 'too-long', role: of!, most: MOST_SIZE });
    if (item !== null) sizes.push({ item, told: typed });
    if (!isMeasured(of) || unit === null) continue;
    const written = asWritten(typed, unit);
    const read = readReading(written.typed, of, written.unit);
    if (!read.ok)
      return failure({ code: 'no-measure', says: sayReadingProblem(read.problem, shownIn(written.unit, 8)) });
    readings.push({ code: of, ...written });
  }
  return success({
    ...{ line, name, role, number: number === '' ? null : number, born: at },
    ...{ group: group === '' ? null : group, readings, sizes },
  });
}

/** A number of a column as it is read: one in metres says so itself. */
function asWritten(typed: string, unit: ColumnUnit): { readonly typed: string; readonly unit: MeasureUnit } {
  if (unit !== 'm') return { typed, unit };
  return { typed: /[a-z'"]/i.test(typed) ? typed : `${typed} m`, unit: 'cm' };
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
