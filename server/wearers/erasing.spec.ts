import { letterPath, pathOf, PATHS, ROUTES, wearerErasingPath, type Erasing } from '@neat-measure/contract';
import { STORES } from '@neat-measure/contract/stores';
import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { Harness, outboxOfSpecs, PASSPHRASE } from '../testing/harness';
import { opening, problem, reading, Records } from '../testing/records';
import { Stores, SUIT } from '../testing/stock';

const NAME = 'Zephyrine Quillfeather';

describe('erasing a wearer', () => {
  let app: Harness;
  const records = new Records(() => app);
  const stores = new Stores(() => app);
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());

  /** Every row of every table, as text: what somebody finds who has the whole database. */
  const dump = async () => {
    const [tables] = (await app.database.raw('show tables')) as [Record<string, string>[]];
    const all: unknown[] = [];
    for (const table of tables.map((row) => Object.values(row)[0]!))
      all.push(table, await app.database(table));
    return JSON.stringify(all);
  };
  const before = async (id: string): Promise<Erasing> => (await app.get(wearerErasingPath(id))).body;
  const wearerCalled = async (name: string) => {
    const id = uuidv7();
    await app.put(pathOf(ROUTES.wearers, id), { name, role: 'Bosun', version: 0 });
    return id;
  };
  const hire = async (who: string) => {
    const series = await stores.chart(SUIT);
    await stores.receive(await stores.room(), series, 'M', 1, [`K-${uuidv7()}`]);
    const [pieceId] = await app.database('pieces').where({ series_id: series }).pluck<string[]>('id');
    const booking = uuidv7();
    const days = { from: '2099-05-01', until: '2099-05-03' };
    const answer = await app.put(pathOf(STORES.bookings, booking), {
      ...{ pieceId, docketId: null, chartId: null, who, ...days },
      ...{ deposit: null, cancelled: false, version: 0 },
    });
    expect(answer.status).withContext(JSON.stringify(answer.body)).toBe(200);
    return booking;
  };

  it('leaves no name and no number of theirs in any row, and no hash by which a number is found again', async () => {
    const id = await wearerCalled(NAME);
    const { id: docketId, chartId } = await records.docket(undefined, id);
    for (const typed of ['101.37', '101.4', '101.37'])
      await records.does(docketId, reading('chest-girth', typed));
    await app.put(pathOf(ROUTES.selfLinks, uuidv7()), { docketId });
    const letterId = uuidv7();
    await app.put(letterPath(docketId, letterId), {
      sheet: 'labels',
      chartId: null,
      to: 'bosun@brackwater.invalid',
    });
    const booking = await hire(` ${NAME.toUpperCase()} `);
    const pens = await app.send(
      'POST',
      ROUTES.session,
      { signIn: 'odalys', passphrase: PASSPHRASE },
      { cookie: '' },
    );
    await app.send('DELETE', PATHS.sessions);
    const late = [opening(id), reading('waist-girth', '87.93')].map((doing, at) => ({
      ...{ id: uuidv7(), docketId: at === 0 ? uuidv7() : docketId },
      ...{ at: new Date().toISOString(), by: app.fitter, ...doing },
    }));
    const sent = await app.send('POST', ROUTES.acts, { pen: pens.body.who.pen, acts: late });
    expect(sent.body.map(({ outcome }: { outcome: string }) => outcome)).toEqual(['late', 'late']);

    const asked = await before(id);
    expect(asked.hires.map((one) => one.id)).toEqual([booking]);
    expect(asked.outbox).toEqual([`${letterId}.eml`]);
    expect((await stat(join(outboxOfSpecs(), `${letterId}.eml`))).mode & 0o777).toBe(0o600);
    const plain = await app
      .database('acts')
      .where({ docket_id: docketId })
      .select<{ hash: string }[]>(app.database.raw('sha2(body, 256) as hash'));
    const full = await dump();
    const theirs = [NAME, NAME.toUpperCase(), '101.37', '87.93', '1013700', '879300'];
    for (const one of theirs) expect(full).withContext(one).toContain(one);

    const erased = await app.send('DELETE', pathOf(ROUTES.wearers, id), { hires: [booking] });
    expect(erased.status).toBe(204);
    const left = await dump();
    for (const one of theirs) expect(left.toLowerCase()).withContext(one).not.toContain(one.toLowerCase());
    expect(plain.length).toBeGreaterThan(3);
    for (const { hash } of plain) for (const all of [full, left]) expect(all).not.toContain(hash);
    const [noted] = await app.database('audit').where({ kind: 'wearer-erased' });
    expect(JSON.stringify(noted)).withContext('what is left to be done by hand').toContain(`${letterId}.eml`);
    expect(chartId).toBeTruthy();
  });

  it('offers the hires of the name, and forgets those that are said to be theirs', async () => {
    const [id, namesake] = [await wearerCalled(NAME), await wearerCalled('Another Name')];
    const [theirs, others, elsewhere] = [await hire(NAME), await hire(NAME), await hire('Another Name')];
    expect((await before(id)).hires.map((one) => one.id).sort()).toEqual([theirs, others].sort());
    // What is not of this name is not forgotten with it, whatever is asked.
    await app.send('DELETE', pathOf(ROUTES.wearers, id), { hires: [theirs, elsewhere] });
    const who = async (booking: string) =>
      (await app.database('bookings').where({ id: booking }).pluck<string[]>('who'))[0];
    expect([await who(theirs), await who(others), await who(elsewhere)]).toEqual([
      'somebody',
      NAME,
      'Another Name',
    ]);
    expect((await before(namesake)).outbox).toEqual([]);
    expect(problem(await app.get(wearerErasingPath(uuidv7())))).toEqual([404, 'not-found']);
  });
});
