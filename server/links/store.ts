import { wishedSchema, type Recorded, type SelfLinkEntry, type Wished } from '@neat-measure/contract';
import {
  INSTRUMENTS,
  WAIST_PLACES,
  type Instrument,
  type Length,
  type MeasurementCode,
  type WaistPlace,
} from '@neat-measure/core';
import * as z from 'zod';
import type { Database } from '../database/database';
import { readJson } from '../database/read-json';
import { isDuplicate, isUnknownReference } from '../database/trouble';

/** A link for measuring oneself: one wearer, one use. Of its token only a hash is kept. */
export interface SelfLinkRow {
  readonly id: string;
  readonly token_hash: string;
  readonly docket_id: string;
  readonly fitter_id: string;
  readonly made_at: Date | null;
  readonly expires_at: Date;
  /** When it was first looked at. */
  readonly opened_at: Date | null;
  readonly submission_id: string | null;
  readonly submitted_at: Date | null;
}

const measuredSchema = z.array(
  z.object({
    code: z.string(),
    value: z.int(),
    /** Links of before these were kept say nothing of them. */
    waist: z.enum(WAIST_PLACES).nullable().optional(),
    instrument: z.enum(INSTRUMENTS).optional(),
    readings: z.int().optional(),
  }),
);

const wishesSchema = z.array(wishedSchema);

/** One measurement as it came back on a link. */
export interface Measured {
  readonly code: MeasurementCode;
  readonly value: Length;
  readonly waist: WaistPlace | null;
  readonly instrument: Instrument;
  /** How many readings it rests on. */
  readonly readings: number;
}

/** Keeps a link; tells when its id is taken, or its docket is not there. */
export async function addLink(
  database: Database,
  link: Omit<SelfLinkRow, 'submission_id' | 'submitted_at' | 'opened_at' | 'made_at'>,
): Promise<'added' | 'taken' | 'no-docket'> {
  try {
    await database('self_links').insert({ ...link, made_at: new Date() });
    return 'added';
  } catch (error) {
    if (isDuplicate(error)) return 'taken';
    if (isUnknownReference(error)) return 'no-docket';
    throw error;
  }
}

/** The link of a token, by its hash. */
export function findLink(database: Database, tokenHash: string): Promise<SelfLinkRow | undefined> {
  return database('self_links').where({ token_hash: tokenHash }).first<SelfLinkRow | undefined>();
}

/** The links that can still be used or were, of the last weeks, the latest first. */
export async function listLinks(database: Database): Promise<SelfLinkEntry[]> {
  const rows = await database('self_links')
    .join('dockets', 'dockets.id', 'self_links.docket_id')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .join('fitters', 'fitters.id', 'self_links.fitter_id')
    .where('expires_at', '>', new Date())
    .orderBy('expires_at', 'desc')
    .limit(500)
    .select<
      (SelfLinkRow & { number: number; wearer: string; made_by: string })[]
    >('self_links.*', 'dockets.number', { wearer: 'wearers.name', made_by: 'fitters.name' });
  return rows.map((row) => ({
    id: row.id,
    docketId: row.docket_id,
    docket: row.number,
    wearer: row.wearer,
    madeBy: row.made_by,
    expiresAt: row.expires_at.toISOString(),
    submittedAt: row.submitted_at?.toISOString() ?? null,
  }));
}

/** Notes that a link was looked at, the first time it is. */
export async function noteOpened(database: Database, id: string): Promise<void> {
  await database('self_links').where({ id }).whereNull('opened_at').update({ opened_at: new Date() });
}

/** Ends the links of a docket that nobody has used: another takes their place. */
export async function endLinksOf(database: Database, docketId: string): Promise<void> {
  const now = new Date();
  await database('self_links')
    .where({ docket_id: docketId, submitted_at: null })
    .where('expires_at', '>', now)
    .update({ expires_at: now });
}

/** How a link stands, with what came back on it. */
export interface LinkStanding {
  readonly docketId: string;
  readonly madeAt: string | null;
  readonly expiresAt: string;
  readonly openedAt: string | null;
  readonly submittedAt: string | null;
  readonly measured: readonly Recorded[];
}

/** So many dockets go into one question. */
const AT_ONCE = 1_000;

/** The links of some dockets, the oldest first. */
export async function linksOf(database: Database, docketIds: readonly string[]): Promise<LinkStanding[]> {
  const rows: (SelfLinkRow & { measured: unknown })[] = [];
  for (let from = 0; from < docketIds.length; from += AT_ONCE)
    rows.push(
      ...(await database('self_links')
        .whereIn('docket_id', docketIds.slice(from, from + AT_ONCE))
        .orderBy(['expires_at', 'id'])
        .select<(SelfLinkRow & { measured: unknown })[]>('*')),
    );
  return rows.map((row) => ({
    docketId: row.docket_id,
    madeAt: row.made_at?.toISOString() ?? null,
    expiresAt: row.expires_at.toISOString(),
    openedAt: row.opened_at?.toISOString() ?? null,
    submittedAt: row.submitted_at?.toISOString() ?? null,
    measured: row.submitted_at === null ? [] : asRecorded({ ...row, submitted_at: row.submitted_at }),
  }));
}

/** Takes a link back that has not been used; whether there was one. */
export async function endLink(database: Database, id: string): Promise<boolean> {
  const now = new Date();
  const ended = await database('self_links')
    .where({ id, submitted_at: null })
    .where('expires_at', '>', now)
    .update({ expires_at: now });
  return ended > 0;
}

/** Keeps what came back on a link; whether this was the first to come: of two at once one counts. */
export async function keepSubmission(
  database: Database,
  linkId: string,
  submissionId: string,
  measured: readonly Measured[],
  wished: readonly Wished[],
): Promise<boolean> {
  const first = await database('self_links')
    .where({ id: linkId, submitted_at: null })
    .where('expires_at', '>', new Date())
    .update({
      submission_id: submissionId,
      submitted_at: new Date(),
      measured: JSON.stringify(measured),
      wished: JSON.stringify(wished),
    });
  return first > 0;
}

/** Everything a wearer has sent by links, the oldest first. */
export async function submissionsOf(
  database: Database,
  wearerId: string,
): Promise<
  {
    readonly sentAt: string;
    readonly measured: { code: string; value: number }[];
    readonly wished: Wished[];
  }[]
> {
  const rows = await database('self_links')
    .join('dockets', 'dockets.id', 'self_links.docket_id')
    .where({ wearer_id: wearerId })
    .whereNotNull('submitted_at')
    .orderBy('submitted_at')
    .select<
      { id: string; submitted_at: Date; measured: unknown; wished: unknown }[]
    >('self_links.id', 'submitted_at', 'measured', 'wished');
  return rows.map(({ id, submitted_at, measured, wished }) => ({
    sentAt: submitted_at.toISOString(),
    measured: readJson(measuredSchema, measured, `self link ${id}`),
    // Links of before asked for none.
    wished: wished === null ? [] : readJson(wishesSchema, wished, `self link ${id}`),
  }));
}

/** Takes the links of dockets out, with what came back on them. */
export async function removeLinks(transaction: Database, docketIds: readonly string[]): Promise<void> {
  for (const docketId of docketIds) await transaction('self_links').where({ docket_id: docketId }).delete();
}

/** What wearers have sent for a docket, as values on record that a fitter may take over. */
export async function selfRecorded(database: Database, docketId: string): Promise<Recorded[]> {
  return (await selfRecordedOn(database, [docketId])).get(docketId) ?? [];
}

/** The same of some dockets, each by its id. */
export async function selfRecordedOn(
  database: Database,
  docketIds: readonly string[],
): Promise<ReadonlyMap<string, Recorded[]>> {
  const rows = await database('self_links')
    .whereIn('docket_id', [...docketIds])
    .whereNotNull('submitted_at')
    .orderBy('submitted_at')
    .select<{ id: string; docket_id: string; submitted_at: Date; measured: unknown }[]>(
      'id',
      'docket_id',
      'submitted_at',
      'measured',
    );
  const all = new Map<string, Recorded[]>();
  for (const row of rows) all.set(row.docket_id, [...(all.get(row.docket_id) ?? []), ...asRecorded(row)]);
  return all;
}

/** What came back on a link, as values on record. */
function asRecorded({
  id,
  submitted_at,
  measured: sent,
}: {
  readonly id: string;
  readonly submitted_at: Date;
  readonly measured: unknown;
}): Recorded[] {
  return readJson(measuredSchema, sent, `self link ${id}`).map(
    ({ code, value, waist, instrument, readings }) => ({
      code: code as MeasurementCode,
      value: value as Length,
      takenAt: submitted_at.toISOString(),
      origin: 'self' as const,
      waist: waist ?? null,
      instrument,
      readings,
      due: false,
    }),
  );
}

/** What wearers wished for on the links of a docket, the last of each. */
export async function selfWished(database: Database, docketId: string): Promise<Wished[]> {
  return (await selfWishedOn(database, [docketId])).get(docketId) ?? [];
}

/** The same of some dockets, each by its id. */
export async function selfWishedOn(
  database: Database,
  docketIds: readonly string[],
): Promise<ReadonlyMap<string, Wished[]>> {
  const rows = await database('self_links')
    .whereIn('docket_id', [...docketIds])
    .whereNotNull('wished')
    .orderBy('submitted_at')
    .select<{ id: string; docket_id: string; wished: unknown }[]>('id', 'docket_id', 'wished');
  const all = new Map<string, Wished[]>();
  for (const { id, docket_id, wished } of rows) {
    const both = [...(all.get(docket_id) ?? []), ...readJson(wishesSchema, wished, `self link ${id}`)];
    all.set(docket_id, [...new Map(both.map((one) => [one.wish, one])).values()]);
  }
  return all;
}
