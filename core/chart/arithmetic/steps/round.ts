import { micrometres } from '../../../quantity/length';
import { roundEach, roundLength } from '../../../quantity/rounding';
import { writtenRounding, writtenRoundingSchema } from '../../written-length';
import { growing, operandSchema, stepSchema, type StepKind } from './step';

const schema = stepSchema('round', { of: operandSchema, to: writtenRoundingSchema });

/** A length brought onto a grid, or down to what is offered; below all that is offered, nothing. */
export const round: StepKind<typeof schema> = {
  do: 'round',
  schema,
  operands: ({ of }) => [of],
  work: ({ to }) => {
    const each = roundEach(to);
    return (out, operands, count) => {
      each(out, operands[0]!, count);
    };
  },
  range: ({ to }, [of]) =>
    to.mode === 'down-to-offered'
      ? { least: Math.min(...to.offered), most: Math.max(...to.offered) }
      : growing(of!, (value) => roundLength(micrometres(Math.round(value)), to)!),
  failsAs: 'off-scale',
  describe: ({ to }, _, { rounding }) => rounding(to),
  written: (step) => ({ ...step, to: writtenRounding(step.to) }),
  tell: ({ to }, [of], result, { unit, rounding }) => `${of!} ${unit}, ${rounding(to)}: ${result}`,
};
