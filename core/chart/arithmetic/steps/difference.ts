import * as z from 'zod';
import { onTwo, operandSchema, rangeBetween, stepSchema, type Range, type StepKind } from './step';
import { list } from '../../../words/list';

const schema = stepSchema('difference', { of: z.tuple([operandSchema, operandSchema]) });

/** How far two lengths lie from each other, whichever is larger. */
export const difference: StepKind<typeof schema> = {
  do: 'difference',
  schema,
  operands: ({ of }) => of,
  work: () => onTwo((one, other) => Math.abs(one - other)),
  range: (_, [one, other]) => withoutSign(rangeBetween(one!, other!)),
  failsAs: 'off-scale',
  describe: (_, operands) => `how far ${list(operands)} are apart`,
  tell: (_, [one, other], result) => `${one!} against ${other!}: ${result} apart`,
};

function withoutSign({ least, most }: Range): Range {
  const [one, other] = [Math.abs(least), Math.abs(most)];
  const nearest = least <= 0 && most >= 0 ? 0 : Math.min(one, other);
  return { least: nearest, most: Math.max(one, other) };
}
