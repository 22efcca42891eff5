import { pathOf } from '@neat-measure/contract';
import {
  countExplainedPath,
  deliveryPath,
  docketShelvesPath,
  docketShelvesSchema,
  docketStockPath,
  docketStockSchema,
  needsSchema,
  putBackPath,
  reservedCalledPath,
  reservedLabelsPath,
  reservationsSchema,
  STORES,
  warningsSchema,
} from '@neat-measure/contract/stores';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../../testing/harness';
import { problem, sheetFrom } from '../../testing/records';
import { handing, Stores } from '../../testing/stock';

const MAKER = 'Ostrel Workwear';
/** A vest in one part: numbered, and issued for good. */
const VEST = sheetFrom('size,chest-girth (cm)\nM,94-102\nL,102-110\n', {
  kind: 'vest',
  garment: 'Shingle vest',
});

describe('what is reserved', () => {
  let app: Harness;
  const stores = new Stores(() => app);
  const { records } = stores;
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  /** Some dockets that wait for a size, and an order of so many for the first of them. */
  async function ordered(label: string, count: number, waiting: number, chart?: object) {
    const [roomId, chartId] = [await stores.room(), await stores.chart(chart)];
    const dockets: string[] = [];
    for (let one = 0; one < waiting; one++) dockets.push(await stores.sized(chartId, label));
    const wantedFor = dockets.map((docketId) => ({ docketId, chartId }));
    const lines = [{ seriesId: chartId, label, count, wantedFor }];
    const order = await stores.order({ maker: MAKER, roomId, lines });
    const comes = (more: object = {}) =>
      app.put(deliveryPath(order.id, uuidv7()), {
        holds: [{ line: 1, seriesId: chartId, label, count, pieces: [], does: 'take-in', ...more }],
      });
    return { roomId, chartId, dockets, order, comes, articleId: order.lines[0]!.articleId };
  }
  const kept = async (articleId: string) =>
    reservationsSchema
      .parse((await app.get(STORES.reserved)).body)
      .filter((one) => one.articleId === articleId);
  const there = async (articleId: string) => {
    const { article } = await stores.account(articleId);
    const [room] = article.there;
    return [room?.shelf ?? 0, room?.reserved ?? 0, article.out];
  };
  const stockOf = async (docketId: string) =>
    docketStockSchema.parse((await app.get(docketStockPath(docketId))).body)[0]!;
  const said = async (word: string) =>
    warningsSchema
      .parse((await app.get(STORES.warnings)).body)
      .filter(({ says }) => says.includes(word))
      .map(({ kind }) => kind);
  const back = (id: string, batchId = uuidv7()) => app.put(putBackPath(id), { batchId });

  it('is what came in for a docket: nobody else’s takes it, and theirs does', async () => {
    const { roomId, chartId, dockets, comes, articleId } = await ordered('32', 3, 2);
    const other = await stores.sized(chartId, '32');
    expect((await comes()).status).toBe(200);
    expect(await there(articleId)).toEqual([1, 2, 0]);
    expect((await kept(articleId)).map(({ docketId, astray, called }) => [docketId, astray, called])).toEqual(
      dockets.map((one) => [one, null, null]),
    );
    const needs = async () =>
      needsSchema
        .parse((await app.get(STORES.needs)).body)
        .filter(({ seriesId }) => seriesId === chartId)
        .map(({ forWearers }) => forWearers);
    expect(await needs())
      .withContext('one lies on the shelf for the third')
      .toEqual([]);
    const from = { roomId, pieceId: null };
    await records.does(other, handing(chartId, { from }));
    expect(await there(articleId)).toEqual([0, 2, 1]);
    const late = await stores.sized(chartId, '32');
    expect(await needs())
      .withContext('what is reserved serves nobody else')
      .toEqual([1]);
    expect((await stockOf(late)).there).toEqual([]);
    expect(await app.does(late, handing(chartId, { from }))).toEqual(
      jasmine.objectContaining({ outcome: 'refused', code: 'not-on-shelf' }),
    );
    const shelves = async (docketId: string) =>
      docketShelvesSchema.parse((await app.get(docketShelvesPath(docketId))).body);
    expect(await shelves(late)).toEqual([{ chartId, sizes: [{ label: '32', count: 0, coming: 0 }] }]);
    expect((await shelves(dockets[0]!))[0]!.sizes)
      .withContext('theirs is counted for them')
      .toEqual([{ label: '32', count: 1, coming: 0 }]);
    const own = await stockOf(dockets[0]!);
    expect([own.there.map(({ count }) => count), own.reserved?.roomId, own.orders]).toEqual([
      [1],
      roomId,
      [],
    ]);
    const slip = await records.does(dockets[0]!, handing(chartId, { from }));
    expect(await there(articleId)).toEqual([0, 1, 2]);
    await records.does(dockets[0]!, { kind: 'handing-withdrawn', actId: slip });
    expect([await there(articleId), (await kept(articleId)).length])
      .withContext('a slip: it is reserved again')
      .toEqual([[0, 2, 1], 2]);
    await records.does(dockets[0]!, handing(chartId, { from }));
    expect((await kept(articleId)).map(({ docketId }) => docketId)).toEqual([dockets[1]!]);
  });

  it('is a numbered piece by its number, which no other docket can name', async () => {
    const { roomId, chartId, dockets, comes, articleId } = await ordered('L', 2, 1, VEST);
    const pieces = ['A1', 'A2'].map((serial) => ({ serial, made: null, goodUntil: null }));
    expect((await comes({ pieces })).status).toBe(200);
    const [one] = await kept(articleId);
    expect([one!.serial, await there(articleId)]).toEqual(['A1', [1, 1, 0]]);
    const idOf = async (serial: string) =>
      (await stores.account(articleId)).pieces.find((piece) => piece.serial === serial)!.id;
    const first = await idOf('A1');
    const other = await stores.sized(chartId, 'L');
    const untried = 'By post';
    expect(
      (await app.does(other, handing(chartId, { from: { roomId, pieceId: first }, untried }))).outcome,
    ).toBe('refused');
    expect((await stockOf(other)).there.flatMap((room) => room.pieces.map(({ serial }) => serial))).toEqual([
      'A2',
    ]);
    const own = (await stockOf(dockets[0]!)).there.flatMap((room) => room.pieces.map(({ serial }) => serial));
    expect(own).withContext('theirs first').toEqual(['A1', 'A2']);
    await records.does(dockets[0]!, handing(chartId, { from: { roomId, pieceId: first }, untried }));
    expect(await kept(articleId)).toEqual([]);
  });

  it('names who is to be called, prints their label, and keeps who told them', async () => {
    const { dockets, comes, articleId } = await ordered('34', 1, 1);
    const { number, wearer } = await records.bench(dockets[0]!);
    await comes();
    const called = `docket ${number}: 1 garment has come and is reserved. Call the wearer.`;
    expect(await said(called)).toEqual(['to-call']);
    const { id } = (await kept(articleId))[0]!;
    for (const _ of [1, 2])
      expect((await app.put(reservedCalledPath(id), { called: true })).status).toBe(204);
    const [told] = await kept(articleId);
    expect([told!.called?.by, told!.wearer, await said(called)]).toEqual(['Odalys Wren', wearer.name, []]);
    await app.put(reservedCalledPath(id), { called: false });
    expect(await said(called)).toEqual(['to-call']);
    const labels = await app.file(reservedLabelsPath(dockets[0]!));
    expect([labels.status, labels.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    expect((await app.file(reservedLabelsPath(uuidv7()))).status).toBe(404);
    expect(problem(await app.put(reservedCalledPath(uuidv7()), { called: true }))).toEqual([
      404,
      'not-found',
    ]);
  });

  it('is put back once, by one, when nobody waits for it any more', async () => {
    const { roomId, chartId, dockets, comes, articleId } = await ordered('34', 3, 3);
    await comes();
    const [first, second, third] = dockets as [string, string, string];
    const larger = { chartId, sizes: { size: '36' }, carrier: null, found: null } as const;
    const trialId = await records.does(first, { kind: 'garment-tried', ...larger });
    await records.does(first, {
      kind: 'garment-fitted',
      chartId,
      trialId,
      outcome: 'kept',
      reason: 'Larger',
      found: null,
    });
    await records.does(second, handing(chartId));
    const { wearer } = await records.bench(third);
    await app.send('DELETE', `/api/wearers/${wearer.id}`, { keepBody: false });
    expect((await kept(articleId)).map(({ astray }) => astray)).toEqual([
      'other-size',
      'has-theirs',
      'docket-gone',
    ]);
    const needs = needsSchema.parse((await app.get(STORES.needs)).body);
    expect(needs.filter(({ seriesId }) => seriesId === chartId).map(({ label }) => label))
      .withContext('what is reserved in another size is none of theirs')
      .toEqual(['36']);
    expect(await said('34 is reserved for')).toEqual([
      'reserved-astray',
      'reserved-astray',
      'reserved-astray',
    ]);
    // What comes in the size they go with now lies on the shelf until that is put back.
    const wantedFor = [{ docketId: first, chartId }];
    const line = { seriesId: chartId, label: '36', count: 1, wantedFor };
    const again = await stores.order({ maker: MAKER, roomId, lines: [line] });
    const holds = [{ line: 1, seriesId: chartId, label: '36', count: 1, pieces: [], does: 'take-in' }];
    expect((await app.put(deliveryPath(again.id, uuidv7()), { holds })).status).toBe(200);
    expect(await there(again.lines[0]!.articleId)).toEqual([1, 0, 0]);
    const theirs = { docketId: first, chartId, roomId, pieceId: null };
    expect(problem(await app.put(pathOf(STORES.reserved, uuidv7()), theirs))).toEqual([409, 'stock-refused']);
    const [one] = await kept(articleId);
    const both = await Promise.all([back(one!.id), back(one!.id)]);
    expect(both.map(({ status }) => status).sort()).toEqual([204, 409]);
    expect(await there(articleId)).toEqual([1, 2, 0]);
    const batch = uuidv7();
    expect((await app.put(pathOf(STORES.reserved, uuidv7()), theirs)).status).toBe(204);
    const [next] = await kept(articleId);
    for (const _ of [1, 2]) expect((await back(next!.id, batch)).status).toBe(204);
    expect(await there(articleId)).toEqual([2, 1, 0]);
    expect((await stores.shelf(articleId)) + (await kept(articleId)).length).toBe(3);
    expect(problem(await back(uuidv7()))).toEqual([404, 'not-found']);
  });

  it('can be from the shelf, for whoever comes tomorrow, and by nothing but its own way', async () => {
    const [roomId, chartId] = [await stores.room(), await stores.chart()];
    const { id: articleId } = await stores.receive(roomId, chartId, '32', 2);
    const docketId = await stores.sized(chartId, '32');
    const put = (id: string, more: object = {}) =>
      app.put(pathOf(STORES.reserved, id), { docketId, chartId, roomId, pieceId: null, ...more });
    const id = uuidv7();
    for (const _ of [1, 2]) expect((await put(id)).status).toBe(204);
    expect(await there(articleId)).toEqual([1, 1, 0]);
    expect(problem(await put(uuidv7())))
      .withContext('one is reserved already')
      .toEqual([409, 'stock-refused']);
    expect(problem(await put(uuidv7(), { docketId: uuidv7() }))).toEqual([409, 'stock-refused']);
    expect(problem(await put(uuidv7(), { roomId: uuidv7() }))).toEqual([404, 'not-found']);
    const by = { kind: 'moved', from: `${roomId}/reserved`, to: `${roomId}/shelf` };
    expect(problem(await stores.move(articleId, by))).toEqual([400, 'invalid']);
    expect(problem(await stores.move(articleId, { ...by, from: by.to, to: by.from }))).toEqual([
      400,
      'invalid',
    ]);
  });

  it('is nobody’s any more where a count has seen the piece on a shelf', async () => {
    const { roomId, comes, articleId } = await ordered('L', 1, 1, VEST);
    await comes({ pieces: [{ serial: 'B1', made: null, goodUntil: null }] });
    const [piece] = (await stores.account(articleId)).pieces;
    const countId = uuidv7();
    const counted = { roomId, compartment: 'shelf', lines: [], pieceIds: [piece!.id] };
    expect((await app.put(pathOf(STORES.counts, countId), counted)).status).toBe(200);
    const reasons = [{ articleId, reason: 'It lay on the shelf' }];
    expect((await app.put(countExplainedPath(countId), { batchId: uuidv7(), reasons })).status).toBe(200);
    expect([await there(articleId), await kept(articleId)]).toEqual([[1, 0, 0], []]);
  });

  it('goes to one of two who hand it over at once', async () => {
    const { roomId, chartId, dockets, comes, articleId } = await ordered('36', 1, 1);
    await comes();
    const from = { roomId, pieceId: null };
    const both = await Promise.all([1, 2].map(() => app.does(dockets[0]!, handing(chartId, { from }))));
    expect(both.map(({ outcome }) => outcome).sort()).toEqual(['kept', 'refused']);
    expect(await there(articleId)).toEqual([0, 0, 1]);
  });
});
