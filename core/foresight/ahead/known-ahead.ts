import type { MeasurementCode } from '../../body/catalogue/codes';
import type { Length } from '../../quantity/length';
import type { KnownAhead } from './member-bodies';

/** A value on somebody's record. */
export interface PastValue {
  readonly code: MeasurementCode;
  readonly value: Length;
  /** As ISO 8601, in UTC. */
  readonly takenAt: string;
  /** Whether the wearer took it themselves, or told it. */
  readonly own: boolean;
}

/** What is known of somebody for a day, and how it came about. */
export interface GrownValue extends KnownAhead {
  /** Whether it was moved by how they have grown. */
  readonly grown: boolean;
}

const YEAR = 365.25 * 86_400_000;
/** A slope needs two values so far apart; nearer to each other the error of the tape is all it tells. */
const APART = 60 * 86_400_000;
/** Nobody is taken to go on growing as before for longer. */
const FURTHEST_YEARS = 1.5;
/** Of a value by its taker: working values of ours, as shares of it. */
const TAKEN_ERROR = 0.008;
const OWN_ERROR = 0.025;
/** How far a body moves in a year, as a share of each value: of adults, and of those who grow with only one value known. */
const YEARLY = 0.02;
const YEARLY_GROWING = 0.05;

/**
 * What a record leads one to expect on a day: of each measurement the last value, which for somebody who still grows is
 * moved on by their own slope where two values tell it. The older it is, the wider it becomes; the shares by which it does
 * are working values of ours.
 *
 * @param day as ISO 8601
 * @param grows whether they still grow
 * @example knownAhead([{ code: 'height', value: cm(150), takenAt: '2025-01-01T00:00:00Z', own: false }, { code: 'height', value: cm(156), takenAt: '2026-01-01T00:00:00Z', own: false }], '2026-07-02', true).map(({ value, grown }) => [Math.round(value / 10_000), grown]) // [[159, true]]
 */
export function knownAhead(points: readonly PastValue[], day: string, grows: boolean): GrownValue[] {
  const byCode = new Map<MeasurementCode, PastValue[]>();
  for (const point of points) byCode.set(point.code, [...(byCode.get(point.code) ?? []), point]);
  return [...byCode.values()].map((all): GrownValue => {
    const sorted = [...all].sort((one, other) => (one.takenAt < other.takenAt ? -1 : 1));
    const last = sorted.at(-1)!;
    const { code, value, own } = last;
    const at = Date.parse(last.takenAt);
    const years = Math.max(0, (Date.parse(day) - at) / YEAR);
    const slope = grows ? slopeOf(sorted) : null;
    const further = Math.min(years, FURTHEST_YEARS);
    const moved = slope === null ? 0 : slope * further;
    const yearly = grows && slope === null ? YEARLY_GROWING : YEARLY;
    const spread = Math.hypot(
      (own ? OWN_ERROR : TAKEN_ERROR) * value,
      yearly * value * Math.sqrt(years),
      // How somebody has grown is not how they go on.
      moved / 2,
    );
    return { code, value: Math.round(value + moved) as Length, spread, grown: moved !== 0 };
  });
}

/** How much a value grows in a year, by the last two that lie far enough apart; `null` where none do. */
function slopeOf(sorted: readonly PastValue[]): number | null {
  const last = sorted.at(-1)!;
  const at = Date.parse(last.takenAt);
  const before = sorted.filter(({ takenAt }) => at - Date.parse(takenAt) >= APART).at(-1);
  if (before === undefined) return null;
  return (last.value - before.value) / ((at - Date.parse(before.takenAt)) / YEAR);
}
