import type { MeasurementCode } from '../../body/catalogue/codes';
import { isDerivedCode } from '../../chart/column-code';
import { isOnBound } from '../../chart/cut-column';
import type { Kernel } from '../kernel/kernel';
import type { Weighed } from './odds';

/**
 * The measurements of one wearer of a kernel's round that lie right on a bound of a size. Fitters read to the half
 * inch and makers print bounds that readings fall on: by the chart's own word such a bound belongs to one size.
 */
export function onBounds(kernel: Kernel, row: number): ReadonlySet<MeasurementCode> {
  const found = new Set<MeasurementCode>();
  for (const { whole } of kernel.chart.parts)
    for (const { code, cut } of whole.deciding) {
      // What is rounded first lies on no bound by itself.
      if (isDerivedCode(code) || (kernel.chart.expects.get(code)?.rounding ?? null) !== null) continue;
      const value = kernel.values(code)[row]!;
      if (!Number.isNaN(value) && isOnBound(cut, value)) found.add(code);
    }
  return found;
}

/**
 * Readings with those that lie on a bound held to it: what is left is what the tape's error does beyond what
 * recording to the half inch does by itself.
 */
export function heldTo(
  bounds: ReadonlySet<MeasurementCode>,
  readings: readonly Weighed[],
): readonly Weighed[] {
  return bounds.size === 0
    ? readings
    : readings.map((one) => (bounds.has(one.code) ? { ...one, standardError: 0 } : one));
}
