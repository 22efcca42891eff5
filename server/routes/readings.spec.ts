import {
  benchSchema,
  docketVerdictsSchema,
  pathOf,
  readingSchema,
  ROUTES,
  verdictsPath,
  withdrawalPath,
} from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { problem, reading, Records } from '../testing/records';

describe('the routes of readings', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  beforeEach(async () => {
    if (app.cookie.endsWith('=')) await app.signIn();
  });

  describe('readings', () => {
    it('keep how the tape lay and over what, and a weight in grams', async () => {
      const { id } = await records.docket();
      const readingId = uuidv7();
      const tight = reading(id, 'chest-girth', '98', { tension: 'drawn-tight', clothing: 'worn-beneath' });
      const kept = (await app.put(pathOf(ROUTES.readings, readingId), tight)).body;
      expect([kept.tension, kept.clothing]).toEqual(['drawn-tight', 'worn-beneath']);
      const weighed = reading(id, 'weight', '11 st 4', { unit: 'kg', instrument: 'scale' });
      expect((await app.put(pathOf(ROUTES.readings, uuidv7()), weighed)).body.length).toBe(71_668);
      expect(
        problem(await app.put(pathOf(ROUTES.readings, uuidv7()), { ...tight, clothing: 'armour' })),
      ).toEqual([400, 'invalid']);
    });

    it('keep what was typed and derive the length; the same reading again changes nothing', async () => {
      const { id } = await records.docket();
      const [readingId, body] = [uuidv7(), reading(id, 'chest-girth', '38 1/2', { unit: 'in' })];
      const first = readingSchema.parse((await app.put(pathOf(ROUTES.readings, readingId), body)).body);
      expect([first.typed, first.unit, Number(first.length), first.withdrawnAt]).toEqual([
        '38 1/2',
        'in',
        977_900,
        null,
      ]);
      expect((await app.put(pathOf(ROUTES.readings, readingId), body)).body).toEqual(
        JSON.parse(JSON.stringify(first)),
      );
      expect((await app.get(pathOf(ROUTES.dockets, id))).body.readings.length).toBe(1);
      expect(problem(await app.put(pathOf(ROUTES.readings, readingId), { ...body, typed: '39' }))).toEqual([
        409,
        'id-taken',
      ]);
    });

    it('are refused when impossible or unreadable, with what to do', async () => {
      const { id } = await records.docket();
      const impossible = await app.put(
        pathOf(ROUTES.readings, uuidv7()),
        reading(id, 'chest-girth', '97', { unit: 'in' }),
      );
      expect(problem(impossible)).toEqual([400, 'invalid']);
      expect(impossible.body.detail).toContain('97 cm?');
      expect(
        problem(await app.put(pathOf(ROUTES.readings, uuidv7()), reading(id, 'chest-girth', 'abc'))),
      ).toEqual([400, 'invalid']);
      expect(problem(await app.put(pathOf(ROUTES.readings, uuidv7()), reading(id, 'chest', '97')))).toEqual([
        400,
        'invalid',
      ]);
      expect(
        problem(await app.put(pathOf(ROUTES.readings, uuidv7()), reading(uuidv7(), 'chest-girth', '97'))),
      ).toEqual([404, 'not-found']);
      expect((await app.get(pathOf(ROUTES.dockets, id))).body.readings).toEqual([]);
    });

    it('can be taken back, stay in the record, and no longer count', async () => {
      const { id, readingIds, chartId } = await records.measured('98', '85');
      const back = await app.put(withdrawalPath(readingIds[0]!), {});
      expect(readingSchema.parse(back.body).withdrawnAt).not.toBeNull();
      expect((await app.put(withdrawalPath(readingIds[0]!), {})).body)
        .withContext('again')
        .toEqual(back.body);
      expect((await app.get(pathOf(ROUTES.dockets, id))).body.readings.length).toBe(2);
      const [verdict] = docketVerdictsSchema.parse((await app.get(verdictsPath(id))).body);
      expect([verdict!.chartId, verdict!.verdict.verdict]).toEqual([chartId, 'incomplete']);
      expect(problem(await app.put(withdrawalPath(uuidv7()), {}))).toEqual([404, 'not-found']);
    });
  });

  describe('the record', () => {
    it('offers what an earlier docket settled, with its date, and lets it be carried over', async () => {
      const { id, docket, chartId } = await records.docket();
      for (const typed of ['98', '98.5'])
        await records.save(ROUTES.readings, reading(id, 'chest-girth', typed));
      await records.save(ROUTES.readings, reading(id, 'waist-girth', '85'));
      const old = new Date(Date.now() - 200 * 86_400_000).toISOString();
      for (const typed of ['96', '96'])
        await records.save(ROUTES.readings, reading(id, 'hip-girth', typed, { takenAt: old }));
      const later = await records.save(ROUTES.dockets, docket);
      const { record } = benchSchema.parse((await app.get(pathOf(ROUTES.dockets, later))).body);
      expect(record.map(({ code, value, origin, due }) => [code, Number(value), origin, due])).toEqual([
        ['hip-girth', 960_000, 'fitter', true],
        ['chest-girth', 982_500, 'fitter', false],
      ]);
      expect((await app.get(verdictsPath(later))).body[0].verdict.verdict)
        .withContext('never used by itself')
        .toBe('incomplete');

      const carried = reading(later, 'chest-girth', '982.5 mm', { carriedFrom: record[1]!.takenAt });
      expect(
        readingSchema.parse((await app.put(pathOf(ROUTES.readings, uuidv7()), carried)).body).carriedFrom,
      ).toBe(record[1]!.takenAt);
      for (const typed of ['86', '86'])
        await records.save(ROUTES.readings, reading(later, 'waist-girth', typed));
      const [verdict] = docketVerdictsSchema.parse((await app.get(verdictsPath(later))).body);
      expect([verdict!.chartId, verdict!.verdict.proposed]).toEqual([chartId, 'M']);
    });
  });
});
