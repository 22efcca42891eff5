import type { Kit, KitSave } from '@neat-measure/contract';
import type { Database } from '../database/database';
import { readJson } from '../database/read-json';
import { saveVersioned, type SavedVersion } from '../database/save-versioned';
import * as z from 'zod';

interface KitRow {
  readonly id: string;
  readonly name: string;
  readonly body: unknown;
  readonly version: number;
}

/** What of a kit stands in its row beside the name; ids were held to their form when it was let in. */
const bodySchema = z.object({
  series: z.array(z.string()),
  protocols: z.array(z.string()),
  roles: z.array(z.string()),
});

/** Every kit by name, with the latest versions of its garments. */
export async function listKits(database: Database): Promise<Kit[]> {
  return withGarments(database, await database<KitRow>('kits').orderBy(['name', 'id']));
}

/** One kit; nothing where there is none of that id. */
export async function findKit(database: Database, id: string): Promise<Kit | null> {
  const row = await database<KitRow>('kits').where({ id }).first();
  return row === undefined ? null : (await withGarments(database, [row]))[0]!;
}

/** Adds a kit, or edits the version the save started from. */
export async function saveKit(
  database: Database,
  id: string,
  { version, name, ...body }: KitSave,
): Promise<SavedVersion> {
  const columns = { name, body: JSON.stringify(body) };
  return saveVersioned(database, { table: 'kits', id, version, columns, compared: ['name', 'body'] });
}

/** Takes a kit out; whether there was one. Dockets that were opened by it keep what they have. */
export async function dropKit(database: Database, id: string): Promise<boolean> {
  return (await database('kits').where({ id }).delete()) > 0;
}

interface LatestRow {
  readonly id: string;
  readonly series_id: string;
  readonly maker: string;
  readonly garment: string;
  readonly retired_at: Date | null;
}

async function withGarments(database: Database, rows: readonly KitRow[]): Promise<Kit[]> {
  const kits = rows.map((row) => ({ ...row, ...readJson(bodySchema, row.body, `kit ${row.id}`) }));
  const wanted = [...new Set(kits.flatMap(({ series }) => series))];
  const latest = wanted.length === 0 ? [] : await latestOf(database, wanted);
  const bySeries = new Map(latest.map((one) => [one.series_id, one]));
  return kits.map(({ id, name, version, series, protocols, roles }) => {
    const all = series.flatMap((one) => bySeries.get(one) ?? []);
    const garments = all.flatMap(({ id: chartId, series_id: seriesId, maker, garment, retired_at }) =>
      retired_at === null ? [{ seriesId, chartId, garment, maker }] : [],
    );
    const gone = all.flatMap(({ garment, retired_at }) => (retired_at === null ? [] : [garment]));
    return { id, name, version, series, protocols: protocols as Kit['protocols'], roles, garments, gone };
  });
}

/** The latest version of each of some charts, retired or not. */
async function latestOf(database: Database, series: readonly string[]): Promise<LatestRow[]> {
  return database<LatestRow>('charts')
    .whereIn('series_id', [...series])
    .whereRaw(
      'not exists (select 1 from charts later where later.series_id = charts.series_id and later.version > charts.version)',
    )
    .select('id', 'series_id', 'maker', 'garment', 'retired_at');
}
