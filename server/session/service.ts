import {
  roleAtBench,
  type Fitter,
  type Role,
  type SignedIn,
  type SignIn,
  isRecoveryCode,
  worksOnDockets,
} from '@neat-measure/contract';
import { LRUCache } from 'lru-cache';
import { createHmac } from 'node:crypto';
import { v7 as uuidv7 } from 'uuid';
import { note, noted } from '../audit/store';
import type { Database } from '../database/database';
import { ProblemError } from '../http/problem-error';
import { hashSecret, hashToken, isOld, isSecret, newToken } from '../accounts/passphrases';
import { accountOf, changeAccount, findAccount, type Account } from '../accounts/store';
import type { HouseSettings } from '../settings/service';
import { codesLeft, type Factors } from '../accounts/factors';
import { stepOfCode } from './second-factor';
import {
  addSession,
  findSession,
  handOver,
  removeEnded,
  removeSession,
  seeSession,
  type OpenSession,
} from './store';
import { endedPens, findPen, keepPen, type FoundPen } from './pens';
import { attempt, benchLimits, limitsOf } from './throttle';

/** Where a request comes from. */
export interface From {
  readonly address: string;
  readonly agent: string;
  /** The device it comes from, where an account is known there; `null` elsewhere. */
  readonly knownFor: (accountId: string) => string | null;
}

/** Who asks, as every route behind the guard finds them. */
export interface Asking {
  readonly session: OpenSession;
  /** The cookie's token, by which the pen is made again. */
  readonly token: string;
  /** Whoever signed in. */
  readonly owner: Account;
  /** Whoever is at the bench: the owner, or whoever has taken it over. */
  readonly person: Account;
  /** What they may do: whoever came by a bench code may do no more than a fitter. */
  readonly role: Role;
  readonly owes: SignedIn['owes'];
}

/** A session that was just used is not noted again before this. */
const SEEN_EVERY_MS = 60_000;

/**
 * Opens a session.
 *
 * @returns its token, for the cookie, and whose it is; only a hash of it is kept
 * @throws ProblemError `sign-in-refused`, the same for a wrong name and a wrong passphrase;
 *   `second-factor-wanted` where the passphrase is right and a code must come with it
 */
export async function openSession(
  { database, settings, factors }: { database: Database; settings: HouseSettings; factors: Factors },
  signIn: SignIn,
  from: From,
): Promise<{ readonly token: string; readonly accountId: string }> {
  const account = await findAccount(database, signIn.signIn);
  const limits = limitsOf({
    account: signIn.signIn,
    address: from.address,
    device: account === undefined ? null : from.knownFor(account.id),
  });
  const recognised = await attempt(database, limits, () => recognise(database, factors, signIn)).catch(
    async (error: unknown) => {
      if (error instanceof ProblemError && error.kind === 'sign-in-refused')
        await noteRefused(database, account, from);
      throw error;
    },
  );
  await removeEnded(database);
  return { token: await begin(database, settings, recognised, from), accountId: recognised.id };
}

/** Notes who was not let in. A name nobody has is not told: it may be a passphrase in the wrong field. */
async function noteRefused(
  database: Database,
  account: Account | undefined,
  { address }: Pick<From, 'address'>,
): Promise<void> {
  await note(database, {
    by: null,
    kind: 'sign-in-refused',
    ...(account === undefined ? {} : { about: { kind: 'person' as const, id: account.id } }),
    detail: { address },
  });
}

/** Begins a session of somebody who has shown who they are. */
export async function begin(
  database: Database,
  settings: HouseSettings,
  account: Pick<Account, 'id'>,
  { agent, address }: From,
): Promise<string> {
  const token = newToken();
  const { sessionHours } = await settings.now();
  await noted(
    database,
    (transaction) =>
      addSession(transaction, {
        id: uuidv7(),
        tokenHash: hashToken(token),
        fitterId: account.id,
        expiresAt: new Date(Date.now() + sessionHours * 3_600_000),
        agent,
        address,
      }),
    () => ({
      by: account.id,
      kind: 'signed-in',
      about: { kind: 'person', id: account.id },
      detail: { address },
    }),
  );
  return token;
}

async function recognise(
  database: Database,
  factors: Factors,
  { signIn, passphrase, code }: SignIn,
): Promise<Account> {
  const account = await findAccount(database, signIn);
  const right = await isSecret(passphrase, account?.passphraseHash);
  if (account === undefined || !right || !account.active) throw refused();
  if (isOld(account.passphraseHash!))
    await changeAccount(database, account.id, { passphraseHash: await hashSecret(passphrase) });
  if (!account.factorOn) return account;
  if (code === undefined)
    throw new ProblemError(
      'second-factor-wanted',
      'Enter the six digits your authenticator shows now, or a recovery code.',
    );
  if (isRecoveryCode(code)) {
    if (!(await factors.useCode(database, account.id, code)))
      throw new ProblemError(
        'sign-in-refused',
        'This is not one of your recovery codes, or it was used. Use another.',
      );
    await note(database, {
      by: account.id,
      kind: 'recovery-code-used',
      about: { kind: 'person', id: account.id },
    });
    return account;
  }
  const step = await stepOfCode(factors.open(account.id, account.factorSecret!), code);
  if (step === null || (account.factorStep !== null && step <= account.factorStep))
    throw new ProblemError(
      'sign-in-refused',
      'This code is not the one your authenticator shows now, or it was used. Wait for the next one.',
    );
  // Of two who bring the same code at once, one comes in.
  const first = await changeAccount(
    database,
    account.id,
    { factorStep: step },
    { factorStep: account.factorStep },
  );
  if (!first) throw refused();
  return account;
}

function refused(): ProblemError {
  return new ProblemError(
    'sign-in-refused',
    'The name and passphrase do not match. Check both and try again.',
  );
}

/**
 * Who holds a token, while its session lasts: neither idle for too long nor past its end.
 *
 * @param used whether somebody does something by it now
 */
export async function whoAsks(
  database: Database,
  settings: HouseSettings,
  token: string,
  used = true,
): Promise<Asking | undefined> {
  const session = await findSession(database, hashToken(token));
  if (session === undefined) return undefined;
  const { idleMinutes, secondFactorFor } = await settings.now();
  const quiet = Date.now() - session.seenAt.getTime();
  if (quiet > idleMinutes * 60_000) {
    await removeSession(database, session.tokenHash);
    return undefined;
  }
  if (used && quiet > SEEN_EVERY_MS) await seeSession(database, session.id);
  const owner = (await accountOf(database, session.ownerId))!;
  const hand = session.handId === null ? undefined : await accountOf(database, session.handId);
  const handed = hand?.active === true && hand.id !== owner.id;
  const person = handed ? hand : owner;
  return {
    session,
    token,
    owner,
    person,
    role: handed ? roleAtBench(person.role) : person.role,
    // Neither whoever signed in nor whoever has the bench gets round what the house wants of them.
    owes: [owner, person].some((one) => !one.factorOn && secondFactorFor.includes(one.role))
      ? ['second-factor']
      : [],
  };
}

/** Whether a session still lasts; what streams ask while they are open. */
export async function stillLasts(
  database: Database,
  settings: HouseSettings,
  token: string,
): Promise<boolean> {
  // A stream left open is nobody at work: it does not keep its session from ending idle.
  return (await whoAsks(database, settings, token, false)) !== undefined;
}

/**
 * Who is signed in, as the page is told.
 *
 * @param deviceId the device they are at
 */
export async function signedIn(
  database: Database,
  settings: HouseSettings,
  asking: Asking,
  from: Pick<From, 'agent' | 'address'>,
  deviceId: string,
): Promise<SignedIn> {
  const { person, owner, role, owes } = asking;
  return {
    id: person.id,
    name: person.name,
    role,
    pen: owes.length > 0 ? '' : await takePen(database, asking, from, deviceId),
    preferences: person.preferences,
    habits: (await settings.now()).habits,
    house: person.id === owner.id ? null : { id: owner.id, name: owner.name },
    owes,
    hasSecondFactor: person.factorOn,
    recoveryCodes: person.factorOn ? await codesLeft(database, person.id) : 0,
    hasBenchCode: person.benchHash !== null,
  };
}

/** Ends the session of a token. */
export function closeSession(database: Database, token: string): Promise<void> {
  return removeSession(database, hashToken(token));
}

/**
 * Puts a bench into the hands of somebody who has a code for it, while the session that stands there stays.
 *
 * @throws ProblemError `sign-in-refused`, the same for whoever has no code
 */
export async function takeBench(
  database: Database,
  { session, owner }: Asking,
  { id, code }: { readonly id: string; readonly code: string },
  from: From,
): Promise<void> {
  // Whoever clears the cookies of a browser has to sign in anew, and is counted by who they are.
  const limits = benchLimits({
    device: from.knownFor(owner.id) ?? session.id,
    ownerId: owner.id,
    handId: id,
  });
  const work = async () => {
    const hand = await accountOf(database, id);
    const right = await isSecret(code, hand?.benchHash);
    if (!right || hand?.active !== true || !worksOnDockets(hand.role))
      throw new ProblemError(
        'sign-in-refused',
        'This is not that fitter’s code. Try again, or sign in instead.',
      );
  };
  await attempt(database, limits, work, 'or sign in with your passphrase.').catch(async (error: unknown) => {
    if (error instanceof ProblemError && error.kind === 'sign-in-refused')
      await noteRefused(database, await accountOf(database, id), from);
    throw error;
  });
  await noted(
    database,
    (transaction) => handOver(transaction, session.id, id),
    () => ({ by: id, kind: 'bench-taken', about: { kind: 'person', id: owner.id } }),
  );
}

/** Gives a bench back to whoever signed in there. */
export function giveBenchBack(database: Database, { session, person, owner }: Asking): Promise<void> {
  return noted(
    database,
    (transaction) => handOver(transaction, session.id, null),
    () => ({ by: person.id, kind: 'bench-given-back', about: { kind: 'person', id: owner.id } }),
  );
}

/**
 * The pen of whoever is at a bench: what their acts are signed with on that device. It is made of the
 * session's token, so that the page can ask for it again, and outlasts the session: what was done
 * before it ended is sent whenever there is a network, whoever has the bench by then, and kept under
 * the name of who did it. It opens nothing but the list of acts, and ends (`pensSince`, `endPens`).
 */
async function takePen(
  database: Database,
  { token, session, person }: Asking,
  { agent, address }: Pick<From, 'agent' | 'address'>,
  deviceId: string,
): Promise<string> {
  // One that was ended is never taken up again: whoever takes the bench anew gets another.
  for (let nth = await endedPens(database, session.id, person.id); ; nth++) {
    const pen = createHmac('sha256', token).update(`pen of ${person.id} ${nth}`).digest('base64url');
    const whose = { fitterId: person.id, sessionId: session.id, deviceId };
    const made = { tokenHash: hashToken(pen), ...whose, agent, address };
    if (await keepPen(database, made)) return pen;
  }
}

/** Since when a pen must have been asked for: it ends by itself after the days a device may be away. */
export async function pensSince(settings: HouseSettings): Promise<Date> {
  const { awayDays } = await settings.now();
  return new Date(Date.now() - awayDays * 86_400_000);
}

/** Who signs with a pen, and what they are trusted with by their role. */
export interface Signing {
  readonly fitter: Fitter;
  readonly role: Role;
  /**
   * The pen, as the database knows it, and since when it must have been asked for; `null` where a lead fitter accepts
   * what it signed after it had ended.
   */
  readonly pen: { readonly hash: string; readonly since: Date } | null;
  /** By so many seconds the clock of the device that sends is ahead; behind below none. */
  readonly clockOff?: number;
}

/**
 * Whose a pen is, for some seconds. That it still signs, and that its holder is still trusted with as much, is asked by
 * the very statement that keeps an act (`addAct`), so that nothing is kept by what was known here.
 */
const WHOSE = new LRUCache<string, Signing>({ max: 1_000, ttl: 15_000 });

/** Whose a pen is: what it signs, or that it signs no more; `undefined` for one that was never given out. */
export async function whoSigns(
  database: Database,
  settings: HouseSettings,
  pen: string,
): Promise<{ readonly signs: Signing } | { readonly ended: FoundPen } | undefined> {
  const hash = hashToken(pen);
  const known = WHOSE.get(hash);
  if (known !== undefined) return { signs: known };
  const since = await pensSince(settings);
  const found = await findPen(database, hash, since);
  if (found === undefined) return undefined;
  const { secondFactorFor } = await settings.now();
  const owes = !found.factorOn && secondFactorFor.includes(found.role);
  if (!found.lives || owes || !worksOnDockets(found.role)) return { ended: found };
  const signing = { fitter: { id: found.id, name: found.name }, role: found.role, pen: { hash, since } };
  WHOSE.set(hash, signing);
  return { signs: signing };
}

/** A pen is asked about anew: it has ended, or its holder is trusted with something else. */
export function forgetPen({ pen }: Signing): void {
  if (pen !== null) WHOSE.delete(pen.hash);
}

/** All pens are asked about anew. */
export function forgetPens(): void {
  WHOSE.clear();
}
