import { exceptionsSchema, pathOf, PATHS, ROUTES } from '@neat-measure/contract';
import { FLAGS, type Doing } from '@neat-measure/core';
import { Harness } from '../../testing/harness';
import { problem, reading, Records } from '../../testing/records';
import { Exceptions } from './exceptions';
import { judgeOpen } from './judge-open';

describe('the route of exceptions', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  const listed = async () => exceptionsSchema.parse((await app.get(ROUTES.exceptions)).body).items;

  it('lists flags until somebody decides, and nothing else', async () => {
    const settled = await records.measured('98', '86');
    const split = await records.measured('98', '95');
    const beyond = await records.measured('130', '125');
    const found = await listed();
    expect(found.map(({ docketId }) => docketId)).not.toContain(settled.id);
    expect(found.map(({ docketId, verdict }) => [docketId, verdict.verdict])).toEqual(
      jasmine.arrayWithExactContents([
        [split.id, 'split'],
        [beyond.id, 'beyond'],
      ]),
    );
    const decide = (
      { id, chartId, readingIds }: typeof split,
      doing: Partial<Extract<Doing, { kind: 'garment-decided' }>>,
    ) =>
      records.does(id, {
        kind: 'garment-decided',
        chartId,
        readingIds,
        outcome: 'later',
        sizes: {},
        reason: null,
        after: null,
        habits: 0,
        found: null,
        ...doing,
      });
    const after = await decide(split, {});
    expect((await listed()).map(({ docketId }) => docketId))
      .withContext('put off is not decided')
      .toContain(split.id);
    await decide(split, { outcome: 'overridden', sizes: { size: 'M' }, reason: 'Wears it open', after });
    await decide(beyond, { outcome: 'made-to-measure' });
    expect(await listed()).toEqual([]);
  });

  it('is for those who are signed in', async () => {
    expect(problem(await app.send('GET', ROUTES.exceptions, undefined, { cookie: '' }))).toEqual([
      401,
      'not-signed-in',
    ]);
  });
});

describe('exceptions that are kept', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());
  const page = async (query = '') =>
    exceptionsSchema.parse((await app.get(`${ROUTES.exceptions}${query}`)).body);
  const judge = (build = 'specs') => judgeOpen(app.database, build);

  it('are judged again only where something they rest on has changed', async () => {
    const split = await records.measured('98', '95');
    await records.measured('130', '125');
    await records.measured('98', '86');
    expect(await judge()).toBe(3);
    expect(await judge())
      .withContext('nothing has changed')
      .toBe(0);
    await records.does(split.id, reading('chest-girth', '98'));
    expect(await judge())
      .withContext('one was measured again')
      .toBe(1);
    expect(await judge('another'))
      .withContext('another version judges')
      .toBe(3);
    const settings = (await app.get(PATHS.settings)).body;
    const habits = { ...settings.habits, edgePercent: 20 };
    await app.put(PATHS.settings, { ...settings, habits });
    expect(await judge('another'))
      .withContext('the house sizes otherwise')
      .toBe(3);
    expect((await page()).total).toBe(2);
  });

  it('are judged once where two instances do it at once, and gone with whoever is erased', async () => {
    const split = await records.measured('98', '95');
    await records.measured('130', '125');
    await Promise.all([judge(), judge(), judge()]);
    expect((await page()).items.length).toBe(2);
    const { wearer } = await records.bench(split.id);
    await app.send('DELETE', pathOf(ROUTES.wearers, wearer.id));
    expect((await page()).items.length).toBe(1);
    expect((await app.database('exceptions')).length).toBe(1);
  });

  it('are given a part at a time, by garment or by kind, the latest dockets first', async () => {
    for (const waist of ['95', '97', '125']) await records.measured(waist === '125' ? '130' : '98', waist);
    const byGarment = await page();
    expect(byGarment.items.map(({ number }) => number)).toEqual(
      byGarment.items.map(({ number }) => number).sort((one, other) => other - one),
    );
    const byKind = await page('?by=kind');
    expect(byKind.items.map(({ verdict }) => verdict.verdict)).toEqual(
      [...byKind.items.map(({ verdict }) => verdict.verdict)].sort(
        (one, other) => FLAGS.indexOf(one) - FLAGS.indexOf(other),
      ),
    );
    expect([
      byKind.total,
      (await page('?from=2')).items.length,
      (await page('?from=9')).items.length,
    ]).toEqual([3, 1, 0]);
    expect(problem(await app.get(`${ROUTES.exceptions}?by=age`))[1]).toBe('invalid');
  });

  it('show nothing that is not judged as things stand, and say how much that is', async () => {
    const split = await records.measured('98', '95');
    const beyond = await records.measured('130', '125');
    await judge();
    await records.does(split.id, reading('waist-girth', '84'));
    await records.does(split.id, reading('waist-girth', '84'));
    const begun = Date.now();
    const slow = new Exceptions(app.database, 'specs', () => new Promise(() => undefined));
    const { items, pending } = await slow.list({ by: 'garment', from: 0 });
    expect([items.map(({ docketId }) => docketId), pending]).toEqual([[beyond.id], 1]);
    expect(Date.now() - begun).toBeLessThan(10_000);
    expect((await page()).pending).toBe(0);
  });
});
