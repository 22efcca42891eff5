import { computed, inject, Injectable, signal } from '@angular/core';
import { ROUTES, sessionSchema, signedInSchema, type SignedIn, type SignIn } from '@neat-measure/contract';
import { of, tap, type Observable } from 'rxjs';
import { Api } from './api';
import { Journal } from './journal/journal';
import { takeOldOutbox } from './journal/old-outbox';

/** Who is signed in, for the whole page. */
@Injectable({ providedIn: 'root' })
export class SessionService {
  private readonly api = inject(Api);
  private readonly journal = inject(Journal);
  /** `undefined` until the server has been asked. */
  private readonly current = signal<SignedIn | null | undefined>(undefined);
  readonly fitter = computed(() => this.current() ?? null);

  /** Who is signed in; asks the server the first time. Emits once, `null` for nobody. */
  known(): Observable<SignedIn | null> {
    const current = this.current();
    if (current !== undefined) return of(current);
    return this.api.get(ROUTES.session, sessionSchema).pipe(tap((fitter) => this.begin(fitter)));
  }

  signIn(signIn: SignIn): Observable<SignedIn> {
    return this.api.post(ROUTES.session, signIn, signedInSchema).pipe(tap((fitter) => this.begin(fitter)));
  }

  signOut(): Observable<void> {
    return this.api.delete(ROUTES.session).pipe(tap(() => this.current.set(null)));
  }

  private begin(fitter: SignedIn | null): void {
    this.current.set(fitter);
    if (fitter !== null) for (const act of takeOldOutbox(fitter)) this.journal.write(fitter.pen, act);
  }
}
