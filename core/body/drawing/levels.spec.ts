import { buildOf, cm, inches, mm, TAPE_PATHS, type Build, type MeasurementCode } from '../../index';
import { ontoPerson } from './onto-person';

/** Measurements by their level on the body, from the top down. */
const LEVELS: readonly MeasurementCode[] = [
  'neck-girth',
  'neck-base-girth',
  'overarm-girth',
  'above-bust-girth',
  'chest-girth',
  'bust-girth',
  'underbust-girth',
  'waist-girth',
  'navel-girth',
  'abdominal-girth',
  'high-hip-girth',
  'trouser-waist-girth',
  'hip-girth',
  'thigh-girth',
  'both-knees-girth',
  'above-knee-girth',
  'knee-girth',
  'calf-girth',
  'ankle-girth',
];
const BUILDS: Readonly<Record<string, Build>> = {
  nobody: buildOf(new Map()),
  slim: buildOf(
    new Map([
      ['height', cm(180)],
      ['chest-girth', cm(88)],
      ['waist-girth', cm(70)],
      ['hip-girth', cm(90)],
      ['inside-leg-length', cm(86)],
    ]),
  ),
  large: buildOf(
    new Map([
      ['height', cm(162)],
      ['bust-girth', inches(52)],
      ['waist-girth', inches(48)],
      ['hip-girth', inches(58)],
      ['inside-leg-length', mm(700)],
    ]),
  ),
};

describe('the levels of the tapes', () => {
  for (const [name, build] of Object.entries(BUILDS))
    it(`stand in the order of the body on ${name}`, () => {
      const heights = LEVELS.map((code) => ontoPerson('front', build)(TAPE_PATHS[code].points[0]!)[1]);
      LEVELS.slice(1).forEach((code, at) =>
        expect(heights[at + 1]!)
          .withContext(`${code} below ${LEVELS[at]}`)
          .toBeGreaterThan(heights[at]!),
      );
    });

  it('have the marks of the lengths where the girths are', () => {
    const ends = (code: MeasurementCode) => TAPE_PATHS[code].points.at(-1)![1];
    const level = (code: MeasurementCode) => TAPE_PATHS[code].points[0]![1];
    for (const [length, girth] of [
      ['shoulder-to-above-bust', 'above-bust-girth'],
      ['shoulder-to-bust', 'bust-girth'],
      ['front-waist-length', 'waist-girth'],
      ['waist-to-high-hip', 'high-hip-girth'],
      ['waist-to-hip', 'hip-girth'],
      ['nape-to-high-hip', 'high-hip-girth'],
    ] as const)
      expect(Math.abs(ends(length) - level(girth)))
        .withContext(length)
        .toBeLessThan(4);
  });
});
