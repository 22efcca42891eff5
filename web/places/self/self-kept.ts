import { sha256 } from '@noble/hashes/sha2.js';
import { asBytes, asText, seal, unseal } from '../../data/sealed/seal';

/** Where it stands: several links may be used on one device, and none of them can be told from it. */
const KEPT_AS = 'neat-measure.own.';
const BYTES_OF_NAME = 12;

/**
 * What this device has of a wearer's own link, sealed by the link itself: who does not have the link reads nothing. All of
 * it in the same turn, as a page may be closed the moment after something was typed.
 */
export class SelfKept {
  private readonly key: Uint8Array;
  private readonly name: string;

  constructor(token: string) {
    this.key = hashOf(`seals ${token}`);
    this.name = KEPT_AS + asText(hashOf(`names ${token}`).subarray(0, BYTES_OF_NAME));
  }

  /** What is here; nothing where nothing is, or where it does not open. */
  read(): unknown {
    const text = localStorage.getItem(this.name);
    const bytes = text === null ? undefined : asBytes(text);
    return bytes === undefined ? undefined : unseal(this.key, bytes);
  }

  /** Keeps it; whether there was room. */
  write(value: unknown): boolean {
    try {
      localStorage.setItem(this.name, asText(seal(this.key, value)));
      return true;
    } catch {
      return false;
    }
  }
}

function hashOf(text: string): Uint8Array {
  return sha256(new TextEncoder().encode(text));
}
