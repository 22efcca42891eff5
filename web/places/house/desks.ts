import type { Role } from '@neat-measure/contract';

/** The desks of the house, and who may be at them. */
export const DESKS: readonly { readonly path: string; readonly name: string; readonly least: Role }[] = [
  { path: 'you', name: 'You', least: 'viewer' },
  { path: 'people', name: 'People', least: 'administrator' },
  { path: 'sizing', name: 'How we size', least: 'administrator' },
  { path: 'settings', name: 'Settings', least: 'administrator' },
  { path: 'tapes', name: 'Tapes and links', least: 'fitter' },
];
