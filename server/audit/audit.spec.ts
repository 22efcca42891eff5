import {
  PATHS,
  ROUTES,
  auditPageSchema,
  docketRunsPath,
  docketStreamPath,
  pathOf,
  sheetPath,
  type AuditEntry,
  verdictsPath,
  wearerExportPath,
  wearerExportSchema,
  wearerExportSheetPath,
  wearerRecordPath,
} from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { openDatabase } from '../database/database';
import { grantApplication } from '../database/grants';
import { Harness, PASSPHRASE } from '../testing/harness';
import { reading, Records } from '../testing/records';
import { checkAudit, sealAudit } from './seals';

describe('what happened', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());
  const told = async (query = '') =>
    auditPageSchema.parse((await app.get(`${PATHS.audit}${query}`)).body).items;
  const kinds = (entries: readonly AuditEntry[]) => entries.map(({ kind }) => kind);

  it('is told with who did it, what stood before and what after', async () => {
    const id = await records.save(ROUTES.wearers, { name: 'Ibrahima Lund', role: 'Warden', version: 0 });
    await app.put(pathOf(ROUTES.wearers, id), { name: 'Ibrahima Lund-Oake', role: 'Warden', version: 1 });
    await app.put(pathOf(ROUTES.wearers, id), { name: 'Ibrahima Lund-Oake', role: 'Warden', version: 1 });
    const [latest, first] = await told(`?kind=wearer-kept&wearer=${id}`);
    expect(latest!.by!.name).toBe('Odalys Wren');
    expect(latest!.detail).toEqual({
      before: { name: 'Ibrahima Lund', role: 'Warden', born: null, number: null },
      after: { name: 'Ibrahima Lund-Oake', role: 'Warden', born: null, number: null },
    });
    expect((first!.detail as { before: unknown }).before).toBeNull();
    expect((await told(`?wearer=${id}`)).length)
      .withContext('a save sent again changes nothing')
      .toBe(2);
    // Names stand there only in a key of their own.
    const kept = await app.database('audit').where({ wearer_id: id }).pluck<string[]>('detail');
    expect(kept.join()).not.toContain('Lund');
  });

  it('is told of sessions, refused ones too, of accounts, settings and tapes', async () => {
    const { id } = await app.person('fitter', 'tiernan');
    await app.send('POST', ROUTES.session, { signIn: 'tiernan', passphrase: 'wrong' }, { cookie: '' });
    await app.send('POST', ROUTES.session, { signIn: 'a-passphrase', passphrase: 'wrong' }, { cookie: '' });
    const cookie = await app.cookieOf('tiernan');
    await app.send('PUT', PATHS.benchCode, { passphrase: PASSPHRASE, code: '4711' }, { cookie });
    await app.send('POST', PATHS.hand, { id, code: '4711' });
    await app.send('DELETE', PATHS.hand);
    await app.send('DELETE', ROUTES.session, undefined, { cookie });
    await app.put(`${PATHS.tapes}/tape-1`, {});
    const { body } = await app.get(PATHS.settings);
    await app.put(PATHS.settings, { ...body, idleMinutes: 30 });
    const entries = await told();
    expect(kinds(entries).reverse()).toEqual([
      'signed-in',
      'sign-in-refused',
      'sign-in-refused',
      'signed-in',
      'bench-code-set',
      'bench-taken',
      'bench-given-back',
      'signed-out',
      'tape-paired',
      'settings-kept',
    ]);
    const refused = entries.filter(({ kind }) => kind === 'sign-in-refused');
    expect(refused.map(({ about }) => about)).toEqual([null, id]);
    expect(JSON.stringify(entries)).not.toContain('a-passphrase');
    expect((await told(`?by=${id}&kind=bench-taken`)).length).toBe(1);
    expect((await told(`?until=${new Date(0).toISOString()}`)).length).toBe(0);
  });

  it('is told of every act, and of every look at what was measured, once a look', async () => {
    const { id, wearerId } = await records.measured('98', '90');
    expect(await app.database('acts_noted').where({ docket_id: id }).pluck('by_id')).toEqual(
      Array(4).fill(app.fitter.id),
    );
    const { signIn } = await app.person('viewer');
    const cookie = await app.cookieOf(signIn);
    const looks = async () =>
      (await told(`?wearer=${wearerId}&kind=wearer-looked-at`)).map(({ by, about }) => [by!.name, about]);
    for (const path of [pathOf(ROUTES.dockets, id), verdictsPath(id), docketRunsPath(id), sheetPath(id)])
      await app.send('HEAD', path, undefined, { cookie });
    const ended = new AbortController();
    const { port } = app;
    await fetch(`http://127.0.0.1:${port}${docketStreamPath(id)}`, {
      headers: { cookie },
      signal: ended.signal,
    });
    ended.abort();
    expect(await looks())
      .withContext('all of it one look')
      .toEqual([['The viewer', id]]);
    await app.get(verdictsPath(id));
    expect(await looks())
      .withContext('and one of another session')
      .toEqual([
        ['Odalys Wren', id],
        ['The viewer', id],
      ]);
    await app.send('GET', wearerRecordPath(wearerId), undefined, { cookie });
    expect((await looks())[0])
      .withContext('the record')
      .toEqual(['The viewer', wearerId]);
    await app.get(ROUTES.exceptions);
    await app.get(ROUTES.exceptions);
    expect((await told('?kind=exceptions-looked-at')).length).toBe(1);
    await app.get(verdictsPath(uuidv7()));
    expect((await told('?kind=wearer-looked-at')).length)
      .withContext('nothing is there')
      .toBe(3);
  });

  it('shows where it was tampered with', async () => {
    await records.measured('98', '90');
    expect(await sealAudit(app.database, -1)).toBeGreaterThan(5);
    await records.measured('99', '91');
    await sealAudit(app.database, -1);
    expect(await sealAudit(app.database, -1)).toBe(0);
    expect((await checkAudit(app.database)).broken).toEqual([]);
    const places = await app.database('audit').orderBy('place').pluck<number[]>('place');
    const broken = async (change: () => Promise<unknown>, back: () => Promise<unknown>) => {
      await change();
      const found = (await checkAudit(app.database)).broken.length;
      await back();
      return found;
    };
    const row = await app.database('audit').where({ place: places[2]! }).first();
    expect(
      await broken(
        () => app.database('audit').where({ place: places[2]! }).update({ by_id: uuidv7() }),
        () => app.database('audit').where({ place: places[2]! }).update({ by_id: row.by_id }),
      ),
    ).toBe(1);
    expect(
      await broken(
        () => app.database('audit').where({ place: places[2]! }).delete(),
        () => app.database('audit').insert(row),
      ),
    ).toBeGreaterThan(0);
    const [act] = await app.database('acts').where({ kind: 'reading-taken' });
    expect(
      await broken(
        () =>
          app
            .database('acts')
            .where({ place: act.place })
            .update({ body: JSON.stringify({ ...act.body, typed: '99' }) }),
        () =>
          app
            .database('acts')
            .where({ place: act.place })
            .update({ body: JSON.stringify(act.body) }),
      ),
    ).toBe(1);
    await app.database('acts').where({ place: act.place }).delete();
    expect((await checkAudit(app.database)).broken[0]).toContain('missing');
  });

  it('is whole where the clock was wrong for a while, and waits for whoever is still at it', async () => {
    const minutes = (many: number) => new Date(Date.now() + many * 60_000);
    const row = (at: Date) => ({ kind: 'stores-kept', by_id: null, about_kind: null, about: null, at });
    const noted = (database: Harness['database'], at: Date) => database('audit').insert(row(at));
    await noted(app.database, minutes(10));
    await noted(app.database, minutes(-10));
    await sealAudit(app.database, 60);
    await noted(app.database, minutes(-20));
    expect((await checkAudit(app.database)).broken).toEqual([]);
    // Somebody has a place, and has not written yet; others who came later have.
    const slow = await app.database.transaction();
    await noted(slow, minutes(-5));
    await noted(app.database, minutes(-5));
    const sealing = sealAudit(app.database, 60);
    await new Promise((resolve) => setTimeout(resolve, 200));
    await slow.commit();
    expect(await sealing).toBeGreaterThanOrEqual(3);
    expect((await checkAudit(app.database)).broken).toEqual([]);
  });

  it('can neither be changed nor taken out by the application’s own user', async () => {
    const { username, password } = new URL(process.env['TEST_APPLICATION_URL']!);
    const url = Object.assign(new URL(app.url), { username, password }).href;
    await grantApplication(app.database, url);
    const own = openDatabase(url);
    const code = (work: Promise<unknown>) =>
      work.then(
        () => 'done',
        (error: { code: string }) => error.code,
      );
    try {
      expect(await code(own('audit').insert({ kind: 'signed-in' }))).toBe('done');
      expect(await code(own('audit').update({ kind: 'signed-out' }))).toBe('ER_TABLEACCESS_DENIED_ERROR');
      expect(await code(own('audit').delete())).toBe('ER_TABLEACCESS_DENIED_ERROR');
      expect(await code(own('acts_noted').delete())).toBe('ER_TABLEACCESS_DENIED_ERROR');
      expect(await code(own('audit').update({ kind: 'link-made' }))).toBe('ER_TABLEACCESS_DENIED_ERROR');
      expect(await code(own('audit_seals').delete())).toBe('ER_TABLEACCESS_DENIED_ERROR');
      expect(await code(own('acts').update({ kind: 'step-passed' }))).toBe('ER_TABLEACCESS_DENIED_ERROR');
      expect(await code(own.raw('drop table audit'))).toBe('ER_TABLEACCESS_DENIED_ERROR');
      expect(await code(own.raw('truncate table audit'))).toBe('ER_TABLEACCESS_DENIED_ERROR');
      expect(await code(own.raw('drop trigger acts_are_noted'))).toBe('ER_TABLEACCESS_DENIED_ERROR');
      expect(await sealAudit(own, -1)).toBeGreaterThan(0);
    } finally {
      await own.destroy();
    }
  });
});

describe('a person', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  it('is given everything that is known of them', async () => {
    const { id, wearerId } = await records.measured('98', '90');
    const { body } = await app.get(wearerExportPath(wearerId));
    const person = wearerExportSchema.parse(body);
    expect(person.person.name).toBe('Ibrahima Lund');
    expect(person.dockets.map((docket) => docket.id)).toEqual([id]);
    expect(person.dockets[0]!.acts.map(({ words }) => words).join('\n')).toContain('read chest: 98 cm');
    expect(person.looks.map(({ kind }) => kind)).toEqual(['wearer-kept']);
    const pdf = await fetch(`http://127.0.0.1:${app.port}${wearerExportSheetPath(wearerId)}`, {
      headers: { cookie: app.cookie },
    });
    expect([pdf.status, pdf.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    await pdf.arrayBuffer();
    expect((await app.get(wearerExportPath(uuidv7()))).status).toBe(404);
  });

  for (const keep of [false, true])
    it(`is erased, ${keep ? 'and their values stay without a name where the house says so' : 'with all that was theirs'}`, async () => {
      const settings = (await app.get(PATHS.settings)).body;
      await app.put(PATHS.settings, { ...settings, keepErasedBodies: keep });
      const opened = await records.docket();
      const { id, wearerId } = opened;
      for (const typed of ['97', '97']) await records.does(id, reading('chest-girth', typed));
      const link = uuidv7();
      await app.put(pathOf(ROUTES.selfLinks, link), { docketId: id });
      const bodies = async () => (await app.get(`${ROUTES.bodies}?codes=chest-girth`)).body as object[];
      const before = (await bodies()).length;
      expect((await app.send('DELETE', pathOf(ROUTES.wearers, wearerId))).status).toBe(204);
      expect((await app.send('DELETE', pathOf(ROUTES.wearers, wearerId))).status).toBe(404);
      expect((await app.get(pathOf(ROUTES.dockets, id))).status).toBe(404);
      for (const [table, where] of [
        ['acts', { docket_id: id }],
        ['docket_garments', { docket_id: id }],
        ['self_links', { docket_id: id }],
        ['dockets', { id }],
        ['wearers', { id: wearerId }],
        ['wearer_keys', { wearer_id: wearerId }],
      ] as const)
        expect((await app.database(table).where(where)).length)
          .withContext(table)
          .toBe(0);
      expect((await bodies()).length).toBe(keep ? before : before - 1);
      const { items } = auditPageSchema.parse((await app.get(`${PATHS.audit}?wearer=${wearerId}`)).body);
      expect(items.find(({ kind }) => kind === 'wearer-kept')!.erased).toBeTrue();
      expect((await app.get(`${PATHS.audit}?about=${wearerId}&kind=wearer-erased`)).body.total).toBe(1);
      const odd = await app.get(`${PATHS.audit}?about=${encodeURIComponent('½')}`);
      expect(odd.status).withContext('letters that no id has').toBe(400);
      await sealAudit(app.database, -1);
      expect((await checkAudit(app.database)).broken).toEqual([]);
    });
});
