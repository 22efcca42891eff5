import { isSameWaist, measurement, standingTaken, type RecordedReading } from '@neat-measure/core';
import type { Database } from '../database/database';
import { selfRecorded } from '../links/store';
import { toldRecorded } from '../links/told';
import { listActs } from './act-store';

/** In micrometres: a value is written to the last step its unit shows. Grams are whole. */
const MOST_APART = 500;

/**
 * Whether a wearer has what an act says it carries over: of that moment, and that value. A docket's readings that stand
 * may differ, and what they settled on lies among them; what was sent, or told by a list, is one value.
 */
export async function isOnRecord(
  database: Database,
  docketId: string,
  recorded: RecordedReading,
): Promise<boolean> {
  const own = await database('dockets')
    .where({ id: docketId })
    .first<{ wearer_id: string } | undefined>('wearer_id');
  if (own === undefined) return false;
  const theirs: string[] = await database('dockets').where({ wearer_id: own.wearer_id }).pluck('id');
  const others = theirs.filter((id) => id !== docketId);
  for (const id of await readAt(database, others, recorded)) {
    const acts = await listActs(database, id);
    const lengths = standingTaken(acts.map(({ act }) => act))
      .filter(
        ({ code, waist }) => code === recorded.code && isSameWaist(waist ?? null, recorded.waist ?? null),
      )
      .map(({ length }) => length);
    if (isAmong(lengths, recorded)) return true;
  }
  const told = [...(await toldRecorded(database, own.wearer_id))];
  for (const id of theirs) told.push(...(await selfRecorded(database, id)));
  return told.some(
    ({ code, value, takenAt }) =>
      code === recorded.code &&
      Date.parse(takenAt) === Date.parse(recorded.carriedFrom) &&
      isAmong([value], recorded),
  );
}

/** On which of some dockets that was read at that moment; what was carried over itself has the moment it was first taken. */
async function readAt(
  database: Database,
  docketIds: readonly string[],
  { code, carriedFrom }: RecordedReading,
): Promise<string[]> {
  return database('acts')
    .where({ kind: 'reading-taken', about: code })
    .whereIn('docket_id', docketIds)
    .where((moment) =>
      moment
        .where('done_at', new Date(carriedFrom))
        .orWhereRaw("json_value(body, '$.carriedFrom') = ?", [carriedFrom]),
    )
    .distinct()
    .pluck('docket_id');
}

function isAmong(values: readonly number[], { code, length }: RecordedReading): boolean {
  const apart = measurement(code).kind === 'mass' ? 0 : MOST_APART;
  return values.length > 0 && length >= Math.min(...values) - apart && length <= Math.max(...values) + apart;
}
