import * as z from 'zod';
import { idSchema, lineSchema, versionSchema } from '../shared';
import { daySchema, pieceSchema } from './stock';

/** How a hire ended. */
export const HIRE_OUTCOMES = ['back', 'lost', 'cancelled'] as const;

/** A piece for somebody, from one day to another. */
export const bookingSaveSchema = z.object({
  pieceId: idSchema,
  docketId: idSchema.nullable(),
  /** The garment of the docket. */
  chartId: idSchema.nullable(),
  who: lineSchema(120),
  from: daySchema,
  until: daySchema,
  /** A number somebody noted; the house's money is elsewhere. */
  deposit: z.int().min(0).max(1_000_000).nullable(),
  /** Takes the booking back. */
  cancelled: z.boolean(),
  version: versionSchema,
});
export type BookingSave = z.infer<typeof bookingSaveSchema>;
export const bookingSchema = bookingSaveSchema.omit({ cancelled: true }).extend({
  id: idSchema,
  garment: z.string(),
  label: z.string(),
  serial: z.string(),
  docketNumber: z.int().nullable(),
  /** The first day it can go out again, cleaned and dry. */
  free: daySchema,
  out: daySchema.nullable(),
  back: daySchema.nullable(),
  outcome: z.enum(HIRE_OUTCOMES).nullable(),
  note: z.string().nullable(),
  /** So many days late, by what came back, or today. */
  late: z.int(),
});
export type HireBooking = z.infer<typeof bookingSchema>;

/** Which days are looked at. */
export const hireQuerySchema = z.object({ from: daySchema, until: daySchema, series: idSchema.optional() });
export type HireQuery = z.infer<typeof hireQuerySchema>;
/** The calendar of what is hired: every numbered piece that is the house's, and what is booked. */
export const hireCalendarSchema = z.object({
  pieces: z.array(pieceSchema.extend({ garment: z.string(), seriesId: idSchema })),
  bookings: z.array(bookingSchema),
});
export type HireCalendar = z.infer<typeof hireCalendarSchema>;

/** How many of each size of a garment are free for some days, with the pieces. */
export const freeSchema = z.array(
  z.object({ label: z.string(), pieces: z.array(z.object({ id: idSchema, serial: z.string() })) }),
);
export type Free = z.infer<typeof freeSchema>;
export const freeQuerySchema = hireQuerySchema.extend({ series: idSchema });
