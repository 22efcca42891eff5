import type { TallyAhead } from './tally-ahead';

/** What is to be ordered of one size, and how many of it the group may take. */
export interface OrderAheadLine {
  readonly label: string;
  readonly mean: number;
  /** What the number lies between in about 95 of 100 days: as near to it as whole garments allow. */
  readonly from: number;
  readonly to: number;
  /** The middle half of the days, and the middle. */
  readonly quarter: number;
  readonly median: number;
  readonly threeQuarters: number;
  readonly order: number;
}

/** An order before anybody is measured. */
export interface OrderAhead {
  readonly lines: readonly OrderAheadLine[];
  /** The chance that nobody who has a size goes without theirs, in worlds that the order was not chosen by. */
  readonly chance: number;
  readonly ordered: number;
  /** Garments left over, on average and in 95 of 100 days at most. */
  readonly leftOver: number;
  readonly leftOverAtMost: number;
  /** How many the chart has no size for, on average. */
  readonly beyond: number;
  readonly untold: number;
  readonly reckoned: TallyAhead['reckoned'];
  readonly members: number;
}

/** The share of days that an interval is to hold. */
const HOLDS = 0.95;

/**
 * What to order, so that with a chance nobody goes without, and with as few garments left over as can be: from an order
 * that covers every drawn day one garment after the other is taken back, always of the size of which that leaves the
 * fewest days uncovered. Half of the days choose what is taken back, the others tell how far: an order that was chosen and
 * judged by the same days would promise more than it keeps.
 *
 * @param chance from 0.5 up to 0.99
 * @throws RangeError for a chance beyond
 * @example orderAhead({ labels: ['M'], counts: Uint16Array.of(1, 2, 1, 2), worlds: 4, beyond: new Uint16Array(4), untold: 0, reckoned: [], members: 2 }, 0.95).ordered // 2
 */
export function orderAhead(tally: TallyAhead, chance: number): OrderAhead {
  return ordersAhead([tally], chance, 'each').orders[0]!;
}

/**
 * The same of several garments: enough of each by itself, or so that nobody goes without any of theirs. Then each by itself
 * is enough with a greater chance, and more is left over.
 *
 * @param tallies of the same worlds, as `tallyAhead` draws them
 * @param over whether the chance is that of each garment by itself, or of all together
 * @returns the orders, and the chance that all of them are enough
 * @throws RangeError for a chance beyond 0.5 to 0.99, or tallies of unlike worlds
 * @example ordersAhead([{ labels: ['M'], counts: Uint16Array.of(1, 2, 1, 2), worlds: 4, beyond: new Uint16Array(4), untold: 0, reckoned: [], members: 2 }], 0.95, 'all').chance // 1
 */
export function ordersAhead(
  tallies: readonly TallyAhead[],
  chance: number,
  over: 'each' | 'all',
): { readonly orders: readonly OrderAhead[]; readonly chance: number } {
  if (!(chance >= 0.5 && chance <= 0.99)) throw new RangeError(`a chance of ${chance}`);
  const worlds = tallies[0]?.worlds ?? 0;
  if (tallies.some((one) => one.worlds !== worlds)) throw new RangeError('tallies of unlike worlds');
  const columns = tallies.map(columnsOf);
  const all = columns.flat();
  const chosen =
    over === 'all'
      ? chooseOrder(all, worlds, chance)
      : columns.flatMap((own) => chooseOrder(own, worlds, chance));
  let from = 0;
  const orders = tallies.map((tally, at) => {
    const own = columns[at]!;
    const order = chosen.slice(from, (from += own.length));
    return tellOrder(tally, own, order);
  });
  return { orders, chance: enoughIn(all, chosen, worlds) };
}

/** How many of each label are taken, world after world. */
function columnsOf({ labels, counts, worlds }: TallyAhead): Uint16Array[] {
  const wide = labels.length;
  return labels.map((_, label) =>
    Uint16Array.from({ length: worlds }, (_world, world) => counts[world * wide + label]!),
  );
}

/** What an order of one garment comes to. */
function tellOrder(
  { labels, worlds, beyond, untold, reckoned, members }: TallyAhead,
  columns: readonly Uint16Array[],
  order: readonly number[],
): OrderAhead {
  const left = Float64Array.from({ length: worlds }, (_, world) =>
    columns.reduce((sum, column, at) => sum + Math.max(0, order[at]! - column[world]!), 0),
  ).sort();
  return {
    lines: labels.map((label, at) => {
      const sorted = Uint16Array.from(columns[at]!).sort();
      const quantile = (share: number) => sorted[Math.min(worlds - 1, Math.floor(share * worlds))]!;
      return {
        label,
        mean: meanOf(columns[at]!),
        ...nearestInterval(sorted),
        quarter: quantile(0.25),
        median: quantile(0.5),
        threeQuarters: quantile(0.75),
        order: order[at]!,
      };
    }),
    chance: enoughIn(columns, order, worlds),
    ordered: order.reduce((sum, one) => sum + one, 0),
    leftOver: meanOf(left),
    leftOverAtMost: left[Math.min(worlds - 1, Math.floor(HOLDS * worlds))] ?? 0,
    beyond: meanOf(beyond),
    untold,
    reckoned,
    members,
  };
}

/** The share of the days that an order was not chosen by in which it is enough. */
function enoughIn(columns: readonly Uint16Array[], order: readonly number[], worlds: number): number {
  const half = worlds >> 1;
  let enough = 0;
  for (let world = half; world < worlds; world++)
    if (columns.every((column, at) => column[world]! <= order[at]!)) enough += 1;
  return worlds === half ? 1 : enough / (worlds - half);
}

function meanOf(values: Uint16Array | Float64Array): number {
  let sum = 0;
  for (const one of values) sum += one;
  return values.length === 0 ? 0 : sum / values.length;
}

/** How many of each label are enough with a chance. */
function chooseOrder(columns: readonly Uint16Array[], worlds: number, chance: number): readonly number[] {
  const half = worlds >> 1;
  const order = columns.map((column) => column.reduce((most, one) => Math.max(most, one), 0));
  const covered = new Uint8Array(worlds).fill(1);
  let sure = worlds - half;
  const wanted = chance * sure;
  /** How many covered days of a stretch need the last one of a size. */
  const needing = (label: number, from: number, to: number) => {
    const [column, last] = [columns[label]!, order[label]!];
    let days = 0;
    for (let world = from; world < to; world++) if (column[world] === last) days += covered[world]!;
    return days;
  };
  for (;;) {
    let [least, fewest] = [-1, Infinity];
    for (let label = 0; label < columns.length; label++) {
      if (order[label] === 0) continue;
      const days = needing(label, 0, half);
      if (days < fewest) [least, fewest] = [label, days];
    }
    if (least < 0) break;
    const gone = needing(least, half, worlds);
    if (sure - gone < wanted) break;
    sure -= gone;
    const [column, last] = [columns[least]!, order[least]!];
    for (let world = 0; world < worlds; world++) if (column[world] === last) covered[world] = 0;
    order[least] = last - 1;
  }
  return order;
}

/** The interval whose share of the days is nearest to what it is to hold, the rest as even at both ends as can be. */
function nearestInterval(sorted: Uint16Array): { readonly from: number; readonly to: number } {
  const worlds = sorted.length;
  if (worlds === 0) return { from: 0, to: 0 };
  const shares = new Map<number, number>();
  for (const one of sorted) shares.set(one, (shares.get(one) ?? 0) + 1 / worlds);
  const values = [...shares.keys()];
  let [low, high, share, below, above] = [0, values.length - 1, 1, 0, 0];
  while (low < high) {
    const [first, last] = [shares.get(values[low]!)!, shares.get(values[high]!)!];
    const fromBelow = below + first <= above + last;
    const less = share - (fromBelow ? first : last);
    if (Math.abs(less - HOLDS) >= Math.abs(share - HOLDS)) break;
    share = less;
    if (fromBelow) [low, below] = [low + 1, below + first];
    else [high, above] = [high - 1, above + last];
  }
  return { from: values[low]!, to: values[high]! };
}
