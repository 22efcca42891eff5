// What checks of a garment are made of, so that a kind's file reads as the trade says it.
import type { FitArea } from './areas';
import { placesOf, type AlterationDoing, type FitAnswer, type FitCheck, type FitMove } from './fit-check';
import type { FitPose } from './pose';

/** Another size of the part that sizes an area. */
export const up = (...areas: FitArea[]): FitMove => ({
  does: 'shift',
  shifts: areas.map((place) => ({ place, by: 1 })),
});
export const down = (...areas: FitArea[]): FitMove => ({
  does: 'shift',
  shifts: areas.map((place) => ({ place, by: -1 })),
});
export const alter = (area: FitArea, how: AlterationDoing): FitMove => ({ does: 'alter', area, how });
export const otherPart = (what: string): FitMove => ({ does: 'other-part', what });
export const putRight = (what: string): FitMove => ({ does: 'correct-stock', what });

type Told = Pick<FitAnswer, 'tells'>['tells'];
export const answer = (code: string, says: string, tells: Told, ...moves: FitMove[]): FitAnswer => ({
  code,
  says,
  tells,
  moves,
});
/** It is too small in an area: a size up, or what else is done about it. */
export const small = (area: FitArea, says: string, ...moves: FitMove[]): FitAnswer =>
  answer('small', says, { place: area, is: 'small' }, ...(moves.length > 0 ? moves : [up(area)]));
export const large = (area: FitArea, says: string, ...moves: FitMove[]): FitAnswer =>
  answer('large', says, { place: area, is: 'large' }, ...(moves.length > 0 ? moves : [down(area)]));
export const named = (code: string, one: FitAnswer): FitAnswer => ({ ...one, code });

/** It is somewhat too long: the next size down would be too short, so a tailor mends it, and it tells nothing of a size. */
export const rather = (says: string, ...moves: FitMove[]): FitAnswer =>
  answer('rather', says, null, ...moves);

/** What is no fault where it is worn in an outer carrier. */
export const unlessCarried = (one: FitAnswer): FitAnswer => ({ ...one, carriedAway: true });

/** What lies in how the wearer is built. */
export const ofBuild = (code: string, says: string): FitAnswer => ({
  ...answer(code, says, null),
  ofBuild: true,
});

/** Something to look at, with what may be seen of it besides that it is right. */
export function check(
  code: string,
  look: string,
  answers: readonly FitAnswer[],
  { pose = 'standing', must = false }: { pose?: FitPose; must?: boolean } = {},
): FitCheck {
  return { code, look, pose, places: placesOf(answers), must, answers, otherwise: null };
}

/** With the socks to be worn: of boots, and of the boots of waders. */
export const HEEL = check('heel', 'With the socks to be worn, the heel does not lift', [
  large('boot', 'It lifts', down('boot'), down('boot-width')),
]);
