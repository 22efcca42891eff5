import { createHmac, hkdfSync, randomBytes } from 'node:crypto';
import { link, mkdir, open, readFile, unlink } from 'node:fs/promises';
import { dirname } from 'node:path';
import { hasCode } from '../database/trouble';

/** What the key of the house is used for; each use has a key of its own, so that none tells of another. */
type Use = 'known devices' | 'second factors' | 'the house' | 'what devices keep';

/** The key of a house: 256 bits that never stand in its database. */
export class HouseKey {
  /** @param secret what all its keys are made of, at least 32 bytes of it */
  constructor(private readonly secret: Buffer) {}

  /** What tells this house from another, and nothing of its key. */
  get name(): string {
    return this.for('the house').toString('hex').slice(0, 32);
  }

  /** What a device seals what it keeps with, in base64url: another for each. */
  ofDevice(id: string): string {
    return createHmac('sha256', this.for('what devices keep')).update(id).digest('base64url');
  }

  /** The key for one use: HKDF with SHA-256 (RFC 5869). */
  for(use: Use): Buffer {
    return Buffer.from(hkdfSync('sha256', this.secret, '', use, 32));
  }
}

/**
 * The key this instance works with: `HOUSE_KEY`, or what stands in the file `KEY_FILE`, which is made, readable for its
 * owner alone, where there is none.
 *
 * @throws Error where the file holds no key
 */
export async function readHouseKey({
  HOUSE_KEY,
  KEY_FILE,
}: {
  readonly HOUSE_KEY?: string | undefined;
  readonly KEY_FILE: string;
}): Promise<HouseKey> {
  if (HOUSE_KEY !== undefined) return new HouseKey(Buffer.from(HOUSE_KEY));
  await makeKeyFile(KEY_FILE);
  const secret = Buffer.from((await readFile(KEY_FILE, 'utf8')).trim());
  if (secret.length < 32)
    throw new Error(
      `${KEY_FILE} holds no key of the house: put back the file that stood there, or take it away and have second factors set up anew.`,
    );
  return new HouseKey(secret);
}

/** Makes a key file unless one stands there: of instances that start at once, one makes it, and none finds half of it. */
async function makeKeyFile(path: string): Promise<void> {
  await mkdir(dirname(path), { recursive: true });
  const beside = `${path}.${randomBytes(6).toString('hex')}`;
  const file = await open(beside, 'wx', 0o600);
  try {
    await file.writeFile(`${randomBytes(32).toString('base64url')}\n`);
    await file.sync();
    // It is given its name whole, which fails where it has been given.
    await link(beside, path);
  } catch (error) {
    if (!hasCode(error, 'EEXIST')) throw error;
  } finally {
    await file.close();
    await unlink(beside);
  }
}
