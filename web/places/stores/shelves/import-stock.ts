import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Chart } from '@neat-measure/contract';
import type { KeptGarment } from '@neat-measure/contract/stores';
import type { ImportedTable } from '@neat-measure/core/imported';
import { COMPARTMENT_WORDS, sizesOfLabel } from '@neat-measure/core/stock';
import {
  planStock,
  STOCK_ROLE_WORDS,
  STOCK_ROLES,
  type StockRole,
  type StockRow,
} from '@neat-measure/core/stock-table';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NzUploadModule, type NzUploadFile } from 'ng-zorro-antd/upload';
import { finalize, forkJoin } from 'rxjs';
import { ChartFiles, type ImportedFile } from '../../../data/imported/chart-files';
import { RememberedColumns } from '../../../data/imported/remembered-columns';
import { ChartService } from '../../../data/chart-service';
import { Fetched } from '../../../data/fetched';
import { SendingId } from '../../../data/sending-id';
import { StoresService } from '../../../data/stores-service';
import { Fetching } from '../../../parts/fetching/fetching';
import { ControlName } from '../../../parts/forms/control-name';
import { StoresAccount } from '../stores-account';

/** The most rows that are shown before they are taken. */
const SHOWN = 12;

/** A table of stock from a file or a pasted block: what each column is, what cannot be taken and why, and then all of it. */
@Component({
  selector: 'nm-import-stock',
  imports: [
    ControlName,
    Fetching,
    FormsModule,
    NzButtonModule,
    NzInputModule,
    NzSelectModule,
    NzUploadModule,
  ],
  templateUrl: './import-stock.html',
  styles: `
    .panel {
      padding: 14px 18px;
      margin-top: 12px;
    }
    textarea {
      max-width: 720px;
    }
    nz-select {
      min-width: 150px;
    }
    th > span {
      display: block;
      padding-top: 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ImportStock {
  readonly done = output<void>();
  readonly left = output<void>();
  private readonly service = inject(StoresService);
  private readonly charts = inject(ChartService);
  private readonly files = inject(ChartFiles);
  protected readonly account = inject(StoresAccount);
  protected readonly garments = new Fetched<readonly KeptGarment[]>(
    () => this.service.kept(),
    (garments) => this.fetchCharts(garments),
  );
  private readonly sheets = signal<ReadonlyMap<string, Chart>>(new Map());
  protected readonly tables = signal<readonly ImportedTable[]>([]);
  /** Which of them, by its place. */
  protected readonly which = signal(0);
  protected readonly table = computed(() => this.tables()[this.which()] ?? null);
  protected readonly choices = computed(() =>
    this.tables().map(({ name }, value) => ({ value, label: name === '' ? `Table ${value + 1}` : name })),
  );
  private readonly memory = new RememberedColumns('neat-measure:stock-columns', STOCK_ROLES);
  private readonly remembered = this.memory.read();
  protected readonly source = signal('');
  protected readonly remarks = signal<readonly string[]>([]);
  protected readonly said = signal<ReadonlyMap<number, StockRole>>(new Map());
  protected readonly room = signal<string | null>(null);
  protected readonly roomId = computed(() => this.room() ?? this.account.rooms()[0]?.id ?? null);
  protected readonly busy = signal(false);
  protected readonly trouble = signal<readonly string[]>([]);
  protected readonly roles = STOCK_ROLES.map((value) => ({ value, label: STOCK_ROLE_WORDS[value] }));
  private readonly id = new SendingId();

  protected readonly plan = computed(() => {
    const table = this.table();
    if (table === null) return null;
    const known = (this.garments.value() ?? []).map(({ seriesId, garment, maker, keeping }) => ({
      seriesId,
      garment,
      maker,
      numbered: keeping.numbered,
      labelAs: (written: string) => {
        const sheet = this.sheets().get(seriesId)?.sheet;
        if (sheet === undefined) return null;
        const tried = [written, written.toUpperCase()].find((label) => sizesOfLabel(sheet, label) !== null);
        return tried ?? null;
      },
    }));
    const rooms = this.account.rooms();
    return planStock(table.grid, this.said(), { garments: known, rooms, remembered: this.remembered });
  });
  protected readonly shown = computed(() => this.plan()?.rows.slice(0, SHOWN) ?? []);
  protected readonly more = computed(() => Math.max(0, (this.plan()?.rows.length ?? 0) - SHOWN));
  protected readonly pieces = computed(
    () => this.plan()?.rows.reduce((sum, { count }) => sum + count, 0) ?? 0,
  );

  private fetchCharts(garments: readonly KeptGarment[]): void {
    if (garments.length === 0) return;
    forkJoin(garments.map(({ chartId }) => this.charts.open(chartId))).subscribe({
      next: (charts) => this.sheets.set(new Map(charts.map((chart) => [chart.seriesId, chart]))),
      error: (problem: Error) => this.trouble.set([problem.message]),
    });
  }

  protected readonly take = (file: NzUploadFile): boolean => {
    const own = (file.originFileObj ?? file) as unknown as File;
    void this.files.read(own).then((imported) => this.look(imported));
    return false;
  };

  protected async paste(text: string): Promise<void> {
    if (text.trim() !== '') this.look(await this.files.readPasted(text));
  }

  private look(imported: ImportedFile | null): void {
    if (imported === null) return;
    this.trouble.set([]);
    if (imported.kind !== 'tables') {
      this.tables.set([]);
      this.trouble.set(
        imported.kind === 'refused'
          ? imported.sentences
          : ['This file is a size chart, not a stock table. Import it under Charts.'],
      );
      return;
    }
    this.source.set(imported.source);
    this.remarks.set(imported.remarks);
    this.choose(0);
    this.tables.set(imported.tables);
  }

  /** Another of the tables that were imported: its columns are others. */
  protected choose(which: number): void {
    this.which.set(which);
    this.said.set(new Map());
    this.id.done();
  }

  protected say(at: number, role: StockRole): void {
    this.said.update((all) => new Map([...all, [at, role]]));
  }

  /** Where a row says that it lies; nothing where it goes to the shelves of the room below. */
  protected whereOf({ roomId, compartment }: StockRow): string {
    const room = this.account.rooms().find(({ id }) => id === roomId)?.name ?? '';
    const part = compartment === 'shelf' ? '' : COMPARTMENT_WORDS[compartment];
    return [room, part].filter((one) => one !== '').join(', ');
  }

  protected importTable(): void {
    const [plan, roomId] = [this.plan(), this.roomId()];
    if (plan === null || roomId === null || plan.rows.length === 0) return;
    this.busy.set(true);
    this.trouble.set([]);
    const rows = plan.rows.map(({ line: _, garment: __, code, ...row }) => ({ ...row, makerCode: code }));
    this.service
      .importTable(this.id.value, { roomId, rows })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: () => {
          this.id.done();
          this.memory.keep(plan.columns, this.said());
          this.done.emit();
        },
        error: (problem: Error & { findings?: readonly string[] }) => {
          this.id.failed(problem);
          this.trouble.set((problem.findings?.length ?? 0) > 0 ? problem.findings! : [problem.message]);
        },
      });
  }
}
