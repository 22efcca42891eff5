import { Dexie, type Table } from 'dexie';

/** An act that is written down on this device and not known to be kept by the server. */
export interface JournalRow {
  /** Counts up in the order acts were done on this device. */
  readonly order?: number;
  readonly id: string;
  /** What it is done on: a docket or a muster. */
  readonly subject: string;
  /** What must be sent before it, where its subject comes about only by that. */
  readonly after?: string;
  /** Whether it was done while the server could not be reached. */
  readonly away?: boolean;
  /** What signs it: the pen of whoever did it, who may not be signed in when it is sent. */
  readonly pen: string;
  /** Whatever stands here is read anew each time: another version may have written it. */
  readonly act: unknown;
}

/** An act as it lies in the browser's database: what it is and who signs it can be read by whoever is signed in here. */
export interface StoredRow {
  readonly order?: number;
  readonly id: string;
  readonly subject: string;
  readonly after?: string;
  readonly away?: boolean;
  readonly sealed: Uint8Array;
}

/** An act that will not be kept, and why; it stays until somebody has seen it. */
export interface AsideRow {
  readonly order?: number;
  readonly id: string;
  readonly subject: string;
  /** Nothing where it can be read no more. */
  readonly act?: unknown;
  readonly why: string;
  /** Whether the server has it, for a lead fitter to accept. */
  readonly late?: boolean;
  /** Whether it was done while the server was away: then it is told of among what met something, too. */
  readonly away?: boolean;
  readonly at: string;
}

/** The same as it lies in the browser's database. */
export interface StoredAside extends Omit<AsideRow, 'act' | 'why'> {
  readonly sealed: Uint8Array;
}

/** What this device writes down, in the browser's own database. */
export class JournalDb extends Dexie {
  /** A version of before wrote its rows down as they were. */
  declare readonly acts: Table<StoredRow | JournalRow, number>;
  declare readonly aside: Table<StoredAside | AsideRow, number>;

  constructor() {
    // Dexie's cache of what is on its way fails for good once one act could not be added (4.4).
    super('neat-measure', { cache: 'disabled' });
    this.version(1).stores({ acts: '++order, &id, docketId', aside: '++order, &id' });
    // What is done on musters waits beside what is done on dockets.
    this.version(2)
      .stores({ acts: '++order, &id, subject', aside: '++order, &id' })
      .upgrade(async (transaction) => {
        for (const name of ['acts', 'aside'])
          await transaction
            .table(name)
            .toCollection()
            .modify((row: { subject?: unknown; docketId?: unknown }) => {
              row.subject = row.docketId;
              delete row.docketId;
            });
      });
    // From now on what stands here is sealed: a page of before lets go of it instead of setting aside what it cannot read.
    this.version(3).stores({ acts: '++order, &id, subject', aside: '++order, &id' });
    // Another tab brings a newer form of it: this one lets go, and keeps what it has in its page.
    this.on('versionchange', () => {
      this.close();
      return false;
    });
  }
}
