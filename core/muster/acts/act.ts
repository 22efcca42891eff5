import * as z from 'zod';
import { DONE_BASE, idSchema, type DoneAct } from '../../acts/act';
import type { Kind } from '../../acts/kind';
import type { MeasurementCode } from '../../body/catalogue/codes';
import type { Muster, MusterPerson, PersonDay, Standing } from '../muster';
import { personOn } from '../muster';
import { PARTS, type Part } from '../parts';
import type { MusterRefusal } from '../refusal';
import type { MusterCapability } from '../trust';

/** What every act of a muster has: what all acts have, and its muster. */
export const MUSTER_BASE = { ...DONE_BASE, musterId: idSchema };

/** An act of a muster as far as all of them are alike. */
export interface BaseMusterAct extends DoneAct {
  readonly musterId: string;
}

/** Names of what an act speaks of, for its sentence; what is not known goes by a plain word. */
export interface MusterNames {
  readonly wearer: (wearerId: string) => string;
  readonly station: (stationId: string) => string;
}

/** What an act of a muster has to be told of the dockets beside it. */
export interface MusterLibrary {
  /** What is still to be done on a docket; `null` where it cannot be said here. */
  readonly missingOn: (docketId: string) => readonly Part[] | null;
  /** Which of their own measurements were carried over to a docket with the act; nothing where it is not done here. */
  readonly acceptedOn?: (docketId: string) => readonly MeasurementCode[];
}

/** A kind of act of a muster: everything there is to know of it, in one place. */
export interface MusterActKind<Act extends BaseMusterAct>
  extends Kind<Muster, Act, MusterLibrary, MusterRefusal, MusterNames, MusterCapability> {
  /** The wearers it is about, so that what was done about them last can be told. */
  readonly about: (act: Act) => readonly string[];
}

/** A day of the calendar, as `2026-12-01`. */
export const daySchema = z.iso.date();

/** Parts of the work, as an act keeps them: what was found on the docket is never taken from who sends it. */
export const foundPartsSchema = z.array(z.enum(PARTS)).max(PARTS.length).readonly().nullable().default(null);

/** Why nothing is done on a muster that is closed; `null` where it is open. */
export function refuseClosed({ closedAt }: Muster): MusterRefusal | null {
  return closedAt === null ? null : { code: 'muster-closed' };
}

/** A muster in which one wearer's day is another. */
export function withDay(muster: Muster, wearerId: string, change: (day: PersonDay) => PersonDay): Muster {
  return {
    ...muster,
    people: muster.people.map((one) => (one.wearerId === wearerId ? { ...one, day: change(one.day) } : one)),
  };
}

/** Where a wearer is; `null` where they are not on the muster. */
export function standingOf(muster: Muster, wearerId: string): Standing | null {
  return personOn(muster, wearerId)?.day.standing ?? null;
}

/** What takes back an act about one wearer: their day as it was before. */
export function dayBefore(before: Muster, { wearerId }: { readonly wearerId: string }) {
  const was: MusterPerson | undefined = personOn(before, wearerId);
  return was === undefined ? null : { kind: 'day-restored', wearerId, day: was.day };
}
