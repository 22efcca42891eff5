import { docketMetPath, metsSchema, pathOf, PATHS, ROUTES, type Met } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness, PASSPHRASE } from '../../testing/harness';
import { Records } from '../../testing/records';
import { handing, Stores, TROUSERS } from '../../testing/stock';

describe('what was done without the server and cannot stand', () => {
  let app: Harness;
  const records = new Records(() => app);
  const stores = new Stores(() => app);
  let maelis: { cookie: string; by: { id: string; name: string }; pen: string };
  beforeEach(async () => {
    app = await Harness.start();
    await app.person('fitter', 'maelis');
    const signIn = { signIn: 'maelis', passphrase: PASSPHRASE };
    const { body, cookie } = await app.send('POST', ROUTES.session, signIn, { cookie: '' });
    maelis = { cookie: cookie!, by: { id: body.who.id, name: body.who.name }, pen: body.who.pen };
  });
  afterEach(() => app.stop());

  /** Does something as Maelis does, on a device that was without the server, or with it. */
  const does = async (docketId: string, doing: object, away = true) => {
    const act = { id: uuidv7(), docketId, at: new Date().toISOString(), by: maelis.by, ...doing };
    const sent = { pen: maelis.pen, acts: [act], ...(away ? { away: [act.id] } : {}) };
    const { body } = await app.send('POST', ROUTES.acts, sent);
    return { ...(body[0] as { outcome: string; detail: string; code?: string }), id: act.id };
  };
  const told = async (path: string, cookie = app.cookie): Promise<Met[]> =>
    metsSchema.parse((await app.send('GET', path, undefined, { cookie })).body);

  /** A docket from which a garment has gone, and what takes it away once more. */
  const dropped = async () => {
    const { id, chartId } = await records.docket();
    const doing = { kind: 'garment-dropped', chartId } as const;
    await records.does(id, doing);
    return { id, doing };
  };

  it('is told to whoever did it and to whoever did what it met, until each has seen it', async () => {
    const { id, doing } = await dropped();
    expect((await does(id, doing, false)).outcome).toBe('refused');
    expect(await told(PATHS.met))
      .withContext('done with the server, it is told where it was done')
      .toEqual([]);
    expect((await does(id, doing)).outcome).toBe('refused');
    const [mine, theirs] = [await told(PATHS.met), await told(PATHS.met, maelis.cookie)];
    expect(mine.map(({ docketId, words, own }) => [docketId, own, words])).toEqual([
      [id, true, jasmine.stringMatching(/^The fitter .* not kept: .* Agree with The fitter which holds/)],
    ] as never);
    expect(theirs.map(({ words }) => words)).toEqual([
      jasmine.stringMatching(/The last change there is by Odalys Wren\. Look at the docket/),
    ] as never);
    expect((await told(docketMetPath(id))).length).toBe(2);

    const see = (one: Met, cookie: string) =>
      app.send('DELETE', pathOf(PATHS.met, one.id), undefined, { cookie });
    expect((await see(mine[0]!, maelis.cookie)).status)
      .withContext('what another is told')
      .toBe(404);
    expect((await see(mine[0]!, app.cookie)).status).toBe(204);
    expect([(await told(PATHS.met)).length, (await told(PATHS.met, maelis.cookie)).length]).toEqual([0, 1]);
    // Sent again, as its answer was lost, it is not told anew.
    await does(id, { ...doing, id: uuidv7() });
    expect((await told(PATHS.met)).length).toBe(1);
  });

  it('is told once however often it is sent', async () => {
    const { id, doing } = await dropped();
    const same = { id: uuidv7(), ...doing };
    for (let time = 0; time < 3; time += 1) await does(id, same);
    expect((await told(PATHS.met)).length).toBe(1);
  });

  it('of the last piece, handed over twice, is kept for a lead fitter and told on both dockets', async () => {
    const room = await stores.room();
    const chartId = await stores.chart(TROUSERS);
    await stores.receive(room, chartId, '32', 1);
    const [first, second] = [await stores.sized(chartId, '32'), await stores.sized(chartId, '32')];
    const out = handing(chartId, { from: { roomId: room, pieceId: null } });
    await records.does(first, out);
    const refused = await does(second, out, false);
    expect(refused.outcome).toBe('refused');
    const late = await does(second, out);
    expect([late.outcome, late.detail]).toEqual(['late', jasmine.stringMatching(/lead fitter/)] as never);
    const [here] = await told(docketMetPath(first));
    const [there] = await told(docketMetPath(second), maelis.cookie);
    expect(here!.words).toMatch(/may be what this wearer was given/);
    expect(there!.words).toMatch(/Odalys Wren handed one over on docket \d+\. Look what the wearers have/);
    expect([here!.own, there!.own]).toEqual([true, true]);

    // One more lay there after all: counted in, it is accepted, and everything about it is settled.
    await stores.receive(room, chartId, '32', 1);
    const [waiting] = (await app.get(PATHS.late)).body as [{ id: string; why: string }];
    expect(waiting.why).not.toBe('');
    const accepted = await app.send('POST', PATHS.late, { ids: [waiting.id], accepted: true });
    expect(accepted.body[0].outcome).toBe('kept');
    expect((await records.made(second)).handings.map(({ by }) => by.name)).toEqual(['The fitter']);
    expect([...(await told(docketMetPath(first))), ...(await told(docketMetPath(second)))]).toEqual([]);
  });
});
