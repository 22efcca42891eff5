import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import type { Chart } from '@neat-measure/contract';
import {
  CATALOGUE,
  chartSheetSchema,
  decidingCodes,
  faultsOfSheet,
  GARMENT_KINDS,
  HOUSE_RULES,
  KIND_WORDS,
  measurement,
  columnName,
  RULE_WORDS,
  sayFault,
  withPart,
  WORKING_UNITS,
  type ChartPart,
  type ChartSheet,
  type ColumnCode,
  type GarmentKind,
  type HouseRule,
  type MeasurementCode,
  type WorkingUnit,
} from '@neat-measure/core';
import { finalize } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { ApiProblem } from '../../data/api';
import { ChartService } from '../../data/chart-service';
import { UnitService } from '../../data/unit-service';
import { ChartText } from './chart-text';
import { DoctorList } from './doctor-list';
import { PartEditor, type PartChange } from './part-editor';
import { PartRulers } from './part-rulers';

/** A chart that is not on the shelf yet: one that was brought, or the next version of one that is. */
export interface Draft {
  readonly sheet: ChartSheet;
  readonly source: string;
  /** The version it follows. */
  readonly replaces: Chart | null;
}

/** A chart being made ready: what the table does not say, the tables themselves, and the doctor. Nothing is saved until confirmed. */
@Component({
  selector: 'nm-chart-draft',
  imports: [ChartText, DoctorList, PartEditor, PartRulers],
  templateUrl: './chart-draft.html',
  styleUrl: './chart-draft.less',
  host: { '(keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChartDraft {
  readonly draft = input.required<Draft>();
  readonly saved = output<Chart>();
  readonly discarded = output<void>();
  private readonly charts = inject(ChartService);
  protected readonly units = inject(UnitService);

  protected readonly sheet = linkedSignal(() => this.draft().sheet);
  /** Parts in which a cell cannot be read yet. */
  private readonly unread = signal<ReadonlySet<string>>(new Set());
  protected readonly faults = signal<readonly string[]>([]);
  protected readonly busy = signal(false);
  /** The text is written out only once somebody has wanted it, and then stays. */
  protected readonly opened = signal(false);
  protected readonly added = signal<{ code: MeasurementCode; unit: WorkingUnit }>({
    code: 'chest-girth',
    unit: 'cm',
  });
  /** One id a draft, so that confirming again after a failure keeps it once. */
  private readonly id = linkedSignal({ source: () => this.draft(), computation: () => uuidv7() });
  private past: ChartSheet[] = [];

  protected readonly kinds = GARMENT_KINDS.map((value) => ({ value, words: KIND_WORDS[value] }));
  protected readonly rules = HOUSE_RULES.map((value) => ({ value, words: RULE_WORDS[value] }));
  protected readonly workingUnits = WORKING_UNITS;
  protected readonly measurements = CATALOGUE.filter(({ kind }) => kind !== 'mass')
    .map(({ code, name }) => ({ code, name }))
    .sort((a, b) => a.name.localeCompare(b.name));
  protected readonly keys = computed(() => {
    const sheet = this.sheet();
    const columns = sheet.parts.flatMap((part) => part.columns.filter(({ role }) => role === 'deciding'));
    return [...new Set(columns.map(({ code }) => code))].map((code) => ({
      code,
      name: columnName(sheet, code, (one) => measurement(one).name),
    }));
  });
  /** The measurements of which the chart may say how they are to be taken. */
  protected readonly taken = computed(() =>
    decidingCodes(this.sheet()).map((code) => measurement(code).name),
  );
  protected readonly sheetFaults = computed(() => faultsOfSheet(this.sheet()).map(sayFault));
  protected readonly ready = computed(() => this.unread().size === 0 && this.sheetFaults().length === 0);

  /** Changes something of the chart, to be taken back with Ctrl+Z. */
  protected change(changes: Partial<ChartSheet>): void {
    this.past = [...this.past.slice(-200), this.sheet()];
    this.sheet.update((sheet) => ({ ...sheet, ...changes }));
  }

  protected setKind(kind: string): void {
    this.change({ kind: kind as GarmentKind });
  }

  protected setRule(rule: string): void {
    this.change({
      rule: rule as HouseRule,
      key: rule === 'key-decides' ? (this.sheet().key ?? this.keys()[0]?.code ?? null) : this.sheet().key,
    });
  }

  protected setKey(code: string): void {
    this.change({ key: code as ColumnCode });
  }

  protected onPart(code: string, change: PartChange | null): void {
    this.unread.update((unread) => {
      const next = new Set(unread);
      if (change === null) next.add(code);
      else next.delete(code);
      return next;
    });
    if (change === null) return;
    // A change taken back brings everything back that had followed it.
    const before = this.past.at(-1);
    const part = before?.parts.find((one) => one.code === code);
    if (change.back && before !== undefined && JSON.stringify(part) === JSON.stringify(change.part)) {
      this.past.pop();
      this.sheet.set(before);
    } else this.change(withPart(this.sheet(), change.part, change.was));
  }

  protected addColumn(part: ChartPart): void {
    const { code, unit } = this.added();
    if (part.columns.some((column) => column.code === code))
      return this.faults.set([`${measurement(code).name} stands there already.`]);
    // New cells hold every length, which the doctor calls wrong until they are filled.
    const cells = part.sizes.map(() => ({ kind: 'interval' as const, lower: null, upper: null }));
    const column = {
      code,
      role: 'deciding' as const,
      unit,
      reach: 'halfway' as const,
      ease: null,
      standIns: [],
      cells,
    };
    this.changePart({ ...part, columns: [...part.columns, column] });
  }

  protected dropColumn(part: ChartPart, code: ColumnCode): void {
    this.changePart({ ...part, columns: part.columns.filter((column) => column.code !== code) });
  }

  protected turnRole(part: ChartPart, code: ColumnCode): void {
    this.changePart({
      ...part,
      columns: part.columns.map((column) =>
        column.code === code
          ? { ...column, role: column.role === 'deciding' ? 'advisory' : 'deciding' }
          : column,
      ),
    });
  }

  private changePart(part: ChartPart): void {
    this.change({ parts: this.sheet().parts.map((one) => (one.code === part.code ? part : one)) });
  }

  protected nameOf(code: ColumnCode): string {
    return columnName(this.sheet(), code, (one) => measurement(one).name);
  }

  protected onKey(event: KeyboardEvent): void {
    if (!(event.ctrlKey || event.metaKey) || event.key !== 'z' || event.defaultPrevented) return;
    if (event.target instanceof HTMLInputElement) return;
    const before = this.past.pop();
    if (before === undefined) return;
    event.preventDefault();
    this.sheet.set(before);
  }

  protected confirm(): void {
    const sheet = chartSheetSchema.safeParse(this.sheet());
    if (!sheet.success)
      return this.faults.set(
        sheet.error.issues.map(
          (issue) => `${FIELDS[String(issue.path[0])] ?? 'The chart'}: ${issue.message}`,
        ),
      );
    const { source, replaces } = this.draft();
    this.busy.set(true);
    this.faults.set([]);
    this.charts
      .save(this.id(), { sheet: sheet.data, source, replaces: replaces?.id ?? null })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (chart) => this.saved.emit(chart),
        error: (problem: Error) =>
          this.faults.set([problem.message, ...(problem instanceof ApiProblem ? problem.findings : [])]),
      });
  }
}

const FIELDS: Readonly<Record<string, string>> = {
  maker: 'Maker',
  garment: 'Garment',
  key: 'Deciding measurement',
};
