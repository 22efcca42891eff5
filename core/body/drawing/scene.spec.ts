import fc from 'fast-check';
import {
  buildOf,
  DRAWINGS,
  MEASUREMENT_CODES,
  mm,
  sceneOf,
  smoothPath,
  TAPE_PATHS,
  USUAL_BUILD,
  VIEWS,
  widthAt,
  type Length,
  type MeasurementCode,
} from '../../index';
import { ontoPerson } from './onto-person';

const values = (of: Partial<Record<MeasurementCode, number>>) =>
  new Map(Object.entries(of).map(([code, value]) => [code as MeasurementCode, mm(value)]));

describe('sceneOf', () => {
  it('draws what is straight beside a foot straight, and the lines of a body round', () => {
    const round = (code: MeasurementCode) => sceneOf({ code }).lines.some((path) => /[CQSA]/i.test(path));
    expect(round('foot-length-left')).toBeFalse();
    expect(round('chest-girth')).toBeTrue();
    expect(sceneOf({ code: null }).outlines.every((path) => /z$/i.test(path))).toBeTrue();
    expect(sceneOf({ code: null }).tape).toBeNull();
  });

  it('draws nobody in particular as the figure stands', () => {
    for (const code of MEASUREMENT_CODES) {
      const { view, outlines, viewBox } = sceneOf({ code });
      expect(outlines).toEqual(DRAWINGS[view].outlines.map((points) => smoothPath(points, true)));
      expect(viewBox).toBe('0 0 250 500');
    }
  });

  it('ties the cord where a view shows the waist, and nowhere else', () => {
    expect(sceneOf({ code: 'chest-girth', cord: true }).cord).not.toBeNull();
    expect(sceneOf({ code: 'body-rise', cord: true }).cord).not.toBeNull();
    expect(sceneOf({ code: 'hand-girth', cord: true }).cord).toBeNull();
    expect(sceneOf({ code: 'chest-girth' }).cord).toBeNull();
  });
});

describe('a person’s build', () => {
  /** How wide an outline is between two heights. */
  const width = (build: typeof USUAL_BUILD, view: 'front' | 'side', from: number, to: number) => {
    const xs = DRAWINGS[view].outlines[0]!.map(ontoPerson(view, build))
      .filter(([, y]) => y >= from && y <= to)
      .map(([x]) => x);
    return Math.max(...xs) - Math.min(...xs);
  };

  it('has each foot about its own middle', () => {
    const onto = ontoPerson('feet', { ...USUAL_BUILD, leftFoot: 2, rightFoot: 1.5 });
    expect([onto([82, 0]), onto([188, 0])]).toEqual([
      [92, 0],
      [193, 0],
    ]);
  });

  it('twice as wide looks it, from the front and from the side', () => {
    const girths = (times: number) =>
      buildOf(
        values({
          height: 1750,
          'chest-girth': 900 * times,
          'waist-girth': 800 * times,
          'hip-girth': 950 * times,
        }),
      );
    for (const view of ['front', 'side'] as const) {
      const [one, two] = [width(girths(1), view, 276, 300), width(girths(2), view, 276, 300)];
      expect(two / one)
        .withContext(view)
        .toBeGreaterThan(1.6);
    }
    const waist = (times: number) => widthAt(girths(times), 194);
    expect(waist(2) / waist(1)).toBeCloseTo(2, 5);
  });

  it('follows weight where no girth is known', () => {
    const stout = buildOf(
      new Map([
        ['height', mm(1720)],
        ['weight', 130_000 as Length],
      ]),
    );
    expect(widthAt(stout, 194)).toBeGreaterThan(1.25);
  });

  it('puts the fork where the inside leg does', () => {
    const [long, short] = [820, 640].map(
      (leg) => buildOf(values({ height: 1750, 'inside-leg-length': leg })).fork,
    );
    expect(long!).toBeLessThan(USUAL_BUILD.fork);
    expect(short!).toBeGreaterThan(USUAL_BUILD.fork);
  });

  /** Bodies as wide and as slight as the catalogue lets in, in any mixture. */
  const anybody = fc.record({
    height: fc.integer({ min: 1000, max: 2200 }),
    'chest-girth': fc.integer({ min: 600, max: 1800 }),
    'waist-girth': fc.integer({ min: 450, max: 1800 }),
    'hip-girth': fc.integer({ min: 600, max: 2000 }),
    'inside-leg-length': fc.integer({ min: 400, max: 1050 }),
    'hand-girth': fc.integer({ min: 130, max: 320 }),
    'hand-length': fc.integer({ min: 120, max: 260 }),
  });

  it('keeps every tape on the body: its ends move as the outline beside them does', () => {
    fc.assert(
      fc.property(anybody, fc.constantFrom(...MEASUREMENT_CODES), (body, code) => {
        const build = buildOf(values(body));
        const { view, points } = TAPE_PATHS[code];
        const onto = ontoPerson(view, build);
        const outline = DRAWINGS[view].outlines.flat();
        for (const end of [points[0]!, points.at(-1)!]) {
          const near = outline.filter(([x, y]) => Math.hypot(x - end[0], y - end[1]) < 3);
          for (const point of near) {
            const [was, is] = [
              Math.hypot(point[0] - end[0], point[1] - end[1]),
              distance(onto(point), onto(end)),
            ];
            // Beside each other on the figure, beside each other on the person, as much wider as they are.
            expect(is)
              .withContext(code)
              .toBeLessThan(was * 3 + 14);
          }
        }
      }),
      { numRuns: 300 },
    );
  });

  it('draws anybody wholly, without a number that is none, on a ground that holds them', () => {
    fc.assert(
      fc.property(anybody, fc.constantFrom(...MEASUREMENT_CODES), (body, code) => {
        const scene = sceneOf({ code, build: buildOf(values(body)), cord: true });
        expect(JSON.stringify(scene)).not.toMatch(/NaN|null,null|Infinity/);
        const [left, , wide] = scene.viewBox.split(' ').map(Number) as [number, number, number, number];
        for (const { at } of scene.marks) {
          expect(at[0]).toBeGreaterThanOrEqual(left);
          expect(at[0]).toBeLessThanOrEqual(left + wide);
        }
      }),
      { numRuns: 300 },
    );
  });

  it('shows the breasts wherever a step speaks of them, and nowhere else', () => {
    const lines = (code: MeasurementCode) => sceneOf({ code }).lines.length;
    const [without, withThem] = [lines('chest-girth'), lines('bust-girth')];
    expect(withThem).toBeGreaterThan(without);
    for (const code of ['front-waist-length', 'shoulder-to-hip', 'bust-front-arc'] as const)
      expect(lines(code)).withContext(code).toBe(withThem);
    for (const code of ['waist-girth', 'notch-to-waist'] as const)
      expect(lines(code)).withContext(code).toBe(without);
  });

  it('leaves furniture standing', () => {
    const wide = buildOf(values({ height: 1600, 'hip-girth': 1600, 'waist-girth': 1500 }));
    expect(VIEWS).toContain('seated');
    const chair = (build: typeof USUAL_BUILD) => sceneOf({ code: 'body-rise', build }).lines.slice(0, 3);
    expect(chair(wide)).toEqual(chair(USUAL_BUILD));
  });
});

function distance([a, b]: readonly [number, number], [c, d]: readonly [number, number]): number {
  return Math.hypot(a - c, b - d);
}
