import type { MeasurementCode } from '../body/catalogue/codes';
import { NONE } from '../chart/cut-column';
import type { CompiledChart, CompiledColumn } from '../chart/compile-chart';
import { labelOf } from '../chart/label';
import { named } from '../chart/named';
import { readingsBehind } from '../chart/size-chart';
import { weighedReadings, type JudgeOptions, type MeasuredBody } from '../match/judge';
import { Kernel } from '../match/kernel/kernel';
import { DRAWS } from '../match/odds/low-discrepancy';
import { drawReadings, LISTED_CHANCE, type Weighed } from '../match/odds/odds';
import type { LabelChance } from '../match/verdict';
import { isNoFault, type Trial } from './advice';
import { type FitPlace } from '../garment/areas';
import { columnOfPlace, partOfPlace } from './areas';
import { RIGHT } from '../garment/fit-check';
import { fitChecksOf } from './fit-checks';
import { chanceOfSight, EYE_SHARE, WEARING_SHARE, type Sight } from './seen-chances';

/** What the tape and the trial say together. */
export interface SizesAfterTrial {
  /** The chance of each label, the likeliest first; those of at least one in a thousand. */
  readonly odds: readonly LabelChance[];
  /** How likely what was seen was by what had been read: so little that one of the two is wrong. */
  readonly surprising: boolean;
}

/** Seen less often than so by what was read, the tape or the eye was wrong. A working value of ours. */
const SURPRISING = 0.02;

/** Something that was seen of a place at one size: what the chances of the draws are weighed by. */
export interface PlaceSeen {
  /** The code of the part. */
  readonly part: string;
  readonly column: CompiledColumn;
  /** The place of the size on the part's scale. */
  readonly size: number;
  readonly sight: Sight;
}

/**
 * How likely each size is, given what was read **and** what was seen when it was tried on: drawn
 * readings, spread by the tape's error and by how far wearing lies from what charts say, judged by the
 * kernel as everybody, each weighed with the chance that it would have been seen so.
 *
 * @param trials every size that was put on
 * @returns without a chance where nothing that decides was read
 * @example sizesAfterTrial(compileChart(jacket.sheet), bodyBehind(docket, jacket, house), {}, []).odds[0].label // 'M'
 */
export function sizesAfterTrial(
  compiled: CompiledChart,
  body: MeasuredBody,
  options: JudgeOptions,
  trials: readonly Trial[],
): SizesAfterTrial {
  const seen = trials.flatMap((trial) => placesSeen(compiled, trial));
  const readings = weighedReadings(compiled, body).map((one) => ({
    ...one,
    standardError: Math.hypot(one.standardError, WEARING_SHARE * stepOf(compiled, one.code)),
  }));
  const kernel = new Kernel(compiled, options);
  const weights = weighSizes(kernel, readings, seen);
  const sum = [...weights.values()].reduce((all, one) => all + one, 0);
  if (readings.length === 0 || sum === 0) return { odds: [], surprising: readings.length > 0 };
  const odds = [...weights]
    .map(([label, weight]) => ({ label, chance: weight / sum }))
    .filter(({ chance }) => chance >= LISTED_CHANCE)
    .sort((one, other) => other.chance - one.chance);
  return { odds, surprising: sum / DRAWS < SURPRISING ** wrongAmong(seen) };
}

/**
 * What the answers of one trial tell of the columns of a chart; each place once, and worst where two differ.
 *
 * @example placesSeen(compileChart(jacket.sheet), { sizes: { size: 'M' }, seen: [{ check: 'button', answer: 'small' }] }).map(({ sight }) => sight) // ['small']
 */
export function placesSeen(compiled: CompiledChart, trial: Trial): PlaceSeen[] {
  const { sizes, seen } = trial;
  const checks = fitChecksOf(compiled.sheet);
  const sights = new Map<FitPlace, Sight>();
  for (const { check: code, answer: said } of seen) {
    const check = checks.find((one) => one.code === code);
    if (check === undefined || said === null) continue;
    if (said === RIGHT)
      for (const place of check.places) {
        if (!sights.has(place)) sights.set(place, 'right');
      }
    const answer = check.answers.find((one) => one.code === said);
    const tells = answer === undefined || isNoFault(trial, answer) ? null : answer.tells;
    if (tells !== null) sights.set(tells.place, tells.is);
  }
  return [...sights].flatMap(([place, sight]) => placeSeen(compiled, sizes, place, sight));
}

/**
 * What was seen of one place of some sizes; nothing where no column of the chart goes by it.
 *
 * @example placeSeen(compileChart(jacket.sheet), { size: 'M' }, 'chest', 'small').map(({ column }) => column.code) // ['chest-girth']
 */
export function placeSeen(
  { sheet, parts }: CompiledChart,
  sizes: Trial['sizes'],
  place: FitPlace,
  sight: Sight,
): PlaceSeen[] {
  const part = partOfPlace(sheet, place);
  if (part === null) return [];
  const code = columnOfPlace(sheet, part, place)?.code;
  const whole = parts.find(({ whole: one }) => one.code === part.code)?.whole;
  const column = whole?.deciding.find((one) => one.code === code);
  const size = part.sizes.indexOf(named(sizes, part.code) ?? '');
  return column === undefined || size < 0 ? [] : [{ part: part.code, column, size, sight }];
}

/** The distance from size to size that a reading goes by: the least of the columns it decides. */
function stepOf({ sheet, parts }: CompiledChart, code: MeasurementCode): number {
  const steps = parts.flatMap(({ whole }) =>
    whole.deciding
      .filter((column) => readingsBehind(sheet, column.code).includes(code))
      .map(({ step }) => step),
  );
  return steps.length === 0 ? 0 : Math.min(...steps);
}

/** The weight of every label among all draws; `null` for none. */
function weighSizes(
  kernel: Kernel,
  readings: readonly Weighed[],
  seen: readonly PlaceSeen[],
): ReadonlyMap<string | null, number> {
  const { chart, parts, capacity } = kernel;
  const weights = new Map<string, number>();
  for (let from = 0; from < DRAWS; from += capacity) {
    const many = Math.min(capacity, DRAWS - from);
    drawReadings(kernel, readings, from, many);
    kernel.run(many);
    const values = seen.map(({ column }) => kernel.values(column.code));
    for (let row = 0; row < many; row++) {
      let weight = 1;
      seen.forEach(({ column, size, sight }, at) => {
        const value = values[at]![row]!;
        if (!Number.isNaN(value))
          weight *= chanceOfSight(sight, value, column.intervals[size]!, EYE_SHARE * column.step);
      });
      const none = kernel.unmade[row] === 1 || parts.some(({ sizes }) => sizes[row] === NONE);
      const key = none ? '' : parts.map(({ sizes }) => sizes[row]!).join();
      weights.set(key, (weights.get(key) ?? 0) + weight);
    }
  }
  const { sheet } = chart;
  const labels = new Map<string | null, number>();
  for (const [key, weight] of weights) {
    const at = key.split(',').map(Number);
    const sizes = Object.fromEntries(
      sheet.parts.map(({ code, sizes: own }, part) => [code, own[at[part]!]!]),
    );
    const label = key === '' ? null : labelOf(sheet, sizes);
    labels.set(label, (labels.get(label) ?? 0) + weight);
  }
  return labels;
}

/** At least one: the surprise of what was seen grows with each thing that was wrong. */
function wrongAmong(seen: readonly PlaceSeen[]): number {
  return Math.max(1, seen.filter(({ sight }) => sight !== 'right').length);
}
