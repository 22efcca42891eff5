import { bodiesPath, bodiesSchema, GROUPS, pathOf, PATHS, ROUTES } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { problem, reading, Records } from '../testing/records';

describe('the route of bodies', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  /** A wearer of whom chest and waist were each read twice. */
  const twice = async (chest: string, waist: string) => {
    const docket = await records.measured(chest, waist);
    const readingIds = [
      ...docket.readingIds,
      await records.does(docket.id, reading('chest-girth', chest)),
      await records.does(docket.id, reading('waist-girth', waist)),
    ];
    return { ...docket, readingIds };
  };
  const bodies = async () =>
    bodiesSchema.parse((await app.get(bodiesPath(['chest-girth', 'waist-girth']))).body);

  it('gives the latest settled values of everybody, without names', async () => {
    const one = await twice('98', '86');
    await twice('104', '92');
    expect(await bodies()).toEqual([
      { 'chest-girth': 1_040_000, 'waist-girth': 920_000 },
      { 'chest-girth': 980_000, 'waist-girth': 860_000 },
    ] as never);
    expect(JSON.stringify((await app.get(bodiesPath(['chest-girth']))).body)).not.toContain('id');
    // What is taken back no longer counts.
    for (const readingId of one.readingIds)
      await records.does(one.id, { kind: 'reading-withdrawn', readingId, code: 'chest-girth' });
    expect((await bodies()).length).toBe(1);
    // A third reading that disagrees with the rest settles nothing.
    for (const typed of ['80', '95', '110']) await records.does(one.id, reading('chest-girth', typed));
    expect((await bodies()).length).toBe(1);
  });

  it('keeps nothing of whoever is erased, and settles anew by what the house allows', async () => {
    const before = (await bodies()).length;
    const { chartId, wearerId } = await twice('121', '117');
    const later = await records.docket([chartId], wearerId);
    for (const typed of ['121', '121.6']) await records.does(later.id, reading('chest-girth', typed));
    expect((await bodies()).length).toBe(before + 1);
    const allow = async (mm: number | null) => {
      const settings = (await app.get(PATHS.settings)).body;
      const allowedApart = mm === null ? {} : { 'chest-girth': mm * 1_000 };
      const saved = await app.put(PATHS.settings, {
        ...settings,
        habits: { ...settings.habits, allowedApart },
      });
      expect(saved.status).toBe(200);
    };
    const chest = async () => bodiesSchema.parse((await app.get(bodiesPath(['chest-girth']))).body);
    const wide = await chest();
    await allow(1);
    expect(await chest())
      .withContext('readings farther apart than the house allows settle nothing')
      .not.toEqual(wide);
    await allow(null);
    expect(await chest()).toEqual(wide);
    expect((await app.send('DELETE', pathOf(ROUTES.wearers, wearerId), { keepBody: false })).status).toBe(
      204,
    );
    expect((await bodies()).length).toBe(before);
  });

  it('asks for known measurements, a few at a time', async () => {
    expect(problem(await app.get(`${ROUTES.bodies}?codes=chest`))).toEqual([400, 'invalid']);
    expect(problem(await app.get(ROUTES.bodies))).toEqual([400, 'invalid']);
  });

  it('is for those signed in', async () => {
    const answer = await app.send('GET', bodiesPath(['height']), undefined, { cookie: '' });
    expect(problem(answer)).toEqual([401, 'not-signed-in']);
  });
});

describe('the values of a group', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  it('of a group gives its wearers only', async () => {
    const one = await records.measured('97', '85');
    await records.does(one.id, reading('chest-girth', '97'));
    await records.measured('103', '91');
    const { wearerId } = await records.made(one.id);
    const groupId = uuidv7();
    await app.send('PUT', pathOf(GROUPS, groupId), { name: 'Measured', wearerIds: [wearerId] });
    const path = bodiesPath(['chest-girth'], groupId);
    expect(bodiesSchema.parse((await app.get(path)).body)).toEqual([{ 'chest-girth': 970_000 }] as never);
    expect((await app.get(bodiesPath(['chest-girth'], uuidv7()))).body).toEqual([]);
    expect(problem(await app.get(`${path}x`))).toEqual([400, 'invalid']);
  });
});
