import {
  awayDevicesSchema,
  deviceHeardSchema,
  docketMetPath,
  musterPackPath,
  pathOf,
  PATHS,
  ROUTES,
  type DeviceHeard,
} from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness, PASSPHRASE } from '../../testing/harness';
import { MusterHall } from '../../testing/musters';
import { reading, Records } from '../../testing/records';

describe('a device that took a muster along', () => {
  let app: Harness;
  const records = new Records(() => app);
  const halls = new MusterHall(() => app, records);
  beforeEach(async () => {
    app = await Harness.start();
    await app.person('fitter', 'maelis');
  });
  afterEach(() => app.stop());

  /** Somebody at a device of their own: what their browser sends, and their pen there. */
  const at = async (signIn = 'maelis', before = '') => {
    const headers = { cookie: before };
    const answer = await app.send('POST', ROUTES.session, { signIn, passphrase: PASSPHRASE }, headers);
    const { id, name, pen } = answer.body.who as { id: string; name: string; pen: string };
    const device = answer.device ?? before;
    return { cookie: `${answer.cookie}; ${device}`, device, by: { id, name }, pen, body: answer.body };
  };
  const contact = async (cookie: string, waits: object[] = [], clock = new Date()): Promise<DeviceHeard> => {
    const said = { clock: clock.toISOString(), waits };
    return deviceHeardSchema.parse((await app.send('POST', PATHS.deviceContact, said, { cookie })).body);
  };
  const taken = async (musterId: string) => {
    const device = await at();
    await app.send('GET', musterPackPath(musterId), undefined, { cookie: device.cookie });
    return device;
  };
  const listed = async () => awayDevicesSchema.parse((await app.get(PATHS.awayDevices)).body);
  const send = async (
    { pen, by }: { pen: string; by: object },
    docketId: string,
    doing: object,
    more: object = {},
  ) => {
    const act = { id: uuidv7(), docketId, at: new Date().toISOString(), by, ...doing };
    const { body } = await app.send('POST', ROUTES.acts, { pen, acts: [act], ...more });
    return body[0] as { outcome: string; id: string; kept?: { clockOff?: number } };
  };

  it('is listed with who is on it, and one that took nothing is not', async () => {
    const { id } = await halls.open();
    const other = await at();
    await contact(other.cookie);
    expect(await listed()).toEqual([]);
    await taken(id);
    const [device, ...more] = await listed();
    expect(more).toEqual([]);
    expect([device!.muster!.id, device!.fitters, device!.endedAt, device!.missing]).toEqual([
      id,
      ['The fitter'],
      null,
      [],
    ]);
    // A fitter does not see what others' devices have.
    expect((await app.send('GET', PATHS.awayDevices, undefined, { cookie: other.cookie })).status).toBe(403);
  });

  it('that is ended signs nobody in any more, hears of it until it has erased, and is another from then on', async () => {
    const { id, wearers } = await halls.open();
    await halls.does(id, { kind: 'checked-in', wearerId: wearers[0]!.wearerId });
    const { docketId } = wearers[0]!;
    const lost = await taken(id);
    const elsewhere = await at();
    const deviceId = (await listed())[0]!.id;
    expect((await contact(lost.cookie)).ended).toBeFalse();
    const end = () => app.send('DELETE', pathOf(PATHS.awayDevices, deviceId));
    expect([(await end()).status, (await end()).status]).toEqual([204, 404]);

    const asked = (cookie: string) => app.send('GET', ROUTES.session, undefined, { cookie });
    const session = await asked(lost.cookie);
    expect([session.body.who, session.body.device, session.body.deviceEnded]).toEqual([null, null, true]);
    expect((await asked(elsewhere.cookie)).body.who)
      .withContext('the same fitter elsewhere')
      .not.toBeNull();
    // What it still had is kept for a lead fitter, and not added by itself.
    expect((await send(lost, docketId, reading('chest-girth', '98'))).outcome).toBe('late');
    expect((await send(elsewhere, docketId, reading('chest-girth', '98'))).outcome).toBe('kept');
    // Whoever signs in there is told before anything else, as often as it takes.
    expect((await at('maelis', lost.device)).body.deviceEnded).toBeTrue();
    expect((await contact(lost.device)).ended).toBeTrue();
    const erased = await app.send('PUT', PATHS.deviceErased, {}, { cookie: lost.device });
    expect(erased.status).toBe(204);
    const after = await at('maelis', erased.device!);
    expect(after.body.deviceEnded).toBeUndefined();
    expect(after.body.device.key).not.toBe(lost.body.device.key);
    const [device] = await listed();
    expect([device!.endedBy!.name, device!.erasedAt === null]).toEqual(['Odalys Wren', false]);
    const noted = await app
      .database('audit')
      .whereIn('kind', ['device-ended', 'device-erased'])
      .pluck('kind');
    expect(noted.sort()).toEqual(['device-ended', 'device-erased']);
  });

  it('hears which of the wearers it names are not in the house any more, if it is known here', async () => {
    const [stays, goes] = [
      await records.save(ROUTES.wearers, { name: 'Oona Stays', role: '', version: 0 }),
      await records.save(ROUTES.wearers, { name: 'Oona Goes', role: '', version: 0 }),
    ];
    const { cookie } = await at();
    const named = async (as: string) => {
      const said = { clock: new Date().toISOString(), waits: [], knows: [stays, goes] };
      const { body } = await app.send('POST', PATHS.deviceContact, said, { cookie: as });
      return deviceHeardSchema.parse(body).gone;
    };
    expect(await named(cookie)).toEqual([]);
    await app.send('DELETE', pathOf(ROUTES.wearers, goes), { hires: [] });
    expect(await named(cookie)).toEqual([goes]);
    expect(await named('other=cookie')).toEqual([]);
    expect((await contact(cookie)).gone).toEqual([]);
  });

  it('is not ended by whoever may not, or by its own word', async () => {
    const { id } = await halls.open();
    const device = await taken(id);
    const deviceId = (await listed())[0]!.id;
    const { cookie } = device;
    expect(
      (await app.send('DELETE', pathOf(PATHS.awayDevices, deviceId), undefined, { cookie })).status,
    ).toBe(403);
    await app.send('PUT', PATHS.deviceErased, {}, { cookie });
    const [one] = await listed();
    expect([one!.erasedAt, (await contact(cookie)).ended]).toEqual([null, false]);
    const unsigned = 'neat-measure-device=s%3Amade-up.signature';
    expect((await contact(unsigned)).ended).toBeFalse();
  });

  it('is missed by docket: what it said that waits, and whoever stood at its station and has nothing', async () => {
    const { id, wearers, tape } = await halls.open(4);
    const [called, done, said, unopened] = wearers;
    for (const { wearerId } of [called!, done!, said!])
      await halls.does(id, { kind: 'checked-in', wearerId });
    const lost = await taken(id);
    const act = { id: uuidv7(), musterId: id, at: new Date().toISOString(), by: lost.by };
    await app.send('POST', ROUTES.acts, {
      pen: lost.pen,
      acts: [{ ...act, kind: 'station-taken', stationId: tape, works: true }],
    });
    // Whoever was there and has readings of theirs is not missed.
    await halls.does(id, { kind: 'called', wearerId: done!.wearerId, stationId: tape });
    await send(lost, done!.docketId, reading('chest-girth', '98'));
    await halls.does(id, { kind: 'sent-back', wearerId: done!.wearerId, stationId: tape });
    await halls.does(id, { kind: 'called', wearerId: called!.wearerId, stationId: tape });
    await contact(lost.cookie, [
      { subject: said!.docketId, acts: 3, readings: 2 },
      { subject: unopened!.docketId, acts: 1, readings: 1 },
      { subject: uuidv7(), acts: 1, readings: 0 },
    ]);
    await send(lost, said!.docketId, reading('chest-girth', '98'));
    const [device] = await listed();
    expect(device!.missing.map(({ docketId, station, changes }) => [docketId, station, changes])).toEqual([
      [said!.docketId, null, 2],
      [unopened!.docketId, null, 1],
      [called!.docketId, 'Tape', null],
    ]);
    expect(device!.missing.map(({ number }) => number === null)).toEqual([false, true, false]);
  });

  it('with a clock that is behind reads nothing of who had taken back that they agree, and what it read before stands', async () => {
    const { id, wearers } = await halls.open();
    await halls.does(id, { kind: 'checked-in', wearerId: wearers[0]!.wearerId });
    const { docketId } = wearers[0]!;
    const [behind, right] = [await taken(id), await at()];
    const moment = (hours: number) => new Date(Date.now() + hours * 3_600_000).toISOString();
    const read = (hours: number, clock: number) =>
      send(
        behind,
        docketId,
        { ...reading('chest-girth', '98'), at: moment(hours) },
        { clock: moment(clock) },
      );
    const withdraws = { kind: 'consent-recorded', given: false, wording: 1 };
    await send(right, docketId, { ...withdraws, at: moment(-1) });
    // By its own clock it read long before; by the true one it did after.
    expect((await read(-3, -3)).outcome).toBe('refused');
    expect((await read(-5, -3)).outcome).toBe('kept');
    expect((await read(0, 0)).outcome).toBe('refused');

    // Taken back by a clock that is ahead it holds from the moment it was, and not hours later.
    const other = wearers[1]!;
    await halls.does(id, { kind: 'checked-in', wearerId: other.wearerId });
    await send(right, other.docketId, { ...withdraws, at: moment(4) }, { clock: moment(4) });
    const now = { ...reading('chest-girth', '98'), at: moment(0.01) };
    expect((await send(right, other.docketId, now)).outcome).toBe('refused');
  });

  it('with a clock hours off is told the time, and its moments stay as it said them with the difference beside', async () => {
    const { id, wearers } = await halls.open();
    await halls.does(id, { kind: 'checked-in', wearerId: wearers[0]!.wearerId });
    const { docketId } = wearers[0]!;
    const device = await taken(id);
    const ahead = (hours: number) => new Date(Date.now() + hours * 3_600_000);
    const heard = await contact(device.cookie, [], ahead(5));
    expect(Math.abs(Date.parse(heard.now) - Date.now())).toBeLessThan(60_000);
    expect((await listed())[0]!.clockOff).toBeCloseTo(5 * 3_600, -2);

    const read = (hours: number, more: object = {}) =>
      send(device, docketId, { ...reading('chest-girth', '98'), at: ahead(hours).toISOString() }, more);
    const kept = await read(5, { clock: ahead(5).toISOString() });
    expect(kept.kept!.clockOff).toBeCloseTo(5 * 3_600, -2);
    // A clock that was never set is no reason to lose a day's work; a moment that does not fit its own clock is.
    expect((await read(-9_000, { clock: ahead(-9_000).toISOString() })).outcome).toBe('kept');
    expect((await read(-9_000)).outcome).toBe('refused');
    expect((await read(0, { clock: ahead(0).toISOString() })).kept!.clockOff).toBeUndefined();
    const bench = await records.bench(docketId);
    const offs = bench.acts.flatMap(({ clockOff, act }) =>
      act.kind === 'reading-taken' ? [clockOff ?? 0] : [],
    );
    expect(offs.map((off) => Math.round(off / 3_600))).toEqual([5, -9_000, 0]);
    expect((await app.get(docketMetPath(docketId))).body).toEqual([]);
  });
});
