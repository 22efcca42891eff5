/** A point on the drawing's ground, 250 wide and 500 high. */
export type Point = readonly [x: number, y: number];

/** The views of the figure: the body from four sides or seated, an open hand, two feet on paper. */
export const VIEWS = ['front', 'back', 'side', 'seated', 'hand', 'feet'] as const;
export type View = (typeof VIEWS)[number];

/** One view: closed outlines, and open lines that help to find the place (a belt, a chair, a spine). */
export interface Drawing {
  readonly outlines: readonly (readonly Point[])[];
  readonly lines: readonly (readonly Point[])[];
}

/** The right half of the body from the front, from the crown round to the fork. */
// prettier-ignore
const UPRIGHT_HALF: readonly Point[] = [
  [125, 4], [138, 8], [145, 20], [146, 34], [142, 50], [136, 60], [135, 70], [140, 78],
  [160, 84], [178, 92], [187, 108], [193, 136], [198, 168], [206, 206], [212, 236], [216, 254],
  [211, 268], [204, 262], [200, 244], [191, 206], [183, 170], [178, 140], [175, 166], [170, 194],
  [172, 216], [178, 246], [179, 276], [174, 322], [168, 356], [169, 386], [165, 424], [158, 466],
  [163, 484], [154, 492], [139, 490], [142, 466], [142, 424], [140, 386], [140, 352], [134, 306],
  [128, 268], [125, 262],
];
const UPRIGHT: readonly Point[] = [...UPRIGHT_HALF, ...mirrored(UPRIGHT_HALF.slice(1, -1)).reverse()];

/** The face and front down to the belly, from the crown; then the back up from the seat. Facing right. */
// prettier-ignore
const PROFILE_FRONT: readonly Point[] = [
  [122, 4], [138, 9], [148, 24], [149, 35], [155, 46], [150, 51], [149, 58], [146, 66], [136, 70],
  [134, 80], [142, 92], [153, 112], [158, 132], [156, 154], [150, 176], [149, 196], [153, 216],
];
// prettier-ignore
const PROFILE_BACK: readonly Point[] = [
  [102, 218], [109, 194], [105, 168], [98, 140], [100, 112], [108, 90], [112, 76], [109, 62],
  [99, 46], [97, 26], [105, 10],
];
// prettier-ignore
const STANDING_LEGS: readonly Point[] = [
  [154, 238], [150, 262], [152, 292], [150, 324], [146, 354], [144, 384], [142, 416], [138, 448],
  [141, 470], [160, 482], [172, 489], [169, 495], [120, 495], [112, 488], [115, 470], [117, 448],
  [110, 416], [107, 388], [111, 356], [106, 324], [102, 292], [96, 266], [94, 244],
];
// prettier-ignore
const SEATED_LEGS: readonly Point[] = [
  [128, 306], [156, 302], [198, 302], [214, 312], [214, 332], [206, 384], [203, 440], [206, 468],
  [226, 481], [238, 489], [235, 495], [188, 495], [181, 488], [184, 466], [183, 420], [176, 380],
  [176, 356], [140, 352], [92, 352], [68, 346], [60, 326],
];
/** Sitting lowers the trunk by the thigh and puts it further back. */
const SAT_DOWN: Point = [-32, 84];

// prettier-ignore
const HAND: readonly Point[] = [
  [98, 494], [100, 410], [86, 374], [64, 336], [46, 298], [42, 280], [50, 272], [62, 284], [80, 312],
  [92, 322], [92, 280], [88, 220], [87, 164], [93, 150], [103, 152], [107, 168], [110, 222], [113, 266],
  [115, 222], [114, 138], [121, 122], [131, 122], [137, 138], [138, 222], [140, 266], [143, 222],
  [147, 156], [154, 142], [164, 146], [167, 160], [164, 222], [163, 272], [171, 240], [181, 200],
  [189, 190], [198, 194], [199, 208], [191, 256], [183, 308], [177, 356], [162, 408], [160, 494],
];

// prettier-ignore
const RIGHT_FOOT: readonly Point[] = [
  [158, 140], [168, 132], [178, 136], [188, 147], [198, 161], [207, 180], [212, 206], [210, 242],
  [205, 282], [204, 322], [206, 362], [200, 396], [186, 412], [170, 412], [157, 398], [152, 366],
  [156, 326], [158, 286], [152, 246], [146, 206], [147, 170], [151, 150],
];

/** Where the belt rides. */
const BELT: readonly Point[] = [
  [75, 226],
  [100, 230],
  [150, 230],
  [175, 226],
];

/** The figure in every view. */
export const DRAWINGS: Readonly<Record<View, Drawing>> = {
  front: {
    outlines: [UPRIGHT],
    lines: [
      BELT,
      [
        [110, 84],
        [125, 90],
        [140, 84],
      ],
    ],
  },
  back: {
    outlines: [UPRIGHT],
    lines: [
      BELT,
      [
        [125, 84],
        [125, 222],
      ],
      [
        [98, 112],
        [104, 132],
        [100, 150],
      ],
      [
        [152, 112],
        [146, 132],
        [150, 150],
      ],
      [
        [125, 232],
        [125, 262],
      ],
    ],
  },
  side: {
    outlines: [[...PROFILE_FRONT, ...STANDING_LEGS, ...PROFILE_BACK]],
    lines: [
      [
        [120, 100],
        [112, 132],
        [114, 176],
        [122, 216],
        [130, 250],
        [136, 262],
        [139, 250],
        [134, 214],
        [132, 176],
        [136, 132],
        [132, 104],
      ],
      [
        [102, 224],
        [126, 230],
        [153, 224],
      ],
    ],
  },
  seated: {
    outlines: [[...moved(PROFILE_FRONT, SAT_DOWN), ...SEATED_LEGS, ...moved(PROFILE_BACK, SAT_DOWN)]],
    lines: [
      [
        [46, 356],
        [174, 356],
      ],
      [
        [54, 356],
        [54, 495],
      ],
      [
        [164, 356],
        [164, 495],
      ],
      [
        [68, 300],
        [94, 306],
        [124, 298],
      ],
    ],
  },
  hand: {
    outlines: [HAND],
    lines: [
      [
        [100, 410],
        [130, 418],
        [161, 408],
      ],
    ],
  },
  feet: {
    outlines: [RIGHT_FOOT, mirrored(RIGHT_FOOT)],
    lines: [
      [
        [14, 100],
        [236, 100],
        [236, 440],
        [14, 440],
        [14, 100],
      ],
    ],
  },
};

/** Points seen in a mirror down the middle of the ground. */
export function mirrored(points: readonly Point[]): Point[] {
  return points.map(([x, y]) => [250 - x, y]);
}

/** Points moved by a step. */
export function moved(points: readonly Point[], [right, down]: Point): Point[] {
  return points.map(([x, y]) => [x + right, y + down]);
}

/**
 * A run of points as an SVG path, joined by Catmull-Rom curves written as cubic Béziers, so
 * that outlines and tape paths can be given by the few points that matter.
 */
export function smoothPath(points: readonly Point[], closed = false): string {
  const at = (index: number): Point =>
    closed
      ? points[(index + points.length) % points.length]!
      : points[Math.min(Math.max(index, 0), points.length - 1)]!;
  const last = closed ? points.length : points.length - 1;
  let path = `M${points[0]!.join(' ')}`;
  for (let index = 0; index < last; index++) {
    const [before, from, to, after] = [at(index - 1), at(index), at(index + 1), at(index + 2)];
    const first = [from[0] + (to[0] - before[0]) / 6, from[1] + (to[1] - before[1]) / 6];
    const second = [to[0] - (after[0] - from[0]) / 6, to[1] - (after[1] - from[1]) / 6];
    path += `C${[...first, ...second, ...to].map((number) => Math.round(number * 10) / 10).join(' ')}`;
  }
  return closed ? `${path}Z` : path;
}

/** A run of points joined by straight lines, for the edges of things that are straight. */
export function straightPath(points: readonly Point[]): string {
  return `M${points.map((point) => point.join(' ')).join('L')}`;
}
