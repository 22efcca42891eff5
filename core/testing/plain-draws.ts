import type { Kernel, Odds, Weighed } from '../index';

/** Shares of plain pseudo-random draws: what the odds are held against. */
export interface PlainShares {
  readonly parts: readonly Float64Array[];
}

/**
 * Draws everybody's readings anew so many times, each with its own normal error, and counts the
 * sizes: the plainest way there is to the odds.
 */
export function sharesByPlainDraws(
  kernel: Kernel,
  readings: readonly Weighed[],
  draws: number,
  normal: () => number,
): PlainShares {
  const counts = kernel.parts.map(
    (_, at) => new Float64Array(kernel.chart.parts[at]!.whole.sizes.length + 1),
  );
  for (const code of kernel.chart.arithmetic.readings.keys()) kernel.input(code).fill(NaN);
  for (let from = 0; from < draws; from += kernel.capacity) {
    const many = Math.min(kernel.capacity, draws - from);
    for (const { code, value, standardError, step = 1 } of readings) {
      const input = kernel.input(code);
      for (let row = 0; row < many; row++)
        input[row] = Math.round((value + standardError * normal()) / step) * step;
    }
    kernel.run(many);
    kernel.parts.forEach(({ sizes }, at) => {
      const own = counts[at]!;
      for (let row = 0; row < many; row++) own[sizes[row]! < 0 ? own.length - 1 : sizes[row]!]! += 1;
    });
  }
  return { parts: counts.map((own) => own.map((one) => one / draws)) };
}

/** By how much the odds of a size are farthest from such shares, and where. */
export function farthestApart(odds: Pick<Odds, 'parts'>, plain: PlainShares): { far: number; where: string } {
  let [far, where] = [0, ''];
  plain.parts.forEach((shares, part) =>
    shares.forEach((share, size) => {
      const apart = Math.abs(share - odds.parts[part]![size]!);
      if (apart > far) [far, where] = [apart, `part ${part}, size ${size}`];
    }),
  );
  return { far, where };
}
