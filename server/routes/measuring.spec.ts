import { benchSchema, docketVerdictsSchema, pathOf, ROUTES, verdictsPath } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { problem, Records } from '../testing/records';

describe('the routes of skips and confirmations', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  beforeEach(async () => {
    if (app.cookie.endsWith('=')) await app.signIn();
  });

  describe('skips and confirmations', () => {
    it('keep why a step was passed over; the same again changes nothing', async () => {
      const { id } = await records.docket();
      const [skipId, skip] = [uuidv7(), { docketId: id, code: 'waist-girth', reason: 'Wearer declines' }];
      const first = await app.put(pathOf(ROUTES.skips, skipId), skip);
      expect(first.body).toEqual(jasmine.objectContaining(skip));
      expect((await app.put(pathOf(ROUTES.skips, skipId), skip)).body).toEqual(first.body);
      expect(benchSchema.parse((await app.get(pathOf(ROUTES.dockets, id))).body).skips.length).toBe(1);
      expect(problem(await app.put(pathOf(ROUTES.skips, uuidv7()), { ...skip, reason: ' ' }))).toEqual([
        400,
        'invalid',
      ]);
      expect(problem(await app.put(pathOf(ROUTES.skips, uuidv7()), { ...skip, docketId: uuidv7() }))).toEqual(
        [404, 'not-found'],
      );
    });

    it('make a suspect verdict a sound one, for the values confirmed', async () => {
      const opened = await records.measured('96', '97');
      const verdictNow = async () =>
        docketVerdictsSchema.parse((await app.get(verdictsPath(opened.id))).body)[0]!.verdict.verdict;
      expect(await verdictNow()).toBe('suspect');
      const decision = {
        outcome: 'accepted',
        docketId: opened.id,
        chartId: opened.chartId,
        readingIds: opened.readingIds,
        sizes: { size: 'L' },
      };
      expect(problem(await app.put(pathOf(ROUTES.decisions, uuidv7()), decision))).toEqual([
        422,
        'not-decidable',
      ]);
      const confirmation = {
        docketId: opened.id,
        check: 'waist-over-chest',
        values: [
          { code: 'waist-girth', value: 970_000 },
          { code: 'chest-girth', value: 960_000 },
        ],
        reason: 'It is so',
      };
      const id = uuidv7();
      expect((await app.put(pathOf(ROUTES.confirmations, id), confirmation)).status).toBe(200);
      expect((await app.put(pathOf(ROUTES.confirmations, id), confirmation)).status).toBe(200);
      expect(await verdictNow()).toBe('split');
      expect((await app.put(pathOf(ROUTES.decisions, uuidv7()), decision)).status).toBe(200);
      expect(
        problem(await app.put(pathOf(ROUTES.confirmations, uuidv7()), { ...confirmation, check: 'nothing' })),
      ).toEqual([400, 'invalid']);
      expect(
        problem(
          await app.put(pathOf(ROUTES.confirmations, uuidv7()), { ...confirmation, docketId: uuidv7() }),
        ),
      ).toEqual([404, 'not-found']);
    });
  });
});
