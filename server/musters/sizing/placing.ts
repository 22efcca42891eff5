import type { PlacingAsked, PlacingView } from '@neat-measure/contract/musters';
import { ONE_STEP, stepsApart } from '@neat-measure/core';
import { placeGroup } from '@neat-measure/core/placing';
import highsLoader from 'highs';
import { findCharts } from '../../charts/store';
import type { Database } from '../../database/database';
import { notFound } from '../../http/problem-error';
import { readSizing } from '../../sizings/store';
import { stockOfSeries } from './stock';

/** Which sizing is placed, and how. */
export interface PlacingTask {
  readonly url: string;
  readonly sizingId: string;
  readonly asked: PlacingAsked;
}

let solver: ReturnType<typeof highsLoader> | null = null;

/**
 * Places everybody of a sizing by what lies on the shelves at this moment. Nothing is decided by it.
 *
 * @throws ProblemError `not-found`
 */
export async function placeSizing(
  database: Database,
  { sizingId, asked }: Omit<PlacingTask, 'url'>,
): Promise<PlacingView> {
  const sizing = await readSizing(database, sizingId);
  if (sizing === undefined) throw notFound('sizing');
  const at = new Date().toISOString();
  const series = await stockOfSeries(database, [...new Set(sizing.garments.map(({ seriesId }) => seriesId))]);
  const stock = new Map(
    series.map(({ seriesId, lines }) => [seriesId, new Map(lines.map(({ label, there }) => [label, there]))]),
  );
  const wanted = asked.wearerIds === null ? null : new Set(asked.wearerIds);
  const rows = sizing.wearerIds.flatMap((id, row) =>
    id !== '' && (wanted === null || wanted.has(id)) ? [row] : [],
  );
  const highs = await (solver ??= highsLoader());
  const charts = await findCharts(database, [...new Set(sizing.garments.map(({ chartId }) => chartId))]);
  const steps = new Map(charts.map(({ id, sheet }) => [id, stepsApart(sheet)]));
  const garments = await placeGroup(highs, sizing, stock, asked, {
    rows,
    // A chart that is gone says no more how far its sizes lie apart.
    stepsOf: ({ chartId }) => steps.get(chartId) ?? ONE_STEP,
  });
  return { at, garments: garments as PlacingView['garments'] };
}
