import { Decrypter, Encrypter } from 'age-encryption';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, rename } from 'node:fs/promises';
import { Readable } from 'node:stream';
import type { ReadableStream as WebStream } from 'node:stream/web';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';

/** How much work it is to make a key of a passphrase: 2^18 turns of scrypt, as age has it. */
const STRENGTH = 18;

/**
 * Writes lines into a file, packed and encrypted with a passphrase (age, https://age-encryption.org/v1).
 * The file has its name only once it is whole and on the disk.
 */
export async function writeSealed(
  path: string,
  passphrase: string,
  lines: AsyncIterable<string>,
  strength = STRENGTH,
): Promise<void> {
  const encrypter = new Encrypter();
  encrypter.setScryptWorkFactor(strength);
  encrypter.setPassphrase(passphrase);
  const packed = Readable.from(lines).pipe(createGzip());
  const sealed = await encrypter.encrypt(Readable.toWeb(packed) as unknown as ReadableStream<Uint8Array>);
  const making = `${path}.making`;
  await pipeline(
    Readable.fromWeb(sealed as unknown as WebStream),
    createWriteStream(making, { mode: 0o600 }),
  );
  const file = await open(making, 'r+');
  await file.sync();
  await file.close();
  await rename(making, path);
}

/**
 * The lines of such a file.
 *
 * @throws Error for a wrong passphrase or a damaged file
 */
export async function readSealed(path: string, passphrase: string): Promise<AsyncIterable<string>> {
  const decrypter = new Decrypter();
  decrypter.addPassphrase(passphrase);
  const opened = await decrypter.decrypt(
    Readable.toWeb(createReadStream(path)) as unknown as ReadableStream<Uint8Array>,
  );
  const sealed = Readable.fromWeb(opened as unknown as WebStream);
  const unpacked = createGunzip();
  sealed.on('error', (error) => unpacked.destroy(error));
  // It is thrown where the lines are asked for, which may be later than it comes.
  unpacked.on('error', () => undefined);
  sealed.pipe(unpacked);
  return linesOf(unpacked);
}

/** The lines of a stream. What goes wrong on the way is thrown where they are asked for. */
async function* linesOf(input: Readable): AsyncGenerator<string> {
  let left = '';
  input.setEncoding('utf8');
  for await (const text of input as AsyncIterable<string>) {
    const lines = (left + text).split('\n');
    left = lines.pop()!;
    yield* lines;
  }
  if (left !== '') yield left;
}
