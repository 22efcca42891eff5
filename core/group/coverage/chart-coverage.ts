import type { MeasurementCode } from '../../body/catalogue/codes';
import type { CompiledChart, CompiledPart } from '../../chart/compile-chart';
import type { Length } from '../../quantity/length';
import { Kernel } from '../../match/kernel/kernel';
import type { PartRun } from '../../match/kernel/part-run';
import { VERDICTS, type Verdict } from '../../match/verdict';
import type { Held } from './part-coverage';

const HELD: Readonly<Record<Exclude<Verdict, 'edge'>, Held>> = {
  settled: 'inside',
  overlap: 'inside',
  between: 'between',
  split: 'between',
  'not-made': 'between',
  beyond: 'outside',
  incomplete: 'unknown',
  suspect: 'unknown',
};

/** A size that is not made, and how many more people the chart would hold with it. */
export interface FurtherSize {
  readonly part: string;
  readonly side: 'smaller' | 'larger';
  /** The size that it would lie beside. */
  readonly beside: string;
  readonly count: number;
}

/** How a whole chart holds some people. */
export interface ChartCoverage {
  /** Of each body in turn. */
  readonly held: readonly Held[];
  /** The parts by how many people they do not hold, the worst first; of whom everything is known. */
  readonly fails: readonly { readonly part: string; readonly count: number }[];
  /** The one further size that would help most; `null` where none would. */
  readonly helps: FurtherSize | null;
}

/**
 * How a whole chart holds some people, all its parts together: a size in every part that are made together, or not. A
 * further size beside the smallest or largest reaches as far as the usual step of its column, and helps whom everything
 * else holds.
 *
 * @param bodies by measurement; what somebody lacks is not there
 * @example chartCoverage(compileChart(jacket.sheet), [new Map([['chest-girth', cm(98)], ['waist-girth', cm(85)]])]).held // ['inside']
 */
export function chartCoverage(
  chart: CompiledChart,
  bodies: readonly ReadonlyMap<MeasurementCode, Length>[],
): ChartCoverage {
  const kernel = new Kernel(chart);
  const held: Held[] = [];
  const fails = chart.parts.map(() => 0);
  const further = chart.parts.map(() => ({ smaller: 0, larger: 0 }));
  for (let from = 0; from < bodies.length; from += kernel.capacity) {
    const round = bodies.slice(from, from + kernel.capacity);
    for (const code of kernel.codes)
      round.forEach((body, row) => {
        kernel.input(code)[row] = body.get(code) ?? NaN;
      });
    kernel.run(round.length);
    round.forEach((_, row) => {
      const own = HELD[VERDICTS[kernel.verdicts[row]!] as keyof typeof HELD];
      held.push(own);
      if (own === 'unknown' || own === 'inside') return;
      const failing = kernel.parts.flatMap((run, part) =>
        HELD[VERDICTS[run.verdicts[row]!] as keyof typeof HELD] === 'inside' ? [] : [part],
      );
      for (const part of failing) fails[part]! += 1;
      if (failing.length !== 1) return;
      const [part] = failing;
      const side = besideOf(kernel.parts[part!]!, chart.parts[part!]!.whole, row);
      if (side !== null) further[part!]![side] += 1;
    });
  }
  const sizes = further.flatMap((own, at) =>
    (['smaller', 'larger'] as const).map((side): FurtherSize => {
      const { name, sizes: labels } = chart.parts[at]!.whole;
      return { part: name, side, beside: labels.at(side === 'smaller' ? 0 : -1)!, count: own[side] };
    }),
  );
  const most = sizes.reduce((one, other) => (other.count > one.count ? other : one));
  return {
    held,
    fails: chart.parts
      .map(({ whole }, at) => ({ part: whole.name, count: fails[at]! }))
      .filter(({ count }) => count > 0)
      .sort((one, other) => other.count - one.count),
    helps: most.count === 0 ? null : most,
  };
}

/** On which side somebody lies within a step of all sizes of a part, by every column that does not hold them. */
function besideOf(run: PartRun, { deciding }: CompiledPart, row: number): FurtherSize['side'] | null {
  const sides = new Set<FurtherSize['side']>();
  for (const [at, { intervals, step }] of deciding.entries()) {
    const value = run.columns[at]!.choices[run.choiceOf(at, row)]!.values[row]!;
    if (Number.isNaN(value)) return null;
    const least = Math.min(...intervals.map(({ from }) => from));
    const most = Math.max(...intervals.map(({ until }) => until));
    if (value < least) {
      if (value < least - step) return null;
      sides.add('smaller');
    } else if (value >= most) {
      if (value >= most + step) return null;
      sides.add('larger');
    }
  }
  const [side, other] = sides;
  return other === undefined ? (side ?? null) : null;
}
