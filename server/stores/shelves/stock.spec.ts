import {
  articlesSchema,
  articleAccountSchema,
  docketStockPath,
  docketStockSchema,
  inspectionPath,
  keptGarmentsSchema,
  pieceSchema,
  renamedPath,
  scanPath,
  scannedSchema,
  stockTableSchema,
  STORES,
  stockLabelsPath,
  warningsSchema,
  type Warning,
} from '@neat-measure/contract/stores';
import { pathOf, ROUTES } from '@neat-measure/contract';
import { addDays, addMonths, dayOf } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../../testing/harness';
import { chartSave, problem, sheetFrom } from '../../testing/records';
import { handing, Stores, SUIT } from '../../testing/stock';

const TODAY = dayOf(new Date());

describe('the stores', () => {
  let app: Harness;
  const stores = new Stores(() => app);
  const { records } = stores;
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  const shelf = (roomId: string) => `${roomId}/shelf`;
  const warned = async (kind: Warning['kind'], articleId: string) =>
    warningsSchema
      .parse((await app.get(STORES.warnings)).body)
      .filter((one) => one.kind === kind && one.articleId === articleId)
      .map(({ says }) => says);

  it('take in, move, write off, and tell what lies where and why', async () => {
    const [room, hall, series] = [await stores.room(), await stores.room(), await stores.chart()];
    const article = await stores.receive(room, series, '32', 5);
    expect(article.code).toMatch(/^NM\d{6}$/);
    const moved = await stores.move(article.id, {
      kind: 'moved',
      from: shelf(room),
      to: shelf(hall),
      count: 2,
    });
    expect(moved.status).toBe(200);
    const waste = { kind: 'written-off', from: shelf(hall), to: 'waste' };
    expect(problem(await stores.move(article.id, waste))).toEqual([409, 'stock-refused']);
    expect((await stores.move(article.id, { ...waste, reason: 'Torn' })).status).toBe(200);
    const account = articleAccountSchema.parse(await stores.account(article.id));
    expect(account.article.there.map(({ shelf: n }) => n).sort()).toEqual([1, 3]);
    expect(account.movements.map(({ kind, count, reason, by }) => [kind, count, reason, by.name])).toEqual([
      ['written-off', 1, 'Torn', 'Odalys Wren'],
      ['moved', 2, null, 'Odalys Wren'],
      ['received', 5, null, 'Odalys Wren'],
    ]);
  });

  it('do the same sending once, and refuse another under its id', async () => {
    const [roomId, seriesId] = [await stores.room(), await stores.chart()];
    const id = uuidv7();
    const receipt = { seriesId, label: '34', roomId, count: 3, pieces: [] };
    const answers = await Promise.all(
      Array.from({ length: 8 }, () => app.put(pathOf(STORES.receipts, id), receipt)),
    );
    expect(answers.map(({ status }) => status)).toEqual(Array(8).fill(200));
    expect(await stores.shelf(answers[0]!.body.id)).toBe(3);
    expect(problem(await app.put(pathOf(STORES.receipts, id), { ...receipt, count: 4 }))).toEqual([
      409,
      'id-taken',
    ]);
  });

  it('refuse what is no size, no room, no number of pieces, and say so', async () => {
    const [roomId, seriesId] = [await stores.room(), await stores.chart()];
    const send = (more: object) =>
      app.put(pathOf(STORES.receipts, uuidv7()), {
        seriesId,
        label: '32',
        roomId,
        count: 1,
        pieces: [],
        ...more,
      });
    const piece = { serial: 'X', made: null, goodUntil: null };
    expect(problem(await send({ label: '33' }))).toEqual([409, 'stock-refused']);
    expect(problem(await send({ roomId: uuidv7() }))).toEqual([404, 'not-found']);
    expect(problem(await send({ seriesId: uuidv7() }))).toEqual([404, 'not-found']);
    expect(problem(await send({ count: 0 }))).toEqual([400, 'invalid']);
    expect(problem(await send({ count: 1.5 }))).toEqual([400, 'invalid']);
    expect(problem(await send({ pieces: [piece] }))).toEqual([409, 'stock-refused']);
    expect(problem(await send({ count: 2, pieces: [piece, piece] }))).toEqual([400, 'invalid']);
    const suit = await stores.chart(SUIT);
    expect(problem(await send({ seriesId: suit, label: 'M' })))
      .withContext('a dry suit is numbered')
      .toEqual([409, 'stock-refused']);
    const { id } = await stores.receive(roomId, seriesId, '32', 1);
    const out = { kind: 'issued', from: shelf(roomId), to: 'wearer' };
    const named = await stores.move(id, { ...out, pieceIds: [uuidv7()] });
    expect(named.body.detail).toContain('is counted here, not numbered');
    expect((await stores.move(id, out)).status).toBe(200);
  });

  it('give the last one on the shelf to one of twenty who ask at once, and note the nineteen as refused', async () => {
    const [roomId, chartId] = [await stores.room(), await stores.chart()];
    const article = await stores.receive(roomId, chartId, '32', 1);
    const dockets: string[] = [];
    for (let one = 0; one < 20; one++) dockets.push(await stores.sized(chartId, '32'));
    const answers = await Promise.all(
      dockets.map((id) => app.does(id, handing(chartId, { from: { roomId, pieceId: null } }))),
    );
    expect(answers.filter(({ outcome }) => outcome === 'kept').length).toBe(1);
    const codes = answers.flatMap((one) => (one.outcome === 'refused' ? [one.code] : []));
    expect(new Set(codes)).toEqual(new Set(['not-on-shelf']));
    expect(await stores.shelf(article.id)).toBe(0);
    const made = await Promise.all(dockets.map((id) => records.made(id)));
    expect(made.filter(({ handings }) => handings.length === 1).length)
      .withContext('neither the act nor the movement stands without the other')
      .toBe(1);
    expect((await stores.account(article.id)).moved).toBe(2);
  });

  it('take back what was a slip, and what comes back by where it goes', async () => {
    const [roomId, chartId] = [await stores.room(), await stores.chart()];
    const { id: articleId } = await stores.receive(roomId, chartId, '34', 2);
    const docket = await stores.sized(chartId, '34');
    const from = { roomId, pieceId: null };
    const places = async () => {
      const { article } = await stores.account(articleId);
      const [there] = article.there;
      return [there?.shelf ?? 0, there?.drying ?? 0, there?.quarantine ?? 0, article.out];
    };
    const handed = await records.does(docket, handing(chartId, { from }));
    expect(await places()).toEqual([1, 0, 0, 1]);
    await records.does(docket, { kind: 'handing-withdrawn', actId: handed });
    expect(await places()).toEqual([2, 0, 0, 0]);
    await records.does(docket, handing(chartId, { from }));
    const back = { kind: 'garment-came-back', chartId, why: 'faulty', area: null, note: null } as const;
    await records.does(docket, { ...back, goes: 'quarantine', to: roomId });
    expect(await places()).toEqual([1, 0, 1, 0]);
    await records.does(docket, { kind: 'return-withdrawn', chartId });
    expect(await places()).toEqual([1, 0, 0, 1]);
    await records.does(docket, { ...back, goes: 'waste' });
    expect(await places())
      .withContext('to waste, from no room')
      .toEqual([1, 0, 0, 0]);
    const asked = docketStockSchema.parse((await app.get(docketStockPath(docket))).body);
    expect(asked.map(({ label, there }) => [label, there.map(({ count }) => count)])).toEqual([['34', [1]]]);
  });

  it('hand a garment over that never was in the stores, without them', async () => {
    const [, chartId] = [await stores.room(), await stores.chart()];
    const docket = await stores.sized(chartId, '32');
    await records.does(docket, handing(chartId));
    const [told] = docketStockSchema.parse((await app.get(docketStockPath(docket))).body);
    expect([told?.there, told?.others])
      .withContext('it is said to be nowhere before anybody hands it over')
      .toEqual([[], []]);
    const answer = await app.does(docket, {
      kind: 'garment-came-back',
      chartId,
      why: 'changed-mind',
      area: null,
      note: null,
      goes: 'stock',
      to: await stores.room(),
    });
    expect(answer).toEqual(jasmine.objectContaining({ outcome: 'refused', code: 'not-from-stores' }));
  });

  it('hand out no piece of another size, of another garment, past its day, or that is not named', async () => {
    const [roomId, chartId, other] = [
      await stores.room(),
      await stores.chart(SUIT),
      await stores.chart(SUIT),
    ];
    const article = await stores.receive(roomId, chartId, 'M', 1, ['M1']);
    const large = await stores.receive(roomId, chartId, 'L', 1, ['L1']);
    const foreign = await stores.receive(roomId, other, 'M', 1, ['F1']);
    const pieceOf = async (id: string) => (await stores.account(id)).pieces[0]!.id;
    const docket = await stores.sized(chartId, 'M');
    const tries = async (pieceId: string | null) => {
      const answer = await app.does(docket, handing(chartId, { from: { roomId, pieceId } }));
      return answer.outcome === 'refused' ? [answer.code, answer.detail] : [answer.outcome, ''];
    };
    expect((await tries(await pieceOf(large.id)))[1]).toContain('That piece is L, but the wearer has M');
    expect((await tries(await pieceOf(foreign.id)))[0]).toBe('piece-refused');
    expect((await tries(null))[0]).toBe('piece-refused');
    expect((await tries(uuidv7()))[0]).toBe('piece-refused');
    const own = await pieceOf(article.id);
    const kept = keptGarmentsSchema
      .parse((await app.get(STORES.keeping)).body)
      .find((one) => one.seriesId === chartId)!;
    const keeping = { ...kept.keeping, inspectMonths: 1 };
    await app.put(pathOf(STORES.keeping, chartId), { keeping, version: 0 });
    const inspected = await app.put(inspectionPath(own, uuidv7()), {
      day: TODAY,
      passed: false,
      note: 'A seal is torn',
    });
    expect(pieceSchema.parse(inspected.body).blocked).toBeTrue();
    expect((await tries(own))[1]).toContain('failed its inspection');
    expect((await warned('piece-blocked', article.id)).length).toBe(1);
    await app.put(inspectionPath(own, uuidv7()), { day: TODAY, passed: true, note: null });
    expect((await tries(own))[0]).toBe('kept');
    expect((await tries(own))[0]).toBe('handed-already');
  });

  it('know a piece by its number, warn before its end, and block it after', async () => {
    const [roomId, series] = [await stores.room(), await stores.chart(SUIT)];
    await app.put(pathOf(STORES.keeping, series), {
      keeping: {
        numbered: true,
        lifeMonths: 12,
        inspectMonths: null,
        dryingDays: 1,
        sparePercent: 0,
        spareLeast: 0,
      },
      version: 0,
    });
    const send = (serial: string, made: string | null) =>
      app.put(pathOf(STORES.receipts, uuidv7()), {
        seriesId: series,
        label: 'M',
        roomId,
        count: 1,
        pieces: [{ serial, made, goodUntil: null }],
      });
    expect(problem(await send('A0', null)))
      .withContext('when was it made?')
      .toEqual([409, 'stock-refused']);
    expect(problem(await send('A0', addDays(TODAY, 1)))).toEqual([409, 'stock-refused']);
    const old = (await send('A1', addMonths(TODAY, -13))).body.id as string;
    await send('A2', addDays(addMonths(TODAY, -12), 10));
    expect(problem(await send('A2', TODAY)))
      .withContext('twice')
      .toEqual([409, 'stock-refused']);
    expect((await warned('piece-blocked', old))[0]).toContain('A1: Past its last day of use');
    expect((await warned('piece-soon', old))[0]).toContain('A2: May be used until');
    const [piece] = (await stores.account(old)).pieces;
    const issued = await stores.move(old, {
      kind: 'issued',
      from: shelf(roomId),
      to: 'wearer',
      pieceIds: [piece!.id],
    });
    expect(problem(issued)).toEqual([409, 'stock-refused']);
    expect(issued.body.detail).toContain('Do not hand it out');
  });

  it('find an article or a piece by what is scanned, and say what is none or several', async () => {
    const [roomId, series] = [await stores.room(), await stores.chart()];
    const article = await stores.receive(roomId, series, '36', 1);
    const suit = await stores.receive(roomId, await stores.chart(SUIT), 'M', 1, ['S-77/1']);
    const scanned = async (code: string) => scannedSchema.parse((await app.get(scanPath(code))).body);
    expect((await scanned(article.code.toLowerCase())).article.id).toBe(article.id);
    expect((await scanned(article.code)).piece).toBeNull();
    expect((await scanned('S-77/1')).piece?.articleId).toBe(suit.id);
    const { version } = (await scanned(article.code)).article;
    const nowhere = { minimum: 1, makerCode: null, version: 0 };
    expect(problem(await app.put(pathOf(STORES.articles, uuidv7()), nowhere))).toEqual([404, 'not-found']);
    await app.put(pathOf(STORES.articles, article.id), { minimum: 4, makerCode: '4006381333931', version });
    expect((await scanned('4006381333931')).article.minimum).toBe(4);
    expect((await warned('low', article.id))[0]).toContain('1 on the shelf, at least 4');
    for (const none of ['nothing', '漢字', '½', 'x'.repeat(90), ' '])
      expect(problem(await app.get(scanPath(none))))
        .withContext(none)
        .toEqual([404, 'not-found']);
    await stores.receive(roomId, await stores.chart(SUIT), 'M', 1, ['S-77/1']);
    expect(problem(await app.get(scanPath('S-77/1')))).toEqual([409, 'stock-refused']);
    expect((await app.get(`${STORES.stock}?search=${encodeURIComponent('½ 漢字')}`)).status).toBe(200);
    const low = articlesSchema.parse((await app.get(`${STORES.stock}?only=low&room=${roomId}`)).body);
    expect(low.items.map(({ id }) => id)).toEqual([article.id]);
    const found = articlesSchema.parse((await app.get(`${STORES.stock}?search=${article.code}`)).body);
    expect(found.items.map(({ id }) => id)).toContain(article.id);
    const again = await app.put(pathOf(STORES.articles, article.id), {
      minimum: 9,
      makerCode: null,
      version,
    });
    expect(problem(again)).toEqual([409, 'changed-meanwhile']);
    const taken = await app.put(pathOf(STORES.articles, suit.id), {
      minimum: 0,
      makerCode: '4006381333931',
      version: 1,
    });
    expect(problem(taken)).toEqual([409, 'stock-refused']);
  });

  it('ask what is called otherwise in the next version of a chart, and carry it over', async () => {
    const [roomId, chart] = [await stores.room(), await stores.chart()];
    const article = await stores.receive(roomId, chart, '36', 3);
    await stores.receive(roomId, chart, '34', 1);
    // One wearer has it, another waits for it, both by the version that is.
    const from = { roomId, pieceId: null };
    const [has, waits, tied] = [
      await stores.sized(chart, '36'),
      await stores.sized(chart, '36'),
      await stores.sized(chart, '34'),
    ];
    await records.does(has, handing(chart, { from }));
    expect(await warned('label-gone', article.id)).toEqual([]);
    const next = sheetFrom('size,trouser-waist-girth (cm)\n32,80-84\n34,84-88\n37,88-93\n', {
      kind: 'trousers',
      garment: 'Warden trousers',
    });
    await records.save(ROUTES.charts, chartSave({ sheet: next, replaces: chart }));
    expect((await warned('label-gone', article.id))[0]).toContain('3 are in stock');
    const rename = (label: string | null) => app.put(renamedPath(article.id), { label, batchId: uuidv7() });
    expect(problem(await rename('40'))).toEqual([409, 'stock-refused']);
    expect((await rename('37')).status).toBe(204);
    expect(await stores.shelf(article.id)).toBe(0);
    const found = articlesSchema.parse((await app.get(`${STORES.stock}?room=${roomId}`)).body).items;
    const now = found.find(({ label }) => label === '37')!;
    expect([now.there[0]?.shelf, now.out, now.wanted]).toEqual([2, 1, 1]);
    expect(await warned('label-gone', article.id)).toEqual([]);
    const { body: scanned } = await app.get(scanPath(article.code));
    expect(scannedSchema.parse(scanned).article.label).withContext('by the label on the garment').toBe('37');
    // The dockets still say the old label, and what they have and wait for is the same garment.
    const asked = async (id: string) =>
      docketStockSchema
        .parse((await app.get(docketStockPath(id))).body)
        .map(({ label, calledNow, there }) => [label, calledNow, there[0]?.count]);
    expect(await asked(waits)).toEqual([['36', '37', 2]]);
    expect(await asked(tied)).toEqual([['34', null, 1]]);
    await records.does(waits, handing(chart, { from }));
    expect(await stores.shelf(now.id)).toBe(1);
    const back = { kind: 'garment-came-back', chartId: chart, why: 'changed-mind', area: null } as const;
    await records.does(has, { ...back, note: null, goes: 'stock', to: roomId });
    expect([await stores.shelf(now.id), await stores.shelf(article.id)]).toEqual([2, 0]);
    expect((await stores.account(now.id)).article.out).toBe(1);
    expect((await stores.account(article.id)).article.out).toBe(0);
  });

  it('take in a table, all of it or nothing, and give one that reads back', async () => {
    const [roomId, series, suit] = [await stores.room(), await stores.chart(), await stores.chart(SUIT)];
    const row = (more: object) => ({
      seriesId: series,
      label: '32',
      count: 4,
      minimum: null,
      makerCode: null,
      serial: null,
      made: null,
      ...more,
    });
    const importTable = (rows: object[], id = uuidv7()) =>
      app.put(pathOf(STORES.receipts, id), { roomId, rows });
    const wrong = await importTable([row({}), row({ label: '31' }), row({ label: 'x' })]);
    expect(problem(wrong)).toEqual([409, 'stock-refused']);
    expect(wrong.body.findings.length).toBe(2);
    const late = await importTable([row({}), row({ seriesId: suit, label: 'M', count: 1 })]);
    expect(problem(late)).withContext('a suit without its number').toEqual([409, 'stock-refused']);
    expect(late.body.detail).toContain('Row 2');
    expect(articlesSchema.parse((await app.get(`${STORES.stock}?room=${roomId}`)).body).total)
      .withContext('nothing of it was taken')
      .toBe(0);
    const id = uuidv7();
    const rows = [
      row({ minimum: 2, bin: 'A 4' }),
      row({ seriesId: suit, label: 'M', count: 1, serial: 'T1', made: '2025-01-01' }),
    ];
    expect((await importTable(rows, id)).status).toBe(204);
    expect((await importTable(rows, id)).status).toBe(204);
    const table = stockTableSchema.parse((await app.get(STORES.table)).body);
    const room = (await app.get(STORES.rooms)).body.find((one: { id: string }) => one.id === roomId)
      .name as string;
    expect(
      table.filter((cells) => cells[4] === room).map((cells) => [cells[0], cells[2], ...cells.slice(5, 10)]),
    ).toEqual([
      ['Warden trousers', '32', 'shelf', 'A 4', '4', '2', ''],
      ['Grebe dry suit', 'M', 'shelf', '', '1', '0', 'T1'],
    ]);
    // A row may say where it lies, and what dries is in the table that goes out as well.
    const other = await stores.room();
    const there = row({ count: 2, roomId: other, compartment: 'drying' });
    expect((await importTable([there])).status).toBe(204);
    expect(problem(await importTable([row({ roomId: uuidv7() })]))).toEqual([404, 'not-found']);
    const again = stockTableSchema.parse((await app.get(STORES.table)).body);
    expect(again.map((cells) => [cells[5], cells[7]].join(' '))).toContain('drying 2');
  });

  it('print labels with codes, of what is counted and of every piece', async () => {
    const roomId = await stores.room();
    const counted = await stores.receive(roomId, await stores.chart(), '32', 1);
    const numbered = await stores.receive(roomId, await stores.chart(SUIT), 'M', 2, [uuidv7(), 'Größe 7']);
    for (const { id } of [counted, numbered]) {
      const answer = await app.file(stockLabelsPath(id));
      expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf']);
      expect((await answer.arrayBuffer()).byteLength).toBeGreaterThan(2_000);
    }
  });

  it('say how a garment is kept, and do not number what lies there counted', async () => {
    const [roomId, series] = [await stores.room(), await stores.chart()];
    const keep = (keeping: object, version = 0) =>
      app.put(pathOf(STORES.keeping, series), { keeping, version });
    const plain = {
      numbered: false,
      lifeMonths: null,
      inspectMonths: null,
      dryingDays: 0,
      sparePercent: 10,
      spareLeast: 1,
    };
    expect((await keep(plain)).body.version).toBe(1);
    expect(problem(await keep({ ...plain, lifeMonths: 60 }, 1))).toEqual([400, 'invalid']);
    await stores.receive(roomId, series, '32', 1);
    expect(problem(await keep({ ...plain, numbered: true }, 1))).toEqual([409, 'stock-refused']);
    expect(problem(await keep({ ...plain, spareLeast: 2 }, 0))).toEqual([409, 'changed-meanwhile']);
  });

  it('keep rooms by their names, and are changed by whoever may', async () => {
    const name = `Boathouse ${uuidv7()}`;
    await stores.room(name);
    expect(problem(await app.put(pathOf(STORES.rooms, uuidv7()), { name, version: 0 }))).toEqual([
      409,
      'stock-refused',
    ]);
    await app.person('viewer', 'looks-on');
    await app.person('fitter', 'fits');
    const [viewer, fitter] = [await app.cookieOf('looks-on'), await app.cookieOf('fits')];
    const as = (cookie: string, method: string, path: string, body?: object) =>
      app.send(method, path, body, { cookie });
    expect(
      problem(await as(fitter, 'PUT', pathOf(STORES.rooms, uuidv7()), { name: 'x', version: 0 })),
    ).toEqual([403, 'not-allowed']);
    expect(problem(await as(viewer, 'PUT', pathOf(STORES.receipts, uuidv7()), {}))).toEqual([
      403,
      'not-allowed',
    ]);
    expect((await as(viewer, 'GET', STORES.stock)).status).toBe(200);
    expect((await as('', 'GET', STORES.stock)).status).toBe(401);
    for (const path of [STORES.articles, STORES.pieces, STORES.orders])
      expect(problem(await app.get(pathOf(path, uuidv7())))).toEqual([404, 'not-found']);
    expect(problem(await app.get(pathOf(STORES.articles, 'x')))).toEqual([404, 'not-found']);
  });
});
