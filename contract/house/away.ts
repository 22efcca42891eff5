import * as z from 'zod';
import { idSchema, instantSchema } from '../shared';
import { fitterSchema } from './session';

/** So much may wait on a device, by docket and muster; beyond it is told by its first. */
export const MOST_WAITS = 500;

/** So many wearers a device may name. */
export const MOST_KNOWN = 500;

/** What a device says of itself whenever it has the server: the time by its own clock, and what waits there. */
export const deviceContactSchema = z.object({
  clock: instantSchema,
  /** What is not sent yet, by the docket or muster it was done on. */
  waits: z
    .array(z.object({ subject: idSchema, acts: z.int().min(1), readings: z.int().min(0) }))
    .max(MOST_WAITS),
  /** Wearers whose names it has beside the muster it took along. */
  knows: z.array(idSchema).max(MOST_KNOWN).default([]),
});
export type DeviceContact = z.infer<typeof deviceContactSchema>;

/**
 * What it is told: the time here, whether a lead fitter has ended it, so that it must erase what it has, and which of the
 * wearers it named are not in the house any more, so that it must forget them.
 */
export const deviceHeardSchema = z.object({
  now: instantSchema,
  ended: z.boolean(),
  gone: z.array(idSchema).default([]),
});
export type DeviceHeard = z.infer<typeof deviceHeardSchema>;

/** What was done, or begun, on a device that is away, and has not come. */
export const missingSchema = z.object({
  docketId: idSchema,
  /** `null` where the docket was not opened here yet. */
  number: z.int().nullable(),
  wearer: z.string(),
  /** Where: the station the wearer stood at; `null` where the device itself said that something waited. */
  station: z.string().nullable(),
  /** How many changes it said; `null` where nobody knows. */
  changes: z.int().nullable(),
});
export type Missing = z.infer<typeof missingSchema>;

/** A device that has taken a muster along. */
export const awayDeviceSchema = z.object({
  id: idSchema,
  /** What the browser says of itself. */
  agent: z.string(),
  muster: z.object({ id: idSchema, name: z.string() }).nullable(),
  /** Who has signed in there since. */
  fitters: z.array(z.string()),
  takenAt: instantSchema,
  heardAt: instantSchema,
  /** By so many seconds its clock was ahead of the server's when it was last heard; behind where it is less than none. */
  clockOff: z.int(),
  endedAt: instantSchema.nullable(),
  endedBy: fitterSchema.nullable(),
  /** When it said that it has erased what it had. */
  erasedAt: instantSchema.nullable(),
  missing: z.array(missingSchema),
});
export type AwayDevice = z.infer<typeof awayDeviceSchema>;
export const awayDevicesSchema = z.array(awayDeviceSchema);
