import type { Highs } from 'highs';
import { ONE_STEP, type StepsApart } from '../../chart/steps-apart';
import type { SizedGarment, Sizing } from '../sized/sizing';
import {
  placingCase,
  WEARABLE_PERCENT,
  type Apart,
  type PlacingCase,
  type WearableRule,
} from './placing-case';
import { solveCase, type Placing, type PlacingRule, type Totals } from './solve-case';

/** Somebody held to a label of a garment, whatever it costs. */
export interface Pin {
  readonly wearerId: string;
  readonly seriesId: string;
  readonly label: string;
}

/** What is asked of a placing. */
export interface PlacingWish extends PlacingRule, WearableRule {
  readonly pins: readonly Pin[];
}

/** As it is asked for unless somebody says otherwise. */
export const USUAL_PLACING: PlacingWish = {
  aims: ['without', 'misfit', 'ordered'],
  mayOrder: true,
  leastPercent: WEARABLE_PERCENT,
  pins: [],
};

/** Somebody who gets a garment in another size than the one proposed. */
export interface MovedOne {
  readonly wearerId: string;
  readonly from: string;
  readonly to: string;
  /** How likely that size is theirs, in thousandths. */
  readonly chance: number;
}

/** One garment placed. */
export interface PlacedGarment extends Pick<Placing, 'totals' | 'otherwise' | 'isProven' | 'gap'> {
  readonly seriesId: string;
  readonly garment: string;
  readonly maker: string;
  /** By label, of those that anybody gets or there are too few of. */
  readonly lines: readonly {
    readonly label: string;
    readonly given: number;
    readonly there: number;
    readonly ordered: number;
  }[];
  readonly moved: readonly MovedOne[];
  /** Who gets none: nothing is left that they could wear. */
  readonly without: readonly { readonly wearerId: string; readonly wearable: readonly string[] }[];
  /** Who is not placed, and why, by number. */
  readonly apart: Readonly<Record<Apart, number>>;
  /** The size of which one more would help most of those who get none, and how many could wear it. */
  readonly helps: { readonly label: string; readonly count: number } | null;
  readonly pins: readonly { readonly wearerId: string; readonly costs: Totals }[];
}

/** Of whom a placing is, and what it knows of the charts. */
export interface PlacingOf {
  /** Of whom; everybody without. */
  readonly rows?: readonly number[];
  /** How far the labels of a garment lie apart; one step from each to each without. */
  readonly stepsOf?: (garment: SizedGarment) => StepsApart;
  /** Is told before each garment how many are done; it may throw to end it. */
  readonly tell?: (done: number, of: number) => Promise<void>;
}

/** Of one garment so long, in seconds; what is found by then is told with how far from the best it may be. */
const SECONDS_A_GARMENT = 20;

/**
 * Places a whole group, garment by garment: what lies of one tells nothing of another.
 *
 * @param stock of each series, by label
 * @example placeGroup(highs, { habits: 1, wearerIds: [], docketIds: [], rests: [], acts: [], garments: [] }, new Map(), USUAL_PLACING) // []
 */
export async function placeGroup(
  highs: Highs,
  sizing: Sizing,
  stock: ReadonlyMap<string, ReadonlyMap<string, number>>,
  wish: PlacingWish,
  { rows = rowsOf(sizing), stepsOf = () => ONE_STEP, tell }: PlacingOf = {},
): Promise<PlacedGarment[]> {
  const series = [...new Set(sizing.garments.map(({ seriesId }) => seriesId))];
  const placed: PlacedGarment[] = [];
  for (const seriesId of series) {
    await tell?.(placed.length, series.length);
    const versions = sizing.garments.filter((one) => one.seriesId === seriesId);
    const shelf = stock.get(seriesId) ?? new Map<string, number>();
    const own = wish.pins.filter((pin) => pin.seriesId === seriesId);
    const pins = new Map(own.map(({ wearerId, label }) => [sizing.wearerIds.indexOf(wearerId), label]));
    placed.push(
      placeOne(highs, sizing, versions, placingCase(versions, shelf, rows, pins, wish, stepsOf), wish),
    );
  }
  return placed;
}

function placeOne(
  highs: Highs,
  { wearerIds }: Sizing,
  versions: readonly SizedGarment[],
  one: PlacingCase,
  wish: PlacingWish,
): PlacedGarment {
  const { seriesId, garment, maker } = versions[0]!;
  const found = solveCase(highs, one, wish, { seconds: SECONDS_A_GARMENT });
  const { labels, people } = one;
  const given = labels.map((_, label) => found.placed.filter((at) => at === label).length);
  const moved = people.flatMap(({ row, choices, decided }, person): MovedOne[] => {
    const [first] = choices;
    const choice = choices.find(({ label }) => label === found.placed[person]);
    const proposed = proposedOf(versions, row) ?? labels[first!.label]!;
    if (choice === undefined || decided || labels[choice.label] === proposed) return [];
    const { label, chance } = choice;
    return [{ wearerId: wearerIds[row]!, from: proposed, to: labels[label]!, chance }];
  });
  const without = people.flatMap(({ row, choices }, person) =>
    found.placed[person] === -1
      ? [{ wearerId: wearerIds[row]!, wearable: choices.map(({ label }) => labels[label]!) }]
      : [],
  );
  const { totals, otherwise, isProven, gap } = found;
  return {
    ...{ seriesId, garment, maker, totals, otherwise, isProven, gap, moved, without },
    lines: labels
      .map((label, at) => ({ label, given: given[at]!, there: one.stock[at]!, ordered: found.ordered[at]! }))
      .filter(({ given: some, ordered }) => some > 0 || ordered > 0),
    apart: {
      unknown: one.apart.filter(({ why }) => why === 'unknown').length,
      'no-size': one.apart.filter(({ why }) => why === 'no-size').length,
      served: one.apart.filter(({ why }) => why === 'served').length,
    },
    helps: mostHelpful(without.map(({ wearable }) => wearable)),
    pins: found.pins.map(({ row, costs }) => ({ wearerId: wearerIds[row]!, costs })),
  };
}

function proposedOf(versions: readonly SizedGarment[], row: number): string | null {
  const own = versions.find(({ verdicts }) => verdicts[row] !== -1);
  return own?.labels[own.sizes[row]!] ?? null;
}

function mostHelpful(wearable: readonly (readonly string[])[]): PlacedGarment['helps'] {
  const counts = new Map<string, number>();
  for (const label of wearable.flat()) counts.set(label, (counts.get(label) ?? 0) + 1);
  const [most] = [...counts].sort((one, other) => other[1] - one[1]);
  return most === undefined ? null : { label: most[0], count: most[1] };
}

/** Everybody who was not erased since. */
function rowsOf({ wearerIds }: Sizing): number[] {
  return wearerIds.flatMap((id, row) => (id === '' ? [] : [row]));
}
