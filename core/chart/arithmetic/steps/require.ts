import * as z from 'zod';
import { onTwo, operandSchema, stepSchema, type StepKind } from './step';

const schema = stepSchema('require', {
  of: operandSchema,
  least: operandSchema,
  because: z.string().min(1).max(200),
});

/** Holds `of` to be at least `least`; if it is not, something was measured wrongly and nothing is derived. */
export const require: StepKind<typeof schema> = {
  do: 'require',
  schema,
  operands: ({ of, least }) => [of, least],
  work: () => onTwo((of, least) => (of >= least ? of : NaN)),
  range: (_, [of]) => of!,
  failsAs: 'requirement',
  describe: ({ because }) => because,
  tell: (_, [of, least], __, { unit }) => `${of!} is at least ${least!} ${unit}, as it must be`,
};
