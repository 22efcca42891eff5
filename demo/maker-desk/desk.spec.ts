import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { addDays, makerAnswerSchema, type OrderSheet } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import { Desk, deskApp } from './desk';
import { FATES, fateOf, messagesOf, parcelsOf, type DeskOrder, type Fate } from './script';

const sheet = (labels: readonly string[] = ['M'], count = 3): OrderSheet => ({
  form: 'neat-measure-order',
  version: 1,
  order: uuidv7(),
  number: 7,
  house: 'Brackwater Reserve',
  maker: 'Ostrel <Workwear>',
  sent: '2026-06-01T08:00:00.000Z',
  lines: labels.map((label, at) => ({
    line: at + 1,
    garment: 'Field jacket',
    label,
    code: `NM00000${at}`,
    count,
    numbered: at === 0,
  })),
});
const order = (fate: Fate, labels?: readonly string[], count?: number): DeskOrder => ({
  sheet: sheet(labels, count),
  on: '2026-06-01',
  fates: { 1: fate },
});

describe('the script of the maker’s desk', () => {
  it('is the same for the same seed, garment and size, and mostly kind', () => {
    const fates = Array.from({ length: 300 }, (_, at) =>
      fateOf('a', { ...sheet().lines[0]!, label: `${at}` }),
    );
    expect(fates).toEqual(
      Array.from({ length: 300 }, (_, at) => fateOf('a', { ...sheet().lines[0]!, label: `${at}` })),
    );
    expect(new Set(fates)).toEqual(new Set(FATES));
    expect(fates.filter((one) => one === 'prompt').length).toBeGreaterThan(120);
    expect(fateOf('b', sheet().lines[0]!)).toBeDefined();
  });

  it('never takes a word back: what was said by a day is a beginning of what is said by the next', () => {
    for (const fate of FATES)
      for (const count of [1, 3]) {
        const one = order(fate, ['M', 'L'], count);
        for (let day = 0; day < 12; day++) {
          const [now, next] = [0, 1].map((more) => messagesOf(one, addDays('2026-06-01', day + more)));
          expect(next!.slice(0, now!.length)).toEqual(now!);
          expect(next!.map(({ place }) => place)).toEqual(next!.map((_, at) => at + 1));
        }
        const all = messagesOf(one, '2026-07-01');
        expect(makerAnswerSchema.safeParse({ order: one.sheet.order, messages: all }).success).toBeTrue();
        const came = all.flatMap((message) => (message.says === 'despatched' ? message.holds : []));
        expect(came.filter(({ line }) => line === 1).reduce((sum, { count: n }) => sum + n, 0)).toBe(count);
      }
  });

  it('packs another size where it errs, and says nothing of it', () => {
    const one = order('wrong-size', ['M'], 2);
    const [parcel] = parcelsOf(one, '2026-06-10');
    expect(parcel!.holds.map(({ label, count, serials }) => [label, count, serials.length])).toEqual([
      ['L', 2, 2],
    ]);
    expect(messagesOf(one, '2026-06-10').some(({ says }) => says === 'substituted')).toBeFalse();
    const [told] = messagesOf(order('substituted', ['38', '40']), '2026-06-10').filter(
      ({ says }) => says === 'substituted',
    );
    expect(told).toEqual(jasmine.objectContaining({ label: '40' }));
    expect(messagesOf(order('substituted', ['38']), '2026-06-10').map(({ says }) => says))
      .withContext('it knows no other size')
      .toEqual(['acknowledged', 'despatched']);
  });
});

describe('the maker’s desk', () => {
  let folder: string;
  beforeAll(async () => (folder = await mkdtemp(join(tmpdir(), 'neat-measure-desk-'))));
  afterAll(() => rm(folder, { recursive: true }));

  async function open(file?: string) {
    const desk = new Desk({ seed: 'a', file });
    await desk.begin();
    const door = deskApp(desk).listen(0, '127.0.0.1');
    await once(door, 'listening');
    const base = `http://127.0.0.1:${(door.address() as AddressInfo).port}`;
    const put = (body: unknown, id: string) =>
      fetch(`${base}/orders/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
    const post = (path: string, fields: Record<string, string>, origin = base) =>
      fetch(`${base}${path}`, {
        method: 'POST',
        redirect: 'manual',
        headers: { origin },
        body: new URLSearchParams(fields),
      });
    const close = () => {
      door.closeAllConnections();
      door.close();
    };
    return { desk, base, put, post, close };
  }

  it('takes an order once, and refuses what is none', async () => {
    const { put, base, close } = await open();
    const one = sheet();
    expect((await put(one, one.order)).status).toBe(200);
    expect((await put(one, one.order)).status).toBe(200);
    expect((await put({ ...one, lines: sheet(['L']).lines }, one.order)).status).toBe(409);
    expect((await put(one, uuidv7())).status).toBe(400);
    expect((await put({ form: 'something' }, one.order)).status).toBe(400);
    expect((await fetch(`${base}/orders/${uuidv7()}`)).status).toBe(404);
    close();
  });

  it('shows what lies there, lets a day pass, and takes no press of another site', async () => {
    const { desk, base, put, post, close } = await open();
    const one = sheet();
    await put(one, one.order);
    const text = async () => (await fetch(base)).text();
    expect(await text()).toContain('Ostrel &lt;Workwear&gt;');
    expect((await post('/next-day', {}, 'http://elsewhere.example')).status).toBe(403);
    expect((await post('/fates', { order: one.order, line: '1', fate: 'late' })).status).toBe(303);
    expect((await post('/fates', { order: one.order, line: '1', fate: 'nonsense' })).status).toBe(409);
    expect((await post('/next-day', {})).status).toBe(303);
    expect((await post('/fates', { order: one.order, line: '1', fate: 'prompt' })).status)
      .withContext('said already')
      .toBe(409);
    expect(desk.orders[0]!.fates).toEqual({ 1: 'late' });
    for (let day = 0; day < 6; day++) await post('/next-day', {});
    expect(await text()).toContain('Parcels');
    close();
  });

  it('knows its orders again after it was killed, and begins anew where its file is broken', async () => {
    const file = join(folder, 'desk.json');
    const first = await open(file);
    const one = sheet();
    await first.put(one, one.order);
    await first.desk.nextDay();
    const { today } = first.desk;
    first.close();
    const second = await open(file);
    expect([second.desk.orders.length, second.desk.today]).toEqual([1, today]);
    second.close();
    expect(JSON.parse(await readFile(file, 'utf8')).ahead).toBe(1);
    await writeFile(file, '{"ahead":');
    const third = await open(file);
    expect(third.desk.orders.length).toBe(0);
    third.close();
  });
});
