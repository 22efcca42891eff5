import type { Fitter, SignIn } from '@neat-measure/contract';
import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { v7 as uuidv7 } from 'uuid';
import { ProblemError } from '../problem-error';
import type { Database } from '../store/database';
import { addAccount, addSession, findAccount, findSession, removeSession } from '../store/fitter-store';
import { isDuplicate } from '../store/save-once';

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
): Promise<{ fitter: Fitter; token: string }> {
  const account = await findAccount(database, signIn);
  const right = await matches(passphrase, account?.passphraseHash ?? NOBODY);
  if (account === undefined || !right)
    throw new ProblemError(
      'sign-in-refused',
      'The name and passphrase do not belong together. Check both and try again.',
    );
  const token = randomBytes(32).toString('base64url');
  await addSession(database, hashToken(token), account.id, new Date(Date.now() + SESSION_HOURS * 3_600_000));
  return { fitter: { id: account.id, name: account.name }, token };
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
  try {
    await addAccount(database, {
      id: uuidv7(),
      name,
      signIn,
      passphraseHash: await hashPassphrase(passphrase),
    });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}
