import { habitsSchema, TOLD_ITEMS } from '@neat-measure/core';
import * as z from 'zod';
import { chartSchema } from '../charts/chart';
import { kitsSchema } from '../charts/kit';
import { protocolsSchema } from '../charts/protocol';
import { keptActSchema } from '../dockets/acts';
import { recordedSchema, wishedSchema } from '../dockets/docket';
import { idSchema, instantSchema } from '../shared';
import { wearerSchema } from '../wearers/wearer';
import { musterViewSchema } from './muster';

/** Somebody on a muster with their docket, as a device takes them along. */
export const packedPersonSchema = z.object({
  wearer: wearerSchema,
  docketId: idSchema,
  /** The number of the docket; `null` where nobody has opened it yet. */
  number: z.int().nullable(),
  /** Which sizes a list told that fit them, for a docket that is to be opened. */
  told: z.array(z.object({ item: z.enum(TOLD_ITEMS), told: z.string() })),
  record: z.array(recordedSchema),
  wished: z.array(wishedSchema),
  /** Empty where nobody has opened the docket yet. */
  acts: z.array(keptActSchema),
  /** Their other dockets, the earliest first. */
  others: z.array(z.object({ id: idSchema, number: z.int(), acts: z.array(keptActSchema) })).default([]),
});
export type PackedPerson = z.infer<typeof packedPersonSchema>;

const pieceSchema = z.object({ id: idSchema, serial: z.string(), says: z.string() });

/** The stores of the garments of a muster, as they stood. */
export const packedStockSchema = z.object({
  rooms: z.array(z.object({ id: idSchema, name: z.string() })),
  renames: z.array(z.object({ seriesId: idSchema, label: z.string(), to: z.string(), since: z.int() })),
  articles: z.array(
    z.object({
      seriesId: idSchema,
      label: z.string(),
      numbered: z.boolean(),
      coming: z.int(),
      there: z.array(z.object({ roomId: idSchema, count: z.int() })),
      pieces: z.array(pieceSchema.extend({ roomId: idSchema })),
    }),
  ),
  kept: z.array(
    z.object({
      docketId: idSchema,
      chartId: idSchema,
      roomId: idSchema,
      label: z.string(),
      piece: pieceSchema.nullable(),
    }),
  ),
});

/**
 * A muster as a device takes it along: all that is needed to open, measure, decide, try on and hand over without the
 * server, as it stood at one moment.
 */
export const packSchema = z.object({
  /** Which house it is of: another's is not opened. */
  house: z.string(),
  madeAt: instantSchema,
  /** Up to which act it stands. */
  place: z.int(),
  view: musterViewSchema,
  people: z.array(packedPersonSchema),
  /** The latest version of every chart in use, and whatever version the dockets name. */
  charts: z.array(chartSchema),
  /** Which of them can be asked for; the others only stand on dockets. */
  inUse: z.array(idSchema),
  kits: kitsSchema,
  protocols: protocolsSchema,
  habits: habitsSchema,
  stock: packedStockSchema,
});
export type Pack = z.infer<typeof packSchema>;
