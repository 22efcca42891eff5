import { inject, Injectable } from '@angular/core';
import {
  chartSchema,
  chartsSchema,
  chartUsesPath,
  chartUsesSchema,
  chartVersionsPath,
  pathOf,
  ROUTES,
  type Chart,
  type ChartSave,
  type ChartUses,
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

  /** Every version of the chart that a version belongs to, the newest first. */
  versions(id: string): Observable<Chart[]> {
    return this.api.get(chartVersionsPath(id), chartsSchema);
  }

  uses(id: string): Observable<ChartUses> {
    return this.api.get(chartUsesPath(id), chartUsesSchema);
  }

  /** Keeps a version under an id the caller made, so that trying again after a failure adds no second one. */
  save(id: string, chart: ChartSave): Observable<Chart> {
    return this.api.put(pathOf(ROUTES.charts, id), chart, chartSchema);
  }
}
