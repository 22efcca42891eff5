import { FLAGS, judgeDocket, replay, isClosing } from '@neat-measure/core';
import type { Database } from '../../database/database';
import { allOrNothing } from '../../database/all-or-nothing';
import { findSettings } from '../../settings/store';
import { actsByDocket } from '../act-store';
import { shelfFor } from '../find-library';
import { keepJudged, staleDockets, type Judged } from './store';

/** So many dockets are read at once: a season of them does not stand in memory together. */
export const JUDGED_AT_ONCE = 200;

/**
 * Judges every docket anew whose exceptions rest on something that has changed since: what was done on it, how the house
 * sizes, or how this version judges. All others stay as they were kept.
 *
 * @param build which version judges
 * @param first some of them that are known already, at most `JUDGED_AT_ONCE`; none to look for them
 * @returns how many were judged
 */
export async function judgeOpen(
  database: Database,
  build: string,
  first: readonly string[] = [],
): Promise<number> {
  let known = first;
  for (let judged = 0; ; ) {
    // They may be settled otherwise meanwhile.
    const { habits } = await findSettings(database);
    const stale =
      known.length > 0
        ? known
        : await staleDockets(database, { habits: habits.version, build }, JUDGED_AT_ONCE);
    known = [];
    if (stale.length === 0) return judged;
    const acts = await actsByDocket(database, stale);
    const library = await shelfFor(database, [...acts.values()].flat());
    const found = stale.map((docketId): Judged => {
      // Whoever is erased just now leaves none.
      const done = acts.get(docketId) ?? [];
      const docket = replay(done);
      const garments = docket === null ? [] : judgeDocket(docket, library).garments;
      return {
        docketId,
        acts: done.length,
        exceptions: garments
          .filter(({ decision, verdict }) => !isClosing(decision) && FLAGS.includes(verdict.verdict))
          .map(({ chart, verdict }) => ({ chartId: chart.id, sheet: chart.sheet, verdict })),
      };
    });
    const by = { habits: library.habits.version, build };
    await allOrNothing(database, (transaction) => keepJudged(transaction, by, found));
    judged += stale.length;
    if (stale.length < JUDGED_AT_ONCE) return judged;
  }
}
