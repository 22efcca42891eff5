import { LOCALE } from '@neat-measure/core';
import type { Role } from '@neat-measure/contract';

/** Each role in words, with what it is for. */
export const ROLE_WORDS: Readonly<Record<Role, { readonly name: string; readonly does: string }>> = {
  viewer: { name: 'Viewer', does: 'views dockets, charts and wearers' },
  'stores-clerk': { name: 'Stores clerk', does: 'hands over, takes returns and keeps the stock' },
  fitter: { name: 'Fitter', does: 'measures, decides and hands over' },
  lead: { name: 'Lead fitter', does: 'also edits charts, protocols and tapes, and corrects the stock' },
  administrator: { name: 'Administrator', does: 'also invites users and changes house settings' },
};

/** A moment as people say it. */
export function sayMoment(at: string): string {
  return new Date(at).toLocaleString(LOCALE, { dateStyle: 'medium', timeStyle: 'short' });
}

/** A browser and machine in a few words; what it says of itself is long and mostly untrue. */
export function sayAgent(agent: string): string {
  const browser = /(Firefox|Edg|OPR|Chrome|Safari)\//.exec(agent)?.[1];
  const machine = /(Android|iPhone|iPad|Windows|Macintosh|Linux)/.exec(agent)?.[1];
  const name = { Edg: 'Edge', OPR: 'Opera' }[browser ?? ''] ?? browser ?? 'A browser';
  return machine === undefined ? name : `${name} on ${machine === 'Macintosh' ? 'a Mac' : machine}`;
}
