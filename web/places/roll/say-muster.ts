import { counted, sayDay } from '@neat-measure/core';
import { sayParts, type MusterPerson, type Pace, type Station } from '@neat-measure/core/muster';

/** The days of a muster. */
export function sayDays({ day, lastDay }: { readonly day: string; readonly lastDay: string }): string {
  return day === lastDay ? sayDay(day) : `${sayDay(day)} to ${sayDay(lastDay)}`;
}

/** How many whole minutes it is from a moment to another. */
export function minutesBetween(from: string, to: string): number {
  return Math.max(0, Math.floor((Date.parse(to) - Date.parse(from)) / 60_000));
}

/** Where a wearer is, in a few words. */
export function sayStanding(
  { day }: Pick<MusterPerson, 'day'>,
  stations: readonly Pick<Station, 'id' | 'name'>[],
  now: string,
): string {
  const { standing } = day;
  switch (standing.is) {
    case 'expected':
      return 'expected';
    case 'waiting':
      return `waiting ${minutesBetween(standing.since, now)} min`;
    case 'at':
      return `at ${stations.find(({ id }) => id === standing.stationId)?.name ?? 'a station'}`;
    case 'gone':
      return standing.how === 'without'
        ? `left${standing.why === null ? '' : `: ${standing.why}`}`
        : standing.how === 'owed'
          ? 'left, something owed'
          : 'done';
  }
}

/** What is still to be done for a wearer; nothing where nobody has looked. */
export function sayMissing({ day: { missing } }: Pick<MusterPerson, 'day'>): string {
  if (missing === null) return '';
  return missing.length === 0 ? 'nothing missing' : sayParts(missing);
}

/** The time of a moment, by the clock of this machine. */
export function sayTime(at: string): string {
  return new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}

/** How the day goes, and what that rests on. */
export function sayPace({ anHour, restsOn, counts, over, slowest }: Pace): string {
  const left = counts.expected + counts.here;
  if (counts.all === 0) return '';
  if (left === 0) return 'Nobody is left.';
  const pace =
    anHour === null
      ? 'No wearer is done yet.'
      : `${Math.round(anHour)} an hour, from ${counted(restsOn, 'wearer')} in the last hour.`;
  const few = anHour !== null && over === null ? ' Too few to say when it ends.' : '';
  const slow = slowest === null ? '' : ` Longest queue: ${slowest.station}, ${slowest.waiting} waiting.`;
  return `${pace}${few}${slow}`;
}

/** A name as it stands on a wall: the first name and an initial, so that it is found and nobody reads the rest. */
export function shortName(name: string): string {
  const words = name.trim().split(/\s+/u);
  const last = words.length > 1 ? words.at(-1)! : '';
  const initial = [...last][0];
  return initial === undefined ? (words[0] ?? '') : `${words[0]!} ${initial}.`;
}
