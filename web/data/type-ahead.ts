import { Injectable } from '@angular/core';

/**
 * Letters typed between two places, before the one that is meant is drawn: kept for it, so that
 * somebody who is faster than the page loses none, and puts none where they do not belong.
 */
@Injectable({ providedIn: 'root' })
export class TypeAhead {
  private letters = '';

  /** Keeps the letter of a key; whether it was one. */
  keep({ key, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean {
    if (key.length !== 1 || ctrlKey || metaKey || altKey) return false;
    this.letters += key;
    return true;
  }

  /** What was typed until now; afterwards there is nothing. */
  take(): string {
    const letters = this.letters;
    this.letters = '';
    return letters;
  }
}
