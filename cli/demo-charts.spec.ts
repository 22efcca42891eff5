import {
  compileChart,
  drawOdds,
  Kernel,
  judge,
  measurement,
  readReading,
  sayReason,
  shownIn,
  type ChartSheet,
  type MeasurementCode,
  type Weighed,
} from '@neat-measure/core';
import { examineChart, exportChartJson, importChartJson, sayChartFinding } from '@neat-measure/core/sheets';
import { join } from 'node:path';
import { Readable, Writable } from 'node:stream';
import { farthestApart, sharesByPlainDraws } from '../core/testing/plain-draws';
import { seededNormal, seededRandom } from '../core/testing/random';
import { DEMO_CHARTS, DEMO_NAMES, demoSheet } from './demo-sheets';
import { sizeFiles } from './size';

/** Readings as they are typed, in the unit of the chart. */
type Typed = Partial<Record<MeasurementCode, string>>;
const bodyOf = (sheet: ChartSheet, typed: Typed) =>
  new Map(
    Object.entries(typed).map(([code, text]) => {
      const unit = code.startsWith('foot-') ? 'mm' : sheet.unit;
      const read = readReading(text, code as MeasurementCode, unit);
      if (!read.ok) throw new Error(`${code} ${text}`);
      return [code as MeasurementCode, { value: read.value.length }] as const;
    }),
  );

/**
 * A wearer a family and the label they come to. What is reckoned follows the worked examples
 * of the trade (common practice, no source); the charts are invented.
 */
const FAMILIES: readonly (readonly [name: string, typed: Typed, label: string | null, verdict: string])[] = [
  ['field-jacket', { 'chest-girth': '98', 'waist-girth': '86' }, 'M', 'settled'],
  ['estuary-fleece', { 'chest-girth': '37 1/2' }, 'M', 'settled'],
  ['ranger-trousers', { 'trouser-waist-girth': '34', 'hip-girth': '40' }, '34', 'settled'],
  ['harbour-parka', { 'chest-girth': '98', 'waist-girth': '86', height: '176' }, 'M regular', 'settled'],
  ['harbour-parka', { 'chest-girth': '82', 'waist-girth': '70', height: '188' }, null, 'not-made'],
  ['warden-trousers', { 'trouser-waist-girth': '34', 'inside-leg-length': '32' }, '34x32', 'settled'],
  ['warden-trousers', { 'trouser-waist-girth': '42', 'inside-leg-length': '34' }, null, 'not-made'],
  ['ceremony-trousers', { 'trouser-waist-girth': '36', 'hip-girth': '42' }, '36', 'settled'],
  ['guide-blazer', { 'chest-girth': '42', height: '69' }, '42 R', 'settled'],
  // Right on a bound a size is settled by the chart’s own word.
  ['guide-blazer', { 'chest-girth': '42', height: '66' }, '42 R', 'settled'],
  ['guide-blazer', { 'chest-girth': '42', height: '71' }, '42 L', 'settled'],
  ['guide-blazer', { 'waist-girth': '30', height: '69' }, '36 R', 'settled'],
  ['jetty-shirt', { 'neck-girth': '15 1/4', 'cervicale-to-wrist': '33' }, '16/33', 'settled'],
  ['boathouse-shirt', { 'neck-girth': '15', 'chest-girth': '39' }, 'M', 'settled'],
  ['ferry-waistcoat', { 'chest-girth': '40', 'waist-girth': '43', 'abdominal-girth': '45' }, '46', 'settled'],
  ['evening-trousers', { 'waist-girth': '35', outseam: '41' }, '33x41', 'settled'],
  [
    'tidewall-vest',
    { 'chest-girth': '39', 'abdominal-girth': '36', 'notch-to-belt-standing': '16', 'collar-to-belt': '19' },
    '20-15 / 19-15',
    'settled',
  ],
  // Method c: girths up to the whole inch and looked up, the seated front down, the back from the nape bone down.
  [
    'saltmarsh-vest',
    {
      'chest-girth': '38 1/2',
      'abdominal-girth': '37',
      'notch-to-belt-seated': '13 1/2',
      'notch-to-belt-standing': '16',
      'nape-to-belt': '16 1/2',
    },
    'C 13/16',
    'settled',
  ],
  // Method b: the front seated less an inch at either end, the back from the collar less an inch.
  [
    'breakwater-vest',
    { 'abdominal-girth': '36', 'notch-to-belt-seated': '16 1/2', 'collar-to-belt': '17 1/2' },
    '20-14 / 19-16',
    // Both lengths lie half-way: that is asked of the wearer.
    'overlap',
  ],
  [
    'curlew-vest',
    {
      'chest-girth': '37',
      'abdominal-girth': '25',
      'clavicle-to-apex': '7',
      'apex-to-belt': '6',
      'collar-to-belt': '19',
    },
    '17-11 1/2 / 17-15',
    'settled',
  ],
  [
    'curlew-vest',
    {
      'chest-girth': '37',
      'abdominal-girth': '25',
      'clavicle-to-apex': '5',
      'apex-to-belt': '7',
      'collar-to-belt': '19',
    },
    null,
    'suspect',
  ],
  [
    'curlew-vest-structured',
    {
      'chest-girth': '37',
      'underbust-girth': '33',
      'abdominal-girth': '31',
      'clavicle-to-apex': '7',
      'apex-to-belt': '6 1/4',
      'collar-to-belt': '19',
    },
    'B 19-11 1/2 / 18-15',
    'edge',
  ],
  [
    'mudlark-coverall',
    {
      'chest-girth': '98',
      'waist-girth': '88',
      'hip-girth': '100',
      'trunk-girth': '161',
      'inside-leg-length': '80',
    },
    'M regular',
    'settled',
  ],
  ['regatta-dress', { 'bust-girth': '90', 'waist-girth': '77', 'hip-girth': '96' }, '12', 'split'],
  ['shorelark-bra-single', { 'underbust-girth': '35', 'bust-girth': '38' }, '36B', 'settled'],
  ['shorelark-bra-double', { 'underbust-girth': '35', 'bust-girth': '39 1/2' }, '36B', 'settled'],
  ['shorelark-bra-metric', { 'underbust-girth': '75', 'bust-girth': '90' }, '75B', 'edge'],
  ['sluice-gloves', { 'hand-girth': '200', 'hand-length': '193' }, '9', 'split'],
  // 22 3/4 in round the head is hat size 7 1/4.
  ['marsh-hat', { 'head-girth': '22 3/4' }, '7 1/4', 'settled'],
  ['marsh-cap', { 'head-girth': '57' }, 'M', 'settled'],
  [
    'mudflat-boots',
    {
      'foot-length-left': '248',
      'foot-length-right': '250',
      'foot-width-left': '98',
      'foot-width-right': '97',
    },
    '250/100',
    'edge',
  ],
  [
    'saltpan-waders',
    { 'chest-girth': '100', height: '170', 'foot-length-left': '258', 'foot-length-right': '257' },
    'M boot 41',
    'settled',
  ],
  ['grebe-dry-suit', { 'chest-girth': '99', 'hip-girth': '100', height: '174' }, 'M', 'settled'],
  ['gannet-smock', { 'chest-girth': '98', 'hip-girth': '100' }, 'M', 'settled'],
];

describe('the demo charts', () => {
  for (const name of DEMO_NAMES) {
    it(`${name} holds together, has nothing wrong, and is lossless as a file`, () => {
      const sheet = demoSheet(name);
      expect(
        examineChart(sheet)
          .filter(({ severity }) => severity === 'wrong')
          .map((one) => sayChartFinding(sheet, one, 8)),
      ).toEqual([]);
      const again = importChartJson(exportChartJson(sheet));
      expect(again.ok && again.value).toEqual(sheet);
    });
  }

  it('are all met by a family below', () => {
    expect([...new Set(FAMILIES.map(([name]) => name))].sort()).toEqual([...DEMO_NAMES].sort());
  });

  for (const [name, typed, label, verdict] of FAMILIES) {
    it(`${name}: ${Object.values(typed).join(', ')} comes to ${label ?? verdict}, by the command too`, async () => {
      const sheet = demoSheet(name);
      const said = judge(compileChart(sheet), bodyOf(sheet, typed));
      expect([said.proposed, said.verdict])
        .withContext(sayReason(said, shownIn(sheet.unit, 8)))
        .toEqual([label, verdict as never]);

      const unitOf = (code: string) => (code.startsWith('foot-') ? 'mm' : sheet.unit);
      const list = `id,${Object.keys(typed)
        .map((code) => `${code} (${unitOf(code)})`)
        .join(',')}\nada,${Object.values(typed).join(',')}\n`;
      let written = '';
      const output = new Writable({
        write(chunk: Buffer, _, done) {
          written += chunk.toString();
          done();
        },
      });
      const args = ['--chart', join(DEMO_CHARTS, `${name}.json`), '--people', '-', '--json'];
      expect(
        await sizeFiles(args, { input: Readable.from([Buffer.from(list)]), output, tell: () => undefined }),
      ).toBe(0);
      expect(JSON.parse(written)).toEqual({ id: 'ada', ...JSON.parse(JSON.stringify(said)) });
    });
  }
});

describe('a vest past its range', () => {
  it('is beyond in every part that goes by the width, and not still to measure', () => {
    const sheet = demoSheet('tidewall-vest');
    const verdict = judge(
      compileChart(sheet),
      bodyOf(sheet, { 'abdominal-girth': '52', 'notch-to-belt-standing': '16', 'collar-to-belt': '19' }),
    );
    expect(verdict.verdict).toBe('beyond');
    expect(verdict.parts.map(({ part, verdict: said }) => [part, said])).toEqual([
      ['front-width', 'beyond'],
      ['back-width', 'beyond'],
      ['front-length', 'settled'],
      ['back-length', 'settled'],
    ]);
    expect(sayReason(verdict, 'in/8')).toContain('Next: made to measure.');
  });
});

describe('the odds on the demo charts', () => {
  // `npm run bench odds` draws a million of each, on these and on many random charts.
  const DRAWS = 100_000;
  const HALF_A_POINT = 0.005;

  it('lie within half a point of plain draws for every part of every chart', () => {
    const normal = seededNormal(seededRandom(42));
    let uncertain = 0;
    for (const [name, typed] of FAMILIES) {
      const sheet = demoSheet(name);
      const kernel = new Kernel(compileChart(sheet));
      const readings = [...bodyOf(sheet, typed)].map(
        ([code, { value }]): Weighed => ({ code, value, standardError: measurement(code).standardError }),
      );
      const odds = drawOdds(kernel, readings);
      const plain = sharesByPlainDraws(kernel, readings, DRAWS, normal);
      const { far, where } = farthestApart(odds, plain);
      // Plain draws have an error of their own: three standard errors at a half.
      expect(far)
        .withContext(`${name}, ${where}`)
        .toBeLessThan(HALF_A_POINT + 1.5 / Math.sqrt(DRAWS));
      uncertain += odds.parts.filter((part) => Math.max(...part) < 0.99).length;
    }
    expect(uncertain).toBeGreaterThan(20);
  });
});
