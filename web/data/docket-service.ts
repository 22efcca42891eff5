import { inject, Injectable } from '@angular/core';
import {
  benchSchema,
  docketRunsPath,
  docketRunsSchema,
  docketStreamPath,
  docketSummarySchema,
  exceptionsSchema,
  HABITS_EVENT,
  keptActSchema,
  letterPath,
  listPath,
  pageSchema,
  pathOf,
  postedSchema,
  ROUTES,
  selfLinkSchema,
  type Bench,
  type DocketRuns,
  type DocketsQuery,
  type DocketSummary,
  type ExceptionsPage,
  type ExceptionsQuery,
  type KeptAct,
  type Letter,
  type Page,
  type Posted,
  type SelfLink,
} from '@neat-measure/contract';
import type { Observable } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Api } from './api';
import { hearStream, type Told } from './hear-stream';

const summariesSchema = pageSchema(docketSummarySchema);

/** What a docket's stream tells: an act, other habits of the house, that it is heard, or that it is not for the moment. */
export type Heard = Told<KeptAct> | typeof HABITS_EVENT;

/** Dockets to be looked at. What is done on them goes through the journal. */
@Injectable({ providedIn: 'root' })
export class DocketService {
  private readonly api = inject(Api);

  list(query: DocketsQuery): Observable<Page<DocketSummary>> {
    return this.api.get(listPath(ROUTES.dockets, query), summariesSchema);
  }

  /** A part of the flags of all wearers that nobody has decided yet. */
  exceptions({ by, from }: ExceptionsQuery): Observable<ExceptionsPage> {
    return this.api.get(listPath(ROUTES.exceptions, { from, by }), exceptionsSchema);
  }

  /** The charts of a docket that run otherwise than they say. */
  runs(id: string): Observable<DocketRuns> {
    return this.api.get(docketRunsPath(id), docketRunsSchema);
  }

  /** Puts a sheet of a docket into the simulated post, once for an id. */
  post(docketId: string, letterId: string, letter: Letter): Observable<Posted> {
    return this.api.put(letterPath(docketId, letterId), letter, postedSchema);
  }

  open(id: string): Observable<Bench> {
    return this.api.get(pathOf(ROUTES.dockets, id), benchSchema);
  }

  /** Emits what anybody does on a docket from now on, and that the house sizes by other habits. */
  hear(id: string): Observable<Heard> {
    return hearStream({
      path: () => docketStreamPath(id),
      schema: keptActSchema,
      beside: [HABITS_EVENT],
    });
  }

  /** Makes a link with which the wearer measures themselves; its token is told only now. */
  selfLink(docketId: string): Observable<SelfLink> {
    return this.api.put(pathOf(ROUTES.selfLinks, uuidv7()), { docketId }, selfLinkSchema);
  }
}
