import { USUAL_BUILD, type Build } from '../../body/drawing/build';
import { ontoPerson } from '../../body/drawing/onto-person';
import { smoothPath, type Point } from '../../body/drawing/points';
import type { GarmentKind } from '../../garment/kinds';
import { lookAt } from './looks';
import { POSED, type PosedBody } from './poses';
import type { StrokeKind } from './stroke';

/** A drawing of a garment on a body, as SVG path data: what the screen's and the printed one are drawn from. */
export interface FitScene {
  readonly viewBox: string;
  readonly body: readonly string[];
  readonly lines: readonly string[];
  /** In the order they are drawn: what lies behind comes first. */
  readonly strokes: readonly { readonly kind: StrokeKind; readonly path: string }[];
}

/** Whether a kind of stroke is a closed shape. */
const CLOSED: readonly StrokeKind[] = ['cloth', 'under', 'clear'];

/**
 * Draws what is seen at a check: the garment of a kind on a person's own build.
 *
 * @param answer `right`, or the code of one of the check's answers
 * @returns `null` of a check that nobody has drawn
 * @example [fitScene('jacket', 'button', 'small') === null, fitScene('jacket', 'own-1', 'right')] // [false, null]
 */
export function fitScene(
  kind: GarmentKind,
  check: string,
  answer: string,
  build: Build = USUAL_BUILD,
): FitScene | null {
  const look = lookAt(kind, check, answer);
  if (look === null) return null;
  const posed: PosedBody = POSED[look.body];
  const { view, outlines, lines } = posed;
  const place = ontoPerson(view, build);
  const onto = (points: readonly Point[]) => points.map(place);
  const [left, top, right, bottom] = look.window;
  const corners = [left, right].flatMap((x) => [top, (top + bottom) / 2, bottom].map((y) => place([x, y])));
  const xs = corners.map(([x]) => x);
  // A window that shows half a person shows half of a larger one, too.
  const [from, to] = [Math.min(left, ...xs), Math.max(right, ...xs)];
  return {
    viewBox: [from, top, to - from, bottom - top].map((number) => Math.round(number)).join(' '),
    body: outlines.map((points) => smoothPath(onto(points), true)),
    lines: lines.map((points) => smoothPath(onto(points))),
    strokes: look.strokes.map(({ kind: one, points }) => ({
      kind: one,
      path: smoothPath(onto(points), CLOSED.includes(one)),
    })),
  };
}
