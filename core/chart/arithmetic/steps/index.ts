import * as z from 'zod';
import { add } from './add';
import { average } from './average';
import { clamp } from './clamp';
import { difference } from './difference';
import { lookup } from './lookup';
import { max } from './max';
import { multiply } from './multiply';
import { reading } from './reading';
import { require } from './require';
import { round } from './round';
import { subtract } from './subtract';
import type { StepKind } from './step';

/** Every kind of step a maker's arithmetic can have. */
const KINDS = [
  reading,
  add,
  subtract,
  multiply,
  average,
  difference,
  max,
  lookup,
  round,
  clamp,
  require,
] as const;

export const derivationStepSchema = z.discriminatedUnion('do', [
  reading.schema,
  add.schema,
  subtract.schema,
  multiply.schema,
  average.schema,
  difference.schema,
  max.schema,
  lookup.schema,
  round.schema,
  clamp.schema,
  require.schema,
]);

type AnyKind = StepKind<typeof derivationStepSchema>;

/** One step, as a chart holds it. */
export type DerivationStep = z.infer<typeof derivationStepSchema>;

const BY_NAME = new Map<string, AnyKind>(KINDS.map((kind) => [kind.do, kind as unknown as AnyKind]));

/**
 * What kind of step a step is: a new kind is one file and its line here.
 *
 * @example kindOfStep({ do: 'multiply' }).operands({ do: 'multiply', as: 'girth', of: 'chest-girth', by: 1.1 }) // ['chest-girth']
 */
export function kindOfStep({ do: name }: Pick<DerivationStep, 'do'>): AnyKind {
  return BY_NAME.get(name)!;
}

export type { Range, StepWords, Work } from './step';
export type { AnyKind };
