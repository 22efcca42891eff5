import { PATHS, pathOf, ROUTES, type Session } from '@neat-measure/contract';
import { scryptSync } from 'node:crypto';
import { Harness, PASSPHRASE } from '../testing/harness';
import { opening, problem, Records, reading } from '../testing/records';
import { HouseSettings } from '../settings/service';
import { stillLasts, whoAsks } from './service';
import { endSessions } from './store';

describe('a session', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());
  const signInAs = (signIn: string, more: object = {}) =>
    app.send('POST', ROUTES.session, { signIn, passphrase: PASSPHRASE, ...more }, { cookie: '' });
  const whoHas = async (cookie: string) =>
    (await app.send('GET', ROUTES.session, undefined, { cookie })).body.who?.name ?? null;

  it('ends when another begins in the same browser, and no other does', async () => {
    const elsewhere = await app.cookieOf('odalys');
    const before = app.cookie;
    await app.signIn();
    expect([await whoHas(before), await whoHas(app.cookie), await whoHas(elsewhere)]).toEqual([
      null,
      'Odalys Wren',
      'Odalys Wren',
    ]);
  });

  it('ends for good when its owner signs out, here and nowhere else', async () => {
    const [here, elsewhere] = [await app.cookieOf('odalys'), await app.cookieOf('odalys')];
    const out = await app.send('DELETE', ROUTES.session, undefined, { cookie: here });
    expect(out.status).toBeLessThan(300);
    // The cookie itself, kept by somebody, opens nothing any more.
    expect([await whoHas(here), await whoHas(elsewhere)]).toEqual([null, 'Odalys Wren']);
    expect(await app.database('audit').where({ kind: 'signed-out' }).pluck('about')).toEqual([app.fitter.id]);
  });

  it('tells whoever is signed in what opens what this device keeps: another for each device, and nobody else', async () => {
    const response = async (cookie: string) => {
      const answer = await fetch(`http://127.0.0.1:${app.port}${ROUTES.session}`, { headers: { cookie } });
      return { device: ((await answer.json()) as Session).device, set: answer.headers.getSetCookie() };
    };
    const first = await response(app.cookie);
    const cookies = [app.cookie, first.set[0]!.split(';')[0]!];
    expect(first.device).toEqual({ key: jasmine.stringMatching(/^[\w-]{43}$/) as never, awayDays: 30 });
    const again = await response(cookies.join('; '));
    expect([again.device, again.set]).toEqual([first.device, []]);
    const elsewhere = await response(app.cookie);
    expect(elsewhere.device!.key).not.toBe(first.device!.key);
    expect((await response(cookies[1]!)).device).toBeNull();
    // Whoever signs in next on the same device reads the same.
    const answer = await fetch(`http://127.0.0.1:${app.port}${ROUTES.session}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: cookies[1]! },
      body: JSON.stringify({ signIn: 'odalys', passphrase: PASSPHRASE }),
    });
    expect(((await answer.json()) as Session).device).toEqual(first.device);
  });

  it('ends in peace where there is none, and says no other house than one’s own', async () => {
    expect((await app.send('DELETE', ROUTES.session, undefined, { cookie: '' })).status).toBeLessThan(300);
    const { who } = (await app.get(ROUTES.session)).body;
    expect([who.name, who.house]).toEqual(['Odalys Wren', null]);
  });

  it('is ended by its owner from another, by itself, and nothing of anybody else’s is', async () => {
    const [here, elsewhere, third] = [
      await app.cookieOf('odalys'),
      await app.cookieOf('odalys'),
      await app.cookieOf('odalys'),
    ];
    const list = (cookie: string) => app.send('GET', PATHS.sessions, undefined, { cookie });
    const all = (await list(here)).body as { id: string; here: boolean }[];
    const ended = (await list(elsewhere)).body.find((one: { here: boolean }) => one.here) as { id: string };
    expect(
      (await app.send('DELETE', `${PATHS.sessions}/${ended.id}`, undefined, { cookie: here })).status,
    ).toBe(204);
    expect([await whoHas(elsewhere), await whoHas(third)]).toEqual([null, 'Odalys Wren']);
    expect((await list(here)).body.length).toBe(all.length - 1);
    expect(
      (await app.send('DELETE', `${PATHS.sessions}/${ended.id}`, undefined, { cookie: here })).status,
    ).toBe(404);
  });

  it('notes who was not let in, by whose name it was where that is known, and nothing of what was typed', async () => {
    await signInAs('odalys', { passphrase: 'wrong' });
    await signInAs('low-tide-table');
    const noted = await app.database('audit').where({ kind: 'sign-in-refused' }).orderBy('place');
    expect(noted.map(({ about_kind, about }) => [about_kind, about])).toEqual([
      ['person', app.fitter.id],
      [null, null],
    ]);
    expect(JSON.stringify(noted)).not.toContain('low-tide-table');
  });

  it('tells whoever is not signed in whether the house has anybody yet', async () => {
    const asked = async (cookie: string) =>
      (await app.send('GET', ROUTES.session, undefined, { cookie })).body as object;
    expect(await asked('')).toEqual({ who: null, firstRun: false, device: null });
    expect(await asked('neat-measure=made-up')).toEqual({ who: null, firstRun: false, device: null });
    expect(await asked(app.cookie)).toEqual(jasmine.objectContaining({ firstRun: false }));
    for (const table of ['pens', 'sessions', 'fitters']) await app.database(table).delete();
    expect(await asked('')).toEqual({ who: null, firstRun: true, device: null });
  });

  it('is refused in the same words to a name nobody has, a wrong passphrase and who is no longer active', async () => {
    const { id } = await app.person('fitter');
    await app.database('fitters').where({ id }).update({ active: 0 });
    const answers = [
      await signInAs('nobody'),
      await signInAs('odalys', { passphrase: 'wrong' }),
      await signInAs('fitter'),
    ];
    expect(answers.map(problem)).toEqual(Array.from(answers, () => [401, 'sign-in-refused']));
    expect(new Set(answers.map(({ body }) => body.detail)).size).toBe(1);
    // Each by whose name it was, from where.
    const noted = await app.database('audit').where({ kind: 'sign-in-refused' }).orderBy('place');
    expect(noted.map(({ about }) => about)).toEqual([null, app.fitter.id, id]);
    expect(JSON.stringify(noted[0].detail)).toContain('127.0.0.1');
  });

  it('notes who came in, and from where', async () => {
    await signInAs('odalys');
    const [noted] = await app.database('audit').where({ kind: 'signed-in' }).orderBy('place', 'desc');
    expect([noted.by_id, noted.about_kind, noted.about]).toEqual([app.fitter.id, 'person', app.fitter.id]);
    expect(JSON.stringify(noted.detail)).toContain('127.0.0.1');
  });

  it('is seen as used once a minute, and only where something is done by it', async () => {
    const settings = new HouseSettings(app.database);
    const token = app.cookie.split('=')[1]!;
    const seenAgo = async (seconds: number, used: boolean) => {
      const at = new Date(Date.now() - seconds * 1_000);
      await app.database('sessions').update({ seen_at: at });
      expect((await whoAsks(app.database, settings, token, used))?.person.name).toBe('Odalys Wren');
      const [now] = await app.database('sessions').pluck<Date[]>('seen_at');
      return Math.round((Date.now() - now!.getTime()) / 1_000);
    };
    expect(await seenAgo(300, true)).toBeLessThan(30);
    expect(await seenAgo(300, false)).toBeGreaterThan(290);
    expect(await seenAgo(40, true)).toBeGreaterThan(35);
    expect(await whoAsks(app.database, settings, 'made up')).toBeUndefined();
  });

  it('that is past its end is listed nowhere, and is taken out when somebody else comes in', async () => {
    await app.cookieOf('odalys');
    await app.person('fitter');
    await app.cookieOf('fitter');
    const ended = (await app.get(PATHS.sessions)).body.find((one: { here: boolean }) => !one.here).id;
    await app
      .database('sessions')
      .where({ id: ended })
      .update({ expires_at: new Date(Date.now() - 1_000) });
    const listed = ((await app.get(PATHS.sessions)).body as { id: string; signedIn: boolean }[]).filter(
      ({ signedIn }) => signedIn,
    );
    expect(listed.map(({ id }) => id)).not.toContain(ended);
    expect(listed.length).withContext('one’s own alone').toBe(1);
    await app.cookieOf('fitter');
    expect(await app.database('sessions').where({ id: ended })).toEqual([]);
    expect((await app.database('sessions')).length).toBe(3);
  });

  it('of somebody ends as one, as all others, or as all, and nobody else’s with it', async () => {
    const { id } = await app.person('fitter');
    for (let at = 0; at < 3; at++) await app.cookieOf('fitter');
    const theirs = () => app.database('sessions').where({ fitter_id: id }).pluck<string[]>('id');
    const [first, second] = await theirs();
    expect(await endSessions(app.database, id, { id: first! })).toBe(1);
    expect(await endSessions(app.database, id, { allBut: second! })).toBe(1);
    expect(await theirs()).toEqual([second!]);
    expect(await endSessions(app.database, id, { allBut: null })).toBe(1);
    expect(await whoHas(app.cookie)).toBe('Odalys Wren');
  });

  it('ends after a time in which nothing was done, and after its hours whatever was done', async () => {
    const cookie = await app.cookieOf('odalys');
    const shift = (column: string, hours: number) =>
      app.database('sessions').update({ [column]: new Date(Date.now() + hours * 3_600_000) });
    await shift('seen_at', -8.5);
    expect(await whoHas(cookie)).toBeNull();
    const other = await app.cookieOf('odalys');
    await shift('expires_at', -0.001);
    expect(await whoHas(other)).toBeNull();
    // What has ended is taken out when somebody signs in.
    await app.cookieOf('odalys');
    expect((await app.database('sessions')).length).toBe(1);
  });

  it('is not kept from ending idle by a stream that stands open', async () => {
    const token = app.cookie.split('=')[1]!;
    const settings = new HouseSettings(app.database);
    const at = async (minutes: number) => {
      const seen = new Date(Date.now() - minutes * 60_000);
      await app.database('sessions').update({ seen_at: seen });
      const lasts = await stillLasts(app.database, settings, token);
      const row = await app.database('sessions').first<{ seen_at: Date } | undefined>('seen_at');
      return [lasts, row?.seen_at.getTime() === seen.getTime()];
    };
    expect(await at(90)).toEqual([true, true]);
    expect(await at(481)).toEqual([false, false]);
  });

  it('lets a house settle how long it lasts', async () => {
    const { body } = await app.get(PATHS.settings);
    const saved = await app.put(PATHS.settings, { ...body, idleMinutes: 30 });
    expect([saved.status, saved.body.idleMinutes, saved.body.version]).toEqual([200, 30, 1]);
    expect(problem(await app.put(PATHS.settings, { ...body, idleMinutes: 20 }))[1]).toBe('changed-meanwhile');
    expect(problem(await app.put(PATHS.settings, { ...saved.body, idleMinutes: 0 }))[1]).toBe('invalid');
    await app.database('sessions').update({ seen_at: new Date(Date.now() - 31 * 60_000) });
    expect(await whoHas(app.cookie)).toBeNull();
  });

  it('is kept by the browser for as many hours as the house lets it last, and by no script', async () => {
    const { body } = await app.get(PATHS.settings);
    await app.put(PATHS.settings, { ...body, sessionHours: 9 });
    const answer = await fetch(`http://127.0.0.1:${app.port}${ROUTES.session}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'user-agent': 'A tablet' },
      body: JSON.stringify({ signIn: 'odalys', passphrase: PASSPHRASE }),
    });
    const cookie = answer.headers.getSetCookie()[0]!;
    expect(cookie).toContain('Max-Age=32400;');
    expect(cookie).toContain('HttpOnly');
    expect(cookie).toContain('SameSite=Strict');
    // And its owner sees which device it is of.
    const list = (await app.get(PATHS.sessions)).body as { agent: string; address: string }[];
    expect(list.filter(({ agent }) => agent === 'A tablet').map(({ address }) => address)).toEqual([
      jasmine.stringContaining('127.0.0.1') as unknown as string,
    ]);
  });

  it('is listed, and ended one by one or all others', async () => {
    const [one, two] = [await app.cookieOf('odalys'), await app.cookieOf('odalys')];
    const { body } = await app.get(PATHS.sessions);
    expect(body.filter(({ here }: { here: boolean }) => here).length).toBe(1);
    expect(body.length).toBe(3);
    const other = body.find(({ here }: { here: boolean }) => !here).id;
    expect((await app.send('DELETE', pathOf(PATHS.sessions, other))).status).toBe(204);
    expect((await app.send('DELETE', pathOf(PATHS.sessions, other))).status).toBe(404);
    expect([await whoHas(one), await whoHas(two)].filter((who) => who === null).length).toBe(1);
    // Another's is not one's own to end.
    const { signIn } = await app.person('fitter');
    const theirs = await app.cookieOf(signIn);
    const [{ id }] = (await app.send('GET', PATHS.sessions, undefined, { cookie: theirs })).body;
    expect((await app.send('DELETE', pathOf(PATHS.sessions, id))).status).toBe(404);
    await app.send('DELETE', PATHS.sessions);
    expect([await whoHas(one), await whoHas(two), await whoHas(theirs)]).toEqual([null, null, 'The fitter']);
    expect(await whoHas(app.cookie)).toBe('Odalys Wren');
  });

  it('takes hashes of before, and makes them anew', async () => {
    const salt = Buffer.alloc(16, 7);
    const old = `${salt.toString('hex')}:${scryptSync('tide-table', salt, 32).toString('hex')}`;
    await app.database('fitters').update({ passphrase_hash: old });
    expect((await signInAs('odalys', { passphrase: 'tide-tables' })).status).toBe(401);
    expect((await signInAs('odalys', { passphrase: 'tide-table' })).status).toBe(200);
    const [{ passphrase_hash }] = await app.database('fitters').select('passphrase_hash');
    expect(passphrase_hash).toMatch(/^\$argon2id\$/);
    expect((await signInAs('odalys', { passphrase: 'tide-table' })).status).toBe(200);
  });

  describe('at a shared bench', () => {
    let hand: { readonly id: string; readonly signIn: string };
    beforeEach(async () => {
      hand = await app.person('lead', 'tiernan');
      const cookie = await app.cookieOf('tiernan');
      const save = { passphrase: PASSPHRASE, code: '4711' };
      await app.send('PUT', PATHS.benchCode, save, { cookie });
    });
    const take = (code: string, id = hand.id) => app.send('POST', PATHS.hand, { id, code });

    it('is in the hands of whoever has the code, who signs what they do', async () => {
      const [own, ownPen] = [app.fitter, app.pen];
      const { body } = await take('4711');
      expect([body.who.name, body.who.house.name, body.who.role]).toEqual([
        'The lead',
        'Odalys Wren',
        'fitter',
      ]);
      const wearerId = await records.wearer();
      app.fitter = { id: body.who.id, name: body.who.name };
      app.pen = body.who.pen;
      expect((await app.put(pathOf(ROUTES.charts, hand.id), {})).status)
        .withContext('a chart is a lead’s to keep, and a code opens no more than a fitter’s')
        .toBe(403);
      // What the owner did before, and sends now, stays theirs.
      const docketId = '019ca6b1-dc00-7cd2-98f5-f88eee58ad60';
      await records.does(docketId, opening(wearerId));
      await records.does(docketId, reading('chest-girth', '98'));
      const late = await app.send('POST', ROUTES.acts, {
        pen: ownPen,
        acts: [{ ...(await actOf(docketId)), by: own }],
      });
      expect(late.body[0].outcome).toBe('kept');
      const names = (await records.bench(docketId)).acts.map(({ act }) => act.by.name);
      expect(names).toEqual(['The lead', 'The lead', 'Odalys Wren']);
    });
    const actOf = (docketId: string) =>
      Promise.resolve({
        id: '019ca6b1-dc00-7cd2-98f5-f88eee58ad61',
        docketId,
        at: new Date().toISOString(),
        ...reading('waist-girth', '88'),
      });

    it('goes back to whoever signed in, whose session stays', async () => {
      await take('4711');
      expect((await app.send('DELETE', PATHS.hand)).body.who.name).toBe('Odalys Wren');
    });

    it('notes who took it, who gave it back, and who was refused', async () => {
      await take('0000');
      await take('4711', '019ca6b1-dc00-7cd2-98f5-f88eee58ad62');
      await take('4711');
      await app.send('DELETE', PATHS.hand);
      const noted = await app
        .database('audit')
        .whereIn('kind', ['sign-in-refused', 'bench-taken', 'bench-given-back'])
        .orderBy('place');
      expect(noted.map((one) => [one.kind, one.by_id, one.about])).toEqual([
        ['sign-in-refused', null, hand.id],
        ['sign-in-refused', null, null],
        ['bench-taken', hand.id, app.fitter.id],
        ['bench-given-back', hand.id, app.fitter.id],
      ]);
    });

    it('is this one alone, and stays its owner’s own where the owner takes it', async () => {
      const elsewhere = await app.cookieOf('odalys');
      await take('4711');
      expect(await whoHas(elsewhere)).toBe('Odalys Wren');
      await app.send('DELETE', PATHS.hand);
      const about = async () => (await app.get(ROUTES.session)).body.who;
      expect((await about()).hasBenchCode).toBeFalse();
      await app.send('PUT', PATHS.benchCode, { passphrase: PASSPHRASE, code: '9876' });
      expect((await about()).hasBenchCode).toBeTrue();
      const { who } = (await take('9876', app.fitter.id)).body;
      expect([who.name, who.role, who.house]).toEqual(['Odalys Wren', 'administrator', null]);
    });

    it('is opened by nobody who does not work on dockets, whatever code they have', async () => {
      await app.database('fitters').where({ id: hand.id }).update({ role: 'viewer' });
      expect(problem(await take('4711'))).toEqual([401, 'sign-in-refused']);
      await app.database('fitters').where({ id: hand.id }).update({ role: 'lead', active: 0 });
      expect(problem(await take('4711'))).toEqual([401, 'sign-in-refused']);
    });

    it('opens nothing of one’s own, or of whoever signed in', async () => {
      await take('4711');
      for (const [method, path] of [
        ['PUT', PATHS.passphrase],
        ['POST', PATHS.factor],
        ['GET', PATHS.sessions],
        ['GET', PATHS.people],
      ] as const)
        expect((await app.send(method, path, method === 'GET' ? undefined : {})).status).toBe(403);
    });

    it('is taken from whoever is no longer active', async () => {
      await take('4711');
      const cookie = await app.cookieOf('odalys');
      const person = { name: 'The lead', signIn: 'tiernan', role: 'lead', active: false, version: 1 };
      await app.send('PUT', pathOf(PATHS.people, hand.id), person, { cookie });
      expect(await whoHas(app.cookie)).toBe('Odalys Wren');
    });
  });
});
