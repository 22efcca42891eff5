import {
  CLOTHINGS,
  INSTRUMENTS,
  MEASUREMENT_CODES,
  ORIGINS,
  TENSIONS,
  WAIST_PLACES,
} from '@neat-measure/core';
import * as z from 'zod';
import { pageSchema } from '../lists';
import { idSchema, instantSchema, lengthSchema, lineSchema, versionSchema } from '../shared';

/** A year and a month, as `2009-04`; `null` where nobody asked. */
export const bornSchema = z
  .string()
  .regex(/^(19|20)\d\d-(0[1-9]|1[0-2])$/, { error: 'Enter year and month, such as 2009-04.' })
  .nullable()
  .default(null);

/** The house's own number of a wearer; `null` where it has none. */
export const numberSchema = z.string().trim().min(1).max(40).nullable().default(null);

/** Adding or editing a wearer; `version` is that of the record edited, 0 for a new one. */
export const wearerSaveSchema = z.object({
  name: lineSchema(120),
  /** What the fitter knows them by: "Patrol warden", "Visitor". */
  role: z.string().trim().max(80),
  /** Year and month of birth, where the house is told it: those who grow are measured again sooner. */
  born: bornSchema,
  number: numberSchema,
  version: versionSchema,
});
export type WearerSave = z.infer<typeof wearerSaveSchema>;

/** A person to be sized. */
export const wearerSchema = z.object({
  id: idSchema,
  name: z.string(),
  role: z.string(),
  born: bornSchema,
  number: numberSchema,
  version: versionSchema,
  updatedAt: instantSchema,
});
export type Wearer = z.infer<typeof wearerSchema>;

export const wearersSchema = pageSchema(wearerSchema);

/** What erasing a wearer does not reach by itself. */
export const erasingSchema = z.object({
  /** Hires without a docket under the same name: they are forgotten as well where that is said. */
  hires: z.array(z.object({ id: idSchema, garment: z.string(), from: z.iso.date(), until: z.iso.date() })),
  /** Files in the outbox that were posted about them. */
  outbox: z.array(z.string()),
});
export type Erasing = z.infer<typeof erasingSchema>;

/** Which hires of the same name are forgotten with a wearer. */
export const eraseSchema = z
  .object({ hires: z.array(idSchema).max(1_000).default([]) })
  .default({ hires: [] });
export type Erase = z.infer<typeof eraseSchema>;

/** What a wearer's measurements were over time. */
export const wearerRecordSchema = z.object({
  person: wearerSchema,
  points: z.array(
    z.object({
      code: z.enum(MEASUREMENT_CODES),
      value: lengthSchema,
      takenAt: instantSchema,
      docket: z.int(),
      origin: z.enum(ORIGINS),
      tension: z.enum(TENSIONS),
      clothing: z.enum(CLOTHINGS),
      waist: z.enum(WAIST_PLACES).nullable(),
      instrument: z.enum(INSTRUMENTS),
      readings: z.int(),
      by: z.object({ id: idSchema, name: z.string() }),
    }),
  ),
  /** Whose latest value is older than the house lets a record stand. */
  due: z.array(z.enum(MEASUREMENT_CODES)),
});
export type WearerRecord = z.infer<typeof wearerRecordSchema>;
