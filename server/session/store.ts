import type { SessionEntry } from '@neat-measure/contract';
import type { Database } from '../database/database';
import { allOrNothing } from '../database/all-or-nothing';
import { endPens, livingPens } from './pens';

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

/**
 * Where somebody is signed in, the latest first, and behind it where they were and a pen of theirs still signs.
 *
 * @param pensSince pens not asked for since then have ended by themselves
 */
export async function listSessions(
  database: Database,
  fitterId: string,
  here: string,
  pensSince: Date,
): Promise<SessionEntry[]> {
  const rows = await database('sessions')
    .where({ fitter_id: fitterId })
    .where('expires_at', '>', new Date())
    .orderBy('seen_at', 'desc')
    .select<SessionRow[]>();
  const open = new Set(rows.map(({ id }) => id));
  const pens = await livingPens(database, fitterId, pensSince);
  return [
    ...rows.map(({ id, begun_at, seen_at, agent, address }) => ({
      ...{ id, begunAt: begun_at.toISOString(), seenAt: seen_at.toISOString(), agent, address },
      ...{ here: id === here, signedIn: true },
    })),
    ...pens
      .filter(({ sessionId }, at, all) => {
        const first = all.findIndex((one) => one.sessionId === sessionId) === at;
        return first && !open.has(sessionId);
      })
      .map(({ sessionId, madeAt, renewedAt, agent, address }) => ({
        ...{ id: sessionId, begunAt: madeAt.toISOString(), seenAt: renewedAt.toISOString(), agent, address },
        ...{ here: sessionId === here, signedIn: false },
      })),
  ];
}

/**
 * Ends sessions of somebody with every pen that was made in them: one, or all but one. With all but one, their own pens
 * end wherever they were made.
 *
 * @returns how many ended
 */
export async function endSessions(
  database: Database,
  fitterId: string,
  which: { readonly id: string } | { readonly allBut: string | null },
): Promise<number> {
  return allOrNothing(database, async (transaction) => {
    const theirs = transaction('sessions').where({ fitter_id: fitterId });
    if ('id' in which) void theirs.where({ id: which.id });
    else if (which.allBut !== null) void theirs.whereNot({ id: which.allBut });
    const ids = await theirs.forUpdate().pluck<string[]>('id');
    await transaction('sessions').whereIn('id', ids).delete();
    // Whoever had the bench of a session that is ended from elsewhere had it on the same device.
    const pens = await endPens(transaction, { sessionIds: ids });
    const own =
      'id' in which
        ? await endPens(transaction, { sessionIds: [which.id], fitterId })
        : await endPens(transaction, { fitterId, allBut: which.allBut });
    return ids.length === 0 ? pens + own : ids.length;
  });
}

/** Takes out what has ended, by its key: no gap is locked in which somebody is just signing in. */
export async function removeEnded(database: Database): Promise<void> {
  const ended = await database('sessions')
    .where('expires_at', '<', new Date())
    .limit(1_000)
    .pluck<string[]>('id');
  if (ended.length > 0) await database('sessions').whereIn('id', ended).delete();
}
