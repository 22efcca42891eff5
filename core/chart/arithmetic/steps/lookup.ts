import * as z from 'zod';
import { writtenLength, writtenLengthSchema } from '../../written-length';
import { onOne, operandSchema, stepSchema, type StepKind } from './step';

const schema = stepSchema('lookup', {
  of: operandSchema,
  rows: z
    .array(z.object({ upTo: writtenLengthSchema, gives: writtenLengthSchema }))
    .min(1)
    .max(200),
});

/** What the first row gives whose bound is at or above the value; beyond the last row, nothing. */
export const lookup: StepKind<typeof schema> = {
  do: 'lookup',
  schema,
  operands: ({ of }) => [of],
  work: ({ rows }) => {
    const bounds = Float64Array.from(rows, ({ upTo }) => upTo);
    const given = Float64Array.from(rows, ({ gives }) => gives);
    return onOne((value) => {
      for (let row = 0; row < bounds.length; row++) if (value <= bounds[row]!) return given[row]!;
      return NaN;
    });
  },
  range: ({ rows }) => ({
    least: Math.min(...rows.map(({ gives }) => gives)),
    most: Math.max(...rows.map(({ gives }) => gives)),
  }),
  failsAs: 'off-scale',
  describe: ({ rows }, [of]) => `${of!}, looked up in ${rows.length} rows`,
  written: (step) => ({
    ...step,
    rows: step.rows.map(({ upTo, gives }) => ({ upTo: writtenLength(upTo), gives: writtenLength(gives) })),
  }),
  tell: (_, [of], result, { unit }) => `${of!} ${unit}, looked up: ${result}`,
};
