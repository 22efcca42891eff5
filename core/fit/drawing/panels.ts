import { SAT_DOWN } from '../../body/drawing/figure';
import { moved, type Point } from '../../body/drawing/points';
import {
  belt,
  both,
  by,
  cloth,
  corner,
  crease,
  gap,
  pair,
  seam,
  under,
  type Sits,
  type Stroke,
} from './stroke';

/** The belt from the front and from the side, where it rides. */
const BELT: readonly Point[] = [
  [75, 226],
  [100, 230],
  [150, 230],
  [175, 226],
];
const SIDE_BELT: readonly Point[] = [
  [101, 224],
  [126, 229],
  [154, 224],
];

/** The front of the trunk and its back from the side, down to the belt, a finger before the body. */
// prettier-ignore
const FRONT: readonly Point[] = [
  [142, 88], [151, 106], [159, 122], [164, 136], [163, 154], [158, 174], [155, 196], [158, 216], [160, 232],
];
// prettier-ignore
const BACK: readonly Point[] = [
  [104, 92], [96, 112], [93, 138], [98, 166], [103, 190], [99, 212], [95, 232],
];

/** A panel as a band along a run. */
function panel(run: readonly Point[], from: number, to: number, thick: number): Point[] {
  const kept = run.filter(([, y]) => y > from && y < to);
  const at = (y: number): Point => {
    const after = Math.max(
      1,
      run.findIndex(([, one]) => one >= y),
    );
    const [[x1, y1], [x2, y2]] = [run[after - 1]!, run[after]!];
    return [x1 + ((x2 - x1) * (y - y1)) / (y2 - y1), y];
  };
  const line = [at(from), ...kept, at(to)];
  const inner = line.map(([x, y]): Point => [x - thick, y]);
  return [
    ...corner(...line[0]!),
    ...line.slice(1, -1),
    ...corner(...line.at(-1)!),
    ...corner(...inner.at(-1)!),
    ...inner.slice(1, -1).reverse(),
    ...corner(...inner[0]!),
  ];
}

/** A vest from the side: the front panel, the back panel, and the belt. */
export function vestFromSide({
  front = 0,
  back = 0,
  seated = false,
  atThroat = false,
  neck = false,
}: {
  readonly front?: Sits;
  readonly back?: Sits;
  readonly seated?: boolean;
  readonly atThroat?: boolean;
  readonly neck?: boolean;
}): Stroke[] {
  // Seated, the belt comes nearer to the throat by about a hand; the panels stay as they are.
  const sits = seated ? 10 : 0;
  const pushed = atThroat ? 16 : neck ? 12 : 0;
  const bottom = by(front, 190, seated ? 211 : 208, 222) - pushed;
  const strokes = [
    cloth(panel(FRONT, 98 - pushed, Math.min(bottom, 226 - sits), 8)),
    cloth(panel(BACK, 96, by(back, 182, 210, 222), -8)),
    seam([148, 100], [134, 86], [112, 88], [104, 98]),
    belt(...SIDE_BELT.map(([x, y]): Point => [x, y - sits])),
    ...(front < 0 ? [gap([168, bottom + 2], [168, 224 - sits])] : []),
    ...(front === 0 && !seated && !atThroat && !neck ? [gap([168, bottom + 2], [168, 224])] : []),
    ...(front > 0 && !atThroat && !neck
      ? [crease([170, 196], [166, 206], [171, 214]), crease([174, 200], [170, 210], [175, 218])]
      : []),
    ...(pushed > 0 ? [crease([154, 78], [160, 84], [158, 92]), crease([158, 74], [165, 82], [163, 92])] : []),
    ...(back < 0 ? [gap([86, 184], [86, 222])] : []),
  ];
  return seated ? strokes.map((one) => ({ ...one, points: moved(one.points, SAT_DOWN) })) : strokes;
}

/** A vest from the side, how its panels meet: front over back, and by how much. */
export function vestOverlap({
  front = 0,
  back = 0,
  wrong = false,
}: {
  readonly front?: Sits;
  readonly back?: Sits;
  readonly wrong?: boolean;
}): Stroke[] {
  const [edgeOfFront, edgeOfBack] = [by(front, 136, 118, 112), by(back, 114, 132, 138)];
  const ahead: Point[] = [
    ...corner(140, 94),
    [152, 108],
    [162, 134],
    [157, 174],
    ...corner(155, 206),
    ...corner(edgeOfFront, 208),
    [edgeOfFront, 170],
    ...corner(edgeOfFront, 148),
  ];
  const behind: Point[] = [
    ...corner(106, 94),
    ...corner(edgeOfBack, 148),
    [edgeOfBack, 176],
    ...corner(edgeOfBack, 210),
    ...corner(100, 208),
    [105, 184],
    [94, 140],
    [97, 112],
  ];
  const strokes = wrong ? [under(ahead), cloth(behind)] : [under(behind), cloth(ahead)];
  const short = front < 0 || back < 0;
  return [
    ...strokes,
    belt(...SIDE_BELT),
    ...(short ? [] : [gap([edgeOfFront, 216], [edgeOfBack, 216])]),
    ...(short ? [gap([edgeOfBack, 178], [edgeOfFront, 178])] : []),
  ];
}

/** A vest from the front, or a bare back or front above the belt. */
export function vestFromFront({
  width = 0,
  length = 0,
}: {
  readonly width?: Sits;
  readonly length?: Sits;
}): Stroke[] {
  const [w, bottom] = [by(width, -13, 0, 11), by(length, 180, 208, 224)];
  return [
    cloth(
      both([
        [125, 100],
        [140, 92],
        ...corner(152, 86),
        ...corner(161, 88),
        [161 + w * 0.4, 122],
        ...corner(173 + w, 146),
        [170 + w, 176],
        ...corner(168 + w, bottom),
        [125, bottom + 3],
      ]),
    ),
    ...pair(seam, [152, 86], [158, 108]),
    belt(...BELT),
    ...(length < 0 ? [gap([125, bottom + 6], [125, 227])] : []),
    ...(width > 0
      ? [
          ...pair(crease, [172, 116], [180, 128], [186, 140]),
          ...pair(crease, [168, 126], [176, 138], [182, 150]),
        ]
      : []),
  ];
}
