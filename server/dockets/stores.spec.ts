import { ROUTES } from '@neat-measure/contract';
import type { Act, AnyAct } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { MusterHall } from '../testing/musters';
import { chartSave, opening, reading, Records } from '../testing/records';
import {
  actsBehind,
  actsByDocket,
  actsOfWearers,
  addingActs,
  findAct,
  latestAct,
  listActs,
  musterActsAbout,
  musterActsBehind,
  readingsByWearer,
} from './act-store';
import { isOnRecord } from './on-record';
import { openWith } from './open-with';
import { docketsOf, findDocket, listDockets, lockDocket, otherDockets, removeDockets } from './store';
import { idOf, refuseSigned, saysTheSame, takeActs } from './take-acts';

describe('what is kept of dockets', () => {
  let app: Harness;
  const records = new Records(() => app);
  const hall = new MusterHall(() => app, records);
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());

  it('is found by whose it is and in its order, and never another’s', async () => {
    const one = await records.measured('98', '86');
    const other = await records.measured('106', '94');
    const later = await records.docket([other.chartId], one.wearerId);
    const all = [one.id, other.id, later.id];

    expect((await docketsOf(app.database, one.wearerId)).map(({ id }) => id)).toEqual([one.id, later.id]);
    expect((await docketsOf(app.database, one.wearerId))[0]!.occasion).toBe('Uniform issue');
    expect(await otherDockets(app.database, one.wearerId, later.id)).toEqual([one.id]);
    expect((await findDocket(app.database, other.id))!.wearer).toEqual(
      jasmine.objectContaining({ id: other.wearerId, name: 'Ibrahima Lund', role: 'Patrol warden' }) as never,
    );
    expect(await findDocket(app.database, uuidv7())).toBeUndefined();
    expect([await lockDocket(app.database, one.id), await lockDocket(app.database, uuidv7())]).toEqual([
      true,
      false,
    ]);

    const byDocket = await actsByDocket(app.database, [one.id, later.id, uuidv7()]);
    const kinds = (id: string) => byDocket.get(id)!.map(({ kind }) => kind);
    expect(kinds(one.id)).toEqual(['docket-opened', 'garment-asked', 'reading-taken', 'reading-taken']);
    expect(kinds(later.id)).toEqual(['docket-opened', 'garment-asked']);
    expect([...byDocket.values()].at(-1)).toEqual([]);
    expect((await listActs(app.database, other.id)).every(({ act }) => act.docketId === other.id)).toBe(true);

    const counts = await actsOfWearers(app.database);
    expect([counts.get(one.wearerId), counts.get(other.wearerId)]).toEqual([6, 4]);
    const latest = await latestAct(app.database);
    const [, , third] = await listActs(app.database, other.id);
    const behind = await actsBehind(app.database, all, third!.place);
    expect(behind.map(({ place }) => place)).toEqual(
      [...behind.map(({ place }) => place)].sort((a, b) => a - b),
    );
    expect([behind.length, behind.at(-1)!.place]).toEqual([3, latest]);
    expect((await actsBehind(app.database, all, third!.place, 2)).length).toBe(2);
    expect(await actsBehind(app.database, [one.id], latest)).toEqual([]);
  });

  it('are the readings that stand, by whose they are', async () => {
    const one = await records.measured('98', '86');
    const other = await records.measured('106', '94');
    await records.does(one.id, {
      kind: 'reading-withdrawn',
      readingId: one.readingIds[0]!,
      code: 'chest-girth',
    });
    const found = await readingsByWearer(app.database, [one.wearerId, other.wearerId, uuidv7()]);
    expect([...found.keys()].sort()).toEqual([one.wearerId, other.wearerId].sort());
    expect(found.get(one.wearerId)!.map(({ id }) => id)).toEqual([one.readingIds[1]!]);
    expect(found.get(other.wearerId)!.map(({ code }) => code)).toEqual(['chest-girth', 'waist-girth']);
    expect((await readingsByWearer(app.database, [other.wearerId])).size).toBe(1);
  });

  it('of musters is told about one wearer, behind a place, and since when somebody was put on them', async () => {
    const first = await hall.open(2);
    const [ada, bo] = first.wearers;
    await hall.does(first.id, { kind: 'checked-in', wearerId: ada!.wearerId });
    await hall.does(first.id, { kind: 'checked-in', wearerId: bo!.wearerId });
    const about = await musterActsAbout(app.database, ada!.wearerId);
    expect(about.map(({ kind }) => kind)).toEqual(['people-added', 'checked-in']);
    expect(about.every(({ musterId }) => musterId === first.id)).toBe(true);
    expect(await musterActsAbout(app.database, uuidv7())).toEqual([]);

    const second = await hall.open(1);
    const [opened] = await musterActsBehind(app.database, first.id, 0);
    expect(opened!.act.kind).toBe('muster-opened');
    const behind = await musterActsBehind(app.database, first.id, opened!.place);
    expect(behind.map(({ act }) => act.musterId)).toEqual(behind.map(() => first.id));
    expect(behind.length).toBe(5);
    const added = await addingActs(
      app.database,
      behind.find(({ act }) => act.kind === 'people-added')!.act.id,
    );
    expect(added.map(({ musterId }) => musterId)).toEqual([second.id]);
    expect((await addingActs(app.database, opened!.act.id)).length).toBe(2);
    const kept = await findAct(app.database, opened!.act.id);
    expect([kept!.act.kind, kept!.place]).toEqual(['muster-opened', opened!.place]);
  });

  it('goes with the docket it is of, and nothing of another goes with it', async () => {
    const one = await records.measured('98', '86');
    const other = await records.measured('106', '94');
    const rows = async (id: string) =>
      Promise.all([
        app.database('dockets').where({ id }).pluck('id'),
        app.database('docket_garments').where({ docket_id: id }).pluck('chart_id'),
        app.database('acts').where({ docket_id: id }).pluck('id'),
      ]).then((found) => found.map(({ length }) => length));
    expect(await rows(one.id)).toEqual([1, 1, 4]);
    await removeDockets(app.database, [one.id]);
    expect([await rows(one.id), await rows(other.id)]).toEqual([
      [0, 0, 0],
      [1, 1, 4],
    ]);
    await removeDockets(app.database, []);
    expect(await rows(other.id)).toEqual([1, 1, 4]);
  });

  it('is listed by words, the latest first, with what was decided and where it waits', async () => {
    const one = await records.measured('98', '86');
    const wearerId = await records.save(ROUTES.wearers, { name: 'Zora Quill', role: 'Guide', version: 0 });
    const other = await records.docket(undefined, wearerId);
    await records.does(one.id, {
      ...{ kind: 'garment-decided', chartId: one.chartId, outcome: 'accepted', sizes: { size: 'M' } },
      ...{ reason: null, readingIds: one.readingIds, after: null, habits: 0, found: null },
    } as never);
    const list = (query: object) =>
      listDockets(app.database, { search: '', from: 0, waiting: null, ...query } as never);
    const all = await list({});
    expect([all.total, all.items.map(({ id }) => id)]).toEqual([2, [other.id, one.id]]);
    expect(all.items.map(({ garments }) => garments.map(({ decided }) => decided))).toEqual([[null], ['M']]);
    expect(all.items[0]!.wearer).toEqual({ id: wearerId, name: 'Zora Quill', role: 'Guide' });
    expect((await list({ search: 'quill guide' })).items.map(({ id }) => id)).toEqual([other.id]);
    expect((await list({ search: 'nobody' })).total).toBe(0);
    expect((await list({ from: 1 })).items.map(({ id }) => id)).toEqual([one.id]);
    // What is decided waits to be tried on.
    expect((await list({ waiting: 'fitting' })).items.map(({ id }) => id)).toEqual([one.id]);
  });
});

describe('what is opened with more than its opening', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());

  it('has what can be asked for, and leaves out what cannot', async () => {
    const wearerId = await records.wearer();
    const chartId = await records.save(ROUTES.charts, chartSave());
    const docketId = uuidv7();
    const act = (doing: object): Act =>
      ({ id: uuidv7(), docketId, at: new Date().toISOString(), by: app.fitter, ...doing }) as Act;
    const opened = await app.database.transaction((transaction) =>
      openWith(transaction, [
        act(opening(wearerId)),
        act({ kind: 'garment-asked', chartId }),
        act({ kind: 'garment-asked', chartId: uuidv7() }),
      ]),
    );
    expect(opened.kept.map(({ kind }) => kind)).toEqual(['docket-opened', 'garment-asked']);
    expect(opened.docket.id).toBe(docketId);
    expect(opened.library.charts.map(({ id }) => id)).toEqual([chartId]);
    expect((await listActs(app.database, docketId)).map(({ act: one }) => one.id)).toEqual(
      opened.kept.map(({ id }) => id),
    );
    expect(await app.database('docket_garments').where({ docket_id: docketId }).pluck('position')).toEqual([
      0,
    ]);
    await expectAsync(
      app.database.transaction((transaction) =>
        openWith(transaction, [act({ kind: 'garment-asked', chartId })]),
      ),
    ).toBeRejectedWithError(/opened by its opening/);
  });
});

describe('an act that is sent', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  it('has an id only where it says one in letters', () => {
    expect([idOf(null), idOf('a'), idOf({}), idOf({ id: 5 }), idOf([]), idOf({ id: null })]).toEqual([
      ...[null, null, null, null, null, null],
    ]);
    expect(idOf({ id: 'x'.repeat(50) })).toBe('x'.repeat(40));
  });

  it('is the same whatever the order of what it says, and whatever its author is called by now', () => {
    const by = { id: uuidv7(), name: 'Ada' };
    const one = { id: uuidv7(), kind: 'garment-asked', docketId: 'd', at: 'now', by, chartId: 'c' };
    const same = {
      chartId: 'c',
      by: { ...by, name: 'Ada Tern' },
      at: 'now',
      docketId: 'd',
      id: one.id,
      kind: one.kind,
    };
    const says = (other: object) => saysTheSame(one as unknown as AnyAct, other as AnyAct);
    expect(says(same)).toBe(true);
    expect(says({ ...same, chartId: 'd' })).toBe(false);
    expect(says({ ...same, by: { ...by, id: uuidv7() } })).toBe(false);
  });

  it('may be up to a day ahead and three months old', () => {
    const fitter = { id: 'f', name: 'F' };
    const refused = (days: number, id = 'f') =>
      refuseSigned(
        { fitter } as never,
        { by: { id, name: 'F' }, at: new Date(Date.now() + days * 86_400_000).toISOString() } as AnyAct,
      )?.code ?? null;
    expect([refused(0), refused(0.99), refused(1.01), refused(-91.9), refused(-92.1)] as unknown[]).toEqual([
      ...[null, null, 'moment-off', null, 'moment-off'],
    ]);
    expect(refused(0, 'other')).toBe('other-hand');
  });

  it('is told to whoever looks on once, however often it is sent', async () => {
    const { id } = await records.docket();
    const told: string[] = [];
    const lookout = { tell: (subject: string) => told.push(subject) };
    const signing = { fitter: app.fitter, role: 'administrator', pen: null } as const;
    const act = {
      ...{ id: uuidv7(), docketId: id, at: new Date().toISOString(), by: app.fitter },
      ...reading('chest-girth', '98'),
    };
    const none = () => Promise.reject(new Error('no muster'));
    const take = async (sent: readonly unknown[]) =>
      (await takeActs(app.database, lookout as never, signing, sent, none, none)).answers.map(
        ({ outcome }) => outcome,
      );
    expect(await take([act, act])).toEqual(['kept', 'kept']);
    expect(await take([act, { id: 'nothing' }])).toEqual(['kept', 'refused']);
    expect(told).toEqual([id]);
    expect((await records.made(id)).readings.length).toBe(1);
  });
});

describe('what is said to be on record', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  it('is there of that wearer, that moment and that value, to what a unit can show', async () => {
    const earlier = await records.measured('98', '86');
    const now = await records.docket([earlier.chartId], earlier.wearerId);
    const [{ act }] = (await listActs(app.database, earlier.id)).filter(
      ({ act: one }) => one.kind === 'reading-taken',
    ) as unknown as [{ act: { at: string } }];
    const on = (docketId: string, change: object = {}) =>
      isOnRecord(app.database, docketId, {
        ...{ code: 'chest-girth', length: 980_000, carriedFrom: act.at, waist: null },
        ...change,
      } as never);
    expect(await on(now.id)).toBe(true);
    expect([await on(now.id, { length: 980_500 }), await on(now.id, { length: 979_500 })]).toEqual([
      true,
      true,
    ]);
    expect([await on(now.id, { length: 980_501 }), await on(now.id, { length: 979_499 })]).toEqual([
      false,
      false,
    ]);
    expect(await on(now.id, { code: 'hip-girth' })).toBe(false);
    expect(await on(now.id, { carriedFrom: '2020-01-01T08:00:00.000Z' })).toBe(false);
    expect(await on(earlier.id))
      .withContext('nothing is carried over from the docket itself')
      .toBe(false);
    expect(await on((await records.docket()).id))
      .withContext('another’s')
      .toBe(false);
    expect(await on(uuidv7())).toBe(false);
  });
});
