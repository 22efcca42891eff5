import {
  GROUPS,
  LIST_HEADINGS,
  musterImportPath,
  musterListPath,
  musterMatchPath,
  pathOf,
  ROUTES,
  wearerExportPath,
  wearerExportSchema,
  wearerExportSheetPath,
  wearersSchema,
} from '@neat-measure/contract';
import {
  groupsSchema,
  headingsSchema,
  musterListSchema,
  musterViewSchema,
  musterWearersSchema,
  peopleImportedSchema,
  peopleMatchedSchema,
  type PeopleImport,
  type PeopleRow,
} from '@neat-measure/contract/musters';
import { v7 as uuidv7 } from 'uuid';
import { Harness, PASSPHRASE } from '../testing/harness';
import { chartSave, problem, reading, Records } from '../testing/records';

describe('importing a list to a muster', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  afterEach(() => app.signIn());

  const muster = async () => {
    const id = uuidv7();
    await app.musters(id, {
      ...{ kind: 'muster-opened', name: 'Intake', place: '', unit: 'cm' },
      ...{ day: '2026-12-01', lastDay: '2026-12-01' },
    });
    return id;
  };
  const row = (line: number, name: string, more: Partial<PeopleRow> = {}): PeopleRow => ({
    ...{ line, name, role: '', born: null, number: null, group: null, readings: [], sizes: [] },
    ...more,
  });
  const wearer = (name: string, more: object = {}) =>
    records.save(ROUTES.wearers, { name, role: 'Cadet', version: 0, ...more });
  const match = (id: string, rows: readonly PeopleRow[]) =>
    matchedWhole(id, rows).then((matched) => matched.rows);
  const matchedWhole = async (id: string, rows: readonly PeopleRow[]) =>
    peopleMatchedSchema.parse((await app.send('POST', musterMatchPath(id), { rows })).body);
  const wanted = (rows: readonly (PeopleRow & { wearerId?: string })[], more: object = {}): PeopleImport => ({
    ...{ actId: uuidv7(), at: new Date().toISOString(), kitId: null, changes: true, headings: [] },
    rows: rows.map((one) => ({
      ...one,
      wearerId: one.wearerId ?? uuidv7(),
      docketId: uuidv7(),
      isNew: one.wearerId === undefined,
    })),
    ...more,
  });
  const view = async (id: string) => musterViewSchema.parse((await app.get(pathOf(ROUTES.musters, id))).body);
  const found = async (name: string) =>
    wearersSchema.parse((await app.get(`${ROUTES.wearers}?search=${encodeURIComponent(name)}`)).body).items;

  it('finds who is known: by number, by name in either order, and by what tells two apart', async () => {
    const id = await muster();
    const [ada, bo] = [await wearer('Åda Tern', { number: 'C-1' }), await wearer('Bo van Tern')];
    const twins = [
      await wearer('Cy Plover', { born: '2009-04' }),
      await wearer('Cy Plover', { born: '2010-05' }),
    ];
    const rows = [
      row(2, 'Ada Other', { number: 'C-1' }),
      row(3, 'tern van bo', { role: 'Ranger', born: '2009-04' }),
      row(4, 'van Tern Bo'),
      row(5, 'Cy Plover'),
      row(6, 'Cy Plover', { born: '2010-05' }),
      row(7, 'Ada Tern', { number: 'C-9' }),
      row(8, 'Dee Unknown'),
    ];
    const matched = await match(id, rows);
    expect(matched.map(({ known }) => known.map((one) => one.id).sort())).toEqual([
      [ada],
      [bo],
      [bo],
      [...twins].sort(),
      [twins[1]!],
      [],
      [],
    ]);
    expect(matched.map(({ changes }) => changes)).toEqual([['name'], ['role', 'born'], [], [], [], [], []]);
    await app.musters(id, { kind: 'people-added', people: [{ wearerId: bo, docketId: uuidv7() }] });
    expect((await match(id, rows))[2]!.onMuster).toBeTrue();
  });

  it('adds who is new, changes who is known where that is wanted, and puts all on by one act', async () => {
    const id = await muster();
    const known = await wearer('Eli Heron', { role: 'Cadet' });
    const rows = [
      row(2, 'Fay Heron', { role: 'Cadet', number: `F-${id}`, born: '2009-04' }),
      { ...row(3, 'Eli Heron', { role: 'Ranger', number: `E-${id}` }), wearerId: known },
    ];
    const sent = wanted(rows);
    const came = peopleImportedSchema.parse((await app.put(musterImportPath(id), sent)).body);
    expect(came).toEqual({ added: 1, changed: 1, onMuster: 2 });
    expect((await found(`F-${id}`))[0]).toEqual(
      jasmine.objectContaining({ name: 'Fay Heron', role: 'Cadet', born: '2009-04' }),
    );
    expect((await found(`E-${id}`))[0]).toEqual(jasmine.objectContaining({ role: 'Ranger', version: 2 }));
    expect((await view(id)).muster.people.map(({ wearerId }) => wearerId)).toEqual(
      sent.rows.map(({ wearerId }) => wearerId),
    );
    // Its answer was lost: sent again it changes nothing.
    expect((await app.put(musterImportPath(id), sent)).status).toBe(200);
    expect((await view(id)).muster.people.length).toBe(2);
    expect((await found(`F-${id}`)).length).toBe(1);
    // Without being asked to it changes nobody.
    const other = await muster();
    const again = wanted([{ ...row(2, 'Eli Heron', { role: 'Visitor' }), wearerId: known }], {
      changes: false,
    });
    expect((await app.put(musterImportPath(other), again)).body.changed).toBe(0);
    expect((await found(`E-${id}`))[0]!.role).toBe('Ranger');
  });

  it('goes out as a table that an import knows, with where everybody is', async () => {
    const id = await muster();
    const rows = [row(2, 'Ida Stork', { role: 'Cadet', number: `I-${id}` }), row(3, 'Abe Stork')];
    const sent = wanted(rows);
    await app.put(musterImportPath(id), sent);
    await app.musters(id, { kind: 'checked-in', wearerId: sent.rows[0]!.wearerId });
    await app.musters(id, { kind: 'went', wearerId: sent.rows[1]!.wearerId, why: '' });
    const [head, ...out] = musterListSchema.parse((await app.get(musterListPath(id))).body);
    expect(head!.slice(0, 6)).toEqual(['name', 'role', 'house number', 'state', 'arrived (UTC)', 'missing']);
    expect(out.map((cells) => cells.slice(0, 4))).toEqual([
      ['Abe Stork', '', '', 'left'],
      ['Ida Stork', 'Cadet', `I-${id}`, 'here'],
    ]);
    // What was decided stands in a column of its garment.
    const measured = await records.measured('98', '86');
    await app.musters(id, {
      kind: 'people-added',
      people: [{ wearerId: measured.wearerId, docketId: measured.id }],
    });
    await records.does(measured.id, {
      ...{ kind: 'garment-decided', chartId: measured.chartId, outcome: 'overridden', sizes: { size: 'L' } },
      ...{ reason: 'Roomy', readingIds: measured.readingIds, after: null, habits: 0, found: null },
    });
    const [again, ...all] = musterListSchema.parse((await app.get(musterListPath(id))).body);
    expect([again!.at(-1), all.at(-2)!.at(-1)]).toEqual(['Field jacket', 'L']);
    expect(problem(await app.get(musterListPath(uuidv7())))).toEqual([404, 'not-found']);
  });

  it('is all or nothing', async () => {
    const id = await muster();
    const known = await wearer('Gil Crane');
    await app.musters(id, { kind: 'people-added', people: [{ wearerId: known, docketId: uuidv7() }] });
    const name = `Hal ${id}`;
    const sent = wanted([row(2, name), { ...row(3, 'Gil Crane'), wearerId: known }]);
    const answer = await app.put(musterImportPath(id), sent);
    expect(problem(answer)).toEqual([400, 'invalid']);
    expect(answer.body.detail).toBe('Gil Crane is on the list of this muster already.');
    expect(await found(name)).toEqual([]);
    const stranger = wanted([{ ...row(2, 'Nobody'), wearerId: uuidv7() }]);
    expect(problem(await app.put(musterImportPath(id), stranger))).toEqual([400, 'invalid']);
    expect(problem(await app.put(musterImportPath(uuidv7()), wanted([row(2, 'X')])))).toEqual([
      404,
      'not-found',
    ]);
    const taken = {
      ...wanted([row(2, 'X')]),
      actId: (await app.database('acts').first<{ id: string }>('id')).id,
    };
    expect(problem(await app.put(musterImportPath(id), taken))).toEqual([400, 'invalid']);
  });

  it('takes five thousand at once, and is a lead’s', async () => {
    const id = await muster();
    const rows = Array.from({ length: 5_000 }, (_, at) => row(at + 2, `Wearer ${at} ${id}`));
    expect((await match(id, rows)).every(({ known }) => known.length === 0)).toBeTrue();
    const came = await app.put(musterImportPath(id), wanted(rows));
    expect(came.body).toEqual({ added: 5_000, changed: 0, onMuster: 5_000 });
    expect((await view(id)).wearers.length).toBe(5_000);
    await app.person('fitter', 'importer');
    await app.signIn(PASSPHRASE, 'importer');
    expect(problem(await app.put(musterImportPath(id), wanted([row(2, 'X')])))).toEqual([403, 'not-allowed']);
  });

  it('makes groups that last, and says which are new', async () => {
    const id = await muster();
    const squad = `Otters ${id}`;
    const rows = [
      row(2, `Ada ${id}`, { group: squad, role: `Diver ${id}` }),
      row(3, `Bo ${id}`, { group: squad.toUpperCase() }),
    ];
    const matched = await matchedWhole(id, rows);
    expect([matched.newGroups, matched.newRoles]).toEqual([[squad], [`Diver ${id}`]]);
    await app.put(musterImportPath(id), wanted(rows));
    const [group] = (await view(id)).groups;
    expect([group?.name, group?.count]).toEqual([squad, 2]);
    expect((await view(id)).muster.people.map(({ groupId }) => groupId)).toEqual([group!.id, group!.id]);
    // Another accent is the same group to the database.
    const accented = row(4, `Cy ${id}`, { group: squad.replace('O', 'Ö') });
    expect((await app.put(musterImportPath(await muster()), wanted([accented]))).status).toBe(200);
    const again = await matchedWhole(id, rows);
    expect([again.newGroups, again.newRoles]).toEqual([[], []]);
    const members = musterWearersSchema.parse((await app.get(pathOf(GROUPS, group!.id))).body);
    expect(members.map(({ name }) => name)).toEqual([`Ada ${id}`, `Bo ${id}`, `Cy ${id}`]);
    const save = { name: squad, wearerIds: [members[0]!.id, uuidv7()] };
    expect(problem(await app.put(pathOf(GROUPS, uuidv7()), save))).toEqual([409, 'name-taken']);
    expect((await app.put(pathOf(GROUPS, group!.id), save)).status).toBe(204);
    const all = groupsSchema.parse((await app.get(GROUPS)).body);
    expect(all.find(({ name }) => name === squad)?.count).toBe(1);
  });

  it('offers on the docket what the list tells of bodies, and uses nothing of it by itself', async () => {
    const id = await muster();
    const chartId = await records.save(ROUTES.charts, chartSave());
    const kitId = await records.save(ROUTES.kits, {
      ...{ name: `Jacket ${id}`, series: [chartId], protocols: [], roles: [], version: 0 },
    });
    const told = row(2, `Cy ${id}`, {
      readings: [
        { code: 'chest-girth', typed: '98', unit: 'cm' },
        { code: 'foot-length-left', typed: '26', unit: 'cm' },
      ],
      sizes: [{ item: 'collar', told: '40' }],
    });
    const sent = wanted([told], { kitId, headings: [{ heading: 'brust', role: 'chest-girth' }] });
    await app.put(musterImportPath(id), sent);
    const [{ wearerId, docketId }] = sent.rows as [PeopleImport['rows'][number]];
    await app.musters(id, { kind: 'checked-in', wearerId });
    const docket = await records.made(docketId);
    expect(docket.readings).toEqual([]);
    expect((await view(id)).muster.people[0]!.day.missing).toContain('girths');
    const { record } = await records.bench(docketId);
    expect(record.map(({ code, value, origin }) => [code, Number(value), origin])).toEqual([
      ['chest-girth', 980_000, 'reported'],
      ['foot-length-left', 260_000, 'reported'],
    ]);
    // The fitter takes it over with a key, and it stands as told.
    const [chest] = record;
    await records.does(
      docketId,
      reading('chest-girth', '98', { origin: 'reported', carriedFrom: chest!.takenAt }),
    );
    expect(docket.told).toEqual({ collar: '40' });
    const exported = wearerExportSchema.parse((await app.get(wearerExportPath(wearerId))).body);
    expect(
      exported.told.map(({ muster: of, readings, sizes }) => [of, readings.length, sizes.length]),
    ).toEqual([['Intake', 2, 1]]);
    expect((await app.file(wearerExportSheetPath(wearerId))).status).toBe(200);
    const headings = headingsSchema.parse((await app.get(LIST_HEADINGS)).body);
    expect(headings).toContain({ heading: 'brust', role: 'chest-girth' });
  });

  it('undone, takes out again whom it added, but for those who have something else by now', async () => {
    const id = await muster();
    const known = await wearer(`Known ${id}`);
    const rows = [row(2, `New ${id}`), row(3, `Edited ${id}`), { ...row(4, `Known ${id}`), wearerId: known }];
    const sent = wanted(rows);
    await app.put(musterImportPath(id), sent);
    const edited = sent.rows[1]!.wearerId;
    await app.put(pathOf(ROUTES.wearers, edited), { name: `Edited ${id}`, role: 'Cook', version: 1 });
    const undo = { kind: 'people-removed', wearerIds: sent.rows.map(({ wearerId }) => wearerId) };
    expect((await app.musters(id, undo, { undoes: sent.actId })).outcome).toBe('kept');
    expect((await view(id)).muster.people).toEqual([]);
    expect((await found(`${id}`)).map(({ name }) => name).sort()).toEqual([`Edited ${id}`, `Known ${id}`]);
  });
});
