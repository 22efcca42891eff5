import { docketStreamPath, keptActSchema, PATHS, type KeptAct } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { addAct, addActs } from './act-store';
import { Harness } from '../testing/harness';
import { heardFrom } from '../testing/listen';
import { reading, Records } from '../testing/records';

describe('the stream of a docket', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  const listen = async (id: string, count: number, ready: () => Promise<unknown>, headers = {}) =>
    (await heardFrom(app, docketStreamPath(id), count, ready, headers)).map(
      (one): KeptAct => keptActSchema.parse(one),
    );

  it('tells what is done on it from now on, once, and nothing of another', async () => {
    const [{ id }, other] = [await records.docket(), await records.docket()];
    const done: string[] = [];
    const heard = await listen(id, 2, async () => {
      await records.does(other.id, reading('chest-girth', '98'));
      done.push(await records.does(id, reading('chest-girth', '98')));
      done.push(await records.does(id, { kind: 'measurement-asked', code: 'height', asked: true }));
    });
    expect(heard.map(({ act }) => act.id)).toEqual(done);
    expect(heard[0]!.act.by.name).toBe('Odalys Wren');
  });

  it('tells what another instance kept in the same database', async () => {
    const { id } = await records.docket();
    const act = {
      id: uuidv7(),
      docketId: id,
      at: new Date().toISOString(),
      by: app.fitter,
      ...reading('waist-girth', '85'),
    };
    const heard = await listen(id, 1, async () => {
      // Past the first look, which only finds where to begin.
      await new Promise((resolve) => setTimeout(resolve, 300));
      await addAct(app.database, act);
    });
    expect(heard.map((kept) => kept.act.id)).toEqual([act.id]);
  });

  it('is taken up again where it broke off', async () => {
    const { id } = await records.docket();
    const from = (await records.bench(id)).acts.at(-1)!.place;
    const missed = [
      await records.does(id, reading('chest-girth', '98')),
      await records.does(id, reading('chest-girth', '99')),
    ];
    const heard = await listen(id, 2, () => Promise.resolve(), { 'last-event-id': String(from) });
    expect(heard.map(({ act }) => act.id)).toEqual(missed);
  });

  it('tells whoever was away for long all they missed, part by part and in its order', async () => {
    const { id } = await records.docket();
    const from = (await records.bench(id)).acts.at(-1)!.place;
    for (let part = 0; part < 6; part++)
      await addActs(
        app.database,
        Array.from({ length: 200 }, () => ({
          ...{ id: uuidv7(), docketId: id, at: new Date().toISOString(), by: app.fitter },
          ...reading('chest-girth', '98'),
        })),
      );
    const heard = await listen(id, 1_200, () => Promise.resolve(), { 'last-event-id': String(from) });
    const places = heard.map(({ place }) => place);
    expect(new Set(places).size).toBe(1_200);
    expect(places).toEqual([...places].sort((one, other) => one - other));
  }, 60_000);

  it('is open so often for one session, and no more; another session’s are counted by themselves', async () => {
    const { id } = await records.docket();
    const ended = new AbortController();
    const follow = (cookie: string) =>
      fetch(`http://127.0.0.1:${app.port}${docketStreamPath(id)}`, {
        headers: { cookie },
        signal: ended.signal,
      });
    const statuses = [];
    for (let at = 0; at < 26; at++) statuses.push(await follow(app.cookie));
    expect(statuses.map(({ status }) => status).filter((status) => status === 200).length).toBe(24);
    expect([statuses.at(-1)!.status, statuses.at(-1)!.headers.get('retry-after')]).toEqual([503, '10']);
    expect((await follow(await app.cookieOf('odalys'))).status).toBe(200);
    ended.abort();
    // What was closed is counted no more.
    await new Promise((resolve) => setTimeout(resolve, 300));
    const again = new AbortController();
    const headers = { cookie: app.cookie };
    const last = await fetch(`http://127.0.0.1:${app.port}${docketStreamPath(id)}`, {
      headers,
      signal: again.signal,
    });
    expect(last.status).toBe(200);
    again.abort();
  });

  it('tells of other habits of the house, within seconds', async () => {
    const { id } = await records.docket();
    const [version] = await heardFrom(app, docketStreamPath(id), 1, async () => {
      const { body } = await app.get(PATHS.settings);
      await app.put(PATHS.settings, { ...body, habits: { ...body.habits, edgePercent: 25 } });
    });
    expect(version).toBe(1);
  }, 15_000);

  it('is for those who are signed in', async () =>
    expect((await app.send('GET', docketStreamPath(uuidv7()), undefined, { cookie: '' })).status).toBe(401));
});
