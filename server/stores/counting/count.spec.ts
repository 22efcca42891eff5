import { pathOf } from '@neat-measure/contract';
import { countExplainedPath, stockCountSchema, STORES, type StockCount } from '@neat-measure/contract/stores';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../../testing/harness';
import { problem } from '../../testing/records';
import { Stores, SUIT } from '../../testing/stock';

describe('a count of the stores', () => {
  let app: Harness;
  const stores = new Stores(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  const shelf = (roomId: string) => `${roomId}/shelf`;
  const send = (id: string, fields: object) =>
    app.put(pathOf(STORES.counts, id), { compartment: 'shelf', lines: [], pieceIds: [], ...fields });
  async function count(fields: object): Promise<StockCount> {
    const { status, body } = await send(uuidv7(), fields);
    expect(status).toBe(200);
    return stockCountSchema.parse(body);
  }
  const numbers = ({ differences }: StockCount) =>
    new Map(differences.map(({ articleId, counted, listed }) => [articleId, [counted, listed]]));
  const explain = (id: string, articleIds: readonly string[], batchId = uuidv7()) =>
    app.put(countExplainedPath(id), {
      batchId,
      reasons: articleIds.map((articleId) => ({ articleId, reason: 'Not found' })),
    });
  const out = (articleId: string, roomId: string, fields: object = {}) =>
    stores.move(articleId, { kind: 'issued', from: shelf(roomId), to: 'wearer', ...fields });

  it('is blind, and corrects the stock once, by one, only where each difference was explained', async () => {
    const [roomId, series] = [await stores.room(), await stores.chart()];
    const one = await stores.receive(roomId, series, '32', 5);
    const two = await stores.receive(roomId, series, '34', 2);
    const suit = await stores.receive(roomId, await stores.chart(SUIT), 'M', 2, ['C1', 'C2']);
    const { pieces } = await stores.account(suit.id);
    const lines = [{ articleId: one.id, counted: 4 }];
    const found = await count({ roomId, lines, pieceIds: [pieces[0]!.id] });
    expect(numbers(found)).toEqual(
      new Map([
        [one.id, [4, 5]],
        [two.id, [0, 2]],
        [suit.id, [1, 2]],
      ]),
    );
    expect(problem(await explain(found.id, [one.id]))).toEqual([409, 'stock-refused']);
    const all = [one.id, two.id, suit.id];
    const [batch, other] = [uuidv7(), uuidv7()];
    const both = await Promise.all([explain(found.id, all, batch), explain(found.id, all, other)]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
    expect([await stores.shelf(one.id), await stores.shelf(two.id), await stores.shelf(suit.id)]).toEqual([
      4, 0, 1,
    ]);
    const { pieces: after } = await stores.account(suit.id);
    expect(after.map(({ place }) => place).sort()).toEqual([shelf(roomId), 'difference'].sort());
  });

  it('differs by what was listed when it was sent, whatever moves before it corrects the stock', async () => {
    const [roomId, series] = [await stores.room(), await stores.chart()];
    const one = await stores.receive(roomId, series, '32', 5);
    const two = await stores.receive(roomId, series, '34', 2);
    const [id, sent] = [uuidv7(), { roomId, lines: [{ articleId: one.id, counted: 4 }] }];
    const found = stockCountSchema.parse((await send(id, sent)).body);
    // One that is there goes out, and new ones come: neither is missing, and neither was found.
    await out(one.id, roomId);
    await stores.receive(roomId, series, '34', 3);
    await stores.receive(roomId, series, '36', 7);
    const told = stockCountSchema.parse((await send(id, sent)).body);
    expect(numbers(told)).toEqual(numbers(found));
    expect((await explain(found.id, [one.id, two.id])).status).toBe(200);
    expect([await stores.shelf(one.id), await stores.shelf(two.id)]).toEqual([3, 3]);
    expect(numbers(await count({ roomId, lines: [{ articleId: one.id, counted: 3 }] })).size).toBe(2);
  });

  it('leaves a numbered piece where it has gone since', async () => {
    const [roomId, other] = [await stores.room(), await stores.room()];
    const series = await stores.chart(SUIT);
    const suit = await stores.receive(roomId, series, 'M', 2, ['D1', 'D2']);
    const far = await stores.receive(other, series, 'L', 1, ['D3']);
    const [, missed] = (await stores.account(suit.id)).pieces;
    const [seen] = (await stores.account(far.id)).pieces;
    const found = await count({ roomId, pieceIds: [seen!.id] });
    const missing = found.differences.flatMap(({ pieces }) => pieces.map((one) => [one.serial, one.seen]));
    expect(missing.sort()).toEqual([
      ['D1', false],
      ['D2', false],
      ['D3', true],
    ]);
    // One turns up and goes to its wearer; the one seen here has been carried back.
    expect((await out(suit.id, roomId, { pieceIds: [missed!.id] })).status).toBe(200);
    const aside = { kind: 'moved', from: shelf(other), to: `${other}/quarantine`, pieceIds: [seen!.id] };
    expect((await stores.move(far.id, aside)).status).toBe(200);
    expect((await explain(found.id, [suit.id, far.id])).status).toBe(200);
    const places = async (id: string) =>
      (await stores.account(id)).pieces.map(({ serial, place }) => [serial, place]);
    expect(await places(suit.id)).toEqual([
      ['D1', 'difference'],
      ['D2', 'wearer'],
    ]);
    expect(await places(far.id)).toEqual([['D3', `${other}/quarantine`]]);
  });

  it('may be of some garments alone: the others stay as they are listed', async () => {
    const [roomId, series] = [await stores.room(), await stores.chart()];
    const one = await stores.receive(roomId, series, '32', 5);
    const two = await stores.receive(roomId, series, '34', 2);
    const other = await stores.receive(roomId, await stores.chart(), '32', 3);
    const suit = await stores.receive(roomId, await stores.chart(SUIT), 'M', 1, ['E1']);
    const found = await count({ roomId, only: 'garments', lines: [{ articleId: one.id, counted: 5 }] });
    expect(numbers(found)).toEqual(new Map([[two.id, [0, 2]]]));
    expect((await explain(found.id, [two.id])).status).toBe(200);
    expect(await Promise.all([one, two, other, suit].map(({ id }) => stores.shelf(id)))).toEqual([
      5, 0, 3, 1,
    ]);
    expect(numbers(await count({ roomId, only: 'garments' })).size).toBe(0);
  });

  it('takes off once what two have found missing', async () => {
    const [roomId, series] = [await stores.room(), await stores.chart()];
    const { id } = await stores.receive(roomId, series, '32', 5);
    const lines = [{ articleId: id, counted: 4 }];
    const [one, two] = [await count({ roomId, lines }), await count({ roomId, lines })];
    const both = await Promise.all([explain(one.id, [id]), explain(two.id, [id])]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
    expect(await stores.shelf(id)).toBe(4);
    // What dries there is another place, and is counted by itself.
    expect((await explain((await count({ roomId, compartment: 'drying' })).id, [])).status).toBe(200);
    const again = await count({ roomId, lines: [{ articleId: id, counted: 3 }] });
    expect((await explain(again.id, [id])).status).toBe(200);
    expect(await stores.shelf(id)).toBe(3);
  });

  it('is refused where by now fewer are listed than it would take off', async () => {
    const [roomId, series] = [await stores.room(), await stores.chart()];
    const one = await stores.receive(roomId, series, '32', 5);
    const found = await count({ roomId, lines: [{ articleId: one.id, counted: 3 }] });
    await out(one.id, roomId, { count: 4 });
    const refused = await explain(found.id, [one.id]);
    expect(problem(refused)).toEqual([409, 'stock-refused']);
    expect((refused.body as { detail: string }).detail).toContain('Count again.');
    expect(await stores.shelf(one.id)).toBe(1);
  });

  it('tells what came and went while it was counted', async () => {
    const [roomId, series] = [await stores.room(), await stores.chart()];
    const one = await stores.receive(roomId, series, '32', 5);
    await out(one.id, roomId, { count: 2 });
    const lines = [{ articleId: one.id, counted: 3 }];
    const moved = async (seconds: number) =>
      (await count({ roomId, lines, seconds })).moved.map(({ label, change }) => [label, change]);
    expect(await moved(3_600)).toEqual([
      ['32', -2],
      ['32', 5],
    ]);
    expect(await moved(0)).toEqual([]);
  });

  it('is refused twice in one line, in a room there is not, or with what is no number', async () => {
    const [roomId, series] = [await stores.room(), await stores.chart()];
    const { id: articleId } = await stores.receive(roomId, series, '32', 5);
    const line = { articleId, counted: 4 };
    expect(problem(await send(uuidv7(), { roomId, lines: [line, line] }))).toEqual([409, 'stock-refused']);
    expect(problem(await send(uuidv7(), { roomId: uuidv7(), lines: [line] }))[0]).toBe(404);
    const unknown = { articleId: uuidv7(), counted: 1 };
    expect(problem(await send(uuidv7(), { roomId, lines: [line, unknown] }))).toEqual([404, 'not-found']);
    const { id: suit } = await stores.receive(roomId, await stores.chart(SUIT), 'M', 1, ['F1']);
    const numbered = await send(uuidv7(), { roomId, lines: [{ articleId: suit, counted: 1 }] });
    expect(problem(numbered)).toEqual([409, 'stock-refused']);
    for (const wrong of [{ lines: [{ articleId, counted: -1 }] }, { seconds: -1 }, { seconds: 0.5 }])
      expect(problem(await send(uuidv7(), { roomId, ...wrong }))).toEqual([400, 'invalid']);
    expect(problem(await explain(uuidv7(), [articleId]))).toEqual([404, 'not-found']);
    const id = uuidv7();
    expect((await send(id, { roomId, lines: [line] })).status).toBe(200);
    expect((await send(id, { roomId, lines: [line] })).status).toBe(200);
    expect(problem(await send(id, { roomId, lines: [] }))).toEqual([409, 'id-taken']);
  });
});
