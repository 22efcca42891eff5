import type { CompiledChart } from '../chart/compile-chart';
import { labelOf } from '../chart/label';

/** The labels of a chart by the sizes of its parts, each written once. */
export class Labels {
  private readonly known = new Map<string, string>();

  constructor(private readonly chart: CompiledChart) {}

  /** @param sizes one of each part, by its place among the part's sizes */
  of(sizes: readonly number[]): string {
    const key = sizes.join();
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const { sheet, parts } = this.chart;
    const label = labelOf(
      sheet,
      Object.fromEntries(parts.map(({ whole }, at) => [whole.code, whole.sizes[sizes[at]!]!])),
    )!;
    this.known.set(key, label);
    return label;
  }
}
