import { provideHttpClient } from '@angular/common/http';
import {
  HttpTestingController,
  provideHttpClientTesting,
  type TestRequest,
} from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { pathOf, problemType, ROUTES, type ReadingSave } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { benchFor, onShelf, watchCoat } from '../../testing/watch-coat';
import { BenchStore } from './bench-store';

/** The Bench's state against what goes over the wire: the server's side is played by hand, line by line. */
describe('BenchStore', () => {
  let http: HttpTestingController;
  let store: BenchStore;
  const at = '2026-05-04T08:00:00.000Z';
  const fresh = benchFor(onShelf(watchCoat()));
  const docketId = fresh.docket.id;
  const chartId = fresh.charts[0]!.id;

  beforeEach(() => {
    localStorage.clear();
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), BenchStore],
    });
    http = TestBed.inject(HttpTestingController);
    store = TestBed.inject(BenchStore);
  });
  afterEach(() => localStorage.clear());

  const open = (changes: object = {}) => {
    store.open(docketId);
    http.expectOne(pathOf(ROUTES.dockets, docketId)).flush({ ...fresh, ...changes });
    store.next();
  };
  const type = (text: string) => {
    store.entry.set(text);
    store.takeEntry();
  };
  /** The reading on the wire, answered as the server does. */
  const keep = () => {
    const sent = http.expectOne(({ url }) => url.startsWith(`${ROUTES.readings}/`));
    sent.flush(answer(sent, 10_000 * Number((sent.request.body as ReadingSave).typed)));
    return sent.request.body as ReadingSave;
  };
  const answer = ({ request }: TestRequest, length: number) => ({
    ...(request.body as ReadingSave),
    id: request.url.split('/').at(-1),
    length,
    fitterId: uuidv7(),
    withdrawnAt: null,
  });
  const verdict = () => store.garments()[0]!.verdict;

  it('walks from preparing to deciding, two readings a step, each sent with how it was taken', () => {
    open();
    expect([store.current()?.code, store.toGo()]).toEqual(['chest-girth', 4]);
    type('98');
    expect(keep()).toEqual(
      jasmine.objectContaining({
        docketId,
        code: 'chest-girth',
        typed: '98',
        unit: 'cm',
        stance: 'standing',
        instrument: 'tape',
        origin: 'fitter',
      }),
    );
    expect([store.current()?.code, store.toGo(), verdict().verdict]).toEqual([
      'chest-girth',
      3,
      'incomplete',
    ]);
    type('98.5');
    keep();
    expect(store.current()?.code).toBe('waist-girth');
    for (const text of ['86', '86']) {
      type(text);
      keep();
    }
    expect(store.stop().kind).toBe('decide');
    expect([verdict().verdict, verdict().proposed, store.toGo()]).toEqual(['settled', 'M', 0]);
  });

  it('goes on without the network, and counts a reading at once', () => {
    open();
    type('98');
    type('98');
    expect(store.current()?.code).toBe('waist-girth');
    http.expectOne(({ url }) => url.startsWith(ROUTES.readings)).error(new ProgressEvent('error'));
    expect(store.steps()[0]!.readings.length).toBe(2);
    expect(store.steps()[0]!.agreement.state).toBe('agreed');
  });

  it('keeps what cannot be a reading in the entry, and offers the unit in which it can', () => {
    open();
    type('38');
    expect(store.problem()).not.toBeNull();
    expect(store.entry()).toBe('38');
    http.expectNone(({ url }) => url.startsWith(ROUTES.readings));
    store.takeOffer();
    const sent = http.expectOne(({ url }) => url.startsWith(ROUTES.readings)).request.body as ReadingSave;
    expect([sent.typed, sent.unit]).toEqual(['38', 'in']);
    expect([store.problem(), store.entry()]).toEqual([null, '']);
  });

  it('takes the last reading back, also from the step after', () => {
    open();
    type('98');
    keep();
    type('98');
    keep();
    expect(store.current()?.code).toBe('waist-girth');
    store.takeBack();
    expect(store.current()?.code).toBe('chest-girth');
    expect(store.steps()[0]!.readings.length).toBe(1);
    expect(http.expectOne(({ url }) => url.endsWith('/withdrawal')).request.method).toBe('PUT');
  });

  it('drops what the server refuses, and says so', () => {
    open();
    type('98');
    const sent = http.expectOne(({ url }) => url.startsWith(ROUTES.readings));
    const problem = {
      type: problemType('invalid'),
      title: 'Invalid',
      status: 400,
      detail: 'This is no reading of a chest.',
    };
    sent.flush(problem, { status: 400, statusText: 'Bad Request' });
    expect(store.steps()[0]!.readings.length).toBe(0);
    expect(store.trouble()).toContain('A reading was not taken by the server.');
  });

  it('decides on the readings the fitter saw, once all of them have arrived', () => {
    open();
    for (const text of ['98', '98', '86']) {
      type(text);
      keep();
    }
    type('86');
    store.decide(store.garments()[0]!, { outcome: 'accepted', sizes: { size: 'M' } });
    http.expectNone(({ url }) => url.startsWith(ROUTES.decisions));
    keep();
    const { body } = http.expectOne(({ url }) => url.startsWith(ROUTES.decisions)).request;
    expect(body).toEqual(jasmine.objectContaining({ docketId, chartId, outcome: 'accepted' }));
    expect((body as { readingIds: string[] }).readingIds.length).toBe(4);
    expect(store.saving()).toBeTrue();
  });

  it('plans nothing anew while only readings come in', () => {
    open();
    const plan = store.plan();
    const stops = store.stops();
    type('98');
    keep();
    expect(store.plan()).toBe(plan);
    expect(store.stops()).toBe(stops);
  });

  it('offers what is on record, and takes it over with its date', () => {
    open({
      record: [{ code: 'chest-girth', value: 980_000, takenAt: at, origin: 'fitter', due: false }],
    });
    expect(store.recorded()?.value as number | undefined).toBe(980_000);
    store.takeRecorded();
    const sent = http.expectOne(({ url }) => url.startsWith(ROUTES.readings)).request.body as ReadingSave;
    expect([sent.carriedFrom, sent.typed]).toEqual([at, '980 mm']);
    expect(store.current()?.code).toBe('waist-girth');
  });
});
