import { verdictSchema, type Decision, type DecisionSave } from '@neat-measure/contract';
import type { GarmentVerdict } from '@neat-measure/core';
import { z } from 'zod';
import type { Database } from './database';
import { readJson } from './read-json';
import { saveOnce } from './save-once';

type DecisionRow = Pick<Decision, 'id' | 'outcome' | 'size' | 'reason' | 'fitter'> & {
  readonly docket_id: string;
  readonly chart_id: string;
  readonly sizes: unknown;
  readonly reading_ids: unknown;
  readonly verdict: unknown;
  readonly decided_at: Date;
};

const readingIdsSchema = z.array(z.string());
const sizesSchema = z.record(z.string(), z.string());

/** Every decision of a docket, oldest first. The latest of a garment stands. */
export async function listDecisions(database: Database, docketId: string): Promise<Decision[]> {
  const rows = await database('decisions')
    .join('fitters', 'fitters.id', 'decisions.fitter_id')
    .where({ docket_id: docketId })
    .orderBy(['decided_at', 'decisions.id'])
    .select<DecisionRow[]>('decisions.*', { fitter: 'fitters.name' });
  return rows.map((row) => ({
    id: row.id,
    docketId: row.docket_id,
    chartId: row.chart_id,
    outcome: row.outcome,
    size: row.size,
    // Decisions of before garments had parts kept the label only.
    sizes:
      row.sizes === null ? { size: row.size ?? '' } : readJson(sizesSchema, row.sizes, `decision ${row.id}`),
    reason: row.reason,
    fitter: row.fitter,
    readingIds: readJson(readingIdsSchema, row.reading_ids, `decision ${row.id}`),
    verdict: readJson(verdictSchema, row.verdict, `decision ${row.id}`),
    decidedAt: row.decided_at.toISOString(),
  }));
}

/** Whether a decision is already kept. */
export async function hasDecision(database: Database, id: string): Promise<boolean> {
  return (await database('decisions').where({ id }).first('id')) !== undefined;
}

/** Keeps a decision for good, with the verdict it was made on. */
export async function saveDecision(
  database: Database,
  id: string,
  save: DecisionSave,
  size: string | null,
  verdict: GarmentVerdict,
  fitterId: string,
): Promise<void> {
  const row = {
    id,
    docket_id: save.docketId,
    chart_id: save.chartId,
    outcome: save.outcome,
    size,
    sizes: JSON.stringify('sizes' in save ? save.sizes : {}),
    reason: 'reason' in save ? save.reason : null,
    reading_ids: JSON.stringify(save.readingIds),
    verdict: JSON.stringify(verdict),
    fitter_id: fitterId,
    decided_at: new Date(),
  };
  await saveOnce(database, 'decisions', row, ['docket_id', 'chart_id', 'outcome', 'size', 'reason']);
}
