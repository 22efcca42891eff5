import {
  chartSheetSchema,
  exportChartJson,
  importChartJson,
  sayJsonFinding,
  type ChartSheet,
} from '../../testing/all';
import { chartJsonSchema } from './json-schema';
import { scale, wholeSheet } from '../../testing/whole-sheet';

const faults = (written: string) => {
  const read = importChartJson(written);
  return read.ok ? [] : read.problem.map(sayJsonFinding);
};
const sheet: ChartSheet = wholeSheet({
  label: '{waist}x{leg}',
  derivations: [
    {
      code: 'derived:worn',
      name: 'Worn',
      steps: [{ do: 'subtract', as: 'worn', from: 'waist-girth', take: '2 in' }],
    },
  ],
  parts: [
    scale('waist', 'derived:worn', ['30', '32'], { values: ['30 in', '32.125 in'] }),
    scale('leg', 'inside-leg-length', ['30', '32'], { ease: { least: '1 cm', most: '33 mm' } }, [
      '29 1/3-31',
      '>=31 <33',
    ]),
  ],
});

describe('a chart that says how its maker rounds', () => {
  it('is written as it is read', () => {
    const sheet = chartSheetSchema.parse({
      maker: 'Ostrel Workwear',
      garment: 'Test',
      unit: 'in',
      rule: 'widest-decides',
      expects: [{ code: 'waist-girth', rounding: { mode: 'up', step: '1 in' } }, { code: 'hip-girth' }],
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['S'],
          columns: [{ code: 'waist-girth', unit: 'in', cells: ['30-34'] }],
        },
      ],
    });
    const again = importChartJson(new TextEncoder().encode(exportChartJson(sheet)));
    expect(again.ok && again.value).toEqual(sheet);
    expect(JSON.parse(exportChartJson(sheet)).expects[0].rounding).toEqual({ mode: 'up', step: '1 in' });
    expect(JSON.parse(chartJsonSchema()).title).toBe('A size chart, neat-measure-chart/1');
  });
});

describe('a chart file in JSON', () => {
  it('is lossless, and written as people write', () => {
    const text = exportChartJson(sheet);
    const again = importChartJson(text);
    expect(again.ok && again.value).toEqual(sheet);
    expect(text).toContain('"32.125 in"');
    expect(text).toContain('">=31 <33"');
    expect(importChartJson(new TextEncoder().encode(text)).ok).toBeTrue();
  });

  it('that is none ends in findings with their place, never in a stack trace', () => {
    expect(faults('')).toEqual(['The file is empty. It needs a heading line and one line per size.']);
    expect(faults('{"maker": \n "x",, }')[0]).toContain('The file is not JSON.');
    expect(faults('[1, 2]').length).toBeGreaterThan(0);
    expect(faults('null').length).toBeGreaterThan(0);
    expect(faults(`${'['.repeat(50)}${']'.repeat(50)}`)).toEqual([
      'It is nested deeper than a chart can be.',
    ]);
    expect(faults(`{"maker":"${'x'.repeat(9_000_000)}"}`)[0]).toContain('MB');
    const written = JSON.parse(exportChartJson(sheet)) as { parts: { columns: { cells: string[] }[] }[] };
    written.parts[1]!.columns[0]!.cells[0] = '29-x';
    expect(faults(JSON.stringify(written))).toEqual([
      'parts.1.columns.0.cells.0: “29-x” is not an interval. Enter 86-90, a single value such as 90, or an open end such as >=130 or <82.',
    ]);
  });

  const broken: [string, (sheet: ChartSheet) => object, RegExp][] = [
    [
      'a step named as a measurement',
      (one) => ({
        derivations: [{ ...one.derivations[0]!, steps: [{ do: 'reading', as: 'height', of: 'height' }] }],
      }),
      /name of a measurement/,
    ],
    [
      'an operand that is nothing',
      (one) => ({
        derivations: [{ ...one.derivations[0]!, steps: [{ do: 'reading', as: 'x', of: '2 stones' }] }],
      }),
      /“2 stones” is neither a measurement/,
    ],
    [
      'a derivation of a later one',
      (one) => ({
        derivations: [
          { code: 'derived:a', name: 'A', steps: [{ do: 'reading', as: 'x', of: 'derived:worn' }] },
          ...one.derivations,
        ],
      }),
      /derived:worn is not derived before it/,
    ],
    [
      'a part that does not exist',
      (one) => ({
        derivations: [{ ...one.derivations[0]!, steps: [{ do: 'reading', as: 'x', of: 'size-of:torso' }] }],
      }),
      /no part “torso”/,
    ],
    [
      'a part without values to reckon with',
      (one) => ({
        derivations: [{ ...one.derivations[0]!, steps: [{ do: 'reading', as: 'x', of: 'size-of:leg' }] }],
      }),
      /have no values/,
    ],
    [
      'an offer by a part behind',
      (one) => ({
        parts: [{ ...one.parts[0]!, offered: { by: 'leg', sizes: { 30: ['30'] } } }, one.parts[1]!],
      }),
      /must be a part before it/,
    ],
    [
      'an offer of a size that is none',
      (one) => ({
        parts: [one.parts[0]!, { ...one.parts[1]!, offered: { by: 'waist', sizes: { 30: ['99'] } } }],
      }),
      /“99” is offered but is not one of its sizes/,
    ],
    ['a label that leaves a part out', () => ({ label: '{waist}' }), /leaves out leg/],
    [
      'a combination of sizes that are none',
      () => ({ combinations: [{ parts: ['waist', 'leg'], made: { 31: ['30'] } }] }),
      /“31” is not a size of waist/,
    ],
    [
      'a combination of one part',
      () => ({ combinations: [{ parts: ['waist', 'waist'], made: {} }] }),
      /not two parts/,
    ],
    [
      'an ease upside down',
      (one) => ({
        parts: [
          one.parts[0]!,
          {
            ...one.parts[1]!,
            columns: [{ ...one.parts[1]!.columns[0]!, ease: { least: '3 cm', most: '1 cm' } }],
          },
        ],
      }),
      /ease of inside-leg-length is reversed/,
    ],
    [
      'a weight as a size',
      (one) => ({
        parts: [
          { ...one.parts[0]!, columns: [{ code: 'weight', unit: 'cm', cells: ['1', '2'] }] },
          one.parts[1]!,
        ],
      }),
      /neither a known measurement/,
    ],
    [
      'a value that is missing',
      (one) => ({ parts: [{ ...one.parts[0]!, values: ['30 in'] }, one.parts[1]!] }),
      /one value per size/,
    ],
  ];
  for (const [name, change, said] of broken)
    it(`is refused with ${name}`, () =>
      expect(faults(JSON.stringify({ ...sheet, ...change(sheet) })).join()).toMatch(said));
});

describe('a chart file of before', () => {
  it('is read as well where it was written with names of before', () => {
    const text = exportChartJson(sheet)
      .replaceAll('"standIns"', '"instead"')
      .replaceAll('"otherNames"', '"also"');
    expect(text).toContain('"instead"');
    const again = importChartJson(text);
    expect(again.ok && again.value).toEqual(sheet);
  });
});

describe('a sheet whose parts do not go together', () => {
  it('is refused at the very place', () => {
    const read = chartSheetSchema.safeParse({ ...sheet, key: 'hip-girth' });
    expect(read.error?.issues.map(({ path }) => path)).toEqual([['key']]);
  });
});

describe('the code of a derivation', () => {
  it('is one of a derivation, whatever stands there', () => {
    const [first] = sheet.derivations;
    for (const code of ['derived:worn', 'worn', 'waist-girth', 5, null, {}]) {
      const { success } = chartSheetSchema.safeParse({ ...sheet, derivations: [{ ...first, code }] });
      expect(success)
        .withContext(JSON.stringify(code))
        .toBe(code === 'derived:worn');
    }
  });
});
