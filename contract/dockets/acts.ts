import { actSchema, isMusterAct, MUSTER_ACTS } from '@neat-measure/core';
import * as z from 'zod';
import { idSchema, instantSchema } from '../shared';
import { wearerSaveSchema } from '../wearers/wearer';

/** The most acts of one request; a device that was without a network sends them in parts. */
export const MOST_ACTS = 200;

/** A wearer who was added on a device while it could not reach the server. */
export const newcomerSchema = wearerSaveSchema.omit({ version: true }).extend({ id: idSchema });
export type Newcomer = z.infer<typeof newcomerSchema>;

/**
 * Acts on their way to the server, in the order they were done. Each is read by itself there, so
 * that one that cannot be read holds up none of the others.
 */
export const actsSaveSchema = z.object({
  /** What the fitter who did them got at signing in: under their name they are kept, whoever is signed in now. */
  pen: z.string().min(1).max(100),
  acts: z.array(z.unknown()).min(1).max(MOST_ACTS),
  /** Whom the acts speak of and the server may not know yet; who is known stays as they are. */
  wearers: z.array(newcomerSchema).max(MOST_ACTS).default([]),
  /** The moment it is sent, by the clock the acts have their moments from: how far that is off is kept beside them. */
  clock: instantSchema.optional(),
  /** Which of the acts were done while the server could not be reached: what of them cannot stand is told to both sides. */
  away: z.array(idSchema).max(MOST_ACTS).default([]),
});
export type ActsSave = z.infer<typeof actsSaveSchema>;

/** An act as it is kept, whatever it was done on. */
const kept = <Act>(act: z.ZodType<Act, unknown>) =>
  z.object({
    /** Counts up in the order acts were let in, over all dockets and musters. */
    place: z.int(),
    /** By the server's clock; the act itself has the moment by the device's. */
    receivedAt: instantSchema,
    /** By so many seconds that device's clock was ahead of the server's, where it was off by minutes; behind below none. */
    clockOff: z.int().optional(),
    act,
  });

/** An act on a docket as it is kept. */
export const keptActSchema = kept(actSchema);
export type KeptAct = z.infer<typeof keptActSchema>;

/** An act of a muster as it is kept. */
export const keptMusterActSchema = kept(MUSTER_ACTS.schema);
export type KeptMusterAct = z.infer<typeof keptMusterActSchema>;

/** Any act as it is kept. */
export type KeptAnyAct = KeptAct | KeptMusterAct;

/** Whether what is kept was done on a docket. */
export function isOnDocket(kept: KeptAnyAct): kept is KeptAct {
  return !isMusterAct(kept.act);
}

const keptAnyActSchema: z.ZodType<KeptAnyAct, unknown> = z.union([keptActSchema, keptMusterActSchema]);

/** What became of an act: kept, now or when it was sent before, refused for good, or kept aside. */
export const actAnswerSchema = z.discriminatedUnion('outcome', [
  z.object({ outcome: z.literal('kept'), id: idSchema, kept: keptAnyActSchema }),
  /** `id` is `null` where not even that could be read; `at` is its place in what was sent. */
  z.object({
    outcome: z.literal('refused'),
    id: z.string().nullable(),
    code: z.string(),
    detail: z.string(),
  }),
  /** It came after its sign-in had ended: it waits on the server for a lead fitter. */
  z.object({ outcome: z.literal('late'), id: idSchema, detail: z.string() }),
]);
export type ActAnswer = z.infer<typeof actAnswerSchema>;

/** An answer to each act, in the order sent. */
export const actAnswersSchema = z.array(actAnswerSchema);
