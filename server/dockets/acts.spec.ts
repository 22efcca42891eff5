import { actAnswersSchema, keptActSchema, MOST_ACTS, ROUTES, type KeptAct } from '@neat-measure/contract';
import { readingIdsBehind, type Doing } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { addPerson } from '../people/service';
import { Harness, PASSPHRASE } from '../testing/harness';
import { opening, problem, reading, Records } from '../testing/records';
import { lockDocket } from './store';

/** The day of the device's clock, near enough to the server's. */
const YESTERDAY = new Date(Date.now() - 86_400_000).toISOString().slice(0, 10);

describe('the route of acts', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => {
    app = await Harness.start();
    await addPerson(app.database, {
      role: 'fitter',
      name: 'Tiernan Oake',
      signIn: 'tiernan',
      passphrase: 'slack-water-bell',
    });
  });
  afterAll(() => app.stop());
  afterEach(() => app.signIn());

  const act = (docketId: string, doing: object, base: object = {}) => ({
    id: uuidv7(),
    docketId,
    at: `${YESTERDAY}T08:00:00.000Z`,
    by: app.fitter,
    ...doing,
    ...base,
  });
  const send = async (acts: readonly unknown[], pen = app.pen) =>
    actAnswersSchema.parse((await app.send('POST', ROUTES.acts, { pen, acts })).body);
  const said = (answers: Awaited<ReturnType<typeof send>>) =>
    answers.map((one) => (one.outcome === 'refused' ? one.code : one.outcome));

  it('keeps what was done with its author, its moment by the device and by the server', async () => {
    const { id } = await records.docket();
    const [answer] = await send([act(id, reading('chest-girth', '38 1/2', { unit: 'in' }))]);
    if (answer?.outcome !== 'kept') throw new Error('refused');
    const { kept } = answer;
    expect([kept.act.by.name, kept.act.at]).toEqual(['Odalys Wren', `${YESTERDAY}T08:00:00.000Z`]);
    expect(Math.abs(Date.parse(kept.receivedAt) - Date.now())).toBeLessThan(10_000);
    expect((await records.bench(id)).acts.at(-1)).toEqual(kept as KeptAct);
    expect((await records.made(id)).readings.map(({ length }) => Number(length))).toEqual([977_900]);
  });

  it('adds whoever was met without the server before what was done for them, once, and edits nobody', async () => {
    const [wearerId, docketId] = [uuidv7(), uuidv7()];
    const newcomer = { id: wearerId, name: 'Oona Pelt', role: 'Visitor', born: null, number: null };
    const bring = async (wearers: readonly object[], pen = app.pen) =>
      actAnswersSchema.parse(
        (await app.send('POST', ROUTES.acts, { pen, acts: [act(docketId, opening(wearerId))], wearers }))
          .body,
      );
    const opened = act(docketId, opening(wearerId));
    expect(said(await send([opened]))).toEqual(['no-such-wearer']);
    expect(said(await bring([newcomer]))).toEqual(['kept']);
    expect((await records.bench(docketId)).wearer.name).toBe('Oona Pelt');
    // Sent again with what is known by another name meanwhile.
    expect(said(await bring([{ ...newcomer, name: 'Somebody Else' }]))).toEqual(['opened-already']);
    expect((await records.bench(docketId)).wearer.name).toBe('Oona Pelt');
    const noted = await app.database('audit').where({ kind: 'wearer-kept', about: wearerId });
    expect(noted.length).toBe(1);
  });

  it('changes nothing when the same is sent again, and keeps no other under its id', async () => {
    const { id, chartId } = await records.measured('98', '86');
    const docket = await records.made(id);
    const { charts } = await records.bench(id);
    const decided = act(id, {
      kind: 'garment-decided',
      chartId,
      outcome: 'accepted',
      sizes: { size: 'M' },
      reason: null,
      readingIds: readingIdsBehind(docket, charts[0]!.sheet),
      after: null,
      habits: 0,
      found: null,
    });
    const all = [
      act(id, reading('hip-girth', '98')),
      act(id, { kind: 'step-passed', code: 'height', reason: 'Declines', idle: false }),
      decided,
    ];
    const [first, again] = [await send(all), await send(all)];
    expect(said(first)).toEqual(['kept', 'kept', 'kept']);
    expect(again).toEqual(first);
    const opened = (await records.bench(id)).acts[0]!.act;
    expect(said(await send([opened]))).toEqual(['kept']);
    expect((await records.bench(id)).acts.length).toBe(7);
    const others = [
      { ...all[0]!, typed: '99', length: 990_000 },
      { ...all[1]!, reason: 'Comes back' },
      { ...opened, occasion: 'Another' },
    ];
    expect(said(await send(others))).toEqual(['id-taken', 'id-taken', 'id-taken']);
    // What was found when it was let in is not taken from who sends it.
    const { acts } = await records.bench(id);
    const kept = acts.at(-1)!.act;
    if (kept.kind !== 'garment-decided') throw new Error(kept.kind);
    const verdict = { ...kept.found!.verdict, proposed: 'XL' };
    expect(said(await send([{ ...decided, found: { size: 'XL', verdict } }]))).toEqual(['kept']);
    expect((await records.made(id)).decisions[0]!.verdict.proposed).toBe('M');
  });

  it('goes on past what cannot be read or is refused, and says why', async () => {
    const { id } = await records.docket();
    const answers = await send([
      'nonsense',
      act(id, { kind: 'something-new' }),
      act(id, { ...reading('chest-girth', '98'), typed: '' }),
      act(id, reading('chest-girth', '9')),
      act(id, { kind: 'garment-asked', chartId: uuidv7() }),
      act(id, { kind: 'reading-withdrawn', readingId: uuidv7(), code: 'chest-girth' }),
      act(uuidv7(), reading('chest-girth', '98')),
      act(uuidv7(), { kind: 'measurement-asked', code: 'height', asked: true }),
      act(uuidv7(), opening(uuidv7())),
      act(id, opening((await records.bench(id)).wearer.id)),
      act(id, reading('waist-girth', '86')),
    ]);
    expect(said(answers)).toEqual([
      'unknown-kind',
      'unknown-kind',
      'misshapen',
      'unreadable-reading',
      'no-such-chart',
      'no-such-reading',
      'not-opened',
      'not-opened',
      'no-such-wearer',
      'opened-already',
      'kept',
    ]);
    for (const one of answers) if (one.outcome === 'refused') expect(one.detail).toMatch(/[.?]$/);
    expect(answers[0]).toEqual(jasmine.objectContaining({ id: null }));
  });

  it('lets a stores clerk hand over, and neither measure nor decide', async () => {
    const { id, chartId } = await records.docket();
    const { signIn } = await app.person('stores-clerk', 'brisa');
    const mine = { cookie: app.cookie, pen: app.pen, fitter: app.fitter };
    await app.signIn(PASSPHRASE, signIn);
    const answers = await send([
      act(id, reading('chest-girth', '98')),
      act(id, { kind: 'measurement-asked', code: 'hip-girth', asked: true }),
      act(id, { kind: 'rule-overruled', chartId, rule: 'closest', preference: null }),
      act(id, { kind: 'return-withdrawn', chartId }),
    ]);
    // The last is theirs to do; there is nothing to be taken back.
    expect(said(answers)).toEqual(['not-trusted', 'not-trusted', 'not-trusted', 'no-such-handing']);
    expect(answers[0]).toEqual(
      jasmine.objectContaining({
        detail: 'Your role does not let you measure people. Ask an administrator.',
      }),
    );
    Object.assign(app, mine);
  });

  it('tells whoever lost a capability meanwhile that what was kept before is kept', async () => {
    const { id } = await records.docket();
    const person = await app.person('fitter', 'maelis');
    const mine = { cookie: app.cookie, pen: app.pen, fitter: app.fitter };
    await app.signIn(PASSPHRASE, person.signIn);
    const one = act(id, reading('chest-girth', '98'));
    expect(said(await send([one]))).toEqual(['kept']);
    await app.database('fitters').where({ id: person.id }).update({ role: 'stores-clerk' });
    expect(said(await send([one, act(id, reading('chest-girth', '98.5'))]))).toEqual(['kept', 'not-trusted']);
    Object.assign(app, mine);
  });

  it('keeps what one fitter did under their name, whoever is signed in when it is sent', async () => {
    const { id } = await records.docket();
    const [pen, mine] = [app.pen, act(id, reading('chest-girth', '98'))];
    await app.send('DELETE', ROUTES.session);
    await app.signIn('slack-water-bell', 'tiernan');
    expect(app.fitter.name).toBe('Tiernan Oake');
    expect(said(await send([mine])))
      .withContext('signed by the next')
      .toEqual(['other-hand']);
    expect(said(await send([mine], pen)))
      .withContext('signed by who did it')
      .toEqual(['kept']);
    expect(said(await send([act(id, reading('waist-girth', '86'))]))).toEqual(['kept']);
    expect((await records.made(id)).readings.map(({ by }) => by.name)).toEqual([
      'Odalys Wren',
      'Tiernan Oake',
    ]);
  });

  it('takes a moment however it is written, and none that no clock shows', async () => {
    const { id } = await records.docket();
    const at = (moment: string) => act(id, reading('chest-girth', '98'), { at: moment });
    const plain = at(`${YESTERDAY}T08:00:00Z`);
    const fine = at(`${YESTERDAY}T08:00:00.123456Z`);
    expect(said(await send([plain, fine]))).toEqual(['kept', 'kept']);
    expect(said(await send([plain, fine])))
      .withContext('sent again')
      .toEqual(['kept', 'kept']);
    expect((await records.made(id)).readings.map(({ takenAt }) => takenAt)).toEqual([
      `${YESTERDAY}T08:00:00.000Z`,
      `${YESTERDAY}T08:00:00.123Z`,
    ]);
    const odd = ['0000-01-01T00:00:00Z', '9999-12-31T23:59:59Z', '1969-12-31T23:59:59Z', 'yesterday'];
    expect(said(await send(odd.map(at)))).toEqual(odd.map(() => 'misshapen'));
  });

  it('gives the same pen again to a page that is loaded anew, and another at the next sign-in', async () => {
    const { pen } = app;
    expect((await app.get(ROUTES.session)).body.who.pen).toBe(pen);
    await app.signIn();
    expect(app.pen).not.toBe(pen);
    expect(await app.database('pens').pluck('token_hash')).not.toContain(pen);
  });

  it('refuses a moment far from the server’s own, and says what to set right', async () => {
    const { id } = await records.docket();
    const answer = async (days: number) => {
      const at = new Date(Date.now() + days * 86_400_000).toISOString();
      const given = await app.does(id, reading('chest-girth', '98'), { at });
      return given.outcome === 'kept' ? 'kept' : given.detail;
    };
    expect(await answer(-91)).toBe('kept');
    expect(await answer(0.9)).toBe('kept');
    expect(await answer(-93)).toContain('Set the clock of this device');
    expect(await answer(2)).toContain('Set the clock of this device');
  });

  it('refuses a pen that was never given out, nothing, and too much', async () => {
    const post = async (body: object) => problem(await app.send('POST', ROUTES.acts, body));
    expect(await post({ pen: 'forged', acts: [{}] })).toEqual([401, 'not-signed-in']);
    expect(await post({ pen: app.pen, acts: [] })).toEqual([400, 'invalid']);
    const many = Array.from({ length: MOST_ACTS + 1 }, () => ({}));
    expect(await post({ pen: app.pen, acts: many })).toEqual([400, 'invalid']);
  });

  it('lets many do things on one docket at once, each once', async () => {
    const { id, wearerId, chartId } = await records.docket();
    const doings: Doing[] = Array.from({ length: 30 }, (_, at) =>
      at % 3 === 0
        ? { kind: 'measurement-asked', code: 'height', asked: true }
        : at % 3 === 1
          ? { kind: 'garment-asked', chartId }
          : reading('chest-girth', '98'),
    );
    const openings = Array.from({ length: 10 }, () => act(uuidv7(), opening(wearerId)));
    const answers = await Promise.all([
      ...doings.map((doing) => send([act(id, doing)])),
      ...openings.map((one) => send([one])),
    ]);
    expect(new Set(answers.flatMap(said))).toEqual(new Set(['kept']));
    const { acts } = await records.bench(id);
    expect(new Set(acts.map(({ place }) => place)).size).toBe(32);
    expect((await records.made(id)).readings.length).toBe(10);
  });

  it('holds the docket it is about, and no other', async () => {
    const [held, free] = [await records.docket(), await records.docket()];
    await app.database.transaction(async (transaction) => {
      expect(await lockDocket(transaction, uuidv7())).toBeFalse();
      expect(await lockDocket(transaction, held.id)).toBeTrue();
      expect((await app.does(free.id, reading('chest-girth', '98'))).outcome).toBe('kept');
    });
  });

  it('lets one of two decide, and tells the other', async () => {
    const { id, chartId } = await records.measured('98', '86');
    const docket = await records.made(id);
    const sheet = (await records.bench(id)).charts[0]!.sheet;
    const decide = () =>
      act(id, {
        kind: 'garment-decided',
        chartId,
        outcome: 'accepted',
        sizes: { size: 'M' },
        reason: null,
        readingIds: readingIdsBehind(docket, sheet),
        after: null,
        habits: 0,
        found: null,
      });
    const answers = await Promise.all([send([decide()]), send([decide()])]);
    expect(answers.flatMap(said).sort()).toEqual(['decided-meanwhile', 'kept']);
  });

  it('refuses the name of a protocol that is none, in whatever letters', async () => {
    const { id } = await records.docket();
    for (const protocolId of ['漢字', '½', 'constructor', 'x'.repeat(41), '']) {
      const answers = await send([act(id, { kind: 'protocol-asked', protocolId })]);
      expect(said(answers)).withContext(protocolId).not.toEqual(['kept']);
    }
  });

  it('lets in nothing that is read after the wearer no longer agrees, however it comes, until they do again', async () => {
    const { id } = await records.docket();
    const at = (hour: string) => ({ at: `${YESTERDAY}T${hour}:00:00.000Z` });
    const agrees = (given: boolean) => ({ kind: 'consent-recorded', given, wording: 1 });
    const before = act(id, reading('chest-girth', '98'), at('08'));
    const late = act(id, reading('chest-girth', '98.2'), at('09'));
    expect(said(await send([before, act(id, agrees(false), at('10'))]))).toEqual(['kept', 'kept']);
    const refused = act(id, reading('chest-girth', '98.4'), at('11'));
    // What was read before that, on a device that was away, stands; and so does what is sent again.
    const answers = await send([refused, late, before]);
    expect(said(answers)).toEqual(['consent-withdrawn', 'kept', 'kept']);
    expect(answers[0]).toEqual(
      jasmine.objectContaining({
        detail: jasmine.stringContaining('no longer agrees to be measured'),
      }) as never,
    );
    // The database itself holds to it.
    const [row] = await app.database('acts').where({ id: late.id });
    const forced = { ...row, place: undefined, id: uuidv7(), body: JSON.stringify(row.body) };
    await expectAsync(
      app.database('acts').insert({ ...forced, done_at: new Date(`${YESTERDAY}T12:00:00.000Z`) }),
    ).toBeRejected();
    expect(said(await send([act(id, agrees(true), at('13')), { ...refused, ...at('14') }]))).toEqual([
      'kept',
      'kept',
    ]);
    expect((await records.made(id)).readings.length).toBe(3);
  });

  it('costs a reading one statement', async () => {
    const { id } = await records.docket();
    await send([act(id, reading('chest-girth', '98'))]);
    const asked: string[] = [];
    const hear = ({ sql }: { sql: string }) => asked.push(sql);
    app.database.on('query', hear);
    await send([act(id, reading('chest-girth', '98'))]);
    app.database.off('query', hear);
    expect(asked.map((sql) => sql.slice(0, 18))).toEqual(['insert into `acts`']);
  });

  it('stands as it is sent: every answer is a kept act', async () => {
    const { id } = await records.docket();
    for (const kept of (await records.bench(id)).acts)
      expect(keptActSchema.parse(JSON.parse(JSON.stringify(kept)))).toEqual(kept);
  });
});
