import { forgetDevice } from '../../testing/wire';
import { asText, newKey, seal, unseal } from './seal';
import { SealedDb } from './sealed-db';
import { Vault } from './vault';

describe('what this device keeps sealed', () => {
  beforeEach(forgetDevice);
  afterEach(forgetDevice);

  const DEVICE = { key: 'B'.repeat(43), awayDays: 30 };
  const ODALYS = { signIn: 'odalys', passphrase: 'low-tide-table', fitterId: 'f1' };
  const opened = async (device = DEVICE, typed?: typeof ODALYS) => {
    const vault = new Vault();
    await vault.enter(device, typed);
    return vault;
  };

  it('opens with its key alone, and not once a bit of it was changed', () => {
    const [key, other] = [newKey(), newKey()];
    const sealed = seal(key, { chest: '98' });
    expect(unseal(key, sealed)).toEqual({ chest: '98' });
    expect(unseal(other, sealed)).toBeUndefined();
    for (const at of [0, 13, sealed.length - 1]) {
      const changed = sealed.slice();
      changed[at]! ^= 1;
      expect(unseal(key, changed)).withContext(`byte ${at}`).toBeUndefined();
    }
    expect(unseal(key, new Uint8Array(3))).toBeUndefined();
    // The same twice does not look the same.
    expect(asText(seal(key, 'a'))).not.toBe(asText(seal(key, 'a')));
  });

  it('opens with what the server says, whichever page asks, and stays what it was', async () => {
    await (await opened()).keep('pack house', { charts: ['jacket'] });
    const again = await opened();
    expect(await again.kept('pack house')).toEqual({ charts: ['jacket'] });
    expect(again.lost()).toBeFalse();
    const [one, two] = await Promise.all([opened(), opened()]);
    await one.keep('a', 1);
    expect(await two.kept('a')).toBe(1);
  });

  it('is one key for two pages that come first at once', async () => {
    const [one, two] = await Promise.all([opened(), opened()]);
    await one.keep('a', 1);
    expect([await two.kept('a'), one.lost(), two.lost()]).toEqual([1, false, false]);
  });

  it('opens without the server for whoever has signed in here, with their passphrase alone', async () => {
    const vault = await opened(DEVICE, ODALYS);
    await vault.keep('a', 'kept');
    const away = new Vault();
    expect(await away.knowsSomebody()).toBeTrue();
    expect(await away.kept('a'))
      .withContext('before anybody has signed in')
      .toBeUndefined();
    expect(await away.unlock('tiernan', 'low-tide-table')).toEqual(
      jasmine.objectContaining({ why: 'unknown' }),
    );
    expect(await away.unlock('odalys', 'high-tide-table')).toEqual(
      jasmine.objectContaining({ why: 'wrong' }),
    );
    expect(await away.unlock(' Odalys', 'low-tide-table')).toEqual({ opened: true, fitterId: 'f1' });
    expect(await away.kept('a')).toBe('kept');
    away.lock();
    expect(await away.kept('a')).toBeUndefined();
  });

  it('waits ever longer behind the fifth wrong passphrase, on a page loaded anew too', async () => {
    await opened(DEVICE, ODALYS);
    const tries: number[] = [];
    for (let at = 1; at <= 5; at++) {
      const answer = await new Vault().unlock('odalys', `wrong-${at}`);
      if (!answer.opened)
        tries.push(answer.waitUntil === 0 ? 0 : Math.round((answer.waitUntil - Date.now()) / 1_000));
    }
    expect(tries).toEqual([0, 0, 0, 0, 30]);
    expect(await new Vault().unlock('odalys', 'low-tide-table'))
      .withContext('the right one waits too')
      .toEqual(jasmine.objectContaining({ opened: false, why: 'wait' }));
    const db = new SealedDb();
    await db.keys.toCollection().modify((row) => {
      if ('waitUntil' in row) Object.assign(row, { waitUntil: Date.now() - 1 });
    });
    const next = await new Vault().unlock('odalys', 'wrong-6');
    expect(next.opened ? 0 : Math.round((next.waitUntil - Date.now()) / 1_000)).toBe(60);
    await db.keys.toCollection().modify((row) => {
      if ('waitUntil' in row) Object.assign(row, { waitUntil: 0 });
    });
    db.close();
    expect((await new Vault().unlock('odalys', 'low-tide-table')).opened).toBeTrue();
  });

  it('erases what was taken along when its owner signs out, and lets what waits be read by who signs in next', async () => {
    const vault = await opened(DEVICE, ODALYS);
    await vault.keep('pack house', 1);
    const waits = vault.seal({ act: 1 });
    await vault.forget();
    expect([await vault.kept('pack house'), await new Vault().knowsSomebody()]).toEqual([undefined, false]);
    expect((await opened()).unseal(waits)).toEqual({ act: 1 });
  });

  it('erases it by itself where the server was not heard for the days the house says', async () => {
    const vault = await opened(DEVICE, ODALYS);
    await vault.keep('pack house', 1);
    const db = new SealedDb();
    const heard = async (days: number) =>
      db.keys.put({ id: 'contact', at: Date.now() - days * 86_400_000, awayDays: 30 });
    await heard(29.9);
    expect(await new Vault().knowsSomebody()).toBeTrue();
    await heard(30.1);
    expect([await new Vault().knowsSomebody(), await db.records.count()]).toEqual([false, 0]);
    db.close();
  });

  it('says that it is lost where the house knows the browser no more, unless a passphrase opens it', async () => {
    await (await opened(DEVICE, ODALYS)).keep('pack house', 1);
    const other = { ...DEVICE, key: 'C'.repeat(43) };
    const recovered = await opened(other, ODALYS);
    expect([await recovered.kept('pack house'), recovered.lost()]).toEqual([1, false]);
    const lost = await opened({ ...DEVICE, key: 'D'.repeat(43) });
    expect([await lost.kept('pack house'), lost.lost()]).toEqual([undefined, true]);
    expect((await opened({ ...DEVICE, key: 'D'.repeat(43) })).lost()).toBeFalse();
  });

  it('puts much in the place of what was there, all of it or nothing', async () => {
    const vault = await opened();
    await vault.keepAll(
      'pack ',
      new Map([
        ['pack a', 1],
        ['pack b', 2],
      ]),
    );
    await vault.keep('since c', 3);
    const bytes = await vault.keepAll('pack ', new Map([['pack b', 4]]));
    expect(bytes).toBeGreaterThan(0);
    expect([...(await vault.keptUnder('pack '))]).toEqual([['pack b', 4]]);
    expect(await vault.kept('since c')).toBe(3);
  });
});
