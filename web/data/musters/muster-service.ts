import { inject, Injectable } from '@angular/core';
import {
  GROUPS,
  keptMusterActSchema,
  LIST_HEADINGS,
  listPath,
  musterAskedPath,
  musterImportPath,
  musterListPath,
  musterMatchPath,
  musterOrderAheadPath,
  musterPicksPath,
  musterSlipPath,
  musterSlipsPath,
  musterStreamPath,
  musterWearersPath,
  pathOf,
  ROUTES,
  type KeptMusterAct,
  type ListQuery,
  type Page,
} from '@neat-measure/contract';
import {
  askedListSchema,
  groupsSchema,
  headingsSchema,
  musterSummariesSchema,
  musterListSchema,
  musterViewSchema,
  musterWearersSchema,
  orderAheadSchema,
  peopleImportedSchema,
  peopleMatchedSchema,
  picksReservedSchema,
  picksSchema,
  slipOwnerSchema,
  slipsMadeSchema,
  type Asked,
  type Group,
  type Headings,
  type MusterSummary,
  type MusterList,
  type MusterView,
  type MusterWearer,
  type OrderAheadView,
  type OrderAheadWanted,
  type PeopleImport,
  type PeopleImported,
  type PeopleMatched,
  type PeopleRow,
  type Picks,
  type SlipsMade,
  type SlipsWanted,
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

  /** What columns of lists were said to be before. */
  headings(): Observable<Headings> {
    return this.api.get(LIST_HEADINGS, headingsSchema);
  }

  /** Groups of wearers, by name. */
  groups(): Observable<Group[]> {
    return this.api.get(GROUPS, groupsSchema);
  }

  /** The wearers of a group. */
  wearersIn(groupId: string): Observable<MusterWearer[]> {
    return this.api.get(pathOf(GROUPS, groupId), musterWearersSchema);
  }

  /** Makes slips or letters for measuring oneself. */
  makeSlips(id: string, wanted: SlipsWanted): Observable<SlipsMade> {
    return this.api.post(musterSlipsPath(id), wanted, slipsMadeSchema);
  }

  /** Who was asked to measure themselves, and what came of it. */
  asked(id: string): Observable<Asked[]> {
    return this.api.get(musterAskedPath(id), askedListSchema);
  }

  /** Whose a slip is. */
  slipOwner(id: string, code: string): Observable<{ wearerId: string }> {
    return this.api.post(musterSlipPath(id), { code }, slipOwnerSchema);
  }

  /** What to fetch for those who are decided. */
  picks(id: string): Observable<Picks> {
    return this.api.get(musterPicksPath(id), picksSchema);
  }

  /** Reserves all that is to be fetched. */
  reservePicks(id: string): Observable<{ reserved: number }> {
    return this.api.post(musterPicksPath(id), {}, picksReservedSchema);
  }

  /** What to order before anybody is measured. */
  orderAhead(id: string, wanted: OrderAheadWanted): Observable<OrderAheadView> {
    return this.api.post(musterOrderAheadPath(id), wanted, orderAheadSchema);
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
