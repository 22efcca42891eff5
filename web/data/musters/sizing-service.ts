import { inject, Injectable } from '@angular/core';
import {
  pathOf,
  sizingDecisionPath,
  sizingDecisionsPath,
  sizingPlacingPath,
  SIZINGS,
  sizingStreamPath,
} from '@neat-measure/contract';
import {
  decidedManySchema,
  placingSchema,
  sizingListSchema,
  sizingProgressSchema,
  sizingViewSchema,
  type DecidedMany,
  type DecideMany,
  type PlacingAsked,
  type PlacingView,
  type SizingProgress,
  type SizingView,
  type SizingWanted,
} from '@neat-measure/contract/musters';
import { filter, map, takeWhile, type Observable } from 'rxjs';
import { Api } from '../api';
import { hearStream } from '../hear-stream';

/** Musters and groups sized at once. */
@Injectable({ providedIn: 'root' })
export class SizingService {
  private readonly api = inject(Api);

  /** The sizings of a muster or a group, the latest first. */
  list(subjectId: string): Observable<SizingProgress[]> {
    return this.api.get(`${SIZINGS}?of=${subjectId}`, sizingListSchema);
  }

  /** Begins one, under an id given here: begun again under it, it is the same one. */
  begin(id: string, wanted: Omit<SizingWanted, 'kitId'>): Observable<SizingProgress> {
    return this.api.put(pathOf(SIZINGS, id), wanted, sizingProgressSchema);
  }

  /** What one came to. */
  open(id: string): Observable<SizingView> {
    return this.api.get(pathOf(SIZINGS, id), sizingViewSchema);
  }

  /** Ends one that runs. */
  cancel(id: string): Observable<void> {
    return this.api.delete(pathOf(SIZINGS, id));
  }

  /** Decides a garment alike on many dockets of one. */
  decide(id: string, wanted: DecideMany): Observable<DecidedMany> {
    return this.api.post(sizingDecisionsPath(id), wanted, decidedManySchema);
  }

  /** Places everybody of one by what there is. */
  place(id: string, asked: PlacingAsked): Observable<PlacingView> {
    return this.api.post(sizingPlacingPath(id), asked, placingSchema);
  }

  /** Takes back what was decided at once. */
  undoDecision(id: string, decisionId: string): Observable<DecidedMany> {
    return this.api.remove(sizingDecisionPath(id, decisionId), decidedManySchema);
  }

  /** Emits how far one is, until it has ended. */
  follow(id: string): Observable<SizingProgress> {
    return hearStream<SizingProgress>({
      path: () => sizingStreamPath(id),
      schema: sizingProgressSchema,
    }).pipe(
      map((told) => (typeof told === 'string' ? null : told.kept)),
      filter((told) => told !== null),
      takeWhile(({ state }) => state === 'running', true),
    );
  }
}
