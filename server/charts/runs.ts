import type { Chart, DocketRuns } from '@neat-measure/contract';
import {
  chartRuns,
  compileChart,
  looksOn,
  replay,
  tellingRuns,
  type ChartRun,
  type GarmentLook,
} from '@neat-measure/core';
import { LRUCache } from 'lru-cache';
import type { Database } from '../database/database';
import { actsByDocket } from '../dockets/act-store';
import { findSettings } from '../settings/store';
import { findCharts } from './store';

/** How charts run, reckoned away from the requests. */
export interface Runs {
  readonly ofChart: (id: string) => Promise<readonly ChartRun[]>;
  readonly onDocket: (id: string) => Promise<DocketRuns>;
}

/** What is asked of the thread that reckons: how one chart runs, or those of a docket that run otherwise than they say. */
export type RunsTask =
  | { readonly url: string; readonly of: 'chart'; readonly id: string }
  | { readonly url: string; readonly of: 'docket'; readonly id: string };

/** So many dockets are read at once: a season of them does not stand in memory together. */
const AT_ONCE = 200;
/** What was seen of a garment, and what taking it back is noted as. */
const SEEN = ['garment-tried', 'trial-withdrawn', 'fit-checked', 'garment-came-back', 'return-withdrawn'];

/** What was reckoned before, as long as nothing was seen since and the house sizes as it did. */
const KNOWN = new LRUCache<string, { readonly on: string; readonly runs: readonly ChartRun[] }>({ max: 200 });

/**
 * How a version of a chart runs, by every garment of any version of it that was tried on.
 *
 * @param id of a version that is there
 */
export async function runsOfChart(
  database: Database,
  { id, seriesId, sheet }: Chart,
): Promise<readonly ChartRun[]> {
  const versions = await database('charts').where({ series_id: seriesId }).pluck<string[]>('id');
  const about = () => database('acts').whereIn('kind', SEEN).whereIn('about', versions);
  const [last] = await about().max<{ place: number | null }[]>({ place: 'place' });
  const { habits } = await findSettings(database);
  const on = `${last?.place ?? 0} ${habits.version}`;
  const known = KNOWN.get(id);
  if (known?.on === on) return known.runs;
  const dockets = await about().distinct('docket_id').orderBy('docket_id').pluck<string[]>('docket_id');
  const charts = await findCharts(database, versions);
  const looks: GarmentLook[] = [];
  for (let from = 0; from < dockets.length; from += AT_ONCE) {
    const acts = await actsByDocket(database, dockets.slice(from, from + AT_ONCE));
    for (const own of acts.values()) {
      const docket = replay(own);
      if (docket === null) continue;
      for (const chart of charts)
        if (docket.garments.some(({ chartId }) => chartId === chart.id))
          looks.push(...looksOn(docket, chart, habits));
    }
  }
  const runs = chartRuns(compileChart(sheet), looks);
  KNOWN.set(id, { on, runs });
  return runs;
}

/** Which charts of a docket run otherwise than they say, and how. */
export async function runsOnDocket(database: Database, docketId: string): Promise<DocketRuns> {
  const ids = await database('docket_garments').where({ docket_id: docketId }).pluck<string[]>('chart_id');
  const told: DocketRuns[number][] = [];
  for (const chart of await findCharts(database, ids)) {
    const runs = tellingRuns(await runsOfChart(database, chart));
    if (runs.length > 0) told.push({ chartId: chart.id, runs });
  }
  return told;
}
