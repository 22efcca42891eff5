import type { FitPose } from './pose';
import type { FitArea, FitPlace } from './areas';

/** What an alteration does to a garment. */
export const ALTERATION_DOINGS = ['take-in', 'let-out', 'shorten', 'lengthen'] as const;
export type AlterationDoing = (typeof ALTERATION_DOINGS)[number];

/** What can be done about something that is not right, before it is known of which chart the garment is. */
export type FitMove =
  /** Other sizes: of the part that sizes an area the next larger, or the next smaller. */
  | { readonly does: 'shift'; readonly shifts: readonly { readonly place: FitPlace; readonly by: 1 | -1 }[] }
  | { readonly does: 'alter'; readonly area: FitArea; readonly how: AlterationDoing }
  /** A part that is no size of the chart: another seal, another carrier. */
  | { readonly does: 'other-part'; readonly what: string }
  /** It is worn wrongly, not sized wrongly. */
  | { readonly does: 'correct-stock'; readonly what: string }
  | { readonly does: 'made-to-measure' };

/** One way in which something can be wrong. */
export interface FitAnswer {
  readonly code: string;
  /** What is seen: "It pulls at the button". */
  readonly says: string;
  /** What it tells of the garment on this wearer; `null` where it tells nothing of a size. */
  readonly tells: { readonly place: FitPlace; readonly is: 'small' | 'large' } | null;
  /** What is done, the first before the others; what the chart has no size for is left out. */
  readonly moves: readonly FitMove[];
  /** In an outer carrier it is no fault: it is noted, and tells nothing of a size. */
  readonly carriedAway?: true;
  /** It lies in how the wearer is built, and no size is at fault: it is noted, and tells nothing of a size. */
  readonly ofBuild?: true;
}

/** Something to look at once a garment is on. */
export interface FitCheck {
  readonly code: string;
  /** What is seen where it is right. */
  readonly look: string;
  readonly pose: FitPose;
  /** Of what it tells where it is right. */
  readonly places: readonly FitPlace[];
  /** Whether nothing is handed over before it was looked at, or a reason given why not. */
  readonly must: boolean;
  readonly answers: readonly FitAnswer[];
  /** What the maker says to do otherwise, in their words; `null` of what the kind asks for. */
  readonly otherwise: string | null;
}

/** What is answered where it is as it should be. */
export const RIGHT = 'right';

/**
 * All of which some answers tell, each once.
 *
 * @example placesOf(fitChecksOf({ kind: 'gloves', fitChecks: [] })[0].answers) // ['hand']
 */
export function placesOf(answers: readonly FitAnswer[]): FitPlace[] {
  return [...new Set(answers.flatMap(({ tells }) => (tells === null ? [] : [tells.place])))];
}
