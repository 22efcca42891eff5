import { NEVER, of } from 'rxjs';
import { whileSeen } from './while-seen';

describe('whileSeen', () => {
  it('follows one source while the page is seen, and the other while it is not', () => {
    const state = spyOnProperty(document, 'visibilityState');
    const turn = (to: DocumentVisibilityState) => {
      state.and.returnValue(to);
      document.dispatchEvent(new Event('visibilitychange'));
    };
    state.and.returnValue('visible');
    const heard: string[] = [];
    let opened = 0;
    const stop = whileSeen(() => {
      opened += 1;
      return of(`seen ${opened}`);
    }, of('unseen')).subscribe((one) => heard.push(one));
    turn('visible');
    turn('hidden');
    turn('visible');
    expect(heard).toEqual(['seen 1', 'unseen', 'seen 2']);
    stop.unsubscribe();
    turn('hidden');
    expect(heard.length).toBe(3);
    expect(() =>
      whileSeen(() => NEVER, NEVER)
        .subscribe()
        .unsubscribe(),
    ).not.toThrow();
  });
});
