import { randomBytes, X509Certificate } from 'node:crypto';
import { chmod, link, mkdir, readFile, rename, unlink, writeFile } from 'node:fs/promises';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { generate } from 'selfsigned';
import { hasCode } from '../database/trouble';
import type { Certificate } from './listener';

/** Browsers take no certificate for longer than this. */
const DAYS = 397;
/** One that ends within so many days is made anew at the next start. */
const LEFT_DAYS = 30;
const DAY_MS = 86_400_000;

/**
 * A certificate this instance has made for itself, kept beside the key of the house: browsers do not know it and ask, but
 * what travels is encrypted. It is made anew where it ends soon, or does not hold for one of the names.
 *
 * @param folder where it is kept
 * @param hosts names and addresses it must hold for, as they stand in an address
 */
export async function ownCertificate(folder: string, hosts: readonly string[]): Promise<Certificate> {
  const names = hosts.map((host) => host.replace(/^\[|\]$/g, ''));
  const stood = await textOf(folder);
  const kept = certificateIn(stood);
  if (kept !== null && holds(kept, names)) return kept;
  const made = await generate([{ name: 'commonName', value: 'Neat Measure' }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notBeforeDate: new Date(Date.now() - DAY_MS),
    notAfterDate: new Date(Date.now() + DAYS * DAY_MS),
    extensions: [
      { name: 'basicConstraints', cA: false },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: names.map((name) => (isIP(name) === 0 ? { type: 2, value: name } : { type: 7, ip: name })),
      },
    ],
  });
  const certificate = { cert: made.cert.trim(), key: made.private.trim() };
  await keep(folder, certificate, stood !== '');
  // Of instances that start at once one makes it, and all speak with the same.
  return certificateIn(await textOf(folder)) ?? certificate;
}

/** How a certificate is recognised by whoever compares it, as browsers show it. */
export function fingerprintOf({ cert }: Certificate): string {
  return new X509Certificate(cert).fingerprint256;
}

/** In one file, so that one is never there without the other. */
const FILE = 'own-certificate.pem';

/** What stands in the file; nothing where there is none. */
function textOf(folder: string): Promise<string> {
  return readFile(join(folder, FILE), 'utf8').catch(() => '');
}

function certificateIn(text: string): Certificate | null {
  const [cert, key] = ['CERTIFICATE', 'PRIVATE KEY'].map(
    (what) => new RegExp(`-----BEGIN ${what}-----[^-]+-----END ${what}-----`).exec(text)?.[0],
  );
  return cert === undefined || key === undefined ? null : { cert, key };
}

/** @param again whether it takes the place of one that holds no more */
async function keep(folder: string, { cert, key }: Certificate, again: boolean): Promise<void> {
  await mkdir(folder, { recursive: true });
  const making = join(folder, `${FILE}.${randomBytes(6).toString('hex')}`);
  await writeFile(making, `${cert}\n${key}\n`, { mode: 0o600 });
  await chmod(making, 0o600);
  const file = join(folder, FILE);
  if (again) return rename(making, file);
  try {
    await link(making, file);
  } catch (error) {
    if (!hasCode(error, 'EEXIST')) throw error;
  } finally {
    await unlink(making);
  }
}

function holds({ cert }: Certificate, names: readonly string[]): boolean {
  const read = new X509Certificate(cert);
  const lasts = Date.parse(read.validTo) - Date.now() > LEFT_DAYS * DAY_MS;
  return (
    lasts &&
    names.every((name) => (isIP(name) === 0 ? read.checkHost(name) : read.checkIP(name)) !== undefined)
  );
}
