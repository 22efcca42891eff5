import {
  CATALOGUE,
  checkBody,
  chiSquareAbove,
  cm,
  inches,
  kilograms,
  micrometres,
  mm,
  saySuspicion,
  unlikelyBody,
  withinLimits,
  type KnownValues,
  type Length,
  type MeasurementCode,
} from '../../index';
import { bodyDimensions507, type BodyDimensions } from '../../reference/body-dimensions-507';
import { COLUMNS_507 } from '../../reference/bodies-507';
import { fitBodyStatistics } from '../../testing/fit-body-statistics';
import { seededRandom } from '../../testing/random';
import { WEIGHT_AND_HEIGHT_200 } from '../../testing/weight-and-height-200';
import { BODY_STATISTICS } from './body-statistics';

const values = (known: Partial<Record<MeasurementCode, Length>>): KnownValues =>
  new Map(Object.entries(known) as [MeasurementCode, Length][]);
const failed = (known: Partial<Record<MeasurementCode, Length>>) =>
  checkBody(values(known)).map(({ check }) => check);

describe('checkBody', () => {
  it('asks nothing of a body that hangs together', () => {
    expect(
      failed({
        height: cm(178),
        'chest-girth': cm(98),
        'waist-girth': cm(85),
        'hip-girth': cm(97),
        'inside-leg-length': cm(80),
      }),
    ).toEqual([]);
    expect(failed({})).toEqual([]);
  });

  it('asks about what is past the usual, and not about what just reaches it', () => {
    const asked = [7, 10, 10.125, 6.875].map((count) => failed({ 'waist-to-hip': inches(count) }));
    expect(asked).toEqual([[], [], ['waist-to-hip-drop'], ['waist-to-hip-drop']]);
  });

  // The worked example of the trade: seated front 13 where standing is 15 or 16 (common practice, no source).
  it('lets sitting take two or three inches off the front, and asks about more or less than none', () => {
    for (const standing of [15, 16])
      expect(
        failed({ 'notch-to-belt-standing': inches(standing), 'notch-to-belt-seated': inches(13) }),
      ).toEqual([]);
    expect(failed({ 'notch-to-belt-standing': inches(15), 'notch-to-belt-seated': inches(15.125) })).toEqual([
      'seated-front',
    ]);
    expect(failed({ 'notch-to-belt-standing': inches(18), 'notch-to-belt-seated': inches(13.875) })).toEqual([
      'seated-front',
    ]);
  });

  const asked: [string, Partial<Record<MeasurementCode, Length>>, string][] = [
    [
      'a bust under the underbust',
      { 'bust-girth': cm(80), 'underbust-girth': cm(90) },
      'bust-under-underbust',
    ],
    [
      'an overarm far above the chest',
      { 'overarm-girth': cm(140), 'chest-girth': cm(100) },
      'overarm-over-chest',
    ],
    [
      'legs that do not match',
      { 'outside-leg-length': cm(105), 'inside-leg-length': cm(95) },
      'inside-to-outside-leg',
    ],
    ['an inside leg to the waist', { height: cm(170), 'inside-leg-length': cm(100) }, 'inside-leg-to-height'],
    ['feet of two people', { 'foot-length-left': mm(250), 'foot-length-right': mm(262) }, 'feet-lengths'],
    ['a hip at the knee', { 'waist-to-hip': inches(11) }, 'waist-to-hip-drop'],
    ['a waist at the ribs', { 'front-waist-length': inches(14) }, 'shoulder-to-waist'],
  ];
  for (const [name, known, check] of asked) {
    it(`asks about ${name}, in a sentence that says what is usual or what to do`, () => {
      const [suspicion] = checkBody(values(known));
      expect(suspicion?.check as string).toBe(check);
      expect(suspicion?.weight).toBe('ask');
      expect(saySuspicion(suspicion!, 'cm')).toMatch(/[.?]$/);
    });
  }

  it('includes the bounds', () => {
    expect(failed({ 'foot-length-left': mm(250), 'foot-length-right': mm(260) })).toEqual([]);
    expect(failed({ height: cm(100), 'inside-leg-length': cm(52) })).toEqual([]);
  });

  it('only hints where the rule holds for some builds alone', () => {
    const known = { 'overarm-girth': cm(112), 'hip-girth': cm(98) };
    expect(failed(known)).toEqual([]);
    expect(checkBody(values({ ...known, 'bust-girth': cm(96) })).map(({ weight }) => weight)).toEqual([
      'hint',
    ]);
  });

  it('asks about a waist above the hip, and does not forbid it', () => {
    const [suspicion] = checkBody(values({ 'waist-girth': cm(112), 'hip-girth': cm(108) }));
    expect(saySuspicion(suspicion!, 'cm')).toBe(
      'Natural waist is 4 cm more than hip and seat. On a large belly this is possible; otherwise one of the two is wrong. Confirm, or measure again.',
    );
  });

  it('asks nothing of a part of what it would compare', () => {
    expect(checkBody(values({ 'inside-leg-length': cm(100) }))).toEqual([]);
    expect(checkBody(values({ weight: kilograms(150) }))).toEqual([]);
  });

  it('tells what a build came to, and between what it usually lies', () => {
    const [found] = checkBody(values({ height: cm(200), weight: kilograms(300) }));
    expect(found!.facts).toEqual({ kind: 'build', is: 75, least: 13, most: 60 });
  });

  it('asks about an inside leg beyond the limits of its share, and not at them', () => {
    const asked = (leg: number) =>
      checkBody(values({ height: cm(200), 'inside-leg-length': micrometres(leg) })).map(({ check }) => check);
    expect([759_999, 760_000, 1_040_000, 1_040_001].map((leg) => asked(leg).length)).toEqual([1, 0, 0, 1]);
  });

  it('names two that were exchanged, and one in the wrong unit', () => {
    const body = {
      height: cm(178),
      'chest-girth': cm(98),
      'waist-girth': cm(85),
      'hip-girth': cm(97),
      'thigh-girth': cm(57),
    };
    const exchanged = unlikelyBody(values({ ...body, 'waist-girth': cm(57.5), 'thigh-girth': cm(85) }));
    expect(exchanged?.guess).toEqual({ kind: 'exchanged', codes: ['waist-girth', 'thigh-girth'] });
    const slipped = unlikelyBody(values({ ...body, 'thigh-girth': cm(57 / 1.6) }));
    expect(slipped?.guess.kind).toBe('odd-one');
    expect(slipped?.culprits).toEqual(['thigh-girth']);
    const unit = unlikelyBody(values({ ...body, 'waist-girth': inches(85 * 0.76) }));
    expect(unit?.culprits[0]).toBe('waist-girth');
  });

  it('names the unit where a girth in the other one would fit, and no other mend where none would', () => {
    const body = { height: cm(178), 'chest-girth': cm(98), 'hip-girth': cm(97), 'calf-girth': cm(38) };
    const short = unlikelyBody(values({ ...body, 'waist-girth': cm(84), 'calf-girth': cm(15) }));
    expect(short?.guess).toEqual({ kind: 'other-unit', code: 'calf-girth', meant: cm(38.1) });
    const long = unlikelyBody(values({ ...body, 'calf-girth': cm(38 * 2.54) }));
    expect(long?.guess).toEqual({ kind: 'other-unit', code: 'calf-girth', meant: cm(38) });
    const [suspicion] = checkBody(values({ ...body, 'calf-girth': cm(15) })).filter(
      ({ check }) => check === 'unlikely-together',
    );
    expect(suspicion?.facts).toEqual({
      kind: 'unlikely',
      unlikely: unlikelyBody(values({ ...body, 'calf-girth': cm(15) }))!,
    });
    const neither = unlikelyBody(values({ ...body, 'calf-girth': cm(70) }));
    expect(neither?.guess).toEqual({
      kind: 'odd-one',
      code: 'calf-girth',
      expected: jasmine.any(Number) as never,
    });
  });
});

describe('the statistics', () => {
  it('are a fresh fit of the 507 bodies', () =>
    expect(JSON.parse(JSON.stringify(BODY_STATISTICS))).toEqual(fitBodyStatistics()));

  // Tabulated upper 5 % and 0.1 % points of chi-squared (Abramowitz and Stegun 1964, table 26.8).
  it('use a chi-squared tail near the tables', () => {
    const table: [number, number, number][] = [
      [5.991, 2, 0.05],
      [11.07, 5, 0.05],
      [21.026, 12, 0.05],
      [13.816, 2, 0.001],
      [32.909, 12, 0.001],
    ];
    for (const [value, degrees, chance] of table)
      expect(chiSquareAbove(value, degrees) / chance)
        .withContext(`${value}, ${degrees}`)
        .toBeCloseTo(1, 0);
  });
});

describe('the checks on the 507 bodies', () => {
  const dockets: Record<string, readonly MeasurementCode[]> = {
    'jacket and trousers': ['height', 'chest-girth', 'waist-girth', 'hip-girth'],
    uniform: [
      'height',
      'overarm-girth',
      'chest-girth',
      'waist-girth',
      'hip-girth',
      'thigh-girth',
      'upper-arm-girth',
    ],
    'full record': Object.keys(COLUMNS_507) as MeasurementCode[],
  };
  const known = (body: BodyDimensions, codes: readonly MeasurementCode[]) =>
    new Map(codes.map((code) => [code, cm(body[COLUMNS_507[code as keyof typeof COLUMNS_507]]!)] as const));
  const isCaught = (body: Map<MeasurementCode, Length>) =>
    [...body].some(([code, value]) => !withinLimits(code, value)) ||
    checkBody(body).some(({ weight }) => weight === 'ask');
  const bodies = bodyDimensions507();

  for (const [docket, codes] of Object.entries(dockets)) {
    it(`raise few false alarms and catch most slips: ${docket}`, () => {
      const random = seededRandom(507);
      const counts = new Map<string, { caught: number; of: number }>();
      const count = (what: string, caught: boolean) => {
        const one = counts.get(what) ?? { caught: 0, of: 0 };
        counts.set(what, { caught: one.caught + Number(caught), of: one.of + 1 });
      };
      const slipped = (body: Map<MeasurementCode, Length>, code: MeasurementCode, value: number) =>
        isCaught(new Map(body).set(code, Math.round(value) as Length));
      bodies.forEach((each, at507) => {
        const body = known(each, codes);
        count('false alarm, statistics', unlikelyBody(body) !== null);
        count('false alarm, any check', isCaught(body));
        codes.forEach((code, index) => {
          const value = body.get(code)!;
          for (const [pair, other] of codes.slice(index + 1).entries()) {
            // Every pair, each with a third of the bodies.
            if ((at507 + index + pair) % 3 !== 0) continue;
            const swapped = new Map(body).set(code, body.get(other)!).set(other, value);
            const caught = isCaught(swapped);
            count('exchanged', caught);
            // Two values that are nearly alike make no other body when exchanged.
            if (Math.abs(value - body.get(other)!) > cm(10)) count('exchanged, 10 cm apart or more', caught);
          }
          count('inches for cm', slipped(body, code, value * 2.54));
          count('cm for inches', slipped(body, code, value / 2.54));
          count('10 cm too much', slipped(body, code, value + cm(10)));
          count('10 cm too little', slipped(body, code, value - cm(10)));
          const digits = String(Math.round(value / 10_000));
          const at = Math.floor(random() * (digits.length - 1));
          const turned = digits.slice(0, at) + digits[at + 1]! + digits[at]! + digits.slice(at + 2);
          if (turned !== digits) count('digits turned', slipped(body, code, Number(turned) * 10_000));
        });
      });
      const rate = (what: string) => counts.get(what)!.caught / counts.get(what)!.of;
      const lines = [...counts].map(
        ([what, { caught, of }]) => `  ${what}: ${caught} of ${of}, ${(rate(what) * 100).toFixed(1)} %`,
      );
      // The rates are the point of this spec; they are printed wherever it runs.
      // eslint-disable-next-line no-console
      console.log(`${docket} (${codes.length} measurements)\n${lines.join('\n')}`);
      expect(rate('false alarm, statistics')).toBeLessThan(0.01);
      expect(rate('false alarm, any check')).toBeLessThan(0.035);
      expect(rate('inches for cm')).toBeGreaterThan(0.95);
      expect(rate('cm for inches')).toBeGreaterThan(0.95);
      expect(rate('exchanged, 10 cm apart or more')).toBeGreaterThan(0.94);
    });
  }

  it('know every measurement they speak of', () => {
    const codes = CATALOGUE.map(({ code }) => code as string);
    for (const variable of BODY_STATISTICS.variables) expect(codes).toContain(variable);
  });
});

describe('weight and height together', () => {
  it('ask about the one exchanged row of 200, and about no other', () => {
    const asked = WEIGHT_AND_HEIGHT_200.flatMap(([weight, height], index) => {
      const values = new Map<MeasurementCode, Length>([
        ['weight', kilograms(weight)],
        ['height', cm(height)],
      ]);
      const outside = [...values].some(([code, value]) => !withinLimits(code, value));
      return outside || checkBody(values).some(({ check }) => check === 'weight-to-height')
        ? [index + 1]
        : [];
    });
    expect(asked).toEqual([12]);
  });

  it('ask when the height was taken in inches by mistake', () => {
    const values = new Map<MeasurementCode, Length>([
      ['weight', kilograms(166)],
      ['height', inches(57)],
    ]);
    expect(checkBody(values).map(({ check }) => check)).toContain('weight-to-height');
  });
});

describe('weight and height together, at the limits', () => {
  it('ask beyond them and not at them', () => {
    const asked = (weight: number, height: number) =>
      checkBody(
        new Map<MeasurementCode, Length>([
          ['weight', kilograms(weight)],
          ['height', cm(height)],
        ]),
      ).some(({ check }) => check === 'weight-to-height');
    expect(checkBody(values({ height: cm(175), weight: kilograms(70) }))).toEqual([]);
    // At 2 m the body mass index is a quarter of the kilograms.
    expect([asked(240, 200), asked(240.1, 200), asked(52, 200), asked(51.9, 200)]).toEqual([
      false,
      true,
      false,
      true,
    ]);
  });
});

describe('a large body', () => {
  const body = (girths: Partial<Record<MeasurementCode, number>>) =>
    checkBody(
      new Map(Object.entries(girths).map(([code, value]) => [code as MeasurementCode, inches(value)])),
    );
  const asked = (girths: Partial<Record<MeasurementCode, number>>) => body(girths).map(({ check }) => check);

  it('is asked nothing that is usual of middling builds alone (common practice, no source)', () => {
    expect(asked({ 'bust-girth': 50, 'waist-girth': 46, 'hip-girth': 55, 'overarm-girth': 50 })).toEqual([]);
    expect(
      asked({ 'bust-girth': 48, 'waist-girth': 44, 'hip-girth': 50, 'front-waist-length': 19.5 }),
    ).toEqual([]);
    expect(asked({ 'bust-girth': 54, 'waist-girth': 50, 'hip-girth': 60, 'upper-arm-girth': 19 })).toEqual(
      [],
    );
    expect(asked({ 'bust-girth': 38, 'front-waist-length': 19.5 })).toEqual(['shoulder-to-waist']);
    expect(asked({ 'bust-girth': 36, 'hip-girth': 40, 'overarm-girth': 46 })).toContain('overarm-to-hip');
  });

  it('is asked about what no body has', () => {
    expect(asked({ 'bust-girth': 50, 'waist-girth': 46, 'hip-girth': 22 })).toContain('unlikely-together');
  });
});
