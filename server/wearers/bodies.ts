import type { Bodies } from '@neat-measure/contract';
import { latestOfBody, type MeasurementCode } from '@neat-measure/core';
import type { Database } from '../database/database';
import { readingsByWearer } from '../dockets/act-store';
import { findSettings } from '../settings/store';
import { bodiesWithoutNames } from './store';

/** The latest settled values of everybody on the roll, for some measurements; whoever has none is left out. */
export async function listBodies(database: Database, codes: readonly MeasurementCode[]): Promise<Bodies> {
  const { habits } = await findSettings(database);
  const byWearer = await readingsByWearer(database, codes);
  const wanted = new Set<string>(codes);
  const unnamed = (await bodiesWithoutNames(database)).map((body) =>
    Object.fromEntries(Object.entries(body).filter(([code]) => wanted.has(code))),
  );
  return (
    [...byWearer.values()]
      .map((taken) => Object.fromEntries(latestOfBody(taken, habits)))
      .concat(unnamed)
      .filter((body) => Object.keys(body).length > 0)
      // By their values, so that the order they were measured in says nothing of who they are.
      .sort((one, other) => (JSON.stringify(one) < JSON.stringify(other) ? -1 : 1))
  );
}
