import {
  TOLD_ITEMS,
  measurement,
  planOf,
  readReading,
  stepsOf,
  type Act,
  type Docket,
  type Doing,
  type Library,
} from '@neat-measure/core';
import { MEASURE_UNITS, MEASUREMENT_CODES } from '@neat-measure/core';
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

/**
 * The acts that note on a docket what a list told: sizes that fit, and of what the docket asks for the measurements, as
 * told and not measured.
 */
export function toldActs(
  docket: Docket,
  library: Library,
  { readings, sizes }: Told,
  base: Pick<Act, 'at' | 'by' | 'docketId'>,
  newId: () => string,
): Act[] {
  const steps = stepsOf(planOf(docket, library), docket, [], library.habits);
  const doings: Doing[] = [
    ...sizes.map(({ item, told }): Doing => ({ kind: 'size-told', item, told })),
    ...readings.flatMap(({ code, typed, unit }): Doing[] => {
      const step = steps.find((one) => one.code === code);
      const read = readReading(typed, code, unit);
      if (step === undefined || !read.ok) return [];
      const { stance, instruments } = measurement(code);
      return [
        {
          ...{ kind: 'reading-taken', code, typed, unit, length: read.value.length, stance },
          ...{ tension: step.tension, clothing: step.clothing, waist: step.waist ?? undefined },
          ...{ instrument: instruments[0]!, origin: 'reported', carriedFrom: null, device: null },
        },
      ];
    }),
  ];
  return doings.map((doing) => ({ id: newId(), ...base, ...doing }) as Act);
}
