import { mirrored, moved, type Point } from './points';

/** The views of the figure: the body from four sides, seated, on tiptoe, kneeling; a head, hands, two feet on paper. */
export const VIEWS = [
  'front',
  'back',
  'side',
  'seated',
  'tiptoe',
  'kneeling',
  'head',
  'hand',
  'tucked',
  'feet',
] as const;
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
export const SAT_DOWN: Point = [-32, 84];

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

/** The arm hanging at the side, and the belt. */
const SIDE_LINES: readonly (readonly Point[])[] = [
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
];
const FLOOR: readonly Point[] = [
  [40, 497],
  [220, 497],
];

/** On the balls of the feet: the heels stand off the floor. */
// prettier-ignore
const TIPTOE_LEGS: readonly Point[] = [
  [154, 238], [150, 262], [152, 292], [150, 324], [146, 354], [144, 384], [142, 410], [140, 434],
  [146, 452], [160, 472], [173, 486], [170, 495], [150, 495], [132, 480], [116, 462], [112, 452],
  [117, 436], [110, 410], [107, 388], [111, 356], [106, 324], [102, 292], [96, 266], [94, 244],
];
/** On the knee that is measured, the other foot flat before it. */
// prettier-ignore
const KNEELING_LEGS: readonly Point[] = [
  [154, 330], [176, 338], [204, 344], [216, 354], [214, 384], [206, 430], [206, 462], [222, 474],
  [238, 486], [234, 495], [190, 495], [184, 486], [184, 452], [182, 420], [176, 392], [160, 390],
  [152, 410], [148, 446], [152, 476], [144, 492], [112, 494], [70, 488], [36, 486], [22, 494],
  [14, 486], [22, 470], [62, 462], [96, 462], [108, 450], [104, 410], [98, 372], [94, 338],
];
/** Kneeling lowers the trunk by the shank. */
export const KNELT: Point = [0, 94];

/** A head from the front, its ears and the neck it stands on. */
// prettier-ignore
const HEAD_HALF: readonly Point[] = [
  [125, 60], [158, 66], [186, 88], [200, 124], [203, 170], [203, 200], [214, 196], [220, 208],
  [216, 238], [206, 256], [199, 254], [192, 296], [176, 334], [160, 352], [160, 392], [178, 410],
  [214, 424], [240, 436], [244, 494],
];
const HEAD: readonly Point[] = [...HEAD_HALF, ...mirrored(HEAD_HALF.slice(1)).reverse()];
/** The hairline, nose and mouth; then what there are two of. */
const HEAD_LINES: readonly (readonly Point[])[] = [
  [
    [60, 178],
    [70, 140],
    [94, 122],
    [125, 118],
    [156, 122],
    [180, 140],
    [190, 178],
  ],
  [
    [104, 316],
    [125, 322],
    [146, 316],
  ],
  [
    [140, 194],
    [160, 188],
    [178, 196],
  ],
  [
    [144, 214],
    [160, 208],
    [174, 216],
  ],
  [
    [125, 268],
    [136, 274],
    [132, 284],
    [125, 286],
  ],
];

/** The open hand with the thumb laid across the palm. */
// prettier-ignore
const TUCKED_HAND: readonly Point[] = [
  [98, 494], [100, 410], [86, 374], [80, 340], [84, 310], [92, 280], [88, 220], [87, 164], [93, 150],
  [103, 152], [107, 168], [110, 222], [113, 266], [115, 222], [114, 138], [121, 122], [131, 122],
  [137, 138], [138, 222], [140, 266], [143, 222], [147, 156], [154, 142], [164, 146], [167, 160],
  [164, 222], [163, 272], [171, 240], [181, 200], [189, 190], [198, 194], [199, 208], [191, 256],
  [183, 308], [177, 356], [162, 408], [160, 494],
];
// prettier-ignore
const TUCKED_THUMB: readonly Point[] = [
  [88, 372], [106, 336], [130, 314], [150, 308], [156, 320], [140, 334], [122, 358], [112, 388],
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
    lines: SIDE_LINES,
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
  tiptoe: {
    outlines: [[...PROFILE_FRONT, ...TIPTOE_LEGS, ...PROFILE_BACK]],
    lines: [...SIDE_LINES, FLOOR],
  },
  kneeling: {
    outlines: [[...moved(PROFILE_FRONT, KNELT), ...KNEELING_LEGS, ...moved(PROFILE_BACK, KNELT)]],
    lines: [...SIDE_LINES.map((points) => moved(points, KNELT)), FLOOR],
  },
  head: {
    outlines: [HEAD],
    lines: [...HEAD_LINES, ...HEAD_LINES.slice(2, 4).map(mirrored)],
  },
  tucked: {
    outlines: [TUCKED_HAND],
    lines: [
      [
        [100, 410],
        [130, 418],
        [161, 408],
      ],
      TUCKED_THUMB,
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
