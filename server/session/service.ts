import type { Fitter, SignedIn, SignIn } from '@neat-measure/contract';
import { LRUCache } from 'lru-cache';
import { createHash, createHmac, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../database/database';
import { ProblemError } from '../http/problem-error';
import { addAccount, addPen, addSession, findAccount, findPen, findSession, removeSession } from './store';

const derive = promisify<string, Buffer, number, Buffer>(scrypt);
const KEY_BYTES = 32;

/** How long a session lasts: a fitter's working day and then some. */
export const SESSION_HOURS = 14;

/**
 * Hashes a passphrase with scrypt (Node's defaults: N 16384, r 8, p 1) and a salt of its own.
 *
 * @returns `salt:hash`, both in hex
 */
export async function hashPassphrase(passphrase: string): Promise<string> {
  const salt = randomBytes(16);
  return `${salt.toString('hex')}:${(await derive(passphrase, salt, KEY_BYTES)).toString('hex')}`;
}

async function matches(passphrase: string, kept: string): Promise<boolean> {
  const [salt = '', hash = ''] = kept.split(':');
  const derived = await derive(passphrase, Buffer.from(salt, 'hex'), KEY_BYTES);
  const expected = Buffer.from(hash, 'hex');
  return derived.length === expected.length && timingSafeEqual(derived, expected);
}

/** Stands in for the account of a name that has none, so that both take the same time to refuse. */
const NOBODY = `${'00'.repeat(16)}:${'00'.repeat(KEY_BYTES)}`;

/**
 * Opens a session.
 *
 * @returns who it is, and the token for their cookie; only its hash is kept
 * @throws ProblemError `sign-in-refused`, the same for a wrong name and a wrong passphrase
 */
export async function openSession(
  database: Database,
  { signIn, passphrase }: SignIn,
): Promise<{ fitter: SignedIn; token: string }> {
  const account = await findAccount(database, signIn);
  const right = await matches(passphrase, account?.passphraseHash ?? NOBODY);
  if (account === undefined || !right)
    throw new ProblemError(
      'sign-in-refused',
      'The name and passphrase do not belong together. Check both and try again.',
    );
  const token = randomBytes(32).toString('base64url');
  await addSession(database, hashToken(token), account.id, new Date(Date.now() + SESSION_HOURS * 3_600_000));
  const fitter = { id: account.id, name: account.name };
  return { fitter: { ...fitter, pen: await takePen(database, token, fitter) }, token };
}

/** Who holds a token, while its session lasts. */
export function whoHolds(database: Database, token: string): Promise<Fitter | undefined> {
  return findSession(database, hashToken(token));
}

/** Ends the session of a token. */
export function closeSession(database: Database, token: string): Promise<void> {
  return removeSession(database, hashToken(token));
}

/**
 * Adds a fitter who may sign in.
 *
 * @returns whether they were added; `false` when the sign-in name is taken
 */
export async function addFitter(
  database: Database,
  { name, signIn, passphrase }: SignIn & { name: string },
): Promise<boolean> {
  const account = { id: uuidv7(), name, signIn, passphraseHash: await hashPassphrase(passphrase) };
  return (await addAccount(database, account)) === 'added';
}

/**
 * The pen of a session: what a fitter's acts are signed with on the device they signed in on. It
 * is made of the session's token, so that the page can ask for it again, and outlasts the session:
 * what was done before it ended is sent whenever there is a network, by whoever is signed in then,
 * and kept under the name of who did it. It opens nothing but the list of acts.
 */
function penOf(token: string): string {
  return createHmac('sha256', token).update('pen').digest('base64url');
}

/** The pen of a session that lasts; one begun before there were pens gets its own now. */
export async function takePen(database: Database, token: string, fitter: Fitter): Promise<string> {
  const pen = penOf(token);
  await addPen(database, hashToken(pen), fitter.id);
  return pen;
}

const WHOSE = new LRUCache<string, Fitter>({ max: 1_000 });

/** Whose a pen is; `undefined` for one that was never given out. It never changes, so it is looked up once. */
export async function whoSigns(database: Database, pen: string): Promise<Fitter | undefined> {
  const key = hashToken(pen);
  const known = WHOSE.get(key);
  if (known !== undefined) return known;
  const found = await findPen(database, key);
  if (found !== undefined) WHOSE.set(key, found);
  return found;
}

function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}
