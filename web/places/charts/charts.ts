import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { Chart, ChartSummary } from '@neat-measure/contract';
import { garmentKind, GARMENT_KINDS, type ChartSheet } from '@neat-measure/core';
import { PUBLISHED_CHARTS } from '@neat-measure/core/reference';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NzSpinModule } from 'ng-zorro-antd/spin';
import { NzUploadModule } from 'ng-zorro-antd/upload';
import { ChartFiles, type ImportedFile } from '../../data/imported/chart-files';
import { ChartService } from '../../data/chart-service';
import { SessionService } from '../../data/session-service';
import { Paged } from '../../data/paged';
import { listKeys } from '../../parts/shortcuts/shortcut-service';
import { ChartDraft, type Draft } from './draft/chart-draft';
import { ChartView } from './chart-view';
import { ImportDesk } from './imported/import-desk';
import { OwnChart } from './own/own-chart';
import { ImportStore } from './imported/import-store';
import { ImportReader } from '../../data/imported/import-reader';
import { ControlName } from '../../parts/forms/control-name';
import { EmptyState } from '../../parts/empty-state/empty-state';
import { Fetching } from '../../parts/fetching/fetching';

/** Charts: the makers' sheets, and a place to import one's own. */
@Component({
  selector: 'nm-charts',
  imports: [
    Fetching,
    EmptyState,
    ControlName,
    ChartDraft,
    ChartView,
    RouterLink,
    ImportDesk,
    OwnChart,
    NzButtonModule,
    NzInputModule,
    NzSelectModule,
    NzSpinModule,
    NzUploadModule,
    FormsModule,
  ],
  // What was said of one table is still known when another that came with it is taken.
  providers: [ImportStore],
  templateUrl: './charts.html',
  styleUrl: './charts.less',
  host: {
    class: 'beside',
    '[class.over]': 'over()',
    '[class.alone]': 'alone()',
    '(dragover)': 'onDragOver($event)',
    '(dragleave)': 'over.set(false)',
    '(drop)': 'onDrop($event)',
    '(document:paste)': 'onPaste($event)',
    '(window:beforeunload)': 'onUnload($event)',
  },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Charts {
  private readonly charts = inject(ChartService);
  private readonly files = inject(ChartFiles);
  private readonly session = inject(SessionService);
  /** Whether whoever looks may keep charts too. */
  protected readonly keeps = computed(() => this.session.may('keep-charts'));
  private readonly view = viewChild.required<ElementRef<HTMLElement>>('view');

  protected readonly listed = new Paged<ChartSummary>((query) => this.charts.list(query));
  protected readonly byKind = signal(false);
  protected readonly sought = signal('');
  protected readonly makers = computed(() => {
    const makers = new Map<string, ChartSummary[]>();
    for (const chart of this.listed.items()) {
      const name = this.byKind() ? garmentKind(chart.kind).words : chart.maker;
      makers.set(name, [...(makers.get(name) ?? []), chart]);
    }
    const order = GARMENT_KINDS.map((kind) => garmentKind(kind).words);
    return [...makers]
      .map(([name, charts]) => ({ name, charts }))
      .sort((a, b) =>
        this.byKind() ? order.indexOf(a.name) - order.indexOf(b.name) : a.name.localeCompare(b.name),
      );
  });
  /** One that was asked for by its address. */
  readonly chart = input<string>();
  /** The chart chosen, or the first of the list. */
  private readonly openId = linkedSignal(() => this.chart() ?? null);
  protected readonly wantedId = computed(() => this.openId() ?? this.makers()[0]?.charts[0]?.id ?? null);
  private readonly fetched = signal<Chart | null>(null);
  protected readonly open = computed(() => {
    const chart = this.fetched();
    return chart?.id === this.wantedId() ? chart : null;
  });

  /** Whether a file is held over the page. */
  protected readonly over = signal(false);
  /** What was imported last: a table still to be understood, or what is wrong with it. */
  protected readonly imported = signal<Exclude<ImportedFile, { kind: 'sheet' }> | null>(null);
  protected readonly draft = signal<Draft | null>(null);
  /** Whether one is drafted from people who were measured. */
  protected readonly drafts = signal(false);
  private readonly importStore = inject(ImportStore);
  protected readonly reader = inject(ImportReader);
  /** What is worked at has the whole width. */
  protected readonly alone = computed(
    () => this.draft() !== null || this.drafts() || this.imported()?.kind === 'tables',
  );
  /** Tables that came with the one that was taken, to go on with when it is kept. */
  protected readonly waiting = signal<Extract<ImportedFile, { kind: 'tables' }> | null>(null);
  private readonly drafting = viewChild(ChartDraft);
  private readonly reading = viewChild(ImportDesk);
  protected readonly published = PUBLISHED_CHARTS.map(({ sheet, source }) => ({
    label: `${sheet.maker}: ${sheet.garment}`,
    value: { sheet, source },
  }));
  protected readonly trouble = signal('');
  /** The chart saved last, to go on with at once. */
  protected readonly added = signal<Chart | null>(null);

  constructor() {
    listKeys(() => [{ keys: ['Ctrl+v'], does: 'import a table copied from a spreadsheet or web page' }]);
    effect((onCleanup) => {
      const id = this.wantedId();
      if (id === null || untracked(this.fetched)?.id === id) return;
      const asked = this.charts.open(id).subscribe({
        next: (chart) => this.fetched.set(chart),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
      onCleanup(() => asked.unsubscribe());
    });
  }

  /** The browser asks in its own words before the page is closed or loaded anew. */
  protected onUnload(event: BeforeUnloadEvent): void {
    if (this.unsaved()) event.preventDefault();
  }

  /** Whether the place may be left: what was changed of a chart and not kept is given up only knowingly. */
  mayLeave(): boolean {
    return (
      !this.unsaved() || window.confirm('Changes to this chart are not saved. Leave and lose the changes?')
    );
  }

  /** Whether something was changed of a chart, or said of a table, that is not kept. */
  private unsaved(): boolean {
    return this.drafting()?.changed() === true || this.reading()?.changed() === true;
  }

  protected seek(words: string): void {
    this.sought.set(words);
    this.listed.seek(words);
  }

  protected show(chart: ChartSummary): void {
    this.openId.set(chart.id);
    this.discard();
  }

  protected sizesOf({ parts, sizes }: ChartSummary): string {
    return parts === 1 ? `${sizes} sizes` : `${parts} parts`;
  }

  protected onDragOver(event: DragEvent): void {
    if (!this.keeps()) return;
    event.preventDefault();
    this.over.set(true);
  }

  protected onDrop(event: DragEvent): void {
    if (!this.keeps()) return;
    event.preventDefault();
    this.over.set(false);
    const file = event.dataTransfer?.files[0];
    // What falls on the box itself has been taken by it.
    const onBox = event.target instanceof Element && event.target.closest('nz-upload') !== null;
    if (file !== undefined && !onBox) void this.bring(file);
  }

  /** A file that was picked, or dropped on the box; it is read here and goes nowhere. */
  protected readonly onPicked = (picked: unknown): boolean => {
    void this.bring(picked as File);
    return false;
  };

  /** A block copied from a spreadsheet or a page is a chart imported, unless it is meant for a field. */
  protected onPaste(event: ClipboardEvent): void {
    if (!this.keeps()) return;
    const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
    if (event.defaultPrevented || typing || event.clipboardData === null) return;
    const file = event.clipboardData.files[0];
    const html = event.clipboardData.getData('text/html');
    const text = /<table[\s>]/i.test(html) ? html : event.clipboardData.getData('text/plain');
    if (file !== undefined) void this.bring(file);
    else if (text.trim() !== '') void this.files.readPasted(text).then((imported) => this.take(imported));
  }

  /** Looks at a file; nothing is saved until the fitter says so. */
  private async bring(file: File): Promise<void> {
    this.take(await this.files.read(file));
  }

  private take(imported: ImportedFile | null): void {
    // Whoever stopped it goes on where they were.
    if (imported === null || !this.mayLeave()) return;
    this.discard();
    if (imported.kind === 'sheet')
      this.draft.set({ sheet: imported.sheet, source: imported.source, replaces: null });
    else this.imported.set(imported);
  }

  /** A published table becomes a draft, with where it is from beside it. */
  protected begin(chosen: { readonly sheet: ChartSheet; readonly source: string } | null): void {
    if (chosen === null) return;
    this.discard();
    this.draft.set({ ...chosen, replaces: null });
  }

  /** A table as it was understood becomes a draft. */
  protected onRead(sheet: ChartSheet): void {
    const imported = this.imported();
    const said = this.reading()?.changed() === true;
    this.draft.set({ sheet, source: imported?.source ?? 'pasted', replaces: null, said });
    this.waiting.set(imported?.kind === 'tables' && imported.tables.length > 1 ? imported : null);
    this.imported.set(null);
  }

  protected onEdit(chart: Chart, sheet: ChartSheet): void {
    this.discard();
    this.draft.set({ sheet, source: 'changed here', replaces: chart });
  }

  protected discard(): void {
    // What is shown next is read from its top.
    this.view().nativeElement.scrollTop = 0;
    this.imported.set(null);
    this.draft.set(null);
    this.drafts.set(false);
    this.added.set(null);
    this.waiting.set(null);
  }

  /** Back to what came with the chart that was kept. */
  protected goOn(): void {
    const imported = this.waiting();
    this.discard();
    this.imported.set(imported);
    this.importStore.taken.set(new Set());
  }

  protected onSaved(chart: Chart): void {
    this.draft.set(null);
    this.fetched.set(chart);
    this.listed.again();
    this.openId.set(chart.id);
    this.added.set(chart);
  }
}
