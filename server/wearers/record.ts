import type { WearerRecord } from '@neat-measure/contract';
import { historyOf } from '@neat-measure/core';
import type { Database } from '../database/database';
import { actsByDocket } from '../dockets/act-store';
import { docketsOf } from '../dockets/store';
import { notFound } from '../http/problem-error';
import { findSettings } from '../settings/store';
import { findWearer } from './store';

/**
 * What a wearer's measurements were over time: every value that any of their dockets settled, and what
 * is due.
 *
 * @throws ProblemError `not-found`
 */
export async function recordOfWearer(database: Database, id: string, now: number): Promise<WearerRecord> {
  const person = await findWearer(database, id);
  if (person === undefined) throw notFound('person');
  const dockets = await docketsOf(database, id);
  const [acts, { habits }] = await Promise.all([
    actsByDocket(
      database,
      dockets.map((one) => one.id),
    ),
    findSettings(database),
  ]);
  const { points, due } = historyOf(
    dockets.map((one) => ({ number: one.number, acts: acts.get(one.id)! })),
    habits,
    person.born,
    now,
  );
  return { person, points: [...points], due: [...due] };
}
