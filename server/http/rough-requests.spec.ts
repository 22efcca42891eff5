import { docketStreamPath, pathOf, ROUTES } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { openDatabase } from '../database/database';
import { Harness } from '../testing/harness';
import { rawRequest } from '../testing/raw-request';
import { chartSave, problem, Records, reading, sheetFrom } from '../testing/records';
import { WireToDatabase } from '../testing/wire-to-database';

describe('rough requests', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => {
    app = await Harness.start({
      limits: { headersTimeout: 400, requestTimeout: 800, connectionsCheckingInterval: 100 },
    });
  });
  afterAll(() => app.stop());
  const wearer = (body: unknown, headers: Record<string, string> = {}) =>
    app.send('PUT', pathOf(ROUTES.wearers, uuidv7()), body, headers);

  it('in letters, or packed, as nobody here reads, are refused', async () => {
    const json = { name: 'Ibrahima Lund', role: '', version: 0 };
    expect(problem(await wearer(json, { 'content-type': 'application/json; charset=klingon' }))).toEqual([
      415,
      'unsupported',
    ]);
    expect(problem(await wearer(json, { 'content-encoding': 'br-of-my-own' }))).toEqual([415, 'unsupported']);
    expect(problem(await wearer(json, { 'content-encoding': 'gzip' }))).toEqual([400, 'unreadable-request']);
  });

  it('with half a letter in them are refused, and not kept as another', async () => {
    expect(problem(await wearer('{"name":"Lund \\ud83d","role":"","version":0}'))).toEqual([
      400,
      'unreadable-request',
    ]);
    expect((await wearer('{"name":"Lund \\ud83d\\ude00","role":"","version":0}')).body.name).toBe('Lund 😀');
  });

  it('nested deeper than anything is are refused, whoever sends them and wherever', async () => {
    const nested = (deep: number, inside = '1') => `${'['.repeat(deep)}${inside}${']'.repeat(deep)}`;
    for (const text of [nested(40), nested(20_000, '"\\ud83d"'), nested(20_000), '['.repeat(900_000)])
      for (const cookie of [app.cookie, ''])
        expect(problem(await app.send('POST', ROUTES.acts, text, { cookie }))).toEqual([
          400,
          'unreadable-request',
        ]);
    // In a text brackets are letters.
    expect((await wearer({ name: '['.repeat(100), role: '\\"{'.repeat(20), version: 0 })).status).toBe(200);
  });

  it('of more than their route takes are refused before they are read, from strangers most of all', async () => {
    const signIn = (more: number) => ({ signIn: 'odalys', passphrase: 'x'.repeat(more) });
    const strangers = (body: unknown) => app.send('POST', ROUTES.session, body, { cookie: '' });
    expect(problem(await strangers(signIn(20_000)))).toEqual([413, 'too-large']);
    expect((await strangers(signIn(20_000))).body.detail).toContain('larger than 16 kB');
    expect(problem(await wearer({ name: 'x'.repeat(500_000), role: '', version: 0 }))).toEqual([
      413,
      'too-large',
    ]);
    // Nobody who is not let in is listened to.
    expect(
      problem(await app.send('PUT', pathOf(ROUTES.wearers, uuidv7()), '['.repeat(900_000), { cookie: '' })),
    ).toEqual([401, 'not-signed-in']);
    const wide = { 'content-type': 'application/json; charset=utf-16' };
    expect(problem(await wearer({ name: 'Ibrahima Lund', role: '', version: 0 }, wide))).toEqual([
      415,
      'unsupported',
    ]);
  });

  it('with more than fits, or a chart of more than can be sized by, are refused', async () => {
    expect(problem(await wearer({ name: 'x'.repeat(121), role: '', version: 0 }))).toEqual([400, 'invalid']);
    const sheet = sheetFrom('size,chest-girth (cm)\nM,90-95\n', { garment: 'Rough jacket' });
    const part = { ...sheet.parts[0]!, sizes: ['M'.repeat(25)] };
    const save = (parts: unknown[]) =>
      app.put(pathOf(ROUTES.charts, uuidv7()), chartSave({ sheet: { ...sheet, parts } }));
    expect(problem(await save([part]))).toEqual([400, 'invalid']);
    expect(problem(await save(Array.from({ length: 9 }, () => sheet.parts[0])))).toEqual([400, 'invalid']);
    expect((await save(sheet.parts)).status).toBe(200);
  });

  it('with a path that is none are refused', async () => {
    const status = async (path: string) => (await app.get(path)).status;
    expect(await status('/api/charts/%E0%A4%A')).toBe(400);
    for (const path of ['/api/%', '/api/charts/%00', '/api/devices/tape%20seven/stream'])
      expect(await status(path))
        .withContext(path)
        .toBe(404);
  });

  it('from no site, another one, or another port of this host get nothing done', async () => {
    const host = `http://127.0.0.1:${app.port}`;
    const asked = async (headers: Record<string, string>) =>
      (await wearer({ name: 'Ibrahima Lund', role: '', version: 0 }, headers)).status;
    expect(await asked({ origin: host })).toBe(200);
    expect(await asked({ origin: host, 'sec-fetch-site': 'same-origin' })).toBe(200);
    expect(await asked({ origin: 'null' })).toBe(403);
    expect(await asked({ origin: `http://127.0.0.1:${app.port + 1}` })).toBe(403);
    expect(await asked({ 'sec-fetch-site': 'same-site' })).toBe(403);
    expect(await asked({ 'sec-fetch-site': 'cross-site' })).toBe(403);
  });

  it('leave nothing of anybody in a cache', async () => {
    const answer = await fetch(`http://127.0.0.1:${app.port}${ROUTES.wearers}`, {
      headers: { cookie: app.cookie },
    });
    expect(answer.headers.get('cache-control')).toBe('no-store');
    expect(answer.headers.get('content-security-policy')).toContain("font-src 'self';");
    await answer.text();
  });

  it('for the head of a stream end', async () => {
    const { id } = await records.docket();
    const head = (path: string) =>
      rawRequest(
        app.port,
        `HEAD ${path} HTTP/1.1\r\nHost: 127.0.0.1:${app.port}\r\nCookie: ${app.cookie}\r\nConnection: close\r\n\r\n`,
      );
    expect(await head(docketStreamPath(id))).toMatch(/^HTTP\/1\.1 200 /);
    expect(await head(`/api/devices/tape-1/stream`)).toMatch(/^HTTP\/1\.1 200 /);
  });

  it('that come half and no further are dropped', async () => {
    const head = `PUT ${pathOf(ROUTES.wearers, uuidv7())} HTTP/1.1\r\nHost: 127.0.0.1\r\nCookie: ${app.cookie}\r\n`;
    expect(await rawRequest(app.port, head)).toMatch(/^HTTP\/1\.1 408 /);
    expect(
      await rawRequest(
        app.port,
        `${head}Content-Type: application/json\r\nContent-Length: 500\r\n\r\n{"name":"Ib`,
      ),
    ).toMatch(/^HTTP\/1\.1 4\d\d /);
  });

  it('about garments of a size called constructor are answered like any other', async () => {
    const sheet = chartSave({}, 'size,chest-girth (cm)\nconstructor,90-95\n__proto,95-100\n');
    const chartId = await records.save(ROUTES.charts, sheet);
    const { id } = await records.docket([chartId]);
    await records.does(id, reading('chest-girth', '92'));
    const { body } = await app.get(`${pathOf(ROUTES.dockets, id)}/verdicts`);
    expect(body[0].verdict.proposed).toBe('constructor');
    expect((await app.get(ROUTES.exceptions)).status).toBe(200);
  });
});

describe('requests while the database is away', () => {
  let app: Harness;
  let wire: WireToDatabase;
  beforeEach(async () => {
    app = await Harness.start({
      through: async (url) => {
        wire = await WireToDatabase.to(url);
        return openDatabase(wire.url, { patience: 600 });
      },
    });
  });
  afterEach(async () => {
    wire.mend();
    await app.stop();
    await wire.stop();
  });
  const retryAfter = async () => {
    const answer = await fetch(`http://127.0.0.1:${app.port}${ROUTES.health}`);
    return [
      answer.status,
      answer.headers.get('retry-after'),
      ((await answer.json()) as { type: string }).type,
    ];
  };
  const away = [503, 'unavailable'] as [number, string];

  it('are told to come again, and answered as soon as it is back', async () => {
    wire.cut();
    expect(await retryAfter()).toEqual([503, '2', '/problems/unavailable']);
    expect(problem(await app.get(ROUTES.wearers))).toEqual(away);
    expect(problem(await app.signIn())).toEqual(away);
    wire.mend();
    expect((await app.get(ROUTES.wearers)).status).toBe(200);
    expect((await app.get(ROUTES.health)).body).toEqual({ status: 'ok' });
  });

  it('do not hang on a connection that has gone silent, and use it no more', async () => {
    expect((await app.get(ROUTES.wearers)).status).toBe(200);
    wire.silence();
    expect(problem(await app.get(ROUTES.wearers))).toEqual(away);
    wire.mend();
    expect((await app.get(ROUTES.wearers)).status).toBe(200);
  });

  it('that take the database too long are given up', async () => {
    const records = new Records(() => app);
    const { id } = await records.docket();
    const slow = app.database.raw('select sleep(30)').catch((error: Error) => error);
    expect((await app.get(pathOf(ROUTES.dockets, id))).status).toBe(200);
    expect(await slow).toBeInstanceOf(Error);
  });
});
