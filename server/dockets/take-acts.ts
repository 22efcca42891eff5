import { grants, isOnDocket, type ActAnswer, type KeptAct, type KeptAnyAct } from '@neat-measure/contract';
import type { Signing } from '../session/service';
import {
  apply,
  isMusterAct,
  kindOf,
  readAnyAct,
  refuseConsent,
  replay,
  sayRefusal,
  sayUnreadableAct,
  subjectOf,
  type Act,
  type AnyAct,
  type Docket,
  type MusterAct,
  type Refusal,
} from '@neat-measure/core';
import type { Database } from '../database/database';
import { AS_IT_STANDS } from '../database/all-or-nothing';
import { hasCode, isDuplicate, isUnknownReference, tryAgain } from '../database/trouble';
import type { Lookout } from '../http/lookout';
import { isKnownTape } from '../devices/tape-store';
import { findSettings } from '../settings/store';
import { ActRefused, moveForAct, type Touched } from '../stores/docket-acts';
import { addAct, findAct, listActs, PenEnded } from './act-store';
import { isOnRecord } from './on-record';
import { shelfFor } from './find-library';
import { addDocket, keepRows, lockDocket, readAfterWithdrawal } from './store';

/** What became of one act. */
type Taken =
  | { readonly kept: KeptAct; readonly repeated: boolean }
  | { readonly refusal: Refusal; readonly touched?: Touched };

/** What became of an act of something that is not known here: kept, or refused, in words. */
export type TakenOther =
  | { readonly kept: KeptAnyAct; readonly repeated: boolean }
  | {
      readonly refused: { readonly code: string; readonly detail: string };
      /** What it would have moved in the stores, where they cannot do it. */
      readonly touched?: Touched;
    };
/** Opens the docket of somebody who is expected at a muster, for what was done on it; whether there is such a one. */
export type OpenExpected = (signing: Signing, act: Act) => Promise<boolean>;
/** Tells of an act that cannot stand; what whoever did it is told where the server keeps it all the same. */
export type MeetOther = (
  act: AnyAct,
  refused: Extract<TakenOther, { refused: unknown }>,
) => Promise<{ readonly late: string } | null>;
/** Takes an act of a muster that its signer may have done. */
export type TakeOther = (signing: Signing, act: MusterAct) => Promise<TakenOther>;

/**
 * Takes acts in the order they were done, each by itself: one that cannot be read or is refused
 * holds up none of the others. One that was taken before changes nothing.
 *
 * @param signing whose pen they are signed with, and what that one is trusted with
 * @param takeOther takes what is done on musters
 * @param openExpected opens a docket that somebody at a muster is expected to have; whether there is one
 * @param meet tells of what cannot stand, where it was done without the server
 * @returns an answer to each, and those that were not looked at, as the pen had ended or its holder is trusted with
 *   something else by then
 */
export async function takeActs(
  database: Database,
  lookout: Lookout<KeptAnyAct>,
  signing: Signing,
  sent: readonly unknown[],
  takeOther: TakeOther,
  openExpected: OpenExpected,
  meet: MeetOther = () => Promise.resolve(null),
): Promise<{ readonly answers: readonly ActAnswer[]; readonly rest: readonly unknown[] }> {
  const answers: ActAnswer[] = [];
  for (const [at, one] of sent.entries()) {
    const read = readAnyAct(one);
    if (!read.ok) {
      answers.push({
        outcome: 'refused',
        id: idOf(one),
        code: read.problem.code,
        detail: sayUnreadableAct(read.problem),
      });
      continue;
    }
    const act = read.value;
    try {
      const misSigned = refuseSigned(signing, act);
      const taken =
        misSigned === null
          ? await takeOpened(database, signing, act, takeOther, openExpected)
          : await asRefused(database, misSigned);
      if ('refused' in taken) {
        const met = await meet(act, taken);
        answers.push(
          met === null
            ? { outcome: 'refused', id: act.id, ...taken.refused }
            : { outcome: 'late', id: act.id, detail: met.late },
        );
        continue;
      }
      if (!taken.repeated) lookout.tell(subjectOf(act), taken.kept);
      answers.push({ outcome: 'kept', id: act.id, kept: taken.kept });
    } catch (error) {
      if (error instanceof PenEnded) return { answers, rest: sent.slice(at) };
      throw error;
    }
  }
  return { answers, rest: [] };
}

/** The same where the docket may have been opened only on the device that it was done on. */
async function takeOpened(
  database: Database,
  signing: Signing,
  act: AnyAct,
  takeOther: TakeOther,
  openExpected: OpenExpected,
): Promise<TakenOther> {
  const taken = await takeRead(database, signing, act, takeOther);
  const unopened = 'refused' in taken && taken.refused.code === 'not-opened' && !isMusterAct(act);
  if (!unopened || !(await openExpected(signing, act))) return taken;
  return takeRead(database, signing, act, takeOther);
}

/** Takes an act that was read, in the name of whoever signs it. */
export async function takeRead(
  database: Database,
  signing: Signing,
  act: AnyAct,
  takeOther: TakeOther,
): Promise<TakenOther> {
  const taken = isMusterAct(act) ? await takeOther(signing, act) : await takeAct(database, signing, act);
  if (!('refusal' in taken)) return taken;
  const { refusal, ...why } = taken;
  return { ...(await asRefused(database, refusal)), ...why };
}

async function asRefused(
  database: Database,
  refusal: Refusal,
): Promise<Extract<TakenOther, { refused: unknown }>> {
  const { habits } = await findSettings(database);
  return { refused: { code: refusal.code, detail: sayRefusal(refusal, habits.inchParts) } };
}

/** How far a device's clock, or what waited on a device, may be from the server's. */
const DAY_MS = 86_400_000;
const MOST_AHEAD_MS = DAY_MS;
const MOST_BEHIND_MS = 92 * DAY_MS;

/** Why an act is not one that its signer may have done just now, by a clock that is off; `null` where it may be. */
export function refuseSigned(
  { fitter, clockOff = 0 }: Pick<Signing, 'fitter' | 'clockOff'>,
  sent: AnyAct,
): Refusal | null {
  if (sent.by.id !== fitter.id) return { code: 'other-hand' };
  const now = Date.now();
  const off = Date.parse(sent.at) - clockOff * 1_000 - now;
  return off > MOST_AHEAD_MS || off < -MOST_BEHIND_MS
    ? { code: 'moment-off', at: sent.at, now: new Date(now).toISOString() }
    : null;
}

/** Takes one act on a docket: reading the docket, asking whether it may be done, and keeping it are one transaction. */
async function takeAct(database: Database, signing: Signing, sent: Act): Promise<Taken> {
  const { fitter: author, role } = signing;
  const act = unfound({ ...sent, by: { id: author.id, name: author.name } });
  const kind = kindOf(act);
  if (!grants(role, kind.takes)) return unlessKept(database, act, { code: 'not-trusted', takes: kind.takes });
  return tryAgain(async () => {
    try {
      const refusal = kind.refuseAlone?.(act) ?? null;
      if (refusal !== null) return { refusal };
      const { recorded, tape } = kind.needs(act);
      if (recorded !== null && !(await isOnRecord(database, act.docketId, recorded)))
        return await unlessKept(database, act, { code: 'no-such-record' });
      if (tape !== null && !(await isKnownTape(database, tape)))
        return await unlessKept(database, act, { code: 'no-such-tape', device: tape });
      if (kind.refuseAlone !== undefined) return await takeAlone(database, signing, act);
      if (kind.opens !== undefined) return await open(database, signing, act, kind.opens(act));
      return await takeOnDocket(database, signing, act);
    } catch (error) {
      if (error instanceof ActRefused)
        return { refusal: error.refusal, ...(error.touched === null ? {} : { touched: error.touched }) };
      if (!isDuplicate(error)) throw error;
      return takenBefore(database, act, error);
    }
  });
}

/** Refuses by what is so today. What was kept while it was otherwise stands, whatever is so now: only its answer was lost. */
async function unlessKept(database: Database, act: Act, refusal: Refusal): Promise<Taken> {
  const kept = await findAct(database, act.id);
  return kept === undefined ? { refusal } : asRepeated(kept, act);
}

/** An act that rests on nothing before it: that its docket is there is asked by the row it names. One statement. */
async function takeAlone(database: Database, signing: Signing, act: Act): Promise<Taken> {
  const { clockOff = 0 } = signing;
  try {
    if (clockOff !== 0 && (await readAfterWithdrawal(database, act, clockOff)))
      return await withdrawnBefore(database, act);
    return { kept: await addAct(database, act, signing), repeated: false };
  } catch (error) {
    if (isUnknownReference(error)) return { refusal: { code: 'not-opened' } };
    if (!hasCode(error, 'ER_SIGNAL_EXCEPTION')) throw error;
    return withdrawnBefore(database, act);
  }
}

/** Nothing is read of who does not agree any more; sent again, what was kept before that stands. */
async function withdrawnBefore(database: Database, act: Act): Promise<Taken> {
  const kept = await findAct(database, act.id);
  if (kept !== undefined) return asRepeated(kept, act);
  const acts = (await listActs(database, act.docketId)).map((one) => one.act);
  return {
    refusal: refuseConsent(replay(acts)!.consent, act.at) ?? { code: 'consent-withdrawn', at: act.at },
  };
}

async function open(database: Database, signing: Signing, act: Act, docket: Docket): Promise<Taken> {
  try {
    return await database.transaction(async (transaction) => {
      await addDocket(transaction, docket);
      return { kept: await addAct(transaction, act, signing), repeated: false };
    });
  } catch (error) {
    if (isUnknownReference(error)) return { refusal: { code: 'no-such-wearer' } };
    // Opened before: by this very act, or by another.
    if (isDuplicate(error) && (await findAct(database, act.id)) === undefined)
      return { refusal: { code: 'opened-already' } };
    throw error;
  }
}

async function takeOnDocket(database: Database, signing: Signing, act: Act): Promise<Taken> {
  return database.transaction(async (transaction) => {
    if (!(await lockDocket(transaction, act.docketId))) return { refusal: { code: 'not-opened' } };
    const before = await listActs(transaction, act.docketId);
    const same = before.find(({ act: one }) => one.id === act.id);
    if (same !== undefined) return asRepeated(same, act);
    const acts = before.map((one) => one.act);
    const library = await shelfFor(transaction, [...acts, act]);
    const docket = replay(acts);
    const applied = apply(docket, act, library);
    if (!applied.ok) return { refusal: applied.problem };
    const kept = await addAct(transaction, applied.value.act, signing);
    await keepRows(transaction, docket!, applied.value.act, applied.value.docket, signing.clockOff);
    await moveForAct(transaction, applied.value.act, docket!, applied.value.docket, library);
    return { kept, repeated: false };
  }, AS_IT_STANDS);
}

async function takenBefore(database: Database, act: Act, error: unknown): Promise<Taken> {
  const kept = await findAct(database, act.id);
  if (kept === undefined) throw error;
  return asRepeated(kept, act);
}

/** An act that stands already is the same or takes another's id. */
function asRepeated(kept: KeptAnyAct, act: Act): Taken {
  return isOnDocket(kept) && saysTheSame(unfound(kept.act), act)
    ? { kept, repeated: true }
    : { refusal: { code: 'id-taken' } };
}

/** An act without what is found when it is let in: that is never taken from who sends it. */
function unfound(act: Act): Act {
  return kindOf(act).finds?.without(act) ?? act;
}

/** Whether two acts are one that was sent twice. */
export function saysTheSame(one: AnyAct, other: AnyAct): boolean {
  // Names of people may be mended between; who it was is told by the id.
  const text = ({ by, ...act }: AnyAct) =>
    JSON.stringify(Object.entries({ ...act, by: by.id }).sort(([a], [b]) => (a < b ? -1 : 1)));
  return text(one) === text(other);
}

/** The id of what may be no act at all. */
export function idOf(sent: unknown): string | null {
  const id = typeof sent === 'object' && sent !== null && 'id' in sent ? sent.id : null;
  return typeof id === 'string' ? id.slice(0, 40) : null;
}
