import type { Point } from '../../body/drawing/points';
import {
  both,
  by,
  clear,
  cloth,
  corner,
  crease,
  downTo,
  gap,
  pair,
  seam,
  type Sits,
  type Stroke,
} from './stroke';
import { hangs, pullsAt, stretchedSleeves, trunk } from './upper';

/** The outside of the right leg, and its inside from the fork. */
// prettier-ignore
const OUTSIDE: readonly Point[] = [
  [171, 214], [180, 246], [183, 276], [178, 322], [173, 356], [173, 386], [170, 424], [165, 466], [167, 500],
];
// prettier-ignore
const INSIDE: readonly Point[] = [
  [125, 264], [130, 300], [135, 352], [136, 386], [138, 424], [138, 466], [136, 500],
];

/** Trousers from the front. */
export function trousers({ waist = 0, leg = 0 }: { readonly waist?: Sits; readonly leg?: Sits }): Stroke[] {
  const [w, hem] = [by(waist, -3, 2, 14), by(leg, 446, 481, 492)];
  const outside = downTo(OUTSIDE, hem).map(([x, y]): Point => [x + (y < 250 ? w : 2), y]);
  const inside = downTo(INSIDE, hem);
  const half: Point[] = [
    [125, 216],
    ...corner(169 + w, 214),
    ...outside.slice(1),
    ...corner(...outside.at(-1)!),
    ...corner(...inside.at(-1)!),
    ...inside.reverse(),
  ];
  return [
    cloth(both(half)),
    seam(
      ...both([
        [125, 226],
        [169 + w, 224],
      ]).reverse(),
    ),
    seam([125, 226], [125, 262]),
    ...(waist < 0 ? [...pullsAt(222).slice(0, 4), ...pair(crease, [172, 214], [166, 206], [152, 204])] : []),
    ...(waist > 0 ? pair(crease, [176, 216], [168, 210], [150, 208]) : []),
    ...(leg === 1
      ? [
          ...pair(crease, [140, 462], [152, 468], [166, 460]),
          ...pair(crease, [138, 474], [152, 480], [166, 472]),
        ]
      : leg < 0
        ? []
        : // Rather long it breaks deeper, and once all the same.
          pair(crease, [140, 470], [152, leg === 0 ? 475 : 482], [164, 469])),
  ];
}

/** A suit of one piece, arms stretched up: a coverall, or a dry suit with its seals. */
export function onePiece({
  trunk: length = 0,
  ends = 0,
}: {
  readonly trunk?: Sits;
  readonly ends?: Sits;
}): Stroke[] {
  const hem = by(ends, 438, 478, 488);
  const fork = by(length, 252, 268, 292);
  const outside = downTo(OUTSIDE, hem).map(([x, y]): Point => [x + 4, y]);
  const inside = downTo(
    INSIDE.map(([x, y], at): Point => [x, at === 0 ? fork : Math.max(y, fork + 6)]),
    hem,
  );
  return [
    ...stretchedSleeves('up', { sleeve: ends }),
    cloth(
      both([
        [125, 88],
        ...corner(140, 80),
        ...corner(170, 88),
        [184, 122],
        [179, 168],
        [175, 200],
        ...outside,
        ...corner(...outside.at(-1)!),
        ...corner(...inside.at(-1)!),
        ...inside.reverse(),
      ]),
    ),
    seam([125, 88], [125, fork - 2]),
    ...(length < 0
      ? [
          ...pair(crease, [128, fork - 2], [148, fork - 14], [168, fork - 24]),
          ...pair(crease, [128, fork], [146, fork + 10], [160, fork + 26]),
          ...pair(crease, [150, 96], [140, 118], [128, 146]),
        ]
      : []),
    ...(length > 0 ? [...hangs(180, 262), ...pair(crease, [127, fork - 4], [140, fork - 10])] : []),
    ...(ends > 0
      ? [...pair(crease, [140, 462], [152, 468], [166, 460]), ...pair(crease, [184, 20], [198, 14])]
      : []),
  ];
}

/** A dress to the knee. */
export function dress(fit: {
  readonly bust?: Sits;
  readonly waist?: Sits;
  readonly hip?: Sits;
  readonly hem?: Sits;
}): Stroke[] {
  const { bust = 0, waist = 0, hip = 0, hem = 0 } = fit;
  return [
    trunk({ chest: bust, waist, hip, length: hem }, { hem: 356, step: 44, flare: 16 }),
    seam(
      ...both([
        [125, 200],
        [170, 197],
      ]).reverse(),
    ),
    ...(bust < 0
      ? [
          crease([125, 98], [122, 128], [125, 160]),
          crease([125, 98], [129, 128], [125, 160]),
          ...pullsAt(136).slice(0, 6),
        ]
      : []),
    ...(bust > 0 ? pair(crease, [156, 118], [150, 132], [154, 150]) : []),
    ...(waist < 0 ? pullsAt(198).slice(0, 6) : []),
    ...(waist > 0 ? pair(crease, [150, 184], [153, 200], [150, 218]) : []),
    ...(hip < 0
      ? [
          ...pair(crease, [130, 248], [152, 244], [176, 250]),
          ...pair(crease, [130, 258], [152, 256], [176, 262]),
        ]
      : []),
    ...(hip > 0 ? hangs(228, 290) : []),
  ];
}

/** Waders, one kneeling: the bib, the legs and the boot. */
export function wadersKneeling({ fork = 0 }: { readonly fork?: Sits }): Stroke[] {
  return [
    cloth([
      ...corner(157, 210),
      [153, 270],
      [152, 306],
      [156, 326],
      [178, 332],
      [208, 340],
      [221, 354],
      [218, 386],
      [210, 432],
      ...corner(209, 466),
      ...corner(181, 466),
      [180, 424],
      [172, 398],
      [163, 396],
      [157, 412],
      [153, 446],
      [155, 480],
      [144, 496],
      ...corner(66, 492),
      ...corner(66, 458),
      [98, 456],
      [104, 444],
      [100, 410],
      [92, 372],
      [90, 338],
      [104, 290],
      ...corner(96, 216),
    ]),
    ...(fork < 0
      ? [
          crease([150, 396], [136, 380], [112, 366]),
          crease([152, 388], [160, 366], [176, 346]),
          crease([150, 390], [150, 360], [146, 326]),
        ]
      : []),
  ];
}

/** The boot of the foot that stands, from the side, with the foot to be seen in it. */
export function boot({ heel = 0, toes = 0 }: { readonly heel?: Sits; readonly toes?: Sits }): Stroke[] {
  const tip = by(toes, 168, 186, 186);
  const back = by(heel, 107, 107, 90);
  return [
    clear([
      ...corner(back + 1, 392),
      ...corner(152, 392),
      [148, 436],
      [151, 460],
      [166, 474],
      [tip, 485],
      ...corner(tip, 500),
      ...corner(back, 500),
      [back - 1, 482],
      [back + 2, 446],
    ]),
    seam([back, 497], [tip - 1, 497]),
    ...(heel > 0 ? [gap([92, 490], [111, 490]), crease([96, 470], [90, 462], [97, 452])] : []),
    ...(toes < 0
      ? [crease([172, 478], [166, 484], [172, 490]), crease([166, 472], [160, 478], [164, 484])]
      : []),
  ];
}
