import { handingIn, type GarmentKind } from '@neat-measure/core';
import type { Database } from '../../database/database';
import { labelNow } from '@neat-measure/core/stock';
import { renamesOf } from '../ledger/renames';
import { findSettings } from '../../settings/store';

/** A garment of a docket that has a size, and that the wearer does not have yet. */
export interface Wanted {
  readonly seriesId: string;
  readonly label: string;
  readonly docketId: string;
  readonly chartId: string;
  readonly docketNumber: number;
  readonly wearer: string;
  readonly openedAt: string;
}

/** What decided dockets wait for. What is hired is not: it comes back, and the calendar tells of it. */
export async function listWanted(database: Database): Promise<Wanted[]> {
  const { habits } = await findSettings(database);
  const renames = await renamesOf(database);
  const rows = await database('docket_garments')
    .join('charts', 'charts.id', 'docket_garments.chart_id')
    .join('dockets', 'dockets.id', 'docket_garments.docket_id')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .whereIn('stage', ['to-try', 'kept'])
    .whereNotNull('final_size')
    .orderBy('dockets.number')
    .select<
      {
        series_id: string;
        version: number;
        kind: GarmentKind;
        final_size: string;
        docket_id: string;
        chart_id: string;
        number: number;
        name: string;
        opened_at: Date;
      }[]
    >('charts.series_id', 'charts.version', 'charts.kind', 'final_size', 'docket_id', 'chart_id', 'dockets.number', 'wearers.name', 'dockets.opened_at');
  return rows
    .filter(({ kind }) => handingIn(habits, kind) !== 'hired')
    .map(({ series_id, version, final_size, docket_id, chart_id, number, name, opened_at }) => ({
      seriesId: series_id,
      label: labelNow(renames, { seriesId: series_id, label: final_size, version }),
      docketId: docket_id,
      chartId: chart_id,
      docketNumber: number,
      wearer: name,
      openedAt: opened_at.toISOString(),
    }));
}

/** The same by series and label, with a blank between. */
export async function wantedByArticle(database: Database): Promise<Map<string, Wanted[]>> {
  const byArticle = new Map<string, Wanted[]>();
  for (const one of await listWanted(database)) {
    const key = `${one.seriesId} ${one.label}`;
    byArticle.set(key, [...(byArticle.get(key) ?? []), one]);
  }
  return byArticle;
}
