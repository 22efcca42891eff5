import type { Chart, DocketRuns } from '@neat-measure/contract';
import {
  chartRuns,
  compileChart,
  EVIDENCE_KINDS,
  looksOn,
  replay,
  tellingRuns,
  type ChartRun,
  type GarmentLook,
} from '@neat-measure/core';
import { LRUCache } from 'lru-cache';
import type { Database } from '../database/database';
import { actsByDocket } from './act-store';
import { findSettings } from '../settings/store';
import { findCharts } from '../charts/store';

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
/** What was reckoned before, as long as all it rests on stands as it did. */
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
  const dockets = await database('acts')
    .whereIn('kind', EVIDENCE_KINDS)
    .whereIn('about', versions)
    .distinct('docket_id')
    .orderBy('docket_id')
    .pluck<string[]>('docket_id');
  const { habits } = await findSettings(database);
  const on = await restsOn(database, versions, dockets, habits.version);
  const known = KNOWN.get(id);
  if (known?.on === on) return known.runs;
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

/**
 * What a reckoning rests on, as a text that differs where anything of it does: every act of the dockets that tell of a
 * chart, a reading that was taken back or a wearer who was erased as well as a trial; its versions; and how the house
 * sizes.
 */
async function restsOn(
  database: Database,
  versions: readonly string[],
  dockets: readonly string[],
  habits: number,
): Promise<string> {
  let [acts, last] = [0, 0];
  for (let from = 0; from < dockets.length; from += AT_ONCE) {
    const [row] = await database('acts')
      .whereIn('docket_id', dockets.slice(from, from + AT_ONCE))
      .count({ acts: '*' })
      .max({ last: 'place' });
    acts += Number(row!['acts']);
    last = Math.max(last, Number(row!['last']));
  }
  return [acts, last, dockets.length, habits, ...versions].join(' ');
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
