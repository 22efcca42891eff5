import type { MeasurementCode } from '../../body/catalogue/codes';
import type { CompiledChart } from '../../chart/compile-chart';
import { labelOf } from '../../chart/label';
import { findingOf, type MeasuredValue } from '../../match/judge';
import { Kernel, type RuleOverride } from '../../match/kernel/kernel';
import { VERDICTS } from '../../match/verdict';
import type { Length } from '../../quantity/length';
import type { Random } from '../plausible-bodies';
import { memberBodies, type Member } from './member-bodies';
import { PROPORTIONS } from './proportions';

/** A garment of which an order is made, with what the house puts in the place of its chart's rule. */
export interface AheadGarment {
  readonly chart: CompiledChart;
  readonly rule?: RuleOverride['rule'];
  /** How many of a label are decided already: they are taken in every world. */
  readonly decided?: ReadonlyMap<string, number>;
}

/** How many of each size a group takes, in each of many days that could be. */
export interface TallyAhead {
  readonly labels: readonly string[];
  /** How many of each label, world after world: `counts[world * labels.length + label]`. */
  readonly counts: Uint16Array;
  readonly worlds: number;
  /** How many of the group the chart has no size for, by world. */
  readonly beyond: Uint16Array;
  /** Members of whom nothing leads to a size: they are in no count. */
  readonly untold: number;
  /** Measurements that nobody took of some members, and that were reckoned by what usually goes with them. */
  readonly reckoned: readonly MeasurementCode[];
  /** Members it is for. */
  readonly members: number;
}

/** Verdicts that leave it to a fitter which size it is; the proposed one is counted. */
const LEFT_OPEN = new Set(['split', 'between', 'not-made'].map((one) => VERDICTS.indexOf(one as 'split')));
/** In micrometres; and how many bodies that were looked at are kept. */
const ALIKE = 2_500;
const MOST_KEPT = 200_000;
const INCOMPLETE = VERDICTS.indexOf('incomplete');

/**
 * Sizes a group before anybody of it is measured: each member is drawn many times as they may be, each draw is sized,
 * and of each world the sizes are counted. Members are independent of each other, given what is known of each.
 *
 * @param members with the places, among `garments`, of those they get
 * @param worlds how many days are drawn
 * @example tallyAhead([{ chart: compileChart(jacket.sheet) }], [{ member: { known: [{ code: 'chest-girth', value: cm(98), spread: cm(0.5) }, { code: 'waist-girth', value: cm(86), spread: cm(0.5) }], build: null }, gets: [0] }], 40, steadyRandom(1))[0].labels // ['M']
 */
export function tallyAhead(
  garments: readonly AheadGarment[],
  members: readonly { readonly member: Member; readonly gets: readonly number[] }[],
  worlds: number,
  random: Random,
): TallyAhead[] {
  const tallies = garments.map((garment) => new Tally(garment, worlds));
  for (const { member, gets } of members) {
    const own = gets.map((at) => tallies[at]!);
    const codes = [...new Set(own.flatMap(({ codes: needed }) => needed))];
    const columns = memberBodies(member, codes, worlds, random);
    const known = new Set(member.known.map(({ code }) => code));
    for (const tally of own) {
      const reckoned = tally.codes.filter((code) => PROPORTIONS[code] !== undefined && !known.has(code));
      tally.add(
        tally.codes.map((code) => columns[codes.indexOf(code)]!),
        reckoned,
      );
    }
  }
  return tallies.map((one) => one.done());
}

/** One garment's counts in the making. */
class Tally {
  readonly codes: readonly MeasurementCode[];
  private readonly kernel: Kernel;
  private readonly rule: RuleOverride;
  private readonly labels = new Map<string, Uint16Array>();
  /** By the sizes of the parts: their label is made up once. */
  private readonly known = new Map<string, Uint16Array | null>();
  private readonly proposed = new Map<string, string | null>();
  private readonly beyond: Uint16Array;
  private readonly reckoned = new Set<MeasurementCode>();
  private untold = 0;
  private members = 0;

  constructor(
    private readonly garment: AheadGarment,
    private readonly worlds: number,
  ) {
    this.rule = garment.rule === undefined ? {} : { rule: garment.rule };
    this.kernel = new Kernel(garment.chart, this.rule, worlds);
    this.codes = this.kernel.codes;
    this.beyond = new Uint16Array(worlds);
    for (const [label, many] of garment.decided ?? []) {
      this.countsOf(label)?.fill(many);
      this.members += many;
    }
  }

  add(columns: readonly Float64Array[], reckoned: readonly MeasurementCode[]): void {
    this.members += 1;
    const { kernel, worlds } = this;
    kernel.take(columns, 0, worlds);
    kernel.run(worlds);
    // What is not known of somebody is not known in any world.
    if (kernel.verdicts.includes(INCOMPLETE)) {
      this.untold += 1;
      return;
    }
    for (const code of reckoned) this.reckoned.add(code);
    const { parts } = this.garment.chart.sheet;
    for (let world = 0; world < worlds; world++) {
      const sizes = kernel.parts.map((part) => part.sizes[world]!);
      const open = LEFT_OPEN.has(kernel.verdicts[world]!);
      const counts = open
        ? this.countsOf(this.proposedTo(columns, world))
        : sizes.includes(-1)
          ? null
          : this.cached(sizes.join(), () =>
              labelOf(
                this.garment.chart.sheet,
                Object.fromEntries(parts.map(({ code, sizes: all }, at) => [code, all[sizes[at]!]!])),
              ),
            );
      if (counts === null) this.beyond[world]! += 1;
      else counts[world]! += 1;
    }
  }

  done(): TallyAhead {
    const { worlds, beyond, untold, members } = this;
    const labels = this.inOrder();
    const counts = new Uint16Array(labels.length * worlds);
    labels.forEach((label, at) => {
      const own = this.labels.get(label)!;
      for (let world = 0; world < worlds; world++) counts[world * labels.length + at] = own[world]!;
    });
    return { labels, counts, worlds, beyond, untold, reckoned: [...this.reckoned], members };
  }

  /** The labels as the chart has its sizes, the smallest first. */
  private inOrder(): string[] {
    const { parts } = this.garment.chart.sheet;
    const place = (label: string) => {
      const words = label.split(/[^\p{L}\p{N}.,/]+/u);
      return parts.map(({ sizes }) => sizes.findIndex((size) => size === label || words.includes(size)));
    };
    const placed = [...this.labels.keys()].map((label) => ({ label, at: place(label) }));
    placed.sort((one, other) => {
      const differs = one.at.findIndex((value, part) => value !== other.at[part]);
      return differs < 0 ? one.label.localeCompare(other.label) : one.at[differs]! - other.at[differs]!;
    });
    return placed.map(({ label }) => label);
  }

  /**
   * What is proposed to one body whose size a fitter decides; `null` for none. Bodies that are alike to a quarter of a
   * centimetre are proposed the same: it is asked thousands of times, and of nobody who is there.
   */
  private proposedTo(columns: readonly Float64Array[], world: number): string | null {
    const key = this.codes.map((_, at) => Math.round(columns[at]![world]! / ALIKE)).join();
    const before = this.proposed.get(key);
    if (before !== undefined) return before;
    const label = this.findProposed(columns, world);
    if (this.proposed.size < MOST_KEPT) this.proposed.set(key, label);
    return label;
  }

  private findProposed(columns: readonly Float64Array[], world: number): string | null {
    const body = new Map<MeasurementCode, MeasuredValue>(
      this.codes.map((code, at) => [code, { value: columns[at]![world]! as Length }]),
    );
    // Without the odds, which take far longer than all the rest.
    return findingOf(this.kernel, world, body, this.rule).proposed;
  }

  private cached(key: string, label: () => string | null): Uint16Array | null {
    const before = this.known.get(key);
    if (before !== undefined) return before;
    const counts = this.countsOf(label());
    this.known.set(key, counts);
    return counts;
  }

  private countsOf(label: string | null): Uint16Array | null {
    if (label === null) return null;
    const before = this.labels.get(label);
    if (before !== undefined) return before;
    const counts = new Uint16Array(this.worlds);
    this.labels.set(label, counts);
    return counts;
  }
}
