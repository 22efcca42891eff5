import {
  compileChart,
  drawOdds,
  Kernel,
  measurement,
  type CompiledChart,
  type Length,
  type Weighed,
} from '@neat-measure/core';
import { chartSheetSchema, importChartJson } from '@neat-measure/core/sheets';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { farthestApart, sharesByPlainDraws } from '../core/testing/plain-draws';
import { drawFrom, randomBody, randomChart } from '../core/testing/random-chart';
import { seededNormal, seededRandom } from '../core/testing/random';

const DRAWS = 1_000_000;
const RANDOM_CHARTS = 200;
const BODIES = 20;
/** Half a point in a hundred. */
const HALF_A_POINT = 0.005;

/** More normal numbers than one comparison of four readings takes; drawn once, and gone through again and again. */
const TABLE = 1 << 22;

function fromTable(normal: () => number): () => number {
  const table = Float64Array.from({ length: TABLE }, normal);
  let at = 0;
  return () => table[at++ & (TABLE - 1)]!;
}

interface Worst {
  compared: number;
  far: number;
  beyond: number;
}

/**
 * The odds of every demo chart and of many random ones against a million plain draws each: how far
 * off the farthest is, in points of a hundred.
 *
 * @param share of the random charts, for a shorter run: 1 for all
 */
export function benchOdds(root: string, say: (line: string) => void, share = 1): void {
  const normal = fromTable(seededNormal(seededRandom(1_000_000)));
  const folder = join(root, 'demo', 'charts');
  const demo: Worst = { compared: 0, far: 0, beyond: 0 };
  for (const name of readdirSync(folder)) {
    const read = importChartJson(readFileSync(join(folder, name)));
    if (!read.ok) throw new Error(name);
    const chart = compileChart(read.value);
    const random = drawFrom(seededRandom(name.length));
    for (let body = 0; body < 3; body++) {
      // About the middle of what a body can be, where most charts have their sizes.
      const readings = [...chart.arithmetic.readings.keys()].map((code): Weighed => {
        const { limits, standardError } = measurement(code);
        const at = limits.least + ((limits.most - limits.least) * (35 + random(15))) / 100;
        return { code, value: Math.round(at) as Length, standardError };
      });
      compare(chart, readings, normal, demo);
    }
  }
  tell('every demo chart', demo, say);
  const draw = drawFrom(seededRandom(200));
  const random: Worst = { compared: 0, far: 0, beyond: 0 };
  for (let at = 0; at < RANDOM_CHARTS * share; at++) {
    const chart = compileChart(chartSheetSchema.parse(randomChart(draw)));
    for (let body = 0; body < BODIES; body++) {
      const readings = [...randomBody(draw)]
        .filter(([code]) => chart.arithmetic.readings.has(code))
        .map(([code, value]): Weighed => ({ code, value, standardError: 3_000 + draw(9) * 1_000 }));
      compare(chart, readings, normal, random);
    }
  }
  tell(`${Math.round(RANDOM_CHARTS * share)} random charts x ${BODIES} bodies`, random, say);
}

function compare(chart: CompiledChart, readings: readonly Weighed[], normal: () => number, worst: Worst) {
  const kernel = new Kernel(chart);
  const odds = drawOdds(kernel, readings);
  const { far } = farthestApart(odds, sharesByPlainDraws(kernel, readings, DRAWS, normal));
  worst.compared += 1;
  worst.far = Math.max(worst.far, far);
  if (far > HALF_A_POINT) worst.beyond += 1;
}

function tell(what: string, { compared, far, beyond }: Worst, say: (line: string) => void): void {
  say(
    `odds against ${DRAWS} plain draws, ${what}: ${compared} compared, farthest ${(far * 100).toFixed(2)} points, ${beyond} beyond half a point, ratio ${(far / HALF_A_POINT).toFixed(1)}`,
  );
}
