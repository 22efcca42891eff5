import { KEY_BYTES } from './seal';

/** So many rounds make a guess slow: what OWASP asks of PBKDF2 with SHA-256 (Password Storage Cheat Sheet, 2023; from memory). */
export const ROUNDS = 600_000;

/** Whether this browser can make keys of passphrases: not where it was reached without https. */
export function canDerive(): boolean {
  return (globalThis.crypto as Crypto | undefined)?.subtle !== undefined;
}

/** The key that a passphrase makes with a salt: PBKDF2 with SHA-256 (RFC 8018). Slow on purpose. */
export async function keyOfPassphrase(
  passphrase: string,
  salt: Uint8Array<ArrayBuffer>,
  rounds: number,
): Promise<Uint8Array> {
  const { subtle } = crypto;
  const typed = new TextEncoder().encode(passphrase);
  const base = await subtle.importKey('raw', typed, 'PBKDF2', false, ['deriveBits']);
  const bits = await subtle.deriveBits(
    { name: 'PBKDF2', hash: 'SHA-256', salt, iterations: rounds },
    base,
    KEY_BYTES * 8,
  );
  return new Uint8Array(bits);
}
