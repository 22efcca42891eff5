import * as z from 'zod';
import { idSchema, instantSchema, lineSchema } from '../shared';
import { daySchema, newPieceSchema } from './stock';

/** Which garment of which docket something is for. */
const wantedForSchema = z.object({ docketId: idSchema, chartId: idSchema });

/** What is to be ordered of one article, and why. */
export const needSchema = z.object({
  seriesId: idSchema,
  garment: z.string(),
  maker: z.string(),
  label: z.string(),
  wanted: z.int(),
  there: z.int(),
  coming: z.int(),
  minimum: z.int(),
  forWearers: z.int(),
  forShelf: z.int(),
  spares: z.int(),
  total: z.int(),
  wantedFor: z.array(
    wantedForSchema.extend({ docketNumber: z.int(), wearer: z.string(), openedAt: instantSchema }),
  ),
});
export type StockNeed = z.infer<typeof needSchema>;
export const needsSchema = z.array(needSchema);

export const orderSaveSchema = z.object({
  maker: lineSchema(120),
  /** Where it is to go when it comes. */
  roomId: idSchema,
  lines: z
    .array(
      z.object({
        seriesId: idSchema,
        label: lineSchema(200),
        count: z.int().min(1).max(10_000),
        wantedFor: z.array(wantedForSchema).max(2_000),
      }),
    )
    .min(1, { error: 'Nothing is selected to be ordered. Select at least one size.' })
    .max(500),
});
export type OrderSave = z.infer<typeof orderSaveSchema>;

/** One line of an order, and how it stands. */
export const orderLineSchema = z.object({
  line: z.int(),
  articleId: idSchema,
  seriesId: idSchema,
  garment: z.string(),
  label: z.string(),
  /** The label it was ordered by; `null` where it is called the same still. */
  orderedAs: z.string().nullable(),
  code: z.string(),
  makerCode: z.string().nullable(),
  numbered: z.boolean(),
  count: z.int(),
  wantedFor: z.array(wantedForSchema.extend({ docketNumber: z.int().nullable() })),
  received: z.int(),
  closed: z.int(),
  open: z.int(),
  underWay: z.int(),
  backOrdered: z.object({ count: z.int(), until: daySchema }).nullable(),
  substitute: z.object({ count: z.int(), label: z.string() }).nullable(),
  /** The pieces that are under way by the maker's word. */
  pieces: z.array(z.object({ serial: z.string(), made: daySchema })),
});
export type OrderedLine = z.infer<typeof orderLineSchema>;
export const orderSchema = z.object({
  id: idSchema,
  number: z.int(),
  maker: z.string(),
  roomId: idSchema,
  at: instantSchema,
  stage: z.enum(['draft', 'sent', 'acknowledged', 'part-received', 'done', 'ended']),
  promised: daySchema.nullable(),
  late: z.boolean(),
  /** Since when its maker has named no day, where that is too long. */
  silentSince: daySchema.nullable(),
  /** Whether it went to its maker by the house's own hand, and no desk is asked of it. */
  byHand: z.boolean(),
  lines: z.array(orderLineSchema),
  /** What happened, in words, the oldest first. */
  story: z.array(z.object({ on: z.string(), by: z.string(), says: z.string() })),
});
export type Order = z.infer<typeof orderSchema>;
export const ordersSchema = z.array(orderSchema);
/** How it went to its maker. */
export const orderSentSchema = z.object({ byHand: z.boolean().default(false) });
export const orderClosedSchema = z.object({ lines: z.array(z.int().min(1)).min(1).max(500) });

/** What came of an order, checked off. */
export const deliverySchema = z.object({
  holds: z
    .array(
      z.object({
        /** The line it came for; `null` of what was not ordered. */
        line: z.int().min(1).nullable(),
        /** What it is: the size on its label, whatever was ordered. */
        seriesId: idSchema,
        label: lineSchema(200),
        count: z.int().min(1).max(10_000),
        pieces: z.array(newPieceSchema).max(500),
        /** Whether it is taken in, or goes back to its maker. */
        does: z.enum(['take-in', 'send-back']),
      }),
    )
    .min(1, { error: 'Nothing was counted. Enter how many came.' })
    .max(500),
});
export type Delivery = z.infer<typeof deliverySchema>;
