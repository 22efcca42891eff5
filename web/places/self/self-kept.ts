import { sha256 } from '@noble/hashes/sha2.js';
import { selfSheetSchema, type SelfSheet } from '@neat-measure/contract';
import type { WishCode, WorkingUnit } from '@neat-measure/core';
import { asBytes, asText, seal, unseal } from '../../data/sealed/seal';
import type { Place, Typed } from './self-screens';

/** Where somebody is: reading what to prepare, at a placing, at their wishes, looking at all of it, or done. */
export type Stage = 'start' | 'measure' | 'wishes' | 'check' | 'sent';

/** What is wished for, as it was typed, by wish. */
export type Wishes = Readonly<Partial<Record<WishCode, string>>>;

/** What is kept on this device until it has been sent. */
export interface Kept {
  readonly token: string;
  readonly sheet: SelfSheet;
  readonly submissionId: string;
  readonly unit: WorkingUnit;
  readonly instrument: 'tape' | 'string';
  readonly stage: Stage;
  readonly place: Place;
  readonly typed: Typed;
  readonly wished?: Wishes;
  readonly confirmed: readonly string[];
  /** Whether it was to be sent, and the server could not be reached yet. */
  readonly sending?: boolean;
}

/** What is left of it once it was sent. */
export interface Sent {
  readonly sentAt: string;
}

/** Where a version of before kept what was typed by each link, as it was; and one still before whatever was typed last. */
const keptAs = (token: string) => `neat-measure.self.${token}`;
const ONCE_KEPT_AS = 'neat-measure.self';

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
  private readonly before: string;

  constructor(token: string) {
    this.key = hashOf(`seals ${token}`);
    this.name = KEPT_AS + asText(hashOf(`names ${token}`).subarray(0, BYTES_OF_NAME));
    this.before = keptAs(token);
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
      // From now on it stands sealed, and no longer as it was.
      localStorage.removeItem(this.before);
      return true;
    } catch {
      return false;
    }
  }
}

function hashOf(text: string): Uint8Array {
  return sha256(new TextEncoder().encode(text));
}

/** What this device has of a link; nothing of another's. */
export function keptOf(token: string, read: unknown): Kept | null {
  try {
    const kept = (read ?? null) as Kept | null;
    if (kept === null || kept.token !== token) return null;
    return { ...kept, sheet: selfSheetSchema.parse(kept.sheet) };
  } catch {
    // What an earlier version kept is not taken for what it is not.
    return null;
  }
}

/** Whether it was sent from here. */
export function isSent(read: unknown): read is Sent {
  return typeof read === 'object' && read !== null && 'sentAt' in read && typeof read.sentAt === 'string';
}

/** What is here as a version of before kept it. */
export function keptBefore(token: string): unknown {
  return plain(keptAs(token));
}

/** What was typed when a page of a still earlier version was open: one text a measurement. */
export function oldTyped(token: string): Typed {
  const kept = plain(ONCE_KEPT_AS) as { token?: string; typed?: Record<string, unknown> } | null;
  if (kept?.token !== token) return {};
  const texts = Object.entries(kept.typed ?? {}).filter(([, text]) => typeof text === 'string');
  return Object.fromEntries(texts.map(([code, text]) => [code, [text]])) as Typed;
}

/** Takes out what versions of before kept of a link. */
export function forgetOld(token: string): void {
  localStorage.removeItem(keptAs(token));
  if (Object.keys(oldTyped(token)).length > 0) localStorage.removeItem(ONCE_KEPT_AS);
}

function plain(name: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(name) ?? 'null') as unknown;
  } catch {
    return null;
  }
}
