import {
  compileChart,
  inches,
  judge,
  micrometres,
  PeopleSizer,
  sayReason,
  sheetAsChosen,
  type ChartSheet,
  type Length,
} from '../testing/all';
import { chartSheetSchema } from '../testing/all';

const sheet = (changes: object, columns: readonly object[], sizes = ['S', 'M', 'L']): ChartSheet =>
  chartSheetSchema.parse({
    maker: 'Ostrel Workwear',
    garment: 'Shirt',
    unit: 'in',
    rule: 'widest-decides',
    parts: [{ code: 'size', name: 'Size', sizes, columns }],
    ...changes,
  });
const CHEST = { code: 'chest-girth', unit: 'in', cells: ['36-38', '38-40', '40-42'] };
const judged = (chart: ChartSheet, value: Length) =>
  judge(compileChart(chart), new Map([['chest-girth', { value }]]));

describe('a reading right on a bound', () => {
  const shirt = sheet({}, [CHEST]);

  it('is settled by the chart’s own word, and the odds tell of the tape beside it', () => {
    const on = judged(shirt, inches(38));
    expect([on.verdict, on.proposed]).toEqual(['settled', 'M']);
    expect(on.parts[0]!.odds.find(({ size }) => size === 'S')!.chance).toBeGreaterThan(0.4);
    expect(sayReason(on, 'in/8')).toBe('Chest 38 in is near an edge of M; past it, it would be S.');
  });

  it('is flagged a little beside it, where recording brings nothing', () => {
    expect(judged(shirt, inches(38.125)).verdict).toBe('edge');
    expect(judged(shirt, micrometres(inches(38) - 1)).verdict)
      .withContext('the last that is S lies on the bound too')
      .toBe('settled');
    expect(judged(shirt, inches(37.875)).verdict).toBe('edge');
  });

  it('is the same in a list', () => {
    for (const value of [inches(38), inches(38.125), inches(39), inches(40)]) {
      const [one] = new PeopleSizer(compileChart(shirt), {}, 'in/8').size([
        { line: 1, id: '1', values: new Map([['chest-girth', value]]) },
      ]);
      expect(one!.verdict).withContext(String(value)).toBe(judged(shirt, value).verdict);
    }
  });
});

describe('a fit that is liked roomier or closer', () => {
  const two = (chest: number, waist: number, preference: 'roomy' | 'close', kind = 'shirt') =>
    judge(
      compileChart(
        sheet({ kind }, [CHEST, { code: 'waist-girth', unit: 'in', cells: ['30-32', '32-34', '34-36'] }]),
      ),
      new Map([
        ['chest-girth', { value: inches(chest) }],
        ['waist-girth', { value: inches(waist) }],
      ] as const),
      { preference },
    );

  it('takes the size above at the top of one, by any measurement', () => {
    const one = two(39.875, 33, 'roomy');
    expect([one.verdict, one.proposed]).toEqual(['settled', 'L']);
    expect(sayReason(one, 'in/8')).toBe('Chest 39 7/8 in is at the top of M. For a roomy fit: L.');
    expect(sayReason(two(38.125, 33.875, 'roomy'), 'in/8'))
      .withContext('the one that is at the top, not the one nearest an edge')
      .toBe('Natural waist 33 7/8 in is at the top of M. For a roomy fit: L.');
    expect(two(39, 33, 'roomy').proposed).toBe('M');
    expect(two(41.9, 35.9, 'roomy').proposed)
      .withContext('there is none above')
      .toBe('L');
  });

  it('takes the size below at the bottom of one, where all that decides lies there', () => {
    expect(two(38.125, 32.125, 'close').proposed).toBe('S');
    expect(two(38.125, 33, 'close').proposed).toBe('M');
    expect(two(38.125, 32.125, 'close', 'vest').proposed)
      .withContext('what protects is never taken smaller')
      .toBe('M');
  });

  it('takes no size below across a gap, where it would be too tight by all of it', () => {
    const gap = compileChart(sheet({}, [{ ...CHEST, cells: ['36-37', '38-40', '40-42'] }]));
    const body = new Map([['chest-girth', { value: inches(38.125) }]] as const);
    expect(judge(gap, body, { preference: 'close' }).proposed).toBe('M');
  });

  it('is the same in a list', () => {
    const chart = compileChart(sheet({}, [CHEST]));
    for (const preference of ['roomy', 'close', 'regular'] as const)
      for (const value of [38.125, 39, 39.875]) {
        const values = new Map([['chest-girth', inches(value)]] as const);
        const [one] = new PeopleSizer(chart, { preference }, 'in/8').size([{ line: 1, id: '1', values }]);
        const alone = judge(chart, new Map([['chest-girth', { value: inches(value) }]]), { preference });
        expect([one!.verdict, one!.proposed])
          .withContext(`${preference} ${value}`)
          .toEqual([alone.verdict, alone.proposed]);
      }
  });
});

describe('past an edge', () => {
  const says = (cells: readonly string[], value: Length, sizes?: string[]) =>
    sayReason(judged(sheet({}, [{ ...CHEST, cells }], sizes), value), 'in/8');

  it('is what the kernel says there: the same size, another, or none', () => {
    expect(says(['36-38', '38-40', '40-42'], inches(36))).toContain('past it, it is beyond the range');
    expect(says(['36-38', '39-40', '40-42'], inches(40))).toContain('past it, it would be M');
  });
});

describe('a reading that its maker has recorded to whole inches', () => {
  const vest = (mode: string) =>
    sheet({ expects: [{ code: 'chest-girth', rounding: { mode, step: '1 in' }, recorded: true }] }, [
      { code: 'chest-girth', unit: 'in', cells: ['13', '14', '15'], reach: 'next-up' },
    ]);
  const plain = sheet({ expects: [{ code: 'chest-girth', rounding: { mode: 'down', step: '1 in' } }] }, [
    { code: 'chest-girth', unit: 'in', cells: ['36-37', '37-38', '38-39'] },
  ]);

  it('is that inch, and the tape’s error is weighed around it', () => {
    const recorded = { ...plain, expects: [{ ...plain.expects[0]!, recorded: true }] };
    expect(judged(plain, inches(38.1)).verdict)
      .withContext('rounded, not recorded')
      .toBe('edge');
    for (const typed of [38, 38.1, 38.4, 38.9]) {
      const one = judged(recorded, inches(typed));
      expect([one.verdict, one.proposed]).withContext(String(typed)).toEqual(['settled', 'L']);
      expect(one.parts[0]!.odds[0]!.chance).toBeGreaterThan(0.9);
    }
    expect(vest('nearest').expects[0]!.recorded).toBeTrue();
  });
});

describe('what a chart leaves to be chosen', () => {
  const vest = sheet(
    {
      choices: [
        {
          code: 'overlap',
          name: 'Overlap',
          usual: '1 in',
          ways: [
            { label: '1 in', length: '3 in' },
            { label: '2 in', length: '5 in' },
          ],
        },
      ],
      derivations: [
        {
          code: 'derived:total',
          name: 'Total',
          steps: [{ do: 'add', as: 'both', of: ['abdominal-girth', 'choice:overlap'] }],
        },
      ],
    },
    [{ code: 'derived:total', unit: 'in', cells: ['38-40', '40-42', '42-44'] }],
  );
  const proposed = (chart: ChartSheet) =>
    judge(compileChart(chart), new Map([['abdominal-girth', { value: inches(36) }]])).proposed;

  it('is worked out as usual, or as it was chosen', () => {
    expect(proposed(vest)).toBe('S');
    expect(proposed(sheetAsChosen(vest, { overlap: '2 in' }))).toBe('M');
    expect(sheetAsChosen(vest, { overlap: '2 in' })).toBe(sheetAsChosen(vest, { overlap: '2 in' }));
    const asUsual: Record<string, string>[] = [
      {},
      { overlap: '1 in' },
      { overlap: '3 in' },
      { other: '2 in' },
    ];
    for (const chosen of asUsual)
      expect(sheetAsChosen(vest, chosen)).withContext(JSON.stringify(chosen)).toBe(vest);
  });

  it('is a fault where the arithmetic asks for what there is not', () => {
    const parse = (changes: object) => chartSheetSchema.safeParse({ ...vest, ...changes });
    expect(parse({ choices: [] }).error?.message).toContain('there is no choice');
    expect(parse({ choices: [{ ...vest.choices[0], usual: '4 in' }] }).error?.message).toContain(
      'not among its ways',
    );
    expect(parse({ choices: [vest.choices[0], vest.choices[0]] }).error?.message).toContain('twice');
  });
});

describe('what protects', () => {
  it('is never said to be taken in or let out: what is wrong with the size is said', () => {
    const vest = sheet({ kind: 'vest' }, [
      CHEST,
      { code: 'abdominal-girth', unit: 'in', cells: ['32-34', '34-36', '36-38'] },
    ]);
    const body = new Map([
      ['chest-girth', { value: inches(41) }],
      ['abdominal-girth', { value: inches(33) }],
    ] as const);
    const { parts } = judge(compileChart(vest), body);
    expect(parts[0]!.alterations.map(({ does }) => does)).toEqual(['too-large']);
    const shirt = judge(compileChart({ ...vest, kind: 'shirt' }), body);
    expect(shirt.parts[0]!.alterations.map(({ does }) => does)).toEqual(['take-in']);
  });

  it('has lengths that are too long or too short, worked out ones too', () => {
    const vest = sheet(
      {
        kind: 'vest',
        derivations: [
          {
            code: 'derived:front',
            name: 'Front length',
            steps: [{ do: 'subtract', as: 'less', from: 'notch-to-belt-seated', take: '1 in' }],
          },
        ],
      },
      [CHEST, { code: 'derived:front', unit: 'in', cells: ['12-13', '13-14', '14-15'] }],
    );
    const { parts } = judge(
      compileChart(vest),
      new Map([
        ['chest-girth', { value: inches(41) }],
        ['notch-to-belt-seated', { value: inches(13.5) }],
      ] as const),
    );
    expect(parts[0]!.alterations.map(({ does }) => does)).toEqual(['too-long']);
    expect(compileChart(vest).parts[0]!.whole.deciding.map(({ along }) => along)).toEqual([
      'girth',
      'length',
    ]);
  });
});
