import {
  bodiesSchema,
  PAGE,
  type Bodies,
  wordsOf,
  type ListQuery,
  type Page,
  type Wearer,
  type WearerSave,
} from '@neat-measure/contract';
import type { Database } from '../database/database';
import { nearestFirst, withWords } from '../database/like';
import { readJson } from '../database/read-json';
import { saveVersioned, type SavedVersion } from '../database/save-versioned';

interface WearerRow {
  readonly id: string;
  readonly name: string;
  readonly role: string;
  readonly born: string | null;
  readonly house_number: string | null;
  readonly version: number;
  readonly updated_at: Date;
}

/** A part of the wearers that match a search: whoever was named first, then by name. */
export async function listWearers(database: Database, { search, from }: ListQuery): Promise<Page<Wearer>> {
  const matching = () =>
    withWords(database<WearerRow>('wearers'), wordsOf(search), ['name', 'role', 'house_number']);
  const counted = await matching().count<{ n: number }[]>({ n: '*' });
  const nearest = nearestFirst(matching(), search, wordsOf(search), {
    name: 'name',
    others: ['house_number'],
  });
  const rows = await nearest.orderBy(['name', 'id']).offset(from).limit(PAGE);
  return { items: (rows as WearerRow[]).map(toWearer), total: Number(counted[0]!.n) };
}

/** One wearer. */
export async function findWearer(database: Database, id: string): Promise<Wearer | undefined> {
  const row = await database<WearerRow>('wearers').where({ id }).first();
  return row && toWearer(row);
}

/** Some wearers by their ids; who is not there, or has been erased, is left out. */
export async function findWearers(
  database: Database,
  ids: readonly string[],
): Promise<ReadonlyMap<string, Wearer>> {
  const rows = await database<WearerRow>('wearers').whereIn('id', [...ids]);
  return new Map((rows as WearerRow[]).map((row) => [row.id, toWearer(row)]));
}

/** Adds a wearer, or edits the version the save started from. */
export function saveWearer(
  database: Database,
  id: string,
  { name, role, born, number, version }: WearerSave,
): Promise<SavedVersion> {
  return saveVersioned(database, {
    table: 'wearers',
    id,
    version,
    columns: { name, role, born, house_number: number, updated_at: new Date() },
    compared: ['name', 'role', 'born', 'house_number'],
  });
}

/** Takes a wearer out; whether there was one. Their dockets have gone before. */
export async function removeWearer(transaction: Database, id: string): Promise<boolean> {
  return (await transaction('wearers').where({ id }).delete()) > 0;
}

/** Keeps somebody's values without their name. */
export async function keepBody(transaction: Database, id: string, body: object): Promise<void> {
  await transaction('bodies_without_names').insert({ id, body: JSON.stringify(body) });
}

/** The values kept without a name. */
export async function bodiesWithoutNames(database: Database): Promise<Bodies> {
  const rows = await database('bodies_without_names').select<{ id: string; body: unknown }[]>();
  return rows.flatMap(({ id, body }) => readJson(bodiesSchema, [asJson(body)], `body ${id}`));
}

function asJson(body: unknown): unknown {
  return typeof body === 'string' ? (JSON.parse(body) as unknown) : body;
}

function toWearer({ updated_at, house_number, ...row }: WearerRow): Wearer {
  return { ...row, number: house_number, updatedAt: updated_at.toISOString() };
}

/** Who belongs to a group; nobody where there is no such group. */
export async function idsInGroup(database: Database, groupId: string): Promise<string[]> {
  return database('wearers_in_groups').where({ group_id: groupId }).pluck<string[]>('wearer_id');
}
