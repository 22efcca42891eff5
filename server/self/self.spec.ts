import { pathOf, ROUTES, selfLinkSchema, selfPath, selfSheetSchema } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { opening, Records } from '../testing/records';

describe('measuring oneself', () => {
  let app: Harness;
  let docketId: string;
  const records = new Records(() => app);
  const open = { cookie: '' };
  beforeAll(async () => {
    app = await Harness.start();
    const [wearerId, id] = [uuidv7(), uuidv7()];
    await app.put(pathOf(ROUTES.wearers, wearerId), { name: 'Farah Lindqvist', role: '', version: 0 });
    await records.does(id, opening(wearerId));
    for (const protocolId of ['bra', 'footwear'])
      await records.does(id, { kind: 'protocol-asked', protocolId });
    docketId = id;
  });
  afterAll(() => app.stop());

  const link = async () =>
    selfLinkSchema.parse((await app.put(pathOf(ROUTES.selfLinks, uuidv7()), { docketId })).body).token;
  const submission = (changes: object = {}) => ({
    id: uuidv7(),
    unit: 'cm',
    readings: [
      { code: 'bust-girth', typed: '95,5' },
      { code: 'foot-length-left', typed: '250' },
    ],
    ...changes,
  });
  const submit = (token: string, body: object) => app.send('PUT', selfPath(token), body, open);

  it('shows the docket’s measurements behind the link, without a session', async () => {
    const sheet = selfSheetSchema.parse(
      (await app.send('GET', selfPath(await link()), undefined, open)).body,
    );
    expect([sheet.name, sheet.unit, sheet.codes.length, sheet.codes[0]]).toEqual([
      'Farah Lindqvist',
      'cm',
      6,
      'bust-girth',
    ]);
  });

  it('takes what was measured once, and offers it to the fitter as the wearer’s own', async () => {
    const token = await link();
    const body = submission();
    expect((await submit(token, body)).body).toEqual({ taken: 2 });
    expect((await submit(token, body)).body)
      .withContext('sent again')
      .toEqual({ taken: 2 });
    expect((await submit(token, submission())).status)
      .withContext('another')
      .toBe(410);
    expect((await app.send('GET', selfPath(token), undefined, open)).body.detail).toContain('has been used');
    const { record } = await records.bench(docketId);
    expect(record.map(({ code, value, origin }) => [code, Number(value), origin])).toEqual([
      ['bust-girth', 955_000, 'self'],
      ['foot-length-left', 250_000, 'self'],
    ]);
    expect((await records.made(docketId)).readings)
      .withContext('nothing is taken over by itself')
      .toEqual([]);
  });

  it('keeps the link open when something cannot be read, and says which', async () => {
    const token = await link();
    const answer = await submit(
      token,
      submission({
        readings: [
          { code: 'bust-girth', typed: '9' },
          { code: 'height', typed: '170' },
        ],
      }),
    );
    expect(answer.status).toBe(400);
    expect(answer.body.faults.map(({ path }: { path: string }) => path)).toEqual(['bust-girth', 'height']);
    expect((await submit(token, submission({ readings: [] }))).status).toBe(400);
    expect((await submit(token, submission())).status).toBe(200);
  });

  it('refuses an expired link and one that never was', async () => {
    const token = await link();
    await app.database('self_links').update({ expires_at: new Date(Date.now() - 1_000) });
    const answer = await app.send('GET', selfPath(token), undefined, open);
    expect([answer.status, answer.body.detail]).toEqual([410, jasmine.stringContaining('has expired')]);
    expect((await app.send('GET', selfPath('nothing'), undefined, open)).status).toBe(404);
  });

  it('lets only a fitter make links, for a docket that is there', async () => {
    expect((await app.send('PUT', pathOf(ROUTES.selfLinks, uuidv7()), { docketId }, open)).status).toBe(401);
    expect((await app.put(pathOf(ROUTES.selfLinks, uuidv7()), { docketId: uuidv7() })).status).toBe(404);
    const id = uuidv7();
    await app.put(pathOf(ROUTES.selfLinks, id), { docketId });
    expect((await app.put(pathOf(ROUTES.selfLinks, id), { docketId })).status)
      .withContext('the token is shown only once')
      .toBe(409);
  });
});
