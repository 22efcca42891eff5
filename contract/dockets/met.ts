import * as z from 'zod';
import { idSchema, instantSchema } from '../shared';

/**
 * What was done without the server and could not stand beside what was done meanwhile: told to whoever did the one and
 * whoever did the other, on each docket it touches, until they have seen it.
 */
export const metSchema = z.object({
  id: idSchema,
  docketId: idSchema,
  docket: z.int(),
  wearer: z.string(),
  /** What happened, and what to do about it. */
  words: z.string(),
  at: instantSchema,
  /** Whether it is told to whoever asks, and not only to somebody else on the docket. */
  own: z.boolean(),
});
export type Met = z.infer<typeof metSchema>;
export const metsSchema = z.array(metSchema);
