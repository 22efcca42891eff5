import {
  judgingBasisOf,
  judgeGarment,
  type Recorded,
  standingReadings,
  type Bench,
  type Chart,
  type Decision,
  type DecisionSave,
  type DocketSave,
  type DocketVerdicts,
  type ConfirmationSave,
  type DocketConfirmation,
  type Reading,
  type Skip,
  type SkipSave,
  type ReadingSave,
} from '@neat-measure/contract';
import {
  decidingCodes,
  labelOf,
  readReading,
  sayReadingProblem,
  type ChartSheet,
  type MeasurementCode,
} from '@neat-measure/core';
import { notFound, ProblemError } from '../problem-error';
import { latestSettled } from './latest-settled';
import { selfRecorded } from './self-measuring';
import { findCharts } from '../store/chart-store';
import type { Database } from '../store/database';
import { hasDecision, listDecisions, saveDecision } from '../store/decision-store';
import { findDocket, saveDocket } from '../store/docket-store';
import { listConfirmations, listSkips, saveConfirmation, saveSkip } from '../store/measuring-store';
import { findProtocols } from '../store/protocol-store';
import {
  docketOfReading,
  listEarlierReadings,
  listReadings,
  saveReading,
  withdrawReading,
} from '../store/reading-store';
import { findWearer } from '../store/wearer-store';

/** A docket with everything the Bench shows. */
export async function openBench(database: Database, docketId: string): Promise<Bench> {
  const docket = await findDocket(database, docketId);
  if (docket === undefined) throw notFound('docket');
  const [wearer, charts, protocols, readings, earlier, own, skips, confirmations, decisions] =
    await Promise.all([
      findWearer(database, docket.wearerId),
      findCharts(database, docket.chartIds),
      findProtocols(database, docket.protocolIds),
      listReadings(database, [docketId]),
      listEarlierReadings(database, docket),
      selfRecorded(database, docketId),
      listSkips(database, [docketId]),
      listConfirmations(database, [docketId]),
      listDecisions(database, docketId),
    ]);
  return {
    docket,
    wearer: wearer!,
    charts,
    protocols,
    readings,
    record: joinRecords(recordOf(earlier, charts), own),
    skips,
    confirmations,
    decisions,
  };
}

/** How long a record stands before the wearer is measured again, unless a chart says otherwise: half a year. */
const REMEASURE_AFTER_DAYS = 183;

/** What a fitter read stands before what the wearer read, unless it is due; of the wearer's own the latest counts. */
function joinRecords(read: readonly Recorded[], own: readonly Recorded[]): Recorded[] {
  const latest = own.filter(({ code }, index) => own.slice(index + 1).every((one) => one.code !== code));
  const kept = read.filter(({ code, due }) => !due || latest.every((one) => one.code !== code));
  return [...kept, ...latest.filter(({ code }) => kept.every((one) => one.code !== code))];
}

/** The latest settled value of each measurement on earlier dockets. */
function recordOf(earlier: readonly Reading[], charts: readonly Chart[]): Recorded[] {
  return latestSettled(earlier).map(({ code, value, last }) => {
    const takenAt = last.carriedFrom ?? last.takenAt;
    const oldest = new Date(Date.now() - remeasureAfter(code, charts) * 86_400_000).toISOString();
    return { code, value, takenAt, origin: last.origin, due: takenAt < oldest };
  });
}

/** The shortest period that a chart of the docket names for a measurement, or the house's. */
function remeasureAfter(code: MeasurementCode, charts: readonly Chart[]): number {
  const named = charts.flatMap(({ sheet }) =>
    sheet.expects.flatMap((one) =>
      one.code === code && one.remeasureAfter !== null ? [one.remeasureAfter] : [],
    ),
  );
  return named.length === 0 ? REMEASURE_AFTER_DAYS : Math.min(...named);
}

/**
 * Opens or changes a docket.
 *
 * @throws ProblemError `not-found` for a wearer or chart that is not there
 */
export async function keepDocket(database: Database, id: string, save: DocketSave): Promise<Bench> {
  if ((await findWearer(database, save.wearerId)) === undefined) throw notFound('wearer');
  if ((await findCharts(database, save.chartIds)).length < save.chartIds.length) throw notFound('chart');
  if ((await findProtocols(database, save.protocolIds)).length < save.protocolIds.length)
    throw notFound('protocol');
  await saveDocket(database, id, save);
  return openBench(database, id);
}

/**
 * Keeps a reading. The length is derived here from what was typed, so that a faulty client
 * cannot store one that nobody read.
 *
 * @throws ProblemError `invalid` for a text that is no possible reading
 */
export async function takeReading(
  database: Database,
  id: string,
  save: ReadingSave,
  fitterId: string,
): Promise<Reading> {
  if ((await findDocket(database, save.docketId)) === undefined) throw notFound('docket');
  const reading = readReading(save.typed, save.code, save.unit);
  if (!reading.ok) {
    const message = sayReadingProblem(reading.problem, save.unit);
    throw new ProblemError('invalid', message, { faults: [{ path: 'typed', message }] });
  }
  await saveReading(database, id, save, reading.value.length, fitterId);
  return findReading(database, id, save.docketId);
}

/** Takes a reading back; it stays in the record. */
export async function takeBack(database: Database, readingId: string, fitterId: string): Promise<Reading> {
  const docketId = await docketOfReading(database, readingId);
  if (docketId === undefined) throw notFound('reading');
  await withdrawReading(database, readingId, fitterId);
  return findReading(database, readingId, docketId);
}

/** Passes a step over, with the reason. */
export async function passOver(
  database: Database,
  id: string,
  save: SkipSave,
  fitterId: string,
): Promise<Skip> {
  if ((await findDocket(database, save.docketId)) === undefined) throw notFound('docket');
  await saveSkip(database, id, save, fitterId);
  return (await listSkips(database, [save.docketId])).find((skip) => skip.id === id)!;
}

/** Keeps a fitter's word that values which failed a check are as they are. */
export async function confirm(
  database: Database,
  id: string,
  save: ConfirmationSave,
  fitterId: string,
): Promise<DocketConfirmation> {
  if ((await findDocket(database, save.docketId)) === undefined) throw notFound('docket');
  await saveConfirmation(database, id, save, fitterId);
  return (await listConfirmations(database, [save.docketId])).find((confirmation) => confirmation.id === id)!;
}

async function findReading(database: Database, id: string, docketId: string): Promise<Reading> {
  return (await listReadings(database, [docketId])).find((reading) => reading.id === id)!;
}

/** The verdict on every garment of a docket, from the readings that stand. */
export async function judgeDocket(database: Database, docketId: string): Promise<DocketVerdicts> {
  const bench = await openBench(database, docketId);
  const basis = judgingBasisOf(bench);
  return bench.charts.map((chart) => ({ chartId: chart.id, verdict: judgeGarment(chart, basis) }));
}

/**
 * Decides a garment, on the verdict that the standing readings give now.
 *
 * @throws ProblemError `changed-meanwhile` when other readings stand than the fitter saw,
 *   `not-decidable` when the sizes are not the proposal (accepting) or not of this chart
 */
export async function decide(
  database: Database,
  id: string,
  save: DecisionSave,
  fitterId: string,
): Promise<Decision> {
  const bench = await openBench(database, save.docketId);
  const { readings } = bench;
  const chart = bench.charts.find((one) => one.id === save.chartId);
  if (chart === undefined)
    throw new ProblemError('not-decidable', 'This garment is not on the docket. Add it first.');

  const verdict = judgeGarment(chart, judgingBasisOf(bench));
  if (!(await hasDecision(database, id))) {
    const standing = standingReadings(readings, decidingCodes(chart.sheet)).map((reading) => reading.id);
    if ([...standing].sort().join() !== [...save.readingIds].sort().join())
      throw new ProblemError(
        'changed-meanwhile',
        'The readings have changed since you looked. Look at the verdict again, then decide.',
      );
    checkSizes(save, chart.sheet, verdict.sizes, verdict.proposed);
  }
  const size = 'sizes' in save ? labelOf(chart.sheet, save.sizes) : null;
  await saveDecision(database, id, save, size, verdict, fitterId);
  return (await listDecisions(database, save.docketId)).find((decision) => decision.id === id)!;
}

function checkSizes(
  save: DecisionSave,
  sheet: ChartSheet,
  proposed: Readonly<Record<string, string>>,
  label: string | null,
): void {
  if (!('sizes' in save)) return;
  for (const part of sheet.parts) {
    const size = save.sizes[part.code];
    if (size === undefined || !part.sizes.includes(size))
      throw new ProblemError(
        'not-decidable',
        `${size ?? 'Nothing'} is no size of ${sheet.parts.length === 1 ? 'this chart' : part.name}. Choose one of ${part.sizes.join(', ')}.`,
      );
  }
  const same = sheet.parts.every(({ code }) => save.sizes[code] === proposed[code]);
  if (save.outcome === 'accepted' && (label === null || !same)) {
    const detail = label === null ? 'No size is proposed yet.' : `The proposal is ${label}.`;
    throw new ProblemError('not-decidable', `${detail} Take another size with a reason instead.`);
  }
}
