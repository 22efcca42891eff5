import type { MeasurementCode } from '../../body/catalogue/codes';
import type { CompiledChart } from '../../chart/compile-chart';
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

/** Somebody as a part sees them. */
export interface CoveredBody {
  readonly held: Held;
  /** What each deciding column goes by, in the part's order; `null` where it is not known. */
  readonly values: readonly (Length | null)[];
}

/**
 * How one part of a chart holds some bodies, by everything it decides by: every column of it,
 * whatever is derived, and the parts it goes by.
 *
 * @param code the part
 * @example partCoverage(compileChart(jacket.sheet), 'size', [new Map([['chest-girth', cm(98)], ['waist-girth', cm(85)]])]).map(({ held }) => held) // ['inside']
 */
export function partCoverage(
  chart: CompiledChart,
  code: string,
  bodies: readonly ReadonlyMap<MeasurementCode, Length>[],
): CoveredBody[] {
  const kernel = new Kernel(chart);
  const at = chart.parts.findIndex(({ whole }) => whole.code === code);
  const run = kernel.parts[at]!;
  const covered: CoveredBody[] = [];
  for (let from = 0; from < bodies.length; from += kernel.capacity) {
    const round = bodies.slice(from, from + kernel.capacity);
    for (const one of kernel.codes)
      round.forEach((body, row) => {
        kernel.input(one)[row] = body.get(one) ?? NaN;
      });
    kernel.run(round.length);
    round.forEach((_, row) => {
      const values = run.columns.map(({ choices }, column): Length | null => {
        const value = choices[run.choiceOf(column, row)]!.values[row]!;
        return Number.isNaN(value) ? null : (value as Length);
      });
      const verdict = VERDICTS[run.verdicts[row]!] as keyof typeof HELD;
      covered.push({ held: HELD[verdict], values });
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
 * A column and its value for somebody, by code.
 *
 * @example valueIn({ held: 'inside', values: [cm(98)] }, jacket.sheet.parts[0].columns, 'chest-girth') // cm(98)
 */
export function valueIn(
  { values }: CoveredBody,
  columns: readonly { readonly code: ColumnCode }[],
  code: ColumnCode,
): Length | null {
  return values[columns.findIndex((one) => one.code === code)] ?? null;
}
