import { computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { catchError, of, Subject, switchMap, type Observable } from 'rxjs';

/**
 * Something the server gives whole. Made where components are: it is asked for at once, and ends with
 * the component. What is here stays while it is asked for anew.
 */
export class Fetched<Value> {
  private readonly asked = new Subject<void>();
  /** `null` until it has come. */
  readonly value = signal<Value | null>(null);
  readonly trouble = signal('');
  readonly loading = computed(() => this.value() === null && this.trouble() === '');

  /** @param came what is done with it whenever it comes */
  constructor(fetch: () => Observable<Value>, came: (value: Value) => void = () => undefined) {
    this.asked
      .pipe(
        switchMap(() =>
          fetch().pipe(
            catchError((problem: unknown) => {
              this.trouble.set((problem as Error).message);
              return of(null);
            }),
          ),
        ),
        takeUntilDestroyed(inject(DestroyRef)),
      )
      .subscribe((value) => {
        if (value === null) return;
        this.trouble.set('');
        this.value.set(value);
        came(value);
      });
    this.asked.next();
  }

  /** Asks for it anew. */
  again(): void {
    this.trouble.set('');
    this.asked.next();
  }
}
