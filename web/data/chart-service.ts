import { inject, Injectable } from '@angular/core';
import {
  bodiesPath,
  bodiesSchema,
  chartSchema,
  chartsSchema,
  chartSummariesSchema,
  chartRetiredPath,
  chartRunsPath,
  chartRunsSchema,
  chartUsesPath,
  chartUsesSchema,
  chartVersionsPath,
  listPath,
  pathOf,
  ROUTES,
  type Bodies,
  type Chart,
  type ChartSummary,
  type ChartUses,
  type ListQuery,
  type Page,
} from '@neat-measure/contract';
import { type ChartSave } from '@neat-measure/contract/chart-save';
import type { ChartRun, MeasurementCode } from '@neat-measure/core';
import type { Observable } from 'rxjs';
import { Api } from './api';

/** The makers' charts. */
@Injectable({ providedIn: 'root' })
export class ChartService {
  private readonly api = inject(Api);

  /** The latest version of each chart, without its numbers. */
  list(query: ListQuery): Observable<Page<ChartSummary>> {
    return this.api.get(listPath(ROUTES.charts, query), chartSummariesSchema);
  }

  /** One version, whole. */
  open(id: string): Observable<Chart> {
    return this.api.get(pathOf(ROUTES.charts, id), chartSchema);
  }

  /** Every version of the chart that a version belongs to, the newest first. */
  versions(id: string): Observable<Chart[]> {
    return this.api.get(chartVersionsPath(id), chartsSchema);
  }

  /** Retires a chart, or restores it. */
  retire(id: string, retired: boolean): Observable<ChartUses> {
    return this.api.put(chartRetiredPath(id), { retired }, chartUsesSchema);
  }

  /** How the garments of a chart run, by those that were tried on. */
  runs(id: string): Observable<ChartRun[]> {
    return this.api.get(chartRunsPath(id), chartRunsSchema);
  }

  uses(id: string): Observable<ChartUses> {
    return this.api.get(chartUsesPath(id), chartUsesSchema);
  }

  /** The values of some measurements that stand on the roll, of a group or of everybody, without names. */
  bodies(codes: readonly MeasurementCode[], groupId: string | null = null): Observable<Bodies> {
    return this.api.get(bodiesPath(codes, groupId), bodiesSchema);
  }

  /** Keeps a version under an id the caller made, so that trying again after a failure adds no second one. */
  save(id: string, chart: ChartSave): Observable<Chart> {
    return this.api.put(pathOf(ROUTES.charts, id), chart, chartSchema);
  }
}
