import type { ChartSheet } from './chart-shape';
import { sizesOfLabel } from './label-reading';

/** How many sizes two labels of a chart lie apart. */
export type StepsApart = (one: string, other: string) => number;

/**
 * How many sizes two labels of a chart lie apart, part by part, summed. A label that the chart does not know, as one of an
 * earlier version may be, lies one step from every other.
 *
 * @example stepsApart(jacket.sheet)('M', 'XL') // 2
 */
export function stepsApart(sheet: Pick<ChartSheet, 'label' | 'parts' | 'combinations'>): StepsApart {
  const read = new Map<string, readonly number[] | null>();
  const placesOf = (label: string): readonly number[] | null => {
    const known = read.get(label);
    if (known !== undefined) return known;
    const sizes = sizesOfLabel(sheet, label);
    const places =
      sizes && sheet.parts.map(({ code, sizes: labels }) => labels.indexOf(sizes[code] ?? labels[0]!));
    read.set(label, places);
    return places;
  };
  return (one, other) => {
    if (one === other) return 0;
    const [here, there] = [placesOf(one), placesOf(other)];
    if (here === null || there === null) return 1;
    // Two labels that are written otherwise are never the same garment.
    return Math.max(
      1,
      here.reduce((sum, at, part) => sum + Math.abs(at - there[part]!), 0),
    );
  };
}

/**
 * Of a chart that is not at hand: every other size is one step away.
 *
 * @example ONE_STEP('M', 'XL') // 1
 */
export const ONE_STEP: StepsApart = (one, other) => (one === other ? 0 : 1);
