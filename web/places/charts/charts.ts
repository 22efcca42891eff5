import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Chart } from '@neat-measure/contract';
import { importCsv, MOST_CHART_BYTES, RULE_WORDS, sayFinding, type ChartPart } from '@neat-measure/core';
import { ChartService } from '../../data/chart-service';
import { UnitService } from '../../data/unit-service';
import { ShortcutService } from '../../parts/shortcuts/shortcut-service';
import { ChartImportForm } from './chart-import-form';
import { PartRulers } from './part-rulers';

/** A file that was brought and can be imported. */
export interface BroughtTable {
  readonly source: string;
  readonly csv: string;
  readonly part: ChartPart;
}

/** Charts: the makers' sheets on the shelf, and a place to drop one's own. */
@Component({
  selector: 'nm-charts',
  imports: [RouterLink, ChartImportForm, PartRulers],
  templateUrl: './charts.html',
  styleUrl: './charts.less',
  host: { '(dragover)': 'onDragOver($event)', '(dragleave)': 'over.set(false)', '(drop)': 'onDrop($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Charts {
  private readonly charts = inject(ChartService);
  protected readonly units = inject(UnitService);

  private readonly all = signal<readonly Chart[] | null>(null);
  protected readonly loading = computed(() => this.all() === null);
  protected readonly shelves = computed(() => {
    const makers = new Map<string, Chart[]>();
    for (const chart of this.all() ?? [])
      makers.set(chart.sheet.maker, [...(makers.get(chart.sheet.maker) ?? []), chart]);
    return [...makers].map(([maker, charts]) => ({ maker, charts }));
  });
  private readonly openId = signal<string | null>(null);
  protected readonly open = computed(
    () => this.all()?.find(({ id }) => id === this.openId()) ?? this.all()?.[0] ?? null,
  );

  /** Whether a file is held over the page. */
  protected readonly over = signal(false);
  protected readonly brought = signal<BroughtTable | null>(null);
  /** What is wrong with the file that was brought last. */
  protected readonly findings = signal<{ source: string; sentences: readonly string[] } | null>(null);
  protected readonly trouble = signal('');
  /** The chart imported last, to go on with at once. */
  protected readonly added = signal<Chart | null>(null);

  constructor() {
    inject(ShortcutService).shortcuts.set([]);
    inject(DestroyRef).onDestroy(() => this.brought.set(null));
    this.charts.list().subscribe({
      next: (charts) => this.all.set(charts),
      error: (problem: Error) => {
        this.all.set([]);
        this.trouble.set(problem.message);
      },
    });
  }

  protected show(chart: Chart): void {
    this.openId.set(chart.id);
    this.discard();
  }

  protected ruleOf({ sheet }: Chart): string {
    return RULE_WORDS[sheet.rule];
  }

  protected onDragOver(event: DragEvent): void {
    event.preventDefault();
    this.over.set(true);
  }

  protected onDrop(event: DragEvent): void {
    event.preventDefault();
    this.over.set(false);
    const file = event.dataTransfer?.files[0];
    if (file !== undefined) void this.bring(file);
  }

  protected onPicked(picker: HTMLInputElement): void {
    const file = picker.files?.[0];
    if (file !== undefined) void this.bring(file);
    // The same file, mended, must count as picked again.
    picker.value = '';
  }

  /** Looks at a file; nothing is saved until the fitter says so. */
  private async bring(file: File): Promise<void> {
    this.discard();
    // A file far too large is not even read.
    const large = file.size > MOST_CHART_BYTES;
    const bytes = large ? new Uint8Array() : new Uint8Array(await file.arrayBuffer());
    const part = large ? tooLarge(file.size) : importCsv(bytes);
    if (!part.ok) this.findings.set({ source: file.name, sentences: part.problem.map(sayFinding) });
    else this.brought.set({ source: file.name, csv: new TextDecoder().decode(bytes), part: part.value });
  }

  protected discard(): void {
    this.brought.set(null);
    this.findings.set(null);
    this.added.set(null);
  }

  protected onAdded(chart: Chart): void {
    this.brought.set(null);
    this.all.update((charts) => [...(charts ?? []).filter(({ id }) => id !== chart.id), chart]);
    this.openId.set(chart.id);
    this.added.set(chart);
  }
}

function tooLarge(bytes: number): ReturnType<typeof importCsv> {
  return { ok: false, problem: [{ code: 'file-too-large', bytes, most: MOST_CHART_BYTES }] };
}
