import { addUp, growing, operandsSchema, stepSchema, sumOfRanges, type StepKind } from './step';
import { list } from '../../../words/list';

const schema = stepSchema('average', { of: operandsSchema });

/** The mean of two lengths or more. */
export const average: StepKind<typeof schema> = {
  do: 'average',
  schema,
  operands: ({ of }) => of,
  work: () => (out, operands, count) => {
    addUp(out, operands, count);
    for (let row = 0; row < count; row++) out[row] = Math.round(out[row]! / operands.length);
  },
  range: (_, operands) => growing(sumOfRanges(operands), (sum) => sum / operands.length),
  failsAs: 'off-scale',
  describe: (_, operands) => `the mean of ${list(operands)}`,
  tell: (_, operands, result) => `(${operands.join(' + ')}) / ${operands.length} = ${result}`,
};
