import Papa from 'papaparse';
import * as z from 'zod';

const idSchema = z.uuid();
const daySchema = z.iso.date();
const lineNumberSchema = z.int().min(1).max(2_000);
const labelSchema = z.string().min(1).max(200);

/** The open form of an order: what a maker is sent, as JSON. */
export const orderSheetSchema = z
  .object({
    form: z.literal('neat-measure-order'),
    version: z.literal(1),
    /** The order, for good: the same order sent again is the same. */
    order: idSchema,
    number: z.int().min(1),
    house: z.string().min(1).max(120),
    maker: z.string().min(1).max(120),
    sent: z.iso.datetime(),
    lines: z
      .array(
        z.object({
          line: lineNumberSchema,
          garment: z.string().min(1).max(120),
          label: labelSchema,
          /** The house's own code of it, which stands on the parcel. */
          code: z.string().min(1).max(40),
          count: z.int().min(1).max(10_000),
          /** Whether every piece has a number and a day it was made. */
          numbered: z.boolean(),
        }),
      )
      .min(1)
      .max(2_000),
  })
  .meta({ title: 'An order', description: 'What a house orders of one maker.' });
export type OrderSheet = z.infer<typeof orderSheetSchema>;

const messageBase = { place: z.int().min(1), on: daySchema };

/** What a maker says of an order, in its order. */
export const makerMessageSchema = z.discriminatedUnion('says', [
  z.object({ ...messageBase, says: z.literal('acknowledged'), promised: daySchema }),
  z.object({
    ...messageBase,
    says: z.literal('back-ordered'),
    line: lineNumberSchema,
    count: z.int().min(1),
    until: daySchema,
  }),
  z.object({
    ...messageBase,
    says: z.literal('substituted'),
    line: lineNumberSchema,
    count: z.int().min(1),
    label: labelSchema,
  }),
  z.object({ ...messageBase, says: z.literal('late'), promised: daySchema }),
  z.object({
    ...messageBase,
    says: z.literal('despatched'),
    parcel: z.string().min(1).max(40),
    holds: z
      .array(
        z.object({
          line: lineNumberSchema,
          count: z.int().min(1),
          pieces: z.array(z.object({ serial: z.string().min(1).max(60), made: daySchema })).max(10_000),
        }),
      )
      .min(1),
  }),
]);
export type MakerMessage = z.infer<typeof makerMessageSchema>;

/** What a maker answers when asked how an order stands. */
export const makerAnswerSchema = z
  .object({ order: idSchema, messages: z.array(makerMessageSchema).max(5_000) })
  .meta({ title: 'What a maker says of an order', description: 'Every message, the oldest first.' });
export type MakerAnswer = z.infer<typeof makerAnswerSchema>;

/**
 * The JSON Schemas of the open form of an order and of what its maker answers, as texts.
 *
 * @example JSON.parse(orderJsonSchemas().order).type // 'object'
 */
export function orderJsonSchemas(): { readonly order: string; readonly answer: string } {
  const text = (schema: z.ZodType) =>
    `${JSON.stringify(z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }), null, 2)}\n`;
  return { order: text(orderSheetSchema), answer: text(makerAnswerSchema) };
}

/**
 * An order as a table, a line a row. No cell can start a formula in a spreadsheet.
 *
 * @example orderAsCsv({ number: 7, maker: 'Ostrel Workwear', lines: [{ line: 1, garment: 'Field jacket', label: 'M', code: 'FJ-M', count: 12, numbered: false }] }).split('\n')[1] // '7,Ostrel Workwear,1,Field jacket,M,FJ-M,12,no'
 */
export function orderAsCsv({ number, maker, lines }: OrderSheet): string {
  const rows = lines.map(({ line, garment, label, code, count, numbered }) => ({
    order: number,
    maker,
    line,
    garment,
    size: label,
    code,
    count,
    numbered: numbered ? 'yes' : 'no',
  }));
  return `${Papa.unparse(rows, { newline: '\n', escapeFormulae: true })}\n`;
}
