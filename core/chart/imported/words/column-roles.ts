import type { Grid } from '../layout/grid';
import { plainWords } from './vocabulary';

/** Words of headings, by what a column is then. */
export type RoleWords<Role extends string> = Readonly<Record<Exclude<Role, 'left-out'>, readonly string[]>>;

/** A column of a list, and what it is; `null` where that is to be said. */
export interface RoledColumn<Role extends string> {
  readonly heading: string;
  readonly role: Role | 'left-out' | null;
  /** Whether its role is the one it was said to have the last time. */
  readonly remembered: boolean;
}

/**
 * What a heading is taken for by its words; `null` where that is to be said.
 *
 * @example roleByWords('Qty', { count: ['qty', 'count'] }) // 'count'
 */
export function roleByWords<Role extends string>(
  heading: string,
  words: RoleWords<Role>,
): Role | 'left-out' | null {
  const plain = plainWords(heading);
  if (plain === '') return 'left-out';
  const roles = Object.keys(words) as (keyof typeof words & Role)[];
  const found = roles.filter((role) => words[role].some((one) => plainWords(one) === plain));
  return found.length === 1 ? found[0]! : null;
}

/**
 * The columns of a list whose first row is its heading: what somebody said before what the heading says, and that before
 * what was said of such a heading the last time.
 *
 * @param said by the place of the column
 * @param remembered by the plain words of the heading
 * @example columnRoles(textGrid('Qty,Nap').value, new Map(), new Map(), { count: ['qty'] }).map(({ role }) => role) // ['count', null]
 */
export function columnRoles<Role extends string>(
  { rows }: Grid,
  said: ReadonlyMap<number, Role | 'left-out'>,
  remembered: ReadonlyMap<string, Role | 'left-out'>,
  words: RoleWords<Role>,
): readonly RoledColumn<Role>[] {
  const [head] = rows;
  const width = rows.reduce((most, { cells }) => Math.max(most, cells.length), 0);
  return Array.from({ length: width }, (_, at) => {
    const heading = head?.cells[at] ?? '';
    const own = said.get(at) ?? roleByWords(heading, words);
    const before = own === null ? (remembered.get(plainWords(heading)) ?? null) : null;
    return { heading, role: own ?? before, remembered: before !== null };
  });
}
