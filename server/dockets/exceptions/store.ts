import {
  exceptionSchema,
  PAGE,
  type Exception,
  type ExceptionsPage,
  type ExceptionsQuery,
} from '@neat-measure/contract';
import { FLAGS, type ChartSheet, type GarmentVerdict } from '@neat-measure/core';
import type { Database } from '../../database/database';
import { readJson } from '../../database/read-json';

/** What judging goes by beside a docket itself: how the house sizes, and which version of the application judges. */
export interface RestsOn {
  readonly habits: number;
  readonly build: string;
}

/** What a docket was judged to be. */
export interface Judged {
  readonly docketId: string;
  /** By so many acts it was judged: acts are only added, though not always in the order of their places. */
  readonly acts: number;
  readonly exceptions: readonly {
    readonly chartId: string;
    readonly sheet: Pick<ChartSheet, 'garment' | 'maker'>;
    readonly verdict: GarmentVerdict;
  }[];
}

/** Dockets with a garment that is not decided for good. */
const OPEN = `select docket_id from docket_garments where outcome is null or outcome = 'later'`;
/** The dockets that are open, or were when they were judged last, with what they were judged by. */
const LOOKED_AT = `
  from (${OPEN} union select docket_id from exceptions) looked_at
  left join dockets_judged judged on judged.docket_id = looked_at.docket_id
  where judged.docket_id is null or judged.habits <> ? or judged.build <> ?
    or judged.acts <> (select count(*) from acts where acts.docket_id = looked_at.docket_id)`;

/** Some dockets that must be judged anew. */
export async function staleDockets(
  database: Database,
  { habits, build }: RestsOn,
  most: number,
): Promise<string[]> {
  const [rows] = (await database.raw(`select looked_at.docket_id as id ${LOOKED_AT} limit ?`, [
    habits,
    build,
    most,
  ])) as [{ id: string }[]];
  return rows.map(({ id }) => id);
}

/** How many dockets must be judged anew. */
export async function countStale(database: Database, { habits, build }: RestsOn): Promise<number> {
  const [[row]] = (await database.raw(`select count(*) as n ${LOOKED_AT}`, [habits, build])) as [
    [{ n: number }],
  ];
  return Number(row.n);
}

/** Keeps what dockets were judged to be, in the place of what they were before. */
export async function keepJudged(
  transaction: Database,
  { habits, build }: RestsOn,
  judged: readonly Judged[],
): Promise<void> {
  const ids = judged.map(({ docketId }) => docketId);
  // Whoever is erased just now takes theirs along.
  const there = new Set(await transaction('dockets').whereIn('id', ids).forShare().pluck<string[]>('id'));
  const kept = judged
    .filter(({ docketId }) => there.has(docketId))
    .sort((one, other) => (one.docketId < other.docketId ? -1 : 1));
  if (kept.length === 0) return;
  // First, and in one order: of two instances that judge the same, the second waits here for the first.
  await transaction('dockets_judged')
    .insert(kept.map(({ docketId, acts }) => ({ docket_id: docketId, acts, habits, build })))
    .onConflict('docket_id')
    .merge();
  await transaction('exceptions').whereIn('docket_id', ids).delete();
  const rows = kept.flatMap(({ docketId, exceptions }) =>
    exceptions.map(({ chartId, sheet, verdict }) => ({
      docket_id: docketId,
      chart_id: chartId,
      garment: sheet.garment.slice(0, 200),
      maker: sheet.maker.slice(0, 200),
      flag: FLAGS.indexOf(verdict.verdict),
      verdict: JSON.stringify(verdict),
    })),
  );
  if (rows.length > 0) await transaction('exceptions').insert(rows);
}

interface ExceptionRow {
  readonly docket_id: string;
  readonly number: number;
  readonly wearer: string;
  readonly chart_id: string;
  readonly garment: string;
  readonly maker: string;
  readonly verdict: unknown;
}

interface Counted {
  readonly flag?: number;
  readonly garment?: string;
  readonly maker?: string;
  readonly n: number;
}

/**
 * A part of the exceptions that are judged as things stand, by garment or by kind, the latest dockets first in each.
 *
 * @param pending how many dockets must be judged anew, as it was counted just before
 */
export async function listExceptions(
  database: Database,
  restsOn: RestsOn,
  { by, from }: ExceptionsQuery,
  pending: number,
): Promise<ExceptionsPage> {
  const standing = () => {
    const rows = database('exceptions').join(
      'dockets_judged',
      'dockets_judged.docket_id',
      'exceptions.docket_id',
    );
    if (pending > 0)
      void rows
        .where({ 'dockets_judged.habits': restsOn.habits, 'dockets_judged.build': restsOn.build })
        .whereRaw(
          'dockets_judged.acts = (select count(*) from acts where acts.docket_id = exceptions.docket_id)',
        );
    return rows;
  };
  const group = by === 'kind' ? ['flag'] : ['exceptions.garment', 'exceptions.maker'];
  const rows = await standing()
    .join('dockets', 'dockets.id', 'exceptions.docket_id')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .orderBy([
      ...group,
      { column: 'dockets.opened_at', order: 'desc' },
      { column: 'dockets.number', order: 'desc' },
      'exceptions.chart_id',
    ])
    .offset(from)
    .limit(PAGE)
    .select<ExceptionRow[]>('exceptions.*', { number: 'dockets.number', wearer: 'wearers.name' });
  const counts = await standing()
    .groupBy(group)
    .orderBy(group)
    .select<Counted[]>([...group, database.raw('count(*) as n')]);
  const groups = counts.map(({ flag, garment, maker, n }) => ({
    name: flag === undefined ? `${garment}, ${maker}` : FLAGS[flag]!,
    count: Number(n),
  }));
  return {
    items: rows.map(toException),
    total: groups.reduce((total, { count }) => total + count, 0),
    groups,
    pending,
  };
}

function toException({
  docket_id,
  number,
  wearer,
  chart_id,
  garment,
  maker,
  verdict,
}: ExceptionRow): Exception {
  return {
    docketId: docket_id,
    number,
    wearer,
    chartId: chart_id,
    garment,
    maker,
    verdict: readJson(exceptionSchema.shape.verdict, verdict, `verdict on ${chart_id} of ${docket_id}`),
  };
}
