import { DestroyRef, inject } from '@angular/core';
import type { Scanned } from '@neat-measure/contract/stores';
import { StoresService } from '../../data/stores-service';
import { ScannerEar, type Listening } from './scanner-ear';

/** Who hears what is scanned. */
interface Hearing {
  readonly heard: (scanned: Scanned) => void;
  /** What is said where the code is none that is known, or nobody can be asked. */
  readonly failed: (message: string) => void;
  /** Gets the keys that were no code after all. */
  readonly pass: (event: KeyboardEvent) => void;
  /** How a scanner is listened to now. */
  readonly how: () => Listening;
}

/** A field that asks for codes or numbers itself says so with this: what is scanned into it stands there. */
const ASKS_FOR_CODES = 'data-codes';

/** Listens to a scanner for as long as what asks for it lives; fields are listened to before they get their keys. */
export function hearScanner({ heard, failed, pass, how }: Hearing): ScannerEar {
  const stores = inject(StoresService);
  const ear = new ScannerEar(
    (code) =>
      stores.scan(code).subscribe({ next: heard, error: (problem: Error) => failed(problem.message) }),
    pass,
    how,
  );
  const listens = (event: KeyboardEvent) => {
    const field = event.target;
    const isField = field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement;
    if (isField && !field.hasAttribute(ASKS_FOR_CODES)) ear.listensIn(field, event);
  };
  document.addEventListener('keydown', listens, { capture: true });
  inject(DestroyRef).onDestroy(() => {
    document.removeEventListener('keydown', listens, { capture: true });
    ear.forget();
  });
  return ear;
}
