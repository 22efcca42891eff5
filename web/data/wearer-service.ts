import { inject, Injectable } from '@angular/core';
import {
  listPath,
  pathOf,
  ROUTES,
  wearerSchema,
  wearersSchema,
  type ListQuery,
  type Page,
  type Wearer,
} from '@neat-measure/contract';
import type { Observable } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Api } from './api';

/** The people to be sized. */
@Injectable({ providedIn: 'root' })
export class WearerService {
  private readonly api = inject(Api);

  list(query: ListQuery): Observable<Page<Wearer>> {
    return this.api.get(listPath(ROUTES.wearers, query), wearersSchema);
  }

  add(name: string, role: string): Observable<Wearer> {
    return this.api.put(pathOf(ROUTES.wearers, uuidv7()), { name, role, version: 0 }, wearerSchema);
  }

  /** Erases somebody with all that is kept of them. */
  erase(id: string): Observable<void> {
    return this.api.delete(pathOf(ROUTES.wearers, id));
  }
}
