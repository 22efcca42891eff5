import type { Fitter, Role, SessionEntry } from '@neat-measure/contract';
import type { Database } from '../database/database';

/** A session that lasts, with whoever has the bench. */
export interface OpenSession {
  readonly id: string;
  readonly tokenHash: string;
  /** Whoever signed in. */
  readonly ownerId: string;
  /** Whoever has taken the bench over, if anybody has. */
  readonly handId: string | null;
  readonly begunAt: Date;
  readonly seenAt: Date;
  readonly expiresAt: Date;
}

/** A session to be kept. */
export interface NewSession {
  readonly id: string;
  readonly tokenHash: string;
  readonly fitterId: string;
  readonly expiresAt: Date;
  readonly agent: string;
  readonly address: string;
}

interface SessionRow {
  readonly id: string;
  readonly token_hash: string;
  readonly fitter_id: string;
  readonly hand_id: string | null;
  readonly begun_at: Date;
  readonly seen_at: Date;
  readonly expires_at: Date;
  readonly agent: string;
  readonly address: string;
}

/** Keeps a session by the hash of its token. */
export async function addSession(database: Database, session: NewSession): Promise<void> {
  const now = new Date();
  await database('sessions').insert({
    id: session.id,
    token_hash: session.tokenHash,
    fitter_id: session.fitterId,
    begun_at: now,
    seen_at: now,
    expires_at: session.expiresAt,
    agent: session.agent.slice(0, 200),
    address: session.address.slice(0, 64),
  });
}

/** The session of a token that has not come to its absolute end, whoever's it is if they are still active. */
export async function findSession(database: Database, tokenHash: string): Promise<OpenSession | undefined> {
  const row = await database('sessions')
    .join('fitters', 'fitters.id', 'sessions.fitter_id')
    .where({ token_hash: tokenHash, 'fitters.active': 1 })
    .where('expires_at', '>', new Date())
    .first<SessionRow | undefined>('sessions.*');
  return (
    row && {
      id: row.id,
      tokenHash: row.token_hash,
      ownerId: row.fitter_id,
      handId: row.hand_id,
      begunAt: row.begun_at,
      seenAt: row.seen_at,
      expiresAt: row.expires_at,
    }
  );
}

/** Notes that a session is in use. */
export async function seeSession(database: Database, id: string): Promise<void> {
  await database('sessions').where({ id }).update({ seen_at: new Date() });
}

/** Puts a bench into somebody's hands, or back into its owner's. */
export async function handOver(database: Database, id: string, handId: string | null): Promise<void> {
  await database('sessions').where({ id }).update({ hand_id: handId });
}

/** Ends the session of a token. */
export async function removeSession(database: Database, tokenHash: string): Promise<void> {
  await database('sessions').where({ token_hash: tokenHash }).delete();
}

/** Where somebody is signed in, the latest first. */
export async function listSessions(
  database: Database,
  fitterId: string,
  here: string,
): Promise<SessionEntry[]> {
  const rows = await database('sessions')
    .where({ fitter_id: fitterId })
    .where('expires_at', '>', new Date())
    .orderBy('seen_at', 'desc')
    .select<SessionRow[]>();
  return rows.map(({ id, begun_at, seen_at, agent, address }) => ({
    id,
    begunAt: begun_at.toISOString(),
    seenAt: seen_at.toISOString(),
    agent,
    address,
    here: id === here,
  }));
}

/**
 * Ends sessions of somebody: one, or all but one.
 *
 * @returns how many ended
 */
export function endSessions(
  database: Database,
  fitterId: string,
  which: { readonly id: string } | { readonly allBut: string | null },
): Promise<number> {
  const theirs = database('sessions').where({ fitter_id: fitterId });
  if ('id' in which) return theirs.where({ id: which.id }).delete();
  return which.allBut === null ? theirs.delete() : theirs.whereNot({ id: which.allBut }).delete();
}

/** Takes out sessions that have ended and tries of long ago, by their keys: no gap is locked in which somebody is just signing in. */
export async function removeEnded(database: Database): Promise<void> {
  const ended = await database('sessions')
    .where('expires_at', '<', new Date())
    .limit(1_000)
    .pluck<string[]>('id');
  if (ended.length > 0) await database('sessions').whereIn('id', ended).delete();
  const forgotten = await database('sign_in_trials')
    .whereRaw('last_at < now(3) - interval 1 day')
    .limit(1_000)
    .pluck<string[]>('who');
  if (forgotten.length > 0) await database('sign_in_trials').whereIn('who', forgotten).delete();
}

/** Keeps a pen by the hash of it; one that is kept already stays. */
export async function addPen(database: Database, tokenHash: string, fitterId: string): Promise<void> {
  if ((await database('pens').where({ token_hash: tokenHash }).first('token_hash')) !== undefined) return;
  await database('pens')
    .insert({ token_hash: tokenHash, fitter_id: fitterId, made_at: new Date() })
    .onConflict('token_hash')
    .ignore();
}

/** Whose a pen is, and what they are to the house now. */
export async function findPen(
  database: Database,
  tokenHash: string,
): Promise<(Fitter & { readonly role: Role; readonly active: boolean }) | undefined> {
  const row = await database('pens')
    .join('fitters', 'fitters.id', 'pens.fitter_id')
    .where({ token_hash: tokenHash })
    .first<
      { id: string; name: string; role: Role; active: number } | undefined
    >('fitters.id', 'fitters.name', 'fitters.role', 'fitters.active');
  return row && { ...row, active: row.active === 1 };
}
