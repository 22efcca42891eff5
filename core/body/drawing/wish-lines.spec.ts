import fc from 'fast-check';
import { buildOf, mm, pointedAt, sceneOf, WISH_CODES, wishPoint, type MeasurementCode } from '../../index';

describe('a wish pointed at on the figure', () => {
  const wide = buildOf(
    new Map<MeasurementCode, never>([
      ['height', mm(1650) as never],
      ['hip-girth', mm(1400) as never],
    ]),
  );

  it('is found again where it was pointed at, on whoever it is drawn', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...WISH_CODES),
        fc.integer({ min: 0, max: 200 }),
        fc.boolean(),
        (wish, at, big) => {
          const build = big ? wide : undefined;
          expect(pointedAt(wish, wishPoint(wish, at * 5, build), build)).toBe(at * 5);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('is held to its line, however far off somebody points', () => {
    expect(pointedAt('neckline-front', [125, -400])).toBe(0);
    expect(pointedAt('neckline-front', [400, 900])).toBe(1_000);
    expect(wishPoint('train', 1_000)).toEqual([20, 494]);
  });

  it('is drawn on the view it is pointed at on', () => {
    for (const code of WISH_CODES) {
      const scene = sceneOf({ code: null, wish: { code, pointed: 500 } });
      expect(scene.tape).toBeNull();
      expect(scene.wish?.path).toMatch(/^M/);
      expect(scene.wish?.at).not.toBeNull();
      expect(JSON.stringify(scene)).not.toContain('NaN');
    }
    expect(sceneOf({ code: null, wish: { code: 'train', pointed: null } }).wish?.at).toBeNull();
  });
});
