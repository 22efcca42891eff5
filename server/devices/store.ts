import type { StreamedLine } from '@neat-measure/contract';
import { deviceLineSchema, type DeviceLine } from '@neat-measure/core';
import type { Database } from '../database/database';
import { readJson } from '../database/read-json';
import { isDuplicate } from '../database/trouble';

/**
 * Keeps a line of a device. Returns it with its place; `null` for one sent before: the same
 * count with the same value. A tape that counts anew is heard.
 */
export async function keepLine(database: Database, line: DeviceLine): Promise<StreamedLine | null> {
  try {
    const [place] = await database('device_lines').insert({
      device: line.device,
      seq: line.seq,
      said: `${line.value} ${line.unit}`,
      line: JSON.stringify(line),
      received_at: new Date(),
    });
    return { ...line, place: place! };
  } catch (error) {
    if (isDuplicate(error)) return null;
    throw error;
  }
}

/** The place of the latest line; 0 when none was sent. */
export async function latestLine(database: Database): Promise<number> {
  const row = await database('device_lines').max<{ place: number | null }[]>({ place: 'place' });
  return row[0]?.place ?? 0;
}

/** The lines of some devices behind a place, in the order they came. */
export async function linesBehind(
  database: Database,
  devices: readonly string[],
  place: number,
  most = Number.MAX_SAFE_INTEGER,
): Promise<StreamedLine[]> {
  const rows = await database('device_lines')
    .whereIn('device', [...devices])
    .where('place', '>', place)
    .orderBy('place')
    .limit(most)
    .select<{ place: number; line: unknown }[]>('place', 'line');
  return rows.map((row) => ({
    ...readJson(deviceLineSchema, row.line, `device line ${row.place}`),
    place: row.place,
  }));
}
