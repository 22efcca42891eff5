import type { Docket, Reading, ReadingSave } from '@neat-measure/contract';
import type { Length, MeasurementCode } from '@neat-measure/core';
import type { Database } from './database';
import { saveOnce } from './save-once';

type ReadingRow = Pick<
  Reading,
  'device' | 'clothing' | 'id' | 'code' | 'typed' | 'unit' | 'stance' | 'tension' | 'instrument' | 'origin'
> & {
  readonly docket_id: string;
  readonly length_um: number;
  readonly fitter_id: string;
  readonly taken_at: Date;
  readonly carried_from: Date | null;
  readonly withdrawn_at: Date | null;
};

/** Every reading of some dockets in the order taken, withdrawn ones among them. */
export async function listReadings(database: Database, docketIds: readonly string[]): Promise<Reading[]> {
  return (await readingRows(database).whereIn('docket_id', [...docketIds])).map(toReading);
}

/** The standing readings of a wearer's other dockets, in the order taken. */
export async function listEarlierReadings(database: Database, { wearerId, id }: Docket): Promise<Reading[]> {
  const rows = await readingRows(database)
    .join('dockets', 'dockets.id', 'readings.docket_id')
    .where({ wearer_id: wearerId, withdrawn_at: null })
    .whereNot('docket_id', id);
  return rows.map(toReading);
}

/** The standing readings of some measurements by whose they are, each wearer's in the order taken. */
export async function listReadingsByWearer(
  database: Database,
  codes: readonly MeasurementCode[],
): Promise<Map<string, Reading[]>> {
  const rows: (ReadingRow & { wearer_id: string })[] = await readingRows(database)
    .join('dockets', 'dockets.id', 'readings.docket_id')
    .whereIn('code', [...codes])
    .where({ withdrawn_at: null })
    .select('wearer_id');
  const byWearer = new Map<string, Reading[]>();
  for (const { wearer_id, ...row } of rows)
    byWearer.set(wearer_id, [...(byWearer.get(wearer_id) ?? []), toReading(row)]);
  return byWearer;
}

function readingRows(database: Database) {
  return database('readings')
    .leftJoin('reading_withdrawals', 'reading_withdrawals.reading_id', 'readings.id')
    .orderBy(['taken_at', 'readings.id'])
    .select<ReadingRow[]>('readings.*', 'withdrawn_at');
}

function toReading({
  docket_id,
  length_um,
  fitter_id,
  taken_at,
  carried_from,
  withdrawn_at,
  ...row
}: ReadingRow): Reading {
  return {
    ...row,
    docketId: docket_id,
    length: length_um as Length,
    fitterId: fitter_id,
    takenAt: taken_at.toISOString(),
    carriedFrom: carried_from?.toISOString() ?? null,
    withdrawnAt: withdrawn_at?.toISOString() ?? null,
  };
}

/** Keeps a reading for good, with the length derived from what was typed. */
export async function saveReading(
  database: Database,
  id: string,
  save: ReadingSave,
  length: Length,
  fitterId: string,
): Promise<void> {
  const { docketId, takenAt, carriedFrom, ...rest } = save;
  const row = {
    id,
    ...rest,
    docket_id: docketId,
    length_um: length,
    taken_at: new Date(takenAt),
    carried_from: carriedFrom === null ? null : new Date(carriedFrom),
    fitter_id: fitterId,
  };
  await saveOnce(database, 'readings', row, ['docket_id', 'code', 'typed', 'unit', 'length_um', 'taken_at']);
}

/** The docket a reading belongs to. */
export async function docketOfReading(database: Database, readingId: string): Promise<string | undefined> {
  const row = await database('readings')
    .where({ id: readingId })
    .first<{ docket_id: string } | undefined>('docket_id');
  return row?.docket_id;
}

/** Takes a reading back; the first time counts. */
export async function withdrawReading(
  database: Database,
  readingId: string,
  fitterId: string,
): Promise<void> {
  await database('reading_withdrawals')
    .insert({ reading_id: readingId, fitter_id: fitterId, withdrawn_at: new Date() })
    .onConflict('reading_id')
    .ignore();
}
