import type { MeasurementCode } from '../body/catalogue/codes';
import type { ChartColumn } from '../chart/chart-shape';
import { isDerivedCode } from '../chart/column-code';
import { compileChart, type CompiledChart } from '../chart/compile-chart';
import type { Length } from '../quantity/length';

/** What the rest leads one to expect of a measurement, and how far people of that build differ: a standard deviation. */
export interface Expected {
  readonly value: Length;
  readonly spread: Length;
}

type Expectations = ReadonlyMap<MeasurementCode, Expected>;

/**
 * A body with what is expected of it, as far off as people of that build differ.
 *
 * @example withExpected(new Map(), new Map([['hip-girth', { value: cm(98), spread: cm(4) }]])).get('hip-girth').standardError === cm(4) // true
 */
export function withExpected<One extends { readonly value: Length }>(
  body: ReadonlyMap<MeasurementCode, One>,
  expected: Expectations | undefined,
): ReadonlyMap<MeasurementCode, One | { readonly value: Length; readonly standardError: Length }> {
  if (expected === undefined) return body;
  const taken = [...expected].map(
    ([code, { value, spread }]) => [code, { value, standardError: spread }] as const,
  );
  return new Map<MeasurementCode, One | { readonly value: Length; readonly standardError: Length }>([
    ...body,
    ...taken,
  ]);
}

/**
 * A chart as it decides without some columns: each is left out where it decides. Whoever asks sees to it that no part is
 * left without any.
 *
 * @example withoutColumns(compileChart(jacket.sheet), new Map([['waist-girth', { value: cm(85), spread: cm(4) }]])).sheet.parts[0].columns.length // 1
 */
export function withoutColumns(chart: CompiledChart, codes: Expectations): CompiledChart {
  const by = [...codes.keys()].join();
  const last = WITHOUT.get(chart);
  if (last?.by === by) return last.chart;
  const parts = chart.sheet.parts.map((part) => ({
    ...part,
    columns: part.columns.filter((column) => !decidesBy(column, codes)),
  }));
  const found = compileChart({ ...chart.sheet, parts });
  WITHOUT.set(chart, { by, chart: found });
  return found;
}

const WITHOUT = new WeakMap<CompiledChart, { readonly by: string; readonly chart: CompiledChart }>();

/**
 * The parts of a chart that some measurements decide.
 *
 * @example [...partsBy(compileChart(jacket.sheet), new Map([['waist-girth', { value: cm(85), spread: cm(4) }]]))] // ['size']
 */
export function partsBy({ sheet }: CompiledChart, codes: Expectations): ReadonlySet<string> {
  return new Set(
    sheet.parts.filter(({ columns }) => columns.some((one) => decidesBy(one, codes))).map(({ code }) => code),
  );
}

function decidesBy({ code, role }: ChartColumn, codes: Expectations): boolean {
  return role === 'deciding' && !isDerivedCode(code) && codes.has(code);
}
