import type { Bench, DocketVerdicts, KeptAct, Recorded } from '@neat-measure/contract';
import {
  agreementOf,
  judgeDocket,
  replay,
  standingReadings,
  type Docket,
  type MeasurementCode,
  type ShelvedChart,
} from '@neat-measure/core';
import type { Database } from '../database/database';
import { Lookout } from '../http/lookout';
import { notFound } from '../http/problem-error';
import { selfRecorded } from '../self/store';
import { actsBehind, actsByDocket, latestAct, listActs } from './act-store';
import { shelfFor } from './shelf';
import { findDocket, otherDockets } from './store';

/** Tells whoever has a docket open what is done on it. */
export function docketLookout(database: Database, stopping: AbortSignal): Lookout<KeptAct> {
  return new Lookout<KeptAct>(
    {
      latest: () => latestAct(database),
      behind: async (place, dockets) =>
        (await actsBehind(database, dockets, place)).map((kept) => ({
          subject: kept.act.docketId,
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
  const [acts, others, own] = await Promise.all([
    listActs(database, docketId),
    otherDockets(database, record.wearer.id, docketId),
    selfRecorded(database, docketId),
  ]);
  const [shelf, earlier] = await Promise.all([
    shelfFor(
      database,
      acts.map(({ act }) => act),
    ),
    actsByDocket(database, others),
  ]);
  const dockets = others.flatMap((id) => replay(earlier.get(id)!) ?? []);
  return {
    ...record,
    charts: [...shelf.charts],
    protocols: [...shelf.protocols],
    acts,
    record: joinRecords(recordOf(dockets, shelf.charts), own),
  };
}

/** The verdict on every garment of a docket, from the readings that stand. */
export async function verdictsOn(database: Database, docketId: string): Promise<DocketVerdicts> {
  const bench = await openBench(database, docketId);
  const docket = replay(bench.acts.map(({ act }) => act));
  if (docket === null) throw notFound('docket');
  return judgeDocket(docket, bench).garments.map(({ chart, verdict }) => ({ chartId: chart.id, verdict }));
}

/** How long a record stands before the wearer is measured again, unless a chart says otherwise: half a year. */
const REMEASURE_AFTER_DAYS = 183;

/** What a fitter read stands before what the wearer read, unless it is due; of the wearer's own the latest counts. */
function joinRecords(read: readonly Recorded[], own: readonly Recorded[]): Recorded[] {
  const latest = own.filter(({ code }, index) => own.slice(index + 1).every((one) => one.code !== code));
  const kept = read.filter(({ code, due }) => !due || latest.every((one) => one.code !== code));
  return [...kept, ...latest.filter(({ code }) => kept.every((one) => one.code !== code))];
}

/** Of each measurement the value of the docket that took it last, where its readings agree. */
function recordOf(dockets: readonly Docket[], charts: readonly ShelvedChart[]): Recorded[] {
  const codes = new Set(dockets.flatMap(({ readings }) => readings.map(({ code }) => code)));
  return [...codes].flatMap((code) => {
    const standing = dockets
      .map(({ readings }) => standingReadings(readings, [code]))
      .filter((readings) => readings.length > 0)
      .at(-1);
    const last = standing?.at(-1);
    if (standing === undefined || last === undefined) return [];
    const agreement = agreementOf(code, standing);
    if (agreement.state !== 'agreed') return [];
    const takenAt = last.carriedFrom ?? last.takenAt;
    const oldest = new Date(Date.now() - remeasureAfter(code, charts) * 86_400_000).toISOString();
    return [{ code, value: agreement.value, takenAt, origin: last.origin, due: takenAt < oldest }];
  });
}

/** The shortest period that a chart of the docket names for a measurement, or the house's. */
function remeasureAfter(code: MeasurementCode, charts: readonly ShelvedChart[]): number {
  const named = charts.flatMap(({ sheet }) =>
    sheet.expects.flatMap((one) =>
      one.code === code && one.remeasureAfter !== null ? [one.remeasureAfter] : [],
    ),
  );
  return named.length === 0 ? REMEASURE_AFTER_DAYS : Math.min(...named);
}
