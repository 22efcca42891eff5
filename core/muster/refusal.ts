import type { MusterCapability } from './trust';

/** Why an act is not done on a muster. The muster stays as it was. */
export type MusterRefusal =
  | { readonly code: 'no-muster' }
  | { readonly code: 'muster-opened-already' }
  | { readonly code: 'muster-closed' }
  | { readonly code: 'muster-open' }
  | { readonly code: 'muster-not-trusted'; readonly takes: MusterCapability }
  | { readonly code: 'no-such-station' }
  | { readonly code: 'station-there' }
  | { readonly code: 'station-closed'; readonly station: string }
  /** Somebody else is at it. */
  | { readonly code: 'station-busy'; readonly station: string; readonly wearerId: string }
  | { readonly code: 'not-on-muster' }
  /** Somebody who is not among the wearers, or has been erased. */
  | { readonly code: 'no-such-wearer-here' }
  /** The docket they are to have is another wearer's. */
  | { readonly code: 'docket-of-another'; readonly wearerId: string }
  /** Another act has the id. */
  | { readonly code: 'act-id-taken' }
  | { readonly code: 'on-muster-already'; readonly wearerId: string }
  | { readonly code: 'muster-full'; readonly most: number }
  /** They are here already, or at a station. */
  | { readonly code: 'here-already'; readonly wearerId: string }
  /** Another station has called them. */
  | { readonly code: 'called-elsewhere'; readonly wearerId: string; readonly station: string }
  /** They have gone. */
  | { readonly code: 'gone-already'; readonly wearerId: string }
  /** They are not at that station any more. */
  | { readonly code: 'not-at-station'; readonly wearerId: string; readonly station: string }
  /** They have come already, so they cannot be taken off the list. */
  | { readonly code: 'come-already'; readonly wearerId: string }
  /** Something was done about them since. */
  | { readonly code: 'went-on-meanwhile'; readonly wearerId: string }
  | { readonly code: 'days-backward' };
