import type * as z from 'zod';
import type { KeptAct, KeptAnyAct, KeptMusterAct } from '@neat-measure/contract';
import {
  actSchema,
  isMusterAct,
  kindOf,
  MUSTER_ACTS,
  type Act,
  type AnyAct,
  type MusterAct,
} from '@neat-measure/core';
import type { Database } from '../database/database';
import { readJson } from '../database/read-json';
import type { Signing } from '../session/service';

interface ActRow {
  readonly place: number;
  readonly id: string;
  readonly docket_id: string | null;
  readonly muster_id: string | null;
  readonly kind: string;
  readonly body: unknown;
  readonly fitter_id: string;
  readonly fitter: string;
  readonly done_at: Date;
  readonly received_at: Date;
  readonly clock_off: number | null;
}

/** An act as it is kept: where in the order of all, and when it came by the server's clock. */
interface Kept<One> {
  readonly place: number;
  readonly receivedAt: string;
  readonly act: One;
  /** By so many seconds its device's clock was ahead, where it was off. */
  readonly clockOff?: number;
}

/** A pen has ended since it was last asked about, or its holder is trusted with something else. */
export class PenEnded extends Error {}

/**
 * Keeps an act behind all that were kept before. Rejects when its id is taken, or its docket is not there.
 *
 * @param signed by whom, where somebody sends it with a pen: in the same statement the pen must still sign
 * @throws PenEnded where it does not
 */
export async function addAct<One extends AnyAct>(
  database: Database,
  act: One,
  signed?: Pick<Signing, 'role' | 'pen' | 'clockOff'>,
): Promise<Kept<One>> {
  const receivedAt = new Date();
  const off = signed?.clockOff ?? 0;
  const row = rowOf(act, receivedAt, off);
  const kept = { receivedAt: receivedAt.toISOString(), act, ...(off === 0 ? {} : { clockOff: off }) };
  const pen = signed?.pen ?? null;
  if (signed === undefined || pen === null) {
    const [place] = await database('acts').insert(row);
    return { place: place!, ...kept };
  }
  const columns = Object.keys(row);
  const [done] = (await database.raw(
    `insert into \`acts\` (${columns.join(', ')}) select ${columns.map(() => '?').join(', ')}
     from pens join fitters on fitters.id = pens.fitter_id
     where pens.token_hash = ? and pens.ended_at is null and pens.renewed_at > ?
       and fitters.active = 1 and fitters.role = ?`,
    [...(Object.values(row) as string[]), pen.hash, pen.since, signed.role],
  )) as [{ insertId: number; affectedRows: number }];
  if (done.affectedRows === 0) throw new PenEnded();
  return { place: done.insertId, ...kept };
}

/** Keeps many acts at once, in their order. */
export async function addActs(database: Database, acts: readonly Act[]): Promise<void> {
  const receivedAt = new Date();
  await database('acts').insert(acts.map((act) => rowOf(act, receivedAt)));
}

function rowOf(act: AnyAct, receivedAt: Date, off = 0): Record<string, unknown> {
  const { id, kind, at, by, ...rest } = act;
  // What it is done on has a column of its own.
  const body: object = { ...rest, docketId: undefined, musterId: undefined };
  return {
    id,
    docket_id: isMusterAct(act) ? null : act.docketId,
    muster_id: isMusterAct(act) ? act.musterId : null,
    kind,
    about: isMusterAct(act) ? null : kindOf(act).lookedUpBy(act),
    body: JSON.stringify(body),
    fitter_id: by.id,
    done_at: new Date(at),
    received_at: receivedAt,
    clock_off: off === 0 ? null : off,
  };
}

/** An act that is kept, whatever it was done on. */
export async function findAct(database: Database, id: string): Promise<KeptAnyAct | undefined> {
  const row = await actRows(database).where({ 'acts.id': id }).first();
  return row && toAnyAct(row);
}

/** The acts of a muster behind a place, in the order they were let in. */
export async function musterActsBehind(
  database: Database,
  musterId: string,
  place: number,
): Promise<KeptMusterAct[]> {
  const rows: ActRow[] = await actRows(database)
    .where({ muster_id: musterId })
    .where('place', '>', place)
    .orderBy('place');
  return rows.map(toMusterAct);
}

/** What was done about a wearer at musters, in the order it was let in. */
export async function musterActsAbout(database: Database, wearerId: string): Promise<MusterAct[]> {
  const rows: ActRow[] = await actRows(database)
    .whereNotNull('muster_id')
    .where('body', 'like', `%${wearerId}%`)
    .orderBy('place');
  return rows.map((row) => toMusterAct(row).act);
}

/** The acts that put people on musters, but for one and those that are older. */
export async function addingActs(
  database: Database,
  besides: string,
): Promise<Extract<MusterAct, { kind: 'people-added' }>[]> {
  const since = database('acts').where({ id: besides }).select('place');
  const rows: ActRow[] = await actRows(database)
    .where({ kind: 'people-added' })
    .where('place', '>', since)
    .orderBy('place');
  return rows.flatMap((row) => {
    const { act } = toMusterAct(row);
    return act.kind === 'people-added' ? [act] : [];
  });
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
  for (const row of rows) byDocket.get(row.docket_id!)!.push(toAct(row).act);
  return byDocket;
}

/** The place of the latest act of all; 0 where nothing was done. */
export async function latestAct(database: Database): Promise<number> {
  const row = await database('acts').max<{ place: number | null }[]>({ place: 'place' });
  return row[0]?.place ?? 0;
}

/**
 * What was done on some dockets and musters behind a place, in its order.
 *
 * @param most so many of them at the most; all without it
 */
export async function actsBehind(
  database: Database,
  subjects: readonly string[],
  place: number,
  most = Number.MAX_SAFE_INTEGER,
): Promise<KeptAnyAct[]> {
  const [onDockets, onMusters] = await Promise.all(
    ['docket_id', 'muster_id'].map(
      (column): Promise<ActRow[]> =>
        actRows(database)
          .whereIn(column, [...subjects])
          .where('place', '>', place)
          .orderBy('place')
          .limit(most),
    ),
  );
  return [...onDockets!, ...onMusters!]
    .sort((one, other) => one.place - other.place)
    .slice(0, most)
    .map(toAnyAct);
}

/** How much was done on the dockets of everybody, by whose they are. */
export async function actsOfWearers(database: Database): Promise<ReadonlyMap<string, number>> {
  const rows = await database('acts')
    .join('dockets', 'dockets.id', 'acts.docket_id')
    .groupBy('wearer_id')
    .select<{ wearer_id: string; n: number }[]>('wearer_id', database.raw('count(*) as n'));
  return new Map(rows.map(({ wearer_id, n }) => [wearer_id, Number(n)]));
}

/** The standing readings of some wearers, by whose they are, each in the order they were let in. */
export async function readingsByWearer(
  database: Database,
  wearerIds: readonly string[],
): Promise<Map<string, Extract<Act, { kind: 'reading-taken' }>[]>> {
  const rows: (ActRow & { wearer_id: string })[] = await actRows(database)
    .join('dockets', 'dockets.id', 'acts.docket_id')
    .where({ kind: 'reading-taken' })
    .whereIn('wearer_id', [...wearerIds])
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

function toAct(row: ActRow): KeptAct {
  return keptFrom(row, actSchema, { docketId: row.docket_id });
}

/** An act of a muster. */
function toMusterAct(row: ActRow): KeptMusterAct {
  return keptFrom(row, MUSTER_ACTS.schema, { musterId: row.muster_id });
}

function toAnyAct(row: ActRow): KeptAnyAct {
  return row.muster_id === null ? toAct(row) : toMusterAct(row);
}

function keptFrom<One>(
  { place, id, kind, body, fitter_id, fitter, done_at, received_at, clock_off }: ActRow,
  schema: z.ZodType<One, unknown>,
  subject: object,
): Kept<One> {
  const base = { id, kind, at: done_at.toISOString(), by: { id: fitter_id, name: fitter } };
  const fields: object = typeof body === 'string' ? (JSON.parse(body) as object) : (body as object);
  const act = readJson(schema, { ...fields, ...base, ...subject }, `act ${id}`);
  const off = clock_off === null ? {} : { clockOff: clock_off };
  return { place, receivedAt: received_at.toISOString(), act, ...off };
}
