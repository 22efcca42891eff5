import { houseSettingsSchema, PATHS, pathOf, ROUTES } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { checkAudit } from '../audit/seals';
import { Harness } from '../testing/harness';
import { Records, reading } from '../testing/records';
import { keepRetention } from './retention';

describe('retention', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());
  const DAY_MS = 86_400_000;
  const keep = (retention: object, days = 0) =>
    keepRetention(app.database, houseSettingsSchema.parse({ retention }), Date.now() + days * DAY_MS);

  it('takes out people nothing was done for, and nobody else', async () => {
    const old = await records.docket();
    const seen = await records.docket();
    const alone = await records.wearer();
    const past = new Date(Date.now() - 100 * DAY_MS);
    await app.database('wearers').update({ updated_at: past });
    await app.database('dockets').update({ opened_at: past });
    await app.database('acts').update({ received_at: past });
    await records.does(seen.id, reading('chest-girth', '98'));
    expect(await keep({})).toEqual({ wearers: 0, links: 0, lines: 0 });
    expect((await keep({ peopleDays: 120 })).wearers).toBe(0);
    expect((await keep({ peopleDays: 90 })).wearers).toBe(2);
    const left = await app.database('wearers').pluck<string[]>('id');
    expect(left).toEqual([seen.wearerId]);
    expect(left).not.toContain(alone);
    expect((await app.get(pathOf(ROUTES.dockets, old.id))).status).toBe(404);
    const erased = (await app.get(`${PATHS.audit}?kind=wearer-erased`)).body.items;
    expect(erased.map(({ by }: { by: unknown }) => by)).toEqual([null, null]);
    expect((await checkAudit(app.database)).broken).toEqual([]);
  });

  it('takes out pens that can sign nothing any more, and leaves those that can', async () => {
    const [own] = await app.database('pens').pluck<string[]>('token_hash');
    await app.cookieOf('odalys');
    await keep({}, 150);
    expect((await app.database('pens')).length).toBe(2);
    await app
      .database('pens')
      .where({ token_hash: own })
      .update({ renewed_at: new Date(Date.now() - 201 * DAY_MS) });
    await keep({});
    expect(await app.database('pens').where({ token_hash: own })).toEqual([]);
    expect((await app.database('pens')).length).toBe(1);
  });

  it('takes out links that have ended and lines of tapes, each after its own time', async () => {
    const { id } = await records.docket();
    await app.put(pathOf(ROUTES.selfLinks, uuidv7()), { docketId: id });
    const line = JSON.stringify({
      v: 1,
      device: 'tape-1',
      seq: 1,
      value: 900,
      unit: 'mm',
      at: '2026-05-04T08:00:00.000Z',
    });
    await app.send('POST', ROUTES.deviceLines, line, { 'content-type': 'text/plain', cookie: app.cookie });
    expect(await keep({ linksDays: 30, tapesDays: 30 })).toEqual({ wearers: 0, links: 0, lines: 0 });
    expect(await keep({ linksDays: 30, tapesDays: 60 }, 40)).toEqual({ wearers: 0, links: 1, lines: 0 });
    expect(await keep({ linksDays: 30, tapesDays: 30 }, 40)).toEqual({ wearers: 0, links: 0, lines: 1 });
  });
});
