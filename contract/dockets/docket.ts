import {
  habitsSchema,
  INSTRUMENTS,
  keptVerdictSchema,
  MEASUREMENT_CODES,
  ORIGINS,
  STAGES,
  WAIST_PLACES,
  WISH_CODES,
} from '@neat-measure/core';
import * as z from 'zod';
import { keptActSchema } from './acts';
import { chartSchema } from '../charts/chart';
import { listQuerySchema } from '../lists';
import { protocolSchema } from '../charts/protocol';
import { idSchema, instantSchema, lengthSchema, unitSchema } from '../shared';
import { wearerSchema } from '../wearers/wearer';

/** What an earlier docket of the wearer already answers: offered, never used by itself. */
export const recordedSchema = z.object({
  code: z.enum(MEASUREMENT_CODES),
  value: lengthSchema,
  takenAt: instantSchema,
  origin: z.enum(ORIGINS),
  /** What it was taken with, where that is known. */
  instrument: z.enum(INSTRUMENTS).optional(),
  /** Where the waist was, of what is read at it. */
  waist: z.enum(WAIST_PLACES).nullable().optional(),
  /** How many readings it rests on, where that is known. */
  readings: z.int().min(1).optional(),
  /** Older than the house lets a record stand: to be measured again. */
  due: z.boolean(),
});
export type Recorded = z.infer<typeof recordedSchema>;

/** A length that the wearer wished for on the page of their link: offered, never noted by itself. */
export const wishedSchema = z.object({ wish: z.enum(WISH_CODES), typed: z.string(), unit: unitSchema });
export type Wished = z.infer<typeof wishedSchema>;

/** A docket as it is sent: its acts, and what they speak of. What it shows follows from them. */
export const benchSchema = z.object({
  id: idSchema,
  /** The number people say aloud; given by the server. */
  number: z.int(),
  wearer: wearerSchema,
  /** Every version of a chart that an act names. */
  charts: z.array(chartSchema),
  protocols: z.array(protocolSchema),
  /** How the house sizes now. */
  habits: habitsSchema,
  record: z.array(recordedSchema),
  /** What the wearer wished for, the last they sent of each. */
  wished: z.array(wishedSchema),
  acts: z.array(keptActSchema),
});
export type Bench = z.infer<typeof benchSchema>;

/** Which dockets are wanted: those of some words, or those with a garment that is to be tried on. */
export const docketsQuerySchema = listQuerySchema.extend({ waiting: z.enum(['fitting']).optional() });
export type DocketsQuery = z.infer<typeof docketsQuerySchema>;

/** A docket as a list shows it. */
export const docketSummarySchema = z.object({
  id: idSchema,
  number: z.int(),
  occasion: z.string(),
  openedAt: instantSchema,
  wearer: z.object({ id: idSchema, name: z.string(), role: z.string() }),
  garments: z.array(
    z.object({
      chartId: idSchema,
      garment: z.string(),
      decided: z.string().nullable(),
      stage: z.enum(STAGES),
    }),
  ),
});
export type DocketSummary = z.infer<typeof docketSummarySchema>;

/** The verdict on each garment of a docket, from the readings that stand. */
export const docketVerdictsSchema = z.array(z.object({ chartId: idSchema, verdict: keptVerdictSchema }));
export type DocketVerdicts = z.infer<typeof docketVerdictsSchema>;

/** A garment that carries a flag nobody has decided yet. */
export const exceptionSchema = z.object({
  docketId: idSchema,
  number: z.int(),
  wearer: z.string(),
  chartId: idSchema,
  garment: z.string(),
  maker: z.string(),
  verdict: keptVerdictSchema,
});
export type Exception = z.infer<typeof exceptionSchema>;
/** Which part of the exceptions is wanted, and what they are in order of. */
export const exceptionsQuerySchema = z.object({
  by: z.enum(['garment', 'kind']).default('garment'),
  from: z.coerce.number().int().min(0).max(10_000_000).default(0),
});
export type ExceptionsQuery = z.infer<typeof exceptionsQuerySchema>;

/** A part of the exceptions, and how many dockets are still being judged: theirs are missing. */
export const exceptionsSchema = z.object({
  items: z.array(exceptionSchema),
  total: z.int(),
  /** How many there are in each group: of a garment and its maker, or of a kind of verdict. */
  groups: z.array(z.object({ name: z.string(), count: z.int() })),
  pending: z.int(),
});
export type ExceptionsPage = z.infer<typeof exceptionsSchema>;
