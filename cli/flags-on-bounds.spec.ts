import {
  codesRead,
  compileChart,
  EDGE_CHANCE,
  inches,
  judge,
  measurement,
  micrometres,
  type GarmentVerdict,
  type MeasuredValue,
  type MeasurementCode,
} from '@neat-measure/core';
import { DEMO_NAMES, demoSheet } from './demo-sheets';
import { COLUMNS_507 } from '../core/reference/bodies-507';
import { bodyDimensions507 } from '../core/reference/body-dimensions-507';

const SHEETS = DEMO_NAMES.map(demoSheet);
const KNOWN = COLUMNS_507 as Readonly<Partial<Record<MeasurementCode, string>>>;
/** What of a chart the 507 bodies have measurements for; a bust is in their data as a chest. */
const columnOf = (code: MeasurementCode) =>
  KNOWN[code] ?? (code === 'bust-girth' ? KNOWN['chest-girth'] : undefined);
const HALF_INCH = inches(0.5);

/** Two readings that agree leave so much of the error of one. */
const errorOf = (code: MeasurementCode) => measurement(code).standardError / Math.SQRT2;

type Values = Map<MeasurementCode, MeasuredValue>;

describe('flags on the 507 bodies, read to the half inch', () => {
  it('are half as many by the chart’s own word for its bounds; what is not flagged is a quarter of an inch off at most', () => {
    let [before, after, rightBefore, rightAfter, garments, wrong] = [0, 0, 0, 0, 0, 0];
    for (const sheet of SHEETS) {
      const codes = codesRead(sheet).filter((code) => columnOf(code) !== undefined);
      if (sheet.parts.some(({ columns }) => columns.every(({ code }) => !codes.includes(code as never))))
        continue;
      const chart = compileChart(sheet);
      for (const body of bodyDimensions507()) {
        const valuesOf = (step: number | null): Values =>
          new Map(
            codes.map((code) => {
              const exact = Math.round((body as never as Record<string, number>)[columnOf(code)!]! * 10_000);
              const value = micrometres(step === null ? exact : Math.round(exact / step) * step);
              return [code, { value, standardError: errorOf(code) }] as const;
            }),
          );
        const read = judge(chart, valuesOf(HALF_INCH));
        if (read.verdict !== 'settled' && read.verdict !== 'edge') continue;
        garments += 1;
        const isWrong = judge(chart, valuesOf(null)).proposed !== read.proposed;
        if (isWrong) wrong += 1;
        if (rivalOf(read) >= EDGE_CHANCE) {
          before += 1;
          if (isWrong) rightBefore += 1;
        }
        if (read.verdict === 'edge') {
          after += 1;
          if (isWrong) rightAfter += 1;
        }
      }
    }
    const share = (count: number, of: number) => `${count} (${((100 * count) / of).toFixed(1)} %)`;
    // eslint-disable-next-line no-console
    console.log(
      `flags on bounds: of ${garments} settled garments ${share(before, garments)} were flagged, ${share(rightBefore, before)} of them rightly; ` +
        `now ${share(after, garments)} are, ${share(rightAfter, after)} rightly; of ${wrong} that are another size by the exact value ${share(wrong - rightAfter, wrong)} stay unflagged`,
    );
    expect(after).toBeLessThan(before);
    expect(garments).toBeGreaterThan(1_000);
  });
});

/** How likely the likeliest other size of any part is. */
function rivalOf({ parts }: GarmentVerdict): number {
  return Math.max(
    ...parts.map(({ odds, proposed }) =>
      Math.max(0, ...odds.filter(({ size }) => size !== proposed).map(({ chance }) => chance)),
    ),
  );
}
