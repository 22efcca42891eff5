import {
  confirmationSchema,
  type ConfirmationSave,
  type DocketConfirmation,
  type Skip,
  type SkipSave,
} from '@neat-measure/contract';
import type { Database } from './database';
import { readJson } from './read-json';
import { saveOnce } from './save-once';

/** The steps passed over on some dockets, oldest first. */
export async function listSkips(database: Database, docketIds: readonly string[]): Promise<Skip[]> {
  type Row = Pick<Skip, 'id' | 'code' | 'reason'> & { docket_id: string; skipped_at: Date };
  const rows = await database('step_skips')
    .whereIn('docket_id', [...docketIds])
    .orderBy(['skipped_at', 'id'])
    .select<Row[]>('id', 'docket_id', 'code', 'reason', 'skipped_at');
  return rows.map(({ skipped_at, docket_id, ...row }) => ({
    ...row,
    docketId: docket_id,
    skippedAt: skipped_at.toISOString(),
  }));
}

/** Keeps that a step was passed over. */
export async function saveSkip(
  database: Database,
  id: string,
  { docketId, code, reason }: SkipSave,
  fitterId: string,
): Promise<void> {
  const row = { id, docket_id: docketId, code, reason, fitter_id: fitterId, skipped_at: new Date() };
  await saveOnce(database, 'step_skips', row, ['docket_id', 'code', 'reason']);
}

/** The suspicions confirmed on some dockets, oldest first. */
export async function listConfirmations(
  database: Database,
  docketIds: readonly string[],
): Promise<DocketConfirmation[]> {
  interface Row {
    id: string;
    docket_id: string;
    check_code: DocketConfirmation['check'];
    measured: unknown;
    reason: string;
    confirmed_at: Date;
  }
  const rows = await database('check_confirmations')
    .whereIn('docket_id', [...docketIds])
    .orderBy(['confirmed_at', 'id'])
    .select<Row[]>();
  return rows.map(({ id, docket_id, check_code, measured, reason, confirmed_at }) => ({
    id,
    docketId: docket_id,
    check: check_code,
    values: readJson(confirmationSchema.shape.values, measured, `confirmation ${id}`),
    reason,
    confirmedAt: confirmed_at.toISOString(),
  }));
}

/** Keeps that a fitter stands by values which failed a check. */
export async function saveConfirmation(
  database: Database,
  id: string,
  { docketId, check, values, reason }: ConfirmationSave,
  fitterId: string,
): Promise<void> {
  const row = {
    id,
    docket_id: docketId,
    check_code: check,
    measured: JSON.stringify(values),
    reason,
    fitter_id: fitterId,
    confirmed_at: new Date(),
  };
  await saveOnce(database, 'check_confirmations', row, ['docket_id', 'check_code', 'measured', 'reason']);
}
