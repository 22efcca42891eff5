import {
  type CHANGE_REASONS,
  EVERYBODY,
  RESTS,
  SHOWS,
  STANDS,
  type TableFilter,
} from '@neat-measure/core/group';
import { VERDICTS } from '@neat-measure/core';
import * as z from 'zod';
import { idSchema, instantSchema, lineSchema } from '../shared';
import { musterWearersSchema } from './muster';

/** Whom a sizing is of: a muster by its kits, or a group by one kit, or by those of its wearers' roles. */
export const sizingWantedSchema = z.object({
  of: z.enum(['muster', 'group']),
  subjectId: idSchema,
  /** For whoever has no docket and no kit of their own; `null` for that of their role. */
  kitId: idSchema.nullable().default(null),
});
export type SizingWanted = z.infer<typeof sizingWantedSchema>;

/** How far a sizing has come. */
export const SIZING_STATES = ['running', 'done', 'cancelled', 'failed'] as const;

/** A sizing as a line of a list, and how far it is. */
export const sizingProgressSchema = z.object({
  id: idSchema,
  state: z.enum(SIZING_STATES),
  /** So many steps of so many. */
  done: z.int(),
  steps: z.int(),
  madeAt: instantSchema,
  by: z.string(),
  /** How many wearers it is of. */
  wearers: z.int(),
});
export type SizingProgress = z.infer<typeof sizingProgressSchema>;
export const sizingListSchema = z.array(sizingProgressSchema);

/** Whose sizings are listed. */
export const sizingsQuerySchema = z.object({ of: idSchema });

const places = z.array(z.int().min(-1));
const byRow = z.record(z.string(), z.array(z.int()));

/** A whole group sized at one moment, as `Sizing` of the core has it. */
export const sizingSchema = z.object({
  habits: z.int(),
  /** Empty for whoever was erased since. */
  wearerIds: z.array(z.string()),
  docketIds: z.array(z.string()),
  rests: z.array(
    z
      .int()
      .min(0)
      .max(RESTS.length - 1),
  ),
  acts: z.array(z.int()),
  garments: z.array(
    z.object({
      chartId: idSchema,
      seriesId: idSchema,
      version: z.int(),
      garment: z.string(),
      maker: z.string(),
      protects: z.boolean(),
      labels: z.array(z.string()),
      verdicts: z.array(
        z
          .int()
          .min(-1)
          .max(VERDICTS.length - 1),
      ),
      sizes: places,
      stands: z.array(
        z
          .int()
          .min(0)
          .max(STANDS.length - 1),
      ),
      odds: byRow,
      others: byRow,
    }),
  ),
});

/** What is on shelves and coming of a garment, by label. */
const stockLineSchema = z.object({ label: z.string(), there: z.int(), coming: z.int() });

/** A sizing that is done, with who its wearers are now: whoever was erased is on it no more. */
export const sizingViewSchema = z.object({
  progress: sizingProgressSchema,
  sizing: sizingSchema,
  wearers: musterWearersSchema,
  /** The groups of its wearers, by name, with their ids. */
  groups: z.array(z.object({ name: z.string(), wearerIds: z.array(idSchema) })),
  /** Of each garment's series, as it is now. */
  stock: z.array(z.object({ seriesId: idSchema, lines: z.array(stockLineSchema) })),
});
export type SizingView = z.infer<typeof sizingViewSchema>;

/** Why somebody is sized otherwise than before, as it is said. */
export const CHANGE_WORDS: Readonly<Record<(typeof CHANGE_REASONS)[number], string>> = {
  decided: 'decided since',
  measured: 'measured since',
  chart: 'a new version of the chart',
  habits: 'other sizing rules',
  record: 'another value on record',
  added: 'added since',
  gone: 'no longer on the list',
};

/** So many wearers are printed at once: whoever wants more has a table, or prints group by group. */
export const MOST_PRINTED = 2_000;

const place = z.coerce.number().int().min(0);

/** Which rows of the table are printed, as an address carries it; what is left out is as for everybody. */
export const sizingSheetQuerySchema = z.object({
  search: z.string().max(200).default(''),
  group: z.string().nullable().default(null),
  garment: place.nullable().default(null),
  shows: z.enum(SHOWS).default('all'),
  /** Two places, parted by a blank. */
  between: z
    .string()
    .regex(/^\d+ \d+$/)
    .transform((pair) => pair.split(' ').map(Number) as [number, number])
    .nullable()
    .default(null),
  sortBy: z.union([z.literal('name'), place]).default('name'),
});

/** What of the table is printed, as the query of an address; `sizingSheetQuerySchema` reads it. */
export function sizingSheetQuery(filter: TableFilter): string {
  const given = Object.entries(filter).filter(
    ([name, value]) => value !== null && value !== EVERYBODY[name as keyof TableFilter],
  );
  return new URLSearchParams(
    given.map(([name, value]): [string, string] => [
      name,
      Array.isArray(value) ? value.join(' ') : String(value),
    ]),
  ).toString();
}

/** So many dockets are decided with one request; who has more decides the rest after. */
export const MOST_DECIDED = 500;

/** One garment decided alike on many dockets of a sizing. */
export const decideManySchema = z.object({
  /** What the decisions have in common; sent again under it nothing is decided twice. */
  id: idSchema,
  chartId: idSchema,
  /** The size for all of them; `null` for each one's own proposal. */
  label: z.string().min(1).max(200).nullable(),
  reason: lineSchema(300).nullable(),
  docketIds: z.array(idSchema).min(1).max(MOST_DECIDED),
});
export type DecideMany = z.infer<typeof decideManySchema>;

/** What became of it: how many, and who was left as they are, with why. */
export const decidedManySchema = z.object({
  done: z.int(),
  left: z.array(z.object({ docketId: idSchema, why: z.string() })),
});
export type DecidedMany = z.infer<typeof decidedManySchema>;
