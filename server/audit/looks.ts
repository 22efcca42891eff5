import { LRUCache } from 'lru-cache';
import type { Database } from '../database/database';
import { asker } from '../http/asker';
import { note } from './store';

/** Whoever goes on looking at the same within this time looks at it once. */
const ONE_LOOK_MS = 15 * 60_000;
/** What each session has looked at of late, on this instance. */
const LOOKED = new LRUCache<string, true>({ max: 20_000, ttl: ONE_LOOK_MS });

/** What is looked at: a docket or a wearer's record, and whose it is; the exceptions of everybody, a group sized, or a muster taken along. */
export type LookedAt =
  | {
      readonly kind: 'docket' | 'wearer';
      readonly id: string;
      readonly wearerId: () => Promise<string | undefined>;
    }
  | { readonly kind: 'exceptions' }
  | { readonly kind: 'sizing'; readonly id: string }
  | { readonly kind: 'muster'; readonly id: string };

/**
 * Notes that somebody looks at what was measured of a person, once a look: a docket that is opened, followed and judged is
 * looked at once. What is not there is not noted.
 *
 * @param by whoever looks
 */
export async function noteLook(database: Database, by: string, at: LookedAt): Promise<void> {
  const key = [asker(), by, at.kind, at.kind === 'exceptions' ? '' : at.id].join(' ');
  if (LOOKED.has(key)) return;
  if (at.kind === 'exceptions') await note(database, { by, kind: 'exceptions-looked-at' });
  else if (at.kind === 'muster')
    await note(database, { by, kind: 'muster-taken-along', about: { kind: 'muster', id: at.id } });
  else if (at.kind === 'sizing')
    await note(database, { by, kind: 'sizing-looked-at', about: { kind: 'sizing', id: at.id } });
  else {
    const wearerId = await at.wearerId();
    if (wearerId === undefined) return;
    await note(database, { by, kind: 'wearer-looked-at', about: { kind: at.kind, id: at.id }, wearerId });
  }
  LOOKED.set(key, true);
}
