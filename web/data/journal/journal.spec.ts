import { TestBed } from '@angular/core/testing';
import { problemType, ROUTES, type ActAnswer, type KeptAnyAct } from '@neat-measure/contract';
import type { Act, MusterAct } from '@neat-measure/core';
import { Dexie } from 'dexie';
import { v7 as uuidv7 } from 'uuid';
import { actOn, keptAct, readingOf } from '../../testing/watch-coat';
import { forgetDevice, until, Wire } from '../../testing/wire';
import { Journal, type RefusedAct } from './journal';
import { JournalDb } from './journal-db';
import { Vault } from '../sealed/vault';
import { UnderWay } from './under-way';

describe('the journal', () => {
  let wire: Wire;
  let journal: Journal;
  let kept: KeptAnyAct[];
  let refused: RefusedAct[];
  let underWay: UnderWay;
  const docketId = uuidv7();

  const start = async () => {
    wire = new Wire();
    const vault = TestBed.inject(Vault);
    await vault.whenOpen();
    underWay = new UnderWay(vault);
    journal = TestBed.inject(Journal);
    [kept, refused] = [[], []];
    journal.kept.subscribe((one) => kept.push(one));
    journal.refused.subscribe((one) => refused.push(one));
  };
  /** The page sends nothing more. */
  const end = () => spyOn(journal as unknown as { send(): Promise<void> }, 'send').and.resolveTo();
  beforeEach(async () => {
    await forgetDevice();
    await start();
  });
  afterEach(forgetDevice);

  const reading = (typed = '98', of = docketId) => actOn(of, readingOf('chest-girth', typed));
  const stored = async () => (await new JournalDb().acts.toArray()).map(({ id }) => id);
  const keep = (act: Act): ActAnswer => ({ outcome: 'kept', id: act.id, kept: keptAct(act) });

  it('shows an act at once, writes it down, and crosses it out once the server has it', async () => {
    const act = reading();
    journal.write('pen', act);
    expect(journal.waiting().map((one) => one.act)).toEqual([act]);
    const { request, pen, acts } = await wire.sent();
    expect([pen, acts]).toEqual(['pen', [act]]);
    expect(await stored()).toEqual([act.id]);
    request.flush([keep(act)]);
    await until(() => journal.unsent() === 0);
    expect(kept.map((one) => one.act)).toEqual([act]);
    expect(await stored()).toEqual([]);
  });

  it('sends what was done on a docket in its order, and waits for the answer', async () => {
    const [first, second, third] = [reading('97'), reading('98'), reading('99')];
    journal.write('pen', first);
    const { request } = await wire.sent();
    journal.write('pen', second);
    journal.write('pen', third);
    await until(() => journal.unsent() === 3);
    wire.http.expectNone(ROUTES.acts);
    request.flush([keep(first)]);
    expect((await wire.keep()).map(({ id }) => id)).toEqual([second.id, third.id]);
  });

  it('signs each act with the pen of who did it, however many pens wait', async () => {
    const [mine, theirs, again] = [reading('97'), reading('98'), reading('99')];
    journal.write('pen of Odalys', mine);
    const { request } = await wire.sent();
    journal.write('pen of Tiernan', theirs);
    journal.write('pen of Odalys', again);
    await until(() => journal.unsent() === 3);
    request.error(new ProgressEvent('error'));
    await until(() => journal.trouble() !== '');
    globalThis.dispatchEvent(new Event('online'));
    const pens: string[] = [];
    while (journal.unsent() > 0) {
      const { request: next, pen, acts } = await wire.sent();
      pens.push(pen);
      const told = kept.length + acts.length;
      next.flush(acts.map(keep));
      await until(() => kept.length === told && journal.unsent() === 3 - told);
    }
    expect(pens).toEqual(['pen of Odalys', 'pen of Tiernan', 'pen of Odalys']);
    expect(kept.map(({ act }) => act.id)).toEqual([mine.id, theirs.id, again.id]);
  });

  it('keeps what waits when the page is loaded anew, and sends it then', async () => {
    const act = reading();
    journal.write('pen', act);
    (await wire.sent()).request.error(new ProgressEvent('error'));
    await until(() => journal.trouble() !== '');
    await start();
    await until(() => journal.unsent() === 1);
    expect(await wire.keep()).toEqual([act]);
    await until(() => journal.unsent() === 0);
  });

  it('loses nothing to a page that is loaded anew before the database has it', async () => {
    const { acts } = (journal as unknown as { db: JournalDb }).db;
    spyOn(acts, 'add').and.returnValue(new Promise(() => undefined) as never);
    const [first, second] = [reading('97'), reading('98')];
    journal.write('pen', first);
    journal.write('other pen', second);
    end();
    await start();
    expect(journal.waiting().map(({ act, pen }) => [act, pen])).toEqual([
      [first, 'pen'],
      [second, 'other pen'],
    ]);
    for (const act of [first, second]) {
      const { request, acts: sent } = await wire.sent();
      expect(sent).toEqual([act]);
      request.flush([keep(act)]);
    }
    await until(() => journal.unsent() === 0);
    expect([await stored(), underWay.left()]).toEqual([[], []]);
  });

  it('does not say that all is sent before it has looked what waits', async () => {
    const act = reading();
    end();
    journal.write('pen', act);
    await until(() => underWay.left().length === 0);
    await start();
    let done = false;
    void journal.whenSent().then(() => (done = true));
    await wire.sent().then(({ request, acts }) => {
      expect(done).withContext('while it is on its way').toBeFalse();
      request.flush(acts.map(keep));
    });
    await until(() => done);
  });

  it('goes on showing what was written while it was looked what waits, until another tab has sent it', async () => {
    const shows = (standing: object) =>
      (journal as unknown as { show(standing: object): Promise<void> }).show(standing);
    end();
    await journal.known;
    const act = reading();
    journal.write('pen', act);
    await until(() => underWay.left().length === 0);
    await shows({ rows: [], committed: new Set() });
    expect(journal.waiting().map((one) => one.act)).toEqual([act]);
    await shows({ rows: [], committed: new Set([act.id]) });
    expect(journal.unsent()).toBe(0);
  });

  it('takes what two tabs were writing down for one', async () => {
    const act = reading();
    end();
    journal.write('pen', act);
    await until(() => underWay.left().length === 0);
    underWay.note({ id: act.id, subject: docketId, pen: 'pen', act });
    await start();
    await until(() => underWay.left().length === 0);
    expect(await stored()).toEqual([act.id]);
    expect(journal.trouble()).toBe('');
    await wire.keep();
    await until(() => journal.unsent() === 0);
  });

  it('sends what is done on a muster beside what is done on dockets, each by itself', async () => {
    const musterId = uuidv7();
    const called: MusterAct = {
      ...{ id: uuidv7(), musterId, at: new Date().toISOString(), by: { id: uuidv7(), name: 'Odalys Wren' } },
      ...{ kind: 'called', wearerId: uuidv7(), stationId: uuidv7() },
    };
    journal.write('pen', called);
    const { request, acts } = await wire.sent();
    expect(acts as readonly unknown[]).toEqual([called]);
    // A docket does not wait for the muster.
    journal.write('pen', reading());
    await wire.keep();
    await until(() => journal.unsent() === 1);
    request.flush([
      { outcome: 'kept', id: called.id, kept: { place: 7, receivedAt: called.at, act: called } },
    ]);
    await expectAsync(journal.whenSent(musterId)).toBeResolved();
    expect(kept.map(({ act }) => act.kind)).toEqual(['reading-taken', 'called']);
  });

  it('sends a docket behind the muster that opens it, on a page loaded anew too, and holds up no other', async () => {
    const musterId = uuidv7();
    const called: MusterAct = {
      ...{ id: uuidv7(), musterId, at: new Date().toISOString(), by: { id: uuidv7(), name: 'Odalys Wren' } },
      ...{ kind: 'called', wearerId: uuidv7(), stationId: uuidv7() },
    };
    journal.write('pen', called);
    const first = await wire.sent();
    const [behind, other] = [reading('97'), reading('98', uuidv7())];
    journal.write('pen', behind, musterId);
    journal.write('pen', other);
    expect((await wire.keep()).map(({ id }) => id)).toEqual([other.id]);
    first.request.error(new ProgressEvent('error'));
    await until(() => journal.unsent() === 2);
    end();
    await start();
    const again = await wire.sent();
    expect(again.acts.map(({ id }) => id)).toEqual([called.id]);
    again.request.flush([
      { outcome: 'kept', id: called.id, kept: { place: 7, receivedAt: called.at, act: called } },
    ]);
    expect((await wire.keep()).map(({ id }) => id)).toEqual([behind.id]);
    await until(() => journal.unsent() === 0);
  });

  it('lies sealed on the device: nothing of what was done can be read there', async () => {
    end();
    journal.write('pen of Odalys', reading('98.7'));
    await until(() => underWay.left().length === 0);
    const rows = await new JournalDb().acts.toArray();
    const text = JSON.stringify(
      rows.map((row) => ({
        ...row,
        sealed: new TextDecoder('latin1').decode((row as { sealed: Uint8Array }).sealed),
      })),
    );
    for (const plain of ['98.7', 'chest', 'pen of', 'Odalys']) expect(text).not.toContain(plain);
  });

  it('says what can no longer be read, and goes on', async () => {
    const db = new JournalDb();
    await db.acts.add({ id: uuidv7(), subject: docketId, sealed: new Uint8Array(40) });
    db.close();
    await until(() => journal.aside().length === 1);
    expect(journal.aside()[0]!.why).toContain('can no longer be read');
    journal.write('pen', reading());
    await wire.keep();
    await until(() => journal.unsent() === 0);
  });

  it('leaves what is not its own where it is', async () => {
    for (const text of ['', '{', 'null', '{"id":1,"docketId":"a","pen":"b","act":{}}'])
      localStorage.setItem(`neat-measure.under-way.${text.length}`, text);
    expect(underWay.left()).toEqual([]);
    await start();
    expect(journal.waiting()).toEqual([]);
  });

  it('sets aside what the server refuses, with the reason, and goes on', async () => {
    const [bad, good] = [reading('97'), reading('98')];
    journal.write('pen', bad);
    journal.write('pen', good);
    const answers = (acts: readonly Act[]) =>
      acts.map(
        (act): ActAnswer =>
          act.id === bad.id
            ? { outcome: 'refused', id: act.id, code: 'not-opened', detail: 'There is no such docket.' }
            : keep(act),
      );
    for (const { request, acts } = await wire.sent(); ; ) {
      request.flush(answers(acts));
      if (acts.length === 2) break;
      await wire.sent().then((next) => next.request.flush(answers(next.acts)));
      break;
    }
    await until(() => journal.unsent() === 0 && journal.aside().length === 1);
    expect(journal.aside()[0]!.why).toBe('There is no such docket.');
    expect([kept.length, refused.map(({ act }) => act.id)]).toEqual([1, [bad.id]]);
    journal.seen(journal.aside()[0]!.order!);
    await until(() => journal.aside().length === 0);
  });

  it('hands over what came after its sign-in had ended, and says that the server has it', async () => {
    const act = reading();
    journal.write('pen', act);
    const { request } = await wire.sent();
    const detail = 'A lead fitter decides whether it is added.';
    request.flush([{ outcome: 'late', id: act.id, detail } satisfies ActAnswer]);
    await until(() => journal.aside().length === 1);
    expect([journal.unsent(), journal.aside()[0]!.late, journal.aside()[0]!.why]).toEqual([0, true, detail]);
    expect(refused.map((one) => one.act.id)).toEqual([act.id]);
  });

  it('sets aside what this version cannot read, and sends the rest', async () => {
    const act = reading();
    const row = { subject: docketId, pen: 'pen' };
    const db = new JournalDb();
    await db.acts.add({ ...row, id: uuidv7(), act: { kind: 'something-newer' } });
    await db.acts.add({ ...row, id: act.id, act });
    expect(await wire.keep()).toEqual([act]);
    await until(() => journal.aside().length === 1);
    expect(journal.aside()[0]!.why).toMatch(/does not know/);
  });

  it('lets no docket hold up another: one that always fails is tried again later by itself', async () => {
    const other = uuidv7();
    const [stuck, free] = [reading(), reading('98', other)];
    journal.write('pen', stuck);
    const first = await wire.sent();
    expect(first.acts).toEqual([stuck]);
    first.request.flush('', { status: 500, statusText: 'broken' });
    await until(() => journal.trouble() !== '');
    journal.write('pen', free);
    expect(await wire.keep()).toEqual([free]);
    await until(() => journal.unsent() === 1);
    await expectAsync(journal.whenSent(other)).toBeResolved();
    await expectAsync(journal.whenSent(docketId)).toBeRejected();
    globalThis.dispatchEvent(new Event('online'));
    expect(await wire.keep()).toEqual([stuck]);
    await until(() => journal.trouble() === '');
  });

  it('sends what this device has no room for, and loses none of it while other things are written', async () => {
    const [lost, kept] = [reading('97'), reading('98')];
    const { acts } = (journal as unknown as { readonly db: JournalDb }).db;
    const add = spyOn(acts, 'add').and.callFake((() => Promise.reject(new Error('no room'))) as never);
    journal.write('pen', lost);
    add.and.callThrough();
    journal.write('pen', kept);
    const sent: string[] = [];
    while (!(sent.includes(lost.id) && sent.includes(kept.id)))
      sent.push(...(await wire.keep()).map(({ id }) => id));
    expect(sent.filter((id) => id === lost.id).length).toBe(1);
  });

  it('finds the one that spoils a request that is refused as a whole', async () => {
    const [first, second] = [reading('97'), reading('98')];
    const db = new JournalDb();
    for (const act of [first, second]) await db.acts.add({ subject: docketId, pen: 'pen', id: act.id, act });
    const problem = {
      type: problemType('too-large'),
      title: 'Too large',
      status: 413,
      detail: 'The request is larger than 2 MB.',
    };
    const whole = await wire.sent();
    expect(whole.acts.length).toBe(2);
    whole.request.flush(problem, { status: 413, statusText: 'Too large' });
    (await wire.sent()).request.flush(problem, { status: 413, statusText: 'Too large' });
    expect(await wire.keep()).toEqual([second]);
    await until(() => journal.aside().length === 1);
    expect(journal.aside()[0]!.id).toBe(first.id);
  });

  it('brings over what the version before still had to send, under whoever signs in', async () => {
    const readingId = uuidv7();
    const {
      at,
      by: _by,
      kind: _kind,
      id: _id,
      ...rest
    } = reading() as Extract<Act, { kind: 'reading-taken' }>;
    localStorage.setItem(
      'neat-measure.outbox',
      JSON.stringify([
        { readingId, docketId, reading: { ...rest, takenAt: at } },
        { readingId, docketId, reading: null },
      ]),
    );
    await start();
    const sent = await wire.keep();
    if (sent.length < 2) sent.push(...(await wire.keep()));
    expect(sent.map(({ kind, by }) => [kind, by.name])).toEqual([
      ['reading-taken', 'Odalys Wren'],
      ['reading-withdrawn', 'Odalys Wren'],
    ]);
    expect(localStorage.getItem('neat-measure.outbox')).toBeNull();
  });
});

describe('what a version of before has written down on this device', () => {
  afterEach(forgetDevice);

  it('waits where it is now looked for', async () => {
    await forgetDevice();
    const docketId = uuidv7();
    const [stored, left] = ['97', '98'].map((typed) => actOn(docketId, readingOf('chest-girth', typed)));
    const before = new Dexie('neat-measure');
    before.version(1).stores({ acts: '++order, &id, docketId', aside: '++order, &id' });
    await before.table('acts').add({ id: stored!.id, docketId, pen: 'pen', act: stored });
    before.close();
    const db = new JournalDb();
    expect(await db.acts.where({ subject: docketId }).toArray()).toEqual([
      { order: 1, id: stored!.id, subject: docketId, pen: 'pen', act: stored },
    ]);
    db.close();
    const row = { id: left!.id, pen: 'pen', act: left! };
    localStorage.setItem(`neat-measure.under-way.${left!.id}`, JSON.stringify({ ...row, docketId }));
    const vault = new Vault();
    await vault.enter({ key: 'A'.repeat(43), awayDays: 30 });
    expect(new UnderWay(vault).left()).toEqual([{ ...row, subject: docketId }]);
  });
});
