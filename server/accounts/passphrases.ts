import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';
import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { ProblemError } from '../http/problem-error';

const derive = promisify<string, Buffer, number, Buffer>(scrypt);

/**
 * Argon2id as OWASP's Password Storage Cheat Sheet has it at the least (19 MiB, two passes, one
 * lane; from memory). The salt and these numbers stand in the hash.
 */
const STRENGTH = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

/** Hashes a passphrase or a code for keeping. */
export function hashSecret(secret: string): Promise<string> {
  return hash(secret.normalize('NFKC'), STRENGTH);
}

/** What a secret is held against where there is none, so that it takes the same time to refuse. */
const NOBODY =
  '$argon2id$v=19$m=19456,t=2,p=1$AAAAAAAAAAAAAAAAAAAAAA$AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA';

/** Whether a secret is the one that was hashed; always `false`, as slowly, where there is none. */
export async function isSecret(secret: string, kept: string | null | undefined): Promise<boolean> {
  if (typeof kept === 'string' && isOld(kept)) return isOldSecret(secret, kept);
  const right = await verify(kept ?? NOBODY, secret.normalize('NFKC')).catch(() => false);
  return right && typeof kept === 'string';
}

/** Hashes of before argon2id: `salt:hash`, by scrypt at Node's defaults. They are made anew at sign-in. */
export function isOld(kept: string): boolean {
  return !kept.startsWith('$argon2id$');
}

async function isOldSecret(secret: string, kept: string): Promise<boolean> {
  const [salt = '', hashed = ''] = kept.split(':');
  const expected = Buffer.from(hashed, 'hex');
  if (expected.length === 0) return false;
  const derived = await derive(secret, Buffer.from(salt, 'hex'), expected.length);
  return timingSafeEqual(derived, expected);
}

const guesser = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
/** Of 0 to 4: below this it falls to whoever tries the common ones and what is made of them. */
const LEAST_SCORE = 3;
/** Longer ones are looked at as far as this: the work grows with the square of the length. */
const LOOKED_AT = 64;

/**
 * Refuses a passphrase that is common, or made of what is, or of its owner's name. The list ships with
 * the application; nothing is asked of anybody outside.
 *
 * @throws ProblemError `invalid`
 */
export function refuseGuessable(passphrase: string, about: readonly string[]): void {
  const words = about.flatMap((text) => [text, ...text.split(/\s+/)]).filter((word) => word.length > 2);
  const bare = words.reduce(
    (left, word) => left.replaceAll(word.toLowerCase(), ' '),
    passphrase.toLowerCase(),
  );
  const { score } = guesser.check(bare.slice(0, LOOKED_AT));
  if (score >= LEAST_SCORE) return;
  const message = 'This passphrase is easy to guess. Choose three or four unrelated words.';
  throw new ProblemError('invalid', message, { faults: [{ path: 'passphrase', message }] });
}

/** Letters and digits that are not taken for each other when read aloud. */
const CODE_LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';

/** A code to be told once: some 59 bits, in three groups. */
export function oneTimeCode(): string {
  const letter = () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]!;
  const group = () => Array.from({ length: 4 }, letter).join('');
  return [group(), group(), group()].join('-');
}

/** A token of 256 bits. */
export function newToken(): string {
  return randomBytes(32).toString('base64url');
}

/** A token is long and random, so that one pass of SHA-256 keeps it. */
export function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}
