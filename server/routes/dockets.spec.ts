import { benchSchema, docketSummariesSchema, pathOf, ROUTES, sheetPath } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { chartSave, problem, Records, sheetFrom } from '../testing/records';

describe('the routes of dockets', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  beforeEach(async () => {
    if (app.cookie.endsWith('=')) await app.signIn();
  });

  describe('dockets', () => {
    it('are opened, changed and listed; the same save again changes nothing', async () => {
      const { id, docket, chartId } = await records.docket();
      const second = await records.save(
        ROUTES.charts,
        chartSave({ sheet: sheetFrom('size,chest-girth (cm)\nM,90-94', { garment: 'Fleece' }) }),
      );
      expect((await app.put(pathOf(ROUTES.dockets, id), docket)).body.docket.version).toBe(1);
      const change = { ...docket, unit: 'in', chartIds: [second, chartId], version: 1 };
      const changed = benchSchema.parse((await app.put(pathOf(ROUTES.dockets, id), change)).body);
      expect([changed.docket.version, changed.docket.unit, changed.charts.map((chart) => chart.id)]).toEqual([
        2,
        'in',
        [second, chartId],
      ]);
      expect((await app.put(pathOf(ROUTES.dockets, id), change)).body.docket.version).toBe(2);
      const summary = docketSummariesSchema
        .parse((await app.get(ROUTES.dockets)).body)
        .find((one) => one.docket.id === id);
      expect(summary?.garments.map(({ garment }) => garment)).toEqual(['Fleece', 'Field jacket']);
    });

    it('keep the first of two changes, of garments too', async () => {
      const { id, docket, chartId } = await records.docket();
      const other = await records.save(ROUTES.charts, chartSave());
      await app.put(pathOf(ROUTES.dockets, id), { ...docket, chartIds: [chartId, other], version: 1 });
      expect(
        problem(await app.put(pathOf(ROUTES.dockets, id), { ...docket, chartIds: [other], version: 1 })),
      ).toEqual([409, 'changed-meanwhile']);
      expect((await app.get(pathOf(ROUTES.dockets, id))).body.docket.chartIds).toEqual([chartId, other]);
    });

    it('need a wearer and charts that are there, each once', async () => {
      const { docket } = await records.docket();
      expect(
        problem(await app.put(pathOf(ROUTES.dockets, uuidv7()), { ...docket, wearerId: uuidv7() })),
      ).toEqual([404, 'not-found']);
      expect(
        problem(await app.put(pathOf(ROUTES.dockets, uuidv7()), { ...docket, chartIds: [uuidv7()] })),
      ).toEqual([404, 'not-found']);
      expect(problem(await app.put(pathOf(ROUTES.dockets, uuidv7()), { ...docket, chartIds: [] }))).toEqual([
        400,
        'invalid',
      ]);
      const [one] = docket.chartIds;
      expect(
        problem(await app.put(pathOf(ROUTES.dockets, uuidv7()), { ...docket, chartIds: [one, one] })),
      ).toEqual([400, 'invalid']);
      expect(problem(await app.get(pathOf(ROUTES.dockets, uuidv7())))).toEqual([404, 'not-found']);
    });
  });

  describe('the printed sheet and what is asked for besides', () => {
    it('prints the steps of a docket as a PDF with its own fonts, letters beyond Latin-1 too', async () => {
      const { id, docket } = await records.docket();
      await records.save(ROUTES.wearers, { name: 'Łucja Ðuričić', role: '', version: 0 });
      const asked = { ...docket, protocolIds: ['vest-c'], extraCodes: ['weight'], version: 1 };
      const { body } = await app.put(pathOf(ROUTES.dockets, id), asked);
      expect(body.docket.extraCodes).toEqual(['weight']);
      expect((await app.put(pathOf(ROUTES.dockets, id), asked)).body.docket.version).toBe(2);
      const other = await app.put(pathOf(ROUTES.dockets, id), { ...asked, extraCodes: [] });
      expect(problem(other)).toEqual([409, 'changed-meanwhile']);

      const sheet = await fetch(`http://127.0.0.1:${app.port}${sheetPath(id)}`, {
        headers: { cookie: app.cookie },
      });
      expect(sheet.headers.get('content-type')).toContain('application/pdf');
      const bytes = Buffer.from(await sheet.arrayBuffer());
      expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
      expect(bytes.toString('latin1')).toContain('AtkinsonHyperlegibleNext');
    });

    it('refuses a measurement asked for twice, and prints nothing for strangers or unknown dockets', async () => {
      const { id, docket } = await records.docket();
      const twice = { ...docket, extraCodes: ['weight', 'weight'], version: 1 };
      expect(problem(await app.put(pathOf(ROUTES.dockets, id), twice))).toEqual([400, 'invalid']);
      expect(problem(await app.get(sheetPath(uuidv7())))).toEqual([404, 'not-found']);
      expect(problem(await app.send('GET', sheetPath(id), undefined, { cookie: '' }))).toEqual([
        401,
        'not-signed-in',
      ]);
    });
  });
});
