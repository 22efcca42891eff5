import { inject, Injectable } from '@angular/core';
import {
  chartSchema,
  chartsSchema,
  pathOf,
  ROUTES,
  type Chart,
  type ChartImport,
} from '@neat-measure/contract';
import type { Observable } from 'rxjs';
import { Api } from './api';

/** The makers' charts. */
@Injectable({ providedIn: 'root' })
export class ChartService {
  private readonly api = inject(Api);

  list(): Observable<Chart[]> {
    return this.api.get(ROUTES.charts, chartsSchema);
  }

  /** Imports a chart under an id the caller made, so that trying again after a failure adds no second one. */
  import(id: string, chart: ChartImport): Observable<Chart> {
    return this.api.put(pathOf(ROUTES.charts, id), chart, chartSchema);
  }
}
