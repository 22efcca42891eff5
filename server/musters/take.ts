import { grants, type KeptAnyAct, type KeptMusterAct } from '@neat-measure/contract';
import { isMusterAct, MUSTER_ACTS, type MeasurementCode, type MusterAct } from '@neat-measure/core';
import {
  personOn,
  sayMusterRefusal,
  type MusterLibrary,
  type MusterRefusal,
  type Part,
} from '@neat-measure/core/muster';
import type { Database } from '../database/database';
import { AS_IT_STANDS } from '../database/all-or-nothing';
import { isDuplicate, tryAgain } from '../database/trouble';
import { addAct, findAct } from '../dockets/act-store';
import { saysTheSame, type TakenOther } from '../dockets/take-acts';
import type { Signing } from '../session/service';
import { acceptOwn } from './before/own-values';
import { missingHere } from './dockets-here';
import { removeImported } from './imported';
import type { Standing, Standings } from './standing';
import { addMuster, keepMuster, lockMuster, ownersOf, wearersOf } from './store';

type Taken =
  | { readonly kept: KeptMusterAct; readonly repeated: boolean; readonly standing?: Standing }
  | { readonly refusal: MusterRefusal };

/**
 * Takes an act of a muster: holding it, asking whether the act may be done, and keeping it are one transaction, and with
 * it the docket is opened that it asks for. One that was taken before changes nothing.
 */
export async function takeMusterAct(
  database: Database,
  standings: Standings,
  signing: Signing,
  sent: MusterAct,
): Promise<TakenOther> {
  const { fitter: author, role } = signing;
  const act = unfound({ ...sent, by: { id: author.id, name: author.name } });
  const { takes } = MUSTER_ACTS.kindOf(act);
  const taken = await tryAgain(async (): Promise<Taken> => {
    // What was kept while they were trusted with it stands, whatever they are now: only its answer was lost.
    const before = await findAct(database, act.id);
    if (before !== undefined) return asRepeated(before, act);
    if (!grants(role, takes)) return { refusal: { code: 'muster-not-trusted', takes } };
    try {
      return await take(database, standings, signing, act);
    } catch (error) {
      if (!isDuplicate(error)) throw error;
      const kept = await findAct(database, act.id);
      if (kept !== undefined) return asRepeated(kept, act);
      if (act.kind === 'muster-opened') return { refusal: { code: 'muster-opened-already' } };
      throw error;
    }
  });
  if ('refusal' in taken) return { refused: await said(database, taken.refusal) };
  if (taken.standing !== undefined) standings.remember(act.musterId, taken.standing);
  return taken;
}

function take(database: Database, standings: Standings, signing: Signing, act: MusterAct): Promise<Taken> {
  return database
    .transaction(async (transaction): Promise<Taken> => {
      const there = await lockMuster(transaction, act.musterId);
      const before = there ? await standings.read(transaction, act.musterId) : undefined;
      return { ...(await keepOn(transaction, before, act, signing)), repeated: false };
    }, AS_IT_STANDS)
    .catch((error: unknown): Taken => {
      if (error instanceof Refused) return { refusal: error.refusal };
      throw error;
    });
}

/**
 * Does an act on a muster as it stands, and keeps it.
 *
 * @param transaction comes to nothing where the act is refused, so that what was opened on the way goes with it
 */
export async function keepOn(
  transaction: Database,
  before: Standing | undefined,
  act: MusterAct,
  signing?: Signing,
): Promise<{ readonly kept: KeptMusterAct; readonly standing: Standing }> {
  const unknown = await refuseUnknown(transaction, act);
  if (unknown !== null) throw new Refused(unknown);
  const library = await libraryFor(transaction, before, act);
  const applied = MUSTER_ACTS.apply(before?.muster ?? null, act, library);
  if (!applied.ok) throw new Refused(applied.problem);
  const { state } = applied.value;
  if (before === undefined) await addMuster(transaction, state);
  const kept = await addAct(transaction, applied.value.act, signing);
  if (before !== undefined) await keepMuster(transaction, state);
  if (act.kind === 'people-removed' && act.undoes !== undefined)
    await removeImported(transaction, act.undoes, act.wearerIds);
  return { kept, standing: { muster: state, place: kept.place } };
}

/** Why the transaction comes to nothing. */
export class Refused extends Error {
  constructor(readonly refusal: MusterRefusal) {
    super(refusal.code);
  }
}

/** Wearers that are not there, or a docket of somebody else, cannot be put on a list. */
async function refuseUnknown(transaction: Database, act: MusterAct): Promise<MusterRefusal | null> {
  if (act.kind !== 'people-added') return null;
  const there = new Set(
    (
      await wearersOf(
        transaction,
        act.people.map(({ wearerId }) => wearerId),
      )
    ).map(({ id }) => id),
  );
  if (act.people.some(({ wearerId }) => !there.has(wearerId))) return { code: 'no-such-wearer-here' };
  const owners = await ownersOf(
    transaction,
    act.people.map(({ docketId }) => docketId),
  );
  const taken = act.people.find(({ wearerId, docketId }) => (owners.get(docketId) ?? wearerId) !== wearerId);
  return taken === undefined ? null : { code: 'docket-of-another', wearerId: taken.wearerId };
}

/** What has to be looked up on dockets for an act: of whom it is about, as their kind asks for it. */
async function libraryFor(
  transaction: Database,
  before: Standing | undefined,
  act: MusterAct,
): Promise<MusterLibrary> {
  if (act.kind === 'values-accepted' && before !== undefined) {
    const accepted = new Map<string, readonly MeasurementCode[]>();
    for (const wearerId of new Set(act.wearerIds)) {
      const person = personOn(before.muster, wearerId);
      if (person !== undefined && before.muster.closedAt === null)
        accepted.set(person.docketId, await acceptOwn(transaction, before.muster, person, act));
    }
    return { missingOn: () => null, acceptedOn: (docketId) => accepted.get(docketId) ?? [] };
  }
  const missing = new Map<string, readonly Part[] | null>();
  // Whoever is called without having been checked in needs their docket open as well.
  const looks = MUSTER_ACTS.kindOf(act).finds !== undefined || act.kind === 'called';
  if (before !== undefined && looks && 'wearerId' in act) {
    const person = personOn(before.muster, act.wearerId);
    // Who has been erased stays in the list of acts, and nothing more is done about them.
    const there = await wearersOf(transaction, [act.wearerId]);
    if (person !== undefined && there.length === 0) throw new Refused({ code: 'no-such-wearer-here' });
    if (person !== undefined)
      missing.set(person.docketId, await missingHere(transaction, before.muster, person, act));
  }
  return { missingOn: (docketId) => missing.get(docketId) ?? null };
}

function asRepeated(kept: KeptAnyAct, act: MusterAct): Taken {
  return isMusterAct(kept.act) && saysTheSame(unfound(kept.act), act)
    ? { kept: { ...kept, act: kept.act }, repeated: true }
    : { refusal: { code: 'act-id-taken' } };
}

/** An act without what is found when it is let in: that is never taken from who sends it. */
function unfound(act: MusterAct): MusterAct {
  return MUSTER_ACTS.kindOf(act).finds?.without(act as never) ?? act;
}

/** A refusal in words, with the name of whom it is about. */
export async function said(
  database: Database,
  refusal: MusterRefusal,
): Promise<{ code: string; detail: string }> {
  const about = 'wearerId' in refusal ? await wearersOf(database, [refusal.wearerId]) : [];
  const detail = sayMusterRefusal(refusal, { wearer: () => about[0]?.name ?? 'This wearer' });
  return { code: refusal.code, detail };
}
