import { pathOf } from '@neat-measure/contract';
import {
  bookingSchema,
  docketStockPath,
  docketStockSchema,
  freeSchema,
  hireCalendarSchema,
  inspectionPath,
  STORES,
  warningsSchema,
} from '@neat-measure/contract/stores';
import { addDays, dayOf } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../../testing/harness';
import { problem } from '../../testing/records';
import { forgetOldHires } from './forget';
import { handing, Stores, SUIT } from '../../testing/stock';

const TODAY = dayOf(new Date());
const inDays = (days: number) => addDays(TODAY, days);

describe('what is hired', () => {
  let app: Harness;
  const stores = new Stores(() => app);
  const { records } = stores;
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  /** Suits in M, with two days to dry. */
  async function suits(...serials: string[]) {
    const [roomId, series] = [await stores.room(), await stores.chart(SUIT)];
    const article = await stores.receive(roomId, series, 'M', serials.length, serials);
    const { pieces } = await stores.account(article.id);
    const idOf = (serial: string) => pieces.find((one) => one.serial === serial)!.id;
    return { roomId, series, article, idOf };
  }
  const book = (pieceId: string, from: string, until: string, more: object = {}, id = uuidv7()) =>
    app.put(pathOf(STORES.bookings, id), {
      pieceId,
      docketId: null,
      chartId: null,
      who: 'Suri Vance',
      from,
      until,
      deposit: null,
      cancelled: false,
      version: 0,
      ...more,
    });
  const free = async (series: string, from: string, until: string) => {
    const { body } = await app.get(`${STORES.free}?series=${series}&from=${from}&until=${until}`);
    return freeSchema
      .parse(body)
      .flatMap(({ label, pieces }) => pieces.map(({ serial }) => `${label} ${serial}`));
  };
  const calendar = async (series: string) => {
    const query = `?from=${inDays(-60)}&until=${inDays(60)}&series=${series}`;
    return hireCalendarSchema.parse((await app.get(`${STORES.bookings}${query}`)).body);
  };
  const warned = async (says: string) =>
    warningsSchema
      .parse((await app.get(STORES.warnings)).body)
      .filter((one) => one.says.includes(says))
      .map(({ kind }) => kind);

  it('is booked once for a day, by fifty who ask at once', async () => {
    const { series, idOf } = await suits('B1');
    const answers = await Promise.all(
      Array.from({ length: 50 }, (_, at) =>
        book(idOf('B1'), inDays(3 + (at % 3)), inDays(5 + (at % 3)), { who: `Visitor ${at}` }),
      ),
    );
    const statuses = answers.map(({ status }) => status);
    expect(statuses.filter((status) => status === 200).length).toBe(1);
    expect(statuses.filter((status) => status === 409).length).toBe(49);
    expect((await calendar(series)).bookings.length).toBe(1);
  });

  it('is free again once it is dry, and not before', async () => {
    const { series, idOf } = await suits('D1');
    await book(idOf('D1'), inDays(10), inDays(12));
    expect(await free(series, inDays(14), inDays(15))).toEqual([]);
    expect(await free(series, inDays(15), inDays(16))).toEqual(['M D1']);
    expect(await free(series, inDays(7), inDays(7))).toEqual(['M D1']);
    expect(await free(series, inDays(8), inDays(8)))
      .withContext('would still be wet')
      .toEqual([]);
    expect(problem(await book(idOf('D1'), inDays(14), inDays(16)))).toEqual([409, 'stock-refused']);
    expect((await book(idOf('D1'), inDays(15), inDays(16))).status).toBe(200);
  });

  it('is booked, changed and taken back by its version', async () => {
    const { series, idOf } = await suits('E1', 'E2');
    const id = uuidv7();
    const send = (more: object) => book(idOf('E1'), inDays(1), inDays(2), more, id);
    const first = bookingSchema.parse((await send({ deposit: 50 })).body);
    expect([first.version, first.deposit, first.late]).toEqual([1, 50, 0]);
    expect((await send({ deposit: 50 })).body.version)
      .withContext('the same again')
      .toBe(1);
    const moved = bookingSchema.parse((await send({ pieceId: idOf('E2'), version: 1 })).body);
    expect(moved.serial).toBe('E2');
    expect(problem(await send({ version: 1, until: inDays(3), who: 'Somebody else' }))).toEqual([
      409,
      'changed-meanwhile',
    ]);
    expect((await send({ pieceId: idOf('E2'), version: 2, cancelled: true })).body.outcome).toBe('cancelled');
    expect((await free(series, inDays(1), inDays(2))).length).toBe(2);
    expect(problem(await send({ version: 3 }))).toEqual([409, 'stock-refused']);
  });

  it('refuses days that cannot be, and pieces there are not', async () => {
    const { idOf } = await suits('F1');
    expect(problem(await book(idOf('F1'), inDays(3), inDays(2)))).toEqual([409, 'stock-refused']);
    expect(problem(await book(idOf('F1'), inDays(3), inDays(800)))).toEqual([409, 'stock-refused']);
    expect(problem(await book(idOf('F1'), inDays(-9), inDays(-8)))).toEqual([409, 'stock-refused']);
    expect(problem(await book(idOf('F1'), '2026-02-30', inDays(8)))).toEqual([400, 'invalid']);
    expect(problem(await book(uuidv7(), inDays(3), inDays(4)))).toEqual([404, 'not-found']);
    expect(problem(await book(idOf('F1'), inDays(3), inDays(4), { who: '' }))).toEqual([400, 'invalid']);
    expect(problem(await app.get(pathOf(STORES.bookings, uuidv7())))).toEqual([404, 'not-found']);
  });

  it('goes out by the docket, is said to be late, comes back, and dries', async () => {
    const { roomId, series, article, idOf } = await suits('G1', 'G2');
    const docket = await stores.sized(series, 'M');
    await book(idOf('G1'), TODAY, inDays(2), { docketId: docket, chartId: series, who: 'Visitor' });
    const there = async (until: string) =>
      docketStockSchema
        .parse((await app.get(`${docketStockPath(docket)}?from=${TODAY}&until=${until}`)).body)[0]!
        .there.flatMap(({ pieces }) => pieces.map(({ serial }) => serial));
    expect(await there(inDays(2)))
      .withContext('its own booking is no hindrance')
      .toEqual(['G1', 'G2']);
    const stock = docketStockSchema.parse((await app.get(docketStockPath(docket))).body);
    expect(stock[0]!.booked).toEqual({ pieceId: idOf('G1'), until: inDays(2), label: 'M', serial: 'G1' });
    const from = { roomId, pieceId: idOf('G1') };
    await records.does(docket, handing(series, { way: 'hired', until: inDays(2), from }));
    const [out] = (await calendar(series)).bookings;
    expect([out!.out, out!.docketId]).toEqual([TODAY, docket]);
    // Days pass: the booking is as it would be three days after it was due.
    await app
      .database('bookings')
      .where({ id: out!.id })
      .update({ from_day: inDays(-6), until_day: inDays(-3), free_day: inDays(-1) });
    expect(await warned('G1')).toEqual(['overdue']);
    expect((await calendar(series)).bookings[0]!.late).toBe(3);
    expect(await free(series, TODAY, inDays(1)))
      .withContext('nobody knows when it comes back')
      .toEqual(['M G2']);
    await book(idOf('G1'), inDays(1), inDays(2), { who: 'The next' });
    expect((await warned('G1')).sort()).toEqual(['clash', 'overdue']);
    const back = { kind: 'garment-came-back', chartId: series, why: 'hire-over', area: null } as const;
    await records.does(docket, { ...back, note: 'Muddy', goes: 'drying', to: roomId });
    const [ended] = (await calendar(series)).bookings;
    expect([ended!.outcome, ended!.back, ended!.late, ended!.note]).toEqual(['back', TODAY, 3, 'Muddy']);
    expect(ended!.free).withContext('it dries, whoever has it booked').toBe(inDays(3));
    expect(await warned('G1'))
      .withContext('the next has it booked while it dries')
      .toEqual(['clash']);
    const [place] = (await stores.account(article.id)).pieces.filter(({ serial }) => serial === 'G1');
    expect(place!.place).toBe(`${roomId}/drying`);
    const dried = {
      kind: 'released',
      from: `${roomId}/drying`,
      to: `${roomId}/shelf`,
      pieceIds: [idOf('G1')],
    };
    expect((await stores.move(article.id, dried)).status).toBe(200);
    expect(problem(await stores.move(article.id, dried)))
      .withContext('it is not there any more')
      .toEqual([409, 'stock-refused']);
    expect([await warned('G1'), (await calendar(series)).bookings[0]!.free])
      .withContext('dry before its day')
      .toEqual([[], TODAY]);
  });

  it('says that a wet suit is promised for tomorrow until another is given', async () => {
    const { roomId, series, idOf } = await suits('P1', 'P2');
    const docket = await stores.sized(series, 'M');
    const from = { roomId, pieceId: idOf('P1') };
    await records.does(docket, handing(series, { way: 'hired', until: TODAY, from }));
    // Days pass: it was due three days ago.
    await app
      .database('bookings')
      .where({ docket_id: docket })
      .update({ from_day: inDays(-6), until_day: inDays(-3), free_day: inDays(-1) });
    const next = bookingSchema.parse((await book(idOf('P1'), inDays(1), inDays(2), { who: 'Next' })).body);
    const back = { kind: 'garment-came-back', chartId: series, why: 'hire-over', area: null } as const;
    await records.does(docket, { ...back, note: null, goes: 'drying', to: roomId });
    expect(await warned('P1 dries until')).toEqual(['clash']);
    expect(await free(series, inDays(1), inDays(1)))
      .withContext('neither it, nor that which is booked')
      .toEqual(['M P2']);
    const given = { who: 'Next', version: next.version };
    expect((await book(idOf('P2'), inDays(1), inDays(2), given, next.id)).status).toBe(200);
    expect(await warned('P1 dries until')).toEqual([]);
    const drawn = (await calendar(series)).bookings.map(({ serial, free: dry }) => [serial, dry]);
    expect(drawn.sort()).toEqual([
      ['P1', inDays(3)],
      ['P2', inDays(5)],
    ]);
  });

  it('that comes back dries until its day where the next booking begins later', async () => {
    const { roomId, series, idOf } = await suits('DRY1');
    const docket = await stores.sized(series, 'M');
    const from = { roomId, pieceId: idOf('DRY1') };
    await records.does(docket, handing(series, { way: 'hired', until: TODAY, from }));
    await book(idOf('DRY1'), inDays(9), inDays(10), { who: 'Next' });
    const back = { kind: 'garment-came-back', chartId: series, why: 'hire-over', area: null } as const;
    await records.does(docket, { ...back, note: null, goes: 'drying', to: roomId });
    expect(await warned('DRY1')).toEqual([]);
    expect(await free(series, inDays(2), inDays(2)))
      .withContext('still wet')
      .toEqual([]);
    expect(await free(series, inDays(4), inDays(5)))
      .withContext('dry, and back before the next has it')
      .toEqual(['M DRY1']);
  });

  it('is taken back, though it must be handed to nobody by then', async () => {
    const { roomId, series, article, idOf } = await suits('S1');
    const docket = await stores.sized(series, 'M');
    const from = { roomId, pieceId: idOf('S1') };
    await records.does(docket, handing(series, { way: 'hired', until: TODAY, from }));
    await app.put(inspectionPath(idOf('S1'), uuidv7()), { day: TODAY, passed: false, note: 'A torn seal' });
    expect((await stores.account(article.id)).pieces[0]!.blocked).toBeTrue();
    const back = { kind: 'garment-came-back', chartId: series, why: 'hire-over', area: null } as const;
    await records.does(docket, { ...back, note: null, goes: 'quarantine', to: roomId });
    const [piece] = (await stores.account(article.id)).pieces;
    expect([piece!.place, piece!.blocked]).toEqual([`${roomId}/quarantine`, true]);
  });

  it('is told at the garment of the docket that it is booked for, and at no other', async () => {
    const [suit, other] = [await suits('R1'), await suits('R2')];
    const { id } = await records.docket([suit.series, other.series]);
    for (const { series } of [suit, other]) await stores.keeps(id, series, 'M');
    await book(other.idOf('R2'), TODAY, inDays(1), { docketId: id, chartId: other.series });
    const told = async () =>
      docketStockSchema
        .parse((await app.get(docketStockPath(id))).body)
        .map(({ chartId, booked }) => [chartId, booked?.serial ?? null]);
    expect(await told()).toEqual([
      [suit.series, null],
      [other.series, 'R2'],
    ]);
    // What the docket has no more is asked of nobody; a size that never was in stock is not there.
    await records.does(id, { kind: 'garment-dropped', chartId: other.series });
    expect(await told()).toEqual([[suit.series, null]]);
    await stores.keeps(id, suit.series, 'L');
    const [large] = docketStockSchema.parse((await app.get(docketStockPath(id))).body);
    expect([large!.label, large!.there, large!.others.map(({ label }) => label)]).toEqual(['L', [], ['M']]);
  });

  it('says of what is promised and will not go: set aside, or not through its inspection', async () => {
    const { roomId, article, idOf } = await suits('Q1', 'Q2');
    await book(idOf('Q1'), inDays(4), inDays(5), { who: 'One' });
    await book(idOf('Q2'), inDays(4), inDays(5), { who: 'Other' });
    expect(await warned('Q1')).toEqual([]);
    const aside = { kind: 'moved', from: `${roomId}/shelf`, to: `${roomId}/quarantine` };
    await stores.move(article.id, { ...aside, pieceIds: [idOf('Q1')] });
    expect(await warned('Q1 is set aside, and One has it booked')).toEqual(['clash']);
    await app.put(inspectionPath(idOf('Q2'), uuidv7()), { day: TODAY, passed: false, note: 'Torn' });
    expect(await warned('Q2 must not be handed out, and Other')).toEqual(['clash']);
  });

  it('goes to the name it is booked for, and is booked again where handing it over was a slip', async () => {
    const { roomId, series, idOf } = await suits('R1', 'R2');
    const docket = await stores.sized(series, 'M');
    const { wearer } = await records.bench(docket);
    await app.database('wearers').where({ id: wearer.id }).update({ name: 'Ottoline Brask' });
    const who = ' OTTOLINE Brask ';
    const { body } = await book(idOf('R2'), TODAY, inDays(4), { who, deposit: 20 });
    const stock = async () =>
      docketStockSchema.parse((await app.get(`${docketStockPath(docket)}?until=${inDays(4)}`)).body)[0]!;
    expect((await stock()).booked).toEqual({
      pieceId: idOf('R2'),
      until: inDays(4),
      label: 'M',
      serial: 'R2',
    });
    expect((await stock()).there[0]!.pieces.map(({ serial }) => serial))
      .withContext('theirs is the first to go')
      .toEqual(['R2', 'R1']);
    const hired = (serial: string, until: string) =>
      handing(series, { way: 'hired', until, from: { roomId, pieceId: idOf(serial) } });
    const slip = await records.does(docket, hired('R2', inDays(3)));
    const now = async () =>
      (await calendar(series)).bookings.map(({ serial, docketId, out, until, deposit }) => [
        serial,
        docketId === docket,
        out,
        until,
        deposit,
      ]);
    expect(await now()).toEqual([['R2', true, TODAY, inDays(3), 20]]);
    await records.does(docket, { kind: 'handing-withdrawn', actId: slip });
    expect(await now()).toEqual([['R2', false, null, inDays(4), 20]]);
    await records.does(docket, hired('R1', inDays(2)));
    expect(await now())
      .withContext('another piece, and one booking')
      .toEqual([['R1', true, TODAY, inDays(2), 20]]);
    expect(bookingSchema.parse(body).docketId).toBeNull();
  });

  it('leaves the booking of a namesake alone, where another piece goes', async () => {
    const { roomId, series, idOf } = await suits('S1', 'S2');
    const docket = await stores.sized(series, 'M');
    const { wearer } = await records.bench(docket);
    const twin = await stores.sized(series, 'M');
    const other = await records.bench(twin);
    await app.database('wearers').where({ id: other.wearer.id }).update({ name: wearer.name });
    await book(idOf('S1'), TODAY, inDays(2), { who: wearer.name });
    const from = { roomId, pieceId: idOf('S2') };
    await records.does(docket, handing(series, { way: 'hired', until: inDays(1), from }));
    const all = (await calendar(series)).bookings.map(({ serial, out }) => [serial, out]);
    expect(all.sort()).toEqual([
      ['S1', null],
      ['S2', TODAY],
    ]);
  });

  it('is moved, or taken back, though its piece is no longer in stock', async () => {
    const { roomId, series, article, idOf } = await suits('T1', 'T2');
    const { body } = await book(idOf('T1'), inDays(40), inDays(41), { who: 'Far' });
    const lost = { kind: 'written-off', from: `${roomId}/shelf`, to: 'waste', reason: 'Torn' };
    await stores.move(article.id, { ...lost, pieceIds: [idOf('T1')] });
    const seen = await calendar(series);
    expect([seen.pieces.map(({ serial }) => serial).sort(), seen.bookings.length]).toEqual([['T1', 'T2'], 1]);
    const { id } = bookingSchema.parse(body);
    expect(bookingSchema.parse((await app.get(pathOf(STORES.bookings, id))).body).who).toBe('Far');
    const far = { who: 'Far', version: 1 };
    expect(problem(await book(idOf('T1'), inDays(42), inDays(43), far, id))).toEqual([409, 'stock-refused']);
    expect((await book(idOf('T2'), inDays(42), inDays(43), far, id)).status).toBe(200);
    expect((await calendar(series)).pieces.map(({ serial }) => serial)).toEqual(['T2']);
    const { body: second } = await book(idOf('T2'), inDays(50), inDays(51), { who: 'Farther' });
    await stores.move(article.id, { ...lost, pieceIds: [idOf('T2')] });
    const gone = { who: 'Farther', version: 1, cancelled: true };
    const { id: later } = bookingSchema.parse(second);
    expect((await book(idOf('T2'), inDays(50), inDays(51), gone, later)).status).toBe(200);
  });

  it('is extended at its docket, unless somebody else has it by then', async () => {
    const { roomId, series, idOf } = await suits('U1');
    const docket = await stores.sized(series, 'M');
    const from = { roomId, pieceId: idOf('U1') };
    await records.does(docket, handing(series, { way: 'hired', until: inDays(1), from }));
    await book(idOf('U1'), inDays(9), inDays(10), { who: 'Next' });
    const extends_ = (until: string) => app.does(docket, { kind: 'hire-extended', chartId: series, until });
    expect((await extends_(inDays(6))).outcome).toBe('kept');
    const own = async () => (await calendar(series)).bookings.find(({ out }) => out !== null)!;
    expect([(await own()).until, (await own()).free]).toEqual([inDays(6), inDays(9)]);
    expect(await extends_(inDays(7))).toEqual(
      jasmine.objectContaining({ outcome: 'refused', code: 'booked-otherwise' }),
    );
    const { handings } = await records.made(docket);
    expect([handings[0]!.until, (await own()).until])
      .withContext('docket and calendar say the same')
      .toEqual([inDays(6), inDays(6)]);
    expect((await extends_(inDays(2))).outcome)
      .withContext('sooner')
      .toBe('kept');
    expect((await own()).free).toBe(inDays(5));
  });

  it('went out and came back on the days it did, however late the device could say so', async () => {
    const { roomId, series, idOf } = await suits('W1');
    const docket = await stores.sized(series, 'M');
    const daysAgo = (days: number) => ({ at: new Date(Date.now() - days * 86_400_000).toISOString() });
    const from = { roomId, pieceId: idOf('W1') };
    await records.does(docket, handing(series, { way: 'hired', until: inDays(-1), from }), daysAgo(3));
    const back = { kind: 'garment-came-back', chartId: series, why: 'hire-over', area: null } as const;
    await records.does(docket, { ...back, note: null, goes: 'stock', to: roomId }, daysAgo(1));
    const [ended] = (await calendar(series)).bookings;
    expect([ended!.out, ended!.back, ended!.late]).toEqual([inDays(-3), inDays(-1), 0]);
    expect(await free(series, TODAY, inDays(1))).toEqual(['M W1']);
  });

  it('goes out by the next of several bookings, and leaves the others booked', async () => {
    const { roomId, series, idOf } = await suits('V1', 'V2');
    const docket = await stores.sized(series, 'M');
    const own = { docketId: docket, chartId: series, who: 'Visitor' };
    await book(idOf('V1'), inDays(30), inDays(32), own);
    await book(idOf('V2'), TODAY, inDays(1), own);
    const [stock] = docketStockSchema.parse((await app.get(docketStockPath(docket))).body);
    expect(stock!.booked).toEqual({ pieceId: idOf('V2'), until: inDays(1), label: 'M', serial: 'V2' });
    const from = { roomId, pieceId: idOf('V2') };
    await records.does(docket, handing(series, { way: 'hired', until: inDays(1), from }));
    const { body } = await app.get(`${STORES.bookings}?from=${TODAY}&until=${inDays(60)}&series=${series}`);
    const booked = hireCalendarSchema
      .parse(body)
      .bookings.map(({ serial, from: day, out }) => [serial, day, out]);
    expect(booked.sort()).toEqual([
      ['V1', inDays(30), null],
      ['V2', TODAY, TODAY],
    ]);
  });

  it('does not go out where somebody else has it booked, and neither act nor movement stands', async () => {
    const { roomId, series, article, idOf } = await suits('H1');
    await book(idOf('H1'), inDays(2), inDays(3));
    const docket = await stores.sized(series, 'M');
    const from = { roomId, pieceId: idOf('H1') };
    const answer = await app.does(docket, handing(series, { way: 'hired', until: inDays(1), from }));
    expect(answer).toEqual(jasmine.objectContaining({ outcome: 'refused', code: 'booked-otherwise' }));
    expect((await records.made(docket)).handings).toEqual([]);
    expect(await stores.shelf(article.id)).toBe(1);
    const asked = docketStockSchema.parse(
      (await app.get(`${docketStockPath(docket)}?from=${TODAY}&until=${inDays(1)}`)).body,
    );
    expect(asked[0]!.there).toEqual([]);
  });

  it('offers the other sizes that are free for the days, and forgets the names of whom is erased', async () => {
    const { roomId, series, idOf } = await suits('K1');
    await stores.receive(roomId, series, 'L', 2, ['K2', 'K3']);
    const large = (await calendar(series)).pieces.find(({ serial }) => serial === 'K2')!;
    await book(large.id, inDays(1), inDays(2), { who: 'The next' });
    await book(idOf('K1'), TODAY, inDays(2), { who: 'Somebody else' });
    const docket = await stores.sized(series, 'M');
    const asked = async () =>
      docketStockSchema.parse((await app.get(`${docketStockPath(docket)}?until=${inDays(1)}`)).body)[0]!;
    expect([(await asked()).there, (await asked()).others]).toEqual([[], [{ label: 'L', count: 1 }]]);
    const [third] = await app
      .database('pieces')
      .where({ series_id: series, serial: 'K3' })
      .pluck<string[]>('id');
    await book(third!, inDays(5), inDays(6), { who: 'Ibrahima Lund', docketId: docket, chartId: series });
    const { wearer } = await records.bench(docket);
    const erased = await app.send('DELETE', `/api/wearers/${wearer.id}`, { keepBody: false });
    expect(erased.status).toBeLessThan(300);
    const names = (await calendar(series)).bookings.map(({ who }) => who);
    expect(names.sort()).toEqual(['Somebody else', 'The next', 'somebody']);
    await forgetOldHires(app.database, new Date(Date.parse(inDays(4))));
    expect((await calendar(series)).bookings.map(({ who }) => who)).toEqual([
      'somebody',
      'somebody',
      'somebody',
    ]);
  });

  it('is booked for a docket only where the garment is on it', async () => {
    const { series, idOf } = await suits('N1');
    const other = await stores.chart();
    const docket = await stores.sized(other, '34');
    const days = [idOf('N1'), inDays(1), inDays(2)] as const;
    for (const wrong of [
      { docketId: docket, chartId: other },
      { docketId: docket, chartId: series },
      { docketId: uuidv7(), chartId: series },
      { docketId: docket },
      { chartId: series },
    ])
      expect(problem(await book(...days, wrong))).toEqual([409, 'stock-refused']);
    const own = await stores.sized(series, 'M');
    expect((await book(...days, { docketId: own, chartId: series })).status).toBe(200);
  });

  it('is not given away for good while it is promised, and its room is one there is', async () => {
    const { roomId, series, article, idOf } = await suits('L1');
    await book(idOf('L1'), inDays(9), inDays(10));
    const docket = await stores.sized(series, 'M');
    const from = { roomId, pieceId: idOf('L1') };
    const issued = await app.does(docket, handing(series, { from }));
    expect(issued).toEqual(jasmine.objectContaining({ outcome: 'refused', code: 'booked-otherwise' }));
    await records.does(docket, handing(series, { way: 'hired', until: inDays(1), from }));
    const back = {
      kind: 'garment-came-back',
      chartId: series,
      why: 'hire-over',
      area: null,
      note: null,
    } as const;
    const nowhere = await app.does(docket, { ...back, goes: 'drying', to: uuidv7() });
    expect(nowhere).toEqual(jasmine.objectContaining({ outcome: 'refused', code: 'piece-refused' }));
    expect((await stores.account(article.id)).pieces[0]!.place).toBe('wearer');
    await records.does(docket, { ...back, goes: 'waste' });
    expect(await warned('L1')).toEqual(['clash']);
  });

  it('goes out again the day it came back, to the same docket too, and each hire ends by itself', async () => {
    const { roomId, series, idOf } = await suits('Y1');
    const docket = await stores.sized(series, 'M');
    const from = { roomId, pieceId: idOf('Y1') };
    const hired = handing(series, { way: 'hired', until: inDays(1), from });
    const back = { kind: 'garment-came-back', chartId: series, why: 'hire-over', area: null } as const;
    for (const _ of [1, 2]) {
      await records.does(docket, hired);
      await records.does(docket, { ...back, note: null, goes: 'stock', to: roomId });
      await stores.keeps(docket, series, 'M');
    }
    const outcomes = async () => (await calendar(series)).bookings.map(({ outcome }) => outcome);
    expect(await outcomes()).toEqual(['back', 'back']);
    expect(await free(series, TODAY, inDays(1))).toEqual(['M Y1']);
    await records.does(docket, hired);
    expect((await outcomes()).filter((one) => one === null).length).toBe(1);
  });

  it('is lost for good, and a slip is no hire', async () => {
    const { roomId, series, article, idOf } = await suits('J1');
    const docket = await stores.sized(series, 'M');
    const hired = handing(series, { way: 'hired', until: inDays(1), from: { roomId, pieceId: idOf('J1') } });
    const slip = await records.does(docket, hired);
    await records.does(docket, { kind: 'handing-withdrawn', actId: slip });
    expect((await calendar(series)).bookings).toEqual([]);
    expect(await free(series, TODAY, inDays(1))).toEqual(['M J1']);
    await records.does(docket, hired);
    await records.does(docket, {
      kind: 'garment-came-back',
      chartId: series,
      why: 'lost',
      area: null,
      note: 'Left on the spit',
      goes: 'waste',
    });
    expect((await calendar(series)).pieces).toEqual([]);
    expect((await stores.account(article.id)).pieces[0]!.place).toBe('waste');
    expect(problem(await book(idOf('J1'), inDays(3), inDays(4)))).toEqual([409, 'stock-refused']);
    await records.does(docket, { kind: 'return-withdrawn', chartId: series });
    const [again] = (await calendar(series)).bookings;
    expect([again!.outcome, again!.free]).toEqual([null, inDays(4)]);
  });
});
