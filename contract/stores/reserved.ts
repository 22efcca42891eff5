import * as z from 'zod';
import { idSchema, instantSchema } from '../shared';

/** Puts something by that lies on a shelf, for a garment of a docket. */
export const reserveSaveSchema = z.object({
  docketId: idSchema,
  chartId: idSchema,
  roomId: idSchema,
  /** Of what is numbered, which piece. */
  pieceId: idSchema.nullable(),
});
export type ReserveSave = z.infer<typeof reserveSaveSchema>;

/** Whether the wearer was told that it has come. */
export const reservedCalledSchema = z.object({ called: z.boolean() });

/** Why something is not to be kept for its docket any more. */
export const ASTRAY = ['docket-gone', 'other-size', 'has-theirs'] as const;

/** Something that is kept for a docket. */
export const reservationSchema = z.object({
  id: idSchema,
  docketId: idSchema,
  /** `null` where the docket is no more. */
  docketNumber: z.int().nullable(),
  wearer: z.string().nullable(),
  articleId: idSchema,
  garment: z.string(),
  label: z.string(),
  /** What stands on the label of its article. */
  code: z.string(),
  serial: z.string().nullable(),
  roomId: idSchema,
  room: z.string(),
  since: instantSchema,
  called: z.object({ at: instantSchema, by: z.string() }).nullable(),
  astray: z.enum(ASTRAY).nullable(),
  /** So many garments are still to come for the docket by its orders. */
  toCome: z.int(),
});
export type Reservation = z.infer<typeof reservationSchema>;
export const reservationsSchema = z.array(reservationSchema);
