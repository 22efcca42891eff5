import { DestroyRef, inject } from '@angular/core';
import type { Scanned } from '@neat-measure/contract/stores';
import { StoresService } from '../../data/stores-service';
import { ScannerEar, type Listening } from './scanner-ear';

/** Who hears codes. */
interface HearingCodes {
  readonly heard: (code: string) => void;
  /** Gets the keys that were no code after all. */
  readonly pass: (event: KeyboardEvent) => void;
  /** How a scanner is listened to now. */
  readonly how: () => Listening;
}

/** Who hears what of the stores is scanned. */
interface Hearing extends Omit<HearingCodes, 'heard'> {
  readonly heard: (scanned: Scanned) => void;
  /** What is said where the code is none that is known, or nobody can be asked. */
  readonly failed: (message: string) => void;
  /** Gets what is no label of the stores, and says whether it took it. */
  readonly first?: (code: string) => boolean;
}

/** A field that asks for codes or numbers itself says so with this: what is scanned into it stands there. */
const ASKS_FOR_CODES = 'data-codes';

/** Listens to a scanner for labels of the stores, for as long as what asks for it lives. */
export function hearScanner({ heard, failed, first, ...how }: Hearing): ScannerEar {
  const stores = inject(StoresService);
  return hearCodes({
    ...how,
    heard: (code) => {
      if (first?.(code) === true) return;
      stores.scan(code).subscribe({ next: heard, error: (problem: Error) => failed(problem.message) });
    },
  });
}

/** The keys of all places, which are heard before those of one. */
const OPENS_COMMANDS: ReadonlySet<string> = new Set(['/', '?']);

/** Listens to a scanner for as long as what asks for it lives; fields are listened to before they get their keys. */
export function hearCodes({ heard, pass, how }: HearingCodes): ScannerEar {
  const ear = new ScannerEar(heard, pass, how);
  const listens = (event: KeyboardEvent) => {
    const field = event.target;
    const isField = field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement;
    if (isField && !field.hasAttribute(ASKS_FOR_CODES)) ear.listensIn(field, event);
    // Within a code no key opens the list of all commands: an address has slashes.
    if (!isField && OPENS_COMMANDS.has(event.key) && ear.goesOn(event) && ear.takes(event))
      event.stopImmediatePropagation();
  };
  document.addEventListener('keydown', listens, { capture: true });
  inject(DestroyRef).onDestroy(() => {
    document.removeEventListener('keydown', listens, { capture: true });
    ear.forget();
  });
  return ear;
}
