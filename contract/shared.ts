import { WORKING_UNITS, type Length } from '@neat-measure/core';
import { z } from 'zod';

/** A UUID v7 made by the client, so that saving the same thing again changes nothing. */
export const idSchema = z.uuidv7();

/** A moment in UTC, as ISO 8601. */
export const instantSchema = z.iso.datetime();

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
    .min(1, { error: 'Write something here.' })
    .max(most, { error: `At most ${most} letters.` });
}
