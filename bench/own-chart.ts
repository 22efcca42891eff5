import { bodies507 } from '@neat-measure/core/bodies-507';
import { cm, measurement, type MeasurementCode } from '@neat-measure/core';
import { draftSizes } from '@neat-measure/core/own-chart';

const CODES: readonly MeasurementCode[] = ['chest-girth', 'waist-girth', 'hip-girth', 'height'];
const SIZES = [4, 5, 6, 8];
const SPAN = cm(6);
const GRID = cm(1);

/** Sizes drafted from the 507 bodies, against as many that are all alike, and as many by quantiles. */
export function benchOwnChart(say: (line: string) => void): void {
  for (const code of CODES) {
    const values = bodies507()
      .flatMap((body) => body.get(code) ?? [])
      .sort((one, other) => one - other);
    for (const count of SIZES) {
      const rule = { count, span: SPAN, grid: GRID };
      const own = draftSizes(values, { ...rule, widths: 'any' });
      const equal = draftSizes(values, { ...rule, widths: 'equal' });
      const quantiles = byQuantiles(values, count);
      const told = ({ left, misfit }: { left: number; misfit: number }) =>
        `${left} left out, ${(misfit / 10_000).toFixed(2)} cm off`;
      say(
        `own chart, ${measurement(code).name} of ${values.length} bodies in ${count} sizes of at most 6 cm: ${told(own)}; all alike ${told(equal)}; by quantiles ${told(quantiles)}`,
      );
    }
  }
}

/** Sizes around the middles of equally many people, each as wide as any may be. */
function byQuantiles(values: readonly number[], count: number): { left: number; misfit: number } {
  const middles = Array.from(
    { length: count },
    (_, at) => values[Math.floor(((at + 0.5) / count) * values.length)]!,
  );
  const off = values.map((value) => Math.min(...middles.map((middle) => Math.abs(value - middle))));
  const held = off.filter((one) => one <= SPAN / 2);
  return {
    left: values.length - held.length,
    misfit: held.reduce((sum, one) => sum + one, 0) / Math.max(1, held.length),
  };
}
