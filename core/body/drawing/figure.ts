/** A point on the drawing's ground, 250 wide and 520 high. */
export type Point = readonly [x: number, y: number];

/** The views of the figure. */
export const VIEWS = ['front'] as const;
export type View = (typeof VIEWS)[number];

/** The right half of the body from the front, from the crown round to the fork. */
const FRONT_HALF: readonly Point[] = [
  [125, 4],
  [138, 8],
  [145, 20],
  [146, 34],
  [142, 50],
  [136, 60],
  [135, 70],
  [140, 78],
  [160, 84],
  [178, 92],
  [187, 108],
  [193, 136],
  [198, 168],
  [206, 206],
  [212, 236],
  [216, 254],
  [211, 268],
  [204, 262],
  [200, 244],
  [191, 206],
  [183, 170],
  [178, 140],
  [175, 166],
  [170, 194],
  [172, 216],
  [178, 246],
  [179, 276],
  [174, 322],
  [168, 356],
  [169, 386],
  [165, 424],
  [158, 466],
  [163, 484],
  [154, 492],
  [139, 490],
  [142, 466],
  [142, 424],
  [140, 386],
  [140, 352],
  [134, 306],
  [128, 268],
  [125, 262],
];

/** The outline of each view as a closed run of points, to be joined smoothly. */
export const OUTLINES: Readonly<Record<View, readonly Point[]>> = {
  front: [
    ...FRONT_HALF,
    ...FRONT_HALF.slice(1, -1)
      .reverse()
      .map(([x, y]): Point => [250 - x, y]),
  ],
};

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
