import type { DocketRuns } from '@neat-measure/contract';
import type { ChartRun } from '@neat-measure/core';
import { openDatabase, type Database } from '../database/database';
import { runsOfChart, runsOnDocket, type RunsTask } from './runs';
import { findCharts } from '../charts/store';

let database: Database | null = null;

/** Reckons how charts run, in a thread of its own with a connection of its own: no request waits for it. */
export default async function work({ url, of, id }: RunsTask): Promise<readonly ChartRun[] | DocketRuns> {
  database ??= openDatabase(url, { connections: 2 });
  if (of === 'docket') return runsOnDocket(database, id);
  const [chart] = await findCharts(database, [id]);
  return chart === undefined ? [] : runsOfChart(database, chart);
}
