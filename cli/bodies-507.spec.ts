import {
  compileChart,
  FIT_PREFERENCES,
  judge,
  micrometres,
  type Length,
  type MeasurementCode,
} from '@neat-measure/core';
import { importChartJson } from '@neat-measure/core/sheets';
import { bodies507 } from '@neat-measure/core/bodies-507';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { plainSizing, type PlainChart } from '../core/testing/plain-sizing';

/** The demo charts that the plain way can follow. */
const CHARTS = [
  'ceremony-trousers',
  'estuary-fleece',
  'ferry-waistcoat',
  'field-jacket',
  'gannet-smock',
  'grebe-dry-suit',
  'guide-blazer',
  'harbour-parka',
  'mudflat-boots',
  'mudlark-coverall',
  'ranger-trousers',
  'regatta-dress',
  'saltpan-waders',
  'warden-trousers',
] as const;

/**
 * The 507 measured bodies (source beside `core/reference/body-dimensions-507.ts`). What that
 * table does not hold stands in proportion to what it does: made up, so that every chart has
 * something to go by.
 */
function bodies(): ReadonlyMap<MeasurementCode, Length>[] {
  return bodies507().map((measured) => {
    const of = (code: MeasurementCode, share: number) =>
      micrometres(Math.round((measured.get(code)! * share) / 1_000) * 1_000);
    return new Map([
      ...measured,
      ['trouser-waist-girth', of('navel-girth', 1)],
      ['abdominal-girth', of('navel-girth', 1.02)],
      ['bust-girth', of('chest-girth', 1)],
      ['trunk-girth', of('height', 0.9)],
      ['inside-leg-length', of('height', 0.45)],
      ['foot-length-left', of('height', 0.15)],
      ['foot-length-right', of('height', 0.151)],
      ['foot-width-left', of('height', 0.058)],
      ['foot-width-right', of('height', 0.057)],
    ]);
  });
}

describe('the 507 bodies', () => {
  const everybody = bodies();
  for (const name of CHARTS)
    it(`come to the same size of ${name} as by a plain way that shares no code`, () => {
      const file = readFileSync(join(process.cwd(), 'demo', 'charts', `${name}.json`));
      const read = importChartJson(file);
      if (!read.ok) throw new Error(name);
      const chart = compileChart(read.value);
      const plain = JSON.parse(file.toString()) as PlainChart;
      const seen = new Set<string>();
      for (const preference of FIT_PREFERENCES)
        everybody.forEach((body, at) => {
          const { verdict, proposed } = judge(
            chart,
            new Map([...body].map(([code, value]) => [code, { value, standardError: 0 }])),
            { preference },
          );
          const slow = plainSizing(plain, Object.fromEntries(body), preference);
          seen.add(`${slow.verdict} ${slow.label}`);
          if (verdict !== slow.verdict || proposed !== slow.label)
            fail(`body ${at}, ${preference}: ${verdict} ${proposed}, plainly ${slow.verdict} ${slow.label}`);
        });
      expect(everybody.length).toBe(507);
      expect(seen.size).toBeGreaterThan(4);
    });
});
