import fc from 'fast-check';
import {
  chartShapeSchema,
  cm,
  compileChart,
  holds,
  micrometres,
  middle,
  mm,
  settleColumn,
  toNearestEnd,
  type Cell,
  type Length,
} from '../index';
import { parseCell } from './formats/parse-cell';

const cellsOf = (...texts: string[]): Cell[] =>
  texts.map((text) => {
    const cell = parseCell(text, 'cm');
    if (!cell.ok) throw new Error(text);
    return cell.value;
  });
/** Which sizes hold a value in cm. */
const holding = (cells: readonly Cell[], value: number, reach?: 'next-up' | 'next-down') =>
  settleColumn(cells, reach).flatMap((interval, size) => (holds(interval, cm(value)) ? [size] : []));

describe('settleColumn', () => {
  /** Each value with the only size that holds it, `-` for none. */
  const places = (name: string, column: readonly Cell[], expected: string, reach?: 'next-up' | 'next-down') =>
    it(name, () => {
      const pairs = expected.split(', ').map((pair) => pair.split(':') as [string, string]);
      for (const [value, size] of pairs)
        expect(holding(column, Number(value), reach))
          .withContext(value)
          .toEqual(size === '-' ? [] : [Number(size)]);
    });

  places(
    'includes both printed ends, and gives a shared one to the larger size',
    cellsOf('86-90', '90-94', '95-99'),
    '85.9:-, 86:0, 89.9:0, 90:1, 94:1, 94.1:-, 95:2, 99:2, 99.1:-',
  );
  places(
    'takes ends that say their own at their word',
    cellsOf('<82', '>=82 <=86', '>86'),
    '81.9:0, 82:1, 86:1, 86.1:2, 200:2',
  );
  const single = cellsOf('84', '88', '94');
  places(
    'lets single values reach halfway, the outer two as far beyond',
    single,
    '81.9:-, 82:0, 85.9:0, 86:1, 90.9:1, 91:2, 96.9:2, 97:-',
  );
  places(
    'lets a body between two single values take the upper, where the chart says so',
    single,
    '80:-, 80.1:0, 84:0, 84.1:1, 88:1, 94:2, 94.1:-',
    'next-up',
  );
  places('or the lower', single, '83.9:-, 84:0, 87.9:0, 88:1, 93.9:1, 94:2, 99.9:2, 100:-', 'next-down');

  it('leaves no length between single values in two sizes or in none', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1_000, max: 2_000_000 }), { minLength: 2, maxLength: 12 }),
        fc.constantFrom('halfway' as const, 'next-up' as const, 'next-down' as const),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (values, reach, at) => {
          const growing = [...values].sort((a, b) => a - b);
          const intervals = settleColumn(
            growing.map((value): Cell => ({ kind: 'nominal', at: micrometres(value) })),
            reach,
          );
          const [first, last] = [growing[0]!, growing.at(-1)!];
          const value = Math.round(first + at * (last - first)) as Length;
          return intervals.filter((interval) => holds(interval, value)).length === 1;
        },
      ),
    ));

  it('lets a size without ends hold everybody', () => {
    const cells: Cell[] = [{ kind: 'interval', lower: null, upper: null }];
    expect(settleColumn(cells)[0]).toEqual({ from: -Infinity, until: Infinity, lower: null, upper: null });
  });
});

describe('an interval', () => {
  const [closed, open] = settleColumn(cellsOf('86-90', '>=96'));
  it('knows how far a length is from its nearest printed end, on either side', () => {
    expect(toNearestEnd(closed!, cm(87))).toBe(mm(10));
    expect(toNearestEnd(closed!, cm(92))).toBe(mm(20));
    expect(toNearestEnd(open!, cm(100))).toBe(mm(40));
    expect(toNearestEnd({ ...open!, lower: null }, cm(100))).toBeNull();
  });
  it('has a middle, an open one its only end', () => {
    expect(middle(closed!)).toBe(cm(88));
    expect(middle(open!)).toBe(cm(96));
    expect(middle({ ...open!, lower: null })).toBeNull();
  });
});

describe('settleColumn, of sizes that are alike', () => {
  const nominal = (...values: number[]) => values.map((at) => ({ kind: 'nominal' as const, at: cm(at) }));

  it('has each reach to the next that is another', () => {
    expect(settleColumn(nominal(90, 90, 98)).map(({ from, until }) => [from, until])).toEqual([
      [cm(86), cm(94)],
      [cm(86), cm(94)],
      [cm(94), cm(102)],
    ]);
  });
});

describe('compileChart, of what is offered with a size', () => {
  const part = (code: string, sizes: string[], column: object, more: object = {}) => ({
    code,
    name: code,
    sizes,
    columns: [{ unit: 'cm', ...column }],
    ...more,
  });
  it('lets values that are alike reach as far as they did among all', () => {
    const sheet = chartShapeSchema.parse({
      maker: 'Ostrel Workwear',
      garment: 'Test trousers',
      unit: 'cm',
      rule: 'widest-decides',
      parts: [
        part('size', ['S', 'M'], { code: 'hip-girth', cells: ['90-98', '98-106'] }),
        part(
          'length',
          ['a', 'b', 'c'],
          { code: 'inside-leg-length', cells: ['74', '74', '78'] },
          { offered: { by: 'size', sizes: { S: ['a', 'b'], M: ['c'] } } },
        ),
      ],
    });
    const [, length] = compileChart(sheet).parts;
    const ends = (size: string) =>
      length!.cases.get(size)!.deciding[0]!.intervals.map(({ from, until }) => [from, until]);
    expect(ends('S')).toEqual([
      [cm(72), cm(76)],
      [cm(72), cm(76)],
    ]);
    expect(ends('M')).toEqual([[cm(76), cm(80)]]);
  });
});
