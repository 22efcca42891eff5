import { measurement } from '../catalogue';
import type { MeasurementCode } from '../catalogue/codes';
import { USUAL_BUILD, type Build } from './build';
import { DRAWINGS, KNELT, SAT_DOWN, type View } from './figure';
import { ontoPerson } from './onto-person';
import { moved, smoothPath, straightPath, type Point } from './points';
import { TAPE_PATHS, type TapePath } from './tape-paths';
import type { WishCode } from '../wishes';
import { WISH_LINES, wishPoint } from './wish-lines';

/** What is to be drawn. */
export interface Drawn {
  /** What is measured; `null` for the figure alone. */
  readonly code: MeasurementCode | null;
  /** From where, where nothing is measured; from the front where nothing is said. */
  readonly view?: View | undefined;
  /** All marks that are read along the same tape, in their order. */
  readonly along?: readonly MeasurementCode[] | undefined;
  /** Whether the cord is tied. */
  readonly cord?: boolean | undefined;
  readonly build?: Build | undefined;
  /** A wish whose line is shown, and where along it somebody pointed, in thousandths. */
  readonly wish?: { readonly code: WishCode; readonly pointed: number | null } | undefined;
}

/** The figure with a tape on it, as SVG path data: what the screen's figure and the printed one are drawn from. */
export interface Scene {
  readonly view: View;
  /** The ground, wide enough for the person. */
  readonly viewBox: string;
  readonly outlines: readonly string[];
  readonly lines: readonly string[];
  readonly cord: string | null;
  readonly tape: string | null;
  /** Where the tape is read, the mark at hand last. */
  readonly marks: readonly { readonly at: Point; readonly now: boolean }[];
  /** Along which line a wish is pointed at, and where it was; `null` where no wish is shown. */
  readonly wish: { readonly path: string; readonly at: Point | null } | null;
}

/** The breasts from the front: drawn where a step speaks of them, as not everybody has them. */
const BREASTS: readonly (readonly Point[])[] = [
  [
    [80, 148],
    [84, 160],
    [98, 168],
    [112, 164],
    [118, 154],
  ],
  [
    [170, 148],
    [166, 160],
    [152, 168],
    [138, 164],
    [132, 154],
  ],
];

/** What speaks of a bust. */
function speaksOfBust(code: MeasurementCode | null): boolean {
  return code !== null && (/bust|apex/.test(code) || /bust|breast/i.test(measurement(code).place));
}

/** Views whose lines are of straight things. */
const STRAIGHT: readonly View[] = ['feet'];

/** The cord round the waist, where a view shows it. */
const FRONT_CORD: readonly Point[] = [
  [80, 194],
  [100, 200],
  [150, 200],
  [170, 194],
];
const SIDE_CORD: readonly Point[] = [
  [109, 194],
  [120, 198],
  [138, 199],
  [149, 195],
];
const CORDS: Readonly<Partial<Record<View, readonly Point[]>>> = {
  front: FRONT_CORD,
  back: FRONT_CORD,
  side: SIDE_CORD,
  tiptoe: SIDE_CORD,
  seated: moved(SIDE_CORD, SAT_DOWN),
  kneeling: moved(SIDE_CORD, KNELT),
};

/** What a run of lines is that stands still whoever is drawn: a chair, a sheet of paper, the floor. */
function isFurniture(view: View, points: readonly Point[]): boolean {
  return view === 'feet' || points.every(([, y]) => y >= 352);
}

/**
 * Lays out the figure of a person with the tape where a measurement, or a chain of them, wants it.
 *
 * @example sceneOf({ code: 'chest-girth' }).tape !== undefined // true
 */
export function sceneOf(drawn: Drawn): Scene {
  const { code, view: seen, along = [], cord = false, build = USUAL_BUILD, wish } = drawn;
  const wishLine = wish === undefined ? null : WISH_LINES[wish.code];
  const path = code === null ? null : TAPE_PATHS[code];
  const view = path?.view ?? wishLine?.view ?? seen ?? 'front';
  const onto = (points: readonly Point[]) => points.map(ontoPerson(view, build));
  const { outlines, lines: drawnLines } = DRAWINGS[view];
  const lines = view === 'front' && speaksOfBust(code) ? [...drawnLines, ...BREASTS] : drawnLines;
  // A tape with several marks runs to the last of them that this view shows.
  const together = along.map((one) => TAPE_PATHS[one]).filter((one) => one.view === view);
  const runs = [...together, ...(path === null ? [] : [path])];
  const longest = runs.reduce<TapePath | null>(
    (best, one) => (best === null || one.points.length > best.points.length ? one : best),
    null,
  );
  const bodies = outlines.map(onto);
  const tape = longest === null ? null : onto(longest.points);
  const tied = cord ? CORDS[view] : undefined;
  const ends = (one: TapePath) => onto(one.points).at(-1)!;
  return {
    view,
    viewBox: ground([...bodies.flat(), ...(tape ?? []), ...onto(wishLine?.points ?? [])]),
    outlines: bodies.map((points) => smoothPath(points, true)),
    lines: lines.map((points) => {
      const own = isFurniture(view, points) ? points : onto(points);
      return STRAIGHT.includes(view) ? straightPath(own) : smoothPath(own);
    }),
    cord: tied === undefined ? null : smoothPath(onto(tied)),
    tape: tape === null ? null : smoothPath(tape),
    marks: [
      ...together.filter((one) => one !== path).map((one) => ({ at: ends(one), now: false })),
      ...(path === null ? [] : [{ at: ends(path), now: true }]),
    ],
    wish:
      wish === undefined || wishLine === null
        ? null
        : {
            path: smoothPath(onto(wishLine.points)),
            at: wish.pointed === null ? null : wishPoint(wish.code, wish.pointed, build),
          },
  };
}

/** As wide as the drawing's own ground, or as the person who stands on it. */
function ground(points: readonly Point[]): string {
  const out = Math.max(...points.map(([x]) => Math.abs(x - 125)));
  const width = Math.max(250, Math.ceil(2 * out) + 8);
  return `${125 - width / 2} 0 ${width} 500`;
}
