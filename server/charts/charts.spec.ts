import {
  chartRetiredPath,
  chartSchema,
  chartSummariesSchema,
  chartSheetPath,
  chartsSchema,
  chartUsesPath,
  chartUsesSchema,
  chartVersionsPath,
  listPath,
  pathOf,
  ROUTES,
} from '@neat-measure/contract';
import type { ChartSheet } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { chartSave, problem, Records, sheetFrom } from '../testing/records';

describe('the routes of charts', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  const put = (id: string, body: object) => app.put(pathOf(ROUTES.charts, id), body);

  it('keep a chart, list it and read it; the same save again changes nothing', async () => {
    const id = uuidv7();
    const kept = { ...(chartSave() as { sheet: ChartSheet }).sheet, garment: 'Kept jacket' };
    const first = await put(id, chartSave({ sheet: kept }));
    const chart = chartSchema.parse(first.body);
    expect([chart.sheet.parts[0]!.sizes, chart.sheet.unit, chart.version, chart.seriesId]).toEqual([
      ['M', 'L', 'XL'],
      'cm',
      1,
      id,
    ]);
    expect((await put(id, chartSave({ sheet: kept }))).body).toEqual(first.body);
    expect((await app.get(pathOf(ROUTES.charts, id))).body).toEqual(first.body);
    const listed = chartSummariesSchema.parse(
      (await app.get(listPath(ROUTES.charts, { search: 'ostrel jacket' }))).body,
    );
    expect(listed.items.filter((one) => one.id === id)).toEqual([
      jasmine.objectContaining({ garment: 'Kept jacket', codes: ['chest-girth', 'waist-girth'] }),
    ]);
  });

  it('have one name once: the second of a name is a version, or is named otherwise', async () => {
    const named = (garment: string) => ({
      sheet: sheetFrom('size,chest-girth (cm)\nM,94-102\nL,102-110\n', { garment }),
    });
    const [first, other] = [uuidv7(), uuidv7()];
    expect((await put(first, chartSave(named('Twin coat')))).status).toBe(200);
    expect(problem(await put(other, chartSave(named('Twin coat'))))).toEqual([409, 'name-taken']);
    expect((await put(other, chartSave(named('Other coat')))).status).toBe(200);
    const renamed = { ...named('Twin coat'), replaces: other };
    expect(problem(await put(uuidv7(), chartSave(renamed)))).toEqual([409, 'name-taken']);
    expect((await put(uuidv7(), chartSave({ ...named('Twin coat'), replaces: first }))).status).toBe(200);
    await app.put(chartRetiredPath(first), { retired: true });
    const third = uuidv7();
    expect((await put(third, chartSave(named('Twin coat')))).status).toBe(200);
    expect((await put(uuidv7(), chartSave({ ...named('New coat'), replaces: third }))).status).toBe(200);
    expect((await put(uuidv7(), chartSave(named('Twin coat')))).status).toBe(200);
  });

  it('have it once, too, where two save it at the very same moment', async () => {
    const twin = {
      sheet: sheetFrom('size,chest-girth (cm)\nM,94-102\nL,102-110\n', { garment: 'Sea coat' }),
    };
    const at = await Promise.all(Array.from({ length: 6 }, () => put(uuidv7(), chartSave(twin))));
    expect(at.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409, 409, 409]);
  });

  it('do not come back under a name that another has meanwhile, neither put back nor saved anew', async () => {
    const named = (garment: string) => ({
      sheet: sheetFrom('size,chest-girth (cm)\nM,94-102\nL,102-110\n', { garment }),
    });
    const [away, taker] = [uuidv7(), uuidv7()];
    await put(away, chartSave(named('Fog coat')));
    await app.put(chartRetiredPath(away), { retired: true });
    await put(taker, chartSave(named('Fog coat')));
    expect(problem(await app.put(chartRetiredPath(away), { retired: false }))).toEqual([409, 'name-taken']);
    const next = { ...named('Fog coat'), replaces: away };
    expect(problem(await put(uuidv7(), chartSave(next)))).toEqual([409, 'name-taken']);
    await app.put(chartRetiredPath(taker), { retired: true });
    expect((await app.put(chartRetiredPath(away), { retired: false })).body.retired).toBeFalse();
    expect((await app.put(chartRetiredPath(away), { retired: false })).status).toBe(200);
  });

  it('take cells and lengths as people write them', async () => {
    const sheet = {
      maker: 'Ostrel Workwear',
      garment: 'Cap',
      unit: 'cm',
      rule: 'widest-decides',
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['M', 'L'],
          columns: [{ code: 'head-girth', unit: 'cm', cells: ['56-58', '58-60'] }],
        },
      ],
      options: [
        { name: 'Chin strap', when: [{ of: 'head-girth', is: 'above', length: '59 cm' }], adds: 'a strap' },
      ],
    };
    const { body } = await put(uuidv7(), chartSave({ sheet }));
    expect(chartSchema.parse(body).sheet.options[0]!.when[0]!.length).toBe(590_000 as never);
  });

  it('never change: another sheet under the same id is refused', async () => {
    const id = await records.save(ROUTES.charts, chartSave());
    const other = chartSave({ sheet: sheetFrom('size,chest-girth (cm)\nM,90-94') });
    expect(problem(await put(id, other))).toEqual([409, 'id-taken']);
  });

  it('get new versions; the list shows the latest, and the old one stays', async () => {
    const first = await records.save(ROUTES.charts, chartSave());
    const { id: docketId } = await records.docket([first]);
    const wider = chartSave({
      sheet: sheetFrom('size,chest-girth (cm)\nM,90-104\nL,104-112'),
      replaces: first,
    });
    const second = uuidv7();
    const { body } = await put(second, wider);
    expect([body.version, body.seriesId]).toEqual([2, first]);
    expect((await put(second, wider)).body)
      .withContext('the same again')
      .toEqual(body);
    expect(problem(await put(uuidv7(), wider)))
      .withContext('two versions cannot follow the same one')
      .toEqual([409, 'changed-meanwhile']);

    const listed = chartSummariesSchema.parse((await app.get(ROUTES.charts)).body).items.map(({ id }) => id);
    expect([listed.includes(first), listed.includes(second)]).toEqual([false, true]);
    const versions = chartsSchema.parse((await app.get(chartVersionsPath(first))).body);
    expect(versions.map(({ version }) => version)).toEqual([2, 1]);
    expect((await app.get(pathOf(ROUTES.dockets, docketId))).body.charts[0].version)
      .withContext('a docket keeps the version it was opened with')
      .toBe(1);
    expect(chartUsesSchema.parse((await app.get(chartUsesPath(first))).body)).toEqual(
      jasmine.objectContaining({ dockets: 1, decisions: 0 }),
    );
    expect((await app.get(chartUsesPath(second))).body.dockets).toBe(0);
  });

  it('print as a PDF', async () => {
    const id = await records.save(ROUTES.charts, chartSave());
    const answer = await fetch(`http://127.0.0.1:${app.port}${chartSheetPath(id)}`, {
      headers: { cookie: app.cookie },
    });
    expect(
      Buffer.from(await answer.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  });

  it('with faults are not taken, and every fault is told with its place', async () => {
    const sheet = sheetFrom('size,chest-girth (cm)\nM,94-102\nL,102-110');
    const refused = async (changes: object) => {
      const answer = await put(uuidv7(), chartSave({ sheet: { ...sheet, ...changes } }));
      expect(problem(answer)).toEqual([400, 'invalid']);
      return answer.body.detail as string;
    };
    expect(await refused({ rule: 'key-decides' })).toContain('Choose the measurement that decides.');
    expect(await refused({ key: 'neck-girth' })).toContain('not a deciding column');
    expect(await refused({ label: '{body}' })).toContain('“body”, which is not a part');
    expect(await refused({ maker: ' ' })).toContain('sheet.maker');
    expect(await refused({ parts: [{ ...sheet.parts[0]!, sizes: ['M', 'M'] }] })).toContain(
      'a size is listed twice',
    );
    expect(
      await refused({
        parts: [
          { ...sheet.parts[0]!, columns: [{ code: 'chest-girth', unit: 'cm', cells: ['94-8x', '90'] }] },
        ],
      }),
    ).toContain('“94-8x” is not an interval');
  });

  it('that are unknown are said to be', async () => {
    const id = uuidv7();
    for (const path of [
      pathOf(ROUTES.charts, id),
      chartVersionsPath(id),
      chartUsesPath(id),
      chartSheetPath(id),
    ])
      expect(problem(await app.get(path))).toEqual([404, 'not-found']);
    expect(problem(await put(uuidv7(), chartSave({ replaces: id })))).toEqual([404, 'not-found']);
    expect(problem(await app.send('GET', chartVersionsPath(id), undefined, { cookie: '' }))).toEqual([
      401,
      'not-signed-in',
    ]);
  });

  it('is retired and restored, and what was sized by it stays', async () => {
    const { id, chartId } = await records.docket();
    const listed = async () =>
      ((await app.get(`${ROUTES.charts}?search=Field`)).body.items as { id: string }[]).map((one) => one.id);
    expect(await listed()).toContain(chartId);
    expect((await app.put(chartRetiredPath(chartId), { retired: true })).body.retired).toBeTrue();
    expect(await listed()).not.toContain(chartId);
    expect((await records.bench(id)).charts.map((one) => one.id)).toEqual([chartId]);
    expect((await app.put(chartRetiredPath(chartId), { retired: false })).body.retired).toBeFalse();
    expect(await listed()).toContain(chartId);
    expect((await app.put(chartRetiredPath(uuidv7()), { retired: true })).status).toBe(404);
  });
});
