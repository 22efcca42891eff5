import { boot } from './lower';
import type { Posed } from './poses';
import type { Sits, Stroke } from './stroke';

/** What is seen at a check: a body in a pose, the garment on it, and the window through which one looks. */
export interface Look {
  readonly body: Posed;
  readonly strokes: readonly Stroke[];
  /** Left, top, right and bottom on the figure's ground. */
  readonly window: readonly [number, number, number, number];
}

/** What is drawn at a check, by the answer that holds. */
export type Draw = (answer: string) => Look;
/** What is drawn of a kind of garment, by the code of the check. */
export type KindLooks = Readonly<Record<string, Draw>>;

/** The way something sits by the code of the answer that was given. */
export const sits = (answer: string): Sits => {
  if (answer === 'rather') return 0.5;
  return answer.startsWith('small') ? -1 : answer.startsWith('large') ? 1 : 0;
};

export const CHEST: Look['window'] = [55, 60, 195, 285];
export const ARMS: Look['window'] = [25, 70, 225, 300];
export const FROM_SIDE: Look['window'] = [40, 60, 240, 290];
export const HEM: Look['window'] = [75, 380, 175, 505];

/** A garment on a body seen from the front. */
export function front(strokes: readonly Stroke[], window: Look['window']): Look {
  return { body: 'front', strokes, window };
}

/** A garment on a body seen from the side. */
export function side(strokes: readonly Stroke[]): Look {
  return { body: 'side', strokes, window: [40, 55, 220, 265] };
}

/** A boot on the foot that stands: where it lifts, the heel has room behind it. */
export function foot(answer: string): Look {
  return { body: 'side-armless', strokes: boot({ heel: sits(answer) }), window: [60, 380, 220, 505] };
}
