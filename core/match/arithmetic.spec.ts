import {
  inches,
  judge,
  compileChart,
  sayDerivedLine,
  sayPartReason,
  sayReason,
  sayRequirement,
  type DerivedCode,
  type Length,
  type MeasurementCode,
} from '../index';
import { scale, wholeSheet } from '../testing/whole-sheet';

type Readings = Partial<Record<MeasurementCode, number>>;
const round = (mode: 'up' | 'down' | 'nearest', step = '1 in') => ({ mode, step });
const bodyOf = (readings: Readings) =>
  new Map(
    Object.entries(readings).map(([code, value]) => [
      code as MeasurementCode,
      { value: inches(value), standardError: 0 },
    ]),
  );
/** What a derivation of these steps comes to, in inches, or why it comes to nothing. */
const comesTo = (steps: object[], readings: Readings, sizes: Record<string, number> = {}) => {
  const sheet = wholeSheet({
    derivations: [{ code: 'derived:it', name: 'It', steps }],
    parts: [
      // A part that has come to a size of this value.
      ...Object.entries(sizes).map(([part, value]) =>
        scale(part, 'height', ['60', '70'], { values: [`${value} in`, `${value + 1} in`] }),
      ),
      scale('size', 'derived:it', ['10', '11']),
    ],
  });
  const [it] = judge(compileChart(sheet), bodyOf({ ...readings, height: 60 })).derived;
  return { inches: it!.result === null ? null : it!.result / 25_400, problem: it!.problem, lines: it!.lines };
};

describe('what comes to nothing', () => {
  it('names the reading that is past the maker’s own steps, and what it reads', () => {
    const sheet = wholeSheet({
      expects: [{ code: 'waist-girth', rounding: { mode: 'down-to-offered', offered: ['30 in', '32 in'] } }],
      parts: [scale('size', 'waist-girth', ['30', '32'])],
    });
    const { parts } = judge(compileChart(sheet), bodyOf({ 'waist-girth': 29 }));
    expect(parts[0]!.reason).toEqual(
      jasmine.objectContaining({ verdict: 'beyond', offScale: ['Natural waist'] }),
    );
  });

  it('waits for the part it goes by, and says which', () => {
    const sheet = wholeSheet({
      derivations: [
        {
          code: 'derived:left',
          name: 'Left',
          steps: [{ do: 'subtract', as: 'left', from: 'waist-girth', take: 'size-of:front' }],
        },
      ],
      parts: [
        scale('front', 'chest-girth', ['20', '22'], { values: ['20 in', '22 in'] }),
        scale('back', 'derived:left', ['10', '12']),
      ],
    });
    const back = judge(compileChart(sheet), bodyOf({ 'waist-girth': 31 })).parts[1]!;
    expect(back.reason).toEqual(jasmine.objectContaining({ verdict: 'incomplete', waitsFor: 'front' }));
  });
});

// Worked examples of the trade: common practice, no source.
describe('worked examples', () => {
  const is = (name: string, steps: object[], readings: Readings, expected: number, sizes = {}) =>
    it(name, () => expect(comesTo(steps, readings, sizes).inches).toBe(expected));

  is(
    'girth 36 with 1 in of overlap: total girth 39',
    [{ do: 'add', as: 'total', of: ['abdominal-girth', '3 in'] }],
    { 'abdominal-girth': 36 },
    39,
  );
  is(
    'notch to belt 16, less 1: front 15',
    [{ do: 'subtract', as: 'front', from: 'notch-to-belt-standing', take: '1 in' }],
    { 'notch-to-belt-standing': 16 },
    15,
  );
  const back = [
    { do: 'multiply', as: 'share', of: 'collar-to-belt', by: 0.8 },
    { do: 'round', as: 'whole', of: 'share', to: round('nearest') },
  ];
  is('collar to belt 19 times 0.80 is 15.2: back 15', back, { 'collar-to-belt': 19 }, 15);
  is('collar to belt 16 times 0.80 is 12.8: back 13', back, { 'collar-to-belt': 16 }, 13);
  const total = [{ do: 'average', as: 'mean', of: ['chest-girth', 'abdominal-girth'] }];
  const women: Readings = { 'chest-girth': 37, 'abdominal-girth': 25 };
  is('chest 37 and girth 25: total girth 31', total, women, 31);
  is('with overlap 34', [...total, { do: 'add', as: 'with-overlap', of: ['mean', '3 in'] }], women, 34);
  is(
    'front width 17',
    [
      ...total,
      { do: 'add', as: 'with-overlap', of: ['mean', '3 in'] },
      { do: 'multiply', as: 'half', of: 'with-overlap', by: 0.5 },
    ],
    women,
    17,
  );
  is(
    'back width 17, what the front leaves',
    [
      ...total,
      { do: 'add', as: 'with-overlap', of: ['mean', '3 in'] },
      { do: 'subtract', as: 'left', from: 'with-overlap', take: 'size-of:front' },
    ],
    women,
    17,
    { front: 17 },
  );
  const upperAndLower = [
    { do: 'subtract', as: 'lower', from: 'apex-to-belt', take: '1 in' },
    {
      do: 'require',
      as: 'upper',
      of: 'clavicle-to-apex',
      least: 'lower',
      because: 'the upper part must be at least the lower',
    },
    { do: 'add', as: 'both', of: ['upper', 'lower'] },
    {
      do: 'round',
      as: 'offered',
      of: 'both',
      to: { mode: 'down-to-offered', offered: ['11.5 in', '12.5 in'] },
    },
  ];
  is(
    'upper 7, lower 6 less 1: 12, of 11.5 and 12.5 the smaller',
    upperAndLower,
    { 'clavicle-to-apex': 7, 'apex-to-belt': 6 },
    11.5,
  );
  is(
    'jacket 36: trousers 30 to start',
    [{ do: 'subtract', as: 'guess', from: 'chest-girth', take: '6 in' }],
    { 'chest-girth': 36 },
    30,
  );
  is(
    'natural waist 35: formal-hire trousers 33',
    [{ do: 'subtract', as: 'worn', from: 'waist-girth', take: '2 in' }],
    { 'waist-girth': 35 },
    33,
  );
  const band = { do: 'round', as: 'band', of: 'underbust-girth', to: round('up', '2 in') };
  is('underbust 35: band 36', [band], { 'underbust-girth': 35 }, 36);
  is(
    'bust 38 over band 36: difference 2',
    [band, { do: 'difference', as: 'cup', of: ['bust-girth', 'band'] }],
    { 'underbust-girth': 35, 'bust-girth': 38 },
    2,
  );
  is(
    'the largest torso girth, belly included',
    [{ do: 'max', as: 'largest', of: ['chest-girth', 'abdominal-girth', 'hip-girth'] }],
    { 'chest-girth': 40, 'abdominal-girth': 44, 'hip-girth': 42 },
    44,
  );
  const table = [
    { upTo: '30 in', gives: '15 in' },
    { upTo: '34 in', gives: '17 in' },
  ];
  is(
    'looked up: the first row at or above',
    [{ do: 'lookup', as: 'width', of: 'waist-girth', rows: table }],
    { 'waist-girth': 30.5 },
    17,
  );
  is(
    'kept within limits',
    [{ do: 'clamp', as: 'kept', of: 'waist-girth', least: '32 in', most: '40 in' }],
    { 'waist-girth': 30 },
    32,
  );
});

describe('the arithmetic of a chart', () => {
  it('names every missing measurement at once', () => {
    const steps = [
      { do: 'subtract', as: 'lower', from: 'apex-to-belt', take: '1 in' },
      { do: 'add', as: 'both', of: ['clavicle-to-apex', 'lower'] },
    ];
    expect(comesTo(steps, {}).problem).toEqual({
      code: 'missing',
      readings: ['apex-to-belt', 'clavicle-to-apex'],
    });
  });

  it('breaks off on a requirement that is not met, past a table, and while a part has no size', () => {
    const require = {
      do: 'require',
      as: 'upper',
      of: 'clavicle-to-apex',
      least: 'apex-to-belt',
      because: 'so it is',
    };
    expect(comesTo([require], { 'clavicle-to-apex': 5, 'apex-to-belt': 7 }).problem).toEqual({
      code: 'requirement',
      because: 'so it is',
      readings: ['clavicle-to-apex', 'apex-to-belt'],
    });
    const lookup = {
      do: 'lookup',
      as: 'width',
      of: 'waist-girth',
      rows: [{ upTo: '30 in', gives: '15 in' }],
    };
    expect(comesTo([lookup], { 'waist-girth': 31 }).problem?.code).toBe('off-scale');
    const left = { do: 'subtract', as: 'left', from: 'waist-girth', take: 'size-of:front' };
    const sheet = wholeSheet({
      derivations: [{ code: 'derived:it', name: 'It', steps: [left] }],
      parts: [
        scale('front', 'height', ['60', '70'], { values: ['17 in', '18 in'] }),
        scale('size', 'derived:it', ['10', '11']),
      ],
    });
    const [waiting] = judge(compileChart(sheet), bodyOf({ 'waist-girth': 30 })).derived;
    expect(waiting!.problem).toEqual({ code: 'waits', part: 'front' });
    const [without] = judge(compileChart(sheet), bodyOf({ 'waist-girth': 30, height: 90 })).derived;
    expect(without!.problem).toEqual({ code: 'no-size', part: 'front' });
  });

  it('explains each line as it was carried out', () => {
    const { lines } = comesTo(
      [
        { do: 'multiply', as: 'share', of: 'collar-to-belt', by: 0.8 },
        { do: 'round', as: 'whole', of: 'share', to: round('nearest') },
      ],
      { 'collar-to-belt': 19 },
    );
    const said = (reader: 'in/8' | 'cm') =>
      lines.map((line) => sayDerivedLine(line, { maker: 'in/8', reader }));
    expect(said('in/8')).toEqual([
      'collar to belt 19 × 0.8 = 15.2 in',
      'share 15.2 in, to the nearest 1 in: 15 in',
    ]);
    // Told in the maker's unit whatever the reader's, and what it comes to in the reader's beside.
    expect(said('cm')).toEqual([
      'collar to belt 19 × 0.8 = 15.2 in (38.6 cm)',
      'share 15.2 in, to the nearest 1 in: 15 in (38.1 cm)',
    ]);
  });

  it('is said without any wearer too', () => {
    const sheet = wholeSheet({
      derivations: [
        {
          code: 'derived:worn',
          name: 'Worn waist',
          steps: [{ do: 'subtract', as: 'worn', from: 'waist-girth', take: '2 in' }],
        },
      ],
      parts: [scale('waist', 'derived:worn', ['30', '31'])],
      options: [
        { name: 'Long', when: [{ of: 'height', is: 'above', length: '74 in' }], adds: '+2 in in the body' },
      ],
    });
    expect(sayRequirement(sheet, 'in', 8).map(({ about, words }) => `${about} ${words}`)).toEqual([
      'Worn waist: natural waist − 2 in.',
      'Long: offered when height is above 74 in; +2 in in the body.',
    ]);
  });
});

describe('a chart whose arithmetic asks for a part', () => {
  const sheet = wholeSheet({
    unit: 'in',
    derivations: [
      {
        code: 'derived:total',
        name: 'Total',
        steps: [{ do: 'add', as: 'total', of: ['abdominal-girth', '3 in'] }],
      },
      {
        code: 'derived:half',
        name: 'Half',
        steps: [{ do: 'multiply', as: 'half', of: 'derived:total', by: 0.5 }],
      },
      {
        code: 'derived:left',
        name: 'Left',
        steps: [{ do: 'subtract', as: 'left', from: 'derived:total', take: 'size-of:front' }],
      },
    ],
    parts: [
      scale('front', 'derived:half', ['18', '19', '20', '21'], {
        reach: 'next-up',
        values: ['18 in', '19 in', '20 in', '21 in'],
      }),
      scale('back', 'derived:left', ['18', '19', '20', '21'], { reach: 'next-up' }),
    ],
    label: '{front}/{back}',
    combinations: [
      { parts: ['front', 'back'], made: { 18: ['18'], 19: ['18', '19'], 20: ['19', '20'], 21: ['20'] } },
    ],
  });
  const body = (girth: number) =>
    new Map<MeasurementCode, { value: Length; standardError: number }>([
      ['abdominal-girth', { value: inches(girth), standardError: 0 }],
    ]);

  it('derives what rests on the outcome after it', () => {
    const verdict = judge(compileChart(sheet), body(36));
    expect([verdict.proposed, verdict.verdict]).toEqual(['20/19', 'settled']);
    expect(verdict.derived.map(({ code, result }) => [code, Number(result) / 25_400])).toEqual([
      ['derived:total', 39],
      ['derived:half', 19.5],
      ['derived:left', 19],
    ] as [DerivedCode, number][]);
  });

  it('says what is not made, and what is made and near', () => {
    const verdict = judge(compileChart(sheet), body(39));
    expect([verdict.verdict, verdict.proposed]).toEqual(['not-made', null]);
    expect(verdict.notMade).toEqual({ asked: '21/21', nearest: ['21/20', '20/20', '20/19', '19/19'] });
    expect(sayReason(verdict, 'in/8')).toBe(
      '21/21 is not made. Made and nearest: 21/20, 20/20, 20/19 and 19/19.',
    );
  });

  it('is beyond where the part before is, and waits where that is not known yet', () => {
    const beyond = judge(compileChart(sheet), body(60));
    expect(beyond.parts.map(({ verdict: said }) => said)).toEqual(['beyond', 'beyond']);
    expect([beyond.verdict, beyond.worst]).toEqual(['beyond', 'front']);
    expect(sayPartReason(beyond.parts[1]!, 'in/8')).toBe(
      'It depends on the size of the front, which has none. Next: made to measure.',
    );
    const open = judge(compileChart(sheet), new Map());
    expect(open.parts.map(({ verdict: said }) => said)).toEqual(['incomplete', 'incomplete']);
  });

  it('is below the maker’s own table where nothing offered is short enough, and not still to measure', () => {
    const steps = [
      {
        do: 'round',
        as: 'down',
        of: 'notch-to-belt-seated',
        to: { mode: 'down-to-offered', offered: ['14 in', '15 in'] },
      },
    ];
    const offered = wholeSheet({
      derivations: [{ code: 'derived:front', name: 'Front', steps }],
      parts: [scale('front', 'derived:front', ['14', '15'])],
    });
    const verdict = judge(compileChart(offered), bodyOf({ 'notch-to-belt-seated': 12 }));
    expect(verdict.verdict).toBe('beyond');
    expect(sayReason(verdict, 'in/8')).toBe('Front is outside the maker’s own table. Next: made to measure.');
    // The same of a measurement that is rounded before it is looked up.
    const rounded = wholeSheet({
      expects: [{ code: 'notch-to-belt-seated', rounding: steps[0]!.to }],
      parts: [scale('front', 'notch-to-belt-seated', ['14', '15'])],
    });
    expect(judge(compileChart(rounded), bodyOf({ 'notch-to-belt-seated': 12 })).verdict).toBe('beyond');
    expect(judge(compileChart(rounded), bodyOf({})).verdict).toBe('incomplete');
  });

  it('comes to nothing where it would be longer than anything is, instead of to a number', () => {
    const grow = Array.from({ length: 12 }, (_, at) => ({
      do: 'multiply',
      as: `m${at}`,
      of: at === 0 ? 'height' : `m${at - 1}`,
      by: 10,
    }));
    expect(comesTo(grow, { height: 70 }).problem?.code).toBe('off-scale');
  });

  it('comes to nothing where a step besides the way to its result does', () => {
    const steps = [
      { do: 'require', as: 'held', of: 'clavicle-to-apex', least: 'apex-to-belt', because: 'so it is' },
      { do: 'add', as: 'sum', of: ['clavicle-to-apex', 'apex-to-belt'] },
    ];
    expect(comesTo(steps, { 'clavicle-to-apex': 5, 'apex-to-belt': 7 }).problem?.code).toBe('requirement');
    expect(comesTo(steps, { 'clavicle-to-apex': 7, 'apex-to-belt': 5 }).inches).toBe(12);
  });

  it('is linear in its size: twenty derivations that each name the one before eight times', () => {
    const derivations = Array.from({ length: 20 }, (_, at) => ({
      code: `derived:d${at}`,
      name: `D ${at}`,
      steps: [
        {
          do: 'average',
          as: 'mean',
          of: Array.from({ length: 8 }, () => (at === 0 ? 'height' : `derived:d${at - 1}`)),
        },
      ],
    }));
    const long = wholeSheet({ derivations, parts: [scale('size', 'derived:d19', ['60', '70'])] });
    expect(judge(compileChart(long), bodyOf({ height: 60 })).proposed).toBe('60');
    expect(judge(compileChart(long), bodyOf({})).verdict).toBe('incomplete');
  });
});

describe('a stand-in', () => {
  const sheet = wholeSheet({
    derivations: [
      {
        code: 'derived:band',
        name: 'Band',
        steps: [
          { do: 'lookup', as: 'band', of: 'underbust-girth', rows: [{ upTo: '30 in', gives: '32 in' }] },
        ],
      },
    ],
    parts: [scale('size', 'derived:band', ['32', '34'], { standIns: ['chest-girth'] })],
  });

  it('serves for what is missing, and never for what broke off', () => {
    const of = (readings: Readings) => judge(compileChart(sheet), bodyOf(readings));
    expect(of({ 'chest-girth': 34 }).proposed).toBe('34');
    expect(of({ 'underbust-girth': 29, 'chest-girth': 34 }).proposed).toBe('32');
    expect(of({ 'underbust-girth': 40, 'chest-girth': 34 }).proposed)
      .withContext('off its table')
      .toBeNull();
  });
});

describe('an option', () => {
  const offered = (is: string, height: number) => {
    const sheet = wholeSheet({
      options: [{ name: 'Long', when: [{ of: 'height', is, length: '74 in' }], adds: '+2 in' }],
      parts: [scale('size', 'chest-girth', ['38', '40'])],
    });
    return judge(compileChart(sheet), bodyOf({ 'chest-girth': 38, height })).options.length > 0;
  };

  it('is proposed by its condition, the length itself included where it says so', () => {
    expect(['above', 'at-least', 'below', 'at-most'].map((is) => offered(is, 74))).toEqual([
      false,
      true,
      false,
      true,
    ]);
    expect(['above', 'at-least', 'below', 'at-most'].map((is) => offered(is, 75))).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });
});

describe('a value kept within limits', () => {
  it('may have a limit on one side only', () => {
    const kept = (limits: object, waist: number) =>
      comesTo([{ do: 'clamp', as: 'kept', of: 'waist-girth', ...limits }], { 'waist-girth': waist }).inches;
    expect([kept({ most: '40 in' }, 20), kept({ most: '40 in' }, 50)]).toEqual([20, 40]);
    expect([kept({ least: '32 in' }, 20), kept({ least: '32 in' }, 50)]).toEqual([32, 50]);
  });
});
