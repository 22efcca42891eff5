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
import { FormsModule } from '@angular/forms';
import type { Chart } from '@neat-measure/contract';
import {
  columnName,
  GARMENT_KINDS,
  HOUSE_RULES,
  garmentKind,
  measurement,
  RULE_WORDS,
  type ChartPart,
  type ChartSheet,
  type HouseRule,
} from '@neat-measure/core';
import {
  chartSheetSchema,
  examineChart,
  faultsOfSheet,
  sayChartFinding,
  sayFault,
  withPart,
  type ChartFinding,
  type ChartPlace,
} from '@neat-measure/core/sheets';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzPopconfirmModule } from 'ng-zorro-antd/popconfirm';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NzTabsModule } from 'ng-zorro-antd/tabs';
import { finalize } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { ApiProblem } from '../../../data/api';
import { ChartService } from '../../../data/chart-service';
import { UnitService } from '../../../data/unit-service';
import { ArithmeticEditor } from './arithmetic-editor';
import { ChartText } from './chart-text';
import { CombinationsEditor } from './combinations-editor';
import { DetailsEditor } from './details-editor';
import { DoctorList, sayWhole } from './doctor-list';
import { OptionsEditor } from './options-editor';
import { PartColumns } from './part-columns';
import { PartEditor, type PartChange } from './part-editor';
import { columnsOf } from './part-text';
import { PartRulers } from '../part-rulers';
import { ThreeWearers } from '../three-wearers';
import { handleKey, keyOf, type KeyCommand } from '../../../parts/shortcuts/keys';
import { listKeys } from '../../../parts/shortcuts/shortcut-service';

/** A chart that is not saved yet: one that was imported, or the next version of one that is. */
export interface Draft {
  readonly sheet: ChartSheet;
  readonly source: string;
  /** The version it follows. */
  readonly replaces: Chart | null;
  /** Whether something was said of it on the way here that would be lost with it. */
  readonly said?: boolean;
}

/** A chart being made ready: what the table does not say, the tables themselves, and the doctor. Nothing is saved until confirmed. */
@Component({
  selector: 'nm-chart-draft',
  imports: [
    ArithmeticEditor,
    ChartText,
    CombinationsEditor,
    DetailsEditor,
    DoctorList,
    OptionsEditor,
    PartColumns,
    PartEditor,
    PartRulers,
    ThreeWearers,
    NzButtonModule,
    NzInputModule,
    NzSelectModule,
    NzTabsModule,
    NzPopconfirmModule,
    FormsModule,
  ],
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
  /** The desk that is open: table, arithmetic, what is made together, options, the text. */
  protected readonly desk = signal(0);
  /** What a finding points at. */
  private readonly pointed = signal<ChartPlace | null>(null);
  /** One id a draft, so that confirming again after a failure keeps it once. */
  private readonly id = linkedSignal({ source: () => this.draft(), computation: () => uuidv7() });
  private past: ChartSheet[] = [];

  protected readonly kinds = GARMENT_KINDS.map((value) => ({ value, label: garmentKind(value).words }));
  protected readonly rules = HOUSE_RULES.map((value) => ({ value, label: RULE_WORDS[value] }));
  protected readonly keys = computed(() => {
    const sheet = this.sheet();
    const columns = sheet.parts.flatMap((part) => part.columns.filter(({ role }) => role === 'deciding'));
    return [...new Set(columns.map(({ code }) => code))].map((value) => ({
      value,
      label: columnName(sheet, value, (one) => measurement(one).name),
    }));
  });
  protected readonly sheetFaults = computed(() => faultsOfSheet(this.sheet()).map(sayFault));
  /** Whether anything would be lost with it. */
  readonly changed = computed(
    () =>
      this.draft().said === true ||
      this.sheet() !== this.draft().sheet ||
      this.unreadDesks().length > 0 ||
      this.unread().size > 0,
  );
  /** By part, the cells something was found in, as the editor names its cells, with what was found. */
  protected readonly foundIn = computed(() => {
    const sheet = this.sheet();
    const found = new Map<string, Map<string, string>>();
    if (this.sheetFaults().length > 0) return found;
    for (const one of examineChart(sheet)) {
      const part = sheet.parts.find(({ code }) => code === one.place.part);
      const cell = part === undefined ? null : cellOf(part, one.place);
      if (part === undefined || cell === null || one.severity === 'note') continue;
      const cells = found.get(part.code) ?? new Map<string, string>();
      found.set(part.code, cells.set(cell, sayChartFinding(sheet, one, this.units.inchParts())));
    }
    return found;
  });
  protected readonly none: ReadonlyMap<string, string> = new Map();
  /** Desks on which something that was typed cannot be read yet. */
  protected readonly unreadDesks = signal<readonly string[]>([]);
  /** What the doctor calls wrong: it sizes people wrongly, unless somebody says that it is meant. */
  private readonly wrong = computed(() => {
    const sheet = this.sheet();
    if (this.sheetFaults().length > 0) return [];
    return examineChart(sheet)
      .filter(({ severity }) => severity === 'wrong')
      .map((one) => sayWhole(sheet, one, this.units.inchParts()));
  });
  /** What is wrong and said to be meant, by its words. */
  protected readonly meant = linkedSignal<Draft, ReadonlySet<string>>({
    source: () => this.draft(),
    computation: () => new Set(),
  });
  protected readonly unconfirmed = computed(() => this.wrong().filter((words) => !this.meant().has(words)));
  protected readonly ready = computed(
    () =>
      this.unread().size === 0 &&
      this.unreadDesks().length === 0 &&
      this.sheetFaults().length === 0 &&
      this.unconfirmed().length === 0,
  );

  protected onDesk(desk: string, readable: boolean): void {
    this.unreadDesks.update((desks) => [...desks.filter((one) => one !== desk), ...(readable ? [] : [desk])]);
  }

  /** Changes something of the chart, to be taken back with Ctrl+Z. */
  protected change(changes: Partial<ChartSheet>): void {
    this.past = [...this.past.slice(-200), this.sheet()];
    this.sheet.update((sheet) => ({ ...sheet, ...changes }));
  }

  protected setRule(rule: HouseRule): void {
    this.change({
      rule,
      key: rule === 'key-decides' ? (this.sheet().key ?? this.keys()[0]?.value ?? null) : this.sheet().key,
    });
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

  protected changePart(part: ChartPart): void {
    this.change({ parts: this.sheet().parts.map((one) => (one.code === part.code ? part : one)) });
  }

  protected confirmMeant(words: string): void {
    this.meant.update((meant) => new Set([...meant, words]));
  }

  /** Shows where something was found: the desk it belongs to, and the cell. */
  protected point({ place, path }: ChartFinding): void {
    const desk = DESKS.findIndex((paths) => paths.includes(String(path[0])));
    this.desk.set(Math.max(0, desk));
    this.pointed.set(desk <= 0 ? place : null);
  }

  /** The cell of a part that a finding points at. */
  protected pointedIn(part: ChartPart): string | null {
    const place = this.pointed();
    return place === null || place.part !== part.code ? null : cellOf(part, place);
  }
  constructor() {
    listKeys(() => this.commands);
  }

  private readonly commands: readonly KeyCommand[] = [
    {
      keys: ['Ctrl+z'],
      does: 'undo',
      within: 'outside a field',
      when: (_key, { defaultPrevented, target }) =>
        !defaultPrevented && !(target instanceof HTMLInputElement) && this.past.length > 0,
      run: () => this.sheet.set(this.past.pop()!),
    },
  ];

  protected onKey(event: KeyboardEvent): void {
    if (handleKey(this.commands, keyOf(event), event)) event.preventDefault();
  }

  /** What was said to be meant stands with where the chart is from. */
  private withMeant(source: string): string {
    const meant = this.wrong().filter((words) => this.meant().has(words));
    return [source, ...meant.map((words) => `intended: ${words}`)].join(' · ').slice(0, 200);
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
      .save(this.id(), { sheet: sheet.data, source: this.withMeant(source), replaces: replaces?.id ?? null })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (chart) => this.saved.emit(chart),
        error: (problem: Error) =>
          this.faults.set([problem.message, ...(problem instanceof ApiProblem ? problem.findings : [])]),
      });
  }
}

/** The desks by what of a chart file they hold; whatever is of no other is of the table. */
const DESKS = [
  ['parts'],
  ['derivations'],
  ['combinations'],
  ['options'],
  ['expects', 'choices', 'fitChecks', 'notes'],
];

/** A place in a part's table as its editor names the cell; nothing where the place is no cell. */
function cellOf(part: ChartPart, { column, size }: ChartPlace): string | null {
  const at = part.columns.findIndex(({ code }) => code === column);
  const index = columnsOf(part).findIndex((one) => one.holds === 'cell' && one.at === at);
  if (size === null) return index < 0 ? null : `0:${index}`;
  return `${size}:${Math.max(0, index)}`;
}

const FIELDS: Readonly<Record<string, string>> = {
  maker: 'Maker',
  garment: 'Garment',
  key: 'Deciding measurement',
};
