import { addUp, operandsSchema, stepSchema, sumOfRanges, type StepKind } from './step';

const schema = stepSchema('add', { of: operandsSchema });

/** The sum of two lengths or more. */
export const add: StepKind<typeof schema> = {
  do: 'add',
  schema,
  operands: ({ of }) => of,
  work: () => addUp,
  range: (_, operands) => sumOfRanges(operands),
  failsAs: 'off-scale',
  describe: (_, operands) => operands.join(' + '),
  tell: (_, operands, result) => `${operands.join(' + ')} = ${result}`,
};
