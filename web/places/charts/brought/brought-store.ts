import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { sheetAround, type ChartSheet } from '@neat-measure/core';
import { sayFinding } from '@neat-measure/core/sheets';
import {
  isAsked,
  joinTables,
  NO_ANSWERS,
  planTable,
  plainWords,
  readPlanned,
  twinOf,
  type BroughtParts,
  type Meaning,
  type TableAnswers,
  type TablePlan,
  type Twin,
} from '@neat-measure/core/brought';
import type { BroughtFile } from '../../../data/brought/chart-files';
import { ChartService } from '../../../data/chart-service';
import { makersOnShelf, headingsOfMaker } from './remembered-headings';

/** What was brought and holds tables. */
export type BroughtWithTables = Extract<BroughtFile, { kind: 'tables' }>;

/** One table of what was brought, as it is understood so far. */
export interface TableState {
  readonly name: string;
  readonly plan: TablePlan;
  readonly read: BroughtParts | null;
  readonly faults: readonly string[];
  readonly asked: boolean;
  /** Classes of lengths of which one may be taken alone, where together they make no chart. */
  readonly classes: readonly string[];
  /** Whether anything in it looks like sizes at all. */
  readonly holdsSizes: boolean;
}

/** What was brought, what was said of it, and what it comes to. Nothing is saved here. */
@Injectable()
export class BroughtStore {
  private readonly charts = inject(ChartService);
  readonly brought = signal<BroughtWithTables | null>(null);
  readonly tables = computed(() => this.brought()?.tables ?? []);

  readonly maker = signal('');
  /** Makers who have a chart on the shelf. */
  readonly makers = toSignal(makersOnShelf(this.charts), { initialValue: [] });
  /** What this maker's headings meant before. */
  readonly remembered = signal<ReadonlyMap<string, Meaning>>(new Map());

  private readonly answers = linkedSignal<readonly TableAnswers[]>(() => this.tables().map(() => NO_ANSWERS));
  /** Which of them are taken: the only one that holds sizes, or whichever are ticked. */
  readonly taken = linkedSignal<ReadonlySet<number>>(() => {
    const holding = this.tables().flatMap(({ grid, name }, at) =>
      holdsSizes(planTable(grid, NO_ANSWERS, { name })) ? [at] : [],
    );
    return new Set(holding.length === 1 ? holding : []);
  });
  /** The one that is shown. */
  readonly shown = linkedSignal(() => [...this.taken()][0] ?? 0);

  readonly states = computed<readonly TableState[]>(() =>
    this.tables().map(({ grid, name }, at) => {
      const plan = planTable(grid, this.answers()[at], { name, remembered: this.remembered() });
      const read = readPlanned(plan);
      return {
        name: name || (this.tables().length === 1 ? '' : `Table ${at + 1}`),
        plan,
        read: read.ok ? read.value : null,
        faults: read.ok ? [] : read.problem.map(sayFinding),
        classes: read.ok ? [] : read.problem.flatMap((one) => ('classes' in one ? one.classes : [])),
        asked: isAsked(plan),
        holdsSizes: holdsSizes(plan),
      };
    }),
  );
  readonly state = computed(() => this.states()[this.shown()]);
  readonly saidOfShown = computed(() => this.answers()[this.shown()] ?? NO_ANSWERS);

  /** How a table compares with the others of what was brought, by the first that is its twin. */
  twin(at: number): { readonly of: string; readonly twin: Twin } | null {
    const own = this.states()[at]?.read ?? null;
    if (own === null) return null;
    for (const [other, { read, name }] of this.states().entries()) {
      const twin = other === at || read === null ? null : twinOf(own, read);
      if (twin !== null) return { of: name, twin };
    }
    return null;
  }

  /** The chart that the tables taken come to; nothing while something is to be said. */
  readonly sheet = computed<ChartSheet | null>(() => {
    const states = [...this.taken()].sort((a, b) => a - b).map((at) => this.states()[at]!);
    if (states.length === 0 || states.some(({ asked, read }) => asked || read === null)) return null;
    return this.sheetOf(joinTables(states.map(({ name, read }) => ({ name, read: read! }))), states);
  });
  /** The chart of the table that is shown, as far as it can be read: for its rulers. */
  readonly preview = computed<ChartSheet | null>(() => {
    const state = this.state();
    if (
      state === undefined ||
      state.read === null ||
      state.read.parts.every(({ columns }) => columns.length === 0)
    )
      return null;
    return this.sheetOf(state.read, [state]);
  });

  /** Whether anything was said that would be lost. */
  readonly changed = computed(() => this.answers().some((one) => one !== NO_ANSWERS));

  say(answers: TableAnswers): void {
    this.answers.update((all) => all.map((one, at) => (at === this.shown() ? answers : one)));
  }

  take(at: number, taken: boolean): void {
    this.taken.update((before) => new Set(taken ? [...before, at] : [...before].filter((one) => one !== at)));
    if (taken) this.shown.set(at);
  }

  /** Says whose table it is, and looks up what their headings meant before. */
  async setMaker(maker: string): Promise<void> {
    this.maker.set(maker);
    const remembered = await headingsOfMaker(this.charts, maker);
    // Another may have been named meanwhile.
    if (this.maker() === maker) this.remembered.set(remembered);
  }

  private sheetOf(read: BroughtParts, states: readonly TableState[]): ChartSheet {
    const first = read.parts[0]!;
    return {
      ...sheetAround(first, {
        maker: this.maker(),
        garment: nameFrom(this.brought()!.source),
        rule: 'widest-decides',
      }),
      ...read,
      headings: headingsIn(states),
    };
  }
}

/** What headings were taken for, to be remembered with the chart. */
function headingsIn(states: readonly TableState[]): NonNullable<ChartSheet['headings']> {
  const printed = new Map<string, string>();
  for (const { plan } of states)
    for (const { heading, means } of plan.columns)
      if (
        means !== null &&
        means !== 'size' &&
        means !== 'label' &&
        means !== 'class' &&
        plainWords(heading) !== ''
      )
        printed.set(heading.slice(0, 120), means);
  return [...printed].map(([heading, means]) => ({ printed: heading, means })).slice(0, 60);
}

function holdsSizes(plan: TablePlan): boolean {
  return plan.rows.some(({ role }) => role === 'size');
}

/** A garment's name from its file's: `guide-shirt.csv` is most likely a guide shirt. */
function nameFrom(source: string): string {
  const name = source
    .replace(/\.\w+$/, '')
    .replace(/[-_]+/g, ' ')
    .trim();
  return source === 'pasted' ? '' : name.charAt(0).toUpperCase() + name.slice(1);
}
