import { FORK, widthAt, type Build } from './build';
import { KNELT, SAT_DOWN, type View } from './figure';
import type { Point } from './points';

/** Puts a point of the figure where it is on a person; outlines and tapes alike, so that they stay together. */
export type OntoPerson = (point: Point) => Point;

/** How a view of the figure is laid onto a person of some build. */
export function ontoPerson(view: View, build: Build): OntoPerson {
  switch (view) {
    case 'front':
    case 'back':
      return (point) => fromFront(point, build);
    case 'side':
    case 'tiptoe':
      return (point) => fromSide(point, build);
    case 'seated':
      return (point) => seated(point, build);
    case 'kneeling':
      return (point) => kneeling(point, build);
    case 'hand':
    case 'tucked':
      return ([x, y]) => [about(128, x, build.hand), y];
    case 'feet':
      return ([x, y]) =>
        x < MIDDLE ? [about(72, x, build.leftFoot), y] : [about(178, x, build.rightFoot), y];
    case 'head':
      return (point) => point;
  }
}

/** The middle of the ground, and that of a body from the side. */
const MIDDLE = 125;
const SIDE_MIDDLE = 127;
/** The middle of a leg from the front, beside the middle of the body. */
const LEG_MIDDLE = 28;

/** Half the trunk of the figure, and the middle of its arm, beside the middle, by height. */
const HALF_TRUNK: readonly Point[] = [
  [140, 53],
  [166, 50],
  [194, 45],
  [216, 47],
  [246, 53],
  [276, 54],
];
const ARM_MIDDLE: readonly Point[] = [
  [140, 61],
  [156, 63],
  [190, 70],
  [206, 72],
  [238, 81],
  [268, 85],
];
/** Beyond this there is no body: a rule stands there, or a wall. */
const BESIDE_BODY = 96;

function fromFront([x, y]: Point, build: Build): Point {
  const side = x < MIDDLE ? -1 : 1;
  const out = Math.abs(x - MIDDLE);
  return [MIDDLE + side * outward(out, y, build), downward(y, build)];
}

/** How far from the middle something is on a person that is so far from it on the figure. */
function outward(out: number, y: number, build: Build): number {
  if (out > BESIDE_BODY) return out + spread(build);
  if (y <= 64) return out;
  const neckToShoulder = between(widthAt(build, 70), build.shoulders, share(y, 70, 92));
  if (y <= 92) return out * between(1, neckToShoulder, share(y, 64, 70));
  const atArms = (height: number) =>
    out > alongY(HALF_TRUNK, height) + 1.5 ? armOut(out, height, build) : out * widthAt(build, height);
  if (y <= 140) return between(out * build.shoulders, atArms(140), share(y, 92, 140));
  if (y <= 276 && out > alongY(HALF_TRUNK, y) + 1.5) return armOut(out, y, build);
  const leg = LEG_MIDDLE * widthAt(build, 282) + (out - LEG_MIDDLE) * legWidth(y, build);
  return between(out * widthAt(build, Math.min(y, 252)), leg, share(y, FORK, 282));
}

/** Arms hang beside the widest of the trunk. */
function armOut(out: number, y: number, build: Build): number {
  const middle = alongY(ARM_MIDDLE, y);
  return middle + spread(build) + (out - middle) * build.arms;
}

function spread(build: Build): number {
  const wider = build.levels
    .filter(([y]) => y >= 140 && y <= 252)
    .map(([y, factor]) => alongY(HALF_TRUNK, y) * (factor - 1));
  return Math.max(...wider);
}

function fromSide([x, y]: Point, build: Build): Point {
  return [about(SIDE_MIDDLE, x, depth(y, build)), downward(y, build)];
}

/** How much deeper a person is than the figure, at a height: the head and the feet are as they are. */
function depth(y: number, build: Build): number {
  if (y <= 60) return 1;
  if (y < 80) return between(1, widthAt(build, 80), share(y, 60, 80));
  return legWidth(y, build);
}

function legWidth(y: number, build: Build): number {
  return between(widthAt(build, y), 1, share(y, 456, 476));
}

/** Where the fork is higher the legs are longer and the trunk is shorter; head and feet stay. */
function downward(y: number, { fork }: Build): number {
  if (y <= 66 || y >= 464) return y;
  return y <= FORK ? between(66, fork, share(y, 66, FORK)) : between(fork, 464, share(y, FORK, 464));
}

function seated([x, y]: Point, build: Build): Point {
  const [right, down] = SAT_DOWN;
  const middle = SIDE_MIDDLE + right;
  // The chair and what is below its seat stand where they stand.
  if (y >= 352) return [x, y];
  if (y <= 300 && x < 165) return [about(middle, x, depth(y - down, build)), y];
  const thigh = between(1, widthAt(build, 282), 0.6);
  return x < middle
    ? [about(middle, x, widthAt(build, 252)), y]
    : [x, 352 - (352 - y) * between(1, thigh, share(x, middle, 140))];
}

function kneeling([x, y]: Point, build: Build): Point {
  const hip = 250 + KNELT[1];
  if (y <= hip) return [about(SIDE_MIDDLE, x, depth(y - KNELT[1], build)), y];
  return [about(SIDE_MIDDLE, x, between(widthAt(build, 252), 1, share(y, hip, 440))), y];
}

function about(middle: number, x: number, factor: number): number {
  return middle + (x - middle) * factor;
}

/** How much of the way from one height to another has been gone, none before and all after. */
function share(y: number, from: number, to: number): number {
  return Math.min(Math.max((y - from) / (to - from), 0), 1);
}

function between(from: number, to: number, part: number): number {
  return from + (to - from) * part;
}

/** What a run of heights and widths has at a height. */
function alongY(run: readonly Point[], y: number): number {
  const after = run.findIndex(([at]) => at >= y);
  if (after <= 0) return run.at(after)![1];
  const [[from, before], [to, then]] = [run[after - 1]!, run[after]!];
  return between(before, then, share(y, from, to));
}
