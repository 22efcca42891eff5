import {
  docketSummarySchema,
  labelsPath,
  letterPath,
  listPath,
  orderFormPath,
  PATHS,
  pageSchema,
  postedSchema,
  ROUTES,
  sizesSheetPath,
} from '@neat-measure/contract';
import type { Doing } from '@neat-measure/core';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { Harness, outboxOfSpecs } from '../testing/harness';
import { chartSave, problem, reading, Records, sheetFrom } from '../testing/records';

const TROUSERS = sheetFrom('size,trouser-waist-girth (cm)\n32,80-84\n34,84-88\n', {
  kind: 'trousers',
  garment: 'Warden trousers',
});

describe('handing over', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  /** A docket with trousers decided in 32, tried on and kept, hemmed. */
  async function kept() {
    const chartId = await records.save(ROUTES.charts, chartSave({ sheet: TROUSERS }));
    const { id } = await records.docket([chartId]);
    await records.does(id, reading('trouser-waist-girth', '82'));
    const fields = { chartId, sizes: { size: '32' }, carrier: null, found: null } as const;
    const trialId = await records.does(id, { kind: 'garment-tried', ...fields });
    const hem = { area: 'leg', how: 'hem-at', typed: '78', unit: 'cm', length: 780_000 as never } as const;
    await records.does(id, { kind: 'alteration-noted', chartId, ...hem });
    const outcome = { outcome: 'kept', reason: null, found: null } as const;
    await records.does(id, { kind: 'garment-fitted', chartId, trialId, ...outcome });
    return { id, chartId };
  }
  const handed = (chartId: string, changes: object = {}): Doing => ({
    kind: 'garments-handed-over',
    garments: [{ chartId, way: 'issued', until: null, untried: null, found: null, ...changes }],
    signature: { by: 'name', name: 'Ibrahima Lund' },
  });
  const stageOf = async (docketId: string) => {
    const { items } = pageSchema(docketSummarySchema).parse(
      (await app.get(listPath(ROUTES.dockets, {}))).body,
    );
    return items.find((one) => one.id === docketId)?.garments.map(({ stage }) => stage);
  };

  it('keeps who has what, and never what was found from who sends it', async () => {
    const { id, chartId } = await kept();
    expect(await stageOf(id)).toEqual(['kept']);
    await records.does(id, handed(chartId, { found: { size: '60', sizes: { size: '60' } } }));
    const { handings } = await records.made(id);
    expect(handings.map(({ size, by }) => [size, by.name])).toEqual([['32', 'Odalys Wren']]);
    expect(await stageOf(id)).toEqual(['handed-over']);
    const back = { kind: 'garment-came-back', chartId, why: 'tight', area: 'waist', note: null } as const;
    // It was altered: the shelf would have it in the size of its label.
    const shelved = await app.does(id, { ...back, goes: 'stock' });
    expect(shelved).toEqual(jasmine.objectContaining({ outcome: 'refused', code: 'not-as-labelled' }));
    await records.does(id, { ...back, goes: 'quarantine' });
    expect(await stageOf(id)).toEqual(['came-back']);
  });

  it('gives a garment to the wearer once, however many ask at once', async () => {
    const { id, chartId } = await kept();
    const answers = await Promise.all(Array.from({ length: 12 }, () => app.does(id, handed(chartId))));
    expect(answers.filter(({ outcome }) => outcome === 'kept').length).toBe(1);
    expect((await records.made(id)).handings.length).toBe(1);
  });

  it('prints the sizes, the labels, and the form of a maker, for whoever may', async () => {
    const { id, chartId } = await kept();
    await records.does(id, handed(chartId));
    for (const path of [sizesSheetPath(id), labelsPath(id), orderFormPath(id, chartId)]) {
      const answer = await app.file(path);
      expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf']);
      expect((await answer.arrayBuffer()).byteLength).toBeGreaterThan(3_000);
      expect(problem(await app.send('GET', path, undefined, { cookie: '' }))).toEqual([401, 'not-signed-in']);
    }
    expect(problem(await app.get(orderFormPath(id, uuidv7())))).toEqual([404, 'not-found']);
    expect(problem(await app.get(sizesSheetPath(uuidv7())))).toEqual([404, 'not-found']);
    const empty = await records.docket([]);
    expect((await app.file(labelsPath(empty.id))).status).toBe(200);
  });

  it('puts a letter into the post once, and nowhere else', async () => {
    const { id, chartId } = await kept();
    const letterId = uuidv7();
    const letter = { sheet: 'order', chartId, to: 'orders@ostrel.example' };
    const [first, again] = [
      await app.put(letterPath(id, letterId), letter),
      await app.put(letterPath(id, letterId), letter),
    ];
    expect(postedSchema.parse(first.body)).toEqual(postedSchema.parse(again.body));
    const files = readdirSync(outboxOfSpecs()).filter((name) => name.includes(letterId));
    expect(files).toEqual([`${letterId}.eml`]);
    const message = readFileSync(join(outboxOfSpecs(), files[0]!), 'utf8');
    expect(message).toContain('To: orders@ostrel.example');
    expect(message).toMatch(/Content-Type: application\/pdf/);
    const noted = (await app.get(`${PATHS.audit}?kind=letter-posted`)).body.items;
    expect(noted.filter((one: { about: string }) => one.about === id).length).toBe(1);
    for (const [sent, status] of [
      [{ ...letter, to: 'nobody' }, 400],
      [{ ...letter, chartId: null }, 400],
      [{ ...letter, to: 'a@b.example\r\nBcc: c@d.example' }, 400],
      [{ ...letter, chartId: uuidv7() }, 404],
    ] as const)
      expect(problem(await app.put(letterPath(id, uuidv7()), sent))[0]).toBe(status);
  });
});
