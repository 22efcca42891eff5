import { TestBed } from '@angular/core/testing';
import {
  pathOf,
  problemType,
  ROUTES,
  type ActAnswer,
  type Bench,
  type KeptAct,
} from '@neat-measure/contract';
import { expectedValue, IDLE_REASON, UNSETTLED } from '@neat-measure/core';
import { Subject } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import type { Heard } from '../../data/docket-service';
import { Journal } from '../../data/journal/journal';
import { JournalDb } from '../../data/journal/journal-db';
import { actOn, benchFor, keptAct, onShelf, readingOf, watchCoat } from '../../testing/watch-coat';
import { forgetDevice, until, Wire } from '../../testing/wire';
import { DocketStore } from './docket-store';
import { CursorStore } from './measuring/cursor-store';
import { EntryStore } from './measuring/reading/entry-store';

/** The Bench's state against what goes over the wire: the server's side is played by hand, line by line. */
describe('the stores of the Bench', () => {
  let wire: Wire;
  let heard: Subject<Heard>;
  let store: DocketStore;
  let cursor: CursorStore;
  let entry: EntryStore;
  let bench: Bench;

  beforeEach(forgetDevice);
  afterEach(forgetDevice);

  const open = (opened = benchFor(onShelf(watchCoat()))) => {
    bench = opened;
    heard = new Subject<Heard>();
    wire = new Wire([DocketStore, CursorStore, EntryStore], heard);
    [store, cursor, entry] = [
      TestBed.inject(DocketStore),
      TestBed.inject(CursorStore),
      TestBed.inject(EntryStore),
    ];
    store.open(bench.id, () => cursor.begin());
    wire.http.expectOne(pathOf(ROUTES.dockets, bench.id)).flush(bench);
  };
  const type = (text: string) => {
    entry.write(text);
    entry.take();
  };
  const verdict = () => store.garments()[0]!.verdict;

  it('takes no reading of another wearer’s docket for its own, kept while it was still fetched', async () => {
    open();
    const before = bench.id;
    const journal = TestBed.inject(Journal);
    const next = { ...benchFor(onShelf(watchCoat())), id: uuidv7() };
    next.acts = next.acts.map((kept) => ({ ...kept, act: { ...kept.act, docketId: next.id } }));
    store.open(next.id, () => cursor.begin());
    const asked = wire.http.expectOne(pathOf(ROUTES.dockets, next.id));
    // The last reading of the wearer before comes to be kept only now.
    journal.write('pen', actOn(before, readingOf('chest-girth', '131')));
    await wire.keep();
    await until(() => journal.unsent() === 0);
    const others = journal.kept.subscribe();
    heard.next({ kept: keptAct(actOn(before, readingOf('waist-girth', '120'))) });
    expect(store.docket()).withContext('before it is there').toBeNull();
    asked.flush(next);
    expect([store.docket()!.readings.length, store.values().size]).toEqual([0, 0]);
    others.unsubscribe();
  });

  it('shows a docket that was opened here only with its charts, asked for again once its opening was sent', async () => {
    bench = benchFor(onShelf(watchCoat()));
    wire = new Wire([DocketStore, CursorStore, EntryStore], new Subject<Heard>());
    [store, cursor] = [TestBed.inject(DocketStore), TestBed.inject(CursorStore)];
    const [opened, asked] = bench.acts as [KeptAct, KeptAct];
    const journal = TestBed.inject(Journal);
    for (const { act } of [opened, asked]) journal.write('pen', act);
    store.open(bench.id, () => cursor.begin());
    const path = pathOf(ROUTES.dockets, bench.id);
    // The server knows nothing of it yet, then of its opening alone.
    const unknown = { type: problemType('not-found'), title: 'Not found', status: 404, detail: 'No docket.' };
    wire.http.expectOne(path).flush(unknown, { status: 404, statusText: 'Not found' });
    const { request } = await wire.sent();
    expect([store.trouble(), store.docket()]).toEqual(['', null]);
    request.flush([{ outcome: 'kept', id: opened.act.id, kept: opened }]);
    const next = async () => {
      let found = wire.http.match(path);
      await until(() => (found = [...found, ...wire.http.match(path)]).length > 0);
      return found[0]!;
    };
    (await next()).flush({ ...bench, acts: [opened], charts: [] });
    expect(store.docket()).toBeNull();
    await wire.keep();
    (await next()).flush(bench);
    await until(() => store.docket() !== null);
    expect([store.garments().length, cursor.stop().kind, store.steps().length > 0]).toEqual([
      1,
      'prepare',
      true,
    ]);
  });

  it('keeps what it has of a docket that is looked at anew and comes with less', () => {
    open(benchFor(onShelf(watchCoat()), [readingOf('chest-girth', '98')]));
    const refetch = () => {
      heard.next('habits');
      return wire.http.expectOne(pathOf(ROUTES.dockets, bench.id));
    };
    const steps = store.steps();
    // This device answers in the server's place, and lacks what was kept a moment ago.
    refetch().flush({ ...bench, acts: bench.acts.slice(0, 1), charts: [] });
    expect([store.steps(), store.docket()!.readings.length, store.garments().length]).toEqual([steps, 1, 1]);
    // What this device opened by itself stands on the server under other ids.
    const own = bench.acts.map((kept, at) => ({
      ...kept,
      place: at - 9,
      act: { ...kept.act, id: uuidv7() },
    }));
    store.open(bench.id, () => cursor.begin());
    wire.http.expectOne(pathOf(ROUTES.dockets, bench.id)).flush({ ...bench, number: 0, acts: own });
    refetch().flush(bench);
    expect([store.docket()!.readings.length, store.lastHand()]).toEqual([1, bench.acts.at(-1)!.act.by]);
    // The answer that was asked for first is not shown over the one that was asked for last.
    const first = refetch();
    const second = refetch();
    expect(first.cancelled).toBeTrue();
    second.flush(bench);
  });

  it('counts no reading that was taken back, though the stream tells of the taking back alone', async () => {
    open(benchFor(onShelf(watchCoat()), [readingOf('chest-girth', '98')]));
    const journal = TestBed.inject(Journal);
    const [slip, right] = ['131', '98.5'].map((typed) => actOn(bench.id, readingOf('chest-girth', typed)));
    const back = actOn(bench.id, { kind: 'reading-withdrawn', readingId: slip!.id, code: 'chest-girth' });
    for (const act of [slip!, back, right!]) journal.write('pen', act);
    // Their answer has not come; the stream, which was away, begins behind the first of them.
    const { request, acts } = await wire.sent();
    for (const act of [back, right!]) heard.next({ kept: keptAct(act) });
    const standing = () =>
      store.docket()!.readings.flatMap(({ withdrawnAt, typed }) => (withdrawnAt === null ? [typed] : []));
    expect(standing()).toEqual(['98', '98.5']);
    request.flush(acts.map((act) => ({ outcome: 'kept', id: act.id, kept: keptAct(act) })));
    while (journal.unsent() > 0)
      if ((await Promise.race([wire.keep(), until(() => journal.unsent() === 0)])) === undefined) break;
    expect(standing()).toEqual(['98', '98.5']);
  });

  it('walks from preparing to deciding, two readings a step, each written down with how it was taken', async () => {
    open();
    expect(cursor.stop().kind).toBe('prepare');
    cursor.next();
    expect([cursor.current()?.code, cursor.toGo()]).toEqual(['chest-girth', 4]);
    type('98');
    expect((await wire.keep())[0]).toEqual(
      jasmine.objectContaining({
        kind: 'reading-taken',
        docketId: bench.id,
        code: 'chest-girth',
        typed: '98',
        unit: 'cm',
        length: 980_000,
        stance: 'standing',
        instrument: 'tape',
        clothing: 'close-fitting',
        origin: 'fitter',
      }) as never,
    );
    expect([cursor.current()?.code, cursor.toGo(), verdict().verdict]).toEqual([
      'chest-girth',
      3,
      'incomplete',
    ]);
    type('98.5');
    expect(cursor.current()?.code).toBe('waist-girth');
    for (const text of ['86', '86']) type(text);
    expect(cursor.stop().kind).toBe('decide');
    expect([verdict().verdict, verdict().proposed, cursor.toGo()]).toEqual(['settled', 'M', 0]);
  });

  it('goes on without the network, whatever is done', () => {
    open();
    cursor.next();
    for (const text of ['98', '98']) type(text);
    entry.pass('waist-girth', 'The wearer declines');
    expect(cursor.stop().kind).toBe('decide');
    store.does({ kind: 'measurement-asked', code: 'height', asked: true });
    expect(store.steps().map(({ code, skipped }) => [code, skipped])).toEqual([
      ['height', null],
      ['chest-girth', null],
      ['waist-girth', 'The wearer declines'],
    ]);
    const done = store.does({
      kind: 'garment-decided',
      chartId: bench.charts[0]!.id,
      outcome: 'made-to-measure',
      sizes: {},
      reason: null,
      readingIds: store.docket()!.readings.map(({ id }) => id),
      after: null,
      habits: 0,
      found: null,
    });
    expect(done).toBeTrue();
    expect(store.garments()[0]!.decision?.outcome).toBe('made-to-measure');
  });

  it('is taken up where this device left it, once it is known what waits there, unless somebody went on', async () => {
    const kept = benchFor(onShelf(watchCoat()));
    const acts = ['98', '98.5'].map((typed) => actOn(kept.id, readingOf('chest-girth', typed)));
    const db = new JournalDb();
    await db.acts.bulkAdd(acts.map((act) => ({ id: act.id, subject: kept.id, pen: 'pen of Odalys', act })));
    db.close();
    open(kept);
    expect(cursor.stop().kind).withContext('nothing is known of it yet').toBe('prepare');
    await until(() => cursor.current()?.code === 'waist-girth');
    // What is known later moves nobody who has gone somewhere.
    cursor.goTo('chest-girth');
    cursor.begin(true);
    expect(cursor.current()?.code).toBe('chest-girth');
  });

  it('does nothing that is refused, and says why', () => {
    open();
    const waiting = TestBed.inject(Journal).unsent();
    expect(store.does({ kind: 'garment-asked', chartId: uuidv7() })).toBeFalse();
    expect(store.trouble()).toContain('no such chart');
    expect(TestBed.inject(Journal).unsent()).toBe(waiting);
  });

  it('says what the server refused, and takes it off the docket', async () => {
    open();
    cursor.next();
    type('98');
    const { request, acts } = await wire.sent();
    request.flush(
      acts.map(
        ({ id }): ActAnswer => ({
          outcome: 'refused',
          id,
          code: 'not-opened',
          detail: 'There is no such docket.',
        }),
      ),
    );
    await until(() => store.trouble() !== '');
    expect(store.trouble()).toBe('Not saved: Odalys Wren read chest: 98 cm. There is no such docket.');
    expect(store.docket()!.readings).toEqual([]);
  });

  it('sizes by other habits of the house as soon as a refusal tells of them', async () => {
    open(benchFor(onShelf(watchCoat()), [readingOf('chest-girth', '98'), readingOf('waist-girth', '95')]));
    expect(verdict().rule).toBe('widest-decides');
    const { chart } = store.garments()[0]!;
    store.does({
      kind: 'garment-decided',
      chartId: chart.id,
      outcome: 'made-to-measure',
      sizes: {},
      reason: null,
      readingIds: store.docket()!.readings.map(({ id }) => id),
      after: null,
      habits: store.library().habits.version,
      found: null,
    });
    const { request, acts } = await wire.sent();
    const [act] = acts;
    const detail = 'The sizing rules have changed since you looked.';
    request.flush([{ outcome: 'refused', id: act!.id, code: 'habits-changed', detail }]);
    await until(() => store.trouble() !== '');
    const habits = { ...UNSETTLED, version: 1, rules: { other: 'closest' as const } };
    wire.http.expectOne(pathOf(ROUTES.dockets, bench.id)).flush({ ...bench, habits });
    expect([verdict().rule, store.garments()[0]!.decision]).toEqual(['closest', null]);
    expect(store.trouble()).toContain('have changed since you looked');
  });

  it('shows what another fitter does, and fetches what they speak of and this page has never seen', () => {
    open();
    const theirs = actOn(bench.id, readingOf('chest-girth', '98'), { id: uuidv7(), name: 'Tiernan Oake' });
    heard.next({ kept: keptAct(theirs) });
    heard.next({ kept: keptAct(theirs) });
    expect(store.docket()!.readings.map(({ by }) => by.name)).toEqual(['Tiernan Oake']);
    const other = onShelf(watchCoat());
    const asked = keptAct(actOn(bench.id, { kind: 'garment-asked', chartId: other.id }));
    heard.next({ kept: asked });
    wire.http
      .expectOne(pathOf(ROUTES.dockets, bench.id))
      .flush({ ...bench, charts: [...bench.charts, other], acts: [...bench.acts, asked] });
    expect([store.garments().length, store.docket()!.readings.length]).toEqual([2, 1]);
  });

  it('sizes by other habits of the house as soon as it hears of them', () => {
    open(benchFor(onShelf(watchCoat()), [readingOf('chest-girth', '98'), readingOf('waist-girth', '95')]));
    expect(verdict().rule).toBe('widest-decides');
    heard.next('habits');
    const habits = { ...UNSETTLED, version: 1, rules: { other: 'closest' as const } };
    wire.http.expectOne(pathOf(ROUTES.dockets, bench.id)).flush({ ...bench, habits });
    expect(verdict().rule).toBe('closest');
  });

  it('says when others are not heard, and catches up when they are again', () => {
    open();
    heard.next('listening');
    wire.http.expectNone(pathOf(ROUTES.dockets, bench.id));
    heard.next('lost');
    expect(store.lost()).toBeTrue();
    heard.next('listening');
    expect(store.lost()).toBeFalse();
    const missed = keptAct(actOn(bench.id, readingOf('chest-girth', '98')));
    wire.http.expectOne(pathOf(ROUTES.dockets, bench.id)).flush({ ...bench, acts: [...bench.acts, missed] });
    expect(store.docket()!.readings.length).toBe(1);
  });

  it('takes the last reading back from wherever the work stands, past a change of stance', () => {
    open(benchFor(onShelf(watchCoat()), [{ kind: 'measurement-asked', code: 'nape-to-belt', asked: true }]));
    cursor.next();
    for (const text of ['98', '98', '86', '86']) type(text);
    expect(cursor.stop().kind).toBe('stance');
    entry.takeBack();
    expect([cursor.current()?.code, cursor.current()?.readings.length]).toEqual(['waist-girth', 1]);
    cursor.toDeciding();
    entry.takeBack();
    expect(cursor.current()?.code).toBe('nape-to-belt');
  });

  it('records what the chart wants worn, and what is worn instead until that changes', () => {
    const sheet = { ...watchCoat(), expects: [] as unknown[] };
    sheet.expects = ['chest-girth', 'waist-girth'].map((code) => ({
      code,
      tension: null,
      clothing: 'worn-beneath',
      rounding: null,
      remeasureAfter: null,
    }));
    open(benchFor(onShelf(sheet as never)));
    cursor.next();
    type('98');
    entry.takeOver('thick');
    type('98');
    type('86');
    expect(store.docket()!.readings.map(({ clothing }) => clothing)).toEqual([
      'worn-beneath',
      'thick',
      'thick',
    ]);
    expect(verdict().takenOtherwise.map(({ code }) => code)).toEqual(['chest-girth', 'waist-girth']);
  });

  it('opens a step again that was skipped as idle, when what it rested on has changed', () => {
    open();
    cursor.next();
    for (const text of ['130', '130']) type(text);
    entry.pass('waist-girth', IDLE_REASON, true);
    expect(store.steps().map(({ skipped }) => skipped)).toEqual([null, IDLE_REASON]);
    const assumed = expectedValue(store.values(), 'waist-girth');
    expect(verdict().assumed).toEqual([{ code: 'waist-girth', value: assumed, give: null }]);
    for (const text of ['98', '98', '98']) {
      cursor.goTo('chest-girth');
      type(text);
    }
    expect(store.steps().map(({ skipped }) => skipped)).toEqual([null, null]);
    expect(verdict().verdict).toBe('incomplete');
  });

  it('confirms what was asked about, and goes on', () => {
    open();
    cursor.next();
    for (const text of ['90', '90', '97', '97']) type(text);
    expect(cursor.current()?.code).withContext('asked about').toBe('waist-girth');
    entry.confirm(cursor.suspicions().find(({ weight }) => weight === 'ask')!);
    expect([store.suspicions().length, cursor.stop().kind]).toEqual([0, 'decide']);
  });

  it('offers what is on record and takes it over with its date', () => {
    const takenAt = '2026-03-04T08:00:00.000Z';
    const record = [
      { code: 'chest-girth', value: 985_000 as never, takenAt, origin: 'fitter', due: false },
    ] as const;
    open(benchFor(onShelf(watchCoat()), [], { record: [...record] }));
    cursor.next();
    entry.takeRecorded();
    const [taken] = store.docket()!.readings;
    expect([taken!.typed, taken!.carriedFrom, Number(taken!.length)]).toEqual(['98.5 cm', takenAt, 985_000]);
    expect(cursor.current()?.code).withContext('settled as it is').toBe('waist-girth');
  });

  it('asks about a number that is far likelier in another unit, and takes it as it is said', () => {
    open();
    cursor.next();
    store.does({ kind: 'unit-chosen', unit: 'in' });
    TestBed.tick();
    type('66');
    expect(entry.slip()?.offer.unit).toBe('cm');
    expect(store.docket()!.readings).toEqual([]);
    entry.takeOffer();
    type('66');
    entry.takeAsTyped();
    expect(store.docket()!.readings.map(({ unit }) => unit)).toEqual(['cm', 'in']);
    entry.takeFrom('reported');
    entry.takeTold({ item: 'jacket-inches', text: '42', code: 'chest-girth', length: 1_066_800 as never });
    expect(store.docket()!.readings.at(-1)).toEqual(
      jasmine.objectContaining({ typed: '42 in', origin: 'reported', unit: 'in' }),
    );
  });

  it('keeps what cannot be read in the entry, and offers the other unit', () => {
    open();
    cursor.next();
    type('38.5');
    expect([entry.entry(), entry.problem()?.code]).toEqual(['38.5', 'impossible']);
    entry.takeOffer();
    expect(store.docket()!.readings.map(({ unit, length }) => [unit, Number(length)])).toEqual([
      ['in', 977_900],
    ]);
    type('abc');
    cursor.next();
    expect([entry.entry(), entry.problem()]).withContext('another stop begins empty').toEqual(['', null]);
  });

  it('takes what a tape sends where a measurement is open, and says where it cannot', () => {
    open();
    const line = {
      v: 1,
      device: 'tape-7',
      seq: 1,
      value: 982.5,
      unit: 'mm',
      at: '2026-05-04T08:00:00.000Z',
      place: 1,
    } as never;
    entry.receive(line);
    expect(store.trouble()).toContain('98.3 cm while no measurement was open');
    cursor.next();
    entry.receive(line);
    expect(store.docket()!.readings.map((one) => one.device)).toEqual(['tape-7']);
    entry.receive({ ...(line as object), docket: uuidv7() } as never);
    expect(store.trouble()).toContain('for another docket');
  });

  it('says when there is no such docket', () => {
    bench = benchFor(onShelf(watchCoat()));
    wire = new Wire([DocketStore, CursorStore, EntryStore]);
    store = TestBed.inject(DocketStore);
    store.open(bench.id, () => undefined);
    wire.http.expectOne(pathOf(ROUTES.dockets, bench.id)).error(new ProgressEvent('error'));
    expect(store.trouble()).toContain('cannot be reached');
    expect(store.does({ kind: 'measurement-asked', code: 'height', asked: true })).toBeFalse();
  });
});
