import {
  docketSummarySchema,
  docketVerdictsSchema,
  listPath,
  PAGE,
  pageSchema,
  pathOf,
  ROUTES,
  sheetPath,
  verdictsPath,
} from '@neat-measure/contract';
import { markWords, nameAt, planOf, replay, wordsAt } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { measuringSheet } from './measuring-sheet';
import { openBench } from './service';
import { chartSave, opening, problem, reading, Records, sheetFrom } from '../testing/records';
import { textOf } from '../testing/text-of';

describe('the routes of dockets', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  const page = pageSchema(docketSummarySchema);
  const listed = async (search: string, from = 0) =>
    page.parse((await app.get(listPath(ROUTES.dockets, { search, from }))).body);

  describe('the list', () => {
    it('shows garments and what was decided of them, put off ones as open', async () => {
      const second = await records.save(
        ROUTES.charts,
        chartSave({ sheet: sheetFrom('size,chest-girth (cm)\nM,90-94', { garment: 'Fleece' }) }),
      );
      const { id, chartId, readingIds } = await records.measured('98', '86');
      await records.does(id, { kind: 'garment-asked', chartId: second });
      const decide = (outcome: 'later' | 'accepted', after: string | null) =>
        records.does(id, {
          kind: 'garment-decided',
          chartId,
          outcome,
          sizes: outcome === 'later' ? {} : { size: 'M' },
          reason: null,
          readingIds,
          after,
          habits: 0,
          found: null,
        });
      const first = await decide('later', null);
      const garments = async () => {
        const found = (await listed('')).items.find((one) => one.id === id);
        return found?.garments.map(({ garment, decided }) => [garment, decided]);
      };
      expect(await garments()).toEqual([
        ['Field jacket', null],
        ['Fleece', null],
      ]);
      await decide('accepted', first);
      expect(await garments()).toEqual([
        ['Field jacket', 'M'],
        ['Fleece', null],
      ]);
      await records.does(id, { kind: 'garment-dropped', chartId: second });
      expect(await garments()).toEqual([['Field jacket', 'M']]);
    });

    it('is searched by name, role, occasion and number, and says how much there is', async () => {
      const wearerId = await records.save(ROUTES.wearers, {
        name: 'Zoë Çelik',
        role: 'Pilot 100 %',
        version: 0,
      });
      const ids: string[] = [];
      for (let count = 0; count < PAGE + 3; count++) {
        ids.unshift(uuidv7());
        await records.does(ids[0]!, opening(wearerId));
      }
      const first = await listed('zoë issue');
      expect([first.total, first.items.map(({ id }) => id)]).toEqual([PAGE + 3, ids.slice(0, PAGE)]);
      expect((await listed('celik zoe', PAGE)).items.map(({ id }) => id))
        .withContext('without the accents, the rest')
        .toEqual(ids.slice(PAGE));
      const { number } = first.items[7]!;
      expect((await listed(`Zoë ${number}`)).items.map((one) => one.number)).toContain(number);
      expect((await listed('pilot 100 %')).total).toBe(PAGE + 3);
      expect((await listed('1%0')).total)
        .withContext('no letter stands for others')
        .toBe(0);
      expect(problem(await app.get(`${ROUTES.dockets}?from=x`))).toEqual([400, 'invalid']);
    });
  });

  it('says so when there is none', async () => {
    for (const path of [pathOf(ROUTES.dockets, uuidv7()), verdictsPath(uuidv7()), sheetPath(uuidv7())])
      expect(problem(await app.get(path))).toEqual([404, 'not-found']);
  });

  describe('verdicts', () => {
    const expected: [string, string, string, string | null][] = [
      ['98', '86', 'settled', 'M'],
      ['101.8', '86', 'edge', 'M'],
      ['98', '95', 'split', 'L'],
      ['110.5', '95', 'between', 'XL'],
      ['125', '95', 'beyond', null],
    ];
    for (const [chest, waist, verdict, size] of expected)
      it(`are ${verdict} for chest ${chest} and waist ${waist}`, async () => {
        const { id } = await records.measured(chest, waist);
        const [one] = docketVerdictsSchema.parse((await app.get(verdictsPath(id))).body);
        expect([one!.verdict.verdict, one!.verdict.proposed]).toEqual([verdict as never, size]);
      });
  });

  describe('the record', () => {
    it('offers what an earlier docket settled, with its date, and lets it be carried over', async () => {
      const { id, wearerId, chartId } = await records.docket();
      for (const typed of ['98', '98.5']) await records.does(id, reading('chest-girth', typed));
      await records.does(id, reading('waist-girth', '85'));
      const old = new Date(Date.now() - 200 * 86_400_000);
      for (const typed of ['96', '96']) await records.does(id, reading('hip-girth', typed));
      await app.database('acts').where({ about: 'hip-girth' }).update({ done_at: old });
      const back = await records.does(id, reading('neck-girth', '38'));
      await records.does(id, { kind: 'reading-withdrawn', readingId: back, code: 'neck-girth' });

      const later = await records.docket([chartId], wearerId);
      const { record } = await records.bench(later.id);
      expect(record.map(({ code, value, origin, due }) => [code, Number(value), origin, due])).toEqual([
        ['chest-girth', 982_500, 'fitter', false],
        ['hip-girth', 960_000, 'fitter', true],
      ]);
      const verdict = async () =>
        docketVerdictsSchema.parse((await app.get(verdictsPath(later.id))).body)[0]!.verdict;
      expect((await verdict()).verdict)
        .withContext('never used by itself')
        .toBe('incomplete');
      const never = reading('chest-girth', '982.5 mm', {
        unit: 'mm',
        carriedFrom: '2026-01-04T08:00:00.000Z',
      });
      expect((await app.does(later.id, never)).outcome)
        .withContext('what is on no record')
        .toBe('refused');
      const carriedFrom = record[0]!.takenAt;
      // Of the right moment, and another number: it would settle another size in silence.
      for (const typed of ['1050 mm', '985.6 mm', '97 cm'])
        expect(await app.does(later.id, reading('chest-girth', typed, { unit: 'mm', carriedFrom })))
          .withContext(typed)
          .toEqual(jasmine.objectContaining({ outcome: 'refused', code: 'no-such-record' }) as never);
      await records.does(later.id, reading('chest-girth', '982.5 mm', { unit: 'mm', carriedFrom }));
      for (const typed of ['86', '86']) await records.does(later.id, reading('waist-girth', typed));
      expect((await verdict()).proposed).toBe('M');
    });
  });

  it('take readings of a tape the house has heard, and of no other', async () => {
    const { id } = await records.docket();
    const sent = reading('chest-girth', '982.5 mm', { unit: 'mm', device: 'tape-unheard' });
    expect(await app.does(id, sent)).toEqual(
      jasmine.objectContaining({ outcome: 'refused', code: 'no-such-tape' }) as never,
    );
    const row = { device: 'tape-unheard', seq: 1, said: '982.5 mm', line: '{}', received_at: new Date() };
    await app.database('device_lines').insert(row);
    const same = { id: uuidv7(), at: new Date().toISOString() };
    expect((await app.does(id, sent, same)).outcome).toBe('kept');
    // Sent again after its lines were taken out: it stands.
    await app.database('device_lines').where({ device: 'tape-unheard' }).delete();
    expect((await app.does(id, sent, same)).outcome).toBe('kept');
  });

  it('carry over a waist at the navel as one, and as no other', async () => {
    const { id, wearerId, chartId } = await records.docket();
    for (const typed of ['84', '84'])
      await records.does(id, reading('waist-girth', typed, { waist: 'navel' }));
    const later = await records.docket([chartId], wearerId);
    const { record } = await records.bench(later.id);
    const [kept] = record;
    const carried = (waist: 'navel' | 'natural') =>
      reading('waist-girth', '840 mm', { unit: 'mm', carriedFrom: kept!.takenAt, waist });
    expect((await app.does(later.id, carried('natural'))).outcome).toBe('refused');
    expect((await app.does(later.id, carried('navel'))).outcome).not.toBe('refused');
  });

  it('print their steps with what is laid once, and the wishes with what was noted', async () => {
    const { id } = await records.docket();
    await records.does(id, { kind: 'protocol-asked', protocolId: 'designers-record' });
    const wish = { kind: 'wish-noted', unit: 'cm', pointed: null } as const;
    await records.does(id, {
      ...wish,
      wish: 'knee-width',
      typed: '84',
      length: 840_000,
      estimatedFor: 'close',
    } as never);
    await records.does(id, {
      ...wish,
      wish: 'hem',
      typed: '30',
      length: 300_000,
      estimatedFor: null,
    } as never);
    const bench = await openBench(app.database, id);
    const { content } = measuringSheet(bench);
    const printed = JSON.stringify(content);
    expect(printed).toContain('84 cm (estimated from the hip, cut close)');
    expect(printed).toContain('"30 cm"');
    expect(printed).toContain('read in passing');
    expect(printed).toContain('Tape: touching');
    expect(printed).toContain('Common mistakes:');
    // Three boxes for each step, and of a chain the name of each mark above its own.
    const { steps } = planOf(replay(bench.acts.map(({ act }) => act))!, bench);
    const text = textOf(content);
    expect(text.match(/First\s+\wm Second\s+\wm Third\s+\wm/g)?.length).toBe(steps.length);
    const named = steps.map(
      ({ code, waist }) => `${nameAt(code, waist)}: ${wordsAt(markWords(code), waist)}.`,
    );
    const inChain = steps.map(({ chain }) => chain !== null);
    expect(inChain).toContain(true);
    expect(named.map((one) => text.includes(one))).toEqual(inChain);
    // Each placing has its figure beside its words and boxes.
    const placings = (
      content as { stack?: { columns?: { svg?: string; width: number | '*' }[] }[] }[]
    ).flatMap(({ stack }) =>
      (stack ?? []).flatMap(({ columns }) => (columns?.[0]?.svg === undefined ? [] : [columns])),
    );
    expect(placings.length).toBeGreaterThan(5);
    for (const columns of placings) {
      expect(columns[0]!.svg).toContain('<svg');
      expect(columns.map(({ width }) => width)).toEqual([56, '*', 252]);
    }
    const [prepare] = (content as { ul?: { text: string }[] }[]).flatMap(({ ul }) =>
      ul === undefined ? [] : [ul],
    );
    expect(prepare!.length).toBeGreaterThan(2);
    expect(prepare!.filter((one) => one.text === '')).toEqual([]);
  });

  it('print their steps as a PDF with its own fonts, letters beyond Latin-1 too', async () => {
    const wearerId = await records.save(ROUTES.wearers, { name: 'Łucja Ðuričić', role: '', version: 0 });
    const { id } = await records.docket(undefined, wearerId);
    await records.does(id, { kind: 'protocol-asked', protocolId: 'vest-c' });
    const sheet = await fetch(`http://127.0.0.1:${app.port}${sheetPath(id)}`, {
      headers: { cookie: app.cookie },
    });
    expect(sheet.headers.get('content-type')).toContain('application/pdf');
    const bytes = Buffer.from(await sheet.arrayBuffer());
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
    expect(bytes.toString('latin1')).toContain('AtkinsonHyperlegibleNext');
  });

  it('stand with protocols beside garments, or alone', async () => {
    const { id, chartId } = await records.docket();
    for (const protocolId of ['vest-c', 'footwear'])
      await records.does(id, { kind: 'protocol-asked', protocolId });
    await records.does(id, { kind: 'garment-dropped', chartId });
    const { protocols } = await records.bench(id);
    expect(protocols.map(({ name }) => name)).toEqual(['Concealable vest, method c', 'Footwear']);
    expect((await records.made(id)).garments).toEqual([]);
  });
});
