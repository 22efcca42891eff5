import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { listedKeys, type KeyCommand, type Shortcut } from './keys';

type Offer = () => readonly KeyCommand[];

/** The keys of whatever is open; one list for the whole page. */
@Injectable({ providedIn: 'root' })
export class ShortcutService {
  private readonly offers = signal<readonly Offer[]>([]);
  /** Each once: of several tables on a page all have the same. */
  readonly shortcuts = computed<readonly Shortcut[]>(() => {
    const all = this.offers().flatMap((offer) => listedKeys(offer()));
    return [...new Map(all.map((one) => [`${one.keys.join(' ')} ${one.does}`, one])).values()];
  });
  readonly shown = signal(false);

  /** Lists the keys of a place from now on; what is returned ends it. */
  offer(commands: Offer): () => void {
    this.offers.update((offers) => [...offers, commands]);
    return () => this.offers.update((offers) => offers.filter((one) => one !== commands));
  }
}

/** Lists the keys of a component for as long as it lives, from the table by which it goes itself. */
export function listKeys(commands: Offer): void {
  inject(DestroyRef).onDestroy(inject(ShortcutService).offer(commands));
}

/** Whether a key was meant for something other than the page, or somebody has taken it. */
export function isTakenElsewhere(event: KeyboardEvent): boolean {
  return event.defaultPrevented || isMeantElsewhere(event);
}

/** Whether a key was meant for something other than the page: a field, a list, a dialog, or a browser command. */
export function isMeantElsewhere(event: KeyboardEvent): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) return true;
  const target = event.target;
  if (!(target instanceof HTMLElement)) return false;
  return target.closest('input, textarea, select, [contenteditable], [role=dialog], [role=listbox]') !== null;
}
