import type { DerivationPlan } from '../chart/arithmetic/compile-arithmetic';
import type { Derived, DerivedLine } from '../chart/arithmetic/derived';
import { micrometres } from '../quantity/length';
import type { Kernel } from './kernel/kernel';

/** A derivation as the kernel carried it out for one wearer of its round, line by line to where it broke off. */
export function derivedLines(
  { derivation: { code, name }, steps, result, readings }: DerivationPlan,
  kernel: Kernel,
  row: number,
): Derived {
  const at = (slot: number) => kernel.slot(slot)[row]!;
  const lines = steps.flatMap(({ step, from, out }): DerivedLine[] => {
    if (from.some(({ slot }) => Number.isNaN(at(slot))) || Number.isNaN(at(out))) return [];
    const operands = from.map(({ text, slot }) => ({ text, value: micrometres(at(slot)) }));
    return [{ step, operands, result: micrometres(at(out)) }];
  });
  const value = at(result);
  return {
    code,
    name,
    lines,
    result: Number.isNaN(value) ? null : micrometres(value),
    problem: Number.isNaN(value) ? kernel.problem(code, row) : null,
    readings,
  };
}
