import type { Exception } from '@neat-measure/contract';
import { FLAGS, judgeDocket, replay } from '@neat-measure/core';
import type { Database } from '../database/database';
import { actsByDocket } from './act-store';
import { shelfFor } from './find-library';
import { listOpenDockets } from './store';

/** So many dockets are read at once: a season of them does not stand in memory together. */
const AT_ONCE = 200;

/**
 * The garments of all wearers that carry a flag and are not decided: between sizes, split,
 * beyond the range, not made. Judged now, from the readings that stand; the latest dockets
 * first.
 */
export async function listExceptions(database: Database): Promise<Exception[]> {
  const summaries = await listOpenDockets(database);
  const exceptions: Exception[] = [];
  for (let from = 0; from < summaries.length; from += AT_ONCE) {
    const some = summaries.slice(from, from + AT_ONCE);
    const acts = await actsByDocket(
      database,
      some.map(({ id }) => id),
    );
    const library = await shelfFor(database, [...acts.values()].flat());
    for (const { id, number, wearer, garments } of some) {
      const docket = replay(acts.get(id)!);
      if (docket === null) continue;
      for (const { chart, verdict } of judgeDocket(docket, library).garments) {
        const open = garments.some(({ chartId, decided }) => chartId === chart.id && decided === null);
        if (!open || !FLAGS.includes(verdict.verdict)) continue;
        const { garment, maker } = chart.sheet;
        exceptions.push({
          docketId: id,
          number,
          wearer: wearer.name,
          chartId: chart.id,
          garment,
          maker,
          verdict,
        });
      }
    }
  }
  return exceptions;
}
