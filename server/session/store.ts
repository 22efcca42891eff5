import type { Fitter } from '@neat-measure/contract';
import type { Database } from '../database/database';
import { isDuplicate } from '../database/trouble';

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

/** Whether anybody may sign in yet. */
export async function hasAccounts(database: Database): Promise<boolean> {
  return (await database('fitters').first('id')) !== undefined;
}

/** Adds an account; `taken` when somebody has the sign-in name. */
export async function addAccount(database: Database, account: FitterAccount): Promise<'added' | 'taken'> {
  try {
    await database('fitters').insert({
      id: account.id,
      name: account.name,
      sign_in: account.signIn,
      passphrase_hash: account.passphraseHash,
    });
    return 'added';
  } catch (error) {
    if (isDuplicate(error)) return 'taken';
    throw error;
  }
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

/** Keeps a pen by the hash of it; one that is kept already stays. */
export async function addPen(database: Database, tokenHash: string, fitterId: string): Promise<void> {
  await database('pens')
    .insert({ token_hash: tokenHash, fitter_id: fitterId, made_at: new Date() })
    .onConflict('token_hash')
    .ignore();
}

/** Whose a pen is. */
export async function findPen(database: Database, tokenHash: string): Promise<Fitter | undefined> {
  return database('pens')
    .join('fitters', 'fitters.id', 'pens.fitter_id')
    .where({ token_hash: tokenHash })
    .first<Fitter | undefined>('fitters.id', 'fitters.name');
}
