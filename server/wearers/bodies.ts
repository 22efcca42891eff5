import type { Bodies } from '@neat-measure/contract';
import { agreementOf, asReading, type MeasurementCode, type ReadingTaken } from '@neat-measure/core';
import type { Database } from '../database/database';
import { readingsByWearer } from '../dockets/act-store';

/** The latest settled values of everybody on the roll, for some measurements; whoever has none is left out. */
export async function listBodies(database: Database, codes: readonly MeasurementCode[]): Promise<Bodies> {
  const byWearer = await readingsByWearer(database, codes);
  return (
    [...byWearer.values()]
      .map(latestSettled)
      .filter((body) => Object.keys(body).length > 0)
      // By their values, so that the order they were measured in says nothing of who they are.
      .sort((one, other) => (JSON.stringify(one) < JSON.stringify(other) ? -1 : 1))
  );
}

/** Of each measurement the value of the docket that took it last, where its readings agree. */
function latestSettled(taken: readonly ReadingTaken[]): Bodies[number] {
  return Object.fromEntries(
    [...new Set(taken.map(({ code }) => code))].flatMap((code) => {
      const own = taken.filter((one) => one.code === code);
      const together = own.filter(({ docketId }) => docketId === own.at(-1)!.docketId);
      const agreement = agreementOf(code, together.map(asReading));
      return agreement.state === 'agreed' ? [[code, agreement.value] as const] : [];
    }),
  );
}
