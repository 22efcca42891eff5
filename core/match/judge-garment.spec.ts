import {
  alterationsIn,
  sayAlterationShort,
  compileChart,
  inches,
  cm,
  judge,
  micrometres,
  sayAlteration,
  sayChange,
  sayReason,
  sayTakenOtherwise,
  type MeasurementCode,
  type MeasuredValue,
} from '../index';
import { compiledOf } from '../testing/charts';
import { scale, wholeSheet } from '../testing/whole-sheet';

const body = (values: Partial<Record<MeasurementCode, number>>, more: Partial<MeasuredValue> = {}) =>
  new Map<MeasurementCode, MeasuredValue>(
    Object.entries(values).map(([code, value]) => [
      code as MeasurementCode,
      { value: inches(value), ...more },
    ]),
  );
const BLAZER = compileChart(
  wholeSheet({
    label: '{chest} {length}',
    expects: [{ code: 'chest-girth', tension: 'drawn-tight', clothing: 'worn-beneath' }],
    derivations: [
      {
        code: 'derived:chest',
        name: 'Chest, from the waist',
        steps: [{ do: 'add', as: 'chest', of: ['waist-girth', '6 in'] }],
      },
    ],
    parts: [
      scale('chest', 'chest-girth', ['40', '42', '44'], { standIns: ['derived:chest'] }, [
        '39-41',
        '41-43',
        '43-45',
      ]),
      scale('length', 'height', ['S', 'R', 'L'], { lean: 'larger' }, ['<66', '66-71', '>=71']),
    ],
    options: [{ name: 'Long torso', when: [{ of: 'height', is: 'above', length: '74 in' }], adds: '+2 in' }],
  }),
);

describe('judge, of a garment of several parts', () => {
  it('has the verdict of its worst part, and says which that is', () => {
    const verdict = judge(BLAZER, body({ 'chest-girth': 47, height: 68 }));
    expect([verdict.verdict, verdict.worst, verdict.proposed]).toEqual(['beyond', 'chest', null]);
    expect(verdict.parts.map((part) => part.verdict)).toEqual(['beyond', 'settled']);
    expect(sayReason(verdict, 'in/8')).toBe(
      'Chest 47 in is 2 in past the largest size, 44. Next: made to measure.',
    );
    expect(judge(BLAZER, body({ height: 68 })).verdict).toBe('incomplete');
  });

  it('takes every word of a condition as it says, at its very length', () => {
    const held = (is: string, height: number) =>
      judge(
        compileChart(
          wholeSheet({
            parts: [scale('size', 'height', ['S'], {}, ['<90'])],
            options: [{ name: 'Long', when: [{ of: 'height', is, length: '70 in' }], adds: '+2 in' }],
          }),
        ),
        body({ height }),
      ).options.length;
    expect(
      ['above', 'at-least', 'below', 'at-most'].map((is) => [69, 70, 71].map((at) => held(is, at))),
    ).toEqual([
      [0, 0, 1],
      [0, 1, 1],
      [1, 0, 0],
      [1, 1, 0],
    ]);
  });

  it('has the odds of whole labels, each part after the one before', () => {
    const { odds } = judge(BLAZER, body({ 'chest-girth': 42.9, height: 68 }));
    expect(odds.map(({ label }) => label)).toEqual(['42 R', '44 R']);
    expect(odds[0]!.chance + odds[1]!.chance).toBeCloseTo(1, 2);
    expect(odds[1]!.chance).toBeGreaterThan(0.2);
  });

  it('has no odds of a whole label while a part of it waits', () => {
    const verdict = judge(BLAZER, body({ 'chest-girth': 42 }));
    expect(verdict.parts.map(({ odds }) => odds.length > 0)).toEqual([true, false]);
    expect(verdict.odds).toEqual([]);
  });

  it('offers other labels with one part changed', () => {
    const verdict = judge(BLAZER, body({ 'chest-girth': 42.9, height: 70.9 }));
    expect([verdict.proposed, verdict.alternates]).toEqual(['42 R', ['44 R', '42 L']]);
  });

  it('offers no label that is not made', () => {
    const sheet = wholeSheet({
      label: '{chest} {length}',
      parts: [
        scale('chest', 'chest-girth', ['40', '42', '44'], {}, ['39-41', '41-43', '43-45']),
        scale('length', 'height', ['S', 'R', 'L'], { lean: 'larger' }, ['<66', '66-71', '>=71']),
      ],
      combinations: [{ parts: ['chest', 'length'], made: { 40: ['S'], 42: ['R'], 44: ['R'] } }],
    });
    const verdict = judge(compileChart(sheet), body({ 'chest-girth': 42.9, height: 70.9 }));
    expect([verdict.proposed, verdict.alternates]).toEqual(['42 R', ['44 R']]);
  });

  it('tells of a reading the very error it was taken with', () => {
    const [placed] = judge(BLAZER, body({ 'chest-girth': 42, height: 68 }, { standardError: 5_000 }))
      .parts[0]!.placements;
    expect(placed!.standardError).toBe(5_000);
  });

  it('asks for a way of taking only where the chart names one', () => {
    const wants = (expected: object) =>
      judge(
        compileChart(
          wholeSheet({
            expects: [{ code: 'chest-girth', ...expected }],
            parts: [scale('size', 'chest-girth', ['40', '42'])],
          }),
        ),
        body({ 'chest-girth': 41 }, { tension: 'skin', clothing: 'bare' }),
      ).takenOtherwise.length;
    expect([wants({ clothing: 'bare' }), wants({ tension: 'skin' }), wants({ tension: 'snug' })]).toEqual([
      0, 0, 1,
    ]);
  });

  it('takes up and lets down what lies along, and takes in and lets out what lies round', () => {
    const sheet = wholeSheet({
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['M', 'L'],
          columns: [
            { code: 'chest-girth', unit: 'in', cells: ['38-40', '40-42'] },
            { code: 'outside-leg-length', unit: 'in', cells: ['40-41', '41-42'] },
          ],
        },
      ],
    });
    const does = (chest: number, leg: number) =>
      judge(
        compileChart(sheet),
        body({ 'chest-girth': chest, 'outside-leg-length': leg }),
      ).parts[0]!.alterations.map((one) => [one.code, one.does]);
    expect(does(41, 40.5)).toEqual([['outside-leg-length', 'shorten']]);
    expect(does(39, 41.5)).toEqual([['chest-girth', 'take-in']]);
    const gaps = wholeSheet({
      unit: 'cm',
      rule: 'key-decides',
      key: 'chest-girth',
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['M', 'L'],
          columns: [
            { code: 'chest-girth', unit: 'cm', cells: ['94-102', '102-110'] },
            { code: 'waist-girth', unit: 'cm', cells: ['82-88', '92-98'] },
          ],
        },
      ],
    });
    const out = judge(
      compileChart(gaps),
      new Map<MeasurementCode, MeasuredValue>([
        ['chest-girth', { value: cm(98) }],
        ['waist-girth', { value: cm(95) }],
      ]),
    ).parts[0]!.alterations.map(({ does: act, by }) => [act, Number(by)]);
    expect(out)
      .withContext('from the end that is printed')
      .toEqual([['let-out', 70_000]]);
    // At its very beginning a size holds: nothing is to be changed for it.
    expect(does(41, 41)).toEqual([]);
    expect(does(40, 41.5)).toEqual([]);
  });

  it('leaves open what all of the readings accept, where some are still missing', () => {
    const sheet = wholeSheet({
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['S', 'M', 'L'],
          columns: [
            { code: 'chest-girth', unit: 'in', cells: ['36-38', '38-40', '40-42'] },
            { code: 'waist-girth', unit: 'in', cells: ['28-31', '30-35', '34-38'] },
            { code: 'hip-girth', unit: 'in', cells: ['36-38', '38-40', '40-42'] },
          ],
        },
      ],
    });
    const { reason } = judge(compileChart(sheet), body({ 'chest-girth': 39, 'waist-girth': 34.5 })).parts[0]!;
    expect(reason).toEqual(jasmine.objectContaining({ verdict: 'incomplete', possible: ['M'] }));
  });

  it('is suspect by what it used, and by nothing it could not use', () => {
    const half = new Set<MeasurementCode>(['waist-girth']);
    const sheet = wholeSheet({
      derivations: [
        {
          code: 'derived:sum',
          name: 'Sum',
          steps: [{ do: 'add', as: 'sum', of: ['waist-girth', 'hip-girth'] }],
        },
      ],
      parts: [scale('size', 'derived:sum', ['60', '70'])],
    });
    expect(judge(compileChart(sheet), body({ 'waist-girth': 30 }), { suspects: half }).verdict).toBe(
      'incomplete',
    );
  });

  it('gives what is assumed no error of its own', () => {
    const near = { 'chest-girth': 42.9, height: 68 };
    expect(judge(BLAZER, body(near)).verdict).toBe('edge');
    const assumed = judge(BLAZER, body(near, { assumed: true, standardError: 7_000 }));
    expect([assumed.verdict, assumed.odds.length]).toEqual(['settled', 1]);
  });

  it('goes by the first stand-in that is known, not by the first', () => {
    const sheet = wholeSheet({
      parts: [
        scale('size', 'chest-girth', ['40', '42'], { standIns: ['bust-girth', 'waist-girth'] }, [
          '39-41',
          '41-43',
        ]),
      ],
    });
    const { proposed, parts } = judge(compileChart(sheet), body({ 'waist-girth': 42 }));
    expect([proposed, parts[0]!.placements[0]!.estimatedFrom]).toEqual(['42', 'waist-girth']);
  });

  it('estimates what is missing from what may stand in, and marks it', () => {
    const verdict = judge(BLAZER, body({ 'waist-girth': 36, height: 68 }));
    expect([verdict.proposed, verdict.parts[0]!.placements[0]!.estimatedFrom]).toEqual([
      '42 R',
      'derived:chest',
    ]);
    expect(sayReason(verdict, 'in/8')).toContain('42 in (an estimate)');
  });

  it('proposes an option when its condition holds', () => {
    expect(judge(BLAZER, body({ 'chest-girth': 42, height: 75 })).options).toEqual([
      { name: 'Long torso', adds: '+2 in' },
    ]);
    expect(judge(BLAZER, body({ 'chest-girth': 42, height: 74 })).options).toEqual([]);
  });

  it('says what was taken otherwise, and converts nothing', () => {
    const taken = body({ 'chest-girth': 42, height: 68 }, { tension: 'skin', clothing: 'worn-beneath' });
    const verdict = judge(BLAZER, taken);
    expect(verdict.proposed).toBe('42 R');
    expect(verdict.takenOtherwise.map(sayTakenOtherwise)).toEqual([
      'Chest was taken touching, not pressing; this chart asks for it drawn tight. Nothing was converted: measure again, or allow for the difference.',
    ]);
    const right = body(
      { 'chest-girth': 42, height: 68 },
      { tension: 'drawn-tight', clothing: 'worn-beneath' },
    );
    expect(judge(BLAZER, right).takenOtherwise).toEqual([]);
    expect(judge(BLAZER, body({ 'chest-girth': 42 })).takenOtherwise)
      .withContext('nothing is known')
      .toEqual([]);
  });

  it('leans where a part leans, whatever the wearer likes', () => {
    const overlapping = compileChart(
      wholeSheet({
        parts: [scale('leg', 'inside-leg-length', ['30', '32'], { lean: 'larger' }, ['29-32', '31-34'])],
      }),
    );
    expect(judge(overlapping, body({ 'inside-leg-length': 31.2 }), { preference: 'close' }).proposed).toBe(
      '32',
    );
  });

  it('has the cautions of its kind, and its own', () => {
    const vest = compileChart(
      wholeSheet({
        kind: 'vest',
        cautions: ['Keep it dry.'],
        parts: [scale('size', 'chest-girth', ['40', '42'])],
      }),
    );
    const { cautions } = judge(vest, body({ 'chest-girth': 40 }));
    expect(cautions[0]).toContain('does not certify protection');
    expect(cautions[1]).toBe('Keep it dry.');
  });

  it('assumes a value where it was skipped as idle, and marks it', () => {
    const assumed = new Map<MeasurementCode, MeasuredValue>([
      ['chest-girth', { value: inches(47) }],
      ['height', { value: inches(68), assumed: true }],
    ]);
    const verdict = judge(BLAZER, assumed);
    expect(verdict.verdict).toBe('beyond');
    expect(verdict.parts[1]!.placements[0]!.estimatedFrom).toBe('height');
  });
});

describe('alterations and what would change it', () => {
  const DRESS = compiledOf(
    'size,bust-girth (cm),waist-girth (cm)\n10,84-88,66-70\n12,88-92,70-74\n14,92-97,74-79',
    { rule: 'key-decides', key: 'bust-girth' },
  );
  const dressed = (bust: number, waist: number) =>
    judge(
      DRESS,
      new Map<MeasurementCode, MeasuredValue>([
        ['bust-girth', { value: cm(bust) }],
        ['waist-girth', { value: cm(waist) }],
      ]),
    );

  it('are told of any size, of the one that goes as it is too', () => {
    const csv =
      'size,chest-girth (cm),"hip-girth (cm, reported)"\nS,86-94,90-96\nM,94-102,96-104\nL,102-110,104-112';
    const chart = compiledOf(csv);
    const verdict = judge(
      chart,
      new Map<MeasurementCode, MeasuredValue>([
        ['chest-girth', { value: cm(98) }],
        ['hip-girth', { value: cm(106) }],
      ]),
    );
    const said = (size: string) =>
      alterationsIn(chart.parts[0]!.whole, verdict.parts[0]!, size).map((one) =>
        sayAlterationShort(one, 'cm'),
      );
    expect(said('M')).toEqual(['let out 2 cm']);
    expect(said('S')).toEqual(['let out 4 cm', 'let out 10 cm']);
    expect(said('L')).toEqual(['take in 4 cm']);
    expect(said('4XL')).toEqual([]);
  });

  it('name the measurement, the amount and what the size holds', () => {
    const [let_] = dressed(90, 77).parts[0]!.alterations;
    expect(sayAlteration(let_!, '12', 'cm')).toBe('let out the natural waist by 3 cm; 12 holds 70 to 74 cm');
    const [take] = dressed(90, 67).parts[0]!.alterations;
    expect(sayAlteration(take!, '12', 'cm')).toBe('take in the natural waist by 3 cm; 12 holds 70 to 74 cm');
    expect(dressed(90, 72).parts[0]!.alterations).toEqual([]);
  });

  it('say how little would make it another size', () => {
    expect(sayChange(dressed(90, 73).parts[0]!, 'cm')).toBe(
      '2 cm more on the bust, with the rest as it is, would make it 14.',
    );
    // The key decides: a waist that is out of 12 is altered and makes it no other size.
    expect(sayChange(dressed(91, 73.9).parts[0]!, 'cm')).toBe(
      '1 cm more on the bust, with the rest as it is, would make it 14.',
    );
    expect(sayChange(dressed(84.5, 68).parts[0]!, 'cm'))
      .withContext('below the smallest the rule still names it')
      .toBe('3.5 cm more on the bust, with the rest as it is, would make it 12.');
    expect(sayChange(dressed(90, 77).parts[0]!, 'cm'))
      .withContext('a split has no single size')
      .toBeNull();
  });
});

describe('the rule of the closest', () => {
  const CHART = 'size,chest-girth (cm),waist-girth (cm)\nS,86-94,70-76\nM,94-102,76-82\nL,102-110,82-88';
  const sized = (chest: number, waist: number) =>
    judge(
      compiledOf(CHART, { rule: 'closest' }),
      new Map<MeasurementCode, MeasuredValue>([
        ['chest-girth', { value: cm(chest) }],
        ['waist-girth', { value: cm(waist) }],
      ]),
    );

  it('says to the micrometre how little would make it another size', () => {
    for (const [chest, waist] of [
      [87, 70.5],
      [89, 73.5],
      [100, 77],
      [103, 87],
    ] as const) {
      const verdict = sized(chest, waist);
      const { code, towards, by, into } = verdict.parts[0]!.change!;
      const moved = (less: number) => {
        const off = (towards === 'more' ? 1 : -1) * (by - less);
        const whole = (own: MeasurementCode, value: number) =>
          [own, { value: micrometres(value * 10_000 + (code === own ? off : 0)) }] as const;
        return judge(
          compiledOf(CHART, { rule: 'closest' }),
          new Map<MeasurementCode, MeasuredValue>([whole('chest-girth', chest), whole('waist-girth', waist)]),
        ).proposed;
      };
      expect([moved(0), moved(1)])
        .withContext(`${chest}, ${waist}`)
        .toEqual([into, verdict.proposed]);
    }
  });

  it('takes the least misfit in steps of each column, a tie to the larger', () => {
    // Chest 1 cm into M is an eighth of a step off S; waist 1 cm short of M is a sixth of a step off it.
    expect([sized(95, 75).verdict, sized(95, 75).proposed]).toEqual(['split', 'S']);
    // A third of a step either way.
    expect(sized(96.6, 74).proposed).toBe('S');
    expect(sized(98, 73).proposed).withContext('half a step either way').toBe('M');
  });

  it('has odds that sum to one, about half where it nearly ties', () => {
    const [first, second] = sized(97.9, 73).parts[0]!.odds;
    expect(first!.chance + second!.chance).toBeGreaterThan(0.98);
    expect(Math.abs(first!.chance - 0.5)).toBeLessThan(0.15);
  });
});
