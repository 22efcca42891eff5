import { defer, distinctUntilChanged, fromEvent, map, startWith, switchMap, type Observable } from 'rxjs';

/**
 * One source while somebody sees the page, another while nobody does. A browser opens only six
 * connections to a server; a stream in every tab that lies behind would leave none for the one in use.
 */
export function whileSeen<Value>(
  seen: () => Observable<Value>,
  unseen: Observable<Value>,
): Observable<Value> {
  return defer(() => fromEvent(document, 'visibilitychange')).pipe(
    startWith(null),
    map(() => document.visibilityState !== 'hidden'),
    distinctUntilChanged(),
    switchMap((is) => (is ? seen() : unseen)),
  );
}
