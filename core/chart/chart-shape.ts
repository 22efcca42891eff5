import * as z from 'zod';
import { MEASUREMENT_CODES } from '../body/catalogue/codes';
import { CLOTHINGS, TENSIONS } from '../body/measurement';
import { WORKING_UNITS } from '../quantity/length';
import { isColumnCode, type ColumnCode } from './column-code';
import { derivationSchema } from './arithmetic/derivation';
import { GARMENT_KINDS } from '../garment/kinds';
import { FIT_POSES } from '../garment/pose';
import { NOMINAL_REACHES, type Cell } from './interval';
import { parseCell } from './formats/parse-cell';
import { writtenLengthSchema, writtenRoundingSchema } from './written-length';

/**
 * The chart as data. These schemas are the chart's definition: what the database keeps, what
 * the API carries and what a chart file holds are all this shape. What it takes in is a little
 * wider than what it gives out: lengths and cells may be written as people write them.
 */

/** Who decides where measurements disagree. */
export const HOUSE_RULES = ['widest-decides', 'key-decides', 'closest'] as const;
export type HouseRule = (typeof HOUSE_RULES)[number];

/** How the wearer likes it: breaks a tie where more than one size would do. Layers beneath count as roomy. */
export const FIT_PREFERENCES = ['close', 'regular', 'roomy'] as const;
export type FitPreference = (typeof FIT_PREFERENCES)[number];

/**
 * Which way a part leans where two sizes would do, whatever the preference: the longer where
 * it can be hemmed, the shorter for a panel that must clear the belt, the larger collar.
 */
export const LEANS = ['larger', 'smaller'] as const;
export type Lean = (typeof LEANS)[number];

/** The most sizes a part may have, and the longest label of one. */
export const MOST_SIZES = 200;
export const LONGEST_SIZE = 24;
/** The most parts and derivations of one garment. */
const MOST_PARTS = 8;
const MOST_DERIVATIONS = 20;

const columnCodeSchema = z.custom<ColumnCode>((text) => typeof text === 'string' && isColumnCode(text), {
  error: 'This is neither a known measurement nor a derived value. Choose one from the list.',
});
const partCodeSchema = z
  .string()
  .regex(/^[a-z][a-z0-9-]{0,38}$/, { error: 'Name the part in small letters, digits and hyphens.' });
const sizeSchema = z
  .string()
  .trim()
  .min(1)
  .max(LONGEST_SIZE)
  // What a record of JavaScript cannot hold would be left out of it in silence.
  .refine((label) => label !== '__proto__', { error: 'This cannot be a size label. Enter another.' });
const sizesSchema = z.array(sizeSchema).max(MOST_SIZES);

const boundSchema = z.object({
  at: writtenLengthSchema,
  edge: z.enum(['printed', 'closed', 'open']),
});
const cellSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('interval'), lower: boundSchema.nullable(), upper: boundSchema.nullable() }),
  z.object({ kind: z.literal('nominal'), at: writtenLengthSchema }),
]);

const columnSchema = z
  .object({
    code: columnCodeSchema,
    /** Deciding measurements place the wearer; advisory ones are only reported. */
    role: z.enum(['deciding', 'advisory']).default('deciding'),
    /** The unit the maker prints this column in. */
    unit: z.enum(WORKING_UNITS),
    reach: z.enum(NOMINAL_REACHES).default('halfway'),
    /**
     * For finished measures of the garment: how much larger than the body it may be. Without
     * it the cells are the body's own measures.
     */
    ease: z.object({ least: writtenLengthSchema, most: writtenLengthSchema }).nullable().default(null),
    /** What may stand in while the measurement is missing, the best first: an estimate, and marked so. */
    standIns: z.array(columnCodeSchema).max(4).default([]),
    /** One a size, in the order of the part's sizes; a text is read in the column's unit. */
    cells: z
      .array(z.union([z.string().min(1).max(60), cellSchema]))
      .min(1)
      .max(MOST_SIZES),
  })
  .transform((column, context) => ({
    ...column,
    cells: column.cells.map((cell, index): Cell => {
      if (typeof cell !== 'string') return cell;
      const read = parseCell(cell, column.unit);
      if (read.ok) return read.value;
      context.addIssue({
        code: 'custom',
        path: ['cells', index],
        message: `“${cell}” is not an interval. Enter 86-90, a single value such as 90, or an open end such as >=130 or <82.`,
      });
      return z.NEVER;
    }),
  }));
export type ChartColumn = z.infer<typeof columnSchema>;

const partSchema = z.object({
  code: partCodeSchema,
  name: z.string().trim().min(1).max(80),
  /** The labels, smallest size first. */
  sizes: sizesSchema.min(1),
  /** What each size measures, where arithmetic of another part needs it; one a size. */
  values: z.array(writtenLengthSchema).nullable().default(null),
  /** What the same sizes are called in other systems, one label a size. */
  otherNames: z
    .array(z.object({ system: z.string().trim().min(1).max(40), labels: sizesSchema }))
    .max(6)
    .default([]),
  columns: z.array(columnSchema).min(1).max(20),
  lean: z.enum(LEANS).nullable().default(null),
  /** The rule of this part, where it differs from the chart's. */
  rule: z.enum(HOUSE_RULES).nullable().default(null),
  /** Which of its sizes are offered depends on what another part came to. */
  offered: z
    .object({ by: partCodeSchema, sizes: z.record(sizeSchema, sizesSchema) })
    .nullable()
    .default(null),
});
export type ChartPart = z.infer<typeof partSchema>;

const expectationSchema = z.object({
  code: z.enum(MEASUREMENT_CODES),
  /** How the maker wants the tape to lie; a reading taken otherwise is flagged, never converted. */
  tension: z.enum(TENSIONS).nullable().default(null),
  clothing: z.enum(CLOTHINGS).nullable().default(null),
  /** How the maker rounds this measurement before looking it up. */
  rounding: writtenRoundingSchema.nullable().default(null),
  /**
   * Whether the rounded number is what is recorded: the maker asks for whole inches, say. It is then the number itself
   * that is sized, and the tape's error is weighed around it, not around what was typed.
   */
  recorded: z.boolean().default(false),
  /** After how many days a value on record is to be measured again. */
  remeasureAfter: z.int().min(1).max(3650).nullable().default(null),
});
export type Expectation = z.infer<typeof expectationSchema>;

const conditionSchema = z.object({
  of: columnCodeSchema,
  is: z.enum(['above', 'at-least', 'below', 'at-most']),
  length: writtenLengthSchema,
});
export type Condition = z.infer<typeof conditionSchema>;

const choiceSchema = z.object({
  /** Its name in the arithmetic: `choice:overlap`. */
  code: partCodeSchema,
  name: z.string().trim().min(1).max(60),
  /** What may be chosen on a docket, and the length it comes to in the arithmetic. */
  ways: z
    .array(z.object({ label: sizeSchema, length: writtenLengthSchema }))
    .min(2)
    .max(8),
  /** The label of the usual one, which is proposed. */
  usual: sizeSchema,
});
/** A length of the arithmetic that is chosen on the docket: the overlap of a vest, say. */
export type ChartChoice = z.infer<typeof choiceSchema>;

const optionSchema = z.object({
  name: z.string().trim().min(1).max(60),
  /** Proposed when any of these holds. */
  when: z.array(conditionSchema).min(1).max(6),
  /** What it adds, for people: "+2 in in the torso, +1 in in the sleeve". */
  adds: z.string().trim().min(1).max(160),
});
export type ChartOption = z.infer<typeof optionSchema>;

const combinationSchema = z.object({
  parts: z.tuple([partCodeSchema, partCodeSchema]),
  /** For each size of the first part, the sizes of the second that are made with it. */
  made: z.record(sizeSchema, sizesSchema),
  /**
   * What they are called together, where that is not made of the two labels: for a size of the first part, by
   * the size of the second. Only a garment of these two parts has such names.
   */
  called: z.record(sizeSchema, z.record(sizeSchema, sizeSchema)).optional(),
});
export type Combination = z.infer<typeof combinationSchema>;

const fitCheckSchema = z.object({
  look: z.string().trim().min(1).max(200),
  otherwise: z.string().trim().min(1).max(200),
  /** How the wearer stands, sits or moves meanwhile; standing where nothing is said. */
  pose: z.enum(FIT_POSES).optional(),
  /** Whether nothing is handed over before it was looked at, or a reason given why not. */
  must: z.boolean().optional(),
  /** What else may be seen, and what that leads to; without any it is only told what to do otherwise. */
  answers: z
    .array(
      z.object({
        says: z.string().trim().min(1).max(120),
        /** The part of which another size is tried then. */
        part: partCodeSchema.optional(),
        leads: z.enum(['up', 'down', 'made-to-measure']).optional(),
      }),
    )
    .min(1)
    .max(6)
    .optional(),
});
/** A check of a maker's own, as their chart has it. */
export type WrittenFitCheck = z.infer<typeof fitCheckSchema>;

/** The name of the form in a file; a later form gets another number. */
export const CHART_FORMAT = 'neat-measure-chart/1';

/** The shape alone, as it is published as JSON Schema; `chartSheetSchema` also checks how its parts go together. */
export const chartShapeSchema = z.object({
  format: z.literal(CHART_FORMAT).default(CHART_FORMAT),
  maker: z.string().trim().min(1).max(80),
  garment: z.string().trim().min(1).max(80),
  kind: z.enum(GARMENT_KINDS).default('other'),
  /** The unit the sheet is printed in; its rulers start in it. */
  unit: z.enum(WORKING_UNITS),
  rule: z.enum(HOUSE_RULES),
  /** What wins under `key-decides`. */
  key: columnCodeSchema.nullable().default(null),
  expects: z.array(expectationSchema).max(MEASUREMENT_CODES.length).default([]),
  derivations: z.array(derivationSchema).max(MOST_DERIVATIONS).default([]),
  /** What is chosen on a docket before the arithmetic is worked out. */
  choices: z.array(choiceSchema).max(6).default([]),
  parts: z.array(partSchema).min(1).max(MOST_PARTS),
  /** How the sizes of the parts make the label: `{waist}x{leg}`. Without it they are parted by spaces. */
  label: z.string().max(120).nullable().default(null),
  /** Which combinations are made; without any, all are. */
  combinations: z.array(combinationSchema).max(12).default([]),
  options: z.array(optionSchema).max(12).default([]),
  cautions: z.array(z.string().trim().min(1).max(500)).max(8).default([]),
  /** Besides those of its kind. */
  fitChecks: z.array(fitCheckSchema).max(20).default([]),
  notes: z.string().max(1000).default(''),
  /** What the maker's own table heads its columns with, so that their next table is known by it. */
  headings: z
    .array(z.object({ printed: z.string().trim().min(1).max(120), means: z.string().max(60) }))
    .max(60)
    .optional(),
});

/** Everything that a maker's sheet says of one garment. */
export type ChartSheet = z.infer<typeof chartShapeSchema>;
