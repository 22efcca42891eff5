import { PATHS, ROUTES } from '@neat-measure/contract';
import { Harness, PASSPHRASE } from '../testing/harness';
import { attempt, benchLimits, limitsOf } from './throttle';
import { endTries, tryNow, waitAfter } from './tries';

describe('guessing', () => {
  let app: Harness;
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());

  const signInAs = (signIn: string, more: object = {}) =>
    app.send('POST', ROUTES.session, { signIn, passphrase: PASSPHRASE, ...more }, { cookie: '' });
  const statuses = async (answers: readonly Promise<{ status: number }>[]) => {
    const counts: Record<number, number> = {};
    for (const { status } of await Promise.all(answers)) counts[status] = (counts[status] ?? 0) + 1;
    return counts;
  };
  /** Every cookie a browser has after signing in. */
  const deviceOf = async (signIn: string) => {
    const response = await fetch(`http://127.0.0.1:${app.port}${ROUTES.session}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ signIn, passphrase: PASSPHRASE }),
    });
    const set = response.headers.getSetCookie();
    return set.find((one) => one.startsWith('neat-measure-device='))!.split(';')[0]!;
  };
  const fromDevice = (device: string, body: object) =>
    app.send('POST', ROUTES.session, body, { cookie: device });

  it('by four hundred at once is tried as often as by one after the other', async () => {
    const wrong = Array.from({ length: 400 }, () => signInAs('odalys', { passphrase: 'wrong' }));
    const { 401: tried = 0, 429: refused = 0 } = await statuses(wrong);
    expect(tried + refused).toBe(400);
    // Five, and one more for every wait that was over before the last was heard.
    expect(tried).toBeGreaterThanOrEqual(5);
    expect(tried).toBeLessThanOrEqual(8);
  });

  it('through several instances at once is counted once', async () => {
    const limits = limitsOf({ account: 'odalys', address: '10.1.1.1', device: null });
    const waits = await Promise.all(Array.from({ length: 60 }, () => tryNow(app.database, limits)));
    expect(waits.filter((wait) => wait === 0).length).toBe(5);
  });

  it('keeps no owner out of a device they are known on, and no crowd of theirs', async () => {
    const device = await deviceOf('odalys');
    for (let at = 0; at < 8; at++) await signInAs('odalys', { passphrase: 'wrong' });
    expect((await signInAs('odalys')).status)
      .withContext('from where the guesses come')
      .toBe(429);
    const right = Array.from({ length: 12 }, () =>
      fromDevice(device, { signIn: 'odalys', passphrase: PASSPHRASE }),
    );
    expect(await statuses(right)).toEqual({ 200: 12 });
  });

  it('at a device that is known is counted there, and a made-up device is none', async () => {
    const device = await deviceOf('odalys');
    const wrong = { signIn: 'odalys', passphrase: 'wrong' };
    for (let at = 0; at < 5; at++) await fromDevice(device, wrong);
    expect((await fromDevice(device, wrong)).status).toBe(429);
    expect((await signInAs('odalys')).status)
      .withContext('elsewhere')
      .toBe(200);
    await app.person('fitter');
    const [name, value] = device.split('=') as [string, string];
    const made = [
      `${name}=${encodeURIComponent(JSON.stringify({ id: 'x', accounts: [app.fitter.id] }))}`,
      `${name}=${value.slice(0, -3)}abc`,
      // Known for another account.
      await deviceOf('fitter'),
    ];
    for (let at = 0; at < 5; at++) await signInAs('odalys', { passphrase: 'wrong' });
    for (const cookie of made)
      expect((await fromDevice(cookie, wrong)).status)
        .withContext(cookie)
        .toBe(429);
  });

  it('at names nobody has, or by many people’s slips, makes nobody else wait', async () => {
    const crowd = await Promise.all(
      Array.from({ length: 31 }, (_, at) => app.person('fitter', `fitter-${at}`)),
    );
    const slips = crowd.map(({ signIn }) => signInAs(signIn, { passphrase: 'slip' }));
    expect(await statuses(slips)).toEqual({ 401: 31 });
    const unknown = Array.from({ length: 60 }, (_, at) => signInAs(`nobody-${at}`));
    expect(await statuses(unknown)).toEqual({ 401: 60 });
    expect(await statuses(crowd.map(({ signIn }) => signInAs(signIn)))).toEqual({ 200: 31 });
  }, 60_000);

  it('makes wait for half a minute at most, also where the clock was put back', async () => {
    for (let at = 0; at < 6; at++) await signInAs('odalys', { passphrase: 'wrong' });
    await app.database.raw('update sign_in_trials set failures = 30, last_at = now(3) + interval 1 hour');
    const wait = async () => Number(/Wait (\d+) seconds/.exec((await signInAs('odalys')).body.detail)?.[1]);
    expect(await wait()).toBeLessThanOrEqual(30);
    await app.database.raw('update sign_in_trials set last_at = now(3) - interval 31 second');
    expect((await signInAs('odalys')).status).toBe(200);
  });

  it('is let off after its wait, and forgiven to whoever then shows who they are', async () => {
    await app.person('fitter');
    const slip = () => signInAs('fitter', { passphrase: 'wrong' });
    for (let at = 0; at < 4; at++) await slip();
    await signInAs('odalys');
    expect((await slip()).status)
      .withContext('another’s success forgives nothing')
      .toBe(401);
    const soon = await signInAs('fitter');
    expect([soon.status, soon.body.detail]).toEqual([
      429,
      'Too many wrong attempts. Wait a second, then try again.',
    ]);
    await app.database.raw('update sign_in_trials set last_at = now(3) - interval 2 second');
    expect((await signInAs('fitter')).status).toBe(200);
    for (let at = 0; at < 5; at++) expect((await slip()).status).toBe(401);
  });

  it('waits ever longer, and never without end', () => {
    const patience = { free: 5, first: 1_000, most: 30_000, forgotten: 1 };
    expect([4, 5, 6, 8, 10, 99].map((tries) => waitAfter(tries, patience))).toEqual([
      0, 1_000, 2_000, 8_000, 30_000, 30_000,
    ]);
  });

  it('from one network is from one place, and an attempt that comes to no end counts nothing', async () => {
    const placed = (address: string) => limitsOf({ account: 'a', address, device: null })[0]!.who;
    expect(placed('2001:db8:1:2::7')).toBe(placed('2001:db8:1:2:aaaa::1'));
    expect(placed('2001:db8:1:2::7')).not.toBe(placed('2001:db8:1:3::7'));
    expect(placed('::1')).not.toBe(placed('2001:db8::1'));
    // However an address is shortened, its network is its first four groups.
    expect(placed('2001:db8::1')).toBe(placed('2001:db8:0:0:1::2'));
    expect(placed('2001:db8::')).toBe(placed('2001:db8::1'));
    expect(placed('2001:db8::1:2:3:4:5')).toBe(placed('2001:db8:0:1::9'));
    expect(placed('::1:2:3:4:5:6:7')).toBe(placed('0:1:2:3::'));
    expect(placed('10.0.0.1')).not.toBe(placed('10.0.0.2'));
    expect(placed('::ffff:10.0.0.1')).not.toBe(placed('::ffff:10.0.0.2'));
    const limits = limitsOf({ account: 'a', address: '10.0.0.1', device: null });
    for (let at = 0; at < 8; at++)
      await expectAsync(
        attempt(app.database, limits, () => Promise.reject(new Error('away'))),
      ).toBeRejectedWithError('away');
  });

  it('that was none is taken back, and one that was right makes good all at its own place alone', async () => {
    const limits = limitsOf({ account: 'a', address: '10.0.0.1', device: null });
    const counted = async () => {
      const rows: { who: string; failures: number }[] = await app
        .database('sign_in_trials')
        .select('who', 'failures');
      return limits.map(({ who }) => rows.find((row) => row.who === who)?.failures);
    };
    for (let at = 0; at < 3; at++) await tryNow(app.database, limits);
    expect(await counted()).toEqual([3, 3]);
    await endTries(app.database, limits, 'untried');
    expect(await counted()).toEqual([2, 2]);
    await endTries(app.database, limits, 'right');
    expect(await counted()).toEqual([0, 1]);
    await endTries(app.database, limits, 'untried');
    await endTries(app.database, limits, 'untried');
    expect(await counted())
      .withContext('never fewer than none')
      .toEqual([0, 0]);
  });

  describe('a bench code', () => {
    let hand: { readonly id: string };
    beforeEach(async () => {
      hand = await app.person('lead', 'tiernan');
      const cookie = await app.cookieOf('tiernan');
      await app.send('PUT', PATHS.benchCode, { passphrase: PASSPHRASE, code: '4711' }, { cookie });
    });
    const take = (code: string, cookie = app.cookie) =>
      app.send('POST', PATHS.hand, { id: hand.id, code }, { cookie });

    it('is tried five times an hour at a device, however many come at once', async () => {
      expect(await statuses(Array.from({ length: 40 }, () => take('0000')))).toEqual({ 401: 5, 429: 35 });
      const told = await take('4711');
      expect(told.body.detail).toBe(
        'Too many wrong attempts. Wait 60 minutes, or sign in with your passphrase.',
      );
    });

    it('is tried ten times an hour by whoever signs in anew for every five', async () => {
      const tried: number[] = [];
      for (let at = 0; at < 4; at++) {
        const cookie = await app.cookieOf('odalys');
        for (let code = 0; code < 4; code++) tried.push((await take(`000${code}`, cookie)).status);
      }
      expect(tried.filter((status) => status === 401).length).toBe(10);
      await app.database.raw('update sign_in_trials set last_at = last_at - interval 61 minute');
      expect((await take('4711')).status).toBe(200);
    });

    it('is not told of: everybody who works on dockets is listed, with one or without', async () => {
      const { body } = await app.get(PATHS.hands);
      expect(body.map(({ name }: { name: string }) => name)).toEqual(['Odalys Wren', 'The lead']);
      expect(benchLimits({ device: 'a', ownerId: 'b', handId: 'c' }).length).toBe(2);
    });
  });
});
