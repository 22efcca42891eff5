/** A point on the drawing's ground, 250 wide and 500 high. */
export type Point = readonly [x: number, y: number];

/**
 * Points seen in a mirror down the middle of the ground.
 *
 * @example mirrored([[100, 20]]) // [[150, 20]]
 */
export function mirrored(points: readonly Point[]): Point[] {
  return points.map(([x, y]) => [250 - x, y]);
}

/**
 * Points moved by a step.
 *
 * @example moved([[1, 2]], [10, 0]) // [[11, 2]]
 */
export function moved(points: readonly Point[], [right, down]: Point): Point[] {
  return points.map(([x, y]) => [x + right, y + down]);
}

/**
 * A run of points as an SVG path, joined by Catmull-Rom curves written as cubic Béziers, so
 * that outlines and tape paths can be given by the few points that matter.
 *
 * @example smoothPath([[0, 0], [10, 0]]) // 'M0 0C1.7 0 8.3 0 10 0'
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
    // The same point twice is a corner: the curve comes to it and leaves it, and nothing lies between.
    if (from[0] === to[0] && from[1] === to[1]) continue;
    const first = [from[0] + (to[0] - before[0]) / 6, from[1] + (to[1] - before[1]) / 6];
    const second = [to[0] - (after[0] - from[0]) / 6, to[1] - (after[1] - from[1]) / 6];
    path += `C${[...first, ...second, ...to].map((number) => Math.round(number * 10) / 10).join(' ')}`;
  }
  return closed ? `${path}Z` : path;
}

/**
 * A run of points joined by straight lines, for the edges of things that are straight.
 *
 * @example straightPath([[0, 0], [10, 5]]) // 'M0 0L10 5'
 */
export function straightPath(points: readonly Point[]): string {
  return `M${points.map((point) => point.join(' ')).join('L')}`;
}
