import {
  PAGE,
  wordsOf,
  type DocketsQuery,
  type DocketSummary,
  type Page,
  type Wearer,
} from '@neat-measure/contract';
import {
  changedRows,
  isClosing,
  type Act,
  type DecisionOutcome,
  type Docket,
  type GarmentRow,
  type Stage,
} from '@neat-measure/core';
import type { Database } from '../database/database';
import { withWords } from '../database/like';

/** What is known of a docket beside its acts. */
export interface DocketRecord {
  readonly id: string;
  readonly number: number;
  readonly wearer: Wearer;
}

interface DocketRow {
  readonly id: string;
  readonly number: number;
  readonly occasion: string;
  readonly opened_at: Date;
  readonly wearer_id: string;
  readonly wearer_name: string;
  readonly wearer_role: string;
  readonly wearer_born: string | null;
  readonly wearer_number: string | null;
  readonly wearer_version: number;
  readonly wearer_updated_at: Date;
}

/** One docket with its wearer. */
export async function findDocket(database: Database, id: string): Promise<DocketRecord | undefined> {
  const row = await docketRows(database).where({ 'dockets.id': id }).first();
  return (
    row && {
      id: row.id,
      number: row.number,
      wearer: {
        id: row.wearer_id,
        name: row.wearer_name,
        role: row.wearer_role,
        born: row.wearer_born,
        number: row.wearer_number,
        version: row.wearer_version,
        updatedAt: row.wearer_updated_at.toISOString(),
      },
    }
  );
}

/** Holds a docket until the transaction ends, so that nothing else is done on it; `false` for one that is not there. */
export async function lockDocket(transaction: Database, id: string): Promise<boolean> {
  return (await transaction('dockets').where({ id }).forUpdate().first('id')) !== undefined;
}

/** Every docket of a wearer, the oldest first. */
export async function docketsOf(
  database: Database,
  wearerId: string,
): Promise<
  { readonly id: string; readonly number: number; readonly occasion: string; readonly openedAt: string }[]
> {
  const rows = await database('dockets')
    .where({ wearer_id: wearerId })
    .orderBy('number')
    .select<
      { id: string; number: number; occasion: string; opened_at: Date }[]
    >('id', 'number', 'occasion', 'opened_at');
  return rows.map(({ opened_at, ...row }) => ({ ...row, openedAt: opened_at.toISOString() }));
}

/** Takes dockets out with everything that was done on them; only for whom they were of. */
export async function removeDockets(transaction: Database, ids: readonly string[]): Promise<void> {
  for (const id of ids) {
    await transaction('docket_garments').where({ docket_id: id }).delete();
    await transaction('acts').where({ docket_id: id }).delete();
    await transaction('dockets').where({ id }).delete();
  }
}

/** The other dockets of a wearer, the oldest first. */
export async function otherDockets(database: Database, wearerId: string, id: string): Promise<string[]> {
  return database('dockets')
    .where({ wearer_id: wearerId })
    .whereNot({ id })
    .orderBy('number')
    .pluck<string[]>('id');
}

/** Keeps the row of a docket that was opened. */
export async function addDocket(
  transaction: Database,
  { id, wearerId, occasion, openedAt }: Docket,
): Promise<void> {
  await transaction('dockets').insert({ id, wearer_id: wearerId, occasion, opened_at: new Date(openedAt) });
}

/**
 * Keeps what lists and searches look at beside the acts, for one act that was let in.
 *
 * @param before the docket it was done on
 * @param after the docket with it; what a garment's row says follows from the two
 * @param clockOff by so many seconds the clock was ahead that the act has its moment from
 */
export async function keepRows(
  transaction: Database,
  before: Docket,
  act: Act,
  after: Docket,
  clockOff = 0,
): Promise<void> {
  for (const { chartId, before: was, after: is } of changedRows(before, act, after)) {
    const row = transaction('docket_garments').where({ docket_id: act.docketId, chart_id: chartId });
    if (is === null) await row.delete();
    else if (was === null)
      await transaction('docket_garments').insert(await newRow(transaction, act.docketId, chartId, is));
    else await row.update(columnsOf(is));
  }
  if (before.consent !== after.consent)
    await transaction('dockets')
      .where({ id: act.docketId })
      .update({ consent_withdrawn_at: withdrawnAt(after, clockOff) });
}

/** Since when nothing may be read on a docket, whatever the clock said by which it was taken back; the database holds to it. */
function withdrawnAt({ consent }: Docket, clockOff: number): Date | null {
  return consent === null || consent.given ? null : trueMoment(consent.at, clockOff);
}

/** A moment as it was by the server's clock. */
function trueMoment(at: string, clockOff: number): Date {
  return new Date(Date.parse(at) - clockOff * 1_000);
}

/**
 * Whether a wearer had taken back that they agree when something was read of them, by a device whose clock is off: the
 * database compares the moments as they are said.
 */
export async function readAfterWithdrawal(
  database: Database,
  { docketId, at }: Act,
  clockOff: number,
): Promise<boolean> {
  const row = await database('dockets')
    .where({ id: docketId })
    .where('consent_withdrawn_at', '<=', trueMoment(at, clockOff))
    .first<{ id: string } | undefined>('id');
  return row !== undefined;
}

async function newRow(
  transaction: Database,
  docketId: string,
  chartId: string,
  row: GarmentRow,
): Promise<object> {
  const last = await transaction('docket_garments')
    .where({ docket_id: docketId })
    .max<{ position: number | null }[]>({ position: 'position' });
  return {
    docket_id: docketId,
    chart_id: chartId,
    position: (last[0]?.position ?? -1) + 1,
    ...columnsOf(row),
  };
}

function columnsOf({ finalSize, ...row }: GarmentRow): object {
  return { ...row, final_size: finalSize };
}

/** A part of the dockets that match a search, by the wearer, the occasion, a garment or their number; the latest first. */
export async function listDockets(
  database: Database,
  { search, from, waiting }: DocketsQuery,
): Promise<Page<DocketSummary>> {
  const waits = database('docket_garments').whereIn('stage', ['to-try', 'on']).select('docket_id');
  const matching = () => {
    const found = withWords(
      database('dockets').join('wearers', 'wearers.id', 'dockets.wearer_id'),
      wordsOf(search),
      ['wearers.name', 'wearers.role', 'dockets.occasion', 'dockets.number'],
    );
    return waiting === 'fitting' ? found.whereIn('dockets.id', waits.clone()) : found;
  };
  const counted = await matching().count<{ n: number }[]>({ n: '*' });
  const ids = await matching()
    .orderBy([
      { column: 'dockets.opened_at', order: 'desc' },
      { column: 'dockets.number', order: 'desc' },
    ])
    .offset(from)
    .limit(PAGE)
    .pluck<string[]>('dockets.id');
  const rows = await docketRows(database).whereIn('dockets.id', ids);
  const inOrder = ids.flatMap((id) => rows.filter((row) => row.id === id));
  return { items: await withGarments(database, inOrder), total: Number(counted[0]!.n) };
}

function docketRows(database: Database) {
  return database('dockets')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .select<DocketRow[]>('dockets.id', 'dockets.number', 'dockets.occasion', 'dockets.opened_at', {
      wearer_id: 'wearers.id',
      wearer_name: 'wearers.name',
      wearer_role: 'wearers.role',
      wearer_born: 'wearers.born',
      wearer_number: 'wearers.house_number',
      wearer_version: 'wearers.version',
      wearer_updated_at: 'wearers.updated_at',
    });
}

async function withGarments(database: Database, rows: readonly DocketRow[]): Promise<DocketSummary[]> {
  const garments = await database('docket_garments')
    .join('charts', 'charts.id', 'docket_garments.chart_id')
    .whereIn(
      'docket_id',
      rows.map(({ id }) => id),
    )
    .orderBy('position')
    .select<
      {
        docket_id: string;
        chart_id: string;
        garment: string;
        outcome: DecisionOutcome | null;
        size: string | null;
        stage: Stage;
        final_size: string | null;
      }[]
    >('docket_id', 'chart_id', 'garment', 'outcome', 'size', 'stage', 'final_size');
  return rows.map((row) => ({
    id: row.id,
    number: row.number,
    occasion: row.occasion,
    openedAt: row.opened_at.toISOString(),
    wearer: { id: row.wearer_id, name: row.wearer_name, role: row.wearer_role },
    garments: garments
      .filter(({ docket_id }) => docket_id === row.id)
      .map(({ chart_id, garment, outcome, size, stage, final_size }) => ({
        chartId: chart_id,
        garment,
        decided:
          outcome !== null && isClosing({ outcome }) ? (final_size ?? size ?? 'made to measure') : null,
        stage,
      })),
  }));
}
