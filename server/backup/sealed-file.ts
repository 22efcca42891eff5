import { Decrypter, Encrypter } from 'age-encryption';
import { createWriteStream } from 'node:fs';
import { open, rename } from 'node:fs/promises';
import { Readable } from 'node:stream';
import type { ReadableStream as WebStream } from 'node:stream/web';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { hasCode } from '../database/trouble';

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
 * @throws Error in words: for a file that is not there or is no backup, and for a wrong passphrase, at once; where it is damaged
 * or breaks off, as its lines are asked for
 */
export async function readSealed(path: string, passphrase: string): Promise<AsyncIterable<string>> {
  const decrypter = new Decrypter();
  decrypter.addPassphrase(passphrase);
  const file = await open(path).catch((error: unknown) => {
    throw hasCode(error, 'ENOENT')
      ? new Error(`There is no file ${path}. Check its name and folder.`)
      : error;
  });
  const opened = await decrypter
    .decrypt(Readable.toWeb(file.createReadStream()) as unknown as ReadableStream<Uint8Array>)
    .catch(async (error: unknown) => {
      await file.close().catch(() => undefined);
      throw isNoMatch(error)
        ? new Error('The passphrase does not fit this backup. Enter the one it was made with.')
        : new Error('This file is not a backup, or its beginning is damaged. Use another one.');
    });
  const sealed = Readable.fromWeb(opened as unknown as WebStream);
  const unpacked = createGunzip();
  sealed.on('error', (error) => unpacked.destroy(error));
  // It is thrown where the lines are asked for, which may be later than it comes.
  unpacked.on('error', () => undefined);
  sealed.pipe(unpacked);
  return linesOf(unpacked);
}

/** Whether a file was made with another passphrase, as the library says it. */
function isNoMatch(error: unknown): boolean {
  return error instanceof Error && error.message.includes('no identity matched');
}

/** The lines of a stream. What goes wrong on the way is thrown where they are asked for, with how far it came. */
async function* linesOf(input: Readable): AsyncGenerator<string> {
  let left = '';
  let read = 0;
  input.setEncoding('utf8');
  const texts = (input as AsyncIterable<string>)[Symbol.asyncIterator]();
  for (;;) {
    const next = await texts.next().catch(() => {
      throw new Error(`This backup is damaged, or breaks off, after line ${read}. Use another one.`);
    });
    if (next.done === true) break;
    const lines = (left + next.value).split('\n');
    left = lines.pop()!;
    read += lines.length;
    yield* lines;
  }
  if (left !== '') yield left;
}
