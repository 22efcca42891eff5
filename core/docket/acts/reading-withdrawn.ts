import * as z from 'zod';
import { measurement } from '../../body/catalogue';
import { MEASUREMENT_CODES } from '../../body/catalogue/codes';
import { ACT_BASE, idSchema, needsNothing, noGarments, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('reading-withdrawn'),
  readingId: idSchema,
  /** What it is a reading of, for people. */
  code: z.enum(MEASUREMENT_CODES),
});
/** Takes a reading back; it stays in the record. */
export type ReadingWithdrawn = z.infer<typeof schema>;

export const readingWithdrawn: ActKind<ReadingWithdrawn> = {
  kind: 'reading-withdrawn',
  schema,
  refuse: ({ readings }, { readingId }) =>
    readings.some(({ id }) => id === readingId) ? null : { code: 'no-such-reading' },
  carryOut: (docket, { readingId, at }) => ({
    ...docket,
    // Taken back by two, it was taken back when the first did.
    readings: docket.readings.map((one) =>
      one.id === readingId && one.withdrawnAt === null ? { ...one, withdrawnAt: at } : one,
    ),
  }),
  // Taken back, it stays so in the record; what stands again is the same reading, taken anew.
  undo: ({ readings }, { readingId }) => {
    const {
      id: _id,
      by: _by,
      takenAt: _at,
      withdrawnAt,
      ...reading
    } = readings.find(({ id }) => id === readingId)!;
    return withdrawnAt === null ? { kind: 'reading-taken', ...reading } : null;
  },
  say: ({ code }) => `undid a reading of ${measurement(code).name.toLowerCase()}`,
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: ({ readingId }) => readingId,
};
