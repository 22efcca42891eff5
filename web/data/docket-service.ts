import { inject, Injectable } from '@angular/core';
import {
  benchSchema,
  decisionSchema,
  docketSummariesSchema,
  pathOf,
  ROUTES,
  type Bench,
  type Decision,
  type DecisionSave,
  type DocketSave,
  type DocketSummary,
} from '@neat-measure/contract';
import type { Observable } from 'rxjs';
import { Api } from './api';

/** Dockets, and what is decided on them. */
@Injectable({ providedIn: 'root' })
export class DocketService {
  private readonly api = inject(Api);

  list(): Observable<DocketSummary[]> {
    return this.api.get(ROUTES.dockets, docketSummariesSchema);
  }

  open(id: string): Observable<Bench> {
    return this.api.get(pathOf(ROUTES.dockets, id), benchSchema);
  }

  save(id: string, docket: DocketSave): Observable<Bench> {
    return this.api.put(pathOf(ROUTES.dockets, id), docket, benchSchema);
  }

  decide(id: string, decision: DecisionSave): Observable<Decision> {
    return this.api.put(pathOf(ROUTES.decisions, id), decision, decisionSchema);
  }
}
