import { sayFinding } from '@neat-measure/core/sheets';
import {
  isAsked,
  planTable,
  readPlanned,
  type ImportedParts,
  type ImportedTable,
  type Meaning,
  type TableAnswers,
  type TablePlan,
} from '@neat-measure/core/imported';

/** Tables, with what was said of each. */
export interface PlanQuestion {
  readonly tables: readonly ImportedTable[];
  readonly answers: readonly TableAnswers[];
  /** What this maker's headings meant before. */
  readonly remembered: ReadonlyMap<string, Meaning>;
}

/** One table of what was imported, as it is understood so far. */
export interface TableState {
  readonly name: string;
  readonly plan: TablePlan;
  readonly read: ImportedParts | null;
  readonly faults: readonly string[];
  readonly asked: boolean;
  /** Classes of lengths of which one may be taken alone, where together they make no chart. */
  readonly classes: readonly string[];
  /** Whether anything in it looks like sizes at all. */
  readonly holdsSizes: boolean;
}

/** How each table is understood by what was said of it. */
export function planTables({ tables, answers, remembered }: PlanQuestion): TableState[] {
  return tables.map(({ grid, name }, at) => {
    const plan = planTable(grid, answers[at], { name, remembered });
    const read = readPlanned(plan);
    return {
      name: name || (tables.length === 1 ? '' : `Table ${at + 1}`),
      plan,
      read: read.ok ? read.value : null,
      faults: read.ok ? [] : read.problem.slice(0, MOST_FAULTS).map(sayFinding),
      classes: read.ok ? [] : read.problem.flatMap((one) => ('classes' in one ? one.classes : [])),
      asked: isAsked(plan),
      holdsSizes: plan.rows.some(({ role }) => role === 'size'),
    };
  });
}

/** Nobody reads more at once; the others come up as these are mended. */
const MOST_FAULTS = 60;
