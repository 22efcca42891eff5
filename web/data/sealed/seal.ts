import { gcm } from '@noble/ciphers/aes.js';

const NONCE_BYTES = 12;
/** The length of a key: AES with 256 bits. */
export const KEY_BYTES = 32;

/**
 * Seals a value, so that it can be read with its key alone and is noticed to have been changed: AES-GCM (NIST SP 800-38D),
 * behind a nonce of its own. In the same turn, as what was done must be written down before anything else happens.
 */
export function seal(key: Uint8Array, value: unknown): Uint8Array {
  return sealBytes(key, new TextEncoder().encode(JSON.stringify(value)));
}

/** What was sealed; nothing where it does not open: another key's, or tampered with. */
export function unseal(key: Uint8Array, sealed: Uint8Array): unknown {
  const bytes = unsealBytes(key, sealed);
  return bytes === undefined ? undefined : (JSON.parse(new TextDecoder().decode(bytes)) as unknown);
}

/** The same of plain bytes: a key that another wraps. */
export function sealBytes(key: Uint8Array, bytes: Uint8Array): Uint8Array {
  const nonce = crypto.getRandomValues(new Uint8Array(NONCE_BYTES));
  const box = gcm(key, nonce).encrypt(bytes);
  const sealed = new Uint8Array(NONCE_BYTES + box.length);
  sealed.set(nonce);
  sealed.set(box, NONCE_BYTES);
  return sealed;
}

/** What was sealed as plain bytes; nothing where it does not open. */
export function unsealBytes(key: Uint8Array, sealed: Uint8Array): Uint8Array | undefined {
  try {
    return gcm(key, sealed.subarray(0, NONCE_BYTES)).decrypt(sealed.subarray(NONCE_BYTES));
  } catch {
    return undefined;
  }
}

/** A key that nobody knows. */
export function newKey(): Uint8Array {
  return crypto.getRandomValues(new Uint8Array(KEY_BYTES));
}

/** Bytes as text, for where only text can be kept. */
export function asText(bytes: Uint8Array): string {
  return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));
}

/** The bytes of a text, in base64 of either alphabet; nothing where it is none. */
export function asBytes(text: string): Uint8Array | undefined {
  try {
    return Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (letter) =>
      letter.charCodeAt(0),
    );
  } catch {
    return undefined;
  }
}
