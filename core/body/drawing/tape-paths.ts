import type { MeasurementCode } from '../catalogue/codes';
import type { ChainCode } from '../chains';
import type { View } from './figure';
import { mirrored, moved, type Point } from './points';

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

/** A chain's tape from where its end is held to its last mark; the marks stand on points of it, by their place. */
interface ChainPath extends TapePath {
  readonly marks: readonly (readonly [code: MeasurementCode, at: number])[];
}

/** The tape of every chain, drawn once with all its marks. */
const CHAIN_PATHS: Readonly<Record<ChainCode, ChainPath>> = {
  throat: {
    ...run('front', NOTCH, [125, 194], [125, 230], [125, 494]),
    marks: [
      ['notch-to-waist', 1],
      ['notch-to-belt-standing', 2],
      ['hollow-to-hem', 3],
    ],
  },
  front: {
    ...run(
      'front',
      [138, 80],
      [145, 140],
      BUST_POINT,
      [148, 170],
      [147, 194],
      [149, 252],
      [153, 336],
      [153, 492],
    ),
    marks: [
      ['shoulder-to-above-bust', 1],
      ['shoulder-to-bust', 2],
      ['shoulder-to-underbust', 3],
      ['front-waist-length', 4],
      ['shoulder-to-hip', 5],
      ['shoulder-to-knee', 6],
      ['shoulder-to-floor', 7],
    ],
  },
  arm: {
    ...run('front', SHOULDER_POINT, [191, 150], [198, 192], [208, 240], [212, 258]),
    marks: [
      ['shoulder-to-elbow', 2],
      ['arm-length', 3],
      ['shoulder-to-knuckle', 4],
    ],
  },
  hand: {
    ...run('hand', [130, 416], [128, 274], [126, 121]),
    marks: [
      ['wrist-to-knuckle', 1],
      ['hand-length', 2],
    ],
  },
  floor: {
    ...run('front', [190, 494], [190, 336], [188, 252]),
    marks: [
      ['knee-to-floor', 1],
      ['hip-to-floor', 2],
    ],
  },
  fork: {
    ...run('side', [149, 196], [150, 240], [126, 262], [98, 244], [109, 196]),
    marks: [
      ['crotch-length-front', 2],
      ['crotch-length', 4],
    ],
  },
  side: {
    ...run('front', SIDE_WAIST, [172, 216], [179, 252], [169, 354], [162, 464], [164, 493]),
    marks: [
      ['waist-to-high-hip', 1],
      ['waist-to-hip', 2],
      ['waist-to-knee', 3],
      ['waist-to-ankle', 4],
      ['outside-leg-length', 5],
    ],
  },
  back: {
    ...run('back', NAPE, [125, 194], [125, 216], [125, 230], [125, 250], [125, 264]),
    marks: [
      ['back-waist-length', 1],
      ['nape-to-high-hip', 2],
      ['nape-to-belt', 3],
      ['nape-to-hip', 4],
      ['nape-to-crotch', 5],
    ],
  },
};

/** The path of each mark of the chains: the chain's own, as far as the mark. */
const MARK_PATHS = Object.fromEntries(
  Object.values(CHAIN_PATHS).flatMap(({ view, points, marks }) =>
    marks.map(([code, at]) => [code, { view, points: points.slice(0, at + 1) }]),
  ),
) as Partial<Record<MeasurementCode, TapePath>>;

/** Where the tape of every measurement that is no mark of a chain runs. */
const OWN_PATHS: Readonly<Partial<Record<MeasurementCode, TapePath>>> = {
  'head-girth': run('head', [48, 172], [82, 184], [125, 187], [168, 184], [202, 172]),
  'head-arc': run('head', [34, 200], [42, 150], [70, 84], [125, 56], [180, 84], [208, 150], [216, 200]),
  'crown-to-hairline': run('head', [125, 58], [125, 90], [125, 118]),
  'both-thighs-girth': trunk(284, 179),
  'both-knees-girth': trunk(334, 172),
  'above-knee-girth': girth('front', 345, 139, 170),
  'knee-girth-bent': run('kneeling', [104, 424], [120, 432], [140, 430], [150, 420]),
  'forearm-girth': girth('front', 204, 190, 206),
  'hand-entry-girth': girth('tucked', 340, 80, 179),
  'neck-to-knuckle': run('front', [138, 80], SHOULDER_POINT, [191, 150], [200, 206], [212, 258]),
  'shoulder-to-underbust-side': run('front', [140, 80], [161, 118], [167, 146], [165, 170]),
  'apex-to-side': run('front', BUST_POINT, [164, 155], [177, 152]),
  'shoulder-to-armpit': run('side', [122, 92], [121, 140]),
  'waist-to-floor-tiptoe': run('tiptoe', [126, 194], [124, 252], [126, 354], [128, 440], [140, 495]),
  'trouser-waist-to-floor': run('front', [174, 226], [179, 270], [169, 356], [161, 464], [163, 493]),
  'crotch-length-worn': run('side', [154, 226], [152, 244], [126, 262], [98, 244], [103, 222]),
  'crotch-length-back': run('side', [126, 262], [98, 244], [109, 196]),
  'neck-girth': girth('front', 64, 115, 135),
  'neck-base-girth': girth('front', 80, 106, 144),
  'overarm-girth': trunk(130, 192),
  'chest-girth': trunk(145, 176),
  'above-bust-girth': trunk(140, 177),
  'bust-girth': trunk(152, 177),
  'underbust-girth': trunk(168, 175),
  'waist-girth': trunk(194, 170),
  'navel-girth': trunk(204, 171),
  'abdominal-girth': trunk(210, 172),
  'trouser-waist-girth': trunk(224, 174),
  'high-hip-girth': trunk(216, 172),
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
  'height-in-shoes': run('front', [228, 494], [228, 4]),
  // The edge of the scale beneath the feet.
  weight: run('front', [70, 497], [180, 497]),
  'shoulder-length': run('back', [138, 78], SHOULDER_POINT),
  'shoulder-width': run('back', [67, 98], [125, 92], SHOULDER_POINT),
  'across-back': run('back', [74, 124], [125, 122], [176, 124]),
  'across-front': run('front', [75, 124], [125, 126], [175, 124]),
  'bust-front-arc': girth('front', 152, 84, 166),
  'bust-span': run('front', [102, 152], BUST_POINT),
  'hip-back-arc': trunk(252, 176, 'back'),
  'cervicale-to-wrist': run('back', NAPE, [160, 86], SHOULDER_POINT, [191, 150], [198, 192], [208, 240]),
  'side-waist-length': run('front', [176, 142], SIDE_WAIST),
  outseam: run('front', [174, 226], [179, 270], [169, 356], [161, 462], [162, 484]),
  'inside-leg-to-ankle-top': run('front', [126, 264], [140, 352], [142, 456]),
  'inside-leg-length': run('front', [126, 264], [140, 352], [142, 464]),
  'standing-rise': run('front', SIDE_WAIST, [174, 216], [180, 262]),
  'waist-to-under-seat': run('back', [146, 194], [148, 230], [150, 252], [150, 272]),
  'body-rise': run('seated', [94, 280], [92, 354]),
  'heel-height': run('side', [108, 496], [108, 474]),
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
  'collar-to-belt': run('back', [125, 92], [125, 230]),
  'clavicle-to-apex': run('front', [156, 92], BUST_POINT),
  'apex-to-belt': run('front', BUST_POINT, [147, 230]),
  'foot-length-left': { view: 'feet', points: mirrored(RIGHT_FOOT_LENGTH) },
  'foot-length-right': { view: 'feet', points: RIGHT_FOOT_LENGTH },
  'foot-width-left': { view: 'feet', points: mirrored(RIGHT_FOOT_WIDTH) },
  'foot-width-right': { view: 'feet', points: RIGHT_FOOT_WIDTH },
};

/** The tape's path of every measurement. */
export const TAPE_PATHS = { ...MARK_PATHS, ...OWN_PATHS } as Readonly<Record<MeasurementCode, TapePath>>;
