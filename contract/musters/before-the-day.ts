import { MEASUREMENT_CODES } from '@neat-measure/core';
import * as z from 'zod';
import { idSchema, instantSchema, lengthSchema } from '../shared';

/** So many slips are printed at once; a muster of more prints its parts. */
export const MOST_SLIPS = 500;

/** Slips to be printed, or letters to be posted, for measuring oneself: one a wearer. Earlier ones end. */
export const slipsWantedSchema = z.object({
  lastDay: z.iso.date(),
  wearerIds: z.array(idSchema).min(1).max(MOST_SLIPS),
  as: z.enum(['slips', 'letters']),
});
export type SlipsWanted = z.infer<typeof slipsWantedSchema>;

/** Why somebody has no slip. */
export const NO_SLIP = ['asks-nothing', 'erased'] as const;

/** What became of them. Codes are told on paper alone: only what proves one is kept. */
export const slipsMadeSchema = z.object({
  made: z.int(),
  without: z.array(z.object({ wearerId: idSchema, why: z.enum(NO_SLIP) })),
  /** The slips as a PDF, in base64; `null` where they went as letters, or there are none. */
  pdf: z.base64().nullable(),
});
export type SlipsMade = z.infer<typeof slipsMadeSchema>;

/** How far somebody has come who was asked to measure themselves. */
export const ASKED_STATES = ['not-asked', 'sent', 'opened', 'answered', 'ended'] as const;
export type AskedState = (typeof ASKED_STATES)[number];

/** What came of asking somebody. */
export const askedSchema = z.object({
  wearerId: idSchema,
  state: z.enum(ASKED_STATES),
  /** When they answered, else when they looked, else when they were asked. */
  at: instantSchema.nullable(),
  /** Until when they can answer. */
  until: instantSchema.nullable(),
  /** What they sent. */
  values: z.array(z.object({ code: z.enum(MEASUREMENT_CODES), value: lengthSchema })),
  /** What of it can be accepted for a group. */
  acceptable: z.array(z.enum(MEASUREMENT_CODES)),
  /** Why the rest cannot, and what looks wrong, in words. */
  concerns: z.array(z.string()),
});
export type Asked = z.infer<typeof askedSchema>;
export const askedListSchema = z.array(askedSchema);

/** A code that was scanned or typed at a station. */
export const slipScannedSchema = z.object({ code: z.string().trim().min(1).max(300) });
/** Whose it is. */
export const slipOwnerSchema = z.object({ wearerId: idSchema });

/** An order before anybody is measured: the chance that it is enough, and whom it is for beside the list. */
export const orderAheadWantedSchema = z.object({
  chance: z.number().min(0.5).max(0.99),
  /** Whether it is to be enough of each garment by itself, or that nobody goes without any of theirs. */
  over: z.enum(['each', 'all']).default('all'),
  /** People of whom only their build is known: they are not on the list, or it is empty. */
  others: z
    .array(
      z.object({
        build: z.enum(['men', 'women']).nullable(),
        count: z.int().min(1).max(2_000),
        kitId: idSchema,
      }),
    )
    .max(20)
    .default([]),
});
export type OrderAheadWanted = z.infer<typeof orderAheadWantedSchema>;

/** What to order of one garment. */
export const garmentAheadSchema = z.object({
  seriesId: idSchema,
  maker: z.string(),
  garment: z.string(),
  lines: z.array(
    z.object({
      label: z.string(),
      mean: z.number(),
      from: z.int(),
      to: z.int(),
      quarter: z.int(),
      median: z.int(),
      threeQuarters: z.int(),
      order: z.int(),
      /** On the shelves, and coming by orders. */
      there: z.int(),
      coming: z.int(),
    }),
  ),
  chance: z.number(),
  ordered: z.int(),
  leftOver: z.number(),
  leftOverAtMost: z.number(),
  beyond: z.number(),
  /** Of how many nothing leads to a size. */
  untold: z.int(),
  /** What was reckoned by the build of those it was not taken of. */
  reckoned: z.array(z.enum(MEASUREMENT_CODES)),
  members: z.int(),
});
export type GarmentAhead = z.infer<typeof garmentAheadSchema>;

/** The whole of it, and what it rests on. */
export const orderAheadSchema = z.object({
  /** The chance that nobody who has a size goes without any garment. */
  chance: z.number(),
  garments: z.array(garmentAheadSchema),
  restsOn: z.object({
    /** Wearers with measurements of a fitter, with their own alone, and with none. */
    measured: z.int(),
    own: z.int(),
    nothing: z.int(),
    /** Of whom a value was moved by how they have grown. */
    grown: z.int(),
    worlds: z.int(),
  }),
});
export type OrderAheadView = z.infer<typeof orderAheadSchema>;

/** Something to be fetched for somebody who is decided. */
const pickSchema = z.object({
  docketId: idSchema,
  chartId: idSchema,
  docketNumber: z.int(),
  wearer: z.string(),
  garment: z.string(),
  label: z.string(),
});

/** What is fetched for a muster, room by room; what nobody can fetch; and what is ready. */
export const picksSchema = z.object({
  rooms: z.array(
    z.object({
      roomId: idSchema,
      room: z.string(),
      /** Together what lies together. */
      lines: z.array(
        z.object({
          garment: z.string(),
          label: z.string(),
          /** The shelf, where the house has said so; in the order of shelves, and what has none last. */
          bin: z.string().nullable(),
          for: z.array(pickSchema),
        }),
      ),
    }),
  ),
  /** Numbered pieces: which one is chosen by hand. */
  numbered: z.array(pickSchema),
  /** Not on any shelf, with how many of that size are coming. */
  short: z.array(pickSchema.extend({ coming: z.int() })),
  /** Wearers for whom something is reserved, with how much of what they wait for that is. */
  ready: z.array(
    z.object({
      wearerId: idSchema,
      docketNumber: z.int(),
      wearer: z.string(),
      reserved: z.int(),
      waits: z.int(),
    }),
  ),
});
export type Picks = z.infer<typeof picksSchema>;
/** How many garments were reserved. */
export const picksReservedSchema = z.object({ reserved: z.int() });
