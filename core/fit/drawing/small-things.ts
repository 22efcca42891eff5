import type { Point } from '../../body/drawing/points';
import { DRAWINGS } from '../../body/drawing/figure';
import { both, by, cloth, corner, crease, gap, pair, seam, under, type Sits, type Stroke } from './stroke';

/** A hat on a head seen from the front. */
export function hat(size: Sits, lifts = false): Stroke[] {
  const brim = by(size, 96, 128, 178) - (lifts ? 34 : 0);
  const half = by(size, 70, 80, 92);
  return [
    cloth(
      both([
        [125, 34 + (brim - 128) * 0.5],
        [125 + half * 0.6, 40 + (brim - 128) * 0.5],
        [125 + half, brim - 40],
        ...corner(125 + half, brim),
        [125, brim + 14],
      ]),
    ),
    cloth(
      both([
        [125, brim + 2],
        [125 + half, brim - 6],
        [125 + half + 34, brim + 8],
        [125 + half, brim + 16],
        [125, brim + 22],
      ]),
    ),
    ...(size < 0
      ? [
          ...pair(crease, [190, brim - 8], [182, brim - 22], [168, brim - 30]),
          ...pair(crease, [186, brim - 2], [170, brim - 10], [150, brim - 8]),
        ]
      : []),
    ...(size > 0 ? pair(crease, [212, brim - 12], [204, brim - 40]) : []),
    ...(lifts ? pair(gap, [216, brim + 12], [216, brim + 44]) : []),
  ];
}

/** A glove on an open hand: short at the tips and tight, or with tips left over. */
export function glove(size: Sits): Stroke[] {
  const out = by(size, 1, 4, 9);
  const over = by(size, -1, 5, 20);
  const [middle] = [128];
  const shape = DRAWINGS.hand.outlines[0]!.filter(([, y]) => y < 470).map(([x, y]): Point => {
    const tip = y < 160 || (x > 180 && y < 210) || (x < 60 && y < 300);
    return [x + Math.sign(x - middle) * out * 0.5, tip ? y - over : y];
  });
  return [
    cloth(shape),
    ...(size < 0
      ? [
          crease([92, 300], [130, 290], [178, 304]),
          crease([92, 326], [130, 318], [176, 330]),
          crease([90, 352], [130, 346], [172, 354]),
        ]
      : []),
    ...(size > 0
      ? [
          crease([90, 172], [98, 178], [106, 172]),
          crease([116, 146], [126, 152], [136, 146]),
          crease([146, 166], [154, 172], [164, 166]),
        ]
      : []),
  ];
}

/** A bra from the front. */
export function braFromFront({
  cup = 0,
  straps = 0,
}: {
  readonly cup?: Sits;
  readonly straps?: Sits;
}): Stroke[] {
  const size = by(cup, 15, 20, 23);
  return [
    ...pair((...points) => under(points), [139, 82], [147, 83], [152, 116], [144, 116]),
    cloth(both([[125, 152], [150, 156], ...corner(177, 148), ...corner(177, 160), [150, 168], [125, 164]])),
    ...pair(
      (...points) => cloth(points),
      [147, 134 - size],
      [147 + size, 138],
      [147, 158],
      [147 - size, 140],
    ),
    ...(cup < 0
      ? [
          ...pair(seam, [132, 122], [146, 108], [162, 122]),
          ...pair(crease, [134, 126], [147, 114], [160, 126]),
        ]
      : []),
    ...(cup > 0
      ? [
          ...pair(crease, [136, 126], [147, 136], [158, 126]),
          ...pair(crease, [140, 136], [147, 144], [154, 136]),
        ]
      : []),
    ...(straps > 0
      ? [...pair(crease, [136, 84], [140, 92], [150, 92]), ...pair(crease, [137, 78], [143, 88], [151, 88])]
      : []),
  ];
}

/** The band of a bra from behind. */
export function braFromBack(band: Sits): Stroke[] {
  const up = by(band, 0, 0, 22);
  return [
    ...pair((...points) => under(points), [139, 84], [146, 85], [140, 150 - up * 0.6], [134, 152 - up]),
    cloth(
      both([
        [125, 152 - up],
        [150, 152 - up * 0.7],
        ...corner(178, 150),
        ...corner(178, 162),
        [150, 164 - up * 0.7],
        [125, 164 - up],
      ]),
    ),
    ...(band < 0
      ? [
          ...pair(crease, [130, 146], [150, 146], [174, 144]),
          ...pair(crease, [130, 170], [150, 170], [174, 168]),
        ]
      : []),
    ...(band === 0 ? [gap([125, 168], [125, 178])] : []),
  ];
}

/** The seals of a dry suit, at the neck. */
export function seals(size: Sits): Stroke[] {
  const half = by(size, 9, 12, 22);
  return [
    cloth(both([[125, 96], [144, 88], ...corner(176, 92), [184, 116], ...corner(180, 170), [125, 172]])),
    cloth(
      both([
        [125, 66],
        ...corner(125 + half, 64),
        [125 + half + 1, 78],
        ...corner(125 + half + 8, 92),
        [125, 96],
      ]),
    ),
    seam([125, 98], [125, 170]),
    ...(size < 0
      ? [
          ...pair(crease, [133, 62], [139, 58]),
          ...pair(crease, [134, 66], [142, 64]),
          ...pair(crease, [130, 74], [134, 84]),
        ]
      : []),
    ...(size > 0 ? pair(gap, [136, 66], [145, 66]) : []),
  ];
}
