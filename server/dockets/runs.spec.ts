import {
  chartRunsPath,
  chartRunsSchema,
  docketRunsPath,
  docketRunsSchema,
  docketSummarySchema,
  listPath,
  pageSchema,
  pathOf,
  ROUTES,
} from '@neat-measure/contract';
import { RIGHT, withRuns } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { chartSave, problem, reading, Records, sheetFrom } from '../testing/records';

const JACKET = sheetFrom('size,chest-girth (cm)\nS,86-94\nM,94-102\nL,102-110\n', { kind: 'jacket' });

describe('how charts run', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  const runsOf = async (id: string) => chartRunsSchema.parse((await app.get(chartRunsPath(id))).body);
  const stageOf = async (docketId: string, waiting?: 'fitting') => {
    const { body } = await app.get(listPath(ROUTES.dockets, { waiting }));
    const found = pageSchema(docketSummarySchema)
      .parse(body)
      .items.find((one) => one.id === docketId);
    return found?.garments.map(({ stage, decided }) => [stage, decided]);
  };

  /** Somebody of a chest who puts M on, and what is seen at the button. */
  async function tried(chartId: string, chest: string, answer: string, ends = true) {
    const { id } = await records.docket([chartId]);
    await records.does(id, reading('chest-girth', chest));
    const trialId = await records.does(id, {
      kind: 'garment-tried',
      chartId,
      sizes: { size: 'M' },
      carrier: null,
      found: null,
    });
    const seen = { kind: 'fit-checked', chartId, trialId, check: 'button', answer, reason: null } as const;
    const seenId = await records.does(id, seen);
    if (ends)
      await records.does(id, {
        kind: 'garment-fitted',
        chartId,
        trialId,
        outcome: 'kept',
        reason: answer === RIGHT ? null : 'The nearest there is',
        found: null,
      });
    return { id, trialId, seen, seenId };
  }

  it('are found from what was tried on, on every version, and told beside a docket', async () => {
    const chartId = await records.save(ROUTES.charts, chartSave({ sheet: JACKET }));
    expect(await runsOf(chartId)).toEqual([]);
    for (const chest of ['99', '100', '99', '98', '99', '100', '98', '99', '97', '100'])
      await tried(chartId, chest, 'small');
    const { id } = await tried(chartId, '96', RIGHT);
    const [run] = await runsOf(chartId);
    expect(run).toEqual(
      jasmine.objectContaining({ code: 'chest-girth', runs: 'small', wearers: 11, looks: 11 }),
    );
    const told = docketRunsSchema.parse((await app.get(docketRunsPath(id))).body);
    expect(told).toEqual([{ chartId, runs: [run!] }]);
    // Adopted as a version it shows no sign any more; the evidence is the same.
    const adopted = chartSave({ sheet: withRuns(JACKET, [run!]), replaces: chartId });
    const next = await records.save(ROUTES.charts, adopted);
    expect((await runsOf(next)).map(({ runs, wearers }) => [runs, wearers])).toEqual([['no-sign', 11]]);
    expect((await runsOf(chartId))[0]!.runs)
      .withContext('the version before stays as it is')
      .toBe('small');
  });

  it('take back what was taken back, and count what is seen again once', async () => {
    const chartId = await records.save(ROUTES.charts, chartSave({ sheet: JACKET }));
    const { id, trialId, seen } = await tried(chartId, '99', 'small', false);
    expect((await runsOf(chartId))[0]!.seen).toEqual({ small: 1, right: 0, large: 0 });
    await records.does(id, { ...seen, answer: RIGHT });
    expect((await runsOf(chartId))[0]!.seen).toEqual({ small: 0, right: 1, large: 0 });
    await records.does(id, { kind: 'trial-withdrawn', chartId, trialId });
    expect(await runsOf(chartId)).toEqual([]);
  });

  it('are for whoever is signed in, of what is there', async () => {
    const chartId = await records.save(ROUTES.charts, chartSave({ sheet: JACKET }));
    expect(problem(await app.get(chartRunsPath(uuidv7())))).toEqual([404, 'not-found']);
    expect((await app.get(docketRunsPath(uuidv7()))).body).toEqual([]);
    expect(problem(await app.get(chartRunsPath('x')))[0]).toBe(404);
    for (const path of [chartRunsPath(chartId), docketRunsPath(uuidv7())])
      expect(problem(await app.send('GET', path, undefined, { cookie: '' }))).toEqual([401, 'not-signed-in']);
  });

  it('has lists say how far each garment has come, and find who is back for a fitting', async () => {
    const chartId = await records.save(ROUTES.charts, chartSave({ sheet: JACKET }));
    const on = await tried(chartId, '99', 'small', false);
    expect(await stageOf(on.id)).toEqual([['on', null]]);
    expect(await stageOf(on.id, 'fitting')).toBeDefined();
    const kept = await tried(chartId, '96', RIGHT);
    expect(await stageOf(kept.id)).toEqual([['kept', null]]);
    expect(await stageOf(kept.id, 'fitting')).toBeUndefined();
    expect(problem(await app.get(`${ROUTES.dockets}?waiting=rain`))[0]).toBe(400);
    const asked = await app.get(pathOf(ROUTES.dockets, kept.id));
    expect(asked.status).toBe(200);
  });

  it('keeps an act of trying on once, however often it is sent, and never what was found from who sends it', async () => {
    const chartId = await records.save(ROUTES.charts, chartSave({ sheet: JACKET }));
    const { id, seen, seenId } = await tried(chartId, '99', 'small', false);
    const before = (await records.bench(id)).acts.length;
    await app.does(id, seen, { id: seenId, at: (await records.bench(id)).acts.at(-1)!.act.at });
    const forged = { size: 'XXL' };
    await records.does(id, {
      kind: 'garment-tried',
      chartId,
      sizes: { size: 'L' },
      carrier: null,
      found: forged,
    });
    const { trials } = await records.made(id);
    expect((await records.bench(id)).acts.length).toBe(before + 1);
    expect(trials.at(-1)!.size).toBe('L');
  });
});
