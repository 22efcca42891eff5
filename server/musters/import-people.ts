import type {
  ChangedField,
  Headings,
  PeopleImport,
  PeopleImported,
  PeopleMatched,
  PeopleRow,
} from '@neat-measure/contract/musters';
import type { MusterAct } from '@neat-measure/core';
import { sameName } from '@neat-measure/core/people-table';
import { note } from '../audit/store';
import type { Database } from '../database/database';
import { AS_IT_STANDS } from '../database/all-or-nothing';
import { tryAgain } from '../database/trouble';
import { findAct } from '../dockets/act-store';
import { listKits } from '../kits/store';
import { keepTold } from '../links/told';
import type { KeptMusterAct } from '@neat-measure/contract';
import { isMusterAct } from '@neat-measure/core';
import { notFound, ProblemError } from '../http/problem-error';
import { groupsNamed, join } from './groups';
import { noteImported } from './imported';
import type { Standings } from './standing';
import { lockMuster } from './store';
import { keepOn, Refused, said } from './take';

/** So many rows go into one question, or one statement. */
const AT_ONCE = 1_000;

interface KnownWearer {
  readonly id: string;
  readonly name: string;
  readonly role: string;
  readonly born: string | null;
  readonly number: string | null;
}

/**
 * Who the rows of a list are, of the wearers there are: by the house's number first, which is theirs alone, else by name in
 * either order of its words, as accents and case are written here or there. One who has another number, or was born in
 * another month, is somebody else.
 */
export async function matchPeople(
  database: Database,
  standings: Standings,
  musterId: string,
  rows: readonly PeopleRow[],
): Promise<PeopleMatched> {
  const standing = await standings.read(database, musterId);
  if (standing === undefined) throw notFound('muster');
  const on = new Set(standing.muster.people.map(({ wearerId }) => wearerId));
  const numbers = rows.flatMap(({ number }) => number ?? []);
  const [byNumber, byName] = await Promise.all([
    wearersWhere(database, 'house_number', numbers),
    wearersWhere(database, 'name', [...new Set(rows.flatMap(({ name }) => ordersOf(name)))]),
  ]);
  const numbered = new Map(byNumber.map((one) => [one.number!, one]));
  const [newGroups, newRoles] = await Promise.all([
    groupsMissing(database, rows),
    rolesMissing(database, rows),
  ]);
  const named = new Map<string, KnownWearer[]>();
  for (const one of byName) named.set(sameName(one.name), [...(named.get(sameName(one.name)) ?? []), one]);
  const matched = rows.map((row) => {
    const owner = row.number === null ? undefined : numbered.get(row.number);
    const alike = (named.get(sameName(row.name)) ?? []).filter((one) => mayBe(row, one));
    const known = owner === undefined ? alike : [owner];
    const [only] = known;
    const one = known.length === 1 ? only! : null;
    return {
      line: row.line,
      known: known.slice(0, 5),
      changes: one === null ? [] : changesOf(row, one),
      onMuster: one !== null && on.has(one.id),
    };
  });
  return { rows: matched, newGroups, newRoles };
}

/** Groups that rows name and that are not there: a slip of typing would make another. */
async function groupsMissing(database: Database, rows: readonly PeopleRow[]): Promise<string[]> {
  const names = distinct(rows.flatMap(({ group }) => group ?? []));
  if (names.size === 0) return [];
  const there = await database('wearer_groups')
    .whereIn('name', [...names.values()])
    .pluck<string[]>('name');
  const known = new Set(there.map((name) => name.toLowerCase()));
  return [...names].flatMap(([key, name]) => (known.has(key) ? [] : [name])).sort();
}

/** Roles that rows name and that neither a wearer nor a kit has. */
async function rolesMissing(database: Database, rows: readonly PeopleRow[]): Promise<string[]> {
  const names = distinct(rows.flatMap(({ role }) => (role === '' ? [] : [role])));
  if (names.size === 0) return [];
  const [theirs, kits] = await Promise.all([
    database('wearers')
      .whereIn('role', [...names.values()])
      .distinct('role')
      .pluck<string[]>('role'),
    listKits(database),
  ]);
  const known = new Set([...theirs, ...kits.flatMap(({ roles }) => roles)].map((role) => role.toLowerCase()));
  return [...names].flatMap(([key, name]) => (known.has(key) ? [] : [name])).sort();
}

/** Names as they are first written, by their letters in any case. */
function distinct(names: readonly string[]): Map<string, string> {
  const all = new Map<string, string>();
  for (const name of names) if (!all.has(name.toLowerCase())) all.set(name.toLowerCase(), name);
  return all;
}

async function wearersWhere(
  database: Database,
  column: 'name' | 'house_number',
  values: readonly string[],
): Promise<KnownWearer[]> {
  const found: KnownWearer[] = [];
  for (let from = 0; from < values.length; from += AT_ONCE)
    found.push(
      ...(await database('wearers')
        .whereIn(column, values.slice(from, from + AT_ONCE))
        .select<KnownWearer[]>('id', 'name', 'role', 'born', 'house_number as number')),
    );
  return found;
}

/** A name as it stands, and with its last word first and its first word last: lists write both. */
function ordersOf(name: string): string[] {
  const words = name.split(' ');
  if (words.length < 2) return [name];
  return [name, [...words.slice(1), words[0]!].join(' '), [words.at(-1)!, ...words.slice(0, -1)].join(' ')];
}

function mayBe(row: PeopleRow, { born, number }: KnownWearer): boolean {
  const differ = (one: string | null, other: string | null) =>
    one !== null && other !== null && one !== other;
  return !differ(row.number, number) && !differ(row.born, born);
}

/** What a row says otherwise than it stands; what it does not say stays. */
function changesOf(row: PeopleRow, known: KnownWearer): ChangedField[] {
  const fields: ChangedField[] = [];
  if (sameName(row.name) !== sameName(known.name)) fields.push('name');
  if (row.role !== '' && row.role !== known.role) fields.push('role');
  if (row.born !== null && row.born !== known.born) fields.push('born');
  if (row.number !== null && row.number !== known.number) fields.push('number');
  return fields;
}

/**
 * Puts a list on a muster: who is new is added to the wearers, known ones are changed where that is wanted, and all of
 * them come onto the muster by one act. All of it or nothing; sent again it changes nothing.
 *
 * @returns what it came to, and the act to be told of; no act where it was done before
 */
export async function importPeople(
  database: Database,
  standings: Standings,
  by: { readonly id: string; readonly name: string },
  musterId: string,
  { actId, at, kitId, changes, headings, rows }: PeopleImport,
): Promise<{ readonly came: PeopleImported; readonly kept: KeptMusterAct | null }> {
  const came = { added: rows.filter(({ isNew }) => isNew).length, changed: 0, onMuster: rows.length };
  return tryAgain(async () => {
    const before = await findAct(database, actId);
    if (before !== undefined) {
      const { act } = before;
      if (isMusterAct(act) && act.kind === 'people-added' && act.musterId === musterId)
        return { came, kept: null };
      throw new ProblemError(
        'invalid',
        'Something else was saved under this id. Reload the page and import again.',
      );
    }
    try {
      return await database.transaction(async (transaction) => {
        if (!(await lockMuster(transaction, musterId))) throw notFound('muster');
        await addWearers(transaction, rows);
        const changed = changes ? await changeWearers(transaction, rows) : 0;
        await noteImported(transaction, actId, rows);
        await keepTold(transaction, musterId, rows);
        await keepHeadings(transaction, headings);
        const groups = await groupsNamed(
          transaction,
          rows.flatMap(({ group }) => group ?? []),
        );
        const groupOf = (name: string | null) => (name === null ? null : (groups.get(name) ?? null));
        await join(
          transaction,
          rows.flatMap(({ group, wearerId }) => {
            const groupId = groupOf(group);
            return groupId === null ? [] : [[groupId, wearerId] as const];
          }),
        );
        const act: MusterAct = {
          ...{ id: actId, musterId, at: new Date(at).toISOString(), by },
          kind: 'people-added',
          people: rows.map(({ wearerId, docketId, group }) => ({
            ...{ wearerId, docketId, groupId: groupOf(group), kitId },
          })),
        };
        const standing = await standings.read(transaction, musterId);
        const done = await keepOn(transaction, standing, act);
        await note(transaction, {
          by: by.id,
          kind: 'wearers-imported',
          about: { kind: 'muster', id: musterId },
          // By their ids alone: whoever is erased later leaves no name here.
          detail: { added: rows.flatMap(({ isNew, wearerId }) => (isNew ? [wearerId] : [])), changed },
        });
        return { came: { ...came, changed }, kept: done.kept };
      }, AS_IT_STANDS);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      throw new ProblemError('invalid', (await said(database, error.refusal)).detail);
    }
  });
}

/** Keeps what columns were said to be, for whoever imports the next list. */
async function keepHeadings(transaction: Database, headings: Headings): Promise<void> {
  if (headings.length === 0) return;
  const now = new Date();
  await transaction('list_headings')
    .insert(headings.map((one) => ({ ...one, said_at: now })))
    .onConflict('heading')
    .merge();
}

/** What columns of lists were said to be, the latest first. */
export async function listHeadings(database: Database): Promise<Headings> {
  return database('list_headings').orderBy('said_at', 'desc').limit(500).select<Headings>('heading', 'role');
}

async function addWearers(transaction: Database, rows: PeopleImport['rows']): Promise<void> {
  const added = rows.filter(({ isNew }) => isNew);
  for (let from = 0; from < added.length; from += AT_ONCE)
    await transaction('wearers').insert(
      added.slice(from, from + AT_ONCE).map(({ wearerId, name, role, born, number }) => ({
        ...{ id: wearerId, name, role, born, house_number: number },
        ...{ version: 1, updated_at: new Date() },
      })),
    );
}

/** Saves what the rows say otherwise of known wearers; how many were changed. */
async function changeWearers(transaction: Database, rows: PeopleImport['rows']): Promise<number> {
  let changed = 0;
  const known = rows.filter(({ isNew }) => !isNew);
  for (let from = 0; from < known.length; from += AT_ONCE) {
    const part = known.slice(from, from + AT_ONCE);
    const standing = await transaction('wearers')
      .whereIn(
        'id',
        part.map(({ wearerId }) => wearerId),
      )
      .select<KnownWearer[]>('id', 'name', 'role', 'born', 'house_number as number');
    const byId = new Map(standing.map((one) => [one.id, one]));
    for (const row of part) {
      const was = byId.get(row.wearerId);
      const fields = was === undefined ? [] : changesOf(row, was);
      if (fields.length === 0) continue;
      changed += 1;
      await transaction('wearers')
        .where({ id: row.wearerId })
        .update({
          ...Object.fromEntries(
            fields.map((field) => [field === 'number' ? 'house_number' : field, row[field]]),
          ),
          version: transaction.raw('version + 1'),
          updated_at: new Date(),
        });
    }
  }
  return changed;
}
