import { pathOf, ROUTES, wearerRecordPath, wearerRecordSchema } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { opening, problem, reading, Records } from '../testing/records';

describe('the record of a person', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  const wearer = async (born: string | null = null) => {
    const id = uuidv7();
    await app.put(pathOf(ROUTES.wearers, id), { name: 'Noor Achterberg', role: 'Cadet', born, version: 0 });
    return id;
  };
  const docketOf = async (wearerId: string) => {
    const id = uuidv7();
    await records.does(id, opening(wearerId));
    return id;
  };
  const twice = async (
    docket: string,
    code: Parameters<typeof reading>[0],
    typed: string,
    changes: object = {},
  ) => {
    for (const _ of [1, 2]) await records.does(docket, reading(code, typed, changes));
  };
  const record = async (id: string) => wearerRecordSchema.parse((await app.get(wearerRecordPath(id))).body);

  it('holds every value their dockets settled, with how it was taken', async () => {
    const id = await wearer();
    const [first, second] = [await docketOf(id), await docketOf(id)];
    await twice(first, 'height', '152');
    await twice(first, 'waist-girth', '70', { waist: 'navel' });
    await twice(second, 'height', '156');
    await records.does(second, reading('chest-girth', '80'));
    const { points, due, person } = await record(id);
    expect(points.map(({ code, value, waist, readings }) => [code, Number(value), waist, readings])).toEqual([
      ['waist-girth', 700_000, 'navel', 2],
      ['height', 1_520_000, null, 2],
      ['height', 1_560_000, null, 2],
    ]);
    expect([due, person.name, points[0]!.by.name]).toEqual([[], 'Noor Achterberg', 'Odalys Wren']);
  });

  it('is theirs as a file, a table and on paper, and that it was taken is noted', async () => {
    const id = await wearer();
    await twice(await docketOf(id), 'height', '171');
    const csv = await app.file(wearerRecordPath(id, '.csv'));
    expect(csv.headers.get('content-type')).toContain('text/csv');
    expect(await csv.text()).toContain('height,Height,1710,mm,');
    const json = await app.get(wearerRecordPath(id, '.json'));
    expect(wearerRecordSchema.parse(json.body).points.length).toBe(1);
    const pdf = await app.file(wearerRecordPath(id, '.pdf'));
    expect((await pdf.text()).slice(0, 5)).toBe('%PDF-');
    const empty = await app.file(wearerRecordPath(await wearer(), '.pdf'));
    expect(empty.status).withContext('of whom nothing is known').toBe(200);
    expect(problem(await app.get(wearerRecordPath(uuidv7())))).toEqual([404, 'not-found']);
  });

  it('asks those who still grow sooner, by the month they were born in', async () => {
    const id = await wearer(`${new Date().getUTCFullYear() - 15}-01`);
    const docket = await docketOf(id);
    const old = new Date(Date.now() - 85 * 86_400_000).toISOString();
    await twice(docket, 'height', '150');
    await app
      .database('acts')
      .where({ docket_id: docket, kind: 'reading-taken' })
      .update({ done_at: new Date(old) });
    expect((await record(id)).due).toEqual([]);
    const settings = (await app.get('/api/settings')).body;
    const habits = { ...settings.habits, remeasure: { days: 183, of: {}, growing: { under: 18, days: 60 } } };
    expect((await app.put('/api/settings', { ...settings, habits })).status).toBe(200);
    expect((await record(id)).due).toEqual(['height']);
    expect(
      problem(
        await app.put(pathOf(ROUTES.wearers, uuidv7()), { name: 'X', role: '', born: '2009-13', version: 0 }),
      ),
    ).toEqual([400, 'invalid']);
  });

  it('lets nobody carry over a waist from another place', async () => {
    const id = await wearer();
    const [first, second] = [await docketOf(id), await docketOf(id)];
    await twice(first, 'waist-girth', '84', { waist: 'navel' });
    const [kept] = (await records.bench(second)).record;
    expect([kept?.code, kept?.waist]).toEqual(['waist-girth', 'navel']);
    const carried = async (waist: 'navel' | 'natural') => {
      const doing = reading('waist-girth', '84', { waist, carriedFrom: kept!.takenAt });
      const answer = await app.does(second, doing);
      return answer.outcome === 'refused' ? answer.detail : '';
    };
    expect(await carried('natural')).toContain('no such reading on record');
    expect(await carried('navel')).toBe('');
  });
});
