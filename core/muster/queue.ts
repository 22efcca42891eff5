import { dueOf, whoIsAt, type Muster, type MusterPerson, type Station } from './muster';

/** How long a stay at a station takes while none has been seen, in minutes: a working value of ours. */
const STAY_MINUTES = 5;
/** Of so many stays the last is what a station takes now. */
const LAST_STAYS = 12;

/** Who waits for a station, the next first, and who is at it. */
export interface StationQueue {
  readonly station: Station;
  readonly at: MusterPerson | null;
  readonly waiting: readonly MusterPerson[];
  /** How long a stay takes there, in minutes, by the last ones; a working value while there was none. */
  readonly stayMinutes: number;
}

/** Where everybody is who is here. */
export interface Queues {
  readonly stations: readonly StationQueue[];
  /** Those who are here and for whom no open station has what they need next. */
  readonly stuck: readonly MusterPerson[];
}

/** A wearer's moment as a number; who does not wait has none. */
function waitingSince({ day: { standing } }: MusterPerson): string {
  return standing.is === 'waiting' ? standing.since : '';
}

/**
 * How long a stay at a station takes, in minutes: the middle of the last dozen, so that one who was forgotten there
 * overnight changes nothing.
 *
 * @example stayMinutes(intake, intake.stations[0].id) // 5
 */
export function stayMinutes({ people }: Pick<Muster, 'people'>, stationId: string): number {
  const stays = people
    .flatMap(({ day }) => day.visits.filter((one) => one.stationId === stationId))
    .sort((one, other) => (one.to < other.to ? 1 : -1))
    .slice(0, LAST_STAYS)
    .map(({ from, to }) => (Date.parse(to) - Date.parse(from)) / 60_000)
    .sort((one, other) => one - other);
  if (stays.length === 0) return STAY_MINUTES;
  const middle = stays.length >> 1;
  const median = stays.length % 2 === 1 ? stays[middle]! : (stays[middle - 1]! + stays[middle]!) / 2;
  return Math.max(median, 0.1);
}

/**
 * Who waits where: each who waits, the longest wait first, is put where their turn comes soonest of the stations that
 * have something they can have done now. It follows from the muster alone, so that every screen shows the same.
 *
 * @example queuesOf(intake).stations[0].waiting.length // 1
 */
export function queuesOf(muster: Muster): Queues {
  const open = muster.stations.filter((station) => station.open);
  const queues = open.map((station) => {
    const at = whoIsAt(muster, station.id) ?? null;
    const minutes = stayMinutes(muster, station.id);
    return { station, at, waiting: [] as MusterPerson[], stayMinutes: minutes };
  });
  const stuck: MusterPerson[] = [];
  const waiting = muster.people
    .filter(({ day }) => day.standing.is === 'waiting')
    .sort((one, other) => (waitingSince(one) < waitingSince(other) ? -1 : 1));
  for (const person of waiting) {
    const due = dueOf(muster, person);
    const turn = ({ at, waiting: before, stayMinutes: minutes }: (typeof queues)[number]) =>
      (before.length + (at === null ? 0 : 1)) * minutes;
    const best = queues
      .filter(({ station }) => station.parts.some((part) => due.includes(part)))
      .reduce<
        (typeof queues)[number] | null
      >((one, other) => (one === null || turn(other) < turn(one) ? other : one), null);
    if (best === null) stuck.push(person);
    else best.waiting.push(person);
  }
  return { stations: queues, stuck };
}

/**
 * Who is called next to a station: the first in its queue; where nobody is, whoever has waited longest elsewhere for
 * something that it has, too; where nobody waits at all, nobody.
 *
 * @example nextFor(queuesOf(intake), intake, intake.stations[0].id) === intake.people[0] // true
 */
export function nextFor({ stations }: Queues, muster: Muster, stationId: string): MusterPerson | null {
  const own = stations.find(({ station }) => station.id === stationId);
  if (own === undefined) return null;
  if (own.waiting.length > 0) return own.waiting[0]!;
  const others = stations
    .flatMap(({ waiting }) => waiting)
    .filter((person) => dueOf(muster, person).some((part) => own.station.parts.includes(part)));
  return others.reduce<MusterPerson | null>(
    (one, other) => (one === null || waitingSince(other) < waitingSince(one) ? other : one),
    null,
  );
}
