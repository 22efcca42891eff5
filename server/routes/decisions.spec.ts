import {
  benchSchema,
  decisionSchema,
  docketSummariesSchema,
  docketVerdictsSchema,
  pathOf,
  ROUTES,
  verdictsPath,
} from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { problem, reading, Records } from '../testing/records';

describe('the routes of verdicts and decisions', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  beforeEach(async () => {
    if (app.cookie.endsWith('=')) await app.signIn();
  });

  describe('verdicts', () => {
    const expected: [string, string, string, string | null][] = [
      ['98', '86', 'settled', 'M'],
      ['101.8', '86', 'edge', 'M'],
      ['98', '95', 'split', 'L'],
      ['110.5', '95', 'between', 'XL'],
      ['125', '95', 'beyond', null],
    ];
    for (const [chest, waist, verdict, size] of expected) {
      it(`are ${verdict} for chest ${chest} and waist ${waist}`, async () => {
        const { id } = await records.measured(chest, waist);
        const [one] = docketVerdictsSchema.parse((await app.get(verdictsPath(id))).body);
        expect([one!.verdict.verdict, one!.verdict.proposed]).toEqual([verdict as never, size]);
      });
    }
    it('need a docket', async () =>
      expect(problem(await app.get(verdictsPath(uuidv7())))).toEqual([404, 'not-found']));
  });

  describe('decisions', () => {
    const accepting = (
      { id, chartId, readingIds }: { id: string; chartId: string; readingIds: string[] },
      size: string,
    ) => ({ outcome: 'accepted', docketId: id, chartId, readingIds, sizes: { size } });

    it('take the proposal and keep the verdict it was made on; the same decision again changes nothing', async () => {
      const opened = await records.measured('98', '86');
      const [decisionId, body] = [uuidv7(), accepting(opened, 'M')];
      const first = decisionSchema.parse((await app.put(pathOf(ROUTES.decisions, decisionId), body)).body);
      expect([first.size, first.verdict.verdict, first.fitter, first.readingIds]).toEqual([
        'M',
        'settled',
        'Odalys Wren',
        opened.readingIds,
      ]);
      await records.save(ROUTES.readings, reading(opened.id, 'chest-girth', '99'));
      const again = await app.put(pathOf(ROUTES.decisions, decisionId), body);
      expect(decisionSchema.parse(again.body).verdict)
        .withContext('a later reading rewrites nothing')
        .toEqual(first.verdict);
      expect(
        benchSchema.parse((await app.get(pathOf(ROUTES.dockets, opened.id))).body).decisions.length,
      ).toBe(1);
    });

    it('take another size with a reason', async () => {
      const opened = await records.measured('98', '95');
      const override = { ...accepting(opened, 'M'), outcome: 'overridden', reason: 'Wears it open' };
      expect((await app.put(pathOf(ROUTES.decisions, uuidv7()), override)).body).toEqual(
        jasmine.objectContaining({ size: 'M', reason: 'Wears it open', outcome: 'overridden' }),
      );
      const summary = docketSummariesSchema
        .parse((await app.get(ROUTES.dockets)).body)
        .find((one) => one.docket.id === opened.id);
      expect(summary?.garments[0]?.decided).toBe('M');
      expect(
        problem(await app.put(pathOf(ROUTES.decisions, uuidv7()), { ...override, reason: ' ' })),
      ).toEqual([400, 'invalid']);
      expect(
        problem(await app.put(pathOf(ROUTES.decisions, uuidv7()), { ...override, sizes: { size: '5XL' } })),
      ).toEqual([422, 'not-decidable']);
    });

    it('are refused when they accept what is not proposed', async () => {
      expect(
        problem(
          await app.put(
            pathOf(ROUTES.decisions, uuidv7()),
            accepting(await records.measured('98', '86'), 'L'),
          ),
        ),
      ).toEqual([422, 'not-decidable']);
      expect(
        problem(
          await app.put(
            pathOf(ROUTES.decisions, uuidv7()),
            accepting(await records.measured('125', '86'), 'XL'),
          ),
        ),
      ).toEqual([422, 'not-decidable']);
    });

    it('are refused when the readings changed after the fitter looked', async () => {
      const opened = await records.measured('98', '86');
      await records.save(ROUTES.readings, reading(opened.id, 'chest-girth', '99'));
      expect(problem(await app.put(pathOf(ROUTES.decisions, uuidv7()), accepting(opened, 'M')))).toEqual([
        409,
        'changed-meanwhile',
      ]);
    });

    it('need a garment on the docket', async () => {
      const opened = await records.measured('98', '86');
      expect(
        problem(
          await app.put(pathOf(ROUTES.decisions, uuidv7()), { ...accepting(opened, 'M'), chartId: uuidv7() }),
        ),
      ).toEqual([422, 'not-decidable']);
      expect(
        problem(
          await app.put(pathOf(ROUTES.decisions, uuidv7()), {
            ...accepting(opened, 'M'),
            docketId: uuidv7(),
          }),
        ),
      ).toEqual([404, 'not-found']);
    });
  });
});
