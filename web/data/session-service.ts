import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
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
import { LOCALE, UNSETTLED } from '@neat-measure/core';
import { catchError, firstValueFrom, from, map, of, switchMap, tap, throwError, type Observable } from 'rxjs';
import { Api, ApiProblem, isAway } from './api';
import { Contact } from './contact';
import { Journal } from './journal/journal';
import { takeOldOutbox } from './journal/old-outbox';
import { Newcomers } from './pack/newcomers';
import { Vault, type Unlocking } from './sealed/vault';
import { SpeechService } from './speech-service';
import { UnitService } from './unit-service';

/** Who is signed in, for the whole page. */
@Injectable({ providedIn: 'root' })
export class SessionService {
  private readonly api = inject(Api);
  private readonly journal = inject(Journal);
  private readonly units = inject(UnitService);
  private readonly speech = inject(SpeechService);
  private readonly vault = inject(Vault);
  private readonly contact = inject(Contact);
  private readonly newcomers = inject(Newcomers);
  /** `undefined` until the server has been asked. */
  private readonly current = signal<Session | undefined>(undefined);
  /** Whoever is at the bench. */
  readonly fitter = computed(() => this.current()?.who ?? null);
  /** How the house sizes. */
  readonly habits = computed(() => this.fitter()?.habits ?? UNSETTLED);
  /** Whether nobody can sign in yet. */
  readonly firstRun = computed(() => this.current()?.firstRun ?? false);
  /** Whether the server, reached again, knows of no session of whoever works here: what they do is kept, and sent. */
  readonly lapsed = signal(false);
  /** Whether a lead fitter has ended this device, and what it had is erased. */
  readonly ended = signal(false);

  constructor() {
    this.contact.back.pipe(takeUntilDestroyed()).subscribe(() => this.again());
    // Whoever signed out while something waited leaves nothing behind once it is sent.
    effect(() => {
      const waits = this.journal.unsent() > 0 || this.newcomers.all().length > 0;
      if (this.left() && !waits) untracked(() => void this.leaveNothing());
    });
  }

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
    return this.endLeft().pipe(
      switchMap(() => this.entered(this.api.patiently(this.api.get(ROUTES.session, sessionSchema)))),
    );
  }

  /** Signs in; where the server is away, by what this device knows of whoever has signed in on it before. */
  signIn(signIn: SignIn): Observable<SignedIn | null> {
    const asked = this.api.patiently(this.api.post(ROUTES.session, signIn, sessionSchema), SIGN_IN_MS);
    return this.entered(asked, signIn).pipe(
      catchError((problem: Error) =>
        isAway(problem) ? from(this.unlock(signIn, problem)) : throwError(() => problem),
      ),
    );
  }

  private async unlock({ signIn, passphrase }: SignIn, problem: Error): Promise<SignedIn | null> {
    const unlocking = await this.vault.unlock(signIn, passphrase).catch(() => null);
    if (unlocking === null) throw problem;
    if (!unlocking.opened) throw new ApiProblem('sign-in-refused', sayNotOpened(unlocking));
    const kept = sessionSchema.safeParse(await this.vault.kept(sessionOf(unlocking.fitterId)));
    if (!kept.success) throw problem;
    this.begins(kept.data);
    return kept.data.who;
  }

  /** The server is reached again: how the house sizes, and who may what, is asked anew. */
  private again(): void {
    const before = this.fitter();
    if (before === null) return;
    this.endLeft()
      .pipe(switchMap(() => this.api.get(ROUTES.session, sessionSchema)))
      .subscribe({
        next: (session) => {
          if (session.deviceEnded === true) return void this.end();
          this.lapsed.set(session.who === null);
          // Whoever has worked on goes on: their pen signs what they did, session or not.
          if (session.who === null) return;
          this.begins(session);
          void this.seal(session);
        },
        error: () => undefined,
      });
  }

  /** Makes the first account, which runs the house. */
  begin(first: FirstRun): Observable<SignedIn | null> {
    return this.entered(this.api.post(PATHS.firstRun, first, sessionSchema), first);
  }

  /** Sets a passphrase with a one-time code. */
  takeCode(taken: TakeCode): Observable<SignedIn | null> {
    return this.entered(this.api.post(PATHS.takeCode, taken, sessionSchema), taken);
  }

  signOut(): Observable<void> {
    // Where nothing waits to be sent, nothing need be left that signs.
    const path = this.journal.unsent() === 0 ? signedOutPath('for-good') : ROUTES.session;
    return this.api.delete(path).pipe(
      catchError((problem: Error) => {
        if (!isAway(problem)) return throwError(() => problem);
        // The server hears of it as soon as it is reached from here.
        localStorage.setItem(LEFT, 'yes');
        return of(undefined);
      }),
      tap(() => {
        this.current.set(NOBODY);
        this.lapsed.set(false);
        this.left.set(true);
      }),
    );
  }

  /** Somebody has signed out on this page. */
  private readonly left = signal(false);

  private async leaveNothing(): Promise<void> {
    this.left.set(false);
    await this.vault.forget().catch(() => undefined);
    if (this.fitter() === null) this.vault.lock();
  }

  /** Ends a session that somebody signed out of while the server was away: its cookie was out of this page's reach. */
  private endLeft(): Observable<void> {
    if (localStorage.getItem(LEFT) === null) return of(undefined);
    return this.api.delete(ROUTES.session).pipe(
      tap(() => localStorage.removeItem(LEFT)),
      catchError(() => of(undefined)),
    );
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

  /** @param typed what was signed in with just now */
  private entered(answer: Observable<Session>, typed?: Typed): Observable<SignedIn | null> {
    return answer.pipe(
      switchMap((session) =>
        session.deviceEnded === true
          ? from(this.end()).pipe(switchMap(() => this.api.get(ROUTES.session, sessionSchema)))
          : of(session),
      ),
      tap((session) => {
        if (typed !== undefined) localStorage.removeItem(LEFT);
        this.begins(session);
        void this.seal(session, typed);
      }),
      map(({ who }) => who),
    );
  }

  /**
   * A lead fitter has ended this device: what it has is erased, and what waits is sent first where that can be read. The
   * server keeps it for a lead fitter.
   */
  async end(): Promise<void> {
    if (this.vault.isOpen())
      await Promise.race([
        this.journal.whenSent().catch(() => undefined),
        new Promise((resolve) => setTimeout(resolve, LAST_SENDING_MS)),
      ]);
    await this.journal.erase();
    await this.vault.erase();
    await firstValueFrom(this.api.put(PATHS.deviceErased, {})).catch(() => undefined);
    this.current.set(NOBODY);
    this.lapsed.set(false);
    this.ended.set(true);
  }

  private begins(session: Session): void {
    this.current.set(session);
    const { who } = session;
    if (who === null) return;
    this.left.set(false);
    this.lapsed.set(false);
    this.ended.set(false);
    this.units.inchParts.set(who.habits.inchParts);
    this.units.begin(who.habits.unit);
    this.apply(who.preferences);
    for (const act of takeOldOutbox(who)) this.journal.write(who.pen, act);
  }

  /** What is kept here can be read from now on, and whoever signed in is known without the server. */
  private async seal(session: Session, typed?: Typed): Promise<void> {
    const { who, device } = session;
    if (who === null || device === null) return;
    await this.vault.enter(device, typed === undefined ? undefined : { ...typed, fitterId: who.id });
    // Whoever has only taken a bench over has shown no passphrase.
    if (who.house === null) await this.vault.keep(sessionOf(who.id), session).catch(() => undefined);
  }

  /** What somebody has not chosen stays as this device has it. */
  private apply({ unit, speech, textSize }: Preferences): void {
    if (unit !== null) this.units.choose(unit);
    if (speech !== null && speech !== this.speech.on()) this.speech.toggle();
    document.documentElement.style.setProperty('zoom', textSize === null ? '' : String(textSize / 100));
  }
}

type Typed = Pick<SignIn, 'signIn' | 'passphrase'>;

/** A house in a rush takes its time for a passphrase. */
const SIGN_IN_MS = 20_000;

/** So long what waits is sent from a device that has been ended. */
const LAST_SENDING_MS = 20_000;

const NOBODY: Session = { who: null, firstRun: false, device: null };
/** Where it stands that somebody has signed out whom the server still holds signed in. */
const LEFT = 'neat-measure.signed-out';

function sessionOf(fitterId: string): string {
  return `session ${fitterId}`;
}

function sayNotOpened({ why, waitUntil }: Extract<Unlocking, { opened: false }>): string {
  const until = new Date(waitUntil).toLocaleTimeString(LOCALE, { timeStyle: 'short' });
  if (why === 'wait') return `Too many wrong passphrases. Try again after ${until}.`;
  if (why === 'unknown')
    return 'The server cannot be reached, and nobody of this name has signed in on this device before. Try again when the network is back.';
  const wait = waitUntil === 0 ? '' : ` Try again after ${until}.`;
  return `The name and passphrase do not match. Check both and try again.${wait}`;
}
