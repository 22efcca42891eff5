import type { MeasurementCode } from '../../../body/catalogue/codes';
import type { CompiledPart } from '../../../chart/compile-chart';
import { NONE, sizesIn, stretchOf } from '../../../chart/cut-column';
import { isMade, labelOf } from '../../../chart/label';
import { EDGE_CHANCE, judgeSome, wholeOf, type JudgeOptions, type PartBrief } from '../../../match/judge';
import { asRecorded } from '../../../match/odds/as-recorded';
import type { Kernel } from '../../../match/kernel/kernel';
import { LISTED_CHANCE, type SizesTogether } from '../../../match/odds/odds';
import { VERDICTS, type LabelChance } from '../../../match/verdict';
import type { GroupBody, GroupSize } from '../group-size';
import { GroupCells, type CellReading } from './group-cells';
import { partGroups, type PartGroup } from './part-groups';

/** So near a threshold only draws say on which side a chance is: those that a docket's own odds are made of. */
const NEAR_EDGE = 0.001_5;
const NEAR_OFFER = 0.000_4;
/** Less likely than so no other size is offered. As `judge` has it. */
const OFFERED = 0.01;
/** So many different sets of values are remembered of each group of parts; then it begins anew. */
const REMEMBERED = 1 << 15;

/** What some parts of one of many come to. */
interface FoundParts {
  /** A name of what the parts come to, the odds aside. */
  readonly id: number;
  readonly parts: readonly PartBrief[];
  /** By their place in the whole part, -1 for none. */
  readonly sizes: readonly number[];
  readonly together: readonly SizesTogether[];
  /** Of the only group there is, the whole garment. */
  size: GroupSize | null;
}

interface GroupAtWork {
  readonly group: PartGroup;
  readonly cells: GroupCells;
  known: Map<string, FoundParts>;
}

/**
 * Sizes one after the other of a kernel's round, as `judge` would, group of parts by group of parts: what is read for one
 * tells nothing of another, so what was found of a group is found for everybody with the same values there.
 */
export class ByParts {
  private readonly groups: readonly GroupAtWork[];
  private readonly names = new Map<string, number>();
  private wholes = new Map<string, ReturnType<typeof wholeOf>>();
  private readonly labels = new Map<number, string | null>();
  private readonly edgeChance: number;

  constructor(
    private readonly kernel: Kernel,
    private readonly ruling: Omit<JudgeOptions, 'suspects' | 'expected'>,
  ) {
    this.groups = partGroups(kernel.chart).map((group) => ({
      group,
      cells: new GroupCells(kernel.chart, group, ruling),
      known: new Map<string, FoundParts>(),
    }));
    this.edgeChance = ruling.edgeChance ?? EDGE_CHANCE;
  }

  /**
   * One of the kernel's last round, none of whose readings is in doubt.
   *
   * @param errorOf how far off a reading is, as a standard deviation in micrometres
   */
  of(row: number, { body }: GroupBody, errorOf: (code: MeasurementCode) => number): GroupSize {
    const { kernel } = this;
    if (this.isBroken(row))
      return { verdict: VERDICTS[kernel.verdicts[row]!]!, proposed: null, odds: [], alternates: [] };
    const found = this.groups.map((one) => this.ofGroup(one, row, body, errorOf));
    const [only] = found;
    if (found.length === 1 && only!.size !== null) return only!.size;
    const { verdict, proposed, alternates } = this.whole(found);
    const size = { verdict, proposed, alternates, odds: this.odds(found) };
    if (found.length === 1) only!.size = size;
    return size;
  }

  /** What a group of parts comes to; remembered by the values. */
  private ofGroup(
    one: GroupAtWork,
    row: number,
    body: GroupBody['body'],
    errorOf: (code: MeasurementCode) => number,
  ): FoundParts {
    const { kernel } = this;
    const readings = (code: MeasurementCode): CellReading => {
      const read = { code, value: kernel.input(code)[row]!, standardError: errorOf(code) };
      const { value, standardError, step = 1 } = asRecorded(kernel.chart, read);
      return { value, error: standardError, step };
    };
    let by = '';
    for (const code of one.group.codes) {
      const { value, error } = readings(code);
      by += `${value}/${error} `;
    }
    const known = one.known.get(by);
    if (known !== undefined) return known;
    const found = this.byCells(one, row, readings) ?? this.drawn(one, body);
    if (one.known.size >= REMEMBERED) one.known = new Map();
    one.known.set(by, found);
    return found;
  }

  /** Whether there is a part of which something to go by is not known: then there is no size of the whole, and no odds. */
  private isBroken(row: number): boolean {
    return this.kernel.parts.some((part) =>
      part.columns.some(({ choices }, at) => Number.isNaN(choices[part.choiceOf(at, row)]!.values[row]!)),
    );
  }

  /** As `judge` finds it, with all its draws. */
  private drawn({ group }: GroupAtWork, body: GroupBody['body']): FoundParts {
    const { chart } = this.kernel;
    const { parts, together } = judgeSome(chart, body, group.codes, group.parts, this.ruling);
    const sizes = parts.map(({ proposed }, at) =>
      proposed === null ? NONE : chart.parts[group.parts[at]!]!.whole.sizes.indexOf(proposed),
    );
    return { id: this.nameOf(group, parts, sizes), parts, sizes, together, size: null };
  }

  /** Without draws; `null` where only they can tell. */
  private byCells(
    { group, cells }: GroupAtWork,
    row: number,
    readings: (code: MeasurementCode) => CellReading,
  ): FoundParts | null {
    if (!cells.isAble) return null;
    const together = cells.together(readings, false);
    if (together === null) return null;
    const beyond = cells.hasOnBound(readings) ? cells.together(readings, true) : together;
    if (beyond === null) return null;
    const parts: PartBrief[] = [];
    const sizes: number[] = [];
    for (const [at, place] of group.parts.entries()) {
      const size = this.kernel.parts[place]!.sizes[row]!;
      const brief = this.partBrief(
        row,
        place,
        this.chancesOf(together, at, place),
        beyond === together ? null : this.chancesOf(beyond, at, place),
      );
      if (brief === null) return null;
      parts.push(brief);
      sizes.push(size);
    }
    return { id: this.nameOf(group, parts, sizes), parts, sizes, together, size: null };
  }

  private partBrief(
    row: number,
    place: number,
    odds: Float64Array,
    beyond: Float64Array | null,
  ): PartBrief | null {
    const run = this.kernel.parts[place]!;
    const { whole } = this.kernel.chart.parts[place]!;
    const part = this.offered(row, place);
    const verdict = VERDICTS[run.verdicts[row]!]! as PartBrief['verdict'];
    const own = run.sizes[row]!;
    const brief = (said: PartBrief['verdict'], sizes: ReadonlySet<string>): PartBrief => ({
      part: whole.code,
      verdict: said,
      alternates: part.sizes.filter((size) => size !== whole.sizes[own] && sizes.has(size)),
    });
    if (verdict !== 'settled') {
      const named = new Set<string>();
      const common: number[][] = [];
      part.deciding.forEach(({ cut }, column) => {
        const value = run.columns[column]!.choices[0]!.values[row]!;
        const stretch = stretchOf(cut, value);
        const holding = sizesIn(cut, stretch);
        common.push(holding);
        if (verdict === 'overlap') return;
        const beside = holding.length > 0 ? holding : [cut.below[stretch]!, cut.above[stretch]!];
        for (const size of beside) if (size !== NONE) named.add(part.sizes[size]!);
      });
      if (verdict === 'overlap')
        for (const size of common[0]!)
          if (common.every((one) => one.includes(size))) named.add(part.sizes[size]!);
      return named.size === 0 ? null : brief(verdict, named);
    }
    const { rival, next } = twoOthers(odds, own);
    const chance = beyond === null ? odds[rival]! : beyond[twoOthers(beyond, own).rival]!;
    if (Math.abs(chance - this.edgeChance) < NEAR_EDGE) return null;
    if (chance < this.edgeChance) {
      if (odds.some((share, size) => size !== own && Math.abs(share - OFFERED) < NEAR_OFFER)) return null;
      return brief('settled', new Set(whole.sizes.filter((_, size) => odds[size]! >= OFFERED)));
    }
    // Of two that are as likely only draws say which is named.
    if (odds[rival]! - odds[next]! < NEAR_EDGE) return null;
    return brief('edge', new Set(whole.sizes.slice(rival, rival + 1)));
  }

  /** The chance of each size of a part, and behind them of none. */
  private chancesOf(together: readonly SizesTogether[], at: number, place: number): Float64Array {
    const none = this.kernel.chart.parts[place]!.whole.sizes.length;
    const chances = new Float64Array(none + 1);
    for (const { sizes, chance } of together) chances[sizes[at] === NONE ? none : sizes[at]!]! += chance;
    return chances;
  }

  /** The part as it is offered to one of the round. */
  private offered(row: number, place: number): CompiledPart {
    const { parts, chart } = this.kernel;
    const plan = chart.parts[place]!;
    const by = plan.by === null ? NONE : chart.sheet.parts.findIndex(({ code }) => code === plan.by);
    if (by === NONE) return plan.whole;
    const before = chart.parts[by]!.whole.sizes[parts[by]!.sizes[row]!];
    return (before === undefined ? undefined : plan.cases.get(before)) ?? plan.whole;
  }

  private nameOf({ parts: at }: PartGroup, parts: readonly PartBrief[], sizes: readonly number[]): number {
    const key = `${at[0]} ${sizes.join()} ${parts.map(({ verdict, alternates }) => `${verdict}:${alternates.join('\t')}`).join('\n')}`;
    const known = this.names.get(key);
    if (known !== undefined) return known;
    this.names.set(key, this.names.size);
    return this.names.size - 1;
  }

  private whole(found: readonly FoundParts[]): ReturnType<typeof wholeOf> {
    const key = found.map(({ id }) => id).join();
    const known = this.wholes.get(key);
    if (known !== undefined) return known;
    const { chart } = this.kernel;
    const briefs: PartBrief[] = [];
    const sizes: Record<string, string> = {};
    found.forEach((one, which) =>
      this.groups[which]!.group.parts.forEach((place, at) => {
        const { whole } = chart.parts[place]!;
        briefs[place] = one.parts[at]!;
        if (one.sizes[at] !== NONE) sizes[whole.code] = whole.sizes[one.sizes[at]!]!;
      }),
    );
    const made = wholeOf(chart, sizes, briefs);
    if (this.wholes.size >= REMEMBERED) this.wholes = new Map();
    this.wholes.set(key, made);
    return made;
  }

  /** The chances of whole labels: what the groups come to is independent of each other. */
  private odds(found: readonly FoundParts[]): LabelChance[] {
    const chances = new Map<string | null, number>();
    const places: number[] = [];
    const walk = (which: number, chance: number) => {
      if (chance < LISTED_CHANCE / 10) return;
      if (which === found.length) {
        const label = this.labelOf(places);
        chances.set(label, (chances.get(label) ?? 0) + chance);
        return;
      }
      const { parts } = this.groups[which]!.group;
      for (const one of found[which]!.together) {
        for (let at = 0; at < parts.length; at++) places[parts[at]!] = one.sizes[at]!;
        walk(which + 1, chance * one.chance);
      }
    };
    walk(0, 1);
    return [...chances]
      .map(([label, chance]) => ({ label, chance }))
      .filter(({ chance }) => chance >= LISTED_CHANCE)
      .sort((one, other) => other.chance - one.chance);
  }

  private labelOf(places: readonly number[]): string | null {
    const { parts, sheet } = this.kernel.chart;
    let key = 0;
    for (let at = 0; at < parts.length; at++) {
      if (places[at] === NONE) return null;
      key = key * parts[at]!.whole.sizes.length + places[at]!;
    }
    const known = this.labels.get(key);
    if (known !== undefined) return known;
    const sizes = Object.fromEntries(parts.map(({ whole }, at) => [whole.code, whole.sizes[places[at]!]!]));
    const label = isMade(sheet, sizes) ? labelOf(sheet, sizes) : null;
    this.labels.set(key, label);
    return label;
  }
}

/** The likeliest other than one's own, and the next, by place. */
function twoOthers(chances: Float64Array, own: number): { rival: number; next: number } {
  let [rival, next] = [-1, -1];
  for (let size = 0; size < chances.length; size++) {
    if (size === own) continue;
    if (rival < 0 || chances[size]! > chances[rival]!) [rival, next] = [size, rival];
    else if (next < 0 || chances[size]! > chances[next]!) next = size;
  }
  return { rival, next };
}
