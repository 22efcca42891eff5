import {
  keptMusterActSchema,
  musterStreamPath,
  musterWearersPath,
  pathOf,
  wearerExportPath,
  wearerExportSchema,
  ROUTES,
} from '@neat-measure/contract';
import { musterSummariesSchema, musterWearersSchema } from '@neat-measure/contract/musters';
import { v7 as uuidv7 } from 'uuid';
import { checkAudit, sealAudit } from '../audit/seals';
import { Harness, PASSPHRASE } from '../testing/harness';
import { heardFrom } from '../testing/listen';
import { DAYS, MusterHall, OPENING } from '../testing/musters';
import { problem, reading, Records } from '../testing/records';
import { Standings } from './standing';
import { takeMusterAct } from './take';

describe('musters', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  afterEach(() => app.signIn());

  const halls = new MusterHall(() => app, records);
  const does = halls.does.bind(halls);
  const refused = halls.refused.bind(halls);
  const hall = halls.open.bind(halls);
  const view = halls.view.bind(halls);
  const dayOf = async (id: string, wearerId: string) => (await halls.person(id, wearerId)).day;

  it('open a docket with its kit when somebody comes, and find on it what is missing', async () => {
    const { id, wearers, chartId, tape } = await hall();
    const { wearerId, docketId } = wearers[0]!;
    await does(id, { kind: 'checked-in', wearerId });
    expect((await dayOf(id, wearerId)).missing).toEqual(['girths', 'deciding', 'trying', 'handing']);
    const docket = await records.made(docketId);
    expect([docket.wearerId, docket.occasion]).toEqual([wearerId, 'Winter intake']);
    expect(docket.garments.map((one) => one.chartId)).toEqual([chartId]);
    // What is measured at the station is found when it is finished there.
    await does(id, { kind: 'called', wearerId, stationId: tape });
    for (const code of ['chest-girth', 'waist-girth'] as const)
      for (const typed of code === 'chest-girth' ? ['98', '98'] : ['85', '85'])
        await records.does(docketId, reading(code, typed));
    await does(id, { kind: 'finished', wearerId, stationId: tape, missing: [] });
    const day = await dayOf(id, wearerId);
    expect([day.missing, day.left]).toEqual([['deciding', 'trying', 'handing'], ['deciding']]);
    expect(day.standing.is).toBe('waiting');
  });

  it('open a docket for one who is called without having been checked in, and for no one twice', async () => {
    const { id, wearers, tape } = await hall();
    const { wearerId, docketId } = wearers[1]!;
    await does(id, { kind: 'called', wearerId, stationId: tape });
    expect((await records.made(docketId)).garments.length).toBe(1);
    await does(id, { kind: 'finished', wearerId, stationId: tape });
    expect((await records.bench(docketId)).acts.length).toBe(2);
  });

  it('open a docket for what was done on it where the server was away, with its kit, and for nobody who is not on one', async () => {
    const { id, wearers, chartId } = await hall();
    const [first, second] = [wearers[0]!.docketId, wearers[1]!.docketId];
    await records.does(first, reading('chest-girth', '98'));
    const docket = await records.made(first);
    expect(docket.garments.map((one) => one.chartId)).toEqual([chartId]);
    expect(docket.readings.length).toBe(1);
    // Whoever comes to the muster then has the docket they have.
    await does(id, { kind: 'checked-in', wearerId: wearers[0]!.wearerId });
    expect((await records.bench(first)).acts.length).toBe(3);
    // What asks for the docket's state opens it as well; two at once open it once.
    await Promise.all([
      records.does(second, { kind: 'garment-dropped', chartId }),
      records.does(second, reading('waist-girth', '85')),
    ]);
    expect((await records.bench(second)).acts.map(({ act }) => act.kind).sort()).toEqual([
      'docket-opened',
      'garment-asked',
      'garment-dropped',
      'reading-taken',
    ]);
    const unknown = await app.does(uuidv7(), reading('chest-girth', '98'));
    expect(unknown).toEqual(jasmine.objectContaining({ outcome: 'refused', code: 'not-opened' }));
  });

  it('take the kit of a wearer’s role where none was named, and none where there is none', async () => {
    const { id, chartId } = await hall(0);
    await records.save(ROUTES.kits, {
      name: 'Harbour pilots',
      series: [chartId],
      protocols: ['headwear'],
      roles: ['Harbour pilot'],
      version: 0,
    });
    const wearer = (role: string) => records.save(ROUTES.wearers, { name: 'Dilys Brandt', role, version: 0 });
    const people = [
      { wearerId: await wearer('harbour pilot'), docketId: uuidv7() },
      { wearerId: await wearer('Visitor'), docketId: uuidv7() },
    ];
    await does(id, { kind: 'people-added', people });
    for (const { wearerId } of people) await does(id, { kind: 'checked-in', wearerId });
    const made = await Promise.all(people.map(({ docketId }) => records.made(docketId)));
    expect(made.map(({ garments, protocolIds }) => [garments.length, protocolIds.length])).toEqual([
      [1, 1],
      [0, 0],
    ]);
    expect((await dayOf(id, people[0]!.wearerId)).missing).toContain('head');
    // On a docket that asks for nothing nobody can say what is missing.
    expect((await dayOf(id, people[1]!.wearerId)).missing).toBeNull();
  });

  it('are listed, those that are open first, with how many are there', async () => {
    const { id, wearers } = await hall(3);
    await does(id, { kind: 'muster-changed', name: `Hall ${id}`, place: '', ...DAYS });
    await does(id, { kind: 'checked-in', wearerId: wearers[0]!.wearerId });
    await does(id, { kind: 'went', wearerId: wearers[1]!.wearerId, why: 'Ill' });
    const listed = async () =>
      musterSummariesSchema.parse((await app.get(`${ROUTES.musters}?search=${id}`)).body).items;
    expect(await listed()).toEqual([
      { id, name: `Hall ${id}`, place: '', ...DAYS, closedAt: null, people: 3, here: 1, gone: 1 },
    ]);
    await does(id, { kind: 'muster-closed' });
    expect((await listed())[0]!.closedAt).not.toBeNull();
    expect(problem(await app.get(pathOf(ROUTES.musters, uuidv7())))).toEqual([404, 'not-found']);
  });

  it('know who is on them, and leave out whoever has been erased', async () => {
    const { id, wearers } = await hall();
    const [first, second] = wearers.map(({ wearerId }) => wearerId);
    await does(id, { kind: 'checked-in', wearerId: first! });
    expect((await app.send('DELETE', pathOf(ROUTES.wearers, first!))).status).toBe(204);
    expect((await view(id)).wearers.map((one) => one.id)).toEqual([second!]);
    const asked = await app.get(`${musterWearersPath(id)}?ids=${first!},${second!}`);
    expect(musterWearersSchema.parse(asked.body).map(({ name }) => name)).toEqual(['Ibrahima Lund']);
    // The day goes on without them, and nothing opens a docket for nobody.
    await does(id, { kind: 'checked-in', wearerId: second! });
    expect((await refused(id, { kind: 'called', wearerId: first!, stationId: uuidv7() }))[0]).toBe(
      'no-such-wearer-here',
    );
  });

  it('refuse what does not fit, in words with the wearer’s name', async () => {
    const { id, wearers, tape } = await hall();
    const { wearerId } = wearers[0]!;
    await does(id, { kind: 'checked-in', wearerId });
    expect(await refused(id, { kind: 'checked-in', wearerId })).toEqual([
      'here-already',
      'Ibrahima Lund is checked in already.',
    ]);
    expect((await refused(id, { ...OPENING, ...DAYS }))[0]).toBe('muster-opened-already');
    expect((await refused(uuidv7(), { kind: 'checked-in', wearerId }))[0]).toBe('no-muster');
    const stranger = { wearerId: uuidv7(), docketId: uuidv7() };
    expect((await refused(id, { kind: 'people-added', people: [stranger] }))[0]).toBe('no-such-wearer-here');
    // Somebody else's docket is nobody's.
    const other = await records.docket();
    const newcomer = { wearerId: await records.wearer(), docketId: other.id };
    expect((await refused(id, { kind: 'people-added', people: [newcomer] }))[0]).toBe('docket-of-another');
    await does(id, { kind: 'people-added', people: [{ wearerId: other.wearerId, docketId: other.id }] });
    await does(id, { kind: 'called', wearerId, stationId: tape });
    const [code, detail] = await refused(id, {
      kind: 'called',
      wearerId: wearers[1]!.wearerId,
      stationId: tape,
    });
    expect([code, detail]).toEqual([
      'station-busy',
      'Ibrahima Lund is still at Tape. Finish with that wearer first.',
    ]);
    // What was refused has left no docket behind.
    expect(problem(await app.get(pathOf(ROUTES.dockets, wearers[1]!.docketId)))).toEqual([404, 'not-found']);
  });

  it('change nothing when the same is sent again, and keep no other under its id', async () => {
    const { id, wearers } = await hall();
    const { wearerId, docketId } = wearers[0]!;
    const base = { id: uuidv7(), at: new Date().toISOString() };
    const first = await does(id, { kind: 'checked-in', wearerId }, base);
    expect(await does(id, { kind: 'checked-in', wearerId }, base)).toEqual(first);
    expect((await refused(id, { kind: 'went', wearerId, why: '' }, base))[0]).toBe('act-id-taken');
    const onDocket = (await records.bench(docketId)).acts[0]!.act;
    expect((await refused(id, { kind: 'went', wearerId, why: '' }, { id: onDocket.id }))[0]).toBe(
      'act-id-taken',
    );
    const taken = await app.does(
      docketId,
      { kind: 'step-passed', code: 'height', reason: 'x', idle: false },
      base,
    );
    expect(taken.outcome === 'refused' && taken.code).toBe('id-taken');
  });

  it('let two hands call one wearer once', async () => {
    const { id, wearers, tape, desk } = await hall();
    const { wearerId } = wearers[0]!;
    await does(id, { kind: 'checked-in', wearerId });
    const calls = await Promise.all(
      [tape, desk, tape, desk].map((stationId) => app.musters(id, { kind: 'called', wearerId, stationId })),
    );
    expect(calls.filter(({ outcome }) => outcome === 'kept').length).toBe(1);
  });

  it('go by what another instance has kept in the same database', async () => {
    const { id, wearers, tape } = await hall();
    const { wearerId } = wearers[0]!;
    await does(id, { kind: 'checked-in', wearerId });
    // An instance of its own, which has read nothing yet, and this one, which has.
    const other = new Standings();
    const called = {
      id: uuidv7(),
      musterId: id,
      kind: 'called' as const,
      wearerId,
      stationId: tape,
      at: new Date().toISOString(),
      by: app.fitter,
    };
    const signing = { fitter: app.fitter, role: 'fitter' as const, pen: null };
    expect('kept' in (await takeMusterAct(app.database, other, signing, called))).toBeTrue();
    expect((await refused(id, { kind: 'checked-in', wearerId }))[0]).toBe('here-already');
    await does(id, { kind: 'finished', wearerId, stationId: tape });
    expect((await other.read(app.database, id))!.muster).toEqual((await view(id)).muster);
  });

  it('are worked by clerks and fitters, led by leads, and seen by viewers', async () => {
    const { id, wearers } = await hall(4);
    const asRole = async (role: 'viewer' | 'stores-clerk' | 'fitter' | 'lead') => {
      await app.person(role, `${role}-of-${id}`);
      await app.signIn(PASSPHRASE, `${role}-of-${id}`);
    };
    await asRole('stores-clerk');
    expect((await app.musters(id, { kind: 'checked-in', wearerId: wearers[0]!.wearerId })).outcome).toBe(
      'kept',
    );
    await asRole('fitter');
    expect((await app.musters(id, { kind: 'checked-in', wearerId: wearers[1]!.wearerId })).outcome).toBe(
      'kept',
    );
    expect(await refused(id, { kind: 'muster-closed' })).toEqual([
      'muster-not-trusted',
      'Your role does not let you open, change and close musters, and accept wearers’ own measurements. Ask an administrator.',
    ]);
    await asRole('viewer');
    expect((await app.get(pathOf(ROUTES.musters, id))).status).toBe(200);
    await asRole('lead');
    expect((await app.musters(id, { kind: 'muster-closed' })).outcome).toBe('kept');
  });

  it('tell what is done, from an act on, on a stream that knows nothing of dockets', async () => {
    const { id, wearers, tape } = await hall();
    const { place } = await view(id);
    const missed = await does(id, { kind: 'checked-in', wearerId: wearers[0]!.wearerId });
    const done: string[] = [];
    const heard = await heardFrom(app, `${musterStreamPath(id)}?after=${place}`, 2, async () => {
      const { wearerId, docketId } = wearers[0]!;
      await records.does(docketId, reading('chest-girth', '98'));
      done.push((await does(id, { kind: 'called', wearerId, stationId: tape })).id);
    });
    expect(heard.map((one) => keptMusterActSchema.parse(one).act.id)).toEqual([missed.id, ...done]);
  });

  it('are told to whom they are about, and nobody else’s name with it', async () => {
    const { id, wearers } = await hall();
    const [first] = wearers;
    await does(id, { kind: 'checked-in', wearerId: first!.wearerId });
    const answer = await app.get(wearerExportPath(first!.wearerId));
    const { musters } = wearerExportSchema.parse(answer.body);
    expect(musters.map(({ words }) => words)).toEqual([
      'Odalys Wren added 2 wearers to the muster.',
      'Odalys Wren checked Ibrahima Lund in.',
    ]);
  });

  it('are noted and sealed with everything else', async () => {
    await hall();
    await sealAudit(app.database, 0);
    expect((await checkAudit(app.database)).broken).toEqual([]);
    const noted = await app.database('acts_noted').whereNotNull('muster_id').first<{ docket_id: unknown }>();
    expect(noted.docket_id).toBeNull();
  });

  it('say who is on another muster of the same days, and let them be', async () => {
    const one = await hall(1);
    const [{ wearerId }] = one.wearers as [(typeof one.wearers)[0]];
    const other = await hall(0);
    await does(other.id, { kind: 'people-added', people: [{ wearerId, docketId: uuidv7() }] });
    expect((await view(other.id)).alsoOn).toEqual([{ wearerId, muster: 'Winter intake' }]);
    await does(one.id, { kind: 'muster-closed' });
    expect((await view(other.id)).alsoOn).toEqual([]);
  });
});
