import { INSTRUMENTS, MEASUREMENT_CODES, STANCES, TENSIONS, type MeasurementCode } from '@neat-measure/core';
import { z } from 'zod';
import { chartSchema, preferenceSchema } from './chart';
import { decisionSchema } from './decision';
import { idSchema, instantSchema, lengthSchema, lineSchema, unitSchema, versionSchema } from './shared';
import { wearerSchema } from './wearer';

/** The most garments one docket may hold. */
export const MOST_GARMENTS = 40;

/** Opening or changing a docket: whose, for what, in which unit, and which garments by chart. */
export const docketSaveSchema = z.object({
  wearerId: idSchema,
  occasion: z.string().trim().max(120),
  unit: unitSchema,
  preference: preferenceSchema,
  chartIds: z
    .array(idSchema)
    .min(1, { error: 'Choose at least one garment.' })
    .max(MOST_GARMENTS)
    .refine((ids) => new Set(ids).size === ids.length, {
      error: 'A garment can stand on the docket only once.',
    }),
  version: versionSchema,
});
export type DocketSave = z.infer<typeof docketSaveSchema>;

export const docketSchema = docketSaveSchema.extend({
  id: idSchema,
  /** The number people say aloud; given by the server. */
  number: z.int(),
  openedAt: instantSchema,
});
export type Docket = z.infer<typeof docketSchema>;

/** Where a reading comes from. */
export const ORIGINS = ['fitter', 'helper', 'self', 'reported'] as const;

/**
 * A reading as it is taken. What was typed is kept; the length is derived by the server
 * from it, with the unit a bare number took at that moment.
 */
export const readingSaveSchema = z.object({
  docketId: idSchema,
  code: z.enum(MEASUREMENT_CODES),
  typed: lineSchema(40),
  unit: unitSchema,
  stance: z.enum(STANCES),
  tension: z.enum(TENSIONS),
  instrument: z.enum(INSTRUMENTS),
  origin: z.enum(ORIGINS),
  takenAt: instantSchema,
});
export type ReadingSave = z.infer<typeof readingSaveSchema>;

export const readingSchema = readingSaveSchema.extend({
  id: idSchema,
  length: lengthSchema,
  fitterId: idSchema,
  /** When it was taken back; a reading is never deleted. */
  withdrawnAt: instantSchema.nullable(),
});
export type Reading = z.infer<typeof readingSchema>;

/** A docket with everything the Bench shows. */
export const benchSchema = z.object({
  docket: docketSchema,
  wearer: wearerSchema,
  charts: z.array(chartSchema),
  readings: z.array(readingSchema),
  decisions: z.array(decisionSchema),
});
export type Bench = z.infer<typeof benchSchema>;

/** A docket as a list shows it. */
export const docketSummarySchema = z.object({
  docket: docketSchema,
  wearer: wearerSchema,
  garments: z.array(z.object({ chartId: idSchema, garment: z.string(), decided: z.string().nullable() })),
});
export type DocketSummary = z.infer<typeof docketSummarySchema>;
export const docketSummariesSchema = z.array(docketSummarySchema);

/** The readings that count for a set of measurements: not withdrawn, in the order taken. */
export function standingReadings(readings: readonly Reading[], codes: readonly MeasurementCode[]): Reading[] {
  return readings
    .filter(({ code, withdrawnAt }) => withdrawnAt === null && codes.includes(code))
    .sort((a, b) => a.takenAt.localeCompare(b.takenAt) || a.id.localeCompare(b.id));
}
