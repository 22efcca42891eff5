import { mirrored, type Point } from '../../body/drawing/points';

/** What a run of points of a fit drawing is: cloth is filled, the rest are lines on it. */
export const STROKES = ['cloth', 'under', 'clear', 'seam', 'crease', 'gap', 'belt'] as const;
export type StrokeKind = (typeof STROKES)[number];

/** One run of points on the figure's ground. */
export interface Stroke {
  readonly kind: StrokeKind;
  readonly points: readonly Point[];
}

/** How a garment sits somewhere: short by one, right, rather long, or over by one. */
export type Sits = -1 | 0 | 0.5 | 1;

export const cloth = (points: readonly Point[]): Stroke => ({ kind: 'cloth', points });
/** Cloth that lies behind what is drawn after it: a sleeve, the back panel. */
export const under = (points: readonly Point[]): Stroke => ({ kind: 'under', points });
/** Drawn as if it could be seen through: a boot with the foot in it. */
export const clear = (points: readonly Point[]): Stroke => ({ kind: 'clear', points });
export const seam = (...points: Point[]): Stroke => ({ kind: 'seam', points });
/** Where cloth pulls or lies in folds. */
export const crease = (...points: Point[]): Stroke => ({ kind: 'crease', points });
/** A distance that is to be seen: between a panel and the belt, between a cuff and the wrist. */
export const gap = (...points: Point[]): Stroke => ({ kind: 'gap', points });
export const belt = (...points: Point[]): Stroke => ({ kind: 'belt', points });

/** A point that is a corner: the curve through it does not round it off. */
export const corner = (x: number, y: number): Point[] => [
  [x, y],
  [x, y],
];

/** A shape of two halves alike, from its right half, top to bottom. */
export const both = (half: readonly Point[]): Point[] => [...half, ...mirrored(half).reverse()];

/** A line on the right and the same on the left. */
export const pair = (make: (...points: Point[]) => Stroke, ...points: Point[]): Stroke[] => [
  make(...points),
  { ...make(...points), points: mirrored(points) },
];

/** A run that goes down, cut off at a height. */
export function downTo(run: readonly Point[], end: number): Point[] {
  const kept = run.filter(([, y]) => y < end);
  const [before, after] = [kept.at(-1)!, run[kept.length]];
  if (after === undefined) return kept;
  const share = (end - before[1]) / (after[1] - before[1]);
  return [...kept, [before[0] + share * (after[0] - before[0]), end]];
}

/** A value for each way of sitting: short, right, over. */
export function by(sits: Sits, short: number, right: number, over: number): number {
  return sits < 0 ? short : right + sits * (over - right);
}
