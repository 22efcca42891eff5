import { AsyncLocalStorage } from 'node:async_hooks';

const ASKER = new AsyncLocalStorage<string>();

/** Does something in the name of whoever asks, so that whatever it comes to knows of whom it takes the time. */
export function askedBy(asker: string, work: () => void): void {
  ASKER.run(asker, work);
}

/** Who asks for what is just being done: a session, or a tape; nobody in particular is one, too. */
export function asker(): string {
  return ASKER.getStore() ?? '';
}
