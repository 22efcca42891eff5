import type { z } from 'zod';
import { writtenLength, writtenLengthSchema } from '../../written-length';
import { growing, onOne, operandSchema, stepSchema, type StepKind } from './step';

const schema = stepSchema('clamp', {
  of: operandSchema,
  least: writtenLengthSchema.nullable().default(null),
  most: writtenLengthSchema.nullable().default(null),
});
type Clamp = z.infer<typeof schema>;

/** A length kept within limits: what lies outside goes to the nearer of them. */
export const clamp: StepKind<typeof schema> = {
  do: 'clamp',
  schema,
  operands: ({ of }) => [of],
  work: (step) => onOne(kept(step)),
  range: (step, [of]) => growing(of!, kept(step)),
  failsAs: 'off-scale',
  describe: (_, [of]) => `${of!}, kept within limits`,
  written: (step) => ({
    ...step,
    least: step.least && writtenLength(step.least),
    most: step.most && writtenLength(step.most),
  }),
  tell: (_, [of], result, { unit }) => `${of!} ${unit}, kept within the maker’s limits: ${result}`,
};

function kept({ least, most }: Clamp): (value: number) => number {
  return (value) => Math.min(Math.max(value, least ?? -Infinity), most ?? Infinity);
}
