import { computed, inject, Injectable, signal } from '@angular/core';
import { fitterSchema, ROUTES, sessionSchema, type Fitter, type SignIn } from '@neat-measure/contract';
import { of, tap, type Observable } from 'rxjs';
import { Api } from './api';

/** Who is signed in, for the whole page. */
@Injectable({ providedIn: 'root' })
export class SessionService {
  private readonly api = inject(Api);
  /** `undefined` until the server has been asked. */
  private readonly current = signal<Fitter | null | undefined>(undefined);
  readonly fitter = computed(() => this.current() ?? null);

  /** Who is signed in; asks the server the first time. Emits once, `null` for nobody. */
  known(): Observable<Fitter | null> {
    const current = this.current();
    if (current !== undefined) return of(current);
    return this.api.get(ROUTES.session, sessionSchema).pipe(tap((fitter) => this.current.set(fitter)));
  }

  signIn(signIn: SignIn): Observable<Fitter> {
    return this.api
      .post(ROUTES.session, signIn, fitterSchema)
      .pipe(tap((fitter) => this.current.set(fitter)));
  }

  signOut(): Observable<void> {
    return this.api.delete(ROUTES.session).pipe(tap(() => this.current.set(null)));
  }
}
