import {
  musterAskedPath,
  musterOrderAheadPath,
  musterSlipPath,
  musterSlipsPath,
  pathOf,
  PATHS,
  ROUTES,
  selfPath,
} from '@neat-measure/contract';
import {
  askedListSchema,
  orderAheadSchema,
  slipOwnerSchema,
  slipsMadeSchema,
} from '@neat-measure/contract/musters';
import { printedSlip } from '@neat-measure/core/muster';
import { readdir, readFile } from 'node:fs/promises';
import { v7 as uuidv7 } from 'uuid';
import { Harness, outboxOfSpecs, PASSPHRASE } from '../../testing/harness';
import { MusterHall } from '../../testing/musters';
import { problem, reading, Records, sheetFrom } from '../../testing/records';

const OUTBOX = outboxOfSpecs();
const LAST_DAY = '2099-12-31';

const VEST = 'size,chest-girth (cm),waist-girth (cm)\nM,94-102,82-90\nL,102-110,90-98\n';

describe('before the day of a muster', () => {
  let app: Harness;
  const records = new Records(() => app);
  const halls = new MusterHall(() => app, records);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  afterEach(() => app.signIn());

  const asks = (id: string, wearerIds: readonly string[], more: object = {}) =>
    app.send('POST', musterSlipsPath(id), { lastDay: LAST_DAY, wearerIds, as: 'letters', ...more });
  const made = async (id: string, wearerIds: readonly string[], more: object = {}) =>
    slipsMadeSchema.parse((await asks(id, wearerIds, more)).body);
  const asked = async (id: string) =>
    new Map(
      askedListSchema.parse((await app.get(musterAskedPath(id))).body).map((one) => [one.wearerId, one]),
    );
  /** The codes that were posted to a wearer, in no order. */
  const codesOf = async (wearerId: string) => {
    const files = (await readdir(OUTBOX)).filter((name) => name.startsWith(`slip-${wearerId}`));
    const letters = await Promise.all(files.map((name) => readFile(`${OUTBOX}/${name}`, 'utf8')));
    return letters.map((text) => /\/self\/([0-9A-Z]{10})/.exec(text.replace(/=\r\n/g, ''))![1]!);
  };
  const sends = (code: string, values: Readonly<Record<string, string>>) =>
    app.send(
      'PUT',
      selfPath(code),
      {
        ...{ id: uuidv7(), unit: 'cm' },
        readings: Object.entries(values).flatMap(([name, typed]) => [
          { code: name, typed },
          { code: name, typed },
        ]),
      },
      { cookie: '' },
    );

  it('makes slips four to a page, each with a code that opens the page of its wearer until its last day', async () => {
    const { id, wearers } = await halls.open(5);
    const ids = wearers.map(({ wearerId }) => wearerId);
    const slips = await made(id, ids, { as: 'slips' });
    expect([slips.made, slips.without]).toEqual([5, []]);
    const pdf = Buffer.from(slips.pdf!, 'base64').toString('latin1');
    expect(pdf.startsWith('%PDF')).toBeTrue();
    expect(pdf.match(/\/Type \/Page\b/g)!.length).toBe(2);
    expect((await asked(id)).get(ids[0]!)).toEqual(
      jasmine.objectContaining({ state: 'sent', until: jasmine.stringMatching(/^2099-12-31|^2100-01-01/) }),
    );
  });

  it('tells who looked, who answered, and whose letter was replaced by another', async () => {
    const { id, wearers } = await halls.open(2);
    const [one, other] = wearers.map(({ wearerId }) => wearerId) as [string, string];
    expect((await asked(id)).get(one)!.state).toBe('not-asked');
    expect((await made(id, [one, other])).made).toBe(2);
    const [code] = await codesOf(one);
    // As it stands on paper, in small letters.
    const typed = encodeURIComponent(printedSlip(code!).toLowerCase());
    expect((await app.send('GET', selfPath(typed), undefined, { cookie: '' })).status).toBe(200);
    expect([...(await asked(id)).values()].map(({ state }) => state)).toEqual(['opened', 'sent']);
    expect((await sends(code!, { 'chest-girth': '98', 'waist-girth': '85' })).status).toBe(200);
    expect((await asked(id)).get(one)).toEqual(
      jasmine.objectContaining({
        state: 'answered',
        acceptable: ['chest-girth', 'waist-girth'],
        concerns: [],
      }) as never,
    );
    const [first] = await codesOf(other);
    await made(id, [other]);
    const [before, after] = await Promise.all(
      [first!, (await codesOf(other)).find((another) => another !== first)!].map((another) =>
        app.send('GET', selfPath(another), undefined, { cookie: '' }),
      ),
    );
    expect([before!.status, after!.status]).toEqual([410, 200]);
  });

  it('makes none for whoever is asked nothing, is not there any more, or when the day has passed', async () => {
    const { id } = await halls.open(0);
    const wearerId = await records.wearer();
    await halls.does(id, { kind: 'people-added', people: [{ wearerId, docketId: uuidv7() }] });
    const stranger = uuidv7();
    expect(await made(id, [wearerId, stranger])).toEqual({
      made: 0,
      without: [
        { wearerId: stranger, why: 'erased' },
        { wearerId, why: 'asks-nothing' },
      ],
      pdf: null,
    });
    const late = await asks(id, [wearerId], { lastDay: '2020-01-01' });
    expect([late.status, late.body.detail]).toEqual([400, jasmine.stringContaining('has passed')]);
    await halls.does(id, { kind: 'muster-closed' });
    expect((await asks(id, [wearerId])).body.detail).toContain('closed');
  });

  it('accepts what passes the checks for a group, by one act, and each docket says so', async () => {
    const { id, wearers } = await halls.open(3);
    const [good, odd, silent] = wearers as [(typeof wearers)[0], (typeof wearers)[0], (typeof wearers)[0]];
    const ids = wearers.map(({ wearerId }) => wearerId);
    await made(id, ids);
    await sends((await codesOf(good.wearerId))[0]!, { 'chest-girth': '98', 'waist-girth': '85' });
    // A chest and a waist that go together on nobody.
    await sends((await codesOf(odd.wearerId))[0]!, { 'chest-girth': '130', 'waist-girth': '60' });
    const answers = await asked(id);
    expect(answers.get(odd.wearerId)!.concerns.length).toBeGreaterThan(0);
    expect(answers.get(odd.wearerId)!.acceptable).toEqual([]);
    const once = { id: uuidv7(), at: new Date().toISOString() };
    const act = {
      kind: 'values-accepted',
      wearerIds: ids,
      accepted: [{ wearerId: silent.wearerId, codes: ['height'] }],
    };
    await halls.does(id, act, once);
    await halls.does(id, act, once);
    const { people } = (await halls.view(id)).muster;
    const accepted = (one: { wearerId: string }) =>
      people.find(({ wearerId }) => wearerId === one.wearerId)!.ownAcceptedAt !== null;
    expect([accepted(good), accepted(silent)]).toEqual([true, false]);
    const { readings } = await records.made(good.docketId);
    expect(
      readings.map(({ code, length, origin, acceptedFor }) => [code, Number(length), origin, acceptedFor]),
    ).toEqual([
      ['chest-girth', 980_000, 'self', 'Winter intake'],
      ['waist-girth', 850_000, 'self', 'Winter intake'],
    ]);
    expect((await records.made(odd.docketId)).readings).toEqual([]);
    expect((await records.made(silent.docketId)).readings).toEqual([]);
    // What has been accepted is not there to be accepted again.
    expect((await asked(id)).get(good.wearerId)!.acceptable).toEqual([]);
  });

  it('leaves what a protective garment rests on to a fitter, and what the house says', async () => {
    await leavesToFitter(
      await halls.open(1, { sheet: sheetFrom(VEST, { kind: 'vest', garment: 'Cover vest' }) }),
    );
    const coat = await halls.open(1, { sheet: sheetFrom(VEST, { kind: 'outerwear', garment: 'Bank coat' }) });
    await settle({ fitterMeasures: ['outerwear'] });
    await leavesToFitter(coat);
    await settle({ fitterMeasures: [] });
    const { wearerId } = coat.wearers[0]!;
    expect((await asked(coat.id)).get(wearerId)!.acceptable).toEqual(['chest-girth', 'waist-girth']);
  });
  const settle = async (habits: object) => {
    const now = (await app.get(PATHS.settings)).body as { habits: object };
    expect((await app.put(PATHS.settings, { ...now, habits: { ...now.habits, ...habits } })).status).toBe(
      200,
    );
  };
  async function leavesToFitter({ id, wearers }: Awaited<ReturnType<MusterHall['open']>>): Promise<void> {
    const [{ wearerId, docketId }] = wearers as [(typeof wearers)[0]];
    await made(id, [wearerId]);
    await sends((await codesOf(wearerId))[0]!, { 'chest-girth': '98', 'waist-girth': '85' });
    const answer = (await asked(id)).get(wearerId)!;
    expect(answer.acceptable).toEqual([]);
    expect(answer.concerns[0]).toContain('a fitter measures it for');
    await halls.does(id, { kind: 'values-accepted', wearerIds: [wearerId] });
    expect((await records.made(docketId)).readings).toEqual([]);
  }

  it('finds whose a slip is by whatever a scanner sends of it, and says where it is nobody’s', async () => {
    const { id, wearers } = await halls.open(1);
    const [{ wearerId }] = wearers as [(typeof wearers)[0]];
    await made(id, [wearerId]);
    const other = await halls.open(1);
    const [code] = await codesOf(wearerId);
    const scan = (musterId: string, text: string) =>
      app.send('POST', musterSlipPath(musterId), { code: text });
    for (const text of [code!, `https://hall.example/self/${code}`, printedSlip(code!)])
      expect(slipOwnerSchema.parse((await scan(id, text)).body)).toEqual({ wearerId });
    const elsewhere = await scan(other.id, code!);
    expect([elsewhere.status, elsewhere.body.detail]).toEqual([
      404,
      jasmine.stringContaining('of another muster (Winter intake)'),
    ]);
    expect((await scan(id, 'D57-2')).body.detail).toContain('not the code of a slip');
  });

  it('works out an order before the tape, from what is known of everybody', async () => {
    const { id, wearers, kitId } = await halls.open(3);
    const order = async (more: object = {}) =>
      orderAheadSchema.parse(
        (await app.send('POST', musterOrderAheadPath(id), { chance: 0.95, ...more })).body,
      );
    const nothing = await order();
    expect(nothing.restsOn).toEqual(jasmine.objectContaining({ measured: 0, own: 0, nothing: 3 }));
    // One was measured on an earlier docket: a chest and a waist of XL.
    const [{ wearerId }] = wearers as [(typeof wearers)[0]];
    const earlier = uuidv7();
    await records.does(earlier, {
      ...{ kind: 'docket-opened', wearerId, occasion: '', unit: 'cm', preference: 'regular' },
    } as never);
    for (const [code, typed] of [
      ['chest-girth', '115'],
      ['waist-girth', '104'],
    ] as const)
      for (let times = 0; times < 2; times += 1) await records.does(earlier, reading(code, typed));
    const some = await order();
    expect(some.restsOn).toEqual(jasmine.objectContaining({ measured: 1, nothing: 2 }));
    const [jacket] = some.garments;
    expect([jacket!.members, jacket!.untold]).toEqual([3, 0]);
    const mean = (view: typeof some) =>
      view.garments[0]!.lines.find(({ label }) => label === 'XL')?.mean ?? 0;
    expect(mean(some)).toBeGreaterThan(mean(nothing) + 0.3);
    const more = await order({ others: [{ build: 'men', count: 20, kitId }] });
    expect(more.garments[0]!.members).toBe(23);
    expect(more.garments[0]!.ordered).toBeGreaterThan(jacket!.ordered);
    // The same list, the same order.
    expect(await order()).toEqual(some);
    expect(problem(await app.send('POST', musterOrderAheadPath(id), { chance: 1 }))[0]).toBe(400);
  });

  it('lets a lead ask and order, a fitter see and scan, and a viewer neither', async () => {
    const { id, wearers } = await halls.open(1);
    const ids = wearers.map(({ wearerId }) => wearerId);
    const person = async (role: 'fitter' | 'viewer') => {
      await app.person(role, `${role}-of-${id}`);
      await app.signIn(PASSPHRASE, `${role}-of-${id}`);
    };
    await person('fitter');
    expect((await asks(id, ids)).status).toBe(403);
    expect((await app.get(musterAskedPath(id))).status).toBe(200);
    expect(await halls.refused(id, { kind: 'values-accepted', wearerIds: ids })).toContain(
      'muster-not-trusted',
    );
    await person('viewer');
    expect((await app.get(musterAskedPath(id))).status).toBe(403);
    expect((await app.get(pathOf(ROUTES.musters, id))).status).toBe(200);
  });
});
