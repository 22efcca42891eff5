import { LONGEST_BIN, MOVEMENT_KINDS, OPEN_COMPARTMENTS } from '@neat-measure/core/stock';
import { GARMENT_KINDS } from '@neat-measure/core';
import * as z from 'zod';
import { listQuerySchema, pageSchema } from '../lists';
import { fitterSchema } from '../house/session';
import { idSchema, instantSchema, lineSchema, versionSchema } from '../shared';

/** A day of the calendar, `2026-03-31`. */
export const daySchema = z.iso.date({ error: 'Enter a day such as 2026-03-31.' });
const countSchema = z.int().min(1, { error: 'Enter how many: a whole number, 1 or more.' }).max(10_000);
const reasonSchema = lineSchema(300).nullable();
/** A place as `placeKey` writes it. */
export const placeSchema = z
  .string()
  .regex(/^(?:[0-9a-f-]{36}\/(?:shelf|drying|quarantine)|maker|wearer|waste)$/);
/** The number of a piece: what stands on it. */
const serialSchema = lineSchema(60);
/** A maker's own code, as it is scanned. */
const codeSchema = z
  .string()
  .trim()
  .regex(/^[\x21-\x7e]{3,40}$/, { error: 'A code has 3 to 40 letters, digits and signs, without spaces.' });

export const roomSaveSchema = z.object({ name: lineSchema(60), version: versionSchema });
export const roomSchema = roomSaveSchema.extend({ id: idSchema });
export const roomsSchema = z.array(roomSchema);
export type Room = z.infer<typeof roomSchema>;

export const keepingSchema = z
  .object({
    numbered: z.boolean(),
    lifeMonths: z.int().min(1).max(600).nullable(),
    inspectMonths: z.int().min(1).max(600).nullable(),
    dryingDays: z.int().min(0).max(60),
    sparePercent: z.int().min(0).max(100),
    spareLeast: z.int().min(0).max(1_000),
  })
  .refine(
    ({ numbered, lifeMonths, inspectMonths }) => numbered || (lifeMonths === null && inspectMonths === null),
    {
      error: 'A garment with a last day or with inspections must be numbered piece by piece.',
      path: ['numbered'],
    },
  );
export const keepingSaveSchema = z.object({ keeping: keepingSchema, version: versionSchema });
export type KeepingSave = z.infer<typeof keepingSaveSchema>;
/** How one garment is kept; version 0 while nobody has said it. */
export const keptGarmentSchema = z.object({
  seriesId: idSchema,
  chartId: idSchema,
  garment: z.string(),
  maker: z.string(),
  kind: z.enum(GARMENT_KINDS),
  keeping: keepingSchema,
  version: versionSchema,
});
export const keptGarmentsSchema = z.array(keptGarmentSchema);
export type KeptGarment = z.infer<typeof keptGarmentSchema>;

/** How many of an article lie in each compartment of a room. */
const thereSchema = z.object({
  roomId: idSchema,
  shelf: z.int(),
  drying: z.int(),
  quarantine: z.int(),
  /** Kept for the dockets they came in for. */
  reserved: z.int().default(0),
  /** Of those on its shelf, so many must not be handed out: they are past their day, or failed their inspection. */
  blocked: z.int().default(0),
});
export const articleSchema = z.object({
  id: idSchema,
  /** What stands on its label, as letters and bars. */
  code: z.string(),
  seriesId: idSchema,
  /** The latest version of its chart. */
  chartId: idSchema,
  garment: z.string(),
  maker: z.string(),
  kind: z.enum(GARMENT_KINDS),
  label: z.string(),
  numbered: z.boolean(),
  minimum: z.int(),
  makerCode: z.string().nullable(),
  /** The shelf it stands on, as the house calls it; what is fetched is fetched in their order. */
  bin: z.string().nullable(),
  version: versionSchema,
  there: z.array(thereSchema),
  /** With wearers, as far as they were taken from here. */
  out: z.int(),
  /** Of those, so many went out without a docket, and come back without one. */
  loose: z.int().default(0),
  /** Ordered, and not here yet. */
  coming: z.int(),
  /** So many decided dockets wait for it. */
  wanted: z.int(),
});
export type Article = z.infer<typeof articleSchema>;
export const articlesSchema = pageSchema(articleSchema);
export const stockQuerySchema = listQuerySchema.extend({
  /** Those that lie in a room. */
  room: idSchema.optional(),
  /** Articles below their minimum stock. */
  only: z.enum(['low']).optional(),
});
export type StockQuery = z.infer<typeof stockQuerySchema>;
export const articleSaveSchema = z.object({
  minimum: z.int().min(0).max(10_000),
  makerCode: codeSchema.nullable(),
  /** Not said, it stays as it is. */
  bin: lineSchema(LONGEST_BIN).nullable().optional(),
  version: versionSchema,
});
export type ArticleSave = z.infer<typeof articleSaveSchema>;

export const pieceSchema = z.object({
  id: idSchema,
  articleId: idSchema,
  label: z.string(),
  serial: z.string(),
  made: daySchema.nullable(),
  goodUntil: daySchema.nullable(),
  received: daySchema,
  /** Where it is, as `placeKey` writes it. */
  place: z.string(),
  /** How it stands today, in words; nothing where it is fine. */
  says: z.string(),
  /** Whether it must not be handed out. */
  blocked: z.boolean(),
  /** The docket by which a wearer has it. */
  byDocket: z.int().nullable().default(null),
  lastDay: daySchema.nullable(),
  inspectedBy: daySchema.nullable(),
});
export type Piece = z.infer<typeof pieceSchema>;
export const movementSchema = z.object({
  place: z.int(),
  kind: z.enum(MOVEMENT_KINDS),
  serial: z.string().nullable(),
  from: z.string(),
  to: z.string(),
  count: z.int(),
  reason: z.string().nullable(),
  docket: z.int().nullable(),
  order: z.int().nullable(),
  by: fitterSchema,
  at: instantSchema,
});
export type StockMovement = z.infer<typeof movementSchema>;
/** An article with its pieces and the latest of what happened to it. */
export const articleAccountSchema = z.object({
  article: articleSchema,
  pieces: z.array(pieceSchema),
  movements: z.array(movementSchema),
  /** The inspections of its pieces, the latest first. */
  inspections: z
    .array(
      z.object({
        id: idSchema,
        serial: z.string(),
        day: daySchema,
        passed: z.boolean(),
        note: z.string().nullable(),
        by: fitterSchema,
        at: instantSchema,
      }),
    )
    .default([]),
  /** How many movements there are in all. */
  moved: z.int(),
});
export type ArticleAccount = z.infer<typeof articleAccountSchema>;

/** A piece as it comes in. */
export const newPieceSchema = z.object({
  serial: serialSchema,
  made: daySchema.nullable(),
  goodUntil: daySchema.nullable(),
});
export type NewPiece = z.infer<typeof newPieceSchema>;
/** What came in, beside orders: one garment in one size. */
export const receiptSchema = z
  .object({
    seriesId: idSchema,
    label: lineSchema(200),
    roomId: idSchema,
    compartment: z.enum(OPEN_COMPARTMENTS).default('shelf'),
    count: countSchema,
    /** Of what is numbered, every piece. */
    pieces: z.array(newPieceSchema).max(500),
  })
  .refine(({ count, pieces }) => pieces.length === 0 || pieces.length === count, {
    error: 'Enter one number for each piece.',
    path: ['pieces'],
  })
  .refine(({ pieces }) => new Set(pieces.map(({ serial }) => serial)).size === pieces.length, {
    error: 'A number is listed twice. Remove one.',
    path: ['pieces'],
  });
export type Receipt = z.infer<typeof receiptSchema>;
/** An imported table of stock: many receipts, all or none, with the minimum stock of each. */
export const stockImportSchema = z.object({
  rows: z
    .array(
      z.object({
        seriesId: idSchema,
        label: lineSchema(200),
        count: z.int().min(0).max(10_000),
        minimum: z.int().min(0).max(10_000).nullable(),
        makerCode: codeSchema.nullable(),
        bin: lineSchema(LONGEST_BIN).nullable().default(null),
        serial: serialSchema.nullable(),
        made: daySchema.nullable(),
        /** Where it lies, where the table says so: else on the shelves of the room all of it goes to. */
        roomId: idSchema.nullable().default(null),
        compartment: z.enum(OPEN_COMPARTMENTS).default('shelf'),
      }),
    )
    .min(1)
    .max(2_000),
  roomId: idSchema,
});
export type StockImport = z.infer<typeof stockImportSchema>;

/** What went from somewhere to somewhere within the stores, or out of them. */
export const moveSchema = z.object({
  kind: z.enum(['issued', 'returned', 'moved', 'released', 'written-off']),
  articleId: idSchema,
  from: placeSchema,
  to: placeSchema,
  count: countSchema,
  /** Of what is numbered, each piece. */
  pieceIds: z.array(idSchema).max(500),
  reason: reasonSchema,
  /** How what comes back is: as its label says, altered, or faulty. Of what returns it has to be said. */
  condition: z.enum(['as-labelled', 'altered', 'faulty']).nullable().default(null),
});
export type Move = z.infer<typeof moveSchema>;

export const inspectionSchema = z.object({ day: daySchema, passed: z.boolean(), note: reasonSchema });
export type Inspection = z.infer<typeof inspectionSchema>;
/** What an article is called now; `null` where it stays what it was, an old label. */
export const renamedSchema = z.object({ label: lineSchema(200).nullable() });

/** Nobody counts a room for longer than a month. */
const MOST_SECONDS = 31 * 86_400;

/** What was counted in one compartment of a room, without knowing what is listed. */
export const countSaveSchema = z.object({
  roomId: idSchema,
  compartment: z.enum(OPEN_COMPARTMENTS),
  lines: z.array(z.object({ articleId: idSchema, counted: z.int().min(0).max(10_000) })).max(2_000),
  /** Numbered pieces that were seen. */
  pieceIds: z.array(idSchema).max(2_000),
  /** Whether the whole room was counted, only the garments that were found, or only those very sizes: the stock of the others stays as it is. */
  only: z.enum(['room', 'garments', 'sizes']).default('room'),
  /** How long counting took, in seconds: what moved meanwhile may have been counted or not. */
  seconds: z.int().min(0).max(MOST_SECONDS).default(0),
});
export type CountSave = z.infer<typeof countSaveSchema>;
/** One article that was counted otherwise than was listed when the count was sent. */
export const countDifferenceSchema = z.object({
  articleId: idSchema,
  garment: z.string(),
  label: z.string(),
  counted: z.int(),
  listed: z.int(),
  /** Numbered pieces that were listed and not seen, or were seen and listed elsewhere, then. */
  pieces: z.array(z.object({ id: idSchema, serial: z.string(), seen: z.boolean() })),
});
export type CountDifference = z.infer<typeof countDifferenceSchema>;
/** What a count found otherwise than was listed. */
export const stockCountSchema = z.object({
  id: idSchema,
  differences: z.array(countDifferenceSchema),
  /** What came (above nought) or went (below) there while it was counted: before its shelf was, or after. */
  moved: z.array(z.object({ garment: z.string(), label: z.string(), change: z.int(), at: z.iso.datetime() })),
  explained: z.boolean(),
});
export type StockCount = z.infer<typeof stockCountSchema>;
export const countExplainedSchema = z.object({
  reasons: z.array(z.object({ articleId: idSchema, reason: lineSchema(300) })).max(2_000),
});

/** What a code stands for. */
export const scannedSchema = z.object({ article: articleSchema, piece: pieceSchema.nullable() });
export type Scanned = z.infer<typeof scannedSchema>;

/** What lies on shelves as the rows of a table, the heading first. */
export const stockTableSchema = z.array(z.array(z.string()));

/** What is to be looked at, the gravest first. */
export const WARNING_KINDS = [
  'piece-blocked',
  'overdue',
  'clash',
  'order-late',
  'order-unsent',
  'low',
  'label-gone',
  'reserved-astray',
  'to-call',
  'due-back',
  'dry',
  'piece-soon',
] as const;
export const warningSchema = z.object({
  kind: z.enum(WARNING_KINDS),
  says: z.string(),
  articleId: idSchema.nullable(),
  orderId: idSchema.nullable(),
  bookingId: idSchema.nullable(),
  docketId: idSchema.nullable(),
});
export const warningsSchema = z.array(warningSchema);
export type Warning = z.infer<typeof warningSchema>;

/** What the stores have for one garment of a docket. */
export const docketStockSchema = z.array(
  z.object({
    chartId: idSchema,
    /** The size the wearer goes with, and what it is called in the stores where that is another by now. */
    label: z.string(),
    calledNow: z.string().nullable(),
    numbered: z.boolean(),
    there: z.array(
      z.object({
        roomId: idSchema,
        room: z.string(),
        count: z.int(),
        /** Those of a numbered garment that may go, for the days that were asked about. */
        pieces: z.array(z.object({ id: idSchema, serial: z.string(), says: z.string() })),
      }),
    ),
    /** Other sizes that are there. */
    others: z.array(z.object({ label: z.string(), count: z.int() })),
    coming: z.int(),
    /** The piece that is booked for this docket, or for its wearer's name, and was not fetched yet; with the last day it is booked for. */
    booked: z
      .object({ pieceId: idSchema, until: daySchema, label: z.string(), serial: z.string() })
      .nullable(),
    /** What is kept for this docket since it came in; in another size than the wearer goes with now, it is put back. */
    reserved: z
      .object({ roomId: idSchema, room: z.string(), label: z.string(), pieceId: idSchema.nullable() })
      .nullable()
      .default(null),
    /** The orders it is wanted for, by this docket. */
    orders: z.array(z.object({ number: z.int(), stage: z.string(), promised: daySchema.nullable() })),
  }),
);
export type DocketStock = z.infer<typeof docketStockSchema>;
/** For which days a hire would be. */
export const docketStockQuerySchema = z.object({ from: daySchema.optional(), until: daySchema.optional() });

/** What lies on shelves of the garments of a docket, in every size, before any is decided. Empty in a house without a store room. */
export const docketShelvesSchema = z.array(
  z.object({
    chartId: idSchema,
    /** By the labels of the docket's version of the chart; of a size that is none of these, none is there. */
    sizes: z.array(z.object({ label: z.string(), count: z.int(), coming: z.int() })),
  }),
);
export type DocketShelves = z.infer<typeof docketShelvesSchema>;
