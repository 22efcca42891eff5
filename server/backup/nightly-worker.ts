import { alone } from '../database/prepare';
import { backUpNightly } from './backup';

/** What the nightly backup needs. */
export interface Night {
  readonly owner: string;
  readonly folder: string;
  readonly passphrase: string;
}

/** Backs up in a thread of its own: making a key of a passphrase takes seconds by intent. */
export default function work({ owner, folder, passphrase }: Night): Promise<void> {
  // Of several instances one does it; the others then find it done.
  return alone(owner, () => backUpNightly(owner, folder, passphrase));
}
