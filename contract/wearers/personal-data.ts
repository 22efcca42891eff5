import { actSchema, MEASUREMENT_CODES } from '@neat-measure/core';
import * as z from 'zod';
import { lateActsSchema } from '../dockets/late';
import { auditEntrySchema } from '../house/audit';
import { idSchema, instantSchema, lengthSchema } from '../shared';
import { wearerSchema } from './wearer';

/** Everything that is known of a wearer, as it is handed to them. */
export const wearerExportSchema = z.object({
  format: z.literal('neat-measure-person/1'),
  writtenAt: instantSchema,
  person: wearerSchema,
  /** What their readings come to, by the docket that took each last. */
  measurements: z.array(
    z.object({
      code: z.enum(MEASUREMENT_CODES),
      name: z.string(),
      value: lengthSchema,
      takenAt: instantSchema,
    }),
  ),
  dockets: z.array(
    z.object({
      id: idSchema,
      number: z.int(),
      occasion: z.string(),
      openedAt: instantSchema,
      /** What was done, in words and as it is kept. */
      acts: z.array(z.object({ at: instantSchema, words: z.string(), act: actSchema })),
    }),
  ),
  /** What was done about them at musters, in words: the acts themselves name others, too. */
  musters: z.array(z.object({ at: instantSchema, words: z.string() })),
  /** What was sent after its sign-in had ended and is not decided yet, in words. */
  late: lateActsSchema,
  /** The groups they are in, by name. */
  groups: z.array(z.string()),
  /** What lists told of their body and sizes, as it was written. */
  told: z.array(
    z.object({
      at: instantSchema,
      muster: z.string(),
      readings: z.array(z.object({ code: z.string(), typed: z.string(), unit: z.string() })),
      sizes: z.array(z.object({ item: z.string(), told: z.string() })),
    }),
  ),
  /** What they sent by a link, as it came. */
  sent: z.array(
    z.object({
      sentAt: instantSchema,
      measured: z.array(z.object({ code: z.string(), value: z.int() })),
      wished: z.array(z.object({ wish: z.string(), typed: z.string() })),
    }),
  ),
  /** Who changed or looked at their record, and when. */
  looks: z.array(auditEntrySchema.pick({ at: true, by: true, kind: true, detail: true })),
});
export type WearerExport = z.infer<typeof wearerExportSchema>;
