import { exceptionsSchema, ROUTES } from '@neat-measure/contract';
import type { Doing } from '@neat-measure/core';
import { Harness } from '../testing/harness';
import { problem, Records } from '../testing/records';

describe('the route of exceptions', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  const listed = async () => exceptionsSchema.parse((await app.get(ROUTES.exceptions)).body);

  it('lists flags until somebody decides, and nothing else', async () => {
    const settled = await records.measured('98', '86');
    const split = await records.measured('98', '95');
    const beyond = await records.measured('130', '125');
    const found = await listed();
    expect(found.map(({ docketId }) => docketId)).not.toContain(settled.id);
    expect(found.map(({ docketId, verdict }) => [docketId, verdict.verdict])).toEqual(
      jasmine.arrayWithExactContents([
        [split.id, 'split'],
        [beyond.id, 'beyond'],
      ]),
    );
    const decide = (
      { id, chartId, readingIds }: typeof split,
      doing: Partial<Extract<Doing, { kind: 'garment-decided' }>>,
    ) =>
      records.does(id, {
        kind: 'garment-decided',
        chartId,
        readingIds,
        outcome: 'later',
        sizes: {},
        reason: null,
        after: null,
        habits: 0,
        found: null,
        ...doing,
      });
    const after = await decide(split, {});
    expect((await listed()).map(({ docketId }) => docketId))
      .withContext('put off is not decided')
      .toContain(split.id);
    await decide(split, { outcome: 'overridden', sizes: { size: 'M' }, reason: 'Wears it open', after });
    await decide(beyond, { outcome: 'made-to-measure' });
    expect(await listed()).toEqual([]);
  });

  it('is for those who are signed in', async () => {
    expect(problem(await app.send('GET', ROUTES.exceptions, undefined, { cookie: '' }))).toEqual([
      401,
      'not-signed-in',
    ]);
  });
});
