import { lateActsSchema, pathOf, PATHS, ROUTES, type LateAct } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness, PASSPHRASE } from '../../testing/harness';
import { opening, problem, reading, Records } from '../../testing/records';
import { addLate } from './store';

describe('what comes after its sign-in has ended', () => {
  let app: Harness;
  const records = new Records(() => app);
  let maelis: { by: { id: string; name: string }; pen: string };
  beforeEach(async () => {
    app = await Harness.start();
    await app.person('fitter', 'maelis');
    const { body } = await app.send(
      'POST',
      ROUTES.session,
      { signIn: 'maelis', passphrase: PASSPHRASE },
      { cookie: '' },
    );
    maelis = { by: { id: body.who.id, name: body.who.name }, pen: body.who.pen };
  });
  afterEach(() => app.stop());

  const act = (docketId: string, doing: object) => ({
    ...{ id: uuidv7(), docketId, at: new Date().toISOString(), by: maelis.by },
    ...doing,
  });
  const send = async (...acts: object[]) =>
    (await app.send('POST', ROUTES.acts, { pen: maelis.pen, acts })).body as {
      id: string;
      outcome: string;
      code?: string;
    }[];
  const outcomes = async (...acts: object[]) => (await send(...acts)).map(({ outcome }) => outcome);
  const end = () => app.send('DELETE', `${PATHS.people}/${maelis.by.id}/sessions`);
  const waiting = async (): Promise<LateAct[]> => lateActsSchema.parse((await app.get(PATHS.late)).body);
  const decide = (accepted: boolean, ids: readonly string[], cookie = app.cookie) =>
    app.send('POST', PATHS.late, { ids, accepted }, { cookie });

  it('waits on the server in its order, in words, and changes nothing until it is accepted', async () => {
    const wearerId = await records.wearer();
    const docketId = uuidv7();
    await end();
    const day = [
      act(docketId, opening(wearerId)),
      act(docketId, reading('chest-girth', '98')),
      act(docketId, reading('waist-girth', '86')),
    ];
    expect(await outcomes(...day)).toEqual(['late', 'late', 'late']);
    expect(await outcomes(day[1]!))
      .withContext('sent again')
      .toEqual(['late']);
    expect((await app.get(pathOf(ROUTES.dockets, docketId))).status).toBe(404);
    const late = await waiting();
    expect(late.map(({ words }) => words)).toEqual([
      jasmine.stringMatching(/^The fitter opened the docket/) as unknown as string,
      jasmine.stringMatching(/^The fitter .*98/) as unknown as string,
      jasmine.stringMatching(/^The fitter .*86/) as unknown as string,
    ]);
    expect(late.map((one) => [one.docketId, one.wearer]))
      .withContext('of a docket that nobody knows yet')
      .toEqual([docketId, docketId, docketId].map((id) => [id, null]));
    const answers = (await decide(true, late.map(({ id }) => id).reverse())).body as { outcome: string }[];
    expect(answers.map(({ outcome }) => outcome)).toEqual(['kept', 'kept', 'kept']);
    const { readings } = await records.made(docketId);
    expect(readings.map(({ by }) => by.name))
      .withContext('in the name of who did it')
      .toEqual(['The fitter', 'The fitter']);
    expect(await waiting()).toEqual([]);
    expect(await outcomes(day[1]!))
      .withContext('sent once more')
      .toEqual(['kept']);
    const noted = await app.database('audit').where({ kind: 'late-accepted' }).pluck('by_id');
    expect(noted).toEqual(Array.from({ length: 3 }, () => app.fitter.id));
  });

  it('goes on waiting where it is refused, and goes when it is discarded', async () => {
    await end();
    await send(act(uuidv7(), reading('chest-girth', '98')));
    const [one] = await waiting();
    const [answer] = (await decide(true, [one!.id])).body as { outcome: string; code: string }[];
    expect([answer!.outcome, answer!.code]).toEqual(['refused', 'not-opened']);
    expect((await waiting()).length).toBe(1);
    expect((await decide(false, [one!.id])).status).toBe(200);
    expect((await decide(false, [one!.id])).status)
      .withContext('twice')
      .toBe(200);
    expect(await waiting()).toEqual([]);
    expect((await app.database('audit').where({ kind: 'late-discarded' })).length).toBe(1);
  });

  it('is decided by a lead, and seen by nobody else', async () => {
    await app.person('lead');
    await end();
    await send(act(uuidv7(), reading('chest-girth', '98')));
    const [lead, fitter] = [await app.cookieOf('lead'), await app.cookieOf('maelis')];
    expect((await app.send('GET', PATHS.late, undefined, { cookie: lead })).body.length).toBe(1);
    const [one] = await waiting();
    expect(problem(await decide(true, [one!.id], fitter))).toEqual([403, 'not-allowed']);
    expect(problem(await app.send('GET', PATHS.late, undefined, { cookie: fitter }))).toEqual([
      403,
      'not-allowed',
    ]);
  });

  it('is added once where two decide at once', async () => {
    const { id } = await records.docket();
    await end();
    await send(act(id, reading('chest-girth', '98')));
    const [one] = await waiting();
    expect([one!.docketId, one!.wearer]).toEqual([id, 'Ibrahima Lund']);
    await Promise.all([decide(true, [one!.id]), decide(true, [one!.id])]);
    expect((await records.made(id)).readings.length).toBe(1);
    expect((await app.database('audit').where({ kind: 'late-accepted' })).length).toBe(1);
  });

  it('is refused where it is another’s, unreadable, or far too much', async () => {
    const { id } = await records.docket();
    await end();
    const others = { ...act(id, reading('chest-girth', '98')), by: app.fitter };
    const answers = await send(others, { id: 'nothing' });
    expect(answers.map(({ code }) => code)).toEqual(['other-hand', 'unknown-kind']);
    for (let at = 0; at < 3; at++)
      await addLate(app.database, act(id, reading('chest-girth', '98')) as never);
    expect(await outcomes(act(id, reading('chest-girth', '98')))).toEqual(['late']);
    await app.database.raw(
      'insert into late_acts (id, act_id, subject_id, fitter_id, body, came_at) select uuid(), uuid(), uuid(), fitter_id, body, came_at from late_acts, seq_1_to_400',
    );
    expect((await send(act(id, reading('chest-girth', '98'))))[0]!.code).toBe('too-many-wait');
  });

  it('is told to whoever it is about, and forgotten with them', async () => {
    const [wearerId, other] = [await records.wearer(), await records.wearer()];
    const docketId = uuidv7();
    await end();
    await send(act(docketId, opening(wearerId)), act(docketId, reading('chest-girth', '98')));
    await send(act(uuidv7(), opening(other)));
    expect((await app.get(`${ROUTES.wearers}/${wearerId}/export`)).body.late.length).toBe(2);
    await app.send('DELETE', pathOf(ROUTES.wearers, wearerId));
    expect((await waiting()).length)
      .withContext('the other’s')
      .toBe(1);
  });
});
