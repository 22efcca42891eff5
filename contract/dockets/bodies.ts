import { MEASUREMENT_CODES } from '@neat-measure/core';
import * as z from 'zod';
import { idSchema, lengthSchema } from '../shared';

/** So many measurements are asked for at once: those of all charts of a kind. */
const MOST_CODES = 40;

/** Which measurements are asked for: their codes with commas between. */
export const bodiesQuerySchema = z.object({
  codes: z
    .string()
    .transform((codes) => codes.split(','))
    .pipe(z.array(z.enum(MEASUREMENT_CODES)).min(1).max(MOST_CODES)),
  /** Of the wearers of one group; without it of everybody. */
  group: idSchema.optional(),
});

/**
 * The values that stand on the roll, one record a wearer who has any of them, in no order that
 * says who: what a map or a coverage needs, and nothing that names anybody.
 */
export const bodiesSchema = z.array(z.partialRecord(z.enum(MEASUREMENT_CODES), lengthSchema));
export type Bodies = z.infer<typeof bodiesSchema>;
