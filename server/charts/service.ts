import type { Chart } from '@neat-measure/contract';
import type { ChartSave } from '@neat-measure/contract/chart-save';
import type { ChartSheet } from '@neat-measure/core';
import { noted } from '../audit/store';
import type { Database } from '../database/database';
import { idTaken, notFound, ProblemError } from '../http/problem-error';
import { aloneInHouse } from '../settings/store';
import { findCharts, hasNamesake, isRetired, listVersions, retireChart, saveChart } from './store';

/**
 * Saves a chart, or the next version of one. All of it, or nothing: the sheet has
 * been through its schema, which holds its parts together.
 *
 * @throws ProblemError `not-found` when the version it follows is unknown, `changed-meanwhile`
 *   when another version followed it first, `name-taken` when another chart in use has the maker and the name
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
  const saved = await noted(
    database,
    async (transaction) => {
      await aloneInHouse(transaction);
      // Two of one name that are there since before are left: each can still have its next version.
      const isNamed =
        before === null ||
        before.sheet.maker !== sheet.maker ||
        before.sheet.garment !== sheet.garment ||
        (await isRetired(transaction, before.id));
      if (isNamed && (await hasNamesake(transaction, place.seriesId, sheet)))
        throw nameTaken(
          sheet,
          'Save it as the next version of that chart, or give the garment another name.',
        );
      return saveChart(transaction, { id, ...place, sheet, source }, fitterId);
    },
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
      'Another user saved a version of this chart in the meantime. Check that version, then make your changes again.',
    );
  if (saved === 'differs') throw idTaken();
  return (await findCharts(database, [id]))[0]!;
}

/**
 * Retires a chart with all its versions, or restores it.
 *
 * @throws ProblemError `not-found`, and `name-taken` when another chart has its name meanwhile
 */
export async function shelveChart(
  database: Database,
  id: string,
  retired: boolean,
  fitterId: string,
): Promise<void> {
  const [latest] = await versionsOf(database, id);
  const { seriesId, sheet } = latest!;
  await noted(
    database,
    async (transaction) => {
      await aloneInHouse(transaction);
      const comesBack = !retired && (await isRetired(transaction, latest!.id));
      if (comesBack && (await hasNamesake(transaction, seriesId, sheet)))
        throw nameTaken(sheet, 'Retire that chart first, or save this one under another name.');
      await retireChart(transaction, seriesId, retired);
    },
    () => ({
      by: fitterId,
      kind: 'chart-retired',
      about: { kind: 'chart', id },
      detail: { after: { retired } },
    }),
  );
}

function nameTaken({ maker, garment }: ChartSheet, whatToDo: string): ProblemError {
  return new ProblemError('name-taken', `${maker} already has a size chart ${garment}. ${whatToDo}`);
}

/** Every version of the chart that a version belongs to, the newest first. */
export async function versionsOf(database: Database, id: string): Promise<Chart[]> {
  const [chart] = await findCharts(database, [id]);
  if (chart === undefined) throw notFound('chart');
  return listVersions(database, chart.seriesId);
}
