import { VERDICTS, type LabelChance, type Verdict } from '../../match/verdict';
import type { GroupSize } from './group-size';
import { RESTS, type Rests } from './as-known';

/** How far one of a group is with one garment: nothing decided, decided, in hand, or one is made for them. */
export const STANDS = ['open', 'decided', 'in-hand', 'made-to-measure'] as const;
export type Stands = (typeof STANDS)[number];

/** Nothing of a list: no label, no verdict. */
const NONE = -1;

/** One garment for everybody, a list a thing that is told, all as long as the wearers: many of them are kept as one row. */
export interface SizedGarment {
  readonly chartId: string;
  readonly seriesId: string;
  readonly version: number;
  readonly garment: string;
  readonly maker: string;
  /** Whether it protects: nobody is given another size of it than the odds say because of what there is. */
  readonly protects: boolean;
  /** Every label that somebody might get, in the order of the chart; the lists name them by place. */
  readonly labels: readonly string[];
  /** By place in `VERDICTS`; -1 where the garment is not asked for. */
  readonly verdicts: readonly number[];
  /** The label proposed, or decided where one is; -1 for none. */
  readonly sizes: readonly number[];
  /** By place in `STANDS`. */
  readonly stands: readonly number[];
  /** Of whom the odds leave a doubt: label (-1 for no size at all) and thousandths in turns, the likeliest first. */
  readonly odds: Readonly<Record<string, readonly number[]>>;
  /** Who might wear others: those labels. */
  readonly others: Readonly<Record<string, readonly number[]>>;
}

/** A whole group sized at one moment, with what that rests on: it stands as it was, whatever changes later. */
export interface Sizing {
  /** Which habits of the house. */
  readonly habits: number;
  readonly wearerIds: readonly string[];
  /** The docket of each, or where it would be; empty where there is none. */
  readonly docketIds: readonly string[];
  /** By place in `RESTS`. */
  readonly rests: readonly number[];
  /** How much had been done on each docket. */
  readonly acts: readonly number[];
  readonly garments: readonly SizedGarment[];
}

/** One of a group in one garment. */
export interface SizedOne {
  readonly verdict: Verdict;
  readonly stands: Stands;
  /** The label decided or proposed. */
  readonly size: string | null;
  /** Of no size at all under `null`. */
  readonly odds: readonly LabelChance[];
  readonly others: readonly string[];
}

/** What one of a group comes to, and what was decided of it. */
export interface ToKeep {
  readonly size: GroupSize;
  readonly stands: Stands;
  /** The label that was decided, or is in hand; `null` where none is. */
  readonly decided: string | null;
}

/** A garment without its lists. */
export type GarmentHead = Pick<
  SizedGarment,
  'chartId' | 'seriesId' | 'version' | 'garment' | 'maker' | 'protects'
>;

/** Less likely than so is not kept: in thousandths. */
const LEAST_KEPT = 5;

/** One garment of a group, kept while its wearers are sized: of whoever is added only what is kept stays in memory. */
export class GarmentKeeper {
  private readonly labels: string[];
  private readonly places: Map<string, number>;
  private readonly verdicts: number[] = [];
  private readonly sizes: number[] = [];
  private readonly stands: number[] = [];
  private readonly odds: Record<string, number[]> = {};
  private readonly others: Record<string, number[]> = {};

  /** @param made every label of the chart, in its order */
  constructor(
    private readonly head: GarmentHead,
    made: readonly string[],
  ) {
    this.labels = [...made];
    this.places = new Map(made.map((label, at) => [label, at]));
  }

  /** The next wearer; `null` for one who does not get the garment. */
  add(one: ToKeep | null): void {
    const row = this.verdicts.length;
    if (one === null) {
      this.push(NONE, NONE, 0);
      return;
    }
    const { size, stands, decided } = one;
    const kept = size.odds.filter(({ chance }) => chance * 1_000 >= LEAST_KEPT);
    const isOpen = stands === 'open';
    if (isOpen && (kept.length > 1 || (kept.length === 1 && kept[0]!.label !== size.proposed)))
      this.odds[row] = kept.flatMap(({ label, chance }) => [this.placeOf(label), Math.round(chance * 1_000)]);
    if (isOpen && size.alternates.length > 0)
      this.others[row] = size.alternates.map((label) => this.placeOf(label));
    const label = isOpen ? size.proposed : decided;
    this.push(VERDICTS.indexOf(size.verdict), this.placeOf(label), STANDS.indexOf(stands));
  }

  kept(): SizedGarment {
    const { head, labels, verdicts, sizes, stands, odds, others } = this;
    return { ...head, labels, verdicts, sizes, stands, odds, others };
  }

  private push(verdict: number, size: number, stands: number): void {
    this.verdicts.push(verdict);
    this.sizes.push(size);
    this.stands.push(stands);
  }

  private placeOf(label: string | null): number {
    if (label === null) return NONE;
    const known = this.places.get(label);
    if (known !== undefined) return known;
    this.places.set(label, this.labels.length);
    // Of a size that was decided by another version of the chart.
    return this.labels.push(label) - 1;
  }
}

/**
 * One garment of a group, to be kept.
 *
 * @param made every label of the chart, in its order
 * @param found for each wearer; `null` where they do not get the garment
 * @example keptGarment({ chartId: 'c', seriesId: 's', version: 1, garment: 'Jacket', maker: 'Ostrel', protects: false }, ['M', 'L'], [{ size: inGroup(judgeOne(docket, jacket, house)), stands: 'open', decided: null }]).sizes // [0]
 */
export function keptGarment(
  head: GarmentHead,
  made: readonly string[],
  found: readonly (ToKeep | null)[],
): SizedGarment {
  const keeper = new GarmentKeeper(head, made);
  for (const one of found) keeper.add(one);
  return keeper.kept();
}

/**
 * What one of a group comes to in a garment; `null` where they do not get it.
 *
 * @param row their place among the wearers
 * @example sizedOne(keptGarment({ chartId: 'c', seriesId: 's', version: 1, garment: 'Jacket', maker: 'Ostrel', protects: false }, ['M', 'L'], [{ size: inGroup(judgeOne(docket, jacket, house)), stands: 'open', decided: null }]), 0).size // 'M'
 */
export function sizedOne(garment: SizedGarment, row: number): SizedOne | null {
  const verdict = VERDICTS[garment.verdicts[row]!];
  if (verdict === undefined) return null;
  const size = garment.labels[garment.sizes[row]!] ?? null;
  const kept = garment.odds[row] ?? [];
  const odds = Array.from({ length: kept.length / 2 }, (_, at) => ({
    label: garment.labels[kept[2 * at]!] ?? null,
    chance: kept[2 * at + 1]! / 1_000,
  }));
  return {
    verdict,
    stands: STANDS[garment.stands[row]!]!,
    size,
    odds: odds.length === 0 && size !== null ? [{ label: size, chance: 1 }] : odds,
    others: (garment.others[row] ?? []).map((at) => garment.labels[at]!),
  };
}

/**
 * What the sizes of one of a group rest on.
 *
 * @example restsOf({ rests: [0, 3] }, 1) // 'nothing'
 */
export function restsOf({ rests }: Pick<Sizing, 'rests'>, row: number): Rests {
  return RESTS[rests[row]!]!;
}

/** Why somebody has another size than before, or another verdict. */
export const CHANGE_REASONS = ['decided', 'measured', 'chart', 'habits', 'record', 'added', 'gone'] as const;
export type ChangeReason = (typeof CHANGE_REASONS)[number];

/** Somebody who is sized otherwise than before. */
export interface SizeChange {
  readonly wearerId: string;
  readonly garment: string;
  readonly before: SizedOne | null;
  readonly after: SizedOne | null;
  readonly why: ChangeReason;
}

/**
 * Who is sized otherwise than in an earlier sizing, and why: garments are the same by their series, whatever version.
 *
 * @example sizeChanges({ habits: 1, wearerIds: [], docketIds: [], rests: [], acts: [], garments: [] }, { habits: 1, wearerIds: [], docketIds: [], rests: [], acts: [], garments: [] }) // []
 */
export function sizeChanges(before: Sizing, after: Sizing): SizeChange[] {
  const rowBefore = new Map(before.wearerIds.map((id, row) => [id, row]));
  const rowAfter = new Map(after.wearerIds.map((id, row) => [id, row]));
  const series = [...new Set([...after.garments, ...before.garments].map(({ seriesId }) => seriesId))];
  return [...new Set([...after.wearerIds, ...before.wearerIds])].flatMap((wearerId) => {
    const [was, is] = [rowBefore.get(wearerId), rowAfter.get(wearerId)];
    return series.flatMap((seriesId): SizeChange[] => {
      const old = garmentOf(before, seriesId, was);
      const now = garmentOf(after, seriesId, is);
      const one = old === undefined ? null : sizedOne(old, was!);
      const other = now === undefined ? null : sizedOne(now, is!);
      if (isSame(one, other)) return [];
      const why = (): ChangeReason => {
        if (one === null) return 'added';
        if (other === null) return 'gone';
        if (one.stands !== other.stands) return 'decided';
        if (before.acts[was!] !== after.acts[is!]) return 'measured';
        if (old!.chartId !== now!.chartId) return 'chart';
        return before.habits === after.habits ? 'record' : 'habits';
      };
      return [{ wearerId, garment: (now ?? old)!.garment, before: one, after: other, why: why() }];
    });
  });
}

/** The version of a garment that somebody gets; nothing where they get none. */
function garmentOf(
  { garments }: Sizing,
  seriesId: string,
  row: number | undefined,
): SizedGarment | undefined {
  return row === undefined
    ? undefined
    : garments.find((one) => one.seriesId === seriesId && one.verdicts[row] !== NONE);
}

function isSame(one: SizedOne | null, other: SizedOne | null): boolean {
  return (
    one?.verdict === other?.verdict &&
    one?.size === other?.size &&
    one?.stands === other?.stands &&
    (one?.others.join('\n') ?? null) === (other?.others.join('\n') ?? null)
  );
}

/**
 * A sizing without somebody: nothing of theirs is left in it, and everybody else stays in their row.
 *
 * @example withoutWearer({ habits: 1, wearerIds: ['ada'], docketIds: ['d'], rests: [0], acts: [4], garments: [] }, 'ada').wearerIds // ['']
 */
export function withoutWearer(sizing: Sizing, wearerId: string): Sizing {
  const row = sizing.wearerIds.indexOf(wearerId);
  if (row < 0) return sizing;
  const blank = <Item>(list: readonly Item[], item: Item) => list.with(row, item);
  const less = (lists: Readonly<Record<string, readonly number[]>>) =>
    Object.fromEntries(Object.entries(lists).filter(([key]) => key !== String(row)));
  return {
    habits: sizing.habits,
    wearerIds: blank(sizing.wearerIds, ''),
    docketIds: blank(sizing.docketIds, ''),
    rests: blank(sizing.rests, RESTS.indexOf('nothing')),
    acts: blank(sizing.acts, 0),
    garments: sizing.garments.map((one) => ({
      ...one,
      verdicts: blank(one.verdicts, NONE),
      sizes: blank(one.sizes, NONE),
      stands: blank(one.stands, 0),
      odds: less(one.odds),
      others: less(one.others),
    })),
  };
}
