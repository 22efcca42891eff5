import { Dexie, type Table } from 'dexie';

/** The key of this device, as the server's key for it opens it. */
export interface DeviceKeyRow {
  readonly id: 'device';
  readonly wrapped: Uint8Array;
}

/** The same key, as the passphrase of somebody opens it who has signed in here. */
export interface PassphraseKeyRow {
  /** `fitter` and the name they sign in by. */
  readonly id: string;
  readonly fitterId: string;
  readonly salt: Uint8Array<ArrayBuffer>;
  readonly rounds: number;
  readonly wrapped: Uint8Array;
  /** How often in a row a wrong one was tried, and until when no other is listened to. */
  readonly wrong: number;
  readonly waitUntil: number;
}

/** When the server was last heard here, and for how many days it may be away. */
export interface ContactRow {
  readonly id: 'contact';
  readonly at: number;
  readonly awayDays: number;
}

/** Something that is kept sealed. */
export interface RecordRow {
  readonly id: string;
  readonly sealed: Uint8Array;
}

/** What this device keeps for when there is no network: keys that open nothing by themselves, and what they seal. */
export class SealedDb extends Dexie {
  declare readonly keys: Table<DeviceKeyRow | PassphraseKeyRow | ContactRow, string>;
  declare readonly records: Table<RecordRow, string>;

  constructor() {
    super('neat-measure-sealed', { cache: 'disabled' });
    this.version(1).stores({ keys: 'id', records: 'id' });
  }
}
