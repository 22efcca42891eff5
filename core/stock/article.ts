import type { ChartSheet } from '../chart/chart-shape';
import { isMade, labelOf } from '../chart/label';
import { sizesOfLabel } from '../chart/label-reading';

/** The longest name of a shelf. */
export const LONGEST_BIN = 40;

/**
 * One thing that can lie on a shelf: a garment in one label. It belongs to a chart and not to a version of
 * it, so that what is on the shelf stays what it is when the maker's table changes.
 */
export interface Article {
  /** The series of the chart's versions. */
  readonly seriesId: string;
  readonly label: string;
}

/** The most labels of one chart that are listed; panels of four parts come in thousands, and are found by typing. */
export const MOST_LABELS = 2_000;

/**
 * Every label that a chart makes, smallest first, part by part.
 *
 * @returns at most `MOST_LABELS`; `whole` tells whether that is all
 * @example madeLabels(jacket.sheet) // { labels: ['M', 'L', 'XL'], whole: true }
 */
export function madeLabels(sheet: ChartSheet): {
  readonly labels: readonly string[];
  readonly whole: boolean;
} {
  const labels = new Set<string>();
  const walk = (at: number, sizes: Readonly<Record<string, string>>): boolean => {
    const part = sheet.parts[at];
    if (part === undefined) {
      const label = labelOf(sheet, sizes);
      if (label !== null) labels.add(label);
      return labels.size < MOST_LABELS;
    }
    return part.sizes.every((size) => {
      const chosen = { ...sizes, [part.code]: size };
      return !isMade(sheet, chosen) || walk(at + 1, chosen);
    });
  };
  const whole = walk(0, {});
  return { labels: [...labels], whole };
}

/**
 * The other labels of an article's garment that lie nearest to it, by steps of size summed over the parts; of
 * equals the larger first.
 *
 * @param sizes what the wearer's size is, part by part
 * @param labels those that are to be had
 * @example nearestLabels(jacket.sheet, { size: 'M' }, ['XL', 'L']).map(({ label, steps }) => [label, steps]) // [['L', 1], ['XL', 2]]
 */
export function nearestLabels(
  sheet: ChartSheet,
  sizes: Readonly<Record<string, string>>,
  labels: readonly string[],
): readonly {
  readonly label: string;
  readonly sizes: Readonly<Record<string, string>>;
  readonly steps: number;
}[] {
  const place = (of: Readonly<Record<string, string>>) =>
    sheet.parts.map((part) => part.sizes.indexOf(of[part.code] ?? ''));
  const own = place(sizes);
  return labels
    .flatMap((label) => {
      const found = sizesOfLabel(sheet, label);
      if (found === null) return [];
      const by = place(found).map((at, index) => at - own[index]!);
      const steps = by.reduce((sum, one) => sum + Math.abs(one), 0);
      return steps === 0 ? [] : [{ label, sizes: found, steps, up: by.reduce((sum, one) => sum + one, 0) }];
    })
    .sort((a, b) => a.steps - b.steps || b.up - a.up)
    .map(({ label, sizes: found, steps }) => ({ label, sizes: found, steps }));
}

/** From a version of a chart on a size is called otherwise. */
export interface Rename {
  readonly seriesId: string;
  readonly label: string;
  readonly to: string;
  /** The version that has the old label no more. */
  readonly since: number;
}

/**
 * What a label of one version of a chart is called by now. A label that comes back in a later version is another
 * size than the one that was called so before, which is why the version is asked.
 *
 * @example labelNow([{ seriesId: 'a', label: '2XL', to: 'XXL', since: 2 }], { seriesId: 'a', label: '2XL', version: 1 }) // 'XXL'
 */
export function labelNow(
  renames: readonly Rename[],
  { seriesId, label, version }: Article & { readonly version: number },
): string {
  const next = renames
    .filter((one) => one.seriesId === seriesId && one.label === label && one.since > version)
    .sort((a, b) => a.since - b.since)[0];
  return next === undefined ? label : labelNow(renames, { seriesId, label: next.to, version: next.since });
}

/**
 * What a label is called by now that no version makes any more: by what it was called last.
 *
 * @example goneLabelNow([{ seriesId: 'a', label: '2XL', to: 'XXL', since: 2 }], { seriesId: 'a', label: '2XL' }) // 'XXL'
 */
export function goneLabelNow(renames: readonly Rename[], { seriesId, label }: Article): string {
  const last = renames
    .filter((one) => one.seriesId === seriesId && one.label === label)
    .sort((a, b) => b.since - a.since)[0];
  return last === undefined ? label : labelNow(renames, { seriesId, label: last.to, version: last.since });
}
