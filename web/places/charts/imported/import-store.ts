import {
  computed,
  DestroyRef,
  effect,
  inject,
  Injectable,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { sheetAround, type ChartSheet } from '@neat-measure/core';
import {
  joinTables,
  leftOutOf,
  NO_ANSWERS,
  plainWords,
  twinOf,
  type ImportedParts,
  type Meaning,
  type TableAnswers,
  type Twin,
} from '@neat-measure/core/imported';
import type { ImportedFile } from '../../../data/imported/chart-files';
import { planTables, type PlanQuestion, type TableState } from '../../../data/imported/plan-tables';
import { TablePlanner } from '../../../data/imported/table-planner';
import { ChartService } from '../../../data/chart-service';
import { makersOnShelf, headingsOfMaker } from './remembered-headings';

/** What was imported and holds tables. */
export type ImportedWithTables = Extract<ImportedFile, { kind: 'tables' }>;

/** So much can be taken back. */
const MOST_STEPS = 200;

/** What was imported, what was said of it, and what it comes to. Nothing is saved here. */
@Injectable()
export class ImportStore {
  private readonly charts = inject(ChartService);
  readonly imported = signal<ImportedWithTables | null>(null);
  readonly tables = computed(() => this.imported()?.tables ?? []);

  readonly maker = signal('');
  /** Makers who have a chart in use. */
  readonly makers = toSignal(makersOnShelf(this.charts), { initialValue: [] });
  /** What this maker's headings meant before. */
  readonly remembered = signal<ReadonlyMap<string, Meaning>>(new Map());

  private readonly answers = linkedSignal<readonly TableAnswers[]>(() => this.tables().map(() => NO_ANSWERS));
  /** Which of them are taken: the only one that holds sizes, or whichever are ticked. */
  readonly taken = linkedSignal<Planned, ReadonlySet<number>>({
    source: () => ({ tables: this.tables(), isPlanned: this.states().length === this.tables().length }),
    computation: ({ tables, isPlanned }, before) => {
      if (before?.source.tables === tables && before.source.isPlanned) return before.value;
      const holding = untracked(this.states).flatMap(({ holdsSizes }, at) => (holdsSizes ? [at] : []));
      return new Set(isPlanned && holding.length === 1 ? holding : []);
    },
  });
  /** The one that is shown. */
  readonly shown = linkedSignal(() => [...this.taken()][0] ?? 0);

  private readonly planner = inject(TablePlanner);
  private readonly question = computed<PlanQuestion>(() => ({
    tables: this.tables(),
    answers: this.answers(),
    remembered: this.remembered(),
  }));
  private readonly isSmall = computed(() => cellsIn(this.tables()) <= AT_ONCE);
  /** What the worker found, and of what. */
  private readonly found = signal<{
    readonly of: PlanQuestion;
    readonly states: readonly TableState[];
  } | null>(null);
  /** Whether a large table is being worked out anew. */
  readonly planning = computed(() => !this.isSmall() && !isSame(this.found()?.of, this.question()));

  /** A large table stands as it was understood last until it is worked out anew. */
  readonly states = computed<readonly TableState[]>(() => {
    if (this.isSmall()) return planTables(this.question());
    const found = this.found();
    return found?.of.tables === this.tables() ? found.states : [];
  });
  readonly state = computed(() => this.states()[this.shown()]);
  /** What of the tables that are taken nobody takes. */
  readonly leftOut = computed(() =>
    [...this.taken()]
      .sort((a, b) => a - b)
      .map((at) => ({ at, name: this.states()[at]!.name, of: leftOutOf(this.states()[at]!.plan) })),
  );
  readonly saidOfShown = computed(() => this.answers()[this.shown()] ?? NO_ANSWERS);

  constructor() {
    effect(() => {
      const question = this.question();
      if (this.isSmall() || isSame(untracked(this.found)?.of, question)) return;
      void this.planner.plan(question).then((states) => {
        if (states === 'stopped' || !isSame(question, this.question())) return;
        // Where the worker broke off the page takes its time rather than wait for ever.
        this.found.set({ of: question, states: states === 'lost' ? planTables(question) : states });
      });
    });
    inject(DestroyRef).onDestroy(() => this.planner.stop());
  }

  /** Stops what is worked out: what was said last is not said. Returns whether anything stands to go on with. */
  stop(): boolean {
    this.planner.stop();
    const found = this.found();
    if (found?.of.tables !== this.tables()) return false;
    this.answers.set(found.of.answers);
    return true;
  }

  /** How a table compares with the others of what was imported, by the first that is its twin. */
  twin(at: number): { readonly of: string; readonly twin: Twin } | null {
    const own = this.states()[at]?.read ?? null;
    if (own === null) return null;
    for (const [other, { read, name }] of this.states().entries()) {
      const twin = other === at || read === null ? null : twinOf(own, read);
      if (twin !== null) return { of: name, twin };
    }
    return null;
  }

  /** Whether a table that is taken has questions. */
  readonly asked = computed(
    () => !this.planning() && this.states().some(({ asked }, at) => asked && this.taken().has(at)),
  );

  /** The chart that the tables taken come to; nothing while something is to be said. */
  readonly sheet = computed<ChartSheet | null>(() => {
    const states = [...this.taken()].sort((a, b) => a - b).map((at) => this.states()[at]!);
    if (states.length === 0 || this.planning() || states.some(({ asked, read }) => asked || read === null))
      return null;
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

  /** What was said before, to be taken back. */
  private readonly before = linkedSignal<unknown, readonly (readonly TableAnswers[])[]>({
    source: () => this.tables(),
    computation: () => [],
  });
  readonly mayTakeBack = computed(() => this.before().length > 0);
  /** What was said of a table from its other side, for when it is turned round again. */
  private readonly otherSide = new Map<number, TableAnswers>();

  say(answers: TableAnswers): void {
    this.before.update((all) => [...all, this.answers()].slice(-MOST_STEPS));
    this.answers.update((all) => all.map((one, at) => (at === this.shown() ? answers : one)));
  }

  /** The table from its other side: what was said of columns and lines stands until it is turned back. */
  turn(): void {
    const [at, said] = [this.shown(), this.saidOfShown()];
    const across = !this.state()!.plan.across;
    const there = this.otherSide.get(at) ?? NO_ANSWERS;
    this.otherSide.set(at, said);
    this.say({ ...there, cells: said.cells, across });
  }

  /** Takes back what was said last. */
  takeBack(): void {
    const last = this.before().at(-1);
    if (last === undefined) return;
    this.before.update((all) => all.slice(0, -1));
    this.answers.set(last);
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

  private sheetOf(read: ImportedParts, states: readonly TableState[]): ChartSheet {
    const first = read.parts[0]!;
    return {
      ...sheetAround(first, {
        maker: this.maker(),
        garment: nameFrom(this.imported()!.source),
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

/** Larger than that takes longer than a hand waits, and is worked out in a worker. */
const AT_ONCE = 1_500;

interface Planned {
  readonly tables: ImportedWithTables['tables'];
  readonly isPlanned: boolean;
}

function isSame(one: PlanQuestion | undefined, other: PlanQuestion): boolean {
  return one?.tables === other.tables && one.answers === other.answers && one.remembered === other.remembered;
}

function cellsIn(tables: ImportedWithTables['tables']): number {
  return tables.reduce(
    (sum, { grid }) => sum + grid.rows.reduce((cells, row) => cells + row.cells.length, 0),
    0,
  );
}

/** A garment's name from its file's: `guide-shirt.csv` is most likely a guide shirt. */
function nameFrom(source: string): string {
  const name = source
    .replace(/\.\w+$/, '')
    .replace(/[-_]+/g, ' ')
    .trim();
  return source === 'pasted' ? '' : name.charAt(0).toUpperCase() + name.slice(1);
}
