import { judgingBasisOf, judgeGarment, type Exception } from '@neat-measure/contract';
import { FLAGS } from '@neat-measure/core';
import { findCharts } from '../store/chart-store';
import type { Database } from '../store/database';
import { listOpenDockets } from '../store/docket-store';
import { listConfirmations, listSkips } from '../store/measuring-store';
import { listReadings } from '../store/reading-store';

/**
 * The garments of all wearers that carry a flag and are not decided: between sizes, split,
 * beyond the range, not made. Judged now, from the readings that stand; the latest dockets
 * first.
 */
export async function listExceptions(database: Database): Promise<Exception[]> {
  const summaries = await listOpenDockets(database);
  const ids = summaries.map(({ docket }) => docket.id);
  const chartIds = summaries.flatMap(({ garments }) =>
    garments.flatMap(({ chartId, decided }) => (decided === null ? [chartId] : [])),
  );
  const [charts, readings, skips, confirmations] = await Promise.all([
    findCharts(database, [...new Set(chartIds)]),
    listReadings(database, ids),
    listSkips(database, ids),
    listConfirmations(database, ids),
  ]);
  const byDocket = <One extends { readonly docketId: string }>(all: readonly One[]) => {
    const grouped = new Map<string, One[]>();
    for (const one of all) grouped.set(one.docketId, [...(grouped.get(one.docketId) ?? []), one]);
    return grouped;
  };
  const [read, skipped, confirmed] = [byDocket(readings), byDocket(skips), byDocket(confirmations)];
  return summaries.flatMap(({ docket, wearer, garments }) => {
    const basis = judgingBasisOf({
      docket,
      readings: read.get(docket.id) ?? [],
      skips: skipped.get(docket.id) ?? [],
      confirmations: confirmed.get(docket.id) ?? [],
    });
    return garments.flatMap(({ chartId, decided }): Exception[] => {
      const chart = charts.find(({ id }) => id === chartId);
      if (chart === undefined || decided !== null) return [];
      const verdict = judgeGarment(chart, basis);
      if (!FLAGS.includes(verdict.verdict)) return [];
      const { garment, maker } = chart.sheet;
      return [
        { docketId: docket.id, number: docket.number, wearer: wearer.name, chartId, garment, maker, verdict },
      ];
    });
  });
}
