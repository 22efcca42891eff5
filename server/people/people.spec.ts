import { PATHS, codeOfPersonPath, pathOf, ROUTES, sessionsOfPersonPath } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness, PASSPHRASE } from '../testing/harness';
import { opening, problem, Records } from '../testing/records';

const NEXT = 'gravel-bar-heron';

describe('people', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());
  const invite = (changes: object = {}, id = uuidv7()) =>
    app.put(pathOf(PATHS.people, id), {
      name: 'Tiernan Oake',
      signIn: 'tiernan',
      role: 'fitter',
      active: true,
      version: 0,
      ...changes,
    });
  const signInAs = (signIn: string, passphrase = PASSPHRASE) =>
    app.send('POST', ROUTES.session, { signIn, passphrase }, { cookie: '' });

  it('are invited, and come in with a one-time code and a passphrase of their own', async () => {
    const { id, hasPassphrase } = (await invite()).body;
    expect(hasPassphrase).toBeFalse();
    expect((await signInAs('tiernan', '')).status).toBe(400);
    expect((await signInAs('tiernan', 'null')).status).toBe(401);
    const { code } = (await app.send('POST', codeOfPersonPath(id))).body;
    expect(code).toMatch(/^[a-z2-9]{4}-[a-z2-9]{4}-[a-z2-9]{4}$/);
    const take = (more: object) =>
      app.send(
        'POST',
        PATHS.takeCode,
        { signIn: 'tiernan', code, passphrase: NEXT, ...more },
        { cookie: '' },
      );
    expect(problem(await take({ passphrase: 'password1234' }))[1]).toBe('invalid');
    expect(problem(await take({ code: 'aaaa-bbbb-cccc' }))[1]).toBe('sign-in-refused');
    const twice = await Promise.all([take({}), take({ passphrase: 'harbour-lamp-oil' })]);
    expect(twice.filter(({ status }) => status === 200).length)
      .withContext('a code is good for once')
      .toBe(1);
    expect(problem(await take({}))[1]).toBe('sign-in-refused');
    const theirs = twice.find(({ status }) => status === 200)!;
    expect(theirs.body.who.name).toBe('Tiernan Oake');
  });

  it('find that a code has an end', async () => {
    const { id } = (await invite()).body;
    const { code } = (await app.send('POST', codeOfPersonPath(id))).body;
    await app
      .database('fitters')
      .where({ id })
      .update({ code_until: new Date(Date.now() - 1_000) });
    const late = await app.send('POST', PATHS.takeCode, { signIn: 'tiernan', code, passphrase: NEXT });
    expect(problem(late)[1]).toBe('sign-in-refused');
  });

  it('that are deactivated are out at once, and what they did stays theirs', async () => {
    const { id } = await app.person('fitter', 'leaving');
    await app.signIn(PASSPHRASE, 'leaving');
    const [cookie, pen] = [app.cookie, app.pen];
    const docketId = uuidv7();
    await records.does(docketId, opening(await records.wearer()));
    app.cookie = '';
    await app.signIn();
    const person = { name: 'The fitter', signIn: 'leaving', role: 'fitter', active: false, version: 1 };
    expect((await app.put(pathOf(PATHS.people, id), person)).body.active).toBeFalse();
    expect((await app.send('GET', ROUTES.session, undefined, { cookie })).body.who).toBeNull();
    expect((await signInAs('leaving')).status).toBe(401);
    expect((await app.send('POST', ROUTES.acts, { pen, acts: [{}] })).body[0].outcome).toBe('refused');
    expect((await records.bench(docketId)).acts[0]!.act.by.name).toBe('The fitter');
  });

  it('keep one administrator at the least, whoever tries at once', async () => {
    const own = (await app.get(PATHS.people)).body[0];
    const step = (one: { id: string }, changes: object) =>
      app.put(pathOf(PATHS.people, one.id), { ...one, ...changes });
    expect(problem(await step(own, { role: 'viewer' }))).toEqual([400, 'invalid']);
    expect(problem(await step(own, { active: false }))).toEqual([400, 'invalid']);
    await app.person('administrator', 'second');
    const [one, two] = (await app.get(PATHS.people)).body;
    const both = await Promise.all([step(one, { role: 'lead' }), step(two, { role: 'lead' })]);
    expect(both.filter(({ status }) => status === 200).length).toBe(1);
  });

  it('have names of their own, and are not changed by two at once', async () => {
    const { id } = (await invite()).body;
    expect(problem(await invite({}, uuidv7()))).toEqual([409, 'name-taken']);
    expect((await invite({ role: 'lead', version: 1 }, id)).body.role).toBe('lead');
    expect(problem(await invite({ role: 'viewer', version: 1 }, id))[1]).toBe('changed-meanwhile');
    expect((await app.send('DELETE', sessionsOfPersonPath(id))).status).toBe(204);
    expect((await app.send('POST', codeOfPersonPath(uuidv7()))).status).toBe(404);
  });

  it('change their passphrase, and are signed out everywhere else', async () => {
    const elsewhere = await app.cookieOf('odalys');
    const change = (passphrase: string, next: string) => app.put(PATHS.passphrase, { passphrase, next });
    expect(problem(await change('wrong', NEXT))[1]).toBe('sign-in-refused');
    expect(problem(await change(PASSPHRASE, 'short'))[1]).toBe('invalid');
    for (const guessable of [
      'password1234',
      'aaaaaaaaaaaaaaa',
      '123456789012',
      'odalys-wren-odalys',
      'qwertyuiop12',
    ])
      expect(problem(await change(PASSPHRASE, guessable))[1])
        .withContext(guessable)
        .toBe('invalid');
    expect((await change(PASSPHRASE, NEXT)).status).toBe(204);
    expect((await app.send('GET', ROUTES.session, undefined, { cookie: elsewhere })).body.who).toBeNull();
    expect((await app.get(ROUTES.session)).body.who.name).toBe('Odalys Wren');
    expect((await signInAs('odalys')).status).toBe(401);
    expect((await signInAs('odalys', NEXT)).status).toBe(200);
  });

  it('keep how they like to work', async () => {
    const preferences = { unit: 'in', speech: true, textSize: 120 };
    expect((await app.put(PATHS.preferences, preferences)).body).toEqual(preferences);
    expect((await app.get(ROUTES.session)).body.who.preferences).toEqual(preferences);
    expect(problem(await app.put(PATHS.preferences, { ...preferences, textSize: 500 }))[1]).toBe('invalid');
  });

  it('begin with one, who runs the house, and only once', async () => {
    await app.database('sessions').delete();
    await app.database('pens').delete();
    await app.database('fitters').delete();
    expect((await app.get(ROUTES.session)).body).toEqual({ who: null, firstRun: true, device: null });
    const first = (signIn: string) =>
      app.send('POST', PATHS.firstRun, { name: 'Brisa Fenn', signIn, passphrase: NEXT }, { cookie: '' });
    const both = await Promise.all([first('brisa'), first('corin')]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 403]);
    expect(both.find(({ status }) => status === 200)!.body.who.role).toBe('administrator');
    expect((await first('late')).status).toBe(403);
  });
});
