import { musterOrderAheadPath, musterParcelsPath, musterPicksPath, pathOf } from '@neat-measure/contract';
import {
  orderAheadSchema,
  picksReservedSchema,
  picksSchema,
  type Picks,
} from '@neat-measure/contract/musters';
import { articlesSchema, reservationsSchema, STORES } from '@neat-measure/contract/stores';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../../testing/harness';
import { DAYS, MusterHall, OPENING } from '../../testing/musters';
import { problem } from '../../testing/records';
import { Stores } from '../../testing/stock';

describe('what is fetched for a muster', () => {
  let app: Harness;
  const stores = new Stores(() => app);
  const { records } = stores;
  const halls = new MusterHall(() => app, records);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  const picks = async (id: string) => picksSchema.parse((await app.get(musterPicksPath(id))).body);
  const reserve = async (id: string) =>
    picksReservedSchema.parse((await app.send('POST', musterPicksPath(id), {})).body).reserved;

  /** A muster of some wearers whose trousers are decided in 34. */
  const decided = async (many: number) => {
    const id = uuidv7();
    await halls.does(id, { ...OPENING, ...DAYS });
    const chartId = await stores.chart();
    const people: { wearerId: string; docketId: string }[] = [];
    for (let one = 0; one < many; one += 1) {
      const docketId = await stores.sized(chartId, '34');
      const { wearerId } = await records.made(docketId);
      people.push({ wearerId, docketId });
    }
    await halls.does(id, { kind: 'people-added', people });
    return { id, chartId, people };
  };

  it('lies in the room that has most, is reserved as a whole, and is then ready', async () => {
    const { id, chartId, people } = await decided(3);
    const [small, large] = [await stores.room(`A ${id}`), await stores.room(`B ${id}`)];
    await stores.receive(small, chartId, '34', 1);
    await stores.receive(large, chartId, '34', 1);
    const before = await picks(id);
    expect(before.rooms.map(({ room, lines }) => [room, lines.map((line) => line.for.length)])).toEqual([
      [`A ${id}`, [1]],
      [`B ${id}`, [1]],
    ]);
    expect([before.short.length, before.short[0]?.coming, before.ready]).toEqual([1, 0, []]);
    expect(problem(await app.get(musterParcelsPath(id)))).toEqual([404, 'not-found']);
    // Two who press at once reserve each garment once.
    const [one, other] = await Promise.all([reserve(id), reserve(id)]);
    expect(one + other).toBe(2);
    const after = await picks(id);
    expect([after.rooms, after.short.length]).toEqual([[], 1]);
    expect(after.ready.map(({ reserved, waits }) => [reserved, waits])).toEqual([
      [1, 0],
      [1, 0],
    ]);
    const theirs = new Set(people.map(({ docketId }) => docketId));
    const kept = reservationsSchema.parse((await app.get(STORES.reserved)).body);
    expect(kept.filter(({ docketId }) => theirs.has(docketId)).length).toBe(2);
    expect(await reserve(id)).toBe(0);
    expect((await app.file(musterParcelsPath(id))).status).toBe(200);
  });

  it('is fetched shelf by shelf, and what has no shelf last', async () => {
    const { id, chartId, people } = await decided(1);
    const labels = ['32', '36'];
    for (const label of labels) {
      const docketId = await stores.sized(chartId, label);
      const { wearerId } = await records.made(docketId);
      await halls.does(id, { kind: 'people-added', people: [{ wearerId, docketId }] });
    }
    const room = await stores.room(`C ${id}`);
    for (const label of [...labels, '34']) await stores.receive(room, chartId, label, 1);
    const { items } = articlesSchema.parse((await app.get(`${STORES.stock}?room=${room}`)).body);
    const save = (label: string, bin: string | undefined, version = 0) => {
      const article = items.find((one) => one.label === label)!;
      return app.put(pathOf(STORES.articles, article.id), {
        ...{ minimum: 2, makerCode: null, version: article.version + version },
        ...(bin === undefined ? {} : { bin }),
      });
    };
    for (const [label, bin] of [
      ['36', 'A 9'],
      ['32', 'A 10'],
    ] as const)
      expect((await save(label, bin)).status).toBe(200);
    // Not said, it stays; the same again is no change.
    expect((await save('36', undefined, 1)).body.bin).toBe('A 9');
    expect(problem(await save('32', 'Z 1'))).toEqual([409, 'changed-meanwhile']);
    const [{ lines }] = (await picks(id)).rooms.filter((one) => one.roomId === room) as [
      Picks['rooms'][number],
    ];
    expect(lines.map(({ bin, label }) => [bin, label])).toEqual([
      ['A 9', '36'],
      ['A 10', '32'],
      [null, '34'],
    ]);
    expect(people.length).toBe(1);
  });

  it('is ordered before the tape as it is decided, and not once more when it is reserved', async () => {
    const { id, chartId } = await decided(2);
    const order = async () =>
      orderAheadSchema
        .parse((await app.send('POST', musterOrderAheadPath(id), { chance: 0.95 })).body)
        .garments.map(({ lines, members }) => [
          members,
          lines.map((line) => [line.label, line.order, line.there]),
        ]);
    expect(await order()).toEqual([[2, [['34', 2, 0]]]]);
    await stores.receive(await stores.room(), chartId, '34', 3);
    expect(await order()).toEqual([[2, [['34', 2, 3]]]]);
    expect(await reserve(id)).toBe(2);
    expect(await order()).toEqual([]);
  });

  it('is nothing of other musters, and of what is numbered the piece is chosen by hand', async () => {
    const { id, chartId } = await decided(1);
    const [roomId, other] = [await stores.room(), uuidv7()];
    await stores.receive(roomId, chartId, '34', 5);
    await halls.does(other, { ...OPENING, ...DAYS });
    expect(await picks(other)).toEqual({ rooms: [], numbered: [], short: [], ready: [] });
    expect(await reserve(other)).toBe(0);
    expect((await picks(id)).rooms.length).toBe(1);
  });
});
