import type { Group, GroupSave, MusterWearer } from '@neat-measure/contract/musters';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../database/database';
import { AS_IT_STANDS } from '../database/all-or-nothing';
import { isDuplicate, tryAgain } from '../database/trouble';
import { ProblemError } from '../http/problem-error';
import { wearersOf } from './store';

/** So many rows go into one statement. */
const AT_ONCE = 1_000;

/** Groups by name, with how many wearers each has: all, or those of some ids. */
export async function listGroups(database: Database, ids?: readonly string[]): Promise<Group[]> {
  const rows = await database('wearer_groups')
    .leftJoin('wearers_in_groups', 'group_id', 'wearer_groups.id')
    .modify((all) => {
      if (ids !== undefined) void all.whereIn('wearer_groups.id', [...ids]);
    })
    .groupBy('wearer_groups.id', 'name')
    .orderBy('name')
    .select<{ id: string; name: string; n: number }[]>(
      'wearer_groups.id',
      'name',
      database.raw('count(wearer_id) as n'),
    );
  return rows.map(({ id, name, n }) => ({ id, name, count: Number(n) }));
}

/** The groups of some wearers, by name, with those of the wearers who are in them. */
export async function groupsOfWearers(
  database: Database,
  wearerIds: readonly string[],
): Promise<{ name: string; wearerIds: string[] }[]> {
  const groups = new Map<string, string[]>();
  for (let from = 0; from < wearerIds.length; from += AT_ONCE)
    for (const { name, wearer_id } of await database('wearers_in_groups')
      .join('wearer_groups', 'wearer_groups.id', 'group_id')
      .whereIn('wearer_id', wearerIds.slice(from, from + AT_ONCE))
      .orderBy('name')
      .select<{ name: string; wearer_id: string }[]>('name', 'wearer_id')) {
      const own = groups.get(name) ?? [];
      groups.set(name, own);
      own.push(wearer_id);
    }
  return [...groups].map(([name, ids]) => ({ name, wearerIds: ids }));
}

/** The wearers of a group, by name; nobody where there is no such group. */
export async function wearersIn(database: Database, groupId: string): Promise<MusterWearer[]> {
  const ids = await database('wearers_in_groups').where({ group_id: groupId }).pluck<string[]>('wearer_id');
  const wearers = await wearersOf(database, ids);
  return wearers.sort((one, other) => one.name.localeCompare(other.name));
}

/**
 * Saves a group with all its wearers.
 *
 * @throws ProblemError `name-taken` where another has the name
 */
export async function saveGroup(
  database: Database,
  id: string,
  { name, wearerIds }: GroupSave,
): Promise<void> {
  try {
    await tryAgain(() =>
      database.transaction(async (transaction) => {
        await transaction('wearer_groups')
          .insert({ id, name, made_at: new Date() })
          .onConflict('id')
          .merge(['name']);
        const [kept] = await transaction('wearer_groups').where({ id }).select<{ name: string }[]>('name');
        // A merge on another's name would have changed nothing of this one.
        if (kept?.name !== name) throw nameTaken(name);
        await transaction('wearers_in_groups').where({ group_id: id }).delete();
        const there = await wearersOf(transaction, wearerIds);
        await join(
          transaction,
          there.map((one) => [id, one.id] as const),
        );
      }, AS_IT_STANDS),
    );
  } catch (error) {
    if (isDuplicate(error)) throw nameTaken(name);
    throw error;
  }
}

function nameTaken(name: string): ProblemError {
  return new ProblemError('name-taken', `Another group is called ${name}. Choose another name.`);
}

/**
 * The groups of some names, by the name as it was given; those that are not there are made. Which names are the same is
 * for the database to say, which takes neither case nor accents for a difference.
 */
export async function groupsNamed(
  transaction: Database,
  names: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  const ids = new Map<string, string>();
  for (const name of new Set(names)) {
    const there = await transaction('wearer_groups').where({ name }).first<{ id: string } | undefined>('id');
    const id = there?.id ?? uuidv7();
    if (there === undefined) await transaction('wearer_groups').insert({ id, name, made_at: new Date() });
    ids.set(name, id);
  }
  return ids;
}

/** Puts wearers into groups; who is in one already stays. */
export async function join(
  transaction: Database,
  pairs: readonly (readonly [groupId: string, wearerId: string])[],
): Promise<void> {
  for (let from = 0; from < pairs.length; from += AT_ONCE)
    await transaction('wearers_in_groups')
      .insert(pairs.slice(from, from + AT_ONCE).map(([group_id, wearer_id]) => ({ group_id, wearer_id })))
      .onConflict(['group_id', 'wearer_id'])
      .ignore();
}
