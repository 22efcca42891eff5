import type { Muster } from './muster';
import { queuesOf } from './queue';

/** So far back it is counted who was done, in minutes: what was an hour ago says little of now. */
const LOOK_BACK_MINUTES = 60;
/** After so few nobody can say when it will be over. */
const FEWEST_DONE = 5;

/** How the people of a muster stand. */
export interface Counts {
  readonly all: number;
  readonly expected: number;
  /** Waiting or at a station. */
  readonly here: number;
  readonly done: number;
  readonly owed: number;
  readonly without: number;
}

/** When it will be over, as an interval that holds the end in about nine of ten days that go on like this one. */
export interface Over {
  readonly from: string;
  readonly at: string;
  readonly to: string;
}

/** How the day goes. */
export interface Pace {
  readonly counts: Counts;
  /** Wearers who have gone with or without something owed, an hour, by the last hour; `null` while none has. */
  readonly anHour: number | null;
  /** On how many it rests. */
  readonly restsOn: number;
  /** `null` while it rests on too few, or nobody is left. */
  readonly over: Over | null;
  /** The station that those who wait would wait for longest: its name, and for how many minutes; `null` where none does. */
  readonly slowest: { readonly station: string; readonly waiting: number; readonly minutes: number } | null;
}

/**
 * How many are expected, here, and gone.
 *
 * @example countsOf(intake) // { all: 3, expected: 2, here: 1, done: 0, owed: 0, without: 0 }
 */
export function countsOf({ people }: Pick<Muster, 'people'>): Counts {
  const counts = { all: people.length, expected: 0, here: 0, done: 0, owed: 0, without: 0 };
  for (const { day } of people) {
    const { standing } = day;
    if (standing.is === 'expected') counts.expected += 1;
    else if (standing.is === 'gone') counts[standing.how] += 1;
    else counts.here += 1;
  }
  return counts;
}

/**
 * How the day goes at a moment: how many were served an hour, what is left, when it will be over at this pace, and which
 * station holds it up. The interval takes those who are served for events that come at random at a steady pace (a
 * Poisson process): `n` of them in the time looked at leave the pace uncertain by its square root, on a scale of
 * logarithms so that it is never nothing.
 *
 * @param now as ISO 8601, in UTC
 * @example paceOf(intake, '2026-12-01T09:00:00.000Z').over // null
 */
export function paceOf(muster: Muster, now: string): Pace {
  const counts = countsOf(muster);
  const moment = Date.parse(now);
  const served = muster.people
    .flatMap(({ day: { standing } }) =>
      standing.is === 'gone' && standing.how !== 'without' ? [Date.parse(standing.since)] : [],
    )
    .filter((at) => at <= moment && at > moment - LOOK_BACK_MINUTES * 60_000);
  const begun = muster.people.flatMap(({ day }) =>
    day.arrivedAt === null ? [] : [Date.parse(day.arrivedAt)],
  );
  // Of a day that began half an hour ago the last hour is half an hour.
  const minutes = Math.min(
    LOOK_BACK_MINUTES,
    (moment - begun.reduce((one, other) => Math.min(one, other), moment)) / 60_000,
  );
  const anHour = served.length === 0 || minutes <= 0 ? null : (served.length / minutes) * 60;
  return {
    counts,
    anHour,
    restsOn: served.length,
    over: anHour === null ? null : overAt(counts, anHour, served.length, moment),
    slowest: slowestOf(muster),
  };
}

function overAt({ expected, here }: Counts, anHour: number, restsOn: number, moment: number): Over | null {
  const left = expected + here;
  if (left === 0 || restsOn < FEWEST_DONE) return null;
  const hours = left / anHour;
  // Both what was counted and what is left scatter.
  const factor = Math.exp(1.645 * Math.sqrt(1 / restsOn + 1 / left));
  const after = (some: number) => new Date(moment + some * 3_600_000).toISOString();
  return { from: after(hours / factor), at: after(hours), to: after(hours * factor) };
}

function slowestOf(muster: Muster): Pace['slowest'] {
  const waits = queuesOf(muster).stations.map(({ station, waiting, stayMinutes }) => ({
    station: station.name,
    waiting: waiting.length,
    minutes: waiting.length * stayMinutes,
  }));
  return waits
    .filter(({ waiting }) => waiting > 1)
    .reduce<
      Pace['slowest']
    >((one, other) => (one === null || other.minutes > one.minutes ? other : one), null);
}

/**
 * How many wearers a station finished with an hour, by the last hour, or by the time since its first; `null` while
 * there was none.
 *
 * @example visitsAnHour(intake, intake.stations[0].id, '2026-12-01T09:00:00.000Z') // null
 */
export function visitsAnHour(
  { people }: Pick<Muster, 'people'>,
  stationId: string,
  now: string,
): number | null {
  const moment = Date.parse(now);
  const visits = people.flatMap(({ day }) => day.visits.filter((one) => one.stationId === stationId));
  if (visits.length === 0) return null;
  const first = visits.reduce((least, { from }) => Math.min(least, Date.parse(from)), moment);
  const minutes = Math.min(LOOK_BACK_MINUTES, (moment - first) / 60_000);
  const late = visits.filter(({ to }) => Date.parse(to) > moment - minutes * 60_000);
  return minutes <= 0 ? null : (late.length / minutes) * 60;
}
