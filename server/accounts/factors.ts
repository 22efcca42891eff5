import { createCipheriv, createDecipheriv, createHmac, randomBytes } from 'node:crypto';
import type { Database } from '../database/database';
import { allOrNothing } from '../database/all-or-nothing';
import { ProblemError } from '../http/problem-error';
import type { HouseKey } from './house-key';
import { oneTimeCode } from './passphrases';

const CIPHER = 'aes-256-gcm';
const SEALED = 'sealed:';
/** So many recovery codes somebody gets at a time. */
const CODES = 10;

/**
 * What second factors rest on, kept so that the database alone gives none of it away: secrets of authenticators are
 * encrypted, and recovery codes hashed, with a key of the house.
 */
export class Factors {
  private readonly key: Buffer;

  constructor(house: HouseKey) {
    this.key = house.for('second factors');
  }

  /** A secret as it is kept for an account (AES-256-GCM): moved to another account it cannot be read. */
  seal(accountId: string, secret: string): string {
    const nonce = randomBytes(12);
    const cipher = createCipheriv(CIPHER, this.key, nonce).setAAD(Buffer.from(accountId));
    const text = Buffer.concat([cipher.update(secret, 'utf8'), cipher.final()]);
    return `${SEALED}${Buffer.concat([nonce, cipher.getAuthTag(), text]).toString('base64')}`;
  }

  /**
   * A secret that was kept; one of before it was encrypted stands as it is.
   *
   * @throws ProblemError `invalid` where another key sealed it
   */
  open(accountId: string, kept: string): string {
    if (!kept.startsWith(SEALED)) return kept;
    const bytes = Buffer.from(kept.slice(SEALED.length), 'base64');
    try {
      const decipher = createDecipheriv(CIPHER, this.key, bytes.subarray(0, 12)).setAAD(
        Buffer.from(accountId),
      );
      decipher.setAuthTag(bytes.subarray(12, 28));
      return `${decipher.update(bytes.subarray(28), undefined, 'utf8')}${decipher.final('utf8')}`;
    } catch {
      throw new ProblemError(
        'invalid',
        'The server’s key has changed, so your authenticator no longer counts. Sign in with a recovery code that was made since, or ask an administrator for a one-time code.',
      );
    }
  }

  /** Encrypts the secrets of before. Done by two at once it comes to the same. */
  async sealAll(database: Database): Promise<void> {
    const plain = await database('fitters')
      .whereNotNull('factor_secret')
      .whereNot('factor_secret', 'like', `${SEALED}%`)
      .select<{ id: string; factor_secret: string }[]>('id', 'factor_secret');
    for (const { id, factor_secret } of plain)
      await database('fitters')
        .where({ id, factor_secret })
        .update({ factor_secret: this.seal(id, factor_secret) });
  }

  /** New recovery codes of somebody; those of before are good no more. They are told once. */
  async renewCodes(database: Database, accountId: string): Promise<string[]> {
    const codes = Array.from({ length: CODES }, oneTimeCode);
    await allOrNothing(database, async (transaction) => {
      await forgetCodes(transaction, accountId);
      await transaction('recovery_codes').insert(
        codes.map((code) => ({ fitter_id: accountId, hash: this.hash(accountId, code) })),
      );
    });
    return codes;
  }

  /** Uses up a recovery code: of two who bring it at once, one comes in. */
  async useCode(database: Database, accountId: string, code: string): Promise<boolean> {
    const hash = this.hash(accountId, code.toLowerCase());
    return (await database('recovery_codes').where({ fitter_id: accountId, hash }).delete()) > 0;
  }

  private hash(accountId: string, code: string): string {
    return createHmac('sha256', this.key).update(`${accountId} ${code}`).digest('hex');
  }
}

/** How many recovery codes of somebody are left. */
export async function codesLeft(database: Database, accountId: string): Promise<number> {
  const rows = await database('recovery_codes')
    .where({ fitter_id: accountId })
    .count<{ n: number }[]>({ n: '*' });
  return Number(rows[0]!.n);
}

/** Takes out the recovery codes of somebody. */
export async function forgetCodes(database: Database, accountId: string): Promise<void> {
  await database('recovery_codes').where({ fitter_id: accountId }).delete();
}
