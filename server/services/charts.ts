import type { Chart, ChartImport } from '@neat-measure/contract';
import { importCsv, sayFinding, type ChartSheet } from '@neat-measure/core';
import { ProblemError } from '../problem-error';
import { findCharts, saveChart } from '../store/chart-store';
import type { Database } from '../store/database';

/**
 * Imports a chart from CSV text: all of it, or nothing.
 *
 * @throws ProblemError `chart-findings` with every finding as a sentence; `invalid` when the
 *   key measurement is no column of the table
 */
export async function importChart(
  database: Database,
  id: string,
  chart: ChartImport,
  fitterId: string,
): Promise<Chart> {
  const part = importCsv(chart.csv);
  if (!part.ok)
    throw new ProblemError(
      'chart-findings',
      'The size table has faults. Mend them in the file and bring it again; nothing was saved.',
      {
        findings: part.problem.map(sayFinding),
      },
    );
  const { maker, garment, rule, key } = chart;
  if (key !== null && part.value.columns.every(({ code }) => code !== key))
    throw new ProblemError(
      'invalid',
      'The measurement that decides is no column of this table. Choose one of its columns.',
      {
        faults: [{ path: 'key', message: 'Choose one of the table’s measurements.' }],
      },
    );
  const sheet: ChartSheet = {
    maker,
    garment,
    unit: part.value.columns[0]!.unit,
    rule,
    key: rule === 'key-decides' ? key : null,
    parts: [part.value],
  };
  await saveChart(database, id, sheet, chart.source, fitterId);
  const [saved] = await findCharts(database, [id]);
  return saved!;
}
