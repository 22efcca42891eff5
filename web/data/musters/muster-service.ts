import { inject, Injectable } from '@angular/core';
import {
  keptMusterActSchema,
  listPath,
  musterImportPath,
  musterListPath,
  musterMatchPath,
  musterStreamPath,
  musterWearersPath,
  pathOf,
  ROUTES,
  type KeptMusterAct,
  type ListQuery,
  type Page,
} from '@neat-measure/contract';
import {
  musterSummariesSchema,
  musterListSchema,
  musterViewSchema,
  musterWearersSchema,
  peopleImportedSchema,
  peopleMatchedSchema,
  type MusterSummary,
  type MusterList,
  type MusterView,
  type MusterWearer,
  type PeopleImport,
  type PeopleImported,
  type PeopleMatched,
  type PeopleRow,
} from '@neat-measure/contract/musters';
import type { Observable } from 'rxjs';
import { Api } from '../api';
import { hearStream, type Told } from '../hear-stream';

/** Musters to be looked at. What is done on them goes through the journal. */
@Injectable({ providedIn: 'root' })
export class MusterService {
  private readonly api = inject(Api);

  list(query: ListQuery): Observable<Page<MusterSummary>> {
    return this.api.get(listPath(ROUTES.musters, query), musterSummariesSchema);
  }

  open(id: string): Observable<MusterView> {
    return this.api.get(pathOf(ROUTES.musters, id), musterViewSchema);
  }

  /** Who some wearers of a muster are: those who came onto its list since it was opened here. */
  wearers(id: string, wearerIds: readonly string[]): Observable<MusterWearer[]> {
    return this.api.get(`${musterWearersPath(id)}?ids=${wearerIds.join()}`, musterWearersSchema);
  }

  /** Everybody on a muster as rows of a table, its heading first. */
  table(id: string): Observable<MusterList> {
    return this.api.get(musterListPath(id), musterListSchema);
  }

  /** Who the rows of a list are, of the wearers there are. */
  match(id: string, rows: readonly PeopleRow[]): Observable<PeopleMatched> {
    return this.api.post(musterMatchPath(id), { rows }, peopleMatchedSchema);
  }

  /** Puts a list onto a muster. */
  importPeople(id: string, wanted: PeopleImport): Observable<PeopleImported> {
    return this.api.put(musterImportPath(id), wanted, peopleImportedSchema);
  }

  /**
   * Emits what anybody does on a muster.
   *
   * @param after behind which act: what was done while it was fetched is told, too
   */
  hear(id: string, after: () => number): Observable<Told<KeptMusterAct>> {
    return hearStream<KeptMusterAct>({
      path: () => `${musterStreamPath(id)}?after=${after()}`,
      schema: keptMusterActSchema,
    });
  }
}
