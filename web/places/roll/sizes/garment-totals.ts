import type { SizingView } from '@neat-measure/contract/musters';
import { tallyOf, type GarmentTally, type SparesRule, type TallyLine } from '@neat-measure/core/group';

/** A size of a garment with what there is of it. */
export interface TotalsLine extends TallyLine {
  readonly there: number;
  readonly coming: number;
  readonly short: number;
}

/** One garment, whichever versions of its chart people were sized by. */
export interface Totals extends Omit<GarmentTally, 'lines'> {
  readonly seriesId: string;
  readonly maker: string;
  readonly name: string;
  readonly lines: readonly TotalsLine[];
  /** The longest bar there is. */
  readonly most: number;
}

/** Less likely than so in all, a size that is proposed to nobody has no line. */
const LEAST_EXPECTED = 0.05;

/**
 * How many of each size of every garment some wearers take, against what is in stock and on order.
 *
 * @param rows their places among the wearers
 * @param spares what is kept in reserve, by series and label; `percent` and `least` for all others
 */
export function garmentTotals(
  { sizing: { garments }, stock }: Pick<SizingView, 'sizing' | 'stock'>,
  rows: readonly number[],
  spares: Omit<SparesRule, 'bySize'> & {
    readonly bySize: ReadonlyMap<string, Readonly<Record<string, number>>>;
  },
): Totals[] {
  const first = garments.filter(
    ({ seriesId }, at) => garments.findIndex((one) => one.seriesId === seriesId) === at,
  );
  return first.map(({ seriesId, maker, garment }): Totals => {
    const versions = garments.filter((one) => one.seriesId === seriesId);
    const { lines, ...rest } = tallyOf(
      versions,
      { ...spares, bySize: spares.bySize.get(seriesId) ?? {} },
      rows,
    );
    const shelf = stock.find((one) => one.seriesId === seriesId)?.lines ?? [];
    const told = lines
      .filter(({ wanted, expected }) => wanted > 0 || expected >= LEAST_EXPECTED)
      .map((line): TotalsLine => {
        const { there, coming } = shelf.find(({ label }) => label === line.label) ?? { there: 0, coming: 0 };
        return { ...line, there, coming, short: Math.max(0, line.wanted + line.spares - there - coming) };
      });
    const most = Math.max(1, ...told.map(({ wanted, expected }) => Math.max(wanted, expected)));
    return { ...rest, seriesId, maker, name: `${garment}, ${maker}`, lines: told, most };
  });
}
