import {
  allowedDifference,
  mm,
  settleReadings,
  type Agreement,
  CHECK_CODES,
  CLOTHINGS,
  HOUSE_RULES,
  INSTRUMENTS,
  MEASURE_UNITS,
  MEASUREMENT_CODES,
  STANCES,
  TENSIONS,
  type MeasurementCode,
} from '@neat-measure/core';
import { z } from 'zod';
import { chartSchema, preferenceSchema } from './chart';
import { decisionSchema } from './decision';
import { protocolIdSchema, protocolSchema } from './protocol';
import { idSchema, instantSchema, lengthSchema, lineSchema, unitSchema, versionSchema } from './shared';
import { wearerSchema } from './wearer';

/** The most garments one docket may hold. */
export const MOST_GARMENTS = 40;

const docketFieldsSchema = z.object({
  wearerId: idSchema,
  occasion: z.string().trim().max(120),
  unit: unitSchema,
  preference: preferenceSchema,
  chartIds: z
    .array(idSchema)
    .max(MOST_GARMENTS)
    .refine((ids) => new Set(ids).size === ids.length, {
      error: 'A garment can stand on the docket only once.',
    }),
  /** Protocols measured besides: for garments that have no chart yet, or for the record. */
  protocolIds: z
    .array(protocolIdSchema)
    .max(MOST_GARMENTS)
    .refine((ids) => new Set(ids).size === ids.length, {
      error: 'A protocol can stand on the docket only once.',
    }),
  /** Rule or preference for single garments, in the place of the chart's and the docket's. */
  overrides: z.record(
    idSchema,
    z.object({ rule: z.enum(HOUSE_RULES).nullable(), preference: preferenceSchema.nullable() }),
  ),
  /** Single measurements asked for besides: a protocol's steps on demand, or any other. */
  extraCodes: z
    .array(z.enum(MEASUREMENT_CODES))
    .max(MEASUREMENT_CODES.length)
    .refine((codes) => new Set(codes).size === codes.length, {
      error: 'A measurement can be asked for only once.',
    }),
  version: versionSchema,
});

/** Opening or changing a docket: whose, for what, in which unit, which garments by chart, which protocols. */
export const docketSaveSchema = docketFieldsSchema.refine(
  ({ chartIds, protocolIds }) => chartIds.length + protocolIds.length > 0,
  { error: 'Choose at least one garment or protocol.', path: ['chartIds'] },
);
export type DocketSave = z.infer<typeof docketSaveSchema>;

export const docketSchema = docketFieldsSchema.extend({
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
  /** The unit a bare number took; of a mass, kg or lb. */
  unit: z.enum(MEASURE_UNITS),
  stance: z.enum(STANCES),
  tension: z.enum(TENSIONS),
  clothing: z.enum(CLOTHINGS),
  instrument: z.enum(INSTRUMENTS),
  origin: z.enum(ORIGINS),
  takenAt: instantSchema,
  /** When it was first taken, where it was carried over from an earlier docket; such a value is settled. */
  carriedFrom: instantSchema.nullable(),
  /** The tape that sent it; `null` when it was typed. */
  device: z.string().max(40).nullable(),
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

/** Passing over a step, and why. It can be taken all the same later. */
export const skipSaveSchema = z.object({
  docketId: idSchema,
  code: z.enum(MEASUREMENT_CODES),
  reason: lineSchema(120),
});
export type SkipSave = z.infer<typeof skipSaveSchema>;
export const skipSchema = skipSaveSchema.extend({ id: idSchema, skippedAt: instantSchema });
export type Skip = z.infer<typeof skipSchema>;

/** Confirming that a suspicion is unfounded, for the values as they stand. */
export const confirmationSaveSchema = z.object({
  docketId: idSchema,
  check: z.enum(CHECK_CODES),
  values: z
    .array(z.object({ code: z.enum(MEASUREMENT_CODES), value: lengthSchema }))
    .min(1)
    .max(10),
  reason: lineSchema(120),
});
export type ConfirmationSave = z.infer<typeof confirmationSaveSchema>;
export const confirmationSchema = confirmationSaveSchema.extend({ id: idSchema, confirmedAt: instantSchema });
export type DocketConfirmation = z.infer<typeof confirmationSchema>;

/** What an earlier docket of the wearer already answers: offered, never used by itself. */
export const recordedSchema = z.object({
  code: z.enum(MEASUREMENT_CODES),
  value: lengthSchema,
  takenAt: instantSchema,
  origin: z.enum(ORIGINS),
  /** Older than the house lets a record stand: to be measured again. */
  due: z.boolean(),
});
export type Recorded = z.infer<typeof recordedSchema>;

/** A docket with everything the Bench shows. */
export const benchSchema = z.object({
  docket: docketSchema,
  wearer: wearerSchema,
  charts: z.array(chartSchema),
  protocols: z.array(protocolSchema),
  readings: z.array(readingSchema),
  record: z.array(recordedSchema),
  skips: z.array(skipSchema),
  confirmations: z.array(confirmationSchema),
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

/** How the standing readings of one measurement stand together; one carried over is settled as it is. */
export function agreementOf(code: MeasurementCode, standing: readonly Reading[]): Agreement {
  const carried = standing.length === 1 && standing[0]!.carriedFrom !== null ? standing[0]! : null;
  if (carried !== null)
    return { state: 'agreed', value: carried.length, difference: mm(0), allowed: allowedDifference(code) };
  return settleReadings(
    code,
    standing.map(({ length }) => length),
  );
}
