import type { Step } from '@neat-measure/core';

/** What a reading takes with the tape in practised hands, until the fitter's own pace is known: a working figure of ours. */
const USUAL_MS = 8_000;
/** No hands are faster, whatever keys are: a practised fitter takes some 43 measurements in five minutes. */
const FASTEST_MS = 3_500;
/** The fewest gaps from which a pace is told. */
const FEWEST = 4;
/** Longer than this nobody measured: the hands were at something else. */
const LONGEST_MS = 180_000;

/**
 * How long a reading takes the fitter, by the middle one of the gaps between the readings of a docket.
 *
 * @returns in milliseconds; `null` while the docket shows no pace of its own
 */
export function paceOf(steps: readonly Step[]): number | null {
  const moments = steps
    .flatMap(({ readings }) => readings)
    .filter(({ carriedFrom, origin }) => carriedFrom === null && origin === 'fitter')
    .map(({ takenAt }) => Date.parse(takenAt))
    .sort((a, b) => a - b);
  const gaps = moments
    .slice(1)
    .map((moment, at) => moment - moments[at]!)
    .filter((gap) => gap > 0 && gap <= LONGEST_MS)
    .sort((a, b) => a - b);
  return gaps.length < FEWEST ? null : Math.max(FASTEST_MS, gaps[gaps.length >> 1]!);
}

/**
 * About how long the readings that are left take.
 *
 * @param left how many readings
 * @param pace the fitter's own, as `paceOf` has it of this docket or of an earlier one
 * @returns whole minutes, at least one; 0 with none left
 */
export function minutesLeft(left: number, pace: number | null): number {
  return left === 0 ? 0 : Math.max(1, Math.round(((pace ?? USUAL_MS) * left) / 60_000));
}
