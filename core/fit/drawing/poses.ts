import { DRAWINGS, type View } from '../../body/drawing/figure';
import type { Point } from '../../body/drawing/points';
import { both } from './stroke';

/** A body in the pose in which something is looked at. */
export interface PosedBody {
  /** By which points are laid onto a person's build. */
  readonly view: View;
  readonly outlines: readonly (readonly Point[])[];
  readonly lines: readonly (readonly Point[])[];
}

/** The right half from the front without the arm, for arms that are stretched. */
// prettier-ignore
const ARMLESS: readonly Point[] = [
  [125, 4], [138, 8], [145, 20], [146, 34], [142, 50], [136, 60], [135, 70], [140, 78],
  [160, 84], [176, 91], [180, 112], [178, 140], [175, 166], [170, 194], [172, 216], [178, 246],
  [179, 276], [174, 322], [168, 356], [169, 386], [165, 424], [158, 466], [163, 484], [154, 492],
  [139, 490], [142, 466], [142, 424], [140, 386], [140, 352], [134, 306], [128, 268], [125, 262],
];
const TRUNK: readonly Point[] = [...both(ARMLESS.slice(1, -1)), [125, 4]];
// prettier-ignore
const ARM_OUT: readonly Point[] = [
  [166, 88], [200, 92], [226, 95], [246, 97], [262, 98], [274, 102], [272, 110], [258, 112], [244, 110],
  [222, 112], [200, 116], [176, 122],
];
// prettier-ignore
const ARM_UP: readonly Point[] = [
  [162, 88], [172, 60], [180, 28], [184, 0], [186, -22], [192, -40], [201, -38], [201, -20], [197, 2],
  [196, 32], [190, 66], [180, 116],
];
/** From the side, stretched before the body. */
// prettier-ignore
const ARM_FORWARD: readonly Point[] = [
  [112, 104], [126, 98], [152, 106], [178, 108], [200, 108], [220, 108], [228, 114], [220, 120],
  [198, 120], [176, 124], [150, 128], [122, 130],
];
const SIDE = DRAWINGS.side;
const SEATED = DRAWINGS.seated;
const arms = (one: readonly Point[]): (readonly Point[])[] => [one, one.map(([x, y]): Point => [250 - x, y])];

/** The bodies by how they stand; what is looked at from the side is drawn from there. */
export const POSED = {
  front: { view: 'front', outlines: DRAWINGS.front.outlines, lines: [] },
  back: { view: 'back', outlines: DRAWINGS.back.outlines, lines: [DRAWINGS.back.lines[1]!] },
  'arms-out': { view: 'front', outlines: [TRUNK, ...arms(ARM_OUT)], lines: [] },
  'arms-up': { view: 'front', outlines: [TRUNK, ...arms(ARM_UP)], lines: [] },
  side: { view: 'side', outlines: SIDE.outlines, lines: [SIDE.lines[0]!] },
  'side-armless': { view: 'side', outlines: SIDE.outlines, lines: [] },
  'arms-forward': { view: 'side', outlines: [...SIDE.outlines, ARM_FORWARD], lines: [] },
  seated: { view: 'seated', outlines: SEATED.outlines, lines: SEATED.lines.slice(0, 3) },
  kneeling: { view: 'kneeling', outlines: DRAWINGS.kneeling.outlines, lines: [DRAWINGS.kneeling.lines[2]!] },
  head: { view: 'head', outlines: DRAWINGS.head.outlines, lines: DRAWINGS.head.lines.slice(1) },
  hand: { view: 'hand', outlines: DRAWINGS.hand.outlines, lines: [] },
} satisfies Record<string, PosedBody>;

export type Posed = keyof typeof POSED;
