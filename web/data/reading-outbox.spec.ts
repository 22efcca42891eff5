import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { ReadingSave } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { ReadingOutbox, type Delivery } from './reading-outbox';

describe('ReadingOutbox', () => {
  let http: HttpTestingController;
  let outbox: ReadingOutbox;
  let delivered: Delivery[];

  const reading = (typed = '98'): ReadingSave => ({
    docketId: uuidv7(),
    code: 'chest-girth',
    typed,
    unit: 'cm',
    stance: 'standing',
    tension: 'skin',
    clothing: 'close-fitting',
    instrument: 'tape',
    origin: 'fitter',
    takenAt: '2026-05-04T08:00:00.000Z',
    carriedFrom: null,
    device: null,
  });
  const answer = (id: string, one: ReadingSave) => ({
    ...one,
    id,
    length: 980_000,
    fitterId: uuidv7(),
    withdrawnAt: null,
  });
  const start = () => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    http = TestBed.inject(HttpTestingController);
    outbox = TestBed.inject(ReadingOutbox);
    delivered = [];
    outbox.deliveries.subscribe((delivery) => delivered.push(delivery));
  };

  beforeEach(() => {
    localStorage.clear();
    start();
  });
  afterEach(() => localStorage.clear());

  it('writes a reading down before it is sent, and crosses it out once the server has it', () => {
    const [id, one] = [uuidv7(), reading()];
    outbox.take(id, one);
    expect(outbox.waitingFor(one.docketId)).toEqual([{ readingId: id, reading: one }]);
    http.expectOne({ method: 'PUT', url: `/api/readings/${id}` }).flush(answer(id, one));
    expect(outbox.waitingFor(one.docketId)).toEqual([]);
    expect([outbox.unsent(), delivered.length]).toEqual([0, 1]);
  });

  it('sends one after the other, in the order taken', () => {
    const [first, second] = [uuidv7(), uuidv7()];
    const one = reading();
    outbox.take(first, one);
    outbox.take(second, one);
    http.expectNone(`/api/readings/${second}`);
    http.expectOne(`/api/readings/${first}`).flush(answer(first, one));
    http.expectOne(`/api/readings/${second}`).flush(answer(second, one));
    expect(delivered.map(({ readingId }) => readingId)).toEqual([first, second]);
  });

  it('keeps what could not be sent, over a reload too, and sends it when the network is back', () => {
    const [id, one] = [uuidv7(), reading()];
    outbox.take(id, one);
    http.expectOne(`/api/readings/${id}`).error(new ProgressEvent('error'));
    expect([outbox.unsent(), outbox.trouble()]).toEqual([1, jasmine.stringContaining('cannot be reached')]);
    start();
    expect(outbox.unsent()).toBe(1);
    http.expectOne(`/api/readings/${id}`).flush(answer(id, one));
    expect([outbox.unsent(), outbox.trouble()]).toEqual([0, null]);
  });

  it('tries again when the browser says the network is back', () => {
    const [id, one] = [uuidv7(), reading()];
    outbox.take(id, one);
    http.expectOne(`/api/readings/${id}`).error(new ProgressEvent('error'));
    globalThis.dispatchEvent(new Event('online'));
    http.match(`/api/readings/${id}`)[0]!.flush(answer(id, one));
    expect(outbox.unsent()).toBe(0);
  });

  it('gives up on what the server refuses for good, and says why', () => {
    const [id, one] = [uuidv7(), reading()];
    outbox.take(id, one);
    const problem = {
      type: '/problems/invalid',
      title: 'Wrong',
      status: 400,
      detail: 'Read the tape again.',
    };
    http.expectOne(`/api/readings/${id}`).flush(problem, { status: 400, statusText: 'Bad Request' });
    expect(outbox.unsent()).toBe(0);
    expect(delivered[0]).toEqual(jasmine.objectContaining({ refused: 'Read the tape again.' }));
  });

  it('keeps a reading while nobody is signed in', () => {
    const [id, one] = [uuidv7(), reading()];
    outbox.take(id, one);
    http
      .expectOne(`/api/readings/${id}`)
      .flush(
        { type: '/problems/not-signed-in', title: '', status: 401, detail: 'Sign in.' },
        { status: 401, statusText: 'Unauthorized' },
      );
    expect([outbox.unsent(), outbox.trouble()]).toEqual([1, 'Sign in.']);
  });

  it('says when everything has been sent, or why it cannot be', () => {
    const outcomes: string[] = [];
    const watch = () =>
      outbox.whenSent().subscribe({
        next: () => outcomes.push('sent'),
        error: (error: Error) => outcomes.push(error.message),
      });
    watch();
    const [id, one] = [uuidv7(), reading()];
    outbox.take(id, one);
    watch();
    expect(outcomes).toEqual(['sent']);
    http.expectOne(`/api/readings/${id}`).flush(answer(id, one));
    expect(outcomes).toEqual(['sent', 'sent']);
    outbox.take(id, one);
    watch();
    http.expectOne(`/api/readings/${id}`).error(new ProgressEvent('error'));
    expect(outcomes[2]).toContain('must be sent before');
  });

  it('sends a withdrawal after the reading it takes back', () => {
    const [id, one] = [uuidv7(), reading()];
    outbox.take(id, one);
    outbox.withdraw(id, one.docketId);
    http.expectOne(`/api/readings/${id}`).flush(answer(id, one));
    http
      .expectOne(`/api/readings/${id}/withdrawal`)
      .flush({ ...answer(id, one), withdrawnAt: '2026-05-04T08:00:01.000Z' });
    expect(outbox.unsent()).toBe(0);
  });
});
