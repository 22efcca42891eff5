import type { Recorded } from '@neat-measure/contract';
import { MEASURE_UNITS, MEASUREMENT_CODES, readReading, TOLD_ITEMS, type ToldItem } from '@neat-measure/core';
import type { PastValue } from '@neat-measure/core/ahead';
import * as z from 'zod';
import type { Database } from '../database/database';
import { readJson } from '../database/read-json';
import type { PeopleRow } from '@neat-measure/contract/musters';

/** What a list told of somebody's body, as it was written. */
const toldSchema = z.object({
  readings: z.array(
    z.object({ code: z.enum(MEASUREMENT_CODES), typed: z.string(), unit: z.enum(MEASURE_UNITS) }),
  ),
  sizes: z.array(z.object({ item: z.enum(TOLD_ITEMS), told: z.string() })),
});
type Told = z.infer<typeof toldSchema>;

/** So many rows go into one statement. */
const AT_ONCE = 1_000;

/** Keeps what a list tells of its wearers, for their dockets at a muster; what it said before of one is replaced. */
export async function keepTold(
  transaction: Database,
  musterId: string,
  rows: readonly (Pick<PeopleRow, 'readings' | 'sizes'> & { readonly wearerId: string })[],
): Promise<void> {
  const telling = rows.filter(({ readings, sizes }) => readings.length + sizes.length > 0);
  for (let from = 0; from < telling.length; from += AT_ONCE)
    await transaction('told_values')
      .insert(
        telling.slice(from, from + AT_ONCE).map(({ wearerId, readings, sizes }) => ({
          ...{ muster_id: musterId, wearer_id: wearerId, told_at: new Date() },
          told: JSON.stringify({ readings, sizes }),
        })),
      )
      .onConflict(['muster_id', 'wearer_id'])
      .merge();
}

/**
 * What lists told of a wearer, as values on record, the oldest first: offered to the fitter, and never used by itself.
 */
export async function toldRecorded(database: Database, wearerId: string): Promise<readonly Recorded[]> {
  return (await toldRecordedOf(database, [wearerId])).get(wearerId) ?? [];
}

/** The same of some wearers, each by their id. */
export async function toldRecordedOf(
  database: Database,
  wearerIds: readonly string[],
): Promise<ReadonlyMap<string, readonly Recorded[]>> {
  const rows = await database('told_values')
    .whereIn('wearer_id', [...wearerIds])
    .orderBy('told_at')
    .select<{ wearer_id: string; told: unknown; told_at: Date }[]>('wearer_id', 'told', 'told_at');
  const all = new Map<string, Recorded[]>();
  for (const { wearer_id, told, told_at } of rows) {
    const at = told_at.toISOString();
    const own = all.get(wearer_id) ?? [];
    all.set(wearer_id, own);
    for (const { code, value, takenAt } of asPastValues({
      ...readJson(toldSchema, told, `told of ${wearer_id}`),
      at,
    }))
      own.push({ code, value, takenAt, origin: 'reported', due: false });
  }
  return all;
}

/** Which sizes a list told that fit a wearer, for their docket at a muster. */
export async function sizesTold(
  database: Database,
  musterId: string,
  wearerId: string,
): Promise<readonly { readonly item: ToldItem; readonly told: string }[]> {
  return (await toldOf(database, musterId, [wearerId])).get(wearerId)?.sizes ?? [];
}

/** What was told of some wearers for a muster, with when. */
export async function toldOf(
  database: Database,
  musterId: string,
  wearerIds: readonly string[],
): Promise<ReadonlyMap<string, Told & { readonly at: string }>> {
  const rows = await database('told_values')
    .where({ muster_id: musterId })
    .whereIn('wearer_id', [...wearerIds])
    .select<{ wearer_id: string; told: unknown; told_at: Date }[]>('wearer_id', 'told', 'told_at');
  return new Map(
    rows.map(({ wearer_id, told, told_at }) => [
      wearer_id,
      { ...readJson(toldSchema, told, `told of ${wearer_id}`), at: told_at.toISOString() },
    ]),
  );
}

/** What was told as values on a record. */
export function asPastValues({ readings, at }: Told & { readonly at: string }): PastValue[] {
  return readings.flatMap(({ code, typed, unit }): PastValue[] => {
    const read = readReading(typed, code, unit);
    return read.ok ? [{ code, value: read.value.length, takenAt: at, own: true }] : [];
  });
}
