import {
  isClosing,
  type Decision,
  type Docket,
  type DocketSave,
  type DocketSummary,
} from '@neat-measure/contract';
import type { FitPreference, HouseRule, MeasurementCode } from '@neat-measure/core';
import type { Database } from './database';
import { changedMeanwhile, saveVersioned } from './save-versioned';

type DocketRow = Pick<Docket, 'id' | 'number' | 'occasion' | 'unit' | 'preference' | 'version'> & {
  readonly wearer_id: string;
  readonly opened_at: Date;
};

/** The most dockets a list gives. */
const LISTED = 200;

/** One docket with its garments in order. */
export async function findDocket(database: Database, id: string): Promise<Docket | undefined> {
  const row = await database<DocketRow>('dockets').where({ id }).first();
  if (row === undefined) return undefined;
  return toDocket(
    row,
    await garmentsOf(database, id),
    await protocolsOf(database, id),
    await extrasOf(database, id),
  );
}

async function extrasOf(database: Database, docketId: string): Promise<MeasurementCode[]> {
  return database('docket_extras').where({ docket_id: docketId }).orderBy('position').pluck('code');
}

interface GarmentRow {
  readonly docket_id: string;
  readonly chart_id: string;
  readonly rule: HouseRule | null;
  readonly preference: FitPreference | null;
}

async function garmentsOf(database: Database, docketId: string): Promise<GarmentRow[]> {
  return database<GarmentRow>('docket_garments')
    .where({ docket_id: docketId })
    .orderBy('position')
    .select('docket_id', 'chart_id', 'rule', 'preference');
}

function chartIdsOf(garments: readonly Pick<GarmentRow, 'chart_id'>[]): string[] {
  return garments.map(({ chart_id }) => chart_id);
}

/** What is said of single garments; those of which nothing is said are left out. */
function overridesOf(garments: readonly GarmentRow[]): Docket['overrides'] {
  return Object.fromEntries(
    garments
      .filter(({ rule, preference }) => rule !== null || preference !== null)
      .map(({ chart_id, rule, preference }) => [chart_id, { rule, preference }]),
  );
}

async function protocolsOf(database: Database, docketId: string): Promise<string[]> {
  return database('docket_protocols').where({ docket_id: docketId }).orderBy('position').pluck('protocol_id');
}

/**
 * Opens a docket or changes the version the save started from; its garments with it, in one
 * transaction.
 */
export async function saveDocket(database: Database, id: string, save: DocketSave): Promise<void> {
  // An override of a garment that is not on the docket says nothing.
  const overrides = Object.fromEntries(
    Object.entries(save.overrides).filter(
      ([chartId, { rule, preference }]) =>
        save.chartIds.includes(chartId) && (rule !== null || preference !== null),
    ),
  );
  await database.transaction(async (transaction) => {
    const columns = {
      wearer_id: save.wearerId,
      occasion: save.occasion,
      unit: save.unit,
      preference: save.preference,
    };
    const opened = save.version === 0 ? { opened_at: new Date() } : {};
    const outcome = await saveVersioned(transaction, {
      table: 'dockets',
      id,
      version: save.version,
      columns: { ...columns, ...opened },
      compared: Object.keys(columns),
    });
    if (outcome === 'repeated') {
      const garments = await garmentsOf(transaction, id);
      const kept = [
        chartIdsOf(garments),
        sorted(overridesOf(garments)),
        await protocolsOf(transaction, id),
        await extrasOf(transaction, id),
      ];
      if (
        JSON.stringify(kept) !==
        JSON.stringify([save.chartIds, sorted(overrides), save.protocolIds, save.extraCodes])
      )
        throw changedMeanwhile();
      return;
    }
    await replaceRows(
      transaction,
      'docket_garments',
      id,
      save.chartIds.map((chart_id) => ({
        chart_id,
        rule: overrides[chart_id]?.rule ?? null,
        preference: overrides[chart_id]?.preference ?? null,
      })),
    );
    await replaceRows(
      transaction,
      'docket_protocols',
      id,
      save.protocolIds.map((protocol_id) => ({ protocol_id })),
    );
    await replaceRows(
      transaction,
      'docket_extras',
      id,
      save.extraCodes.map((code) => ({ code })),
    );
  });
}

function sorted(overrides: Docket['overrides']): unknown {
  return Object.entries(overrides)
    .map(([id, { rule, preference }]) => [id, rule, preference])
    .sort(([a], [b]) => (a! < b! ? -1 : 1));
}

/** Puts the numbered rows of a docket in the place of those it had. */
async function replaceRows(
  database: Database,
  table: string,
  docketId: string,
  rows: readonly object[],
): Promise<void> {
  await database(table).where({ docket_id: docketId }).delete();
  if (rows.length > 0)
    await database(table).insert(rows.map((row, position) => ({ docket_id: docketId, position, ...row })));
}

/** Every docket with a garment that is not decided for good: none of them may be forgotten, however old. */
export async function listOpenDockets(database: Database): Promise<DocketSummary[]> {
  const undecided = await database('docket_garments')
    .leftJoin('decisions', (join) =>
      join
        .on('decisions.docket_id', 'docket_garments.docket_id')
        .andOn('decisions.chart_id', 'docket_garments.chart_id')
        .andOnVal('decisions.outcome', '<>', 'later'),
    )
    .whereNull('decisions.id')
    .distinct('docket_garments.docket_id')
    .pluck<string[]>('docket_garments.docket_id');
  // Put off after it had been decided: open again.
  const putOff = await database('decisions').where({ outcome: 'later' }).pluck<string[]>('docket_id');
  const dockets = await listDockets(database, [...new Set([...undecided, ...putOff])]);
  return dockets.filter(({ garments }) => garments.some(({ decided }) => decided === null));
}

/** The latest dockets, or those named, with their wearers and what is decided. */
export async function listDockets(database: Database, only?: readonly string[]): Promise<DocketSummary[]> {
  type Joined = DocketRow & {
    wearer_name: string;
    wearer_role: string;
    wearer_version: number;
    wearer_updated_at: Date;
  };
  const rows = await database('dockets')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .orderBy('opened_at', 'desc')
    .modify(
      (query) => void (only === undefined ? query.limit(LISTED) : query.whereIn('dockets.id', [...only])),
    )
    .select<Joined[]>('dockets.*', {
      wearer_name: 'wearers.name',
      wearer_role: 'wearers.role',
      wearer_version: 'wearers.version',
      wearer_updated_at: 'wearers.updated_at',
    });
  const ids = rows.map(({ id }) => id);
  const garments = await database('docket_garments')
    .join('charts', 'charts.id', 'docket_garments.chart_id')
    .whereIn('docket_id', ids)
    .orderBy('position')
    .select<
      (GarmentRow & { garment: string })[]
    >('docket_id', 'chart_id', 'garment', 'docket_garments.rule', 'docket_garments.preference');
  const protocols = await database('docket_protocols')
    .whereIn('docket_id', ids)
    .orderBy('position')
    .select<{ docket_id: string; protocol_id: string }[]>('docket_id', 'protocol_id');
  const extras = await database('docket_extras')
    .whereIn('docket_id', ids)
    .orderBy('position')
    .select<{ docket_id: string; code: MeasurementCode }[]>('docket_id', 'code');
  const decisions = await database('decisions')
    .whereIn('docket_id', ids)
    .orderBy(['decided_at', 'id'])
    .select<
      { docket_id: string; chart_id: string; outcome: Decision['outcome']; size: string | null }[]
    >('docket_id', 'chart_id', 'outcome', 'size');
  return rows.map((row) => {
    const own = garments.filter(({ docket_id }) => docket_id === row.id);
    return {
      docket: toDocket(
        row,
        own,
        protocols.filter(({ docket_id }) => docket_id === row.id).map(({ protocol_id }) => protocol_id),
        extras.filter(({ docket_id }) => docket_id === row.id).map(({ code }) => code),
      ),
      wearer: {
        id: row.wearer_id,
        name: row.wearer_name,
        role: row.wearer_role,
        version: row.wearer_version,
        updatedAt: row.wearer_updated_at.toISOString(),
      },
      garments: own.map(({ chart_id, garment }) => ({
        chartId: chart_id,
        garment,
        decided: saidOf(
          decisions.filter((one) => one.docket_id === row.id && one.chart_id === chart_id).at(-1),
        ),
      })),
    };
  });
}

/** What a list says of a garment that is decided; nothing of one that is put off. */
function saidOf(decision: Pick<Decision, 'outcome' | 'size'> | undefined): string | null {
  if (decision === undefined || !isClosing(decision)) return null;
  return decision.size ?? 'made to measure';
}

function toDocket(
  { wearer_id, opened_at, id, number, occasion, unit, preference, version }: DocketRow,
  garments: readonly GarmentRow[],
  protocolIds: string[],
  extraCodes: MeasurementCode[],
): Docket {
  return {
    id,
    number,
    occasion,
    unit,
    preference,
    version,
    wearerId: wearer_id,
    chartIds: chartIdsOf(garments),
    overrides: overridesOf(garments),
    protocolIds,
    extraCodes,
    openedAt: opened_at.toISOString(),
  };
}
