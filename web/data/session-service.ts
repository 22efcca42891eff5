import { computed, inject, Injectable, signal } from '@angular/core';
import {
  handsSchema,
  grants,
  PATHS,
  preferencesSchema,
  ROUTES,
  sessionSchema,
  signedOutPath,
  type FirstRun,
  type Fitter,
  type Hand,
  type Preferences,
  type Capability,
  type Session,
  type SignedIn,
  type SignIn,
  type TakeCode,
} from '@neat-measure/contract';
import { UNSETTLED } from '@neat-measure/core';
import { map, of, tap, type Observable } from 'rxjs';
import { Api } from './api';
import { Journal } from './journal/journal';
import { takeOldOutbox } from './journal/old-outbox';
import { SpeechService } from './speech-service';
import { UnitService } from './unit-service';

/** Who is signed in, for the whole page. */
@Injectable({ providedIn: 'root' })
export class SessionService {
  private readonly api = inject(Api);
  private readonly journal = inject(Journal);
  private readonly units = inject(UnitService);
  private readonly speech = inject(SpeechService);
  /** `undefined` until the server has been asked. */
  private readonly current = signal<Session | undefined>(undefined);
  /** Whoever is at the bench. */
  readonly fitter = computed(() => this.current()?.who ?? null);
  /** How the house sizes. */
  readonly habits = computed(() => this.fitter()?.habits ?? UNSETTLED);
  /** Whether nobody can sign in yet. */
  readonly firstRun = computed(() => this.current()?.firstRun ?? false);

  /** Whether whoever is at the bench may do what takes a capability. */
  may(capability: Capability): boolean {
    const fitter = this.fitter();
    return fitter !== null && grants(fitter.role, capability);
  }

  /** Who is signed in; asks the server the first time. Emits once, `null` for nobody. */
  known(): Observable<SignedIn | null> {
    const current = this.current();
    return current === undefined ? this.ask() : of(current.who);
  }

  /** Asks the server who is signed in. */
  ask(): Observable<SignedIn | null> {
    return this.entered(this.api.get(ROUTES.session, sessionSchema));
  }

  signIn(signIn: SignIn): Observable<SignedIn | null> {
    return this.entered(this.api.post(ROUTES.session, signIn, sessionSchema));
  }

  /** Makes the first account, which runs the house. */
  begin(first: FirstRun): Observable<SignedIn | null> {
    return this.entered(this.api.post(PATHS.firstRun, first, sessionSchema));
  }

  /** Sets a passphrase with a one-time code. */
  takeCode(taken: TakeCode): Observable<SignedIn | null> {
    return this.entered(this.api.post(PATHS.takeCode, taken, sessionSchema));
  }

  signOut(): Observable<void> {
    // Where nothing waits to be sent, nothing need be left that signs.
    const path = this.journal.unsent() === 0 ? signedOutPath('for-good') : ROUTES.session;
    return this.api.delete(path).pipe(tap(() => this.current.set({ who: null, firstRun: false })));
  }

  /** Who may take the bench over. */
  hands(): Observable<Fitter[]> {
    return this.api.get(PATHS.hands, handsSchema);
  }

  /** Puts the bench into somebody's hands: what is done from now on is theirs. */
  takeBench(hand: Hand): Observable<SignedIn | null> {
    return this.entered(this.api.post(PATHS.hand, hand, sessionSchema));
  }

  /** Gives it back to whoever signed in. */
  giveBenchBack(): Observable<SignedIn | null> {
    return this.entered(this.api.remove(PATHS.hand, sessionSchema));
  }

  /** Keeps how one likes to work. */
  prefer(preferences: Preferences): Observable<Preferences> {
    return this.api.put(PATHS.preferences, preferences, preferencesSchema).pipe(
      tap((kept) => {
        this.current.update((one) => (one?.who ? { ...one, who: { ...one.who, preferences: kept } } : one));
        this.apply(kept);
      }),
    );
  }

  private entered(answer: Observable<Session>): Observable<SignedIn | null> {
    return answer.pipe(
      tap((session) => {
        this.current.set(session);
        const { who } = session;
        if (who === null) return;
        this.units.inchParts.set(who.habits.inchParts);
        this.units.begin(who.habits.unit);
        this.apply(who.preferences);
        for (const act of takeOldOutbox(who)) this.journal.write(who.pen, act);
      }),
      map(({ who }) => who),
    );
  }

  /** What somebody has not chosen stays as this device has it. */
  private apply({ unit, speech, textSize }: Preferences): void {
    if (unit !== null) this.units.choose(unit);
    if (speech !== null && speech !== this.speech.on()) this.speech.toggle();
    document.documentElement.style.setProperty('zoom', textSize === null ? '' : String(textSize / 100));
  }
}
