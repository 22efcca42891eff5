import { operandSchema, stepSchema, type StepKind } from './step';

const schema = stepSchema('reading', { of: operandSchema });

/** Takes a measurement as it is, to give it a name. */
export const reading: StepKind<typeof schema> = {
  do: 'reading',
  schema,
  operands: ({ of }) => [of],
  work: () => (out, operands, count) => {
    out.set(operands[0]!.subarray(0, count));
  },
  range: (_, [of]) => of!,
  failsAs: 'off-scale',
  describe: (_, [of]) => of!,
  tell: (_, [of], __, { unit }) => `${of!} ${unit}`,
};
