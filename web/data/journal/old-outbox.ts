import { readReading, type Act, type MeasurementCode } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import type { SignedIn } from '@neat-measure/contract';

const KEPT_AS = 'neat-measure.outbox';

/**
 * What the version before the journal still had to send from this device: its readings and those
 * taken back, as acts of whoever is signed in now, as that version would have sent them. What
 * cannot be read is left where it is.
 */
export function takeOldOutbox({ id, name }: SignedIn): Act[] {
  const kept = localStorage.getItem(KEPT_AS);
  if (kept === null) return [];
  try {
    const rows = JSON.parse(kept) as {
      readonly readingId: string;
      readonly docketId: string;
      readonly reading: Record<string, unknown> | null;
    }[];
    const codes = new Map(rows.map(({ readingId, reading }) => [readingId, reading?.['code']]));
    const acts = rows.map(({ readingId, docketId, reading }): Act => {
      const base = { docketId, by: { id, name } };
      if (reading === null) {
        const code = (codes.get(readingId) ?? 'height') as MeasurementCode;
        const at = new Date().toISOString();
        return { ...base, id: uuidv7(), at, kind: 'reading-withdrawn', readingId, code };
      }
      const { takenAt, docketId: _, ...rest } = reading;
      const read = readReading(String(rest['typed']), rest['code'] as MeasurementCode, rest['unit'] as 'cm');
      if (!read.ok) throw new Error('no reading');
      const length = read.value.length;
      return {
        ...rest,
        ...base,
        id: readingId,
        at: takenAt,
        kind: 'reading-taken',
        length,
      } as unknown as Act;
    });
    localStorage.removeItem(KEPT_AS);
    return acts;
  } catch {
    return [];
  }
}
