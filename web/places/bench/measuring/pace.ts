import type { Step } from './steps';

/** What a reading takes with the tape in practised hands, until this docket shows its own: a working figure of ours. */
const USUAL_MS = 20_000;
/** The fewest gaps from which a pace is told. */
const FEWEST = 4;
/** Longer than this nobody measured: the hands were at something else. */
const LONGEST_MS = 180_000;

/**
 * About how long the readings that are left take, by how fast they came on this docket so far: the
 * middle one of the gaps between readings.
 *
 * @param left how many readings
 * @returns whole minutes, at least one; 0 with none left
 */
export function minutesLeft(steps: readonly Step[], left: number): number {
  if (left === 0) return 0;
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
  const pace = gaps.length < FEWEST ? USUAL_MS : gaps[gaps.length >> 1]!;
  return Math.max(1, Math.round((pace * left) / 60_000));
}
