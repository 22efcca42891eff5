import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { compileChart } from '../chart/compile-chart';
import type { ChartSheet } from '../chart/chart-shape';
import { codesRead } from '../chart/size-chart';
import { judge } from '../match/judge';
import type { Verdict } from '../match/verdict';
import { micrometres, type Length } from '../quantity/length';
import { steadyRandom } from './foresee';
import { plausibleBodies } from './plausible-bodies';

/** Somebody as people are, sized by a chart before it is kept: whoever looks sees at once whether it was read wrongly. */
export interface SampleWearer {
  readonly build: 'small' | 'middle' | 'large';
  readonly values: readonly { readonly code: MeasurementCode; readonly value: Length }[];
  readonly verdict: Verdict;
  /** The label they get; `null` for none. */
  readonly proposed: string | null;
}

const BUILDS = [
  ['small', 0.15],
  ['middle', 0.5],
  ['large', 0.85],
] as const;
const DRAWN = 400;
/** What they measure is told in halves of a centimetre. */
const STEP = 5_000;

/**
 * A small wearer, one in the middle and a large one, by what a chart reads, each with the size they get.
 *
 * @example threeWearers(jacket.sheet).map(({ build, values }) => [build, values.length]) // [['small', 2], ['middle', 2], ['large', 2]]
 */
export function threeWearers(sheet: ChartSheet): SampleWearer[] {
  const codes = codesRead(sheet).filter((code) => measurement(code).kind !== 'mass');
  const drawn = plausibleBodies(new Map(), codes, DRAWN, steadyRandom(1)).map((column) => column.sort());
  const chart = compileChart(sheet);
  return BUILDS.map(([build, share]) => {
    const values = codes.map((code, at) => ({
      code,
      value: micrometres(Math.round(drawn[at]![Math.floor(share * DRAWN)]! / STEP) * STEP),
    }));
    const { verdict, proposed } = judge(chart, new Map(values.map(({ code, value }) => [code, { value }])));
    // The nearest to somebody whom no size holds is not theirs.
    return { build, values, verdict, proposed: verdict === 'beyond' ? null : proposed };
  });
}
