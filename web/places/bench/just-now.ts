import { effect, inject, untracked } from '@angular/core';
import { SessionService } from '../../data/session-service';
import { DocketStore } from './docket-store';

/** Nobody looks at something else and answers sooner. A working value of ours. */
const JUST_NOW_MS = 700;

/**
 * Watches what the hands are about to answer. Where another fitter changes it in the very moment, the answer was meant for
 * what stood there before.
 *
 * @param seen what stands there, as a text that is another where it is
 * @returns who else has changed it just now, by name; `null` where nobody has. Called where a component or a service is made.
 */
export function changedJustNow(seen: () => string): () => string | null {
  const [store, session] = [inject(DocketStore), inject(SessionService)];
  let drawn: string | null = null;
  let last: { readonly name: string; readonly at: number } | null = null;
  const other = () => {
    const hand = store.lastHand();
    return hand === null || hand.id === session.fitter()?.id ? null : hand.name;
  };
  effect(() => {
    const now = seen();
    const name = untracked(other);
    // What is seen for the first time nobody was about to answer.
    if (drawn !== null && drawn !== '' && drawn !== now && name !== null) last = { name, at: Date.now() };
    drawn = now;
  });
  return () => {
    // It may have changed without being drawn yet.
    if (drawn !== null && drawn !== '' && untracked(seen) !== drawn) return untracked(other);
    return last !== null && Date.now() - last.at < JUST_NOW_MS ? last.name : null;
  };
}
