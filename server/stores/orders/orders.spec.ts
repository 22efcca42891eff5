import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { PATHS, pathOf, ROUTES } from '@neat-measure/contract';
import {
  articlesSchema,
  deliveryPath,
  docketStockPath,
  docketStockSchema,
  needsSchema,
  orderAskedPath,
  orderClosedPath,
  orderFilePath,
  orderSchema,
  orderSentPath,
  ordersSchema,
  renamedPath,
  STORES,
  warningsSchema,
  type Order,
} from '@neat-measure/contract/stores';
import { orderSheetSchema } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import { Desk, deskApp } from '@neat-measure/demo/maker-desk';
import { Harness } from '../../testing/harness';
import { chartSave, problem, sheetFrom } from '../../testing/records';
import { Stores, SUIT } from '../../testing/stock';

const MAKER = 'Ostrel Workwear';

describe('orders', () => {
  let app: Harness;
  let desk: Desk;
  let door: Server;
  const stores = new Stores(() => app);
  beforeAll(async () => {
    desk = new Desk({ seed: 'specs' });
    door = deskApp(desk).listen(0, '127.0.0.1');
    await once(door, 'listening');
    app = await Harness.start({ maker: `http://127.0.0.1:${(door.address() as AddressInfo).port}` });
  });
  afterAll(async () => {
    await app.stop();
    door.closeAllConnections();
    door.close();
  });

  const needs = async (seriesId: string) =>
    needsSchema.parse((await app.get(STORES.needs)).body).filter((one) => one.seriesId === seriesId);
  const deliver = (id: string, holds: object[], deliveryId = uuidv7()) =>
    app.put(deliveryPath(id, deliveryId), {
      holds: holds.map((one) => ({ pieces: [], does: 'take-in', ...one })),
    });
  /** An order that was sent, whose line the desk does something with, some days later. */
  async function sent(
    fields: object,
    fate: Parameters<Desk['decide']>[2] = 'prompt',
    days = 2,
  ): Promise<Order> {
    const { id } = await stores.order(fields);
    expect((await app.put(orderSentPath(id), {})).status).toBe(200);
    expect(await desk.decide(id, '1', fate)).toBeTrue();
    for (let day = 0; day < days; day++) await desk.nextDay();
    return orderSchema.parse((await app.put(orderAskedPath(id), {})).body);
  }

  it('are put together from what decided dockets wait for, less what is there and coming', async () => {
    const [roomId, series] = [await stores.room(), await stores.chart()];
    const dockets = [
      await stores.sized(series, '32'),
      await stores.sized(series, '32'),
      await stores.sized(series, '34'),
    ];
    await app.put(pathOf(STORES.keeping, series), {
      keeping: {
        numbered: false,
        lifeMonths: null,
        inspectMonths: null,
        dryingDays: 0,
        sparePercent: 10,
        spareLeast: 1,
      },
      version: 0,
    });
    expect(
      (await needs(series)).map(({ label, forWearers, spares, total }) => [label, forWearers, spares, total]),
    ).toEqual([
      ['32', 2, 1, 3],
      ['34', 1, 1, 2],
    ]);
    await stores.receive(roomId, series, '32', 1);
    const [first] = await needs(series);
    expect([first!.there, first!.forWearers, first!.wantedFor.map(({ docketId }) => docketId)]).toEqual([
      1,
      1,
      [dockets[1]!],
    ]);
    const wantedFor = [{ docketId: dockets[1]!, chartId: series }];
    const order = await stores.order({
      maker: MAKER,
      roomId,
      lines: [{ seriesId: series, label: '32', count: 2, wantedFor }],
    });
    const { number } = await stores.records.bench(dockets[1]!);
    expect(order.lines[0]!.wantedFor.map(({ docketNumber }) => docketNumber)).toEqual([number]);
    expect((await needs(series)).map(({ label }) => label)).toEqual(['34']);
    const waits = docketStockSchema.parse((await app.get(docketStockPath(dockets[1]!))).body);
    expect(waits[0]!.orders.map(({ stage }) => stage)).toEqual(['draft']);
  });

  it('refuse another maker’s garment, a size that is none, and the same size twice', async () => {
    const [roomId, seriesId] = [await stores.room(), await stores.chart()];
    const line = { seriesId, label: '32', count: 1, wantedFor: [] };
    const save = (fields: object) =>
      app.put(pathOf(STORES.orders, uuidv7()), { maker: MAKER, roomId, lines: [line], ...fields });
    expect(problem(await save({ maker: 'Kelpgate Hire' }))).toEqual([409, 'stock-refused']);
    expect(problem(await save({ lines: [{ ...line, label: '33' }] }))).toEqual([409, 'stock-refused']);
    expect(problem(await save({ lines: [line, line] }))).toEqual([409, 'stock-refused']);
    expect(problem(await save({ lines: [] }))).toEqual([400, 'invalid']);
    expect(problem(await save({ roomId: uuidv7() }))).toEqual([404, 'not-found']);
  });

  it('go to the maker once, who acknowledges; what comes is checked off', async () => {
    const [roomId, seriesId] = [await stores.room(), await stores.chart()];
    const order = await sent({
      maker: MAKER,
      roomId,
      lines: [{ seriesId, label: '32', count: 3, wantedFor: [] }],
    });
    expect([order.stage, order.lines[0]!.underWay]).toEqual(['acknowledged', 3]);
    expect(
      (await app.put(orderSentPath(order.id), {})).body.story.filter(
        (one: { says: string }) => one.says === 'Sent the order.',
      ).length,
    ).toBe(1);
    const hold = { line: 1, seriesId, label: '32', count: 2 };
    const id = uuidv7();
    const twice = await Promise.all([deliver(order.id, [hold], id), deliver(order.id, [hold], id)]);
    expect(twice.map(({ status }) => status)).toEqual([200, 200]);
    const part = orderSchema.parse(twice[0]!.body);
    expect([part.stage, part.lines[0]!.received, part.lines[0]!.open]).toEqual(['part-received', 2, 1]);
    expect(problem(await deliver(order.id, [hold])))
      .withContext('more than is open')
      .toEqual([409, 'stock-refused']);
    const over = await deliver(order.id, [
      { ...hold, count: 1 },
      { ...hold, line: null, count: 1 },
    ]);
    expect(over.body.stage).toBe('done');
    const found = articlesSchema.parse((await app.get(`${STORES.stock}?room=${roomId}`)).body).items;
    expect(found.map(({ label, there, coming }) => [label, there[0]!.shelf, coming])).toEqual([['32', 4, 0]]);
    expect(problem(await app.put(orderSentPath(order.id), {}))).toEqual([409, 'stock-refused']);
  });

  it('take what is of another size for what it is', async () => {
    const [roomId, seriesId] = [await stores.room(), await stores.chart()];
    const lines = ['32', '34'].map((label) => ({ seriesId, label, count: 1, wantedFor: [] }));
    const order = await sent({ maker: MAKER, roomId, lines }, 'wrong-size');
    const hold = { line: 1, seriesId, label: '34', count: 1 };
    expect(problem(await deliver(order.id, [hold])))
      .withContext('its maker did not say so')
      .toEqual([409, 'stock-refused']);
    const back = await deliver(order.id, [{ ...hold, does: 'send-back' }]);
    expect([back.body.lines[0].received, back.body.story.at(-1).says]).toEqual([
      0,
      'Sent back 1 of Warden trousers 34.',
    ]);
    const suits = await stores.chart(SUIT);
    const none = await deliver(order.id, [{ line: null, seriesId: suits, label: '34', count: 1 }]);
    expect(problem(none))
      .withContext('a size of the trousers, and none of the suit')
      .toEqual([409, 'stock-refused']);
    const beside = await deliver(order.id, [{ ...hold, line: null }]);
    expect([beside.body.lines[0].open, beside.body.story.at(-1).says]).toEqual([
      1,
      'Received 1 of Warden trousers 34, not ordered.',
    ]);
    const found = articlesSchema.parse((await app.get(`${STORES.stock}?room=${roomId}`)).body).items;
    expect(found.map(({ label, there }) => [label, there[0]?.shelf])).toEqual([['34', 1]]);
  });

  it('take a substitute in the place of a line where its maker says so, and under its own size', async () => {
    const [roomId, seriesId] = [await stores.room(), await stores.chart()];
    const lines = ['32', '34'].map((label) => ({ seriesId, label, count: 2, wantedFor: [] }));
    const order = await sent({ maker: MAKER, roomId, lines }, 'substituted');
    expect(order.lines[0]!.substitute).toEqual({ count: 2, label: '34' });
    const taken = await deliver(order.id, [{ line: 1, seriesId, label: '34', count: 2 }]);
    expect([taken.body.lines[0].received, taken.body.lines[0].open]).toEqual([2, 0]);
    expect(taken.body.story.at(-1).says).toBe(
      'Received 2 of Warden trousers 34 instead of Warden trousers 32.',
    );
    const found = articlesSchema.parse((await app.get(`${STORES.stock}?room=${roomId}`)).body).items;
    expect(found.map(({ label, there }) => [label, there[0]?.shelf])).toEqual([['34', 2]]);
  });

  it('come in parts, late, or not before a day, and say it', async () => {
    const [roomId, seriesId] = [await stores.room(), await stores.chart()];
    const lines = [{ seriesId, label: '36', count: 5, wantedFor: [] }];
    const parts = await sent({ maker: MAKER, roomId, lines }, 'in-parts');
    expect(parts.lines[0]!.underWay).toBe(2);
    const waits = await sent({ maker: MAKER, roomId, lines }, 'back-ordered', 1);
    expect([waits.lines[0]!.backOrdered?.count, waits.lines[0]!.underWay]).toEqual([5, 0]);
    const late = await sent({ maker: MAKER, roomId, lines }, 'late', 3);
    expect(late.story.at(-1)!.says).toContain('Delayed');
    const closed = await app.put(orderClosedPath(late.id), { lines: [1], batchId: uuidv7() });
    expect([closed.body.stage, closed.body.lines[0].closed])
      .withContext('nothing is here')
      .toEqual(['ended', 5]);
    expect(problem(await app.put(orderClosedPath(late.id), { lines: [9], batchId: uuidv7() }))).toEqual([
      404,
      'not-found',
    ]);
  });

  it('bring numbered pieces with their numbers, each once', async () => {
    const [roomId, seriesId] = [await stores.room(), await stores.chart(SUIT)];
    const order = await sent({
      maker: MAKER,
      roomId,
      lines: [{ seriesId, label: 'M', count: 2, wantedFor: [] }],
    });
    const [line] = order.lines;
    expect(line!.pieces.length).toBe(2);
    const pieces = line!.pieces.map((piece) => ({ ...piece, goodUntil: null }));
    const hold = { line: 1, seriesId, label: 'M', count: 2 };
    expect(problem(await deliver(order.id, [hold])))
      .withContext('without numbers')
      .toEqual([409, 'stock-refused']);
    expect((await deliver(order.id, [{ ...hold, pieces }])).body.stage).toBe('done');
    const again = await stores.order({
      maker: MAKER,
      roomId,
      lines: [{ seriesId, label: 'M', count: 2, wantedFor: [] }],
    });
    expect(problem(await deliver(again.id, [{ ...hold, pieces }])))
      .withContext('the same numbers')
      .toEqual([409, 'stock-refused']);
    expect(orderSchema.parse((await app.get(pathOf(STORES.orders, again.id))).body).lines[0]!.received).toBe(
      0,
    );
  });

  it('say who they are from, are not sent by asking, and are told while they are not sent', async () => {
    const [roomId, seriesId] = [await stores.room(), await stores.chart()];
    const lines = [{ seriesId, label: '32', count: 2, wantedFor: [] }];
    const { id, number } = await stores.order({ maker: MAKER, roomId, lines });
    const warned = async () =>
      warningsSchema.parse((await app.get(STORES.warnings)).body).filter(({ orderId }) => orderId === id);
    expect((await warned()).map(({ kind, says }) => [kind, says])).toEqual([
      ['order-unsent', `Order ${number} at ${MAKER} is not sent yet (2 garments). Send the order.`],
    ]);
    expect(problem(await app.put(orderAskedPath(id), {}))).toEqual([409, 'stock-refused']);
    expect(desk.answer(id)).withContext('nothing went to the maker').toBeNull();
    const low = { minimum: 3, makerCode: null, version: 1 };
    const [article] = articlesSchema.parse((await app.get(`${STORES.stock}?search=${seriesId}`)).body).items;
    const own = orderSchema.parse((await app.get(pathOf(STORES.orders, id))).body).lines[0]!.articleId;
    expect([article, (await app.put(pathOf(STORES.articles, own), low)).status]).toEqual([undefined, 200]);
    const coming = async () =>
      warningsSchema
        .parse((await app.get(STORES.warnings)).body)
        .find(({ kind, articleId }) => kind === 'low' && articleId === own)
        ?.says.split('should be. ')[1];
    expect(await coming()).toBe('2 in an order that is not sent yet.');
    const settings = (await app.get(PATHS.settings)).body as object;
    await app.put(PATHS.settings, { ...settings, name: 'Tern Rock Station' });
    const house = async () =>
      orderSheetSchema.parse(JSON.parse(await (await app.file(orderFilePath(id, 'json'))).text())).house;
    expect(await house()).toBe('Tern Rock Station');
    const byHand = await app.put(orderSentPath(id), { byHand: true });
    expect([byHand.body.stage, byHand.body.byHand, byHand.body.story.at(-1).says]).toEqual([
      'sent',
      true,
      'Sent by hand.',
    ]);
    expect(await warned())
      .withContext('sent today, it waits for its maker')
      .toEqual([]);
    expect(await coming()).toBe('2 ordered.');
    await stores.order({ maker: MAKER, roomId, lines: [{ ...lines[0]!, count: 1 }] });
    expect(await coming()).toBe('2 ordered, 1 in an order that is not sent yet.');
    expect(problem(await app.put(orderAskedPath(id), {})))
      .withContext('a desk that never had it is not sent it')
      .toEqual([409, 'stock-refused']);
    expect(desk.answer(id)).toBeNull();
    await app
      .database('order_events')
      .where({ order_id: id })
      .update({ at: new Date(Date.now() - 9 * 86_400_000) });
    expect((await warned())[0]!.says).toContain('they have named no day');
  });

  it('are an open form, as JSON and as a table, without anybody’s name in it', async () => {
    const [roomId, seriesId] = [await stores.room(), await stores.chart()];
    const docketId = await stores.sized(seriesId, '32');
    const { id, number } = await stores.order({
      maker: MAKER,
      roomId,
      lines: [{ seriesId, label: '32', count: 1, wantedFor: [{ docketId, chartId: seriesId }] }],
    });
    const text = await (await app.file(orderFilePath(id, 'json'))).text();
    expect(orderSheetSchema.parse(JSON.parse(text)).number).toBe(number);
    expect(text).not.toContain('Ibrahima');
    expect(text).not.toContain(docketId);
    const csv = await app.file(orderFilePath(id, 'csv'));
    expect([csv.headers.get('content-type'), (await csv.text()).split('\n').length]).toEqual([
      'text/csv; charset=utf-8',
      3,
    ]);
    expect(ordersSchema.parse((await app.get(STORES.orders)).body).some((one) => one.id === id)).toBeTrue();
  });

  it('stay as they are while the maker is away, answers nonsense, or says the same twice', async () => {
    let answer: (id: string) => [number, string] = () => [503, ''];
    const odd = createServer((request, response) => {
      const [status, body] = answer(request.url!.split('/').at(-1)!);
      response.writeHead(status, { 'content-type': 'application/json' }).end(body);
    });
    odd.listen(0, '127.0.0.1');
    await once(odd, 'listening');
    const own = await Harness.start({ maker: `http://127.0.0.1:${(odd.address() as AddressInfo).port}` });
    const house = new Stores(() => own);
    try {
      const [room, series] = [await house.room(), await house.chart()];
      const { id } = await house.order({
        maker: MAKER,
        roomId: room,
        lines: [{ seriesId: series, label: '32', count: 1, wantedFor: [] }],
      });
      const stage = async () => orderSchema.parse((await own.get(pathOf(STORES.orders, id))).body).stage;
      expect(problem(await own.put(orderSentPath(id), {}))).toEqual([503, 'unavailable']);
      expect(await stage()).toBe('draft');
      answer = () => [404, ''];
      expect((await own.put(orderSentPath(id), {})).body.detail)
        .withContext('a desk that knows no such door has taken nothing')
        .toContain('status 404');
      expect(await stage()).toBe('draft');
      answer = () => [200, 'no JSON'];
      expect((await own.put(orderSentPath(id), {})).status)
        .withContext('it took the order')
        .toBe(200);
      expect(await stage()).toBe('sent');
      expect(problem(await own.put(orderAskedPath(id), {}))).toEqual([409, 'stock-refused']);
      const message = { place: 1, on: '2026-06-01', says: 'acknowledged', promised: '2026-06-04' };
      answer = (order) => [200, JSON.stringify({ order, messages: [message] })];
      const asked = await Promise.all(Array.from({ length: 6 }, () => own.put(orderAskedPath(id), {})));
      expect(asked.map(({ status }) => status)).toEqual(Array(6).fill(200));
      const order = orderSchema.parse((await own.get(pathOf(STORES.orders, id))).body);
      expect([order.stage, order.promised, order.late, order.story.length]).toEqual([
        'acknowledged',
        '2026-06-04',
        true,
        3,
      ]);
      answer = () => [200, JSON.stringify({ order: uuidv7(), messages: [] })];
      expect(problem(await own.put(orderAskedPath(id), {})))
        .withContext('another order')
        .toEqual([409, 'stock-refused']);
    } finally {
      await own.stop();
      odd.closeAllConnections();
      odd.close();
    }
    const alone = await Harness.start();
    try {
      const house2 = new Stores(() => alone);
      const room = await house2.room();
      const { id } = await house2.order({
        maker: MAKER,
        roomId: room,
        lines: [{ seriesId: await house2.chart(), label: '32', count: 1, wantedFor: [] }],
      });
      expect(problem(await alone.put(orderSentPath(id), {})))
        .withContext('no desk')
        .toEqual([503, 'unavailable']);
    } finally {
      await alone.stop();
    }
  });

  it('come in the sizes they were ordered in, whatever those are called by then', async () => {
    const [roomId, chart] = [await stores.room(), await stores.chart()];
    const line = (label: string) => ({ seriesId: chart, label, count: 2, wantedFor: [] });
    const order = await stores.order({ maker: MAKER, roomId, lines: [line('34'), line('36')] });
    const next = sheetFrom('size,trouser-waist-girth (cm)\n32,80-84\n37,88-93\n', {
      kind: 'trousers',
      garment: 'Warden trousers',
    });
    await stores.records.save(ROUTES.charts, chartSave({ sheet: next, replaces: chart }));
    const { articleId } = order.lines[1]!;
    const renamed = await app.put(renamedPath(articleId), { label: '37', batchId: uuidv7() });
    expect(renamed.status).toBe(204);
    const found = async (id: string) =>
      ordersSchema.parse((await app.get(STORES.orders)).body).find((one) => one.id === id)!;
    const { lines } = await found(order.id);
    expect(lines.map(({ label, orderedAs }) => [label, orderedAs])).toEqual([
      ['34', null],
      ['37', '36'],
    ]);
    const file = await app.file(orderFilePath(order.id, 'json'));
    const sheet = orderSheetSchema.parse(JSON.parse(await file.text()));
    expect(sheet.lines.map(({ label }) => label)).toEqual(['34', '36']);
    const holds = lines.map((one) => ({ line: one.line, seriesId: chart, label: one.label, count: 2 }));
    expect((await deliver(order.id, holds)).status).toBe(200);
    expect((await found(order.id)).stage).toBe('done');
    expect(await Promise.all(lines.map((one) => stores.shelf(one.articleId)))).toEqual([2, 2]);
    const unknown = { ...holds[0]!, line: null, label: '36' };
    expect(problem(await deliver(order.id, [unknown]))).toEqual([409, 'stock-refused']);
  });
});
