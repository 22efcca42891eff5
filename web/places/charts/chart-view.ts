import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { chartSheetPath, type Chart } from '@neat-measure/contract';
import {
  columnName,
  firstPart,
  fitChecksOf,
  garmentKind,
  measurement,
  RULE_WORDS,
  sayRequirement,
  type ChartSheet,
} from '@neat-measure/core';
import { exportChartJson } from '@neat-measure/core/sheets';
import { exportCsv, exportHtml } from '@neat-measure/core/imported';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTabsModule } from 'ng-zorro-antd/tabs';
import { ChartFiles } from '../../data/imported/chart-files';
import { SessionService } from '../../data/session-service';
import { UnitService } from '../../data/unit-service';
import { FitChecks } from '../../parts/fit-checks/fit-checks';
import { ChartRuns } from './chart-runs';
import { ChartTry } from './chart-try';
import { ChartVersions } from './chart-versions';
import { DoctorList } from './draft/doctor-list';
import { PartRulers } from './part-rulers';
import { SizeMap } from './map/size-map';

const TABS = ['sizes', 'try', 'map', 'runs', 'doctor', 'versions'] as const;
type Tab = (typeof TABS)[number];
const TAB_WORDS: Readonly<Record<Tab, string>> = {
  sizes: 'Sizes',
  try: 'Try it',
  map: 'Map',
  runs: 'How it runs',
  doctor: 'Doctor',
  versions: 'Versions',
};

/** One chart: its sizes, trying it, the map, what the doctor says, its versions. */
@Component({
  selector: 'nm-chart-view',
  imports: [
    FitChecks,
    ChartRuns,
    ChartTry,
    ChartVersions,
    DoctorList,
    PartRulers,
    RouterLink,
    SizeMap,
    NzButtonModule,
    NzTabsModule,
  ],
  templateUrl: './chart-view.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChartView {
  readonly chart = input.required<Chart>();
  /** Asks for a new version, from this sheet. */
  readonly edit = output<ChartSheet>();
  /** Another version took this one’s place. */
  readonly replaced = output<Chart>();
  private readonly files = inject(ChartFiles);
  protected readonly session = inject(SessionService);
  protected readonly units = inject(UnitService);

  protected readonly tabs = TABS.map((tab) => ({ tab, words: TAB_WORDS[tab] }));
  protected readonly tab = signal<Tab>('sizes');
  protected readonly sheet = computed(() => this.chart().sheet);
  protected readonly about = computed(() => {
    const { sheet, version, source } = this.chart();
    return [
      sheet.maker,
      garmentKind(sheet.kind).words,
      RULE_WORDS[sheet.rule],
      `version ${version}`,
      source,
    ].join(' · ');
  });
  /** What the chart says beyond its tables, a line each. */
  protected readonly says = computed(() =>
    sayRequirement(this.sheet(), this.units.unit(), this.units.inchParts()),
  );
  protected readonly fits = computed(() => fitChecksOf(this.sheet()).length > 0);
  protected readonly printed = computed(() => chartSheetPath(this.chart().id));

  protected nameOf(code: Parameters<typeof columnName>[1]): string {
    return columnName(this.sheet(), code, (one) => measurement(one).name);
  }

  protected saveJson(): void {
    this.files.save(exportChartJson(this.sheet()), `${this.fileName()}.json`, 'application/json');
  }

  protected saveCsv(): void {
    this.files.save(exportCsv(this.sheet(), firstPart(this.sheet())), `${this.fileName()}.csv`, 'text/csv');
  }

  protected savePage(): void {
    this.files.save(
      exportHtml(this.sheet(), firstPart(this.sheet())),
      `${this.fileName()}.html`,
      'text/html',
    );
  }

  protected async saveXlsx(): Promise<void> {
    this.files.save(await this.files.writeWorkbook(this.sheet()), `${this.fileName()}.xlsx`);
  }

  private fileName(): string {
    return this.sheet()
      .garment.toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '');
  }
}
