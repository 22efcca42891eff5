import { sizingSchema, type SizingProgress, type SizingWanted } from '@neat-measure/contract/musters';
import { withoutWearer, type Sizing } from '@neat-measure/core/group';
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import type { Database } from '../database/database';

/** Whoever reckons is heard so often at least; not heard for longer, it has been killed. */
export const BEAT_MS = 1_000;
const SILENT_MS = 60_000;
/** So many of one muster or group are kept; the oldest go. */
const MOST_KEPT = 20;

interface SizingRow {
  readonly id: string;
  readonly subject_of: SizingWanted['of'];
  readonly subject_id: string;
  readonly kit_id: string | null;
  readonly state: SizingProgress['state'];
  readonly done: number;
  readonly steps: number;
  readonly beat_at: Date;
  readonly made_at: Date;
  readonly sized_wearers: string | null;
  readonly packed: string | null;
  readonly by: string;
  readonly wearers: number | null;
}

/** Begins a sizing; whether it is the first of its id. */
export async function addSizing(
  database: Database,
  id: string,
  { of, subjectId, kitId }: SizingWanted,
  by: string,
): Promise<boolean> {
  const now = new Date();
  const [made] = (await database('sizings')
    .insert({
      ...{ id, subject_of: of, subject_id: subjectId, kit_id: kitId, state: 'running', done: 0, steps: 1 },
      ...{ beat_at: now, made_at: now, made_by: by },
    })
    .onConflict('id')
    .ignore()
    .then(() => database('sizings').where({ id, made_by: by, made_at: now }).pluck('id'))) as string[];
  return made !== undefined;
}

/** Lets the oldest of a muster or group go, beyond as many as are kept. */
export async function removeOldSizings(database: Database, subjectId: string): Promise<void> {
  const kept: string[] = await database('sizings')
    .where({ subject_id: subjectId })
    .orderBy('made_at', 'desc')
    .limit(MOST_KEPT)
    .pluck('id');
  await database('sizings').where({ subject_id: subjectId }).whereNotIn('id', kept).delete();
}

function heads(database: Database) {
  return database('sizings')
    .join('fitters', 'fitters.id', 'sizings.made_by')
    .select<SizingRow[]>(
      ...['sizings.id', 'subject_of', 'subject_id', 'kit_id', 'state', 'done', 'steps', 'beat_at', 'made_at'],
      { by: 'fitters.name' },
      database.raw('json_length(sized_wearers) as wearers'),
    );
}

/** How far a sizing is, and of what; nothing where there is none. */
export async function findSizing(
  database: Database,
  id: string,
): Promise<(SizingWanted & { readonly progress: SizingProgress }) | undefined> {
  const [row] = await heads(database).where('sizings.id', id);
  return (
    row && { of: row.subject_of, subjectId: row.subject_id, kitId: row.kit_id, progress: toProgress(row) }
  );
}

/** The sizings of a muster or a group, the latest first. */
export async function listSizings(database: Database, subjectId: string): Promise<SizingProgress[]> {
  return (await heads(database).where({ subject_id: subjectId }).orderBy('made_at', 'desc')).map(toProgress);
}

function toProgress({ id, state, done, steps, beat_at, made_at, by, wearers }: SizingRow): SizingProgress {
  const isSilent = state === 'running' && Date.now() - beat_at.getTime() > SILENT_MS;
  return {
    ...{ id, state: isSilent ? 'failed' : state, done, steps, by },
    madeAt: made_at.toISOString(),
    wearers: Number(wearers ?? 0),
  };
}

/** Tells how far a sizing is; whether it is still wanted. */
export async function beat(database: Database, id: string, done: number, steps: number): Promise<boolean> {
  return (
    (await database('sizings').where({ id, state: 'running' }).update({ done, steps, beat_at: new Date() })) >
    0
  );
}

/** Most of a sizing is the same again and again. It is kept in letters, as bytes would not come through a backup. */
async function pack(value: object): Promise<string> {
  return (await promisify(gzip)(JSON.stringify(value), { level: 1 })).toString('base64');
}

async function unpack(packed: string): Promise<object> {
  return JSON.parse((await promisify(gunzip)(Buffer.from(packed, 'base64'))).toString()) as object;
}

/** Keeps what a sizing came to, unless it was cancelled. */
export async function keepSizing(database: Database, id: string, sizing: Sizing): Promise<void> {
  const { wearerIds, ...rest } = sizing;
  const packed = await pack(rest);
  await database('sizings')
    .where({ id, state: 'running' })
    .update({ state: 'done', sized_wearers: JSON.stringify(wearerIds), packed, done: 1, steps: 1 });
}

/** Ends a sizing that runs; whether one did. */
export async function endSizing(
  database: Database,
  id: string,
  state: 'cancelled' | 'failed',
): Promise<boolean> {
  return (await database('sizings').where({ id, state: 'running' }).update({ state })) > 0;
}

/** Takes a sizing out. */
export async function removeSizing(database: Database, id: string): Promise<void> {
  await database('sizings').where({ id }).delete();
}

/** What a sizing came to; nothing where it is not done. */
export async function readSizing(database: Database, id: string): Promise<Sizing | undefined> {
  const row = await database('sizings')
    .where({ id, state: 'done' })
    .first<Pick<SizingRow, 'sized_wearers' | 'packed'> | undefined>('sized_wearers', 'packed');
  if (!row?.packed || row.sized_wearers === null) return undefined;
  return sizingSchema.parse({
    wearerIds: JSON.parse(row.sized_wearers) as unknown,
    ...(await unpack(row.packed)),
  });
}

/** Takes somebody out of every sizing, as if they had not been on it. */
export async function forgetSized(transaction: Database, wearerId: string): Promise<void> {
  const ids: string[] = await transaction('sizings')
    .where('sized_wearers', 'like', `%${wearerId}%`)
    .forUpdate()
    .pluck('id');
  for (const id of ids) {
    const sizing = await readSizing(transaction, id);
    if (sizing === undefined) continue;
    const { wearerIds, ...rest } = withoutWearer(sizing, wearerId);
    await transaction('sizings')
      .where({ id })
      .update({
        sized_wearers: JSON.stringify(wearerIds),
        packed: await pack(rest),
      });
  }
  // One that is being reckoned would bring them back: it is begun anew by whoever wants it.
  await transaction('sizings').where({ state: 'running' }).update({ state: 'cancelled' });
}
