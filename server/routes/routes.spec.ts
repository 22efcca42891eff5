import {
  benchSchema,
  chartSchema,
  decisionSchema,
  docketSummariesSchema,
  docketVerdictsSchema,
  pathOf,
  problemSchema,
  protocolSchema,
  protocolsSchema,
  readingSchema,
  ROUTES,
  sheetPath,
  verdictsPath,
  wearersSchema,
  withdrawalPath,
} from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness, type Answer } from '../testing/harness';

const JACKET =
  'size,chest-girth (cm),waist-girth (cm)\nM,94-102,82-90\nL,102-110,90-98\nXL,111-119,100-109\n';

describe('the routes', () => {
  let app: Harness;
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  beforeEach(async () => {
    if (app.cookie.endsWith('=')) await app.signIn();
  });

  const chartImport = (changes: object = {}) => ({
    maker: 'Ostrel Workwear',
    garment: 'Field jacket',
    rule: 'widest-decides',
    key: null,
    source: 'jacket.csv',
    csv: JACKET,
    ...changes,
  });
  const saved = async (route: string, body: object) => {
    const id = uuidv7();
    expect((await app.put(pathOf(route, id), body)).status).toBe(200);
    return id;
  };
  const docketOf = async (chartIds?: string[]) => {
    const wearerId = await saved(ROUTES.wearers, {
      name: 'Ibrahima Lund',
      role: 'Patrol warden',
      version: 0,
    });
    const charts = chartIds ?? [await saved(ROUTES.charts, chartImport())];
    const docket = {
      wearerId,
      occasion: 'Uniform issue',
      unit: 'cm',
      preference: 'regular',
      chartIds: charts,
      protocolIds: [] as string[],
      extraCodes: [] as string[],
      version: 0,
    };
    return { id: await saved(ROUTES.dockets, docket), chartId: charts[0]!, docket };
  };
  const reading = (docketId: string, code: string, typed: string, changes: object = {}) => ({
    docketId,
    code,
    typed,
    unit: 'cm',
    stance: 'standing',
    tension: 'skin',
    clothing: 'close-fitting',
    instrument: 'tape',
    origin: 'fitter',
    takenAt: new Date().toISOString(),
    carriedFrom: null,
    device: null,
    ...changes,
  });
  const measured = async (chest: string, waist: string) => {
    const opened = await docketOf();
    const readingIds = [
      await saved(ROUTES.readings, reading(opened.id, 'chest-girth', chest)),
      await saved(ROUTES.readings, reading(opened.id, 'waist-girth', waist)),
    ];
    return { ...opened, readingIds };
  };
  const problem = ({ status, type, body }: Answer) => {
    expect(type).toContain('application/problem+json');
    const read = problemSchema.parse(body);
    expect(read.status).toBe(status);
    expect(read.detail).toMatch(/[.?]$/);
    return [status, read.type.split('/').at(-1)];
  };

  describe('health', () => {
    it('answers without a session', async () =>
      expect((await app.send('GET', ROUTES.health)).body).toEqual({ status: 'ok' }));
  });

  describe('session', () => {
    it('opens with the right passphrase, says who, and ends', async () => {
      expect((await app.signIn()).body.name).toBe('Odalys Wren');
      expect((await app.get(ROUTES.session)).body.name).toBe('Odalys Wren');
      const token = app.cookie;
      expect((await app.send('DELETE', ROUTES.session)).status).toBe(204);
      expect((await app.send('GET', ROUTES.session, undefined, { cookie: token })).body).toBeNull();
      expect(problem(await app.send('GET', ROUTES.wearers, undefined, { cookie: token }))).toEqual([
        401,
        'not-signed-in',
      ]);
      expect((await app.send('DELETE', ROUTES.session)).status)
        .withContext('signing out twice')
        .toBe(204);
    });

    it('refuses a wrong passphrase and an unknown name in the same words', async () => {
      const wrong = await app.signIn('spring-tide');
      expect(problem(wrong)).toEqual([401, 'sign-in-refused']);
      expect((await app.send('POST', ROUTES.session, { signIn: 'nobody', passphrase: 'x' })).body).toEqual(
        wrong.body,
      );
    });

    it('names what is missing', async () => {
      const answer = await app.send('POST', ROUTES.session, { signIn: ' ' });
      expect(problem(answer)).toEqual([400, 'invalid']);
      expect(answer.body.faults.map(({ path }: { path: string }) => path)).toEqual(['signIn', 'passphrase']);
    });

    it('keeps only a hash of token and passphrase', async () => {
      await app.signIn();
      const [fitter] = await app.database('fitters').select('passphrase_hash');
      expect(JSON.stringify(fitter)).not.toContain('tide-table');
      const tokens = await app.database('sessions').pluck('token_hash');
      expect(tokens).not.toContain(app.cookie.split('=')[1]);
    });
  });

  describe('without a session', () => {
    const id = uuidv7();
    const guarded: [string, string][] = [
      ['GET', ROUTES.wearers],
      ['PUT', pathOf(ROUTES.wearers, id)],
      ['GET', ROUTES.charts],
      ['GET', pathOf(ROUTES.charts, id)],
      ['PUT', pathOf(ROUTES.charts, id)],
      ['GET', ROUTES.dockets],
      ['GET', pathOf(ROUTES.dockets, id)],
      ['PUT', pathOf(ROUTES.dockets, id)],
      ['GET', verdictsPath(id)],
      ['PUT', pathOf(ROUTES.readings, id)],
      ['PUT', withdrawalPath(id)],
      ['PUT', pathOf(ROUTES.decisions, id)],
      ['PUT', pathOf(ROUTES.skips, id)],
      ['PUT', pathOf(ROUTES.confirmations, id)],
      ['GET', ROUTES.protocols],
      ['PUT', pathOf(ROUTES.protocols, id)],
    ];
    for (const [method, path] of guarded) {
      it(`turns away ${method} ${path.replace(id, ':id')}`, async () => {
        expect(
          problem(
            await app.send(method, path, method === 'PUT' ? {} : undefined, {
              cookie: 'neat-measure=forged',
            }),
          ),
        ).toEqual([401, 'not-signed-in']);
      });
    }
  });

  describe('any request', () => {
    it('is refused when it comes from another site', async () => {
      expect(
        problem(
          await app.send('PUT', pathOf(ROUTES.wearers, uuidv7()), {}, { origin: 'http://elsewhere.example' }),
        ),
      ).toEqual([403, 'foreign-origin']);
    });
    it('is refused when it is no JSON, too large, or to no route', async () => {
      expect(problem(await app.put(pathOf(ROUTES.wearers, uuidv7()), '{"name":'))).toEqual([
        400,
        'unreadable-request',
      ]);
      expect(
        problem(await app.put(pathOf(ROUTES.charts, uuidv7()), chartImport({ csv: 'x'.repeat(10_000_000) }))),
      ).toEqual([413, 'too-large']);
      expect(problem(await app.get('/api/nothing'))).toEqual([404, 'not-found']);
      expect(problem(await app.get(pathOf(ROUTES.charts, 'not-an-id')))).toEqual([404, 'not-found']);
    });
  });

  describe('wearers', () => {
    it('are added, edited and listed; the same save again changes nothing', async () => {
      const id = uuidv7();
      const save = { name: '  Maren Okonjo ', role: 'Ranger', version: 0 };
      const first = await app.put(pathOf(ROUTES.wearers, id), save);
      expect(first.body).toEqual(jasmine.objectContaining({ id, name: 'Maren Okonjo', version: 1 }));
      expect((await app.put(pathOf(ROUTES.wearers, id), save)).body).toEqual(first.body);
      const edit = { ...save, role: 'Guide', version: 1 };
      expect((await app.put(pathOf(ROUTES.wearers, id), edit)).body.version).toBe(2);
      expect((await app.put(pathOf(ROUTES.wearers, id), edit)).body.version)
        .withContext('the edit again')
        .toBe(2);
      expect(
        wearersSchema.parse((await app.get(ROUTES.wearers)).body).filter((one) => one.id === id).length,
      ).toBe(1);
    });

    it('keep the first of two edits that started from the same version', async () => {
      const id = await saved(ROUTES.wearers, { name: 'Wen', role: '', version: 0 });
      await app.put(pathOf(ROUTES.wearers, id), { name: 'Wen Castellanos', role: '', version: 1 });
      expect(
        problem(await app.put(pathOf(ROUTES.wearers, id), { name: 'Wen C.', role: '', version: 1 })),
      ).toEqual([409, 'changed-meanwhile']);
    });

    it('need a name, and an edit needs a record', async () => {
      expect(
        problem(await app.put(pathOf(ROUTES.wearers, uuidv7()), { name: ' ', role: '', version: 0 })),
      ).toEqual([400, 'invalid']);
      expect(
        problem(await app.put(pathOf(ROUTES.wearers, uuidv7()), { name: 'Wen', role: '', version: 3 })),
      ).toEqual([404, 'not-found']);
    });

    it('keep any letter a name is written in', async () => {
      const id = await saved(ROUTES.wearers, { name: 'Nguyễn Thị 明 🧵', role: 'Ranger', version: 0 });
      const wearers = wearersSchema.parse((await app.get(ROUTES.wearers)).body);
      expect(wearers.find((one) => one.id === id)?.name).toBe('Nguyễn Thị 明 🧵');
    });
  });

  describe('charts', () => {
    it('are imported from CSV, listed and read; the same import again changes nothing', async () => {
      const id = uuidv7();
      const first = await app.put(pathOf(ROUTES.charts, id), chartImport());
      expect(chartSchema.parse(first.body).sheet.parts[0]!.sizes).toEqual(['M', 'L', 'XL']);
      expect(first.body.sheet.unit).toBe('cm');
      expect((await app.put(pathOf(ROUTES.charts, id), chartImport())).body).toEqual(first.body);
      expect((await app.get(pathOf(ROUTES.charts, id))).body).toEqual(first.body);
      expect((await app.get(ROUTES.charts)).body.filter((one: { id: string }) => one.id === id).length).toBe(
        1,
      );
    });

    it('never change: another table under the same id is refused', async () => {
      const id = await saved(ROUTES.charts, chartImport());
      expect(
        problem(
          await app.put(pathOf(ROUTES.charts, id), chartImport({ csv: 'size,chest-girth (cm)\nM,90-94' })),
        ),
      ).toEqual([409, 'id-taken']);
    });

    it('with faults are not taken, and every fault is told with its place', async () => {
      const id = uuidv7();
      const answer = await app.put(
        pathOf(ROUTES.charts, id),
        chartImport({ csv: 'size,waist (cm)\nM,94-86' }),
      );
      expect(problem(answer)).toEqual([422, 'chart-findings']);
      expect(answer.body.findings).toEqual([jasmine.stringContaining('Nearest: waist-girth')]);
      expect(problem(await app.get(pathOf(ROUTES.charts, id)))).toEqual([404, 'not-found']);
    });

    it('need the measurement that decides to be one of their columns', async () => {
      expect(
        problem(await app.put(pathOf(ROUTES.charts, uuidv7()), chartImport({ rule: 'key-decides' }))),
      ).toEqual([400, 'invalid']);
      expect(
        problem(
          await app.put(
            pathOf(ROUTES.charts, uuidv7()),
            chartImport({ rule: 'key-decides', key: 'neck-girth' }),
          ),
        ),
      ).toEqual([400, 'invalid']);
      expect(
        (
          await app.put(
            pathOf(ROUTES.charts, uuidv7()),
            chartImport({ rule: 'key-decides', key: 'chest-girth' }),
          )
        ).body.sheet.key,
      ).toBe('chest-girth');
    });
  });

  describe('dockets', () => {
    it('are opened, changed and listed; the same save again changes nothing', async () => {
      const { id, docket, chartId } = await docketOf();
      const second = await saved(ROUTES.charts, chartImport({ garment: 'Fleece' }));
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
      const { id, docket, chartId } = await docketOf();
      const other = await saved(ROUTES.charts, chartImport());
      await app.put(pathOf(ROUTES.dockets, id), { ...docket, chartIds: [chartId, other], version: 1 });
      expect(
        problem(await app.put(pathOf(ROUTES.dockets, id), { ...docket, chartIds: [other], version: 1 })),
      ).toEqual([409, 'changed-meanwhile']);
      expect((await app.get(pathOf(ROUTES.dockets, id))).body.docket.chartIds).toEqual([chartId, other]);
    });

    it('need a wearer and charts that are there, each once', async () => {
      const { docket } = await docketOf();
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
      const { id, docket } = await docketOf();
      await saved(ROUTES.wearers, { name: 'Łucja Ðuričić', role: '', version: 0 });
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
      const { id, docket } = await docketOf();
      const twice = { ...docket, extraCodes: ['weight', 'weight'], version: 1 };
      expect(problem(await app.put(pathOf(ROUTES.dockets, id), twice))).toEqual([400, 'invalid']);
      expect(problem(await app.get(sheetPath(uuidv7())))).toEqual([404, 'not-found']);
      expect(problem(await app.send('GET', sheetPath(id), undefined, { cookie: '' }))).toEqual([
        401,
        'not-signed-in',
      ]);
    });
  });

  describe('readings', () => {
    it('keep how the tape lay and over what, and a weight in grams', async () => {
      const { id } = await docketOf();
      const readingId = uuidv7();
      const tight = reading(id, 'chest-girth', '98', { tension: 'drawn-tight', clothing: 'worn-beneath' });
      const kept = (await app.put(pathOf(ROUTES.readings, readingId), tight)).body;
      expect([kept.tension, kept.clothing]).toEqual(['drawn-tight', 'worn-beneath']);
      const weighed = reading(id, 'weight', '11 st 4', { unit: 'kg', instrument: 'scale' });
      expect((await app.put(pathOf(ROUTES.readings, uuidv7()), weighed)).body.length).toBe(71_668);
      expect(
        problem(await app.put(pathOf(ROUTES.readings, uuidv7()), { ...tight, clothing: 'armour' })),
      ).toEqual([400, 'invalid']);
    });

    it('keep what was typed and derive the length; the same reading again changes nothing', async () => {
      const { id } = await docketOf();
      const [readingId, body] = [uuidv7(), reading(id, 'chest-girth', '38 1/2', { unit: 'in' })];
      const first = readingSchema.parse((await app.put(pathOf(ROUTES.readings, readingId), body)).body);
      expect([first.typed, first.unit, Number(first.length), first.withdrawnAt]).toEqual([
        '38 1/2',
        'in',
        977_900,
        null,
      ]);
      expect((await app.put(pathOf(ROUTES.readings, readingId), body)).body).toEqual(
        JSON.parse(JSON.stringify(first)),
      );
      expect((await app.get(pathOf(ROUTES.dockets, id))).body.readings.length).toBe(1);
      expect(problem(await app.put(pathOf(ROUTES.readings, readingId), { ...body, typed: '39' }))).toEqual([
        409,
        'id-taken',
      ]);
    });

    it('are refused when impossible or unreadable, with what to do', async () => {
      const { id } = await docketOf();
      const impossible = await app.put(
        pathOf(ROUTES.readings, uuidv7()),
        reading(id, 'chest-girth', '97', { unit: 'in' }),
      );
      expect(problem(impossible)).toEqual([400, 'invalid']);
      expect(impossible.body.detail).toContain('97 cm?');
      expect(
        problem(await app.put(pathOf(ROUTES.readings, uuidv7()), reading(id, 'chest-girth', 'abc'))),
      ).toEqual([400, 'invalid']);
      expect(problem(await app.put(pathOf(ROUTES.readings, uuidv7()), reading(id, 'chest', '97')))).toEqual([
        400,
        'invalid',
      ]);
      expect(
        problem(await app.put(pathOf(ROUTES.readings, uuidv7()), reading(uuidv7(), 'chest-girth', '97'))),
      ).toEqual([404, 'not-found']);
      expect((await app.get(pathOf(ROUTES.dockets, id))).body.readings).toEqual([]);
    });

    it('can be taken back, stay in the record, and no longer count', async () => {
      const { id, readingIds, chartId } = await measured('98', '85');
      const back = await app.put(withdrawalPath(readingIds[0]!), {});
      expect(readingSchema.parse(back.body).withdrawnAt).not.toBeNull();
      expect((await app.put(withdrawalPath(readingIds[0]!), {})).body)
        .withContext('again')
        .toEqual(back.body);
      expect((await app.get(pathOf(ROUTES.dockets, id))).body.readings.length).toBe(2);
      const [verdict] = docketVerdictsSchema.parse((await app.get(verdictsPath(id))).body);
      expect([verdict!.chartId, verdict!.verdict.verdict]).toEqual([chartId, 'incomplete']);
      expect(problem(await app.put(withdrawalPath(uuidv7()), {}))).toEqual([404, 'not-found']);
    });
  });

  describe('the record', () => {
    it('offers what an earlier docket settled, with its date, and lets it be carried over', async () => {
      const { id, docket, chartId } = await docketOf();
      for (const typed of ['98', '98.5']) await saved(ROUTES.readings, reading(id, 'chest-girth', typed));
      await saved(ROUTES.readings, reading(id, 'waist-girth', '85'));
      const old = new Date(Date.now() - 200 * 86_400_000).toISOString();
      for (const typed of ['96', '96'])
        await saved(ROUTES.readings, reading(id, 'hip-girth', typed, { takenAt: old }));
      const later = await saved(ROUTES.dockets, docket);
      const { record } = benchSchema.parse((await app.get(pathOf(ROUTES.dockets, later))).body);
      expect(record.map(({ code, value, origin, due }) => [code, Number(value), origin, due])).toEqual([
        ['hip-girth', 960_000, 'fitter', true],
        ['chest-girth', 982_500, 'fitter', false],
      ]);
      expect((await app.get(verdictsPath(later))).body[0].verdict.verdict)
        .withContext('never used by itself')
        .toBe('incomplete');

      const carried = reading(later, 'chest-girth', '982.5 mm', { carriedFrom: record[1]!.takenAt });
      expect(
        readingSchema.parse((await app.put(pathOf(ROUTES.readings, uuidv7()), carried)).body).carriedFrom,
      ).toBe(record[1]!.takenAt);
      for (const typed of ['86', '86']) await saved(ROUTES.readings, reading(later, 'waist-girth', typed));
      const [verdict] = docketVerdictsSchema.parse((await app.get(verdictsPath(later))).body);
      expect([verdict!.chartId, verdict!.verdict.proposed]).toEqual([chartId, 'M']);
    });
  });

  describe('protocols', () => {
    const own = {
      name: 'Boat crew',
      school: '',
      prepare: ['Shoes off'],
      cautions: [],
      steps: [{ code: 'height' }, { code: 'chest-girth', tension: 'snug' }],
      version: 0,
    };

    it('list the shipped ones and one’s own; the same save again changes nothing', async () => {
      const id = uuidv7();
      const first = protocolSchema.parse((await app.put(pathOf(ROUTES.protocols, id), own)).body);
      expect([first.name, first.shipped, first.version]).toEqual(['Boat crew', false, 1]);
      expect((await app.put(pathOf(ROUTES.protocols, id), own)).body.version).toBe(1);
      expect(
        (await app.put(pathOf(ROUTES.protocols, id), { ...own, name: 'Crew', version: 1 })).body.name,
      ).toBe('Crew');
      expect(
        problem(await app.put(pathOf(ROUTES.protocols, id), { ...own, name: 'Boats', version: 1 })),
      ).toEqual([409, 'changed-meanwhile']);
      const all = protocolsSchema.parse((await app.get(ROUTES.protocols)).body);
      expect(all.filter(({ shipped }) => shipped).length).toBe(18);
      expect(all.at(-1)?.id).toBe(id);
    });

    it('need a name and each measurement once; a shipped one cannot be overwritten', async () => {
      expect(problem(await app.put(pathOf(ROUTES.protocols, uuidv7()), { ...own, name: '' }))).toEqual([
        400,
        'invalid',
      ]);
      expect(
        problem(
          await app.put(pathOf(ROUTES.protocols, uuidv7()), {
            ...own,
            steps: [{ code: 'height' }, { code: 'height' }],
          }),
        ),
      ).toEqual([400, 'invalid']);
      expect(problem(await app.put(pathOf(ROUTES.protocols, 'vest-c'), own))).toEqual([404, 'not-found']);
    });

    it('stand on a docket beside its garments, or alone', async () => {
      const { id, docket } = await docketOf();
      const changed = { ...docket, chartIds: [], protocolIds: ['vest-c', 'footwear'], version: 1 };
      const bench = benchSchema.parse((await app.put(pathOf(ROUTES.dockets, id), changed)).body);
      expect(bench.protocols.map(({ name }) => name)).toEqual(['Concealable vest, method c', 'Footwear']);
      expect((await app.put(pathOf(ROUTES.dockets, id), changed)).body.docket.version).toBe(2);
      expect(
        problem(await app.put(pathOf(ROUTES.dockets, id), { ...changed, protocolIds: ['vest-a'] })),
      ).toEqual([409, 'changed-meanwhile']);
      expect(
        problem(
          await app.put(pathOf(ROUTES.dockets, id), { ...changed, protocolIds: [uuidv7()], version: 2 }),
        ),
      ).toEqual([404, 'not-found']);
    });
  });

  describe('skips and confirmations', () => {
    it('keep why a step was passed over; the same again changes nothing', async () => {
      const { id } = await docketOf();
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
      const opened = await measured('96', '97');
      const verdictNow = async () =>
        docketVerdictsSchema.parse((await app.get(verdictsPath(opened.id))).body)[0]!.verdict.verdict;
      expect(await verdictNow()).toBe('suspect');
      const decision = {
        outcome: 'accepted',
        docketId: opened.id,
        chartId: opened.chartId,
        readingIds: opened.readingIds,
        size: 'L',
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
        const { id } = await measured(chest, waist);
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
    ) => ({ outcome: 'accepted', docketId: id, chartId, readingIds, size });

    it('take the proposal and keep the verdict it was made on; the same decision again changes nothing', async () => {
      const opened = await measured('98', '86');
      const [decisionId, body] = [uuidv7(), accepting(opened, 'M')];
      const first = decisionSchema.parse((await app.put(pathOf(ROUTES.decisions, decisionId), body)).body);
      expect([first.size, first.verdict.verdict, first.fitter, first.readingIds]).toEqual([
        'M',
        'settled',
        'Odalys Wren',
        opened.readingIds,
      ]);
      await saved(ROUTES.readings, reading(opened.id, 'chest-girth', '99'));
      const again = await app.put(pathOf(ROUTES.decisions, decisionId), body);
      expect(decisionSchema.parse(again.body).verdict)
        .withContext('a later reading rewrites nothing')
        .toEqual(first.verdict);
      expect(
        benchSchema.parse((await app.get(pathOf(ROUTES.dockets, opened.id))).body).decisions.length,
      ).toBe(1);
    });

    it('take another size with a reason', async () => {
      const opened = await measured('98', '95');
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
        problem(await app.put(pathOf(ROUTES.decisions, uuidv7()), { ...override, size: '5XL' })),
      ).toEqual([422, 'not-decidable']);
    });

    it('are refused when they accept what is not proposed', async () => {
      expect(
        problem(
          await app.put(pathOf(ROUTES.decisions, uuidv7()), accepting(await measured('98', '86'), 'L')),
        ),
      ).toEqual([422, 'not-decidable']);
      expect(
        problem(
          await app.put(pathOf(ROUTES.decisions, uuidv7()), accepting(await measured('125', '86'), 'XL')),
        ),
      ).toEqual([422, 'not-decidable']);
    });

    it('are refused when the readings changed after the fitter looked', async () => {
      const opened = await measured('98', '86');
      await saved(ROUTES.readings, reading(opened.id, 'chest-girth', '99'));
      expect(problem(await app.put(pathOf(ROUTES.decisions, uuidv7()), accepting(opened, 'M')))).toEqual([
        409,
        'changed-meanwhile',
      ]);
    });

    it('need a garment on the docket', async () => {
      const opened = await measured('98', '86');
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
