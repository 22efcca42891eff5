import type { MeasurementCode } from '../../body/catalogue/codes';
import type { CompiledChart, CompiledColumn } from '../../chart/compile-chart';
import { holds } from '../../chart/interval';
import { isMade } from '../../chart/label';
import type { ColumnCode } from '../../chart/column-code';
import type { Length } from '../../quantity/length';
import { Kernel } from '../../match/kernel/kernel';
import { VERDICTS, type Verdict } from '../../match/verdict';

/** How a part holds somebody: in a size, between sizes or pulled two ways, outside all of them, or not known for want of a measurement. */
export type Held = 'inside' | 'between' | 'outside' | 'unknown';

const HELD: Readonly<Record<Exclude<Verdict, 'edge' | 'not-made'>, Held>> = {
  settled: 'inside',
  overlap: 'inside',
  between: 'between',
  split: 'between',
  beyond: 'outside',
  incomplete: 'unknown',
  suspect: 'unknown',
};

/** Somebody as some parts of a chart see them. */
export interface CoveredBody {
  readonly held: Held;
  /** What each deciding column of every part goes by, part by part in the chart's order; `null` where it is not known. */
  readonly values: readonly (readonly (Length | null)[])[];
}

/** The worst first: what one part cannot say of somebody, all cannot. */
const WORST: readonly Held[] = ['unknown', 'outside', 'between', 'inside'];

/**
 * How some parts of a chart hold some bodies together, by everything they decide by: every column, whatever is derived, and
 * the parts they go by. Sizes that are not made together are between.
 *
 * @param codes the parts that are looked at
 * @example partsCoverage(compileChart(jacket.sheet), ['size'], [new Map([['chest-girth', cm(98)], ['waist-girth', cm(85)]])]).map(({ held }) => held) // ['inside']
 */
export function partsCoverage(
  chart: CompiledChart,
  codes: readonly string[],
  bodies: readonly ReadonlyMap<MeasurementCode, Length>[],
): CoveredBody[] {
  const kernel = new Kernel(chart);
  const asked = chart.parts.flatMap(({ whole }, at) => (codes.includes(whole.code) ? [at] : []));
  const heldIn = (row: number): Held => {
    const all = asked.map((at) => HELD[VERDICTS[kernel.parts[at]!.verdicts[row]!] as keyof typeof HELD]);
    const worst = WORST.find((held) => all.includes(held))!;
    if (worst !== 'inside') return worst;
    const sizes = asked.map((at) => {
      const { code, sizes: labels } = chart.parts[at]!.whole;
      return [code, labels[kernel.parts[at]!.sizes[row]!]!] as const;
    });
    return isMade(chart.sheet, Object.fromEntries(sizes)) ? 'inside' : 'between';
  };
  const covered: CoveredBody[] = [];
  for (let from = 0; from < bodies.length; from += kernel.capacity) {
    const round = bodies.slice(from, from + kernel.capacity);
    for (const one of kernel.codes)
      round.forEach((body, row) => {
        kernel.input(one)[row] = body.get(one) ?? NaN;
      });
    kernel.run(round.length);
    round.forEach((_, row) => {
      const values = kernel.parts.map((run) =>
        run.columns.map(({ choices }, column): Length | null => {
          const value = choices[run.choiceOf(column, row)]!.values[row]!;
          return Number.isNaN(value) ? null : (value as Length);
        }),
      );
      covered.push({ held: heldIn(row), values });
    });
  }
  return covered;
}

/**
 * The measurements that the coverage of a chart goes by.
 *
 * @example codesOfCoverage(compileChart(jacket.sheet)) // ['chest-girth', 'waist-girth']
 */
export function codesOfCoverage(chart: CompiledChart): readonly MeasurementCode[] {
  return new Kernel(chart, {}, 1).codes;
}

/**
 * What a column goes by for somebody; `null` where it is not known.
 *
 * @param part the part of the column, by its code
 * @example valueIn(compileChart(jacket.sheet), { held: 'inside', values: [[cm(98)]] }, 'size', 'chest-girth') // cm(98)
 */
export function valueIn(
  chart: CompiledChart,
  { values }: CoveredBody,
  part: string,
  code: ColumnCode,
): Length | null {
  const at = chart.parts.findIndex(({ whole }) => whole.code === part);
  const column = chart.parts[at]?.whole.deciding.findIndex((one) => one.code === code);
  return column === undefined ? null : (values[at]?.[column] ?? null);
}

/**
 * The size that one column alone gives, by its place; the larger one where two meet. `null` below all, above all or in a
 * gap.
 *
 * @example sizeByColumn(compileChart(jacket.sheet).parts[0].whole.deciding[0], cm(98)) // 0
 */
export function sizeByColumn({ intervals }: Pick<CompiledColumn, 'intervals'>, value: Length): number | null {
  const at = intervals.findLastIndex((interval) => holds(interval, value));
  return at < 0 ? null : at;
}
