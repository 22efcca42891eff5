/** What a column of a list of wearers can hold. */
export const PEOPLE_ROLES = ['name', 'first', 'last', 'role', 'number', 'born', 'left-out'] as const;
export type PeopleRole = (typeof PEOPLE_ROLES)[number];

/** Each as a person calls it. */
export const PEOPLE_ROLE_WORDS: Readonly<Record<PeopleRole, string>> = {
  name: 'name',
  first: 'first name',
  last: 'last name',
  role: 'role',
  number: 'house number',
  born: 'month of birth',
  'left-out': 'left out',
};

/** What is to be answered before anything of a list is taken. */
export type PeopleAsk =
  | { readonly code: 'heading'; readonly heading: string }
  | { readonly code: 'twice'; readonly role: PeopleRole }
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
    case 'no-name':
      return 'Which column is the name, or the first and the last name?';
  }
}

/** Why a row of a list cannot be taken. */
export type PeopleFault =
  | { readonly code: 'name-missing' }
  | { readonly code: 'too-long'; readonly role: PeopleRole; readonly most: number }
  | { readonly code: 'no-month'; readonly text: string }
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
