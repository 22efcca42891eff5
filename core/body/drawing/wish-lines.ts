import type { WishCode } from '../wishes';
import { USUAL_BUILD, type Build } from './build';
import { ontoPerson } from './onto-person';
import type { Point } from './points';
import type { TapePath } from './tape-paths';

const line = (view: TapePath['view'], ...points: Point[]): TapePath => ({ view, points });

const SHOULDER_POINT: Point = [183, 98];
const ARM: readonly Point[] = [SHOULDER_POINT, [191, 150], [198, 192], [208, 240], [214, 262]];
const FLOOR_UP: readonly Point[] = [
  [164, 494],
  [169, 354],
  [179, 252],
];

/** Along which line of the figure each wish is pointed at, from where it is measured. */
export const WISH_LINES: Readonly<Record<WishCode, TapePath>> = {
  'neckline-front': line('front', [125, 86], [125, 194]),
  'neckline-front-shoulder': line('front', [138, 80], [141, 112], [143, 194]),
  'neckline-back': line('back', [125, 80], [125, 226]),
  'sleeve-short': line('front', ...ARM),
  'sleeve-elbow': line('front', ...ARM),
  'sleeve-three-quarter': line('front', ...ARM),
  'sleeve-long': line('front', ...ARM),
  'top-length': line('back', [125, 80], [125, 300]),
  'top-length-shoulder': line('front', [138, 80], [148, 152], [147, 194], [149, 252], [152, 304]),
  'dress-length': line('front', [138, 80], [148, 152], [147, 194], [149, 252], [153, 336], [153, 492]),
  'skirt-length': line('front', [170, 194], [179, 252], [169, 354], [164, 493]),
  'knee-width': line('front', [78, 340], [172, 340]),
  split: line('front', ...FLOOR_UP),
  hem: line('front', ...FLOOR_UP),
  train: line('side', [112, 494], [20, 494]),
  'trouser-hem': line('front', [174, 226], [179, 270], [169, 356], [161, 464], [163, 493]),
};

/** A wish's line on a person, and how far along it every point of it is, in thousandths. */
function measured(wish: WishCode, build: Build): readonly { readonly at: Point; readonly along: number }[] {
  const { view, points } = WISH_LINES[wish];
  const onto = points.map(ontoPerson(view, build));
  const steps = onto.map((point, index) => (index === 0 ? 0 : apart(onto[index - 1]!, point)));
  const whole = steps.reduce((sum, step) => sum + step, 0);
  let gone = 0;
  return onto.map((at, index) => ({ at, along: ((gone += steps[index]!) / whole) * 1_000 }));
}

/**
 * Where on the figure something is that was pointed at, in thousandths along its line.
 *
 * @example wishPoint('train', 0).length // 2
 */
export function wishPoint(wish: WishCode, pointed: number, build: Build = USUAL_BUILD): Point {
  const points = measured(wish, build);
  const after = Math.max(
    1,
    points.findIndex(({ along }) => along >= pointed),
  );
  const [from, to] = [points[after - 1]!, points[after]!];
  const part = Math.min(Math.max((pointed - from.along) / (to.along - from.along), 0), 1);
  return [from.at[0] + (to.at[0] - from.at[0]) * part, from.at[1] + (to.at[1] - from.at[1]) * part];
}

/**
 * How far along a wish's line the place nearest to a point of the ground is, in thousandths.
 *
 * @example pointedAt('train', wishPoint('train', 500)) // 500
 */
export function pointedAt(wish: WishCode, point: Point, build: Build = USUAL_BUILD): number {
  let best = 0;
  let nearest = Infinity;
  for (let pointed = 0; pointed <= 1_000; pointed += 5) {
    const distance = apart(wishPoint(wish, pointed, build), point);
    if (distance < nearest) [best, nearest] = [pointed, distance];
  }
  return best;
}

function apart([a, b]: Point, [c, d]: Point): number {
  return Math.hypot(a - c, b - d);
}
