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
    expect([sheet.name, sheet.unit, sheet.steps.length, sheet.steps[0]?.code, sheet.cord]).toEqual([
      'Farah Lindqvist',
      'cm',
      6,
      'bust-girth',
      null,
    ]);
    expect(sheet.prepare).toContain('The socks that will be worn');
    expect(sheet.cautions.length).toBe(1);
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

  it('settles what was read twice, and takes none of which no two readings agree', async () => {
    const [wearerId, id] = [uuidv7(), uuidv7()];
    await app.put(pathOf(ROUTES.wearers, wearerId), { name: 'Yara Castellanos', role: '', version: 0 });
    await records.does(id, opening(wearerId));
    await records.does(id, { kind: 'protocol-asked', protocolId: 'bra' });
    const { token } = selfLinkSchema.parse(
      (await app.put(pathOf(ROUTES.selfLinks, uuidv7()), { docketId: id })).body,
    );
    const read = (...typed: readonly string[]) =>
      submission({ readings: typed.map((one) => ({ code: 'underbust-girth', typed: one })) });
    const refused = await submit(token, read('80', '88', '96'));
    expect([refused.status, refused.body.detail]).toEqual([
      400,
      jasmine.stringContaining('Underbust: the readings are too far apart'),
    ]);
    expect((await submit(token, read('80', '88'))).status)
      .withContext('two, far apart')
      .toBe(400);
    // An unpractised hand is allowed twice what the tape's own error allows.
    expect((await submit(token, read('80', '83'))).body).toEqual({ taken: 1 });
    const { record } = await records.bench(id);
    const own = record.find(({ code }) => code === 'underbust-girth');
    expect([Number(own?.value), own?.origin]).toEqual([815_000, 'self']);
  });

  it('says where the cord is, and marks what was read at it', async () => {
    const [wearerId, id] = [uuidv7(), uuidv7()];
    await app.put(pathOf(ROUTES.wearers, wearerId), { name: 'Idris Vanterpool', role: '', version: 0 });
    await records.does(id, opening(wearerId));
    await records.does(id, { kind: 'protocol-asked', protocolId: 'bespoke-by-post' });
    const { token } = selfLinkSchema.parse(
      (await app.put(pathOf(ROUTES.selfLinks, uuidv7()), { docketId: id })).body,
    );
    const sheet = selfSheetSchema.parse((await app.send('GET', selfPath(token), undefined, open)).body);
    expect(sheet.cord).toBe('natural');
    expect(sheet.steps.filter(({ chain }) => chain === 'arm').map(({ code }) => code)).toEqual([
      'shoulder-to-elbow',
      'arm-length',
      'shoulder-to-knuckle',
    ]);
    expect(sheet.steps.find(({ code }) => code === 'waist-to-knee')?.waist).toBe('natural');
    expect(sheet.steps.find(({ code }) => code === 'chest-girth')?.tension).toBe('skin');
    const readings = [{ code: 'waist-to-knee', typed: '60' }];
    await submit(token, submission({ readings, instrument: 'string' }));
    const { record } = await records.bench(id);
    expect(record.map(({ code, waist }) => [code, waist])).toEqual([['waist-to-knee', 'natural']]);
    const [sent] = await app
      .database('self_links')
      .where({ docket_id: id })
      .select<{ measured: string }[]>('measured');
    expect(JSON.stringify(sent)).toContain('string');
  });

  it('asks for the wishes of its protocols, and offers the fitter what was wished for', async () => {
    const [wearerId, id] = [uuidv7(), uuidv7()];
    await app.put(pathOf(ROUTES.wearers, wearerId), { name: 'Runa Castellanos', role: '', version: 0 });
    await records.does(id, opening(wearerId));
    await records.does(id, { kind: 'protocol-asked', protocolId: 'large-bodies' });
    const linkOf = async () =>
      selfLinkSchema.parse((await app.put(pathOf(ROUTES.selfLinks, uuidv7()), { docketId: id })).body).token;
    const token = await linkOf();
    const sheet = selfSheetSchema.parse((await app.send('GET', selfPath(token), undefined, open)).body);
    expect(sheet.wishes).toContain('top-length-shoulder');
    const wishes = (...all: readonly (readonly [string, string])[]) =>
      submission({
        readings: [{ code: 'bust-girth', typed: '95' }],
        wishes: all.map(([wish, typed]) => ({ wish, typed })),
      });
    const refused = await submit(token, wishes(['skirt-length', '9 m'], ['train', '100']));
    expect(refused.body.faults.map(({ path }: { path: string }) => path)).toEqual(['skirt-length', 'train']);
    expect((await submit(token, wishes(['skirt-length', '60'], ['skirt-length', '61']))).status)
      .withContext('twice')
      .toBe(400);
    expect((await submit(token, wishes(['skirt-length', '60'], ['sleeve-long', '24 in']))).status).toBe(200);
    await submit(await linkOf(), wishes(['skirt-length', '64']));
    const { wished } = await records.bench(id);
    expect(wished).toEqual([
      { wish: 'skirt-length', typed: '64', unit: 'cm' },
      { wish: 'sleeve-long', typed: '24 in', unit: 'cm' },
    ]);
    expect((await records.made(id)).wishes)
      .withContext('nothing is noted by itself')
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
