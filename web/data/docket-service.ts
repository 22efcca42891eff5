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
  type Exception,
  type KeptAct,
  type Letter,
  type Page,
  type Posted,
  type SelfLink,
} from '@neat-measure/contract';
import { Observable, of } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Api } from './api';
import { whileSeen } from './while-seen';

const summariesSchema = pageSchema(docketSummarySchema);

/** What a docket's stream tells: an act, other habits of the house, that it is heard, or that it is not for the moment. */
export type Heard = { readonly kept: KeptAct } | 'listening' | 'lost' | 'habits';

/** Dockets to be looked at. What is done on them goes through the journal. */
@Injectable({ providedIn: 'root' })
export class DocketService {
  private readonly api = inject(Api);

  list(query: DocketsQuery): Observable<Page<DocketSummary>> {
    return this.api.get(listPath(ROUTES.dockets, query), summariesSchema);
  }

  /** The flags of all wearers that nobody has decided yet. */
  exceptions(): Observable<Exception[]> {
    return this.api.get(ROUTES.exceptions, exceptionsSchema);
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

  /**
   * Emits what anybody does on a docket from now on, while the page is seen. The browser takes a lost
   * stream up again by itself, from where it broke off.
   */
  hear(id: string): Observable<Heard> {
    return whileSeen(() => this.stream(id), of('lost' as const));
  }

  private stream(id: string): Observable<Heard> {
    return new Observable((subscriber) => {
      let source: EventSource;
      let again: ReturnType<typeof setTimeout> | undefined;
      const listen = () => {
        source = new EventSource(docketStreamPath(id));
        source.onopen = () => subscriber.next('listening');
        source.onerror = () => {
          subscriber.next('lost');
          // Turned away altogether (the server was starting), the browser does not try by itself.
          if (source.readyState === EventSource.CLOSED) again = setTimeout(listen, AGAIN_MS);
        };
        source.addEventListener(HABITS_EVENT, () => subscriber.next('habits'));
        source.onmessage = ({ data }: MessageEvent<string>) => {
          const kept = keptActSchema.safeParse(JSON.parse(data));
          if (kept.success) subscriber.next({ kept: kept.data });
        };
      };
      listen();
      return () => {
        clearTimeout(again);
        source.close();
      };
    });
  }

  /** Makes a link with which the wearer measures themselves; its token is told only now. */
  selfLink(docketId: string): Observable<SelfLink> {
    return this.api.put(pathOf(ROUTES.selfLinks, uuidv7()), { docketId }, selfLinkSchema);
  }
}

const AGAIN_MS = 2_000;
