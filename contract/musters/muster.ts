import { PARTS } from '@neat-measure/core/muster';
import * as z from 'zod';
import { pageSchema } from '../lists';
import { idSchema, instantSchema, unitSchema } from '../shared';
import { numberSchema } from '../wearers/wearer';

const partsSchema = z.array(z.enum(PARTS));
const daySchema = z.iso.date();

const standingSchema = z.discriminatedUnion('is', [
  z.object({ is: z.literal('expected') }),
  z.object({ is: z.literal('waiting'), since: instantSchema }),
  z.object({ is: z.literal('at'), since: instantSchema, stationId: idSchema }),
  z.object({
    is: z.literal('gone'),
    since: instantSchema,
    how: z.enum(['done', 'owed', 'without']),
    why: z.string().nullable(),
  }),
]);

/** A muster as it stands: what its acts have made of it. */
export const musterSchema = z.object({
  id: idSchema,
  name: z.string(),
  place: z.string(),
  day: daySchema,
  lastDay: daySchema,
  unit: unitSchema,
  openedAt: instantSchema,
  closedAt: instantSchema.nullable(),
  stations: z.array(
    z.object({
      id: idSchema,
      name: z.string(),
      parts: partsSchema,
      fitter: z.object({ id: idSchema, name: z.string() }).nullable(),
      open: z.boolean(),
    }),
  ),
  people: z.array(
    z.object({
      wearerId: idSchema,
      docketId: idSchema,
      groupId: idSchema.nullable(),
      kitId: idSchema.nullable(),
      ownAcceptedAt: instantSchema.nullable(),
      day: z.object({
        standing: standingSchema,
        arrivedAt: instantSchema.nullable(),
        missing: partsSchema.nullable(),
        left: partsSchema,
        visits: z.array(z.object({ stationId: idSchema, from: instantSchema, to: instantSchema })),
        lastAct: idSchema.nullable(),
      }),
    }),
  ),
});

/** Who somebody on a muster is, as it is said there. */
export const musterWearerSchema = z.object({
  id: idSchema,
  name: z.string(),
  role: z.string(),
  number: numberSchema,
});
export type MusterWearer = z.infer<typeof musterWearerSchema>;

/** The wearers of some ids; those who have been erased are left out. */
export const musterWearersSchema = z.array(musterWearerSchema);

/** A named set of wearers that lasts: a squad, an intake, a class. */
export const groupSchema = z.object({ id: idSchema, name: z.string(), count: z.int() });
export type Group = z.infer<typeof groupSchema>;
export const groupsSchema = z.array(groupSchema);
/** Saving a group: its name and all of its wearers. */
export const groupSaveSchema = z.object({
  name: z.string().trim().min(1, { error: 'Enter a name.' }).max(80),
  wearerIds: z.array(idSchema).max(10_000),
});
export type GroupSave = z.infer<typeof groupSaveSchema>;

/** A muster with the names of its wearers. */
export const musterViewSchema = z.object({
  muster: musterSchema,
  /** Up to which act it stands: what is kept behind it is told by the stream. */
  place: z.int(),
  wearers: musterWearersSchema,
  /** The groups its wearers were added with. */
  groups: z.array(groupSchema),
  /** Who of them is on another muster of the same days, by its name: nobody can be at both at once. */
  alsoOn: z.array(z.object({ wearerId: idSchema, muster: z.string() })),
});
export type MusterView = z.infer<typeof musterViewSchema>;

/** A muster as a line of a list. */
export const musterSummarySchema = z.object({
  id: idSchema,
  name: z.string(),
  place: z.string(),
  day: daySchema,
  lastDay: daySchema,
  closedAt: instantSchema.nullable(),
  people: z.int(),
  here: z.int(),
  gone: z.int(),
});
export type MusterSummary = z.infer<typeof musterSummarySchema>;
export const musterSummariesSchema = pageSchema(musterSummarySchema);

/** So many wearers are asked for by their ids at most; who needs more fetches the muster. */
export const MOST_WEARERS_ASKED = 50;

/** Behind which act what is done on a muster is to be told. */
export const musterStreamQuerySchema = z.object({ after: z.coerce.number().int().min(0).default(0) });

/** Which wearers of a muster are asked for. */
export const musterWearersQuerySchema = z.object({
  ids: z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(idSchema).min(1).max(MOST_WEARERS_ASKED)),
});

/** A muster as a list that goes out: its heading, then a row for each wearer. */
export const musterListSchema = z.array(z.array(z.string()));
export type MusterList = z.infer<typeof musterListSchema>;
