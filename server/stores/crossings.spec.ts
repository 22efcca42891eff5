import { pathOf } from '@neat-measure/contract';
import {
  countExplainedPath,
  inspectionPath,
  STORES,
  needsSchema,
  type Article,
} from '@neat-measure/contract/stores';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { sheetFrom } from '../testing/records';
import { handing, Stores, SUIT } from '../testing/stock';

/** A vest in one part: numbered, and issued for good. */
const VEST = sheetFrom('size,chest-girth (cm)\nM,94-102\nL,102-110\n', {
  kind: 'vest',
  garment: 'Shingle vest',
});
const TODAY = new Date().toISOString().slice(0, 10);

/** Where a docket and the stores cross: each is right by itself, and together they have to be, too. */
describe('dockets and the stores', () => {
  let app: Harness;
  const stores = new Stores(() => app);
  const records = stores.records;
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  const counts = async (id: string) => {
    const { article } = await stores.account(id);
    const sum = (of: 'shelf' | 'drying' | 'quarantine') =>
      article.there.reduce((all, one) => all + one[of], 0);
    return [sum('shelf'), sum('drying'), sum('quarantine'), article.out, article.loose];
  };
  const said = (answer: { status: number; body: { detail?: string } }) => [
    answer.status,
    answer.body.detail ?? '',
  ];

  it('take back at the docket what it holds, and at the card what went out without one: 4 and 1 are 5 of 5', async () => {
    const [roomId, chartId] = [await stores.room(), await stores.chart()];
    const { id } = await stores.receive(roomId, chartId, '32', 5);
    const docket = await stores.sized(chartId, '32');
    await records.does(docket, handing(chartId, { from: { roomId, pieceId: null } }));
    const shelf = `${roomId}/shelf`;
    const back = { kind: 'returned', from: 'wearer', to: shelf, condition: 'as-labelled' };
    expect(said(await stores.move(id, back))).toEqual([409, jasmine.stringContaining('at that docket')]);
    expect(
      (await stores.move(id, { kind: 'issued', from: shelf, to: 'wearer', reason: 'Lent' })).status,
    ).toBe(200);
    expect(await counts(id)).toEqual([3, 0, 0, 2, 1]);
    expect((await stores.move(id, { ...back, count: 2 })).status)
      .withContext('one of the two is the docket’s')
      .toBe(409);
    expect((await stores.move(id, back)).status).toBe(200);
    const cameBack = {
      kind: 'garment-came-back',
      chartId,
      why: 'changed-mind',
      area: null,
      note: null,
    } as const;
    await records.does(docket, { ...cameBack, goes: 'stock', to: roomId });
    expect(await counts(id)).toEqual([5, 0, 0, 0, 0]);
    expect((await stores.move(id, back)).status)
      .withContext('a sixth of five')
      .toBe(409);
  });

  it('lets a docket take back what a card once took back for it, and counts it once', async () => {
    const [roomId, chartId] = [await stores.room(), await stores.chart()];
    const { id } = await stores.receive(roomId, chartId, '32', 1);
    const docket = await stores.sized(chartId, '32');
    await records.does(docket, handing(chartId, { from: { roomId, pieceId: null } }));
    // As it was kept before the ledger asked by which docket a garment is out.
    await app.database('stock_movements').insert({
      batch_id: uuidv7(),
      kind: 'returned',
      article_id: id,
      from_place: 'wearer',
      to_place: `${roomId}/shelf`,
      count: 1,
      by_id: app.fitter.id,
      at: new Date(),
    });
    const back = { kind: 'garment-came-back', chartId, why: 'changed-mind', area: null, note: null } as const;
    await records.does(docket, { ...back, goes: 'stock', to: roomId });
    expect(await counts(id)).toEqual([1, 0, 0, 0, 0]);
  });

  it('take back a numbered piece where it is held, and by nobody else', async () => {
    const [roomId, chartId] = [await stores.room(), await stores.chart(SUIT)];
    const { id } = await stores.receive(roomId, chartId, 'M', 1, ['X1']);
    const pieceId = (await stores.account(id)).pieces[0]!.id;
    const docket = await stores.sized(chartId, 'M');
    await records.does(docket, handing(chartId, { from: { roomId, pieceId } }));
    const { number } = await records.bench(docket);
    expect((await stores.account(id)).pieces[0]!.byDocket).toBe(number);
    const to = `${roomId}/drying`;
    const back = { kind: 'returned', from: 'wearer', to, pieceIds: [pieceId], condition: 'as-labelled' };
    expect(said(await stores.move(id, back))).toEqual([
      409,
      jasmine.stringContaining(`is with the wearer of docket ${number}`),
    ]);
  });

  it('take a piece for back that a count has found, and the docket takes it back after that all the same', async () => {
    const [roomId, chartId] = [await stores.room(), await stores.chart(SUIT)];
    const { id } = await stores.receive(roomId, chartId, 'M', 2, ['Y1', 'Y2']);
    const idOf = async (serial: string) =>
      (await stores.account(id)).pieces.find((one) => one.serial === serial)!.id;
    const docket = await stores.sized(chartId, 'M');
    await records.does(docket, handing(chartId, { from: { roomId, pieceId: await idOf('Y1') } }));
    const countId = uuidv7();
    const counted = {
      roomId,
      compartment: 'shelf',
      lines: [],
      pieceIds: [await idOf('Y1'), await idOf('Y2')],
    };
    expect((await app.put(pathOf(STORES.counts, countId), counted)).status).toBe(200);
    const explained = { batchId: uuidv7(), reasons: [{ articleId: id, reason: 'It hung on its hook' }] };
    expect((await app.put(countExplainedPath(countId), explained)).status).toBe(200);
    expect(await counts(id)).toEqual([2, 0, 0, 0, 0]);
    const back = { kind: 'garment-came-back', chartId, why: 'hire-over', area: null, note: null } as const;
    await records.does(docket, { ...back, goes: 'drying', to: roomId });
    expect(await counts(id))
      .withContext('it lies where it was found')
      .toEqual([2, 0, 0, 0, 0]);
    // What is lent after that comes back as anything that is.
    const shelf = `${roomId}/shelf`;
    const pieceIds = [await idOf('Y1')];
    await stores.move(id, { kind: 'issued', from: shelf, to: 'wearer', reason: 'Lent', pieceIds });
    const lent = { kind: 'returned', from: 'wearer', to: shelf, condition: 'as-labelled', pieceIds };
    expect((await stores.move(id, lent)).status).toBe(200);
  });

  it('put nothing on a shelf that is not as its label says, whichever way it is sent', async () => {
    const [roomId, hall, chartId] = [await stores.room(), await stores.room(), await stores.chart()];
    const { id } = await stores.receive(roomId, chartId, '34', 3);
    const shelf = `${roomId}/shelf`;
    await stores.move(id, { kind: 'issued', from: shelf, to: 'wearer', count: 2, reason: 'Lent' });
    const back = { kind: 'returned', from: 'wearer', to: shelf };
    expect(said(await stores.move(id, back))).toEqual([
      409,
      jasmine.stringContaining('Enter whether the returned garment'),
    ]);
    for (const condition of ['altered', 'faulty'])
      expect((await stores.move(id, { ...back, condition })).status)
        .withContext(condition)
        .toBe(409);
    const aside = `${roomId}/quarantine`;
    expect((await stores.move(id, { ...back, condition: 'altered', to: aside })).status).toBe(200);
    expect((await stores.move(id, { kind: 'moved', from: aside, to: `${hall}/shelf` })).status)
      .withContext('by a move to another room')
      .toBe(409);
    expect((await stores.move(id, { kind: 'moved', from: aside, to: `${hall}/quarantine` })).status).toBe(
      200,
    );
    const released = { kind: 'released', from: `${hall}/quarantine`, to: `${hall}/shelf` };
    expect(said(await stores.move(id, released))).toEqual([
      409,
      jasmine.stringContaining('Enter what was found'),
    ]);
    expect((await stores.move(id, { ...released, reason: 'The hem was let down again' })).status).toBe(200);
    expect(await counts(id)).toEqual([2, 0, 0, 1, 1]);
  });

  it('count no piece as stock that must not be worn, and order what its wearer then waits for', async () => {
    const [roomId, chartId] = [await stores.room(), await stores.chart(VEST)];
    const article = await stores.receive(roomId, chartId, 'L', 1, ['Z1']);
    await stores.sized(chartId, 'L');
    const needs = async () =>
      needsSchema
        .parse((await app.get(STORES.needs)).body)
        .filter((one) => one.seriesId === article.seriesId)
        .map(({ label, there, forWearers }) => [label, there, forWearers]);
    expect(await needs()).toEqual([]);
    const { pieces } = await stores.account(article.id);
    await app.put(inspectionPath(pieces[0]!.id, uuidv7()), { day: TODAY, passed: false, note: 'Torn' });
    expect(await needs()).toEqual([['L', 0, 1]]);
    const { article: now } = await stores.account(article.id);
    expect(now.there.map(({ shelf, blocked }) => [shelf, blocked])).toEqual([[1, 1]]);
    await app.put(pathOf(STORES.articles, now.id), { minimum: 1, makerCode: null, version: now.version });
    const low = (await app.get(STORES.warnings)).body as { kind: string; articleId: string; says: string }[];
    const [told] = low.filter(({ kind, articleId }) => kind === 'low' && articleId === article.id);
    expect(told?.says).toContain('0 on the shelf');
  });

  it('keep every garment somewhere, once, over random lives at the card and at dockets', async () => {
    const [roomId, chartId] = [await stores.room(), await stores.chart()];
    const COUNT = 6;
    const { id } = await stores.receive(roomId, chartId, '36', COUNT);
    const dockets = await Promise.all(Array.from({ length: 3 }, () => stores.sized(chartId, '36')));
    let state = 20_261_130;
    const draw = (many: number) => {
      state = (state * 48_271) % 2_147_483_647;
      return state % many;
    };
    const shelf = `${roomId}/shelf`;
    const handings = new Map<string, string>();
    const life: (() => Promise<unknown>)[] = [
      () =>
        stores.move(id, { kind: 'issued', from: shelf, to: 'wearer', reason: 'Lent', count: 1 + draw(2) }),
      () =>
        stores.move(id, {
          kind: 'returned',
          from: 'wearer',
          to: shelf,
          condition: 'as-labelled',
          count: 1 + draw(2),
        }),
      () =>
        stores.move(id, {
          kind: 'returned',
          from: 'wearer',
          to: `${roomId}/quarantine`,
          condition: 'faulty',
        }),
      () => stores.move(id, { kind: 'released', from: `${roomId}/quarantine`, to: shelf, reason: 'Mended' }),
      async () => {
        const docket = dockets[draw(dockets.length)]!;
        const act = await app.does(docket, handing(chartId, { from: { roomId, pieceId: null } }));
        if (act.outcome === 'kept') handings.set(docket, act.id);
      },
      () =>
        app.does(dockets[draw(dockets.length)]!, {
          kind: 'garment-came-back',
          chartId,
          why: 'changed-mind',
          area: null,
          note: null,
          goes: 'stock',
          to: roomId,
        }),
      () => app.does(dockets[draw(dockets.length)]!, { kind: 'return-withdrawn', chartId }),
      async () => {
        const [docket, actId] = [...handings][draw(Math.max(handings.size, 1))] ?? [];
        if (docket !== undefined) await app.does(docket, { kind: 'handing-withdrawn', actId: actId! });
      },
    ];
    for (let round = 0; round < 40; round++) {
      // Several hands at once.
      await Promise.all(Array.from({ length: 3 }, () => life[draw(life.length)]!()));
      const { article } = await stores.account(id);
      expect(everywhere(article)).withContext(`round ${round}`).toBe(COUNT);
      const made = await Promise.all(dockets.map((one) => records.made(one)));
      const held = made.flatMap(({ handings: all }) =>
        all.filter(({ back, from }) => back === null && from !== undefined),
      );
      expect(article.out - article.loose)
        .withContext(`round ${round}: what dockets hold is what is out by them`)
        .toBe(held.length);
    }
  });
});

function everywhere({ there, out }: Article): number {
  return there.reduce((sum, { shelf, drying, quarantine }) => sum + shelf + drying + quarantine, out);
}
