import { compareCharts, sayChartChange, type ChartSheet } from '../../testing/all';
import { sheetOf } from '../../testing/charts';
import { scale, wholeSheet } from '../../testing/whole-sheet';

describe('compareCharts', () => {
  const before = sheetOf('size,chest-girth (cm)\nS,86-94\nM,94-102\nL,102-110\n');
  it('says what a version changes, row by row', () => {
    const after = {
      ...sheetOf(
        'size,chest-girth (cm),hip-girth (cm)\nS,86-94,90-98\nM,94-104,98-108\nXL,112-120,116-124\n',
      ),
      notes: 'Recut',
      rule: 'closest' as const,
    };
    expect(compareCharts(before, after).map(sayChartChange)).toEqual([
      'Size: size XL added',
      'Size: size L removed',
      'Size: Hip and seat added',
      'Size M, Chest: 94-102 cm is now 94-104 cm',
      'house rule: widest-decides is now closest',
      'notes: none is now Recut',
    ]);
  });

  it('writes lists of words as words, and anything else as it stands in a file', () => {
    const cautions = { ...before, cautions: ['Keep it dry.', 'Keep it clean.'] };
    expect(compareCharts(before, cautions).map(sayChartChange)).toEqual([
      'cautions: none is now Keep it dry., Keep it clean.',
    ]);
    const made = {
      ...before,
      combinations: [{ parts: ['a', 'b'], made: { M: ['R'] } }],
    } as unknown as ChartSheet;
    expect(compareCharts(before, made).map(sayChartChange).join()).toContain('{"parts":["a","b"]');
    const mixed = { ...before, cautions: ['Keep it dry.', { odd: 1 }] } as unknown as ChartSheet;
    expect(compareCharts(before, mixed).map(sayChartChange).join()).toContain('{"odd":1}');
  });

  it('says nothing of the same chart, and names parts that come and go', () => {
    expect(compareCharts(before, before)).toEqual([]);
    const two = {
      ...before,
      parts: [before.parts[0]!, { ...before.parts[0]!, code: 'length', name: 'Length' }],
    };
    expect(compareCharts(before, two).map(sayChartChange)).toEqual(['Length added']);
    expect(compareCharts(two, before).map(sayChartChange)).toEqual(['Length removed']);
  });

  it('says what only changes what a size means: role, ease, reach, stand-ins, rule, lean, values, order', () => {
    const whole = (column: object, part: object, sizes = ['40', '42'], cells = ['39-41', '41-43']) =>
      wholeSheet({
        key: 'chest-girth',
        parts: [
          {
            code: 'size',
            name: 'Size',
            sizes,
            columns: [
              { code: 'chest-girth', unit: 'in', cells },
              { code: 'waist-girth', unit: 'in', cells: ['30', '32'], ...column },
            ],
            ...part,
          },
        ],
      });
    const said = (column: object, part: object = {}) =>
      compareCharts(whole({}, {}), whole(column, part)).map(sayChartChange);
    expect(said({ role: 'advisory' })).toEqual(['Size, Natural waist, role: deciding is now advisory']);
    expect(said({ reach: 'next-up' })).toEqual([
      'Size, Natural waist, reach of single values: halfway is now next-up',
    ]);
    expect(said({ ease: { least: '2 in', most: '4 in' } })).toEqual([
      'Size, Natural waist, ease: none is now {"least":"2 in","most":"4 in"}',
    ]);
    expect(said({ standIns: ['hip-girth'] })).toEqual([
      'Size, Natural waist, stand-ins: none is now hip-girth',
    ]);
    expect(said({}, { rule: 'closest' })).toEqual(['Size, house rule: none is now closest']);
    expect(said({}, { lean: 'larger' })).toEqual(['Size, lean: none is now larger']);
    expect(said({}, { values: ['16 in', '17 in'] })).toEqual([
      'Size, what each size measures: none is now 16 in, 17 in',
    ]);
    const turned = whole({ cells: ['32', '30'] }, {}, ['42', '40'], ['41-43', '39-41']);
    expect(compareCharts(whole({}, {}), turned).map(sayChartChange)).toEqual([
      'Size, order of sizes: 40, 42 is now 42, 40',
    ]);
  });

  it('finds something wherever two charts are not the same', () => {
    const whole = wholeSheet({
      derivations: [
        {
          code: 'derived:worn',
          name: 'Worn',
          steps: [{ do: 'subtract', as: 'worn', from: 'waist-girth', take: '2 in' }],
        },
      ],
      parts: [
        scale('waist', 'derived:worn', ['30', '32'], {
          values: ['30 in', '32 in'],
          otherNames: [{ system: 'Metric', labels: ['76', '81'] }],
        }),
        scale('leg', 'inside-leg-length', ['30', '32'], {
          offered: { by: 'waist', sizes: { 30: ['30'], 32: ['30', '32'] } },
        }),
      ],
      combinations: [{ parts: ['waist', 'leg'], made: { 30: ['30'], 32: ['32'] } }],
      options: [{ name: 'Long', when: [{ of: 'height', is: 'above', length: '74 in' }], adds: '+2 in' }],
      cautions: ['Keep dry.'],
    });
    // Every value of the chart changed by itself, whatever it is: a comparison must see it.
    let changed = 0;
    const walk = (value: unknown, put: (other: unknown) => ChartSheet): void => {
      if (Array.isArray(value)) {
        value.forEach((one, at) =>
          walk(one, (other) => put(value.map((each, index) => (index === at ? other : each)))),
        );
        return;
      }
      if (typeof value === 'object' && value !== null) {
        // A kind of step or cell is no value of its own, and a code names another part, column or measurement.
        for (const [name, one] of Object.entries(value))
          if (!['do', 'kind', 'code'].includes(name)) walk(one, (other) => put({ ...value, [name]: other }));
        return;
      }
      if (value === null) return;
      const other = typeof value === 'number' ? value + 25_400 : `${String(value)}x`;
      const sheet = put(other);
      changed += 1;
      if (compareCharts(whole, sheet).length === 0)
        fail(`nothing is said of ${JSON.stringify(value)} becoming ${JSON.stringify(other)}`);
    };
    walk(whole, (other) => other as ChartSheet);
    expect(changed).toBeGreaterThan(40);
  });
});
