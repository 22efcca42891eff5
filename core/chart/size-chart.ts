import { z } from 'zod';
import { MEASUREMENT_CODES } from '../body/catalogue/codes';
import { WORKING_UNITS, type Length } from '../quantity/length';
import { NOMINAL_REACHES } from './interval';

/**
 * The chart as data. These schemas are the chart's definition: what the database keeps,
 * what the API carries and what a chart file holds are all this shape.
 */

/** Who decides where measurements disagree. */
export const HOUSE_RULES = ['widest-decides', 'key-decides'] as const;
export type HouseRule = (typeof HOUSE_RULES)[number];

/** How the wearer likes it: breaks a tie where more than one size would do. */
export const FIT_PREFERENCES = ['close', 'regular', 'roomy'] as const;
export type FitPreference = (typeof FIT_PREFERENCES)[number];

const lengthSchema = z
  .int()
  .min(-10_000_000)
  .max(100_000_000)
  .transform((count) => count as Length);

const boundSchema = z.object({ at: lengthSchema, edge: z.enum(['printed', 'closed', 'open']) });

const cellSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('interval'), lower: boundSchema.nullable(), upper: boundSchema.nullable() }),
  z.object({ kind: z.literal('nominal'), at: lengthSchema }),
]);

const columnSchema = z.object({
  code: z.enum(MEASUREMENT_CODES),
  /** Deciding measurements place the wearer; advisory ones are only reported. */
  role: z.enum(['deciding', 'advisory']),
  /** The unit the maker prints this column in. */
  unit: z.enum(WORKING_UNITS),
  reach: z.enum(NOMINAL_REACHES),
  /** One a size, in the order of the part's sizes. */
  cells: z.array(cellSchema).min(1),
});
export type ChartColumn = z.infer<typeof columnSchema>;

const partSchema = z
  .object({
    code: z.string().min(1).max(40),
    name: z.string().min(1).max(80),
    /** The labels, smallest size first. */
    sizes: z.array(z.string().min(1).max(24)).min(1),
    columns: z.array(columnSchema).min(1),
  })
  .refine((part) => part.columns.every((column) => column.cells.length === part.sizes.length), {
    error: 'every column needs one cell a size',
  });
export type ChartPart = z.infer<typeof partSchema>;

/** Everything that a maker's sheet says of one garment. */
export const chartSheetSchema = z.object({
  maker: z.string().trim().min(1).max(80),
  garment: z.string().trim().min(1).max(80),
  /** The unit the sheet is printed in; its rulers start in it. */
  unit: z.enum(WORKING_UNITS),
  rule: z.enum(HOUSE_RULES),
  /** The measurement that wins under `key-decides`. */
  key: z.enum(MEASUREMENT_CODES).nullable(),
  /** Composite garments have several parts; a sheet imported from CSV has one. */
  parts: z.array(partSchema).length(1),
});
export type ChartSheet = z.infer<typeof chartSheetSchema>;

/** The one part of a one-part chart. */
export function onlyPart(sheet: ChartSheet): ChartPart {
  return sheet.parts[0]!;
}

/** The codes a chart decides by, in the order of its columns. */
export function decidingCodes(sheet: ChartSheet): ChartColumn['code'][] {
  return sheet.parts.flatMap((part) =>
    part.columns.filter((column) => column.role === 'deciding').map((column) => column.code),
  );
}
