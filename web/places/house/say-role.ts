import type { Role } from '@neat-measure/contract';

/** Each role in words, with what it is for. */
export const ROLE_WORDS: Readonly<Record<Role, { readonly name: string; readonly does: string }>> = {
  viewer: { name: 'Viewer', does: 'looks at dockets, charts and people' },
  'stores-clerk': { name: 'Stores clerk', does: 'hands over, takes back and keeps the stores' },
  fitter: { name: 'Fitter', does: 'measures, decides and hands over' },
  lead: { name: 'Lead fitter', does: 'also keeps charts, protocols and tapes' },
  administrator: { name: 'Administrator', does: 'also invites people and settles the house' },
};

/** A moment as people say it. */
export function sayMoment(at: string): string {
  return new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
}

/** A browser and machine in a few words; what it says of itself is long and mostly untrue. */
export function sayAgent(agent: string): string {
  const browser = /(Firefox|Edg|OPR|Chrome|Safari)\//.exec(agent)?.[1];
  const machine = /(Android|iPhone|iPad|Windows|Macintosh|Linux)/.exec(agent)?.[1];
  const name = { Edg: 'Edge', OPR: 'Opera' }[browser ?? ''] ?? browser ?? 'Some browser';
  return machine === undefined ? name : `${name} on ${machine === 'Macintosh' ? 'a Mac' : machine}`;
}
