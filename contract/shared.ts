import { idSchema, instantSchema, WORKING_UNITS, type Length } from '@neat-measure/core';
import * as z from 'zod';

export { idSchema, instantSchema };

/** A length in whole micrometres. */
export const lengthSchema = z.int().transform((count) => count as Length);

/** The unit a docket is kept in. */
export const unitSchema = z.enum(WORKING_UNITS);

/** Counts the saves of something people edit; a save names the one it started from. */
export const versionSchema = z.int().min(0);

/** One line of text a person wrote. */
export function lineSchema(most: number) {
  return z
    .string()
    .trim()
    .min(1, { error: 'Enter something here.' })
    .max(most, { error: `At most ${most} letters.` });
}
