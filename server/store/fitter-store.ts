import type { Fitter } from '@neat-measure/contract';
import type { Database } from './database';

/** A fitter with what proves who they are. */
export interface FitterAccount extends Fitter {
  readonly signIn: string;
  readonly passphraseHash: string;
}

/** The account of a sign-in name, if there is one. */
export async function findAccount(database: Database, signIn: string): Promise<FitterAccount | undefined> {
  const row = await database('fitters')
    .where({ sign_in: signIn })
    .first<{ id: string; name: string; sign_in: string; passphrase_hash: string }>();
  return row && { id: row.id, name: row.name, signIn: row.sign_in, passphraseHash: row.passphrase_hash };
}

/** Adds an account. Rejects with a duplicate error when the sign-in name is taken. */
export async function addAccount(database: Database, account: FitterAccount): Promise<void> {
  await database('fitters').insert({
    id: account.id,
    name: account.name,
    sign_in: account.signIn,
    passphrase_hash: account.passphraseHash,
  });
}

/** Keeps a session by the hash of its token; expired ones go at the same time. */
export async function addSession(
  database: Database,
  tokenHash: string,
  fitterId: string,
  expiresAt: Date,
): Promise<void> {
  await database('sessions').where('expires_at', '<', new Date()).delete();
  await database('sessions').insert({ token_hash: tokenHash, fitter_id: fitterId, expires_at: expiresAt });
}

/** Who a session belongs to, while it lasts. */
export async function findSession(database: Database, tokenHash: string): Promise<Fitter | undefined> {
  return database('sessions')
    .join('fitters', 'fitters.id', 'sessions.fitter_id')
    .where({ token_hash: tokenHash })
    .where('expires_at', '>', new Date())
    .first<Fitter | undefined>('fitters.id', 'fitters.name');
}

/** Ends a session. */
export async function removeSession(database: Database, tokenHash: string): Promise<void> {
  await database('sessions').where({ token_hash: tokenHash }).delete();
}
