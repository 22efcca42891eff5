import type { KeptAct } from '@neat-measure/contract';
import { actSchema, kindOf, type Act, type RecordedReading } from '@neat-measure/core';
import type { Database } from '../database/database';
import { readJson } from '../database/read-json';

interface ActRow {
  readonly place: number;
  readonly id: string;
  readonly docket_id: string;
  readonly kind: string;
  readonly body: unknown;
  readonly fitter_id: string;
  readonly fitter: string;
  readonly done_at: Date;
  readonly received_at: Date;
}

/** Keeps an act behind all that were kept before. Rejects when its id is taken, or its docket is not there. */
export async function addAct(database: Database, act: Act): Promise<KeptAct> {
  const receivedAt = new Date();
  const [place] = await database('acts').insert(rowOf(act, receivedAt));
  return { place: place!, receivedAt: receivedAt.toISOString(), act };
}

/** Whether a wearer has a reading of another docket, or sent one, of the moment that one was carried over from. */
export async function isOnRecord(
  database: Database,
  docketId: string,
  { code, carriedFrom, waist }: RecordedReading,
): Promise<boolean> {
  const whose = database('dockets').where({ id: docketId }).select('wearer_id');
  const theirs = () => database('dockets').where('wearer_id', whose).select('id');
  const read = await database('acts')
    .where({ kind: 'reading-taken', about: code })
    .whereIn('docket_id', theirs())
    .whereNot({ docket_id: docketId })
    // One that was carried over itself has the moment it was first taken.
    .where((moment) =>
      moment
        .where('done_at', new Date(carriedFrom))
        .orWhereRaw("json_value(body, '$.carriedFrom') = ?", [carriedFrom]),
    )
    // With the waist at the navel another length was read than with it where it creases.
    .whereRaw("(coalesce(json_value(body, '$.waist'), 'natural') = 'navel') = ?", [waist === 'navel'])
    .first('id');
  if (read !== undefined) return true;
  const sent = await database('self_links')
    .whereIn('docket_id', theirs())
    .where('submitted_at', new Date(carriedFrom))
    .first('id');
  return sent !== undefined;
}

/** Keeps many acts at once, in their order. */
export async function addActs(database: Database, acts: readonly Act[]): Promise<void> {
  const receivedAt = new Date();
  await database('acts').insert(acts.map((act) => rowOf(act, receivedAt)));
}

function rowOf(act: Act, receivedAt: Date): object {
  const { id, docketId, kind, at, by, ...body } = act;
  return {
    id,
    docket_id: docketId,
    kind,
    about: kindOf(act).lookedUpBy(act),
    body: JSON.stringify(body),
    fitter_id: by.id,
    done_at: new Date(at),
    received_at: receivedAt,
  };
}

/** An act that is kept. */
export async function findAct(database: Database, id: string): Promise<KeptAct | undefined> {
  const row = await actRows(database).where({ 'acts.id': id }).first();
  return row && toAct(row);
}

/** The acts of a docket in the order they were let in. */
export async function listActs(database: Database, docketId: string): Promise<KeptAct[]> {
  return (await actRows(database).where({ docket_id: docketId }).orderBy('place')).map(toAct);
}

/** The acts of some dockets, each docket's in the order they were let in. */
export async function actsByDocket(
  database: Database,
  docketIds: readonly string[],
): Promise<Map<string, Act[]>> {
  const rows: ActRow[] = await actRows(database)
    .whereIn('docket_id', [...docketIds])
    .orderBy('place');
  const byDocket = new Map<string, Act[]>(docketIds.map((id) => [id, []]));
  for (const row of rows) byDocket.get(row.docket_id)!.push(toAct(row).act);
  return byDocket;
}

/** The place of the latest act of all; 0 where nothing was done. */
export async function latestAct(database: Database): Promise<number> {
  const row = await database('acts').max<{ place: number | null }[]>({ place: 'place' });
  return row[0]?.place ?? 0;
}

/** What was done on some dockets behind a place. */
export async function actsBehind(
  database: Database,
  docketIds: readonly string[],
  place: number,
): Promise<KeptAct[]> {
  const rows: ActRow[] = await actRows(database)
    .whereIn('docket_id', [...docketIds])
    .where('place', '>', place)
    .orderBy('place');
  return rows.map(toAct);
}

/** The standing readings of some measurements of everybody, by whose they are, each in the order they were let in. */
export async function readingsByWearer(
  database: Database,
  codes: readonly string[],
): Promise<Map<string, Extract<Act, { kind: 'reading-taken' }>[]>> {
  const rows: (ActRow & { wearer_id: string })[] = await actRows(database)
    .join('dockets', 'dockets.id', 'acts.docket_id')
    .where({ kind: 'reading-taken' })
    .whereIn('about', [...codes])
    .whereNotExists(
      database('acts as back')
        .where({ 'back.kind': 'reading-withdrawn' })
        .whereRaw('back.about = acts.id')
        .select(database.raw('1')),
    )
    .orderBy('place')
    .select('wearer_id');
  const byWearer = new Map<string, Extract<Act, { kind: 'reading-taken' }>[]>();
  for (const row of rows) {
    const own = byWearer.get(row.wearer_id) ?? [];
    own.push(toAct(row).act as Extract<Act, { kind: 'reading-taken' }>);
    byWearer.set(row.wearer_id, own);
  }
  return byWearer;
}

function actRows(database: Database) {
  return database('acts')
    .join('fitters', 'fitters.id', 'acts.fitter_id')
    .select<ActRow[]>('acts.*', { fitter: 'fitters.name' });
}

function toAct({
  place,
  id,
  docket_id,
  kind,
  body,
  fitter_id,
  fitter,
  done_at,
  received_at,
}: ActRow): KeptAct {
  const base = {
    id,
    kind,
    docketId: docket_id,
    at: done_at.toISOString(),
    by: { id: fitter_id, name: fitter },
  };
  const fields: object = typeof body === 'string' ? (JSON.parse(body) as object) : (body as object);
  const act = readJson(actSchema, { ...fields, ...base }, `act ${id}`);
  return { place, receivedAt: received_at.toISOString(), act };
}
