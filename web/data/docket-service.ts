import { inject, Injectable } from '@angular/core';
import {
  benchSchema,
  confirmationSchema,
  decisionSchema,
  docketSummariesSchema,
  exceptionsSchema,
  pathOf,
  ROUTES,
  selfLinkSchema,
  type SelfLink,
  skipSchema,
  type Bench,
  type ConfirmationSave,
  type Decision,
  type DecisionSave,
  type DocketConfirmation,
  type DocketSave,
  type DocketSummary,
  type Exception,
  type Skip,
  type SkipSave,
} from '@neat-measure/contract';
import type { Observable } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Api } from './api';

/** Dockets, and what is decided on them. */
@Injectable({ providedIn: 'root' })
export class DocketService {
  private readonly api = inject(Api);

  list(): Observable<DocketSummary[]> {
    return this.api.get(ROUTES.dockets, docketSummariesSchema);
  }

  /** The flags of all wearers that nobody has decided yet. */
  exceptions(): Observable<Exception[]> {
    return this.api.get(ROUTES.exceptions, exceptionsSchema);
  }

  open(id: string): Observable<Bench> {
    return this.api.get(pathOf(ROUTES.dockets, id), benchSchema);
  }

  save(id: string, docket: DocketSave): Observable<Bench> {
    return this.api.put(pathOf(ROUTES.dockets, id), docket, benchSchema);
  }

  skip(id: string, skip: SkipSave): Observable<Skip> {
    return this.api.put(pathOf(ROUTES.skips, id), skip, skipSchema);
  }

  confirm(id: string, confirmation: ConfirmationSave): Observable<DocketConfirmation> {
    return this.api.put(pathOf(ROUTES.confirmations, id), confirmation, confirmationSchema);
  }

  /** Makes a link with which the wearer measures themselves; its token is told only now. */
  selfLink(docketId: string): Observable<SelfLink> {
    return this.api.put(pathOf(ROUTES.selfLinks, uuidv7()), { docketId }, selfLinkSchema);
  }

  decide(id: string, decision: DecisionSave): Observable<Decision> {
    return this.api.put(pathOf(ROUTES.decisions, id), decision, decisionSchema);
  }
}
