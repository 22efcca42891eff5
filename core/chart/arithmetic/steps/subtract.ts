import { operandSchema, rangeBetween, stepSchema, type StepKind } from './step';

const schema = stepSchema('subtract', { from: operandSchema, take: operandSchema });

/** One length less another. */
export const subtract: StepKind<typeof schema> = {
  do: 'subtract',
  schema,
  operands: ({ from, take }) => [from, take],
  work: () => (out, operands, count) => {
    const [from, take] = [operands[0]!, operands[1]!];
    for (let row = 0; row < count; row++) out[row] = from[row]! - take[row]!;
  },
  range: (_, [from, take]) => rangeBetween(from!, take!),
  failsAs: 'off-scale',
  describe: (_, [from, take]) => `${from!} − ${take!}`,
  tell: (_, [from, take], result) => `${from!} − ${take!} = ${result}`,
};
