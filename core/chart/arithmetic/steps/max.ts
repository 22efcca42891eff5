import { operandsSchema, stepSchema, type StepKind } from './step';

const schema = stepSchema('max', { of: operandsSchema });

/** The largest of two lengths or more. */
export const max: StepKind<typeof schema> = {
  do: 'max',
  schema,
  operands: ({ of }) => of,
  work: () => (out, operands, count) => {
    out.set(operands[0]!.subarray(0, count));
    for (let at = 1; at < operands.length; at++) {
      const values = operands[at]!;
      // Math.max keeps a NaN of either side.
      for (let row = 0; row < count; row++) out[row] = Math.max(out[row]!, values[row]!);
    }
  },
  range: (_, operands) => ({
    least: Math.max(...operands.map(({ least }) => least)),
    most: Math.max(...operands.map(({ most }) => most)),
  }),
  failsAs: 'off-scale',
  describe: (_, operands) => `the largest of ${operands.join(', ')}`,
  tell: (_, operands, result) => `the largest of ${operands.join(', ')}: ${result}`,
};
