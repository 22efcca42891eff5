import { inject, Injectable } from '@angular/core';
import {
  pathOf,
  protocolSchema,
  protocolsSchema,
  ROUTES,
  type Protocol,
  type ProtocolSave,
} from '@neat-measure/contract';
import type { Observable } from 'rxjs';
import { Api } from './api';

/** The ways to measure: those that ship with the application, and one's own. */
@Injectable({ providedIn: 'root' })
export class ProtocolService {
  private readonly api = inject(Api);

  list(): Observable<Protocol[]> {
    return this.api.get(ROUTES.protocols, protocolsSchema);
  }

  save(id: string, protocol: ProtocolSave): Observable<Protocol> {
    return this.api.put(pathOf(ROUTES.protocols, id), protocol, protocolSchema);
  }
}
