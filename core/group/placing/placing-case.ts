import { ONE_STEP, type StepsApart } from '../../chart/steps-apart';
import type { Verdict } from '../../match/verdict';
import { sizedOne, type SizedGarment, type SizedOne } from '../sized/sizing';

/** A size that somebody could wear. */
export interface Choice {
  /** By its place among the labels of the case. */
  readonly label: number;
  /** How many sizes it is expected to be off, by the odds: every other size counts by its chance and by how far it lies. In thousandths. */
  readonly misfit: number;
  /** How likely it is theirs, in thousandths. */
  readonly chance: number;
}

/** Somebody to be placed: the sizes they could wear, the likeliest first. */
export interface ToPlace {
  /** Their place among the wearers. */
  readonly row: number;
  readonly choices: readonly Choice[];
  /** Held to that label whatever it costs; `null` for nobody’s wish. */
  readonly pinned: number | null;
  /** Whether that was decided on their docket. */
  readonly decided: boolean;
}

/** One garment of a group, with what lies there of it: everything that placing rests on. */
export interface PlacingCase {
  readonly labels: readonly string[];
  /** By label. */
  readonly stock: readonly number[];
  readonly people: readonly ToPlace[];
  /** Who is not placed at all, and why. */
  readonly apart: readonly { readonly row: number; readonly why: Apart }[];
}

/** Why somebody is not placed: nobody can say a size, none is made, or one stands or is in hand. */
export const APART = ['unknown', 'no-size', 'served'] as const;
export type Apart = (typeof APART)[number];

/** What may be worn. */
export interface WearableRule {
  /** A size counts from this chance on, in per cent. */
  readonly leastPercent: number;
}

/** A working value of ours: less likely than this a size is nobody's by the odds. */
export const WEARABLE_PERCENT = 10;

const THOUSAND = 1_000;
/** Verdicts of which the chart itself names the sizes on both sides. */
const BESIDE: readonly Verdict[] = ['overlap', 'between', 'edge'];
/** Verdicts under which nobody can say a size. */
const NOBODY_KNOWS: readonly Verdict[] = ['incomplete', 'suspect'];

/**
 * What there is to be placed of one garment. A size may be worn that is proposed, that the chart's rule names beside it, or
 * that is likely enough; of what protects only the one that is proposed. What is decided stands, and takes from what there is.
 *
 * @param versions of one garment
 * @param stock how many there are, by label
 * @param rows of whom
 * @param pins by row, the label somebody is held to
 * @param stepsOf how far the labels of a version lie apart
 * @example placingCase([keptGarment({ chartId: 'c', seriesId: 's', version: 1, garment: 'Jacket', maker: 'Ostrel', protects: false }, ['M', 'L'], [{ size: inGroup(judgeOne(docket, jacket, house)), stands: 'open', decided: null }])], new Map([['M', 3]]), [0], new Map(), { leastPercent: 10 }).people.length // 1
 */
export function placingCase(
  versions: readonly SizedGarment[],
  stock: ReadonlyMap<string, number>,
  rows: readonly number[],
  pins: ReadonlyMap<number, string>,
  { leastPercent }: WearableRule,
  stepsOf: (version: SizedGarment) => StepsApart = () => ONE_STEP,
): PlacingCase {
  const labels = [...new Set(versions.flatMap((one) => one.labels))];
  const placeOf = new Map(labels.map((label, at) => [label, at]));
  const people: ToPlace[] = [];
  const apart: PlacingCase['apart'][number][] = [];
  for (const row of rows)
    for (const version of versions) {
      const one = sizedOne(version, row);
      if (one === null) continue;
      if (one.stands === 'in-hand' || one.stands === 'made-to-measure') {
        apart.push({ row, why: 'served' });
        continue;
      }
      if (one.stands === 'decided') {
        const label = placeOf.get(one.size!)!;
        people.push({ row, choices: [{ label, misfit: 0, chance: THOUSAND }], pinned: label, decided: true });
        continue;
      }
      const misfitOf = (label: string) => expectedSteps(one, label, stepsOf(version));
      const wearable = wearableOf(one, version.protects, leastPercent, misfitOf);
      const wished = placeOf.get(pins.get(row) ?? '') ?? null;
      const holds = wished !== null && wearable.has(labels[wished]!);
      // What protects is worn as it is proposed, whoever wishes for what.
      const pinned = wished !== null && (holds || !version.protects) ? wished : null;
      if (pinned !== null && !holds)
        wearable.set(labels[pinned]!, Math.max(THOUSAND, misfitOf(labels[pinned]!)));
      if (wearable.size === 0) {
        apart.push({ row, why: NOBODY_KNOWS.includes(one.verdict) ? 'unknown' : 'no-size' });
        continue;
      }
      const choices = [...wearable]
        .map(([label, misfit]) => ({ label: placeOf.get(label)!, misfit, chance: chanceOf(one, label) }))
        .sort((left, right) => left.misfit - right.misfit);
      people.push({ row, choices, pinned, decided: false });
    }
  return { labels, stock: labels.map((label) => stock.get(label) ?? 0), people, apart };
}

/** How likely a size is somebody's, in thousandths. */
function chanceOf({ odds }: SizedOne, wanted: string): number {
  return Math.round(THOUSAND * (odds.find(({ label }) => label === wanted)?.chance ?? 0));
}

/** How many sizes one is expected to be off, in thousandths; that no size is somebody's counts as one. */
function expectedSteps({ odds }: SizedOne, wanted: string, steps: StepsApart): number {
  const off = odds.map(({ label, chance }) => chance * (label === null ? 1 : steps(wanted, label)));
  return Math.round(THOUSAND * off.reduce((sum, one) => sum + one, 0));
}

/** The sizes somebody could wear, each with how many sizes it is expected to be off. */
function wearableOf(
  one: SizedOne,
  protects: boolean,
  leastPercent: number,
  misfitOf: (label: string) => number,
): Map<string, number> {
  const { size, verdict, odds, others } = one;
  const wearable = new Map<string, number>();
  // Beyond the range the nearest size is only a fallback: nobody is placed in it unasked.
  if (size === null || verdict === 'beyond') return wearable;
  const likely = odds.filter(({ label, chance }) => label !== null && chance * 100 >= leastPercent);
  const more = protects
    ? []
    : [...likely.map(({ label }) => label!), ...(BESIDE.includes(verdict) ? others : [])].filter(
        (label) => label !== size,
      );
  // Nobody is moved from what their docket proposes without a need, even where another size is as likely.
  const least = Math.min(misfitOf(size), ...more.map(misfitOf));
  wearable.set(size, least);
  // Where both sizes hold somebody the other fits, too.
  for (const label of more)
    wearable.set(
      label,
      verdict === 'overlap' && others.includes(label) ? least + 1 : Math.max(least + 1, misfitOf(label)),
    );
  return wearable;
}
