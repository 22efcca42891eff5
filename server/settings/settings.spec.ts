import { PATHS, ROUTES, pathOf, settingsSchema, type Settings } from '@neat-measure/contract';
import { habitsSchema, judgeDocket, mm, replay, UNSETTLED, type Habits } from '@neat-measure/core';
import { Harness } from '../testing/harness';
import { problem, reading, Records } from '../testing/records';

describe('the habits of the house', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());

  const settings = async (): Promise<Settings> => settingsSchema.parse((await app.get(PATHS.settings)).body);
  const settle = async (change: Partial<Habits>) => {
    const now = await settings();
    return app.put(PATHS.settings, { ...now, habits: { ...now.habits, ...change } });
  };
  const verdictsOf = async (id: string) => (await app.get(`${pathOf(ROUTES.dockets, id)}/verdicts`)).body;

  it('are counted by the server, and only where they change', async () => {
    expect((await settings()).habits).toEqual(UNSETTLED);
    const first = await settings();
    const save = { ...first, habits: { ...first.habits, edgePercent: 20, version: 77 } };
    expect((await app.put(PATHS.settings, save)).body.habits.version).toBe(1);
    const again = await app.put(PATHS.settings, save);
    expect([again.status, again.body.habits.version]).withContext('sent again').toEqual([200, 1]);
    await app.put(PATHS.settings, { ...(await settings()), idleMinutes: 30 });
    expect((await settings()).habits.version)
      .withContext('something else was settled')
      .toBe(1);
    expect(problem(await settle({ edgePercent: 90 }))[1]).toBe('invalid');
    expect(problem(await settle({ rules: { hose: 'closest' } as never }))[1]).toBe('invalid');
  });

  it('reach the bench, the verdicts, the exceptions and whoever signs in, alike', async () => {
    const { id, chartId } = await records.measured('98', '95');
    expect((await records.bench(id)).habits).toEqual(UNSETTLED);
    await settle({ rules: { other: 'closest' }, cautions: [{ kind: null, words: 'Ask first.' }] });
    const bench = await records.bench(id);
    const [screen] = judgeDocket(replay(bench.acts.map(({ act }) => act))!, bench).garments;
    const [server] = await verdictsOf(id);
    const [listed] = (await app.get(ROUTES.exceptions)).body.items;
    expect([server.chartId, server.verdict]).toEqual([chartId, JSON.parse(JSON.stringify(screen!.verdict))]);
    expect(listed.verdict).toEqual(server.verdict);
    expect([server.verdict.rule, server.verdict.cautions]).toEqual(['closest', ['Ask first.']]);
    expect((await app.get(ROUTES.session)).body.who.habits).toEqual(bench.habits);
  });

  it('let nothing be decided by habits that were not looked at', async () => {
    const { id, chartId, readingIds } = await records.measured('98', '86');
    const decide = (habits: number) =>
      app.does(id, {
        kind: 'garment-decided',
        chartId,
        outcome: 'accepted',
        sizes: { size: 'M' },
        reason: null,
        readingIds,
        after: null,
        habits,
        found: null,
      });
    await settle({ edgePercent: 45 });
    const refused = await decide(0);
    expect(refused.outcome === 'refused' && [refused.code, refused.detail]).toEqual([
      'habits-changed',
      jasmine.stringContaining('The sizing rules have changed'),
    ]);
    expect((await decide(1)).outcome).toBe('kept');
    await settle({ edgePercent: 5, rules: { other: 'closest' } });
    const [decision] = (await records.made(id)).decisions;
    expect(decision!.verdict.rule).withContext('what was decided stays').toBe('widest-decides');
  });

  it('say when a record is due, and how far apart its readings may be', async () => {
    const first = await records.measured('98', '86');
    await records.does(first.id, reading('chest-girth', '99'));
    const later = await records.docket([first.chartId], first.wearerId);
    const record = async () => (await records.bench(later.id)).record;
    expect(await record()).toEqual([jasmine.objectContaining({ code: 'chest-girth', due: false })]);
    await settle({ allowedApart: { 'chest-girth': mm(5) } });
    expect(await record())
      .withContext('no longer agreed')
      .toEqual([]);
  });

  it('are settled by many at once, each after the other or told to look again', async () => {
    const now = await settings();
    const answers = await Promise.all(
      Array.from({ length: 16 }, (_, at) =>
        app.put(PATHS.settings, { ...now, habits: { ...now.habits, edgePercent: 11 + at } }),
      ),
    );
    const statuses = answers.map(({ status }) => status).sort();
    expect(statuses).toEqual([200, ...Array.from({ length: 15 }, () => 409)]);
    expect((await settings()).habits.version).toBe(1);
  });

  it('are written into the log with what was before', async () => {
    await settle({ edgePercent: 20 });
    const { items } = (await app.get(`${PATHS.audit}?kind=settings-kept`)).body;
    const { before, after } = items[0].detail;
    expect([before.habits.edgePercent, after.habits.edgePercent]).toEqual([10, 20]);
  });

  it('that are sent with more than they have are taken as what they are', () => {
    expect(habitsSchema.parse({ ...UNSETTLED, odd: 1 })).toEqual(UNSETTLED);
  });
});
