import { measurement } from '../body/catalogue';
import { MEASUREMENT_CODES, type MeasurementCode } from '../body/catalogue/codes';
import { TOLD_ITEM_WORDS, TOLD_ITEMS, type ToldItem } from '../body/told-sizes';

/** What a column of a list of wearers tells of who they are. */
const WHO_ROLES = ['name', 'first', 'last', 'role', 'group', 'number', 'born', 'left-out'] as const;
/** A size that fits, by what it is a size of. */
type SizeRole = `size-${ToldItem}`;
/** What a column of a list of wearers can hold: besides who they are, a measurement or a size that fits. */
export type PeopleRole = (typeof WHO_ROLES)[number] | MeasurementCode | SizeRole;
export const PEOPLE_ROLES: readonly [PeopleRole, ...PeopleRole[]] = [
  ...WHO_ROLES,
  ...TOLD_ITEMS.map((item): SizeRole => `size-${item}`),
  ...MEASUREMENT_CODES,
];

/**
 * Whether a column holds a measurement.
 *
 * @example isMeasured('height') // true
 */
export function isMeasured(role: PeopleRole | null): role is MeasurementCode {
  return (MEASUREMENT_CODES as readonly (string | null)[]).includes(role);
}

/**
 * Of what a column holds a size that fits; `null` where it holds none.
 *
 * @example sizeTold('size-collar') // 'collar'
 */
export function sizeTold(role: PeopleRole | null): ToldItem | null {
  return TOLD_ITEMS.find((item) => role === `size-${item}`) ?? null;
}

const WHO_WORDS: Readonly<Record<(typeof WHO_ROLES)[number], string>> = {
  name: 'name',
  first: 'first name',
  last: 'last name',
  role: 'role',
  group: 'group',
  number: 'house number',
  born: 'month of birth',
  'left-out': 'left out',
};

/** Each as a person calls it. */
export const PEOPLE_ROLE_WORDS: Readonly<Record<PeopleRole, string>> = Object.fromEntries(
  PEOPLE_ROLES.map((role) => {
    const item = sizeTold(role);
    if (item !== null) return [role, `size: ${TOLD_ITEM_WORDS[item].toLowerCase()}`];
    return [role, isMeasured(role) ? measurement(role).name.toLowerCase() : WHO_WORDS[role as 'name']];
  }),
) as Record<PeopleRole, string>;

/** What is to be answered before anything of a list is taken. */
export type PeopleAsk =
  | { readonly code: 'heading'; readonly heading: string }
  | { readonly code: 'twice'; readonly role: PeopleRole }
  | { readonly code: 'unit'; readonly heading: string }
  | { readonly code: 'no-name' };

/**
 * A question about a list of wearers.
 *
 * @example sayPeopleAsk({ code: 'no-name' }) // 'Which column is the name, or the first and the last name?'
 */
export function sayPeopleAsk(ask: PeopleAsk): string {
  switch (ask.code) {
    case 'heading':
      return `What is “${ask.heading}”?`;
    case 'twice':
      return `Two columns are ${PEOPLE_ROLE_WORDS[ask.role]}. Leave one of them out.`;
    case 'unit':
      return `Which unit is “${ask.heading}” in?`;
    case 'no-name':
      return 'Which column is the name, or the first and the last name?';
  }
}

/** Why a row of a list cannot be taken. */
export type PeopleFault =
  | { readonly code: 'name-missing' }
  | { readonly code: 'too-long'; readonly role: PeopleRole; readonly most: number }
  | { readonly code: 'no-month'; readonly text: string }
  /** A measurement that nobody has, in words. */
  | { readonly code: 'no-measure'; readonly says: string }
  | { readonly code: 'formula'; readonly text: string }
  | { readonly code: 'twice'; readonly name: string; readonly line: number }
  | { readonly code: 'alike'; readonly name: string; readonly other: string; readonly line: number }
  | { readonly code: 'number-twice'; readonly number: string; readonly line: number };

/**
 * Why a row cannot be taken, and what to do.
 *
 * @example sayPeopleFault({ code: 'twice', name: 'Ada Tern', line: 4 }) // 'Ada Tern stands in line 4, too. Remove one, or give each a house number.'
 */
export function sayPeopleFault(fault: PeopleFault): string {
  switch (fault.code) {
    case 'name-missing':
      return 'The name is missing. Add it.';
    case 'too-long':
      return `The ${PEOPLE_ROLE_WORDS[fault.role]} has more than ${fault.most} letters. Shorten it.`;
    case 'no-month':
      return `“${fault.text}” is no month of birth. Write it as 2009-04.`;
    case 'no-measure':
      return fault.says;
    case 'formula':
      return `“${fault.text}” is a formula. Replace it by its value.`;
    case 'twice':
      return `${fault.name} stands in line ${fault.line}, too. Remove one, or give each a house number.`;
    case 'alike':
      return `${fault.name} and ${fault.other} in line ${fault.line} may be one wearer. Remove one, or give each a house number.`;
    case 'number-twice':
      return `The house number ${fault.number} stands in line ${fault.line}, too. Correct one of them.`;
  }
}
