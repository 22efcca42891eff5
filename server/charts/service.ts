import type { Chart } from '@neat-measure/contract';
import type { ChartSave } from '@neat-measure/contract/chart-save';
import { noted } from '../audit/store';
import type { Database } from '../database/database';
import { idTaken, notFound, ProblemError } from '../http/problem-error';
import { findCharts, hasNamesake, listVersions, saveChart } from './store';

/**
 * Puts a chart on the shelf, or the next version of one. All of it, or nothing: the sheet has
 * been through its schema, which holds its parts together.
 *
 * @throws ProblemError `not-found` when the version it follows is unknown, `changed-meanwhile`
 *   when another version followed it first, `name-taken` when another chart on the shelf has the maker and the name
 */
export async function keepChart(
  database: Database,
  id: string,
  { sheet, source, replaces }: ChartSave,
  fitterId: string,
): Promise<Chart> {
  const before = replaces === null ? null : (await findCharts(database, [replaces]))[0];
  if (before === undefined) throw notFound('chart');
  const place =
    before === null
      ? { seriesId: id, version: 1 }
      : { seriesId: before.seriesId, version: before.version + 1 };
  const isNamed =
    before === null || before.sheet.maker !== sheet.maker || before.sheet.garment !== sheet.garment;
  if (isNamed && (await hasNamesake(database, place.seriesId, sheet)))
    throw new ProblemError(
      'name-taken',
      `${sheet.maker} already has a size chart ${sheet.garment}. Save this one as its next version, or give the garment another name.`,
    );
  const saved = await noted(
    database,
    (transaction) => saveChart(transaction, { id, ...place, sheet, source }, fitterId),
    (done) =>
      done === 'saved'
        ? {
            by: fitterId,
            kind: 'chart-kept',
            about: { kind: 'chart', id },
            detail: { maker: sheet.maker, garment: sheet.garment, version: place.version, replaces },
          }
        : null,
  );
  if (saved === 'overtaken')
    throw new ProblemError(
      'changed-meanwhile',
      'Somebody saved a version of this chart meanwhile. Look at it, then make your changes again.',
    );
  if (saved === 'differs') throw idTaken();
  return (await findCharts(database, [id]))[0]!;
}

/** Every version of the chart that a version belongs to, the newest first. */
export async function versionsOf(database: Database, id: string): Promise<Chart[]> {
  const [chart] = await findCharts(database, [id]);
  if (chart === undefined) throw notFound('chart');
  return listVersions(database, chart.seriesId);
}
