import { Injectable, signal } from '@angular/core';
import { firstValueFrom, Subject, type Observable } from 'rxjs';
import { breaths } from '../breaths';
import { canDerive, keyOfPassphrase, ROUNDS } from './passphrase-key';
import { asBytes, newKey, seal, sealBytes, unseal, unsealBytes } from './seal';
import {
  SealedDb,
  type ContactRow,
  type DeviceKeyRow,
  type PassphraseKeyRow,
  type RecordRow,
} from './sealed-db';

/** So many wrong passphrases in a row are listened to at once; each further one waits twice as long. */
const FREE_TRIES = 5;
const FIRST_WAIT_MS = 30_000;
const LAST_WAIT_MS = 3_600_000;
const DAY_MS = 86_400_000;
const SALT_BYTES = 16;

/** What came of a passphrase: it opened what is kept here, or it did not, and until when no other is listened to. */
export type Unlocking =
  | { readonly opened: true; readonly fitterId: string }
  | { readonly opened: false; readonly why: 'unknown' | 'wrong' | 'wait'; readonly waitUntil: number };

/**
 * What seals everything that this device keeps of people. One key seals it; that key lies here wrapped, by a key the server
 * tells whoever is signed in, and by the passphrase of everybody who has signed in here: so it opens with the server, and
 * without it for them alone. The key itself is in the page's memory only.
 */
@Injectable({ providedIn: 'root' })
export class Vault {
  private readonly db = new SealedDb();
  private key: Uint8Array | null = null;
  private readonly opening = new Subject<void>();
  /** Emits whenever what is kept here can be read: somebody has signed in. */
  readonly opens: Observable<void> = this.opening.asObservable();
  readonly isOpen = signal(false);
  /** Whether what was sealed here before no longer opens: by a key that is gone. */
  readonly lost = signal(false);

  /**
   * Opens with what the server says, for whoever is signed in.
   *
   * @param typed what they signed in with just now, so that it opens without the server from now on
   */
  async enter(
    { key, awayDays }: { readonly key: string; readonly awayDays: number },
    typed?: Typed & { readonly fitterId: string },
  ): Promise<void> {
    const deviceKey = asBytes(key);
    if (deviceKey === undefined) return;
    try {
      await this.forgetIfLongAway();
      await this.db.keys.put({ id: 'contact', at: Date.now(), awayDays });
      this.open(this.key ?? (await this.withDeviceKey(deviceKey, typed)));
    } catch {
      // No room, or none allowed: what is done is kept by this page alone, which says so.
      this.open(this.key ?? newKey());
    }
    if (typed !== undefined) await this.remember(typed).catch(() => undefined);
  }

  /** Resolves once what is kept here can be read. */
  whenOpen(): Promise<void> {
    return this.isOpen() ? Promise.resolve() : firstValueFrom(this.opening);
  }

  /** Whether anybody can go on here without the server. */
  async knowsSomebody(): Promise<boolean> {
    await this.forgetIfLongAway();
    const ids = await this.db.keys.toCollection().primaryKeys();
    return ids.some((id) => id.startsWith(FITTER));
  }

  /** Opens with a passphrase, where the server cannot be asked. */
  async unlock(signIn: string, passphrase: string): Promise<Unlocking> {
    const row = await this.passphraseKey(signIn);
    if (row === undefined || !canDerive()) return { opened: false, why: 'unknown', waitUntil: 0 };
    if (row.waitUntil > Date.now()) return { opened: false, why: 'wait', waitUntil: row.waitUntil };
    const key = unsealBytes(await keyOfPassphrase(passphrase, row.salt, row.rounds), row.wrapped);
    if (key !== undefined) {
      await this.db.keys.put({ ...row, wrong: 0, waitUntil: 0 });
      this.open(key);
      return { opened: true, fitterId: row.fitterId };
    }
    const wrong = row.wrong + 1;
    const waits = wrong < FREE_TRIES ? 0 : Math.min(FIRST_WAIT_MS * 2 ** (wrong - FREE_TRIES), LAST_WAIT_MS);
    const waitUntil = waits === 0 ? 0 : Date.now() + waits;
    await this.db.keys.put({ ...row, wrong, waitUntil });
    return { opened: false, why: 'wrong', waitUntil };
  }

  /** Nobody reads here from now on until somebody signs in. */
  lock(): void {
    this.key = null;
    this.isOpen.set(false);
  }

  /** Erases what was taken along, and what opens without the server. What waits to be sent stays, and opens with it. */
  async forget(): Promise<void> {
    await this.db.transaction('rw', this.db.keys, this.db.records, async () => {
      await this.db.records.clear();
      await this.db.keys.where('id').startsWith(FITTER).delete();
    });
  }

  /** Erases all of it, keys and all: what was sealed here opens by nothing any more. */
  async erase(): Promise<void> {
    await this.db.transaction('rw', this.db.keys, this.db.records, async () => {
      await this.db.records.clear();
      await this.db.keys.clear();
    });
    this.lock();
  }

  /**
   * A passphrase was changed: the new one opens what is here without the server, and the one before no more.
   *
   * @param fitterId whose it is; nothing changes where they have not signed in here by one
   */
  async rewrap(fitterId: string, passphrase: string): Promise<void> {
    const rows = (await this.db.keys.where('id').startsWith(FITTER).toArray()) as PassphraseKeyRow[];
    for (const row of rows.filter((one) => one.fitterId === fitterId))
      await this.remember({ signIn: row.id.slice(FITTER.length), passphrase, fitterId });
  }

  /** Seals something. Only while it is open. */
  seal(value: unknown): Uint8Array {
    if (this.key === null) throw new Error('Nobody is signed in on this device.');
    return seal(this.key, value);
  }

  /** What was sealed; nothing where it does not open. */
  unseal(sealed: Uint8Array): unknown {
    return this.key === null ? undefined : unseal(this.key, sealed);
  }

  /** Keeps something sealed under an id; what was there is replaced. */
  async keep(id: string, value: unknown): Promise<number> {
    const sealed = this.seal(value);
    await this.db.records.put({ id, sealed });
    return sealed.length;
  }

  /** What is kept under an id; nothing where nothing is, or where it does not open. */
  async kept(id: string): Promise<unknown> {
    const row = await this.db.records.get(id).catch(() => undefined);
    return row === undefined ? undefined : this.unseal(row.sealed);
  }

  /** All that is kept under ids that begin alike, each by its id. */
  async keptUnder(beginning: string): Promise<ReadonlyMap<string, unknown>> {
    const rows = await this.db.records.where('id').startsWith(beginning).toArray();
    return new Map(rows.map(({ id, sealed }) => [id, this.unseal(sealed)]));
  }

  /** Keeps much at once, all or nothing, in the place of what was kept under ids that begin alike; how many bytes it takes. */
  async keepAll(beginning: string, values: ReadonlyMap<string, unknown>): Promise<number> {
    const rows: RecordRow[] = [];
    const breath = breaths();
    for (const [id, value] of values) {
      rows.push({ id, sealed: this.seal(value) });
      await breath();
    }
    await this.db.transaction('rw', this.db.records, async () => {
      await this.db.records.where('id').startsWith(beginning).delete();
      await this.db.records.bulkPut(rows);
    });
    return rows.reduce((sum, { sealed }) => sum + sealed.length, 0);
  }

  /** Takes out what is kept under ids that begin alike. */
  async drop(beginning: string): Promise<void> {
    await this.db.records.where('id').startsWith(beginning).delete();
  }

  private open(key: Uint8Array): void {
    this.key = key;
    const before = this.isOpen();
    this.isOpen.set(true);
    if (!before) this.opening.next();
  }

  private async withDeviceKey(deviceKey: Uint8Array, typed?: Typed): Promise<Uint8Array> {
    const row = (await this.db.keys.get('device')) as DeviceKeyRow | undefined;
    if (row !== undefined) {
      const known = unsealBytes(deviceKey, row.wrapped) ?? (await this.withPassphrase(typed));
      if (known !== undefined) {
        await this.db.keys.put({ id: 'device', wrapped: sealBytes(deviceKey, known) });
        return known;
      }
      // The house knows this browser no more: what was sealed for it stays sealed.
      this.lost.set(true);
    }
    const key = newKey();
    const wrapped = sealBytes(deviceKey, key);
    if (row !== undefined) {
      await this.forget();
      await this.db.keys.put({ id: 'device', wrapped });
      return key;
    }
    // Of two pages that come at once, one makes it.
    const first = await this.db.keys.add({ id: 'device', wrapped }).catch(() => null);
    return first === null ? this.withDeviceKey(deviceKey, typed) : key;
  }

  private async withPassphrase(typed?: Typed): Promise<Uint8Array | undefined> {
    const row = typed === undefined ? undefined : await this.passphraseKey(typed.signIn);
    if (typed === undefined || row === undefined || !canDerive()) return undefined;
    return unsealBytes(await keyOfPassphrase(typed.passphrase, row.salt, row.rounds), row.wrapped);
  }

  private async remember({
    signIn,
    passphrase,
    fitterId,
  }: Typed & { readonly fitterId: string }): Promise<void> {
    if (!canDerive() || this.key === null) return;
    const salt = crypto.getRandomValues(new Uint8Array(SALT_BYTES));
    const wrapped = sealBytes(await keyOfPassphrase(passphrase, salt, ROUNDS), this.key);
    const row = { id: idOf(signIn), fitterId, salt, rounds: ROUNDS, wrapped, wrong: 0, waitUntil: 0 };
    await this.db.keys.put(row);
  }

  private async passphraseKey(signIn: string): Promise<PassphraseKeyRow | undefined> {
    return (await this.db.keys.get(idOf(signIn))) as PassphraseKeyRow | undefined;
  }

  /** A device that the server has not heard for longer than the house lets it be away erases what it took along. */
  private async forgetIfLongAway(): Promise<void> {
    const row = (await this.db.keys.get('contact')) as ContactRow | undefined;
    if (row !== undefined && Date.now() - row.at > row.awayDays * DAY_MS) await this.forget();
  }
}

/** What somebody signs in with. */
interface Typed {
  readonly signIn: string;
  readonly passphrase: string;
}

const FITTER = 'fitter ';

function idOf(signIn: string): string {
  return `${FITTER}${signIn.trim().toLowerCase()}`;
}
