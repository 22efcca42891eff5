import {
  chartSheetSchema,
  cm,
  compileChart,
  judge,
  type Length,
  type MeasurementCode,
} from '../../testing/all';
import { drawFrom, randomBody, randomChart } from '../../testing/random-chart';
import { seededRandom } from '../../testing/random';
import { chartCoverage } from '.';

const trousers = compileChart(
  chartSheetSchema.parse({
    ...{ maker: 'Ostrel', garment: 'Trousers', unit: 'cm', rule: 'widest-decides', label: '{waist}/{leg}' },
    parts: [
      {
        ...{ code: 'waist', name: 'Waist', sizes: ['S', 'M', 'L'] },
        columns: [{ code: 'waist-girth', unit: 'cm', cells: ['70-78', '78-86', '86-94'] }],
      },
      {
        ...{ code: 'leg', name: 'Leg', sizes: ['R', 'L'] },
        columns: [{ code: 'inside-leg-length', unit: 'cm', cells: ['72-79', '79-86'] }],
      },
    ],
  }),
);
const body = (waist: number, leg?: number) =>
  new Map<MeasurementCode, Length>([
    ['waist-girth', cm(waist)],
    ...(leg === undefined ? [] : ([['inside-leg-length', cm(leg)]] as const)),
  ]);

describe('what a chart holds', () => {
  it('is told of the whole, of the part that fails, and of the further size that would help most', () => {
    const { held, fails, helps } = chartCoverage(trousers, [
      body(80, 80),
      body(80, 88),
      body(75, 90),
      body(97, 80),
      body(99, 99),
      body(80),
    ]);
    expect(held).toEqual(['inside', 'outside', 'outside', 'outside', 'outside', 'unknown']);
    expect(fails).toEqual([
      { part: 'Leg', count: 3 },
      { part: 'Waist', count: 2 },
    ]);
    // Two need a longer leg and nothing else; whoever needs both a waist and a leg is helped by neither alone.
    expect(helps).toEqual({ part: 'Leg', side: 'larger', beside: 'L', count: 2 });
  });

  it('of nobody, and of whom all are held, nothing helps', () => {
    expect(chartCoverage(trousers, [])).toEqual({ held: [], fails: [], helps: null });
    expect(chartCoverage(trousers, [body(80, 80)]).helps).toBeNull();
  });

  it('says of everybody what judging them alone says', () => {
    const draw = drawFrom(seededRandom(12));
    for (let at = 0; at < 40; at++) {
      const chart = compileChart(chartSheetSchema.parse(randomChart(draw)));
      const bodies = Array.from({ length: 20 }, () => randomBody(draw) as Map<MeasurementCode, Length>);
      const { held } = chartCoverage(chart, bodies);
      bodies.forEach((one, row) => {
        const { verdict } = judge(
          chart,
          new Map([...one].map(([code, value]) => [code, { value, standardError: 0 }])),
        );
        const inside = verdict === 'settled' || verdict === 'overlap' || verdict === 'edge';
        expect(held[row] === 'inside')
          .withContext(`chart ${at}, ${row}: ${verdict}`)
          .toBe(inside);
        expect(held[row] === 'unknown').toBe(verdict === 'incomplete' || verdict === 'suspect');
      });
    }
  });
});
