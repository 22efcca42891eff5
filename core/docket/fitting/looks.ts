import type { CompiledChart } from '../../chart/compile-chart';
import { placeSeen, placesSeen, type PlaceSeen } from '../../fit/sizes-after-trial';
import { compiledAsItRuns, tellingRuns, type ChartRun, type GarmentLook } from '../../fit/chart-runs';
import { judge } from '../../match/judge';
import type { LabelChance } from '../../match/verdict';
import { toldBy } from '../acts/handing/garment-came-back';
import type { Docket, Handing } from '../docket';
import { asTrials, trialsOf } from './fitting';
import type { Habits } from '../habits';
import { asChosenOn, bodyBehind, compiled, judgeOne, rulingOf } from '../judge/judge';
import type { LibraryChart } from '../library';

/**
 * What a docket tells of how one of its charts runs: every size that was put on or came back, by the column of what was
 * looked at, with what that came to for the wearer. What rests on nothing that was read tells nothing.
 *
 * @example looksOn(worn, jacket, house).map(({ size, sight }) => [size, sight]) // [['M', 'right']]
 */
export function looksOn(docket: Docket, found: LibraryChart, habits: Habits): GarmentLook[] {
  const chart = asChosenOn(docket, found);
  const chartNow = compiled(chart.sheet);
  const seen = [
    ...asTrials(trialsOf(docket, chart.id)).flatMap((trial) => placesSeen(chartNow, trial)),
    ...docket.handings
      .filter(({ chartId }) => chartId === chart.id)
      .flatMap((handing) => toldByReturn(chartNow, handing)),
  ];
  if (seen.length === 0) return [];
  const { verdict, parts } = judgeOne(docket, chart, habits);
  // By a reading in doubt nobody can tell whether the chart or the tape was wrong.
  if (verdict === 'suspect') return [];
  const placed = new Map(
    parts.flatMap(({ part, placements }) => placements.map((one) => [`${part} ${one.code}`, one] as const)),
  );
  return seen.flatMap(({ part, column, size, sight }) => {
    const one = placed.get(`${part} ${column.code}`);
    // What stands in for a measurement is an estimate: it would tell of itself and not of the chart.
    if (one === undefined || one.estimatedFrom !== null) return [];
    const label = chart.sheet.parts.find(({ code }) => code === part)!.sizes[size]!;
    const { value, standardError } = one;
    return [{ wearer: docket.wearerId, part, code: column.code, size: label, sight, value, standardError }];
  });
}

/** What a garment that came back tells of its size, where the wearer said so. */
function toldByReturn(chart: CompiledChart, { sizes, back }: Handing): PlaceSeen[] {
  const sight = back === null ? null : toldBy(back.why);
  return sight === null || back!.area === null ? [] : placeSeen(chart, sizes, back!.area, sight);
}

/** What a garment would be by how its chart runs, where that is another size than the chart says. */
export interface OtherwiseSized {
  /** The label the chart proposes; `null` for none. */
  readonly says: string | null;
  readonly runs: LabelChance;
  /** What it rests on. */
  readonly by: readonly ChartRun[];
}

/**
 * Whether how a chart runs would change the size of a garment on a docket. It changes nothing: it is
 * said beside the verdict, with its evidence.
 *
 * @param runs of the chart's columns; those that show no sign are left alone
 * @returns `null` where it would be the same size
 * @example sizedAsItRuns(docket, jacket, house, []) // null
 */
export function sizedAsItRuns(
  docket: Docket,
  chart: LibraryChart,
  habits: Habits,
  runs: readonly ChartRun[],
): OtherwiseSized | null {
  const by = tellingRuns(runs);
  if (by.length === 0) return null;
  const says = judgeOne(docket, chart, habits);
  if (says.verdict === 'incomplete' || says.verdict === 'suspect') return null;
  // Where somebody declined a measurement, an estimate would tell of itself and not of the chart.
  if (says.assumed.some(({ give }) => give !== null)) return null;
  const body = bodyBehind(docket, asChosenOn(docket, chart), habits);
  const verdict = judge(compiledAsItRuns(chart.sheet, by), body, rulingOf(docket, chart, habits));
  const label = verdict.proposed;
  if (label === says.proposed || label === null) return null;
  const chance = verdict.odds.find((one) => one.label === label)?.chance ?? 0;
  return { says: says.proposed, runs: { label, chance }, by };
}
