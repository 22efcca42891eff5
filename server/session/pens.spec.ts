import { PATHS, pathOf, ROUTES, signedOutPath, type Role } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { HouseSettings } from '../settings/service';
import { Harness, PASSPHRASE } from '../testing/harness';
import { reading, Records } from '../testing/records';
import { endedPens } from './pens';
import { whoSigns } from './service';

describe('a pen', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());

  /** Somebody at another device: their session's cookie, and their pen there. */
  const elsewhere = async (signIn: string) => {
    const answer = await app.send('POST', ROUTES.session, { signIn, passphrase: PASSPHRASE }, { cookie: '' });
    const { id, name, pen } = answer.body.who as { id: string; name: string; pen: string };
    return { cookie: answer.cookie!, by: { id, name }, pen };
  };
  /** What becomes of a reading of somebody, by their pen. */
  const becomes = async (docketId: string, { by, pen }: { by: object; pen: string }) => {
    const at = new Date().toISOString();
    const act = { id: uuidv7(), docketId, at, by, ...reading('chest-girth', '98') };
    const { status, body } = await app.send('POST', ROUTES.acts, { pen, acts: [act] });
    return status === 200 ? (body[0].outcome as string) : status;
  };
  const signs = async (pen: string) => {
    const whose = await whoSigns(app.database, new HouseSettings(app.database), pen);
    return whose === undefined ? 'unknown' : 'signs' in whose ? whose.signs.role : 'ended';
  };
  const save = (id: string, role: Role, active: boolean, version: number) =>
    app.put(pathOf(PATHS.people, id), { name: 'The fitter', signIn: 'maelis', role, active, version });

  it('signs while its holder may, and one that is made up signs nothing', async () => {
    await app.person('viewer');
    await app.person('fitter', 'maelis');
    expect(await signs(app.pen)).toBe('administrator');
    expect(await signs((await elsewhere('maelis')).pen)).toBe('fitter');
    expect(await signs((await elsewhere('viewer')).pen)).toBe('ended');
    expect([await signs('made up'), await signs('')]).toEqual(['unknown', 'unknown']);
  });

  it('that has ended is counted to its holder and its session alone', async () => {
    await app.person('fitter', 'maelis');
    const other = await elsewhere('maelis');
    const rows: { session_id: string; fitter_id: string }[] = await app.database('pens').select();
    const [own, theirs] = [app.fitter.id, other.by.id].map((id) => rows.find((row) => row.fitter_id === id)!);
    const ended = (session: string, fitter: string) => endedPens(app.database, session, fitter);
    expect(await ended(own!.session_id, own!.fitter_id)).toBe(0);
    await app.database('pens').where({ fitter_id: own!.fitter_id }).update({ ended_at: new Date() });
    expect(await ended(own!.session_id, own!.fitter_id)).toBe(1);
    expect(await ended(own!.session_id, theirs!.fitter_id)).toBe(0);
    expect(await ended(theirs!.session_id, theirs!.fitter_id)).toBe(0);
    expect(await ended(theirs!.session_id, own!.fitter_id)).toBe(0);
  });

  it('outlasts the sign-out of its own device, and no other end', async () => {
    const { id: docketId } = await records.docket();
    const { id } = await app.person('fitter', 'maelis');
    const [here, left, lost, third] = [
      await elsewhere('maelis'),
      await elsewhere('maelis'),
      await elsewhere('maelis'),
      await elsewhere('maelis'),
    ];
    await app.send('DELETE', ROUTES.session, undefined, { cookie: left.cookie });
    expect(await becomes(docketId, left))
      .withContext('signed out')
      .toBe('kept');

    const done = await elsewhere('maelis');
    await app.send('DELETE', signedOutPath('for-good'), undefined, { cookie: done.cookie });
    expect(await becomes(docketId, done))
      .withContext('signed out, and nothing waited')
      .toBe('late');

    interface Entry {
      id: string;
      signedIn: boolean;
      here: boolean;
    }
    const list = async () =>
      (await app.send('GET', PATHS.sessions, undefined, { cookie: here.cookie })).body as Entry[];
    const open = (await list()).filter(({ signedIn }) => signedIn);
    expect([open.length, (await list()).length])
      .withContext('and it is listed')
      .toEqual([3, 4]);
    const out = (await list()).find(({ signedIn }) => !signedIn)!;
    const end = (one: string) =>
      app.send('DELETE', pathOf(PATHS.sessions, one), undefined, { cookie: here.cookie });
    expect((await end(out.id)).status).toBe(204);
    expect((await end(out.id)).status).toBe(404);
    expect(await becomes(docketId, left))
      .withContext('ended in the list')
      .toBe('late');

    const [ended] = (await app.send('GET', PATHS.sessions, undefined, { cookie: lost.cookie })).body.filter(
      (one: Entry) => one.here,
    ) as Entry[];
    await end(ended!.id);
    expect(await becomes(docketId, lost))
      .withContext('its session was ended')
      .toBe('late');
    expect(await becomes(docketId, third)).toBe('kept');

    const next = 'three-unrelated-gulls';
    const change = { passphrase: PASSPHRASE, next };
    await app.send('PUT', PATHS.passphrase, change, { cookie: here.cookie });
    expect(await becomes(docketId, third))
      .withContext('another passphrase')
      .toBe('late');
    expect(await becomes(docketId, here))
      .withContext('and the one that set it')
      .toBe('kept');

    await app.send('DELETE', `${PATHS.people}/${id}/sessions`);
    expect(await becomes(docketId, here))
      .withContext('signed out by an administrator')
      .toBe('late');
  });

  it('ends at once with its holder’s account, on every instance, and does not live again', async () => {
    const { id: docketId } = await records.docket();
    const { id } = await app.person('fitter', 'maelis');
    const maelis = await elsewhere('maelis');
    expect(await becomes(docketId, maelis)).toBe('kept');
    // As another instance does it: nothing here is told of it.
    await app.database('fitters').where({ id }).update({ active: 0 });
    expect(await becomes(docketId, maelis)).toBe('late');
    await app.database('fitters').where({ id }).update({ active: 1 });
    await save(id, 'fitter', false, 1);
    await save(id, 'fitter', true, 2);
    expect(await becomes(docketId, maelis))
      .withContext('reactivated')
      .toBe('late');
    expect(await becomes(docketId, await elsewhere('maelis'))).toBe('kept');
  });

  it('signs no more than its holder is trusted with by then, on every instance', async () => {
    const { id: docketId } = await records.docket();
    const { id } = await app.person('fitter', 'maelis');
    const maelis = await elsewhere('maelis');
    expect(await becomes(docketId, maelis)).toBe('kept');
    await app.database('fitters').where({ id }).update({ role: 'stores-clerk' });
    expect(await becomes(docketId, maelis)).toBe('refused');
  });

  it('ends by itself after the days a device may be away, and lasts while it is asked for', async () => {
    const { id: docketId } = await records.docket();
    await app.person('fitter', 'maelis');
    const maelis = await elsewhere('maelis');
    const away = (days: number) =>
      app.database('pens').update({ renewed_at: new Date(Date.now() - days * 86_400_000) });
    await away(29);
    expect(await becomes(docketId, maelis)).toBe('kept');
    await app.send('GET', ROUTES.session, undefined, { cookie: maelis.cookie });
    const [renewed] = await app
      .database('pens')
      .where({ fitter_id: maelis.by.id })
      .pluck<Date[]>('renewed_at');
    expect(Date.now() - renewed!.getTime()).toBeLessThan(60_000);
    await away(31);
    expect(await becomes(docketId, await elsewhere('maelis'))).toBe('kept');
    expect(await becomes(docketId, maelis)).toBe('late');
  });

  it('of a bench that was taken over ends with that bench, and is another when it is taken anew', async () => {
    const { id: docketId } = await records.docket();
    const { id } = await app.person('fitter', 'maelis');
    const own = await app.cookieOf('maelis');
    await app.send('PUT', PATHS.benchCode, { passphrase: PASSPHRASE, code: '4711' }, { cookie: own });
    const take = async () => {
      const { who } = (await app.send('POST', PATHS.hand, { id, code: '4711' })).body;
      return { by: { id: who.id, name: who.name }, pen: who.pen as string };
    };
    const first = await take();
    await app.send('DELETE', `${PATHS.people}/${id}/sessions`, undefined, {
      cookie: await app.cookieOf('odalys'),
    });
    expect(await becomes(docketId, first)).toBe('late');
    const second = await take();
    expect(second.pen).not.toBe(first.pen);
    expect(await becomes(docketId, second)).toBe('kept');
    // The bench as a whole is ended from elsewhere: whoever had it.
    await app.send('DELETE', PATHS.sessions, undefined, { cookie: await app.cookieOf('odalys') });
    expect(await becomes(docketId, second)).toBe('late');
  });

  it('is not given to, and not left to, whoever owes a second factor', async () => {
    const { id: docketId } = await records.docket();
    await app.person('fitter', 'maelis');
    const before = await elsewhere('maelis');
    const { body } = await app.get(PATHS.settings);
    await app.put(PATHS.settings, { ...body, secondFactorFor: ['fitter'] });
    expect((await elsewhere('maelis')).pen).toBe('');
    expect(await becomes(docketId, before)).toBe('late');
  });
});
