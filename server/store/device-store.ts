import type { StreamedLine } from '@neat-measure/contract';
import { deviceLineSchema, type DeviceLine } from '@neat-measure/core';
import type { Database } from './database';
import { readJson } from './read-json';
import { isDuplicate } from './save-once';

/** Keeps a line of a device. Returns whether it is new; a device's count tells one sent before. */
export async function keepLine(database: Database, line: DeviceLine): Promise<boolean> {
  try {
    await database('device_lines').insert({
      device: line.device,
      seq: line.seq,
      line: JSON.stringify(line),
      received_at: new Date(),
    });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

/** The place of a device's latest line; 0 when it has sent none. */
export async function latestPlace(database: Database, device: string): Promise<number> {
  const row = await database('device_lines')
    .where({ device })
    .max<{ place: number | null }[]>({ place: 'place' });
  return row[0]?.place ?? 0;
}

/** A device's lines behind a place, in the order they came. */
export async function linesBehind(
  database: Database,
  device: string,
  place: number,
): Promise<StreamedLine[]> {
  const rows = await database('device_lines')
    .where({ device })
    .where('place', '>', place)
    .orderBy('place')
    .limit(100)
    .select<{ place: number; line: unknown }[]>('place', 'line');
  return rows.map((row) => ({
    ...readJson(deviceLineSchema, row.line, `device line ${row.place}`),
    place: row.place,
  }));
}
