import type { Capability } from '@neat-measure/contract';

/** The desks of the house, and who may be at them. */
export const DESKS: readonly { readonly path: string; readonly name: string; readonly takes: Capability }[] =
  [
    { path: 'you', name: 'You', takes: 'look' },
    { path: 'people', name: 'Users', takes: 'run-house' },
    { path: 'sizing', name: 'Sizing rules', takes: 'run-house' },
    { path: 'settings', name: 'Settings', takes: 'run-house' },
    { path: 'late', name: 'Late changes', takes: 'accept-late' },
    { path: 'devices', name: 'Devices', takes: 'accept-late' },
    { path: 'tapes', name: 'Tapes and links', takes: 'measure' },
  ];
