import { TestBed } from '@angular/core/testing';
import { of, Subject, throwError, type Observable } from 'rxjs';
import { Fetched } from './fetched';

describe('Fetched', () => {
  const make = (fetch: () => Observable<string>, came?: (value: string) => void) =>
    TestBed.runInInjectionContext(() => new Fetched(fetch, came));

  it('is on its way until it has come, and says so to whoever waits for it', () => {
    const answer = new Subject<string>();
    const came: string[] = [];
    const one = make(
      () => answer,
      (value) => came.push(value),
    );
    expect([one.loading(), one.value(), one.trouble()]).toEqual([true, null, '']);
    answer.next('here');
    expect([one.loading(), one.value(), one.trouble()]).toEqual([false, 'here', '']);
    expect(came).toEqual(['here']);
  });

  it('says why it did not come, and comes when it is asked for again', () => {
    const answers = [throwError(() => new Error('Not to be reached.')), of('here')];
    const one = make(() => answers.shift()!);
    expect([one.loading(), one.value(), one.trouble()]).toEqual([false, null, 'Not to be reached.']);
    one.again();
    expect([one.loading(), one.value(), one.trouble()]).toEqual([false, 'here', '']);
  });

  it('keeps what is here while it is asked for anew, and goes by the last answer alone', () => {
    const answers = [new Subject<string>(), new Subject<string>(), new Subject<string>()];
    let asked = 0;
    const one = make(() => answers[asked++]!);
    answers[0]!.next('first');
    one.again();
    one.again();
    expect([one.loading(), one.value()]).toEqual([false, 'first']);
    answers[1]!.next('overtaken');
    expect(one.value()).toBe('first');
    answers[2]!.next('last');
    expect(one.value()).toBe('last');
  });
});
