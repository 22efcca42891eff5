import type { Fitter, Role } from '@neat-measure/contract';
import type { Database } from '../database/database';

/** A pen to be kept, by the hash of it. */
export interface NewPen {
  readonly tokenHash: string;
  readonly fitterId: string;
  /** The session it is made in, which it outlasts. */
  readonly sessionId: string;
  readonly deviceId: string;
  readonly agent: string;
  readonly address: string;
}

/** A pen that is asked for again this soon is not noted as renewed. */
const RENEWED_EVERY_MS = 60_000;

/**
 * Keeps a pen, or notes that it is still asked for.
 *
 * @returns `false` where it has ended: it is never taken up again
 */
export async function keepPen(database: Database, pen: NewPen): Promise<boolean> {
  const now = new Date();
  const kept = await database('pens')
    .where({ token_hash: pen.tokenHash })
    .first<{ renewed_at: Date; ended_at: Date | null } | undefined>('renewed_at', 'ended_at');
  if (kept !== undefined) {
    if (kept.ended_at !== null) return false;
    if (now.getTime() - kept.renewed_at.getTime() > RENEWED_EVERY_MS)
      await database('pens').where({ token_hash: pen.tokenHash }).update({ renewed_at: now });
    return true;
  }
  await database('pens')
    .insert({
      token_hash: pen.tokenHash,
      fitter_id: pen.fitterId,
      session_id: pen.sessionId,
      device_id: pen.deviceId,
      agent: pen.agent.slice(0, 200),
      address: pen.address.slice(0, 64),
      made_at: now,
      renewed_at: now,
    })
    .onConflict('token_hash')
    .ignore();
  return true;
}

/** How many pens somebody had in a session that have ended. */
export async function endedPens(database: Database, sessionId: string, fitterId: string): Promise<number> {
  const rows = await database('pens')
    .where({ session_id: sessionId, fitter_id: fitterId })
    .whereNotNull('ended_at')
    .count<{ n: number }[]>({ n: '*' });
  return Number(rows[0]!.n);
}

/** Whose a pen is, what they are to the house now, and whether it still signs. */
export interface FoundPen extends Fitter {
  readonly role: Role;
  /** Whether it signs: it has not ended, by itself or by anybody, and its holder is active. */
  readonly lives: boolean;
  readonly factorOn: boolean;
}

/**
 * A pen that was once given out.
 *
 * @param since pens not asked for since then have ended by themselves
 */
export async function findPen(
  database: Database,
  tokenHash: string,
  since: Date,
): Promise<FoundPen | undefined> {
  const row = await database('pens')
    .join('fitters', 'fitters.id', 'pens.fitter_id')
    .where({ token_hash: tokenHash })
    .first<
      | {
          id: string;
          name: string;
          role: Role;
          active: number;
          factor_on: number;
          ended_at: Date | null;
          renewed_at: Date;
        }
      | undefined
    >('fitters.id', 'fitters.name', 'fitters.role', 'fitters.active', 'fitters.factor_on', 'ended_at', 'renewed_at');
  if (row === undefined) return undefined;
  const lives = row.active === 1 && row.ended_at === null && row.renewed_at > since;
  return { id: row.id, name: row.name, role: row.role, lives, factorOn: row.factor_on === 1 };
}

/**
 * Ends pens for good: of somebody, all of them or all but those of one session; and with a session that others had
 * the bench of, theirs too.
 */
export async function endPens(
  database: Database,
  which:
    | { readonly fitterId: string; readonly allBut: string | null }
    | { readonly sessionIds: readonly string[]; readonly fitterId?: string },
): Promise<number> {
  const living = database('pens').whereNull('ended_at');
  if ('sessionIds' in which) {
    if (which.sessionIds.length === 0) return 0;
    void living.whereIn('session_id', [...which.sessionIds]);
    if (which.fitterId !== undefined) void living.where({ fitter_id: which.fitterId });
  } else {
    void living.where({ fitter_id: which.fitterId });
    if (which.allBut !== null) void living.whereNot({ session_id: which.allBut });
  }
  return living.update({ ended_at: new Date() });
}

/** A session that is over, in which somebody's pen still signs. */
export interface LivingPen {
  readonly sessionId: string;
  readonly madeAt: Date;
  readonly renewedAt: Date;
  readonly agent: string;
  readonly address: string;
}

/** Where pens of somebody still sign, the latest first, by the session they were made in. */
export async function livingPens(database: Database, fitterId: string, since: Date): Promise<LivingPen[]> {
  const rows = await database('pens')
    .where({ fitter_id: fitterId })
    .whereNull('ended_at')
    .where('renewed_at', '>', since)
    .orderBy('renewed_at', 'desc')
    .limit(100)
    .select<
      { session_id: string; made_at: Date; renewed_at: Date; agent: string; address: string }[]
    >('session_id', 'made_at', 'renewed_at', 'agent', 'address');
  return rows.map((row) => ({
    sessionId: row.session_id,
    madeAt: row.made_at,
    renewedAt: row.renewed_at,
    agent: row.agent,
    address: row.address,
  }));
}
