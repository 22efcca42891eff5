import type { Author } from '../acts/act';
import type { WorkingUnit } from '../quantity/length';
import { partsDue, PARTS, type Part } from './parts';

/** A place of a muster where some part of the work is done. */
export interface Station {
  readonly id: string;
  readonly name: string;
  readonly parts: readonly Part[];
  /** Who works there; `null` for nobody. */
  readonly fitter: Author | null;
  /** Whether it takes anybody. One that is closed keeps its name for what was done there. */
  readonly open: boolean;
}

/** How a wearer can have gone: with everything, with something owed, or without. */
export type Gone = 'done' | 'owed' | 'without';

/** Where a wearer is of a day, since when. */
export type Standing =
  | { readonly is: 'expected' }
  | { readonly is: 'waiting'; readonly since: string }
  | { readonly is: 'at'; readonly since: string; readonly stationId: string }
  | { readonly is: 'gone'; readonly since: string; readonly how: Gone; readonly why: string | null };

/** A wearer's stay at a station. */
export interface Visit {
  readonly stationId: string;
  readonly from: string;
  readonly to: string;
}

/** How a day goes for a wearer: what of it can be taken back is taken back as a whole. */
export interface PersonDay {
  readonly standing: Standing;
  /** When they came; `null` while they have not. */
  readonly arrivedAt: string | null;
  /** What is still to be done on their docket; `null` while nobody has looked. */
  readonly missing: readonly Part[] | null;
  /** What of it a station has left undone: they are not sent there again for it. */
  readonly left: readonly Part[];
  readonly visits: readonly Visit[];
  /** The act that changed it last; `null` before the first. */
  readonly lastAct: string | null;
}

/** A wearer on a muster. */
export interface MusterPerson {
  readonly wearerId: string;
  /** The docket they have here. It is opened when they come, under this id, so that nobody opens another. */
  readonly docketId: string;
  /** The group they were added with; `null` for none. */
  readonly groupId: string | null;
  /** The kit their docket is opened with; `null` for the one of their role. */
  readonly kitId: string | null;
  /** When their own measurements were accepted; `null` where they were not. */
  readonly ownAcceptedAt: string | null;
  readonly day: PersonDay;
}

/** A muster as its acts make it: one day or event, with the people of it and where they are. */
export interface Muster {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  /** The first and the last day, as `2026-12-01`. */
  readonly day: string;
  readonly lastDay: string;
  /** In which the dockets are kept that are opened here. */
  readonly unit: WorkingUnit;
  readonly openedAt: string;
  readonly closedAt: string | null;
  readonly stations: readonly Station[];
  readonly people: readonly MusterPerson[];
}

/** What a day begins with. */
export const DAY_AHEAD: PersonDay = {
  standing: { is: 'expected' },
  arrivedAt: null,
  missing: null,
  left: [],
  visits: [],
  lastAct: null,
};

/**
 * A wearer on a muster; nothing where they are not on it.
 *
 * @example personOn(intake, 'somebody else') // undefined
 */
export function personOn({ people }: Pick<Muster, 'people'>, wearerId: string): MusterPerson | undefined {
  return people.find((one) => one.wearerId === wearerId);
}

/**
 * A station of a muster, closed or not; nothing where there is none of that id.
 *
 * @example stationOn(intake, 'no such station') // undefined
 */
export function stationOn({ stations }: Pick<Muster, 'stations'>, stationId: string): Station | undefined {
  return stations.find((one) => one.id === stationId);
}

/**
 * The parts of the work that the open stations of a muster have.
 *
 * @example servedParts(intake) // ['girths', 'lengths', 'deciding', 'handing']
 */
export function servedParts({ stations }: Pick<Muster, 'stations'>): readonly Part[] {
  return PARTS.filter((part) => stations.some(({ open, parts }) => open && parts.includes(part)));
}

/**
 * What of a wearer can be done now at the stations there are. Of whom nobody knows what is missing, anything can be.
 *
 * @example dueOf(intake, intake.people[0]) // ['girths', 'lengths']
 */
export function dueOf(muster: Pick<Muster, 'stations'>, { day }: Pick<MusterPerson, 'day'>): readonly Part[] {
  return partsDue(day.missing ?? PARTS, servedParts(muster), day.left);
}

/**
 * Whether a wearer is at a station.
 *
 * @example isAt(intake.people[0], intake.stations[0].id) // false
 */
export function isAt({ day: { standing } }: Pick<MusterPerson, 'day'>, stationId: string): boolean {
  return standing.is === 'at' && standing.stationId === stationId;
}

/**
 * Who is at a station; nobody where it is free.
 *
 * @example whoIsAt(intake, intake.stations[0].id) // undefined
 */
export function whoIsAt({ people }: Pick<Muster, 'people'>, stationId: string): MusterPerson | undefined {
  return people.find((person) => isAt(person, stationId));
}
