import { MEASURE_UNITS, MEASUREMENT_CODES, TOLD_ITEMS } from '@neat-measure/core';
import { MOST_ADDED } from '@neat-measure/core/muster';
import * as z from 'zod';
import { idSchema, lineSchema } from '../shared';
import { bornSchema, numberSchema } from '../wearers/wearer';

/** A row of a list of wearers as it was read. */
const rowSchema = z.object({
  /** Of the file, so that what is said of it can be found there. */
  line: z.int().min(1),
  name: lineSchema(120),
  role: z.string().trim().max(80),
  born: bornSchema,
  number: numberSchema,
  /** The group they belong to, by its name. */
  group: z.string().trim().min(1).max(80).nullable().default(null),
  /** What the list tells of their body, and which sizes fit them: as it was written. */
  readings: z
    .array(z.object({ code: z.enum(MEASUREMENT_CODES), typed: lineSchema(40), unit: z.enum(MEASURE_UNITS) }))
    .max(MEASUREMENT_CODES.length)
    .readonly()
    .default([]),
  sizes: z
    .array(z.object({ item: z.enum(TOLD_ITEMS), told: lineSchema(40) }))
    .max(TOLD_ITEMS.length)
    .readonly()
    .default([]),
});
export type PeopleRow = z.infer<typeof rowSchema>;

/** Rows to be looked up among the wearers there are. */
export const peopleMatchSchema = z.object({ rows: z.array(rowSchema).min(1).max(MOST_ADDED) });

/** What of a wearer a row would change. */
export const CHANGED_FIELDS = ['name', 'role', 'born', 'number'] as const;
export type ChangedField = (typeof CHANGED_FIELDS)[number];

/** Who a row is: somebody who is known, or might be, or is new. */
const rowMatchedSchema = z.object({
  line: z.int(),
  /** The wearers it may be; one is who it is, and more cannot be told apart by the row. */
  known: z.array(
    z.object({ id: idSchema, name: z.string(), role: z.string(), born: bornSchema, number: numberSchema }),
  ),
  /** What it would change of the one; nothing where the row says nothing else. */
  changes: z.array(z.enum(CHANGED_FIELDS)),
  /** Whether that one is on the muster already. */
  onMuster: z.boolean(),
});
export type RowMatched = z.infer<typeof rowMatchedSchema>;

/** What the rows come to, and what of them is new to the house. */
export const peopleMatchedSchema = z.object({
  rows: z.array(rowMatchedSchema),
  /** Groups that are not there yet, and roles that no wearer and no kit has. */
  newGroups: z.array(z.string()),
  newRoles: z.array(z.string()),
});
export type PeopleMatched = z.infer<typeof peopleMatchedSchema>;

/** What a heading of a list was said to be. */
const headingSchema = z.object({ heading: lineSchema(120), role: lineSchema(80) });
export const headingsSchema = z.array(headingSchema);
export type Headings = z.infer<typeof headingsSchema>;

/** A list to be put on a muster: those who are new are added to the wearers, and the others changed where that is wanted. */
export const peopleImportSchema = z.object({
  /** Of the act that puts them on: sending it again changes nothing. */
  actId: idSchema,
  at: z.iso.datetime(),
  kitId: idSchema.nullable(),
  /** Whether what rows say otherwise of known wearers is saved. */
  changes: z.boolean(),
  /** What columns were said to be, by the plain words of their headings: the house remembers it. */
  headings: z.array(headingSchema).max(200).default([]),
  rows: z
    .array(
      rowSchema.extend({
        wearerId: idSchema,
        docketId: idSchema,
        /** Whether the wearer is new. */
        isNew: z.boolean(),
      }),
    )
    .min(1)
    .max(MOST_ADDED),
});
export type PeopleImport = z.infer<typeof peopleImportSchema>;

/** What an import came to. */
export const peopleImportedSchema = z.object({ added: z.int(), changed: z.int(), onMuster: z.int() });
export type PeopleImported = z.infer<typeof peopleImportedSchema>;
