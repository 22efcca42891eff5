import type { Bench, DocketVerdicts, KeptAnyAct } from '@neat-measure/contract';
import { judgeDocket, recordOf, replay, standingTaken, subjectOf } from '@neat-measure/core';
import type { Database } from '../database/database';
import { Lookout } from '../http/lookout';
import { notFound } from '../http/problem-error';
import { selfRecorded, selfWished } from '../links/store';
import { toldRecorded } from '../links/told';
import { actsBehind, actsByDocket, latestAct, listActs } from './act-store';
import { shelfFor } from './find-library';
import { findDocket, otherDockets } from './store';

/** Tells whoever has a docket or a muster open what is done on it. */
export function actsLookout(database: Database, stopping: AbortSignal): Lookout<KeptAnyAct> {
  return new Lookout<KeptAnyAct>(
    {
      latest: () => latestAct(database),
      behind: async (place, subjects) =>
        (await actsBehind(database, subjects, place)).map((kept) => ({
          subject: subjectOf(kept.act),
          item: kept,
        })),
    },
    stopping,
  );
}

/**
 * A docket as it is sent: its acts, and what they speak of.
 *
 * @throws ProblemError `not-found`
 */
export async function openBench(database: Database, docketId: string): Promise<Bench> {
  const record = await findDocket(database, docketId);
  if (record === undefined) throw notFound('docket');
  const [acts, others, own, told, wished] = await Promise.all([
    listActs(database, docketId),
    otherDockets(database, record.wearer.id, docketId),
    selfRecorded(database, docketId),
    toldRecorded(database, record.wearer.id),
    selfWished(database, docketId),
  ]);
  const [library, earlier] = await Promise.all([
    shelfFor(
      database,
      acts.map(({ act }) => act),
    ),
    actsByDocket(database, others),
  ]);
  const taken = others.flatMap((id) => standingTaken(earlier.get(id)!));
  return {
    ...record,
    charts: [...library.charts],
    protocols: [...library.protocols],
    habits: library.habits,
    acts,
    wished,
    // What somebody measured of themselves counts before what a list says of them.
    record: recordOf(taken, [...told, ...own], library, Date.now(), record.wearer.born),
  };
}

/** The verdict on every garment of a docket, from the readings that stand. */
export async function verdictsOn(database: Database, docketId: string): Promise<DocketVerdicts> {
  const bench = await openBench(database, docketId);
  const docket = replay(bench.acts.map(({ act }) => act));
  if (docket === null) throw notFound('docket');
  return judgeDocket(docket, bench).garments.map(({ chart, verdict }) => ({ chartId: chart.id, verdict }));
}
