import { Dexie, type Table } from 'dexie';

/** An act that is written down on this device and not known to be kept by the server. */
export interface JournalRow {
  /** Counts up in the order acts were done on this device. */
  readonly order?: number;
  readonly id: string;
  readonly docketId: string;
  /** What signs it: the pen of whoever did it, who may not be signed in when it is sent. */
  readonly pen: string;
  /** Whatever stands here is read anew each time: another version may have written it. */
  readonly act: unknown;
}

/** An act that will not be kept, and why; it stays until somebody has seen it. */
export interface AsideRow {
  readonly order?: number;
  readonly id: string;
  readonly docketId: string;
  readonly act: unknown;
  readonly why: string;
  readonly at: string;
}

/** What this device writes down, in the browser's own database. */
export class JournalDb extends Dexie {
  declare readonly acts: Table<JournalRow, number>;
  declare readonly aside: Table<AsideRow, number>;

  constructor() {
    // Dexie's cache of what is on its way fails for good once one act could not be added (4.4).
    super('neat-measure', { cache: 'disabled' });
    this.version(1).stores({ acts: '++order, &id, docketId', aside: '++order, &id' });
    // Another tab brings a newer form of it: this one lets go, and keeps what it has in its page.
    this.on('versionchange', () => {
      this.close();
      return false;
    });
  }
}
