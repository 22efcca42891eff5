import { randomBytes, X509Certificate } from 'node:crypto';
import { chmod, mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { generate } from 'selfsigned';
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
  const kept = await readKept(folder);
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
  await keep(folder, certificate);
  return certificate;
}

/** How a certificate is recognised by whoever compares it, as browsers show it. */
export function fingerprintOf({ cert }: Certificate): string {
  return new X509Certificate(cert).fingerprint256;
}

/** In one file, so that one is never there without the other. */
const FILE = 'own-certificate.pem';

async function readKept(folder: string): Promise<Certificate | null> {
  const text = await readFile(join(folder, FILE), 'utf8').catch(() => '');
  const [cert, key] = ['CERTIFICATE', 'PRIVATE KEY'].map(
    (what) => new RegExp(`-----BEGIN ${what}-----[^-]+-----END ${what}-----`).exec(text)?.[0],
  );
  return cert === undefined || key === undefined ? null : { cert, key };
}

async function keep(folder: string, { cert, key }: Certificate): Promise<void> {
  await mkdir(folder, { recursive: true });
  const making = join(folder, `${FILE}.${randomBytes(6).toString('hex')}`);
  await writeFile(making, `${cert}\n${key}\n`, { mode: 0o600 });
  await chmod(making, 0o600);
  await rename(making, join(folder, FILE));
}

function holds({ cert }: Certificate, names: readonly string[]): boolean {
  const read = new X509Certificate(cert);
  const lasts = Date.parse(read.validTo) - Date.now() > LEFT_DAYS * DAY_MS;
  return (
    lasts &&
    names.every((name) => (isIP(name) === 0 ? read.checkHost(name) : read.checkIP(name)) !== undefined)
  );
}
