import { inject, Injectable } from '@angular/core';
import {
  auditPageSchema,
  awayDevicesSchema,
  codeOfPersonPath,
  factorOfferSchema,
  oneTimeCodeSchema,
  pathOf,
  PATHS,
  peopleSchema,
  personSchema,
  ROUTES,
  selfLinkEntriesSchema,
  actAnswersSchema,
  lateActsSchema,
  type ActAnswer,
  type LateAct,
  type LateDecision,
  recoveryCodesSchema,
  type RecoveryCodes,
  sessionEntriesSchema,
  sessionsOfPersonPath,
  settingsSchema,
  tapeSecretSchema,
  tapesSchema,
  type AuditEntry,
  type AwayDevice,
  type AuditQuery,
  type BenchCodeSave,
  type FactorOffer,
  type OneTimeCode,
  type PassphraseChange,
  type Page,
  type Person,
  type PersonSave,
  type SelfLinkEntry,
  type SessionEntry,
  type Settings,
  type Tape,
  type TapeSecret,
} from '@neat-measure/contract';
import type { Observable } from 'rxjs';
import { Api } from './api';

/** Who may enter, what is one's own, and what the house has settled. */
@Injectable({ providedIn: 'root' })
export class HouseService {
  private readonly api = inject(Api);

  people(): Observable<Person[]> {
    return this.api.get(PATHS.people, peopleSchema);
  }

  savePerson(id: string, save: PersonSave): Observable<Person> {
    return this.api.put(pathOf(PATHS.people, id), save, personSchema);
  }

  giveCode(id: string): Observable<OneTimeCode> {
    return this.api.post(codeOfPersonPath(id), {}, oneTimeCodeSchema);
  }

  endSessionsOf(id: string): Observable<void> {
    return this.api.delete(sessionsOfPersonPath(id));
  }

  settings(): Observable<Settings> {
    return this.api.get(PATHS.settings, settingsSchema);
  }

  saveSettings(settings: Settings): Observable<Settings> {
    return this.api.put(PATHS.settings, settings, settingsSchema);
  }

  /** Changes that were sent after their sign-in had ended, in the order they came. */
  lateActs(): Observable<LateAct[]> {
    return this.api.get(PATHS.late, lateActsSchema);
  }

  decideLate(decision: LateDecision): Observable<ActAnswer[]> {
    return this.api.post(PATHS.late, decision, actAnswersSchema);
  }

  /** Devices that took a muster along, the one that was heard last first. */
  awayDevices(): Observable<AwayDevice[]> {
    return this.api.get(PATHS.awayDevices, awayDevicesSchema);
  }

  /** Ends a device that is lost. */
  endDevice(id: string): Observable<void> {
    return this.api.delete(pathOf(PATHS.awayDevices, id));
  }

  sessions(): Observable<SessionEntry[]> {
    return this.api.get(PATHS.sessions, sessionEntriesSchema);
  }

  endSession(id: string): Observable<void> {
    return this.api.delete(pathOf(PATHS.sessions, id));
  }

  endOtherSessions(): Observable<void> {
    return this.api.delete(PATHS.sessions);
  }

  changePassphrase(change: PassphraseChange): Observable<void> {
    return this.api.put(PATHS.passphrase, change);
  }

  setBenchCode(save: BenchCodeSave): Observable<void> {
    return this.api.put(PATHS.benchCode, save);
  }

  beginFactor(passphrase: string): Observable<FactorOffer> {
    return this.api.post(PATHS.factor, { passphrase }, factorOfferSchema);
  }

  confirmFactor(code: string): Observable<RecoveryCodes> {
    return this.api.put(PATHS.factor, { code }, recoveryCodesSchema);
  }

  /** New recovery codes; those of before are good no more. */
  renewCodes(passphrase: string): Observable<RecoveryCodes> {
    return this.api.post(PATHS.recoveryCodes, { passphrase }, recoveryCodesSchema);
  }

  endFactor(passphrase: string): Observable<void> {
    return this.api.delete(PATHS.factor, { passphrase });
  }

  /** A part of what happened, the latest first. */
  audit(query: AuditQuery): Observable<Page<AuditEntry>> {
    const asked = new URLSearchParams();
    for (const [key, value] of Object.entries(query)) if (value !== undefined) asked.set(key, String(value));
    return this.api.get(`${PATHS.audit}?${asked.toString()}`, auditPageSchema);
  }

  tapes(): Observable<Tape[]> {
    return this.api.get(PATHS.tapes, tapesSchema);
  }

  pairTape(device: string): Observable<TapeSecret> {
    return this.api.put(pathOf(PATHS.tapes, device), {}, tapeSecretSchema);
  }

  unpairTape(device: string): Observable<void> {
    return this.api.delete(pathOf(PATHS.tapes, device));
  }

  links(): Observable<SelfLinkEntry[]> {
    return this.api.get(ROUTES.selfLinks, selfLinkEntriesSchema);
  }

  endLink(id: string): Observable<void> {
    return this.api.delete(pathOf(ROUTES.selfLinks, id));
  }
}
