import type { CompiledChart } from '../../chart/compile-chart';
import { micrometres } from '../../quantity/length';
import { roundLength } from '../../quantity/rounding';
import type { Weighed } from './odds';

/**
 * A reading as its chart has it recorded: where the maker asks for whole inches, the whole inch is the number, and the
 * tape's error is weighed around it.
 */
export function asRecorded({ expects }: Pick<CompiledChart, 'expects'>, reading: Weighed): Weighed {
  const expected = expects.get(reading.code);
  const rounding = expected?.recorded === true ? expected.rounding : null;
  if (rounding === null || rounding.mode === 'down-to-offered') return reading;
  const value = roundLength(micrometres(reading.value), rounding) ?? reading.value;
  return { ...reading, value, step: rounding.step };
}
