import type { Tape } from '@neat-measure/contract';
import type { Database } from '../database/database';

/** Pairs a tape, or gives it another secret; only a hash of it is kept. */
export async function pairTape(
  database: Database,
  device: string,
  secretHash: string,
  fitterId: string,
): Promise<void> {
  const row = { device, secret_hash: secretHash, paired_by: fitterId, paired_at: new Date(), seen_at: null };
  await database('tapes').insert(row).onConflict('device').merge();
}

/** The name of the tape that has a secret; that it was heard is noted. */
export async function findTape(database: Database, secretHash: string): Promise<string | undefined> {
  const row = await database('tapes')
    .where({ secret_hash: secretHash })
    .first<{ device: string } | undefined>();
  if (row === undefined) return undefined;
  await database('tapes').where({ device: row.device }).update({ seen_at: new Date() });
  return row.device;
}

/** Whether a tape was ever heard here, or is paired: one let in no more has still sent what it has sent. */
export async function isKnownTape(database: Database, device: string): Promise<boolean> {
  const found = await Promise.all(
    (['tapes', 'device_lines'] as const).map((table) => database(table).where({ device }).first('device')),
  );
  return found.some((row) => row !== undefined);
}

/** Every paired tape by its name. */
export async function listTapes(database: Database): Promise<Tape[]> {
  const rows = await database('tapes')
    .join('fitters', 'fitters.id', 'tapes.paired_by')
    .orderBy('device')
    .select<
      { device: string; paired_at: Date; seen_at: Date | null; name: string }[]
    >('device', 'paired_at', 'seen_at', 'fitters.name');
  return rows.map(({ device, paired_at, seen_at, name }) => ({
    device,
    pairedAt: paired_at.toISOString(),
    pairedBy: name,
    seenAt: seen_at?.toISOString() ?? null,
  }));
}

/** Lets a tape in no more; whether it was. */
export async function unpairTape(database: Database, device: string): Promise<boolean> {
  return (await database('tapes').where({ device }).delete()) > 0;
}
