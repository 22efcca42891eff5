import { Injectable, signal } from '@angular/core';

/** One key and what it does, as the list behind `?` shows it. */
export interface Shortcut {
  readonly keys: readonly string[];
  readonly does: string;
  /** Does it, where it can be done without being at something. */
  readonly run?: () => void;
}

/** The shortcuts of the place that is open; one list for the whole page. */
@Injectable({ providedIn: 'root' })
export class ShortcutService {
  readonly shortcuts = signal<readonly Shortcut[]>([]);
  readonly shown = signal(false);
}

/** Whether a key was meant for something other than the page: a field, a list, a dialog, or a browser command. */
export function isTakenElsewhere(event: KeyboardEvent): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return true;
  const target = event.target;
  if (!(target instanceof HTMLElement)) return false;
  return target.closest('input, textarea, select, [contenteditable], [role=dialog], [role=listbox]') !== null;
}
