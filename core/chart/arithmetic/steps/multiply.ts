import * as z from 'zod';
import { growing, operandSchema, stepSchema, type StepKind } from './step';

const schema = stepSchema('multiply', { of: operandSchema, by: z.number().positive().max(10) });

/** A length times a plain factor, such as 0.8. */
export const multiply: StepKind<typeof schema> = {
  do: 'multiply',
  schema,
  operands: ({ of }) => [of],
  work:
    ({ by }) =>
    (out, operands, count) => {
      const values = operands[0]!;
      for (let row = 0; row < count; row++) out[row] = Math.round(values[row]! * by);
    },
  range: ({ by }, [of]) => growing(of!, (value) => value * by),
  failsAs: 'off-scale',
  describe: ({ by }, [of]) => `${of!} × ${by}`,
  tell: ({ by }, [of], result) => `${of!} × ${by} = ${result}`,
};
