import { inject, Injectable } from '@angular/core';
import { kitSchema, kitsSchema, pathOf, ROUTES, type Kit, type KitSave } from '@neat-measure/contract';
import type { Observable } from 'rxjs';
import { Api } from './api';

/** What is opened together for one kind of work. */
@Injectable({ providedIn: 'root' })
export class KitService {
  private readonly api = inject(Api);

  list(): Observable<Kit[]> {
    return this.api.get(ROUTES.kits, kitsSchema);
  }

  save(id: string, kit: KitSave): Observable<Kit> {
    return this.api.put(pathOf(ROUTES.kits, id), kit, kitSchema);
  }

  drop(id: string): Observable<void> {
    return this.api.delete(pathOf(ROUTES.kits, id));
  }
}
