import { provideHttpClient } from '@angular/common/http';
import {
  HttpTestingController,
  provideHttpClientTesting,
  type TestRequest,
} from '@angular/common/http/testing';
import type { EnvironmentProviders, Provider, Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { NO_PREFERENCES, ROUTES, type ActAnswer, type ActsSave, type SignedIn } from '@neat-measure/contract';
import { UNSETTLED, type Act } from '@neat-measure/core';
import { Dexie } from 'dexie';
import { NEVER, type Observable } from 'rxjs';
import { DocketService, type Heard } from '../data/docket-service';
import { SessionService } from '../data/session-service';
import { keptAct, ODALYS } from './watch-coat';

const SIGNED_IN: Omit<SignedIn, 'id' | 'name' | 'pen'> = {
  role: 'administrator',
  preferences: NO_PREFERENCES,
  habits: UNSETTLED,
  house: null,
  owes: [],
  hasSecondFactor: false,
  recoveryCodes: 0,
  hasBenchCode: false,
};

/** What opens what this device keeps. */
export const DEVICE = { key: 'A'.repeat(43), awayDays: 30 };

/** What goes over the wire, the server's side played by hand; the device's own store is the real one. */
export class Wire {
  readonly http: HttpTestingController;

  /** Somebody is signed in; what others do comes from `heard`. */
  constructor(
    providers: (Provider | EnvironmentProviders | Type<unknown>)[] = [],
    heard: Observable<Heard> = NEVER,
  ) {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), ...providers],
    });
    this.http = TestBed.inject(HttpTestingController);
    spyOn(TestBed.inject(DocketService), 'hear').and.returnValue(heard);
    this.signIn(ODALYS, 'pen of Odalys');
  }

  signIn(fitter: { readonly id: string; readonly name: string }, pen: string): void {
    TestBed.inject(SessionService).ask().subscribe();
    this.http
      .expectOne({ method: 'GET', url: ROUTES.session })
      .flush({ who: { ...SIGNED_IN, ...fitter, pen }, firstRun: false, device: DEVICE });
  }

  /** The next acts on the wire, once they come; still to be answered. */
  async sent(): Promise<{ readonly request: TestRequest; readonly pen: string; readonly acts: Act[] }> {
    let found: TestRequest[] = [];
    await until(() => (found = this.http.match(ROUTES.acts)).length > 0);
    const { pen, acts } = found[0]!.request.body as ActsSave;
    return { request: found[0]!, pen, acts: acts as Act[] };
  }

  /** Keeps the next acts on the wire, as the server does; what was sent. */
  async keep(): Promise<Act[]> {
    const { request, acts } = await this.sent();
    request.flush(acts.map((act): ActAnswer => ({ outcome: 'kept', id: act.id, kept: keptAct(act) })));
    return acts;
  }
}

/** Waits for something to come about. */
export async function until(done: () => boolean): Promise<void> {
  // A busy machine is slow: only what never comes about is a fault.
  const stop = Date.now() + 30_000;
  while (!done()) {
    if (Date.now() > stop) throw new Error('it did not come about');
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
}

/** Empties what this browser has written down. */
export async function forgetDevice(): Promise<void> {
  localStorage.clear();
  await Dexie.delete('neat-measure');
  await Dexie.delete('neat-measure-sealed');
}
