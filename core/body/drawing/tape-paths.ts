import type { MeasurementCode } from '../catalogue/codes';
import { mirrored, moved, type Point, type View } from './figure';

/** Where the tape runs on the figure, from where it starts to where it is read. */
export interface TapePath {
  readonly view: View;
  readonly points: readonly Point[];
}

/** A girth on the near side of the body: level at a height, between two sides, sagging a little as tapes are drawn. */
function girth(view: View, y: number, left: number, right: number): TapePath {
  const [inset, sag] = [(right - left) * 0.2, Math.min(9, (right - left) * 0.16)];
  return {
    view,
    points: [
      [left, y],
      [left + inset, y + sag],
      [right - inset, y + sag],
      [right, y],
    ],
  };
}

/** A girth of the trunk, as wide on either side of the middle. */
const trunk = (y: number, right: number, view: View = 'front') => girth(view, y, 250 - right, right);

function run(view: View, ...points: Point[]): TapePath {
  return { view, points };
}

const NAPE: Point = [125, 80];
const NOTCH: Point = [125, 86];
const SHOULDER_POINT: Point = [183, 98];
const BUST_POINT: Point = [148, 152];
const SIDE_WAIST: Point = [170, 194];
const RIGHT_FOOT_LENGTH: readonly Point[] = [
  [178, 413],
  [170, 131],
];
const RIGHT_FOOT_WIDTH: readonly Point[] = [
  [146, 206],
  [212, 206],
];

/** The tape's path of every measurement. */
export const TAPE_PATHS: Readonly<Record<MeasurementCode, TapePath>> = {
  'head-girth': girth('front', 24, 104, 146),
  'neck-girth': girth('front', 64, 115, 135),
  'neck-base-girth': girth('front', 80, 106, 144),
  'overarm-girth': trunk(130, 192),
  'chest-girth': trunk(138, 176),
  'above-bust-girth': trunk(126, 175),
  'bust-girth': trunk(150, 177),
  'underbust-girth': trunk(168, 175),
  'waist-girth': trunk(194, 170),
  'navel-girth': trunk(204, 171),
  'abdominal-girth': trunk(212, 172),
  'trouser-waist-girth': trunk(224, 174),
  'high-hip-girth': trunk(236, 176),
  'hip-girth': trunk(252, 178),
  'trunk-girth': run(
    'side',
    [126, 92],
    [148, 112],
    [155, 140],
    [148, 190],
    [150, 236],
    [126, 262],
    [98, 244],
    [107, 196],
    [100, 146],
    [106, 108],
    [126, 92],
  ),
  'thigh-girth': girth('front', 282, 130, 179),
  'knee-girth': girth('front', 354, 140, 168),
  'calf-girth': girth('front', 388, 140, 169),
  'ankle-girth': girth('front', 460, 142, 159),
  'heel-girth': run('side', [113, 493], [112, 484], [122, 476], [144, 472]),
  'upper-arm-girth': girth('front', 156, 180, 196),
  'elbow-girth': girth('front', 190, 187, 203),
  'wrist-girth': girth('front', 238, 199, 212),
  'armscye-girth': run('front', [179, 93], [169, 108], [168, 126], [178, 140]),
  'hand-girth': girth('hand', 318, 91, 182),
  height: run('front', [228, 494], [228, 4]),
  // The edge of the scale beneath the feet.
  weight: run('front', [70, 497], [180, 497]),
  'shoulder-length': run('back', [138, 78], SHOULDER_POINT),
  'shoulder-width': run('back', [67, 98], [125, 92], SHOULDER_POINT),
  'across-back': run('back', [74, 124], [125, 122], [176, 124]),
  'across-front': run('front', [75, 124], [125, 126], [175, 124]),
  'bust-front-arc': girth('front', 152, 84, 166),
  'bust-span': run('front', [102, 152], BUST_POINT),
  'hip-back-arc': trunk(252, 176, 'back'),
  'hand-length': run('hand', [130, 416], [126, 121]),
  'arm-length': run('front', SHOULDER_POINT, [191, 150], [198, 192], [208, 240]),
  'shoulder-to-elbow': run('front', SHOULDER_POINT, [191, 150], [198, 190]),
  'shoulder-to-knuckle': run('front', SHOULDER_POINT, [191, 150], [200, 206], [209, 256]),
  'cervicale-to-wrist': run('back', NAPE, [160, 86], SHOULDER_POINT, [191, 150], [198, 192], [208, 240]),
  'back-waist-length': run('back', NAPE, [125, 194]),
  'nape-to-hip': run('back', NAPE, [125, 250]),
  'nape-to-crotch': run('back', NAPE, [125, 264]),
  'front-waist-length': run('front', [138, 80], BUST_POINT, [147, 194]),
  'shoulder-to-bust': run('front', [138, 80], BUST_POINT),
  'shoulder-to-underbust': run('front', [138, 80], BUST_POINT, [148, 170]),
  'side-waist-length': run('front', [176, 142], SIDE_WAIST),
  'waist-to-hip': run('front', SIDE_WAIST, [178, 252]),
  'waist-to-knee': run('front', SIDE_WAIST, [179, 262], [168, 354]),
  'waist-to-ankle': run('front', SIDE_WAIST, [179, 262], [168, 354], [158, 464]),
  'outside-leg-length': run('front', SIDE_WAIST, [179, 262], [169, 354], [162, 464], [164, 493]),
  outseam: run('front', [174, 226], [179, 270], [169, 356], [161, 462], [162, 484]),
  'inside-leg-length': run('front', [126, 264], [140, 352], [142, 464]),
  'body-rise': run('seated', [94, 280], [92, 354]),
  'crotch-length': run('side', [149, 196], [150, 240], [126, 262], [98, 244], [109, 196]),
  'hollow-to-hem': run('front', NOTCH, [125, 494]),
  'heel-height': run('side', [108, 496], [108, 474]),
  'notch-to-belt-standing': run('front', NOTCH, [125, 230]),
  'notch-to-belt-seated': {
    view: 'seated',
    points: moved(
      [
        [135, 84],
        [150, 108],
        [156, 134],
        [149, 178],
        [150, 212],
      ],
      [-32, 84],
    ),
  },
  'nape-to-belt': run('back', NAPE, [125, 230]),
  'collar-to-belt': run('back', [125, 92], [125, 230]),
  'clavicle-to-apex': run('front', [156, 92], BUST_POINT),
  'apex-to-belt': run('front', BUST_POINT, [147, 230]),
  'foot-length-left': { view: 'feet', points: mirrored(RIGHT_FOOT_LENGTH) },
  'foot-length-right': { view: 'feet', points: RIGHT_FOOT_LENGTH },
  'foot-width-left': { view: 'feet', points: mirrored(RIGHT_FOOT_WIDTH) },
  'foot-width-right': { view: 'feet', points: RIGHT_FOOT_WIDTH },
};
