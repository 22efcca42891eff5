import { inject, Injectable } from '@angular/core';
import {
  erasingSchema,
  wearerErasingPath,
  type Erasing,
  listPath,
  pathOf,
  ROUTES,
  wearerSchema,
  wearersSchema,
  type ListQuery,
  type Page,
  type Wearer,
  type WearerRecord,
  wearerRecordPath,
  wearerRecordSchema,
} from '@neat-measure/contract';
import { catchError, from, throwError, type Observable } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Api, isAway } from './api';
import { Newcomers } from './pack/newcomers';
import { PackDoor } from './pack/pack-door';

/** The people to be sized. */
@Injectable({ providedIn: 'root' })
export class WearerService {
  private readonly api = inject(Api);
  private readonly newcomers = inject(Newcomers);
  private readonly pack = inject(PackDoor);

  list(query: ListQuery): Observable<Page<Wearer>> {
    return this.api.get(listPath(ROUTES.wearers, query), wearersSchema);
  }

  add(name: string, role: string): Observable<Wearer> {
    const id = uuidv7();
    return this.api.put(pathOf(ROUTES.wearers, id), { name, role, version: 0 }, wearerSchema).pipe(
      // While the server is away they are added here, and brought to it with what is done for them.
      catchError((problem: Error) =>
        isAway(problem) ? from(this.addHere(id, name, role, problem)) : throwError(() => problem),
      ),
    );
  }

  /** By the same id: the server may have them already, where only its answer was lost. */
  private async addHere(id: string, name: string, role: string, problem: Error): Promise<Wearer> {
    const pack = await this.pack.open();
    // Where nothing was taken along no docket can be opened for them either.
    if (!pack.ready()) throw problem;
    return this.newcomers.add(id, name, role);
  }

  /** Changes what is known of somebody, unless they were changed meanwhile. */
  save({ id, name, role, born, number, version }: Wearer): Observable<Wearer> {
    return this.api.put(pathOf(ROUTES.wearers, id), { name, role, born, number, version }, wearerSchema);
  }

  /** What somebody's measurements were over time. */
  record(id: string): Observable<WearerRecord> {
    return this.api.get(wearerRecordPath(id), wearerRecordSchema);
  }

  /** What erasing somebody does not reach by itself. */
  beforeErasing(id: string): Observable<Erasing> {
    return this.api.get(wearerErasingPath(id), erasingSchema);
  }

  /**
   * Erases somebody with all that is kept of them.
   *
   * @param hires hires without a docket under the same name that are theirs
   */
  erase(id: string, hires: readonly string[]): Observable<void> {
    return this.api.delete(pathOf(ROUTES.wearers, id), { hires });
  }
}
