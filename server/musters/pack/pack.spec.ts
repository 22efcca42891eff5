import { musterPackPath, pathOf, ROUTES } from '@neat-measure/contract';
import { packSchema, type Pack } from '@neat-measure/contract/musters';
import {
  docketShelvesPath,
  docketShelvesSchema,
  docketStockPath,
  docketStockSchema,
} from '@neat-measure/contract/stores';
import { openingDoings } from '@neat-measure/core/muster';
import { judgeDocket, replay } from '@neat-measure/core';
import { shelvesAsOf, stockAsOf, withoutMoved, type StockAsOf } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import { Harness, PASSPHRASE } from '../../testing/harness';
import { MusterHall } from '../../testing/musters';
import { problem, reading, Records } from '../../testing/records';
import { handing, Stores } from '../../testing/stock';

describe('a muster that is taken along', () => {
  let app: Harness;
  const records = new Records(() => app);
  const stores = new Stores(() => app);
  const halls = new MusterHall(() => app, records);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  afterEach(() => app.signIn());

  const taken = async (id: string) => packSchema.parse((await app.get(musterPackPath(id))).body);

  it('has the docket of everybody as the Bench gets it, and the kit of whoever has none yet', async () => {
    const { id, wearers, chartId, kitId } = await halls.open();
    const [first, second] = [wearers[0]!, wearers[1]!];
    await halls.does(id, { kind: 'checked-in', wearerId: first.wearerId });
    for (const typed of ['98', '98']) await records.does(first.docketId, reading('chest-girth', typed));
    // An earlier docket of the other answers what is asked on the one to come.
    const earlier = await records.docket([chartId], second.wearerId);
    for (const typed of ['91', '91']) await records.does(earlier.id, reading('waist-girth', typed));

    const pack = await taken(id);
    const bench = await records.bench(first.docketId);
    const [own, other] = [first, second].map(({ docketId }) =>
      pack.people.find((one) => one.docketId === docketId),
    );
    expect(own).toEqual(jasmine.objectContaining({ number: bench.number, wearer: bench.wearer }));
    expect(own!.acts).toEqual(bench.acts);
    expect(own!.record).toEqual(bench.record);
    expect(pack.habits).toEqual(bench.habits);
    for (const chart of bench.charts) expect(pack.charts).toContain(chart);
    // What they are judged by here and there is the same.
    const judged = (charts: typeof bench.charts) =>
      judgeDocket(replay(own!.acts.map(({ act }) => act))!, { ...bench, charts }).garments.map(
        ({ verdict }) => JSON.stringify(verdict),
      );
    expect(judged(pack.charts)).toEqual(judged(bench.charts));

    expect([other!.number, other!.acts.length]).toEqual([null, 0]);
    expect(other!.others.map(({ id: docket, acts }) => [docket, acts.length])).toEqual([[earlier.id, 4]]);
    expect(other!.record.map(({ code, value }) => [code, value])).toEqual([
      ['waist-girth', 910_000],
    ] as never);
    const kit = pack.kits.find((one) => one.id === kitId)!;
    await halls.does(id, { kind: 'checked-in', wearerId: second.wearerId });
    const opened = (await records.bench(second.docketId)).acts.map(({ act }) => act);
    // A device that opens it by itself does what the server did.
    const doings = openingDoings(pack.view.muster, second.wearerId, kit);
    expect(opened.map(({ kind }) => kind)).toEqual(doings.map(({ kind }) => kind));
    for (const [at, doing] of doings.entries())
      expect<object>({ ...opened[at], ...doing }).toEqual(opened[at]!);
    expect((await taken(id)).place).toBeGreaterThan(pack.place);
  });

  it('has the version of a chart that a docket was opened with beside the latest', async () => {
    const { id, wearers, chartId } = await halls.open(1);
    await halls.does(id, { kind: 'checked-in', wearerId: wearers[0]!.wearerId });
    const before = (await taken(id)).charts.find((one) => one.id === chartId)!;
    const next = await records.save(ROUTES.charts, {
      sheet: { ...before.sheet, source: 'second edition' },
      source: 'jacket 2.csv',
      replaces: chartId,
    });
    const ids = (await taken(id)).charts.map((one) => one.id);
    expect(ids).toContain(chartId);
    expect(ids).toContain(next);
  });

  it('has what is on shelves, without what is past its day, and no names of whoever has been erased', async () => {
    const { id, wearers, chartId } = await halls.open();
    const room = await stores.room();
    const { seriesId } = (await taken(id)).charts.find((one) => one.id === chartId)!;
    await stores.receive(room, seriesId, 'L', 3);
    const { stock } = await taken(id);
    expect(
      stock.articles.filter((one) => one.seriesId === seriesId).map(({ label, there }) => [label, there]),
    ).toEqual([['L', [{ roomId: room, count: 3 }]]]);
    expect((await app.send('DELETE', pathOf(ROUTES.wearers, wearers[0]!.wearerId), {})).status).toBe(204);
    expect((await taken(id)).people.map(({ wearer }) => wearer.id)).toEqual([wearers[1]!.wearerId]);
  });

  it('tells of the stores what they tell themselves, as long as nothing moves', async () => {
    const { id, wearers, chartId } = await halls.open();
    const [room, beside] = [await stores.room(), await stores.room()];
    const { seriesId } = (await taken(id)).charts.find((one) => one.id === chartId)!;
    await stores.receive(room, seriesId, 'L', 2);
    await stores.receive(beside, seriesId, 'L', 1);
    await stores.receive(room, seriesId, 'XL', 4);
    for (const { wearerId } of wearers) await halls.does(id, { kind: 'checked-in', wearerId });
    const [own, other] = [wearers[0]!.docketId, wearers[1]!.docketId];
    await stores.keeps(own, chartId, 'L');
    await stores.keeps(other, chartId, 'M');
    const told = async (docketId: string) => ({
      stock: docketStockSchema.parse((await app.get(docketStockPath(docketId))).body),
      shelves: docketShelvesSchema.parse((await app.get(docketShelvesPath(docketId))).body),
    });
    const asOf = (
      { stock, charts, people }: Omit<Pack, 'stock'> & { readonly stock: StockAsOf },
      docketId: string,
    ) => {
      const docket = replay(people.find((one) => one.docketId === docketId)!.acts.map(({ act }) => act))!;
      const here = charts.filter(({ id: chart }) => docket.garments.some((one) => one.chartId === chart));
      return { stock: stockAsOf(stock, docket, here), shelves: shelvesAsOf(stock, docket, here) };
    };
    const pack = await taken(id);
    for (const docketId of [own, other]) expect<object>(asOf(pack, docketId)).toEqual(await told(docketId));
    // What went out on the device itself is known there.
    const gone = { seriesId, label: 'L', roomId: beside, pieceId: null };
    await records.does(own, handing(chartId, { from: { roomId: beside, pieceId: null } }));
    const left = asOf({ ...pack, stock: withoutMoved(pack.stock, [gone]) }, other);
    expect<object>(left).toEqual(await told(other));
  });

  it('is nobody’s who only looks on, and of no muster that is not there', async () => {
    expect(problem(await app.get(musterPackPath(uuidv7())))).toEqual([404, 'not-found']);
    const { id } = await halls.open(0);
    await app.person('viewer');
    await app.signIn(PASSPHRASE, 'viewer');
    expect(problem(await app.get(musterPackPath(id)))).toEqual([403, 'not-allowed']);
  });
});
