import { effect, signal, type Signal } from '@angular/core';

/** A stream that is taken up again by then was hardly away: saying so would move what the eyes are on. */
const A_WHILE_MS = 5_000;

/**
 * Whether a page says that what others do is not heard: not for a moment, and not while the whole page says that the server is
 * away. To be called where effects may be made.
 *
 * @param lost whether it is not heard right now
 * @param away whether the server is known to be away
 */
export function lostAWhile(lost: Signal<boolean>, away: Signal<boolean>): Signal<boolean> {
  const said = signal(false);
  effect((onCleanup) => {
    said.set(false);
    if (!lost() || away()) return;
    const waits = setTimeout(() => said.set(true), A_WHILE_MS);
    onCleanup(() => clearTimeout(waits));
  });
  return said.asReadonly();
}
