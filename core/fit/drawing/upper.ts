import type { Point } from '../../body/drawing/points';
import { both, by, cloth, corner, crease, downTo, pair, seam, under, type Sits, type Stroke } from './stroke';

/** How what is worn on the trunk sits. */
export interface UpperFit {
  readonly chest?: Sits;
  readonly waist?: Sits;
  readonly hip?: Sits;
  readonly shoulder?: Sits;
  readonly sleeve?: Sits;
  readonly length?: Sits;
}

/** How far down it reaches where it is right, on the figure's ground, and a step shorter or longer. */
interface Cut {
  readonly hem: number;
  readonly step: number;
  /** How far the skirt stands out at the hem. */
  readonly flare: number;
}

/** The outside of the hanging right arm, and its inside from the armpit. */
// prettier-ignore
const OUTER: readonly Point[] = [
  [176, 91], [189, 110], [196, 138], [201, 168], [209, 206], [215, 236], [218, 254], [214, 272],
];
// prettier-ignore
const INNER: readonly Point[] = [[176, 142], [182, 170], [190, 206], [198, 244], [203, 268]];

/** The trunk's cloth from the front. */
export function trunk(
  { chest = 0, waist = chest, hip = waist, shoulder = 0, length = 0 }: UpperFit,
  cut: Cut,
): Stroke {
  const hem = cut.hem + length * cut.step;
  const [c, w, h] = [chest, waist, hip].map((one) => by(one, 0, 4, 15)) as [number, number, number];
  const out = by(shoulder, -9, 2, 15);
  const side: Point[] = [
    [179 + c * 0.6, 124],
    [178 + c * 0.8, 144],
    [174 + c, 168],
    [170 + w, 194],
    [173 + w, 218],
    [179 + h, 246],
    [180 + h + cut.flare * 0.3, 290],
    [178 + h + cut.flare, 370],
  ];
  const end = downTo(side, hem);
  const [x] = end.at(-1)!;
  return cloth(
    both([
      [125, 88],
      ...corner(140, 80),
      ...corner(176 + out, 91 + Math.abs(out) * 0.15),
      ...end,
      ...corner(x, hem),
      [125, hem + 4],
    ]),
  );
}

/** Both sleeves of arms that hang. */
export function sleeves({ sleeve = 0, shoulder = 0 }: UpperFit, end = 238, step = 17): Stroke[] {
  const cuff = end + sleeve * step;
  const out = by(shoulder, -6, 0, 9);
  const outer = downTo(
    OUTER.map(([x, y]): Point => [x + 2, y]),
    cuff,
  );
  const inner = downTo(
    INNER.map(([x, y]): Point => [x - 2, y]),
    cuff,
  );
  const top: Point = [174 + out, 91];
  const arm = [
    top,
    ...outer.slice(1),
    ...corner(...outer.at(-1)!),
    ...corner(...inner.at(-1)!),
    ...inner.reverse(),
  ];
  return pair((...points) => under(points), ...arm);
}

/** Both sleeves of arms that are stretched out, or up. */
export function stretchedSleeves(way: 'out' | 'up', { sleeve = 0 }: UpperFit): Stroke[] {
  const end = sleeve * 15;
  const out: Point[] = [
    [168, 86],
    [204, 90],
    ...corner(246 + end, 94),
    ...corner(246 + end, 114),
    [206, 119],
    [178, 128],
  ];
  const up: Point[] = [
    [160, 88],
    [170, 56],
    ...corner(180, -6 - end),
    ...corner(201, -6 - end),
    [198, 50],
    [182, 122],
  ];
  return pair((...points) => under(points), ...(way === 'out' ? out : up));
}

/** Where it pulls to the button, and gapes below it. */
export function pullsAt(y: number): Stroke[] {
  return [
    ...pair(crease, [129, y - 2], [143, y - 12], [160, y - 18]),
    ...pair(crease, [129, y + 2], [145, y + 8], [162, y + 12]),
    ...pair(crease, [128, y], [146, y - 1], [164, y - 2]),
    ...pair(seam, [125, y], [130, y + 26], [140, y + 52]),
  ];
}

/** Folds of cloth that hangs. */
export function hangs(from: number, to: number): Stroke[] {
  return [
    ...pair(crease, [148, from], [151, (from + to) / 2], [149, to]),
    ...pair(crease, [168, from + 8], [172, (from + to) / 2], [170, to]),
  ];
}

/** A jacket with its lapels. */
export function jacket(fit: UpperFit & { readonly lapels?: Sits; readonly pulls?: boolean }): Stroke[] {
  const { lapels = 0, shoulder = 0, chest = 0, pulls = chest < 0 } = fit;
  const bow = lapels < 0 ? 14 : 0;
  return [
    ...sleeves(fit),
    trunk(fit, { hem: 258, step: 26, flare: 4 }),
    ...pair(seam, [140, 80], [148 + bow, 112], [141 + bow, 128], [137 + bow * 0.6, 150], [125, 192]),
    ...pair(seam, [140, 80], [132 + bow * 0.4, 120], [125, 190]),
    seam([125, 192], [126, 226], [134, 262]),
    ...pair(seam, [146, 226], [166, 224]),
    ...(pulls ? pullsAt(192) : []),
    ...(chest > 0 ? hangs(150, 246) : []),
    ...(bow > 0 ? pair(crease, [158, 124], [150, 136], [146, 152]) : []),
    ...(shoulder > 0 ? pair(crease, [178, 96], [186, 104], [190, 118]) : []),
    ...(shoulder < 0 ? pair(crease, [166, 96], [178, 110], [188, 120]) : []),
  ];
}

/** A coat closed to the throat. */
export function coat(fit: UpperFit, stretched: 'out' | null): Stroke[] {
  return [
    ...(stretched === null ? sleeves(fit) : stretchedSleeves('out', fit)),
    trunk(fit, { hem: 270, step: 26, flare: 6 }),
    seam([125, 88], [125, 272]),
    ...pair(seam, [141, 80], [136, 88], [125, 92]),
  ];
}

/** A coat from the side, the arm stretched before it. */
export function coatFromSide(chest: Sits): Stroke[] {
  const [front, back] = [by(chest, 1, 5, 16), by(chest, 1, 5, 15)];
  return [
    cloth([
      ...corner(138, 80),
      [150 + front, 108],
      [157 + front, 134],
      [152 + front, 176],
      [152 + front, 216],
      ...corner(154 + front, 268),
      ...corner(94 - back, 268),
      [100 - back, 216],
      [106 - back, 180],
      [97 - back, 140],
      [99 - back, 112],
      ...corner(112, 78),
    ]),
    under([
      [110, 104],
      [126, 96],
      [152, 103],
      ...corner(204, 104),
      ...corner(204, 124),
      [150, 131],
      [120, 134],
    ]),
    ...(chest < 0
      ? [
          crease([99, 108], [112, 120], [124, 122]),
          crease([97, 130], [112, 132], [124, 128]),
          crease([99, 152], [112, 144], [124, 134]),
        ]
      : []),
    ...(chest > 0
      ? [crease([92, 150], [90, 190], [94, 236]), crease([166, 150], [166, 190], [164, 240])]
      : []),
  ];
}

/** A waistcoat, over trousers whose band is to be covered. */
export function waistcoat(fit: UpperFit): Stroke[] {
  const hem = 232 + (fit.length ?? 0) * 22;
  const { chest = 0 } = fit;
  const c = by(chest, 0, 3, 12);
  return [
    cloth(
      both([
        [125, 130],
        ...corner(141, 80),
        ...corner(162, 85),
        [164, 116],
        [177 + c, 146],
        [172 + c, 176],
        [169 + c, 200],
        ...corner(173 + c, hem - 8),
        ...corner(138, hem + 4),
        [125, hem - 4],
      ]),
    ),
    seam([125, 132], [125, hem - 4]),
    ...[152, 172, 192].map((y) => seam([124, y], [126, y])),
    ...(chest < 0 ? pullsAt(172).slice(0, 6) : []),
    ...(chest > 0 ? pair(crease, [129, 140], [134, 176], [130, 214]) : []),
  ];
}

/** A shirt: the collar of somebody seen near, and the sleeves. */
export function shirt(fit: UpperFit & { readonly collar?: Sits }): Stroke[] {
  const out = by(fit.collar ?? 0, -2, 3, 13);
  return [
    ...sleeves(fit, 240, 17),
    trunk(fit, { hem: 262, step: 20, flare: 2 }),
    seam([125, 86], [125, 264]),
    cloth(both([[125, 74], [135 + out, 66], [138 + out, 74], ...corner(146 + out * 0.6, 88), [125, 82]])),
    ...(out < 0
      ? [...pair(crease, [128, 70], [134, 66]), ...pair(crease, [128, 78], [140, 92], [150, 104])]
      : []),
    ...(out > 10 ? pair(crease, [137, 68], [142, 72]) : []),
  ];
}
