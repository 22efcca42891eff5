import { micrometres, type Length } from '../../quantity/length';

/** How sizes of two measurements may lie. */
export interface PairsRule {
  readonly count: number;
  /** So wide a size is in each measurement. */
  readonly spans: readonly [Length, Length];
  /** The middles of sizes lie at whole steps of these. */
  readonly grids: readonly [Length, Length];
}

/** A size of two measurements by its middle, with how many people it holds. */
export interface DraftedPair {
  readonly middles: readonly [Length, Length];
  readonly holds: number;
}

/** Some sizes of two measurements, and how well they do. */
export interface DraftedPairs {
  readonly sizes: readonly DraftedPair[];
  readonly left: number;
  /** How far people are from the middles, in the mean of all that are held: both measurements, each in its spans. */
  readonly misfit: number;
  /** What was made least: one for everybody who is left out and their number more, and the misfits. */
  readonly cost: number;
}

/** So many middles are looked at; where people lie in more steps, those that most lie in. */
const MOST_MIDDLES = 600;
const MOST_ROUNDS = 20;

/**
 * Sizes by two measurements that leave few out with little misfit: greedy, then one middle after the other put to a better
 * place until none is left.
 *
 * Source: the exchange of vertices for the median problem, Teitz and Bart (1968), "Heuristic methods for estimating the
 * generalized vertex median of a weighted graph", Operations Research 16, from memory.
 *
 * @param people by both measurements, in micrometres
 * @example draftPairs([[cm(98), cm(84)]], { count: 1, spans: [cm(8), cm(8)], grids: [cm(2), cm(2)] }).left // 0
 */
export function draftPairs(people: readonly (readonly [number, number])[], rule: PairsRule): DraftedPairs {
  const middles = middlesAmong(people, rule);
  const costs = middles.map((middle) => Float64Array.from(people, (person) => costOf(person, middle, rule)));
  // Whoever is left out costs more than all misfits together.
  const out = people.length + 1;
  const sum = (chosen: readonly number[]) =>
    people.reduce((all, _, person) => {
      let least = out;
      for (const at of chosen) if (costs[at]![person]! < least) least = costs[at]![person]!;
      return all + least;
    }, 0);
  let chosen: number[] = [];
  let best = sum(chosen);
  while (chosen.length < Math.min(rule.count, middles.length)) {
    const own = leastOf(costs, nearest(costs, chosen, out), chosen);
    chosen = [...chosen, own.at];
    best = own.cost;
  }
  for (let round = 0; round < MOST_ROUNDS; round++) {
    let isBetter = false;
    for (let place = 0; place < chosen.length; place++) {
      const others = chosen.toSpliced(place, 1);
      const own = leastOf(costs, nearest(costs, others, out), others);
      if (own.cost >= best - 1e-9) continue;
      chosen = chosen.with(place, own.at);
      [best, isBetter] = [own.cost, true];
    }
    if (!isBetter) break;
  }
  return told(
    people,
    rule,
    chosen.map((at) => middles[at]!),
    best,
  );
}

/** What everybody costs with the middles that stand already. */
function nearest(costs: readonly Float64Array[], chosen: readonly number[], out: number): Float64Array {
  const least = new Float64Array(costs[0]?.length ?? 0).fill(out);
  for (const at of chosen)
    for (let person = 0; person < least.length; person++)
      if (costs[at]![person]! < least[person]!) least[person] = costs[at]![person]!;
  return least;
}

/** The middle that is best beside those that stand. */
function leastOf(
  costs: readonly Float64Array[],
  standing: Float64Array,
  taken: readonly number[],
): { readonly at: number; readonly cost: number } {
  let best = { at: 0, cost: Infinity };
  costs.forEach((own, at) => {
    if (taken.includes(at)) return;
    let cost = 0;
    for (let person = 0; person < standing.length && cost < best.cost; person++)
      cost += Math.min(own[person]!, standing[person]!);
    if (cost < best.cost) best = { at, cost };
  });
  return best;
}

function middlesAmong(
  people: readonly (readonly [number, number])[],
  { grids }: PairsRule,
): (readonly [number, number])[] {
  const counts = new Map<string, { readonly middle: readonly [number, number]; count: number }>();
  for (const person of people) {
    const middle = [0, 1].map((at) => Math.round(person[at]! / grids[at]!) * grids[at]!) as [number, number];
    const known = counts.get(middle.join());
    if (known === undefined) counts.set(middle.join(), { middle, count: 1 });
    else known.count += 1;
  }
  return [...counts.values()]
    .sort((one, other) => other.count - one.count)
    .slice(0, MOST_MIDDLES)
    .map(({ middle }) => middle);
}

/** How far somebody is from a middle; beyond the size, without end. */
function costOf(
  person: readonly [number, number],
  middle: readonly [number, number],
  { spans }: PairsRule,
): number {
  let cost = 0;
  for (const at of [0, 1] as const) {
    const off = person[at] - middle[at];
    if (2 * off < -spans[at] || 2 * off >= spans[at]) return Infinity;
    cost += Math.abs(off) / spans[at] / 2;
  }
  return cost;
}

function told(
  people: readonly (readonly [number, number])[],
  rule: PairsRule,
  middles: readonly (readonly [number, number])[],
  cost: number,
): DraftedPairs {
  const holds = middles.map(() => 0);
  let [left, misfit] = [0, 0];
  for (const person of people) {
    const own = middles.map((middle) => costOf(person, middle, rule));
    const least = Math.min(Infinity, ...own);
    if (least === Infinity) left += 1;
    else {
      holds[own.indexOf(least)]! += 1;
      misfit += least;
    }
  }
  const held = people.length - left;
  const sizes = middles
    .map(([one, other], at) => ({
      middles: [micrometres(one), micrometres(other)] as const,
      holds: holds[at]!,
    }))
    .sort((one, other) => one.middles[0] - other.middles[0] || one.middles[1] - other.middles[1]);
  return { sizes, left, misfit: held === 0 ? 0 : misfit / held, cost };
}
