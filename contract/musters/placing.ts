import { AIMS, APART } from '@neat-measure/core/placing';
import * as z from 'zod';
import { idSchema, instantSchema } from '../shared';

/** So many wearers are held to a size at once. */
export const MOST_PINS = 200;

/** So many wearers are named at most; more are placed all together. */
export const MOST_NAMED = 2_000;

/** How a sizing is placed: what is made least first, whether more may be ordered, what may be worn, and who is held to what. */
export const placingWishSchema = z.object({
  aims: z
    .array(z.enum(AIMS))
    .length(AIMS.length)
    .refine((aims) => new Set(aims).size === AIMS.length, 'Name each aim once.'),
  mayOrder: z.boolean(),
  leastPercent: z.int().min(1).max(50),
  pins: z
    .array(z.object({ wearerId: idSchema, seriesId: idSchema, label: z.string().min(1).max(200) }))
    .max(MOST_PINS),
  /** Of whom; `null` for everybody. */
  wearerIds: z.array(idSchema).max(MOST_NAMED).nullable(),
});
export type PlacingAsked = z.infer<typeof placingWishSchema>;

const totals = z.object({ without: z.int(), misfit: z.int(), ordered: z.int() });

/** Everybody placed, garment by garment, by what there was at that moment. */
export const placingSchema = z.object({
  at: instantSchema,
  garments: z.array(
    z.object({
      seriesId: idSchema,
      garment: z.string(),
      maker: z.string(),
      totals,
      otherwise: z.int(),
      isProven: z.boolean(),
      gap: z.number(),
      lines: z.array(z.object({ label: z.string(), given: z.int(), there: z.int(), ordered: z.int() })),
      moved: z.array(z.object({ wearerId: idSchema, from: z.string(), to: z.string(), chance: z.int() })),
      without: z.array(z.object({ wearerId: idSchema, wearable: z.array(z.string()) })),
      apart: z.record(z.enum(APART), z.int()),
      helps: z.object({ label: z.string(), count: z.int() }).nullable(),
      pins: z.array(z.object({ wearerId: idSchema, costs: totals })),
    }),
  ),
});
export type PlacingView = z.infer<typeof placingSchema>;
