import type { ColumnCode } from '../column-code';
import type { ChartSheet } from '../chart-shape';
import type { Length, WorkingUnit } from '../../quantity/length';

/** What the chart doctor can find. `wrong`: sizes people wrongly; `look`: may be meant, should be looked at; `note`: good to know. */
export const DIAGNOSIS_CODES = [
  'upside-down',
  'not-growing',
  'same-as-before',
  'moved-by-one',
  'other-unit-cell',
  'other-unit-column',
  'outside-any-body',
  'step-jump',
  'gap',
  'whole-number-gap',
  'overlap',
  'unreachable-size',
  'letters-out-of-order',
  'never-combined',
  'never-offered',
  'off-the-scale',
  'lookup-not-growing',
  'negative-ease',
] as const;
export type DiagnosisCode = (typeof DIAGNOSIS_CODES)[number];
export type Severity = 'wrong' | 'look' | 'note';

/** Where in a chart: a part, and within it a column and a size as far as the finding goes. */
export interface ChartPlace {
  readonly part: string | null;
  readonly column: ColumnCode | null;
  /** The index of the size. */
  readonly size: number | null;
}

/** One finding, with what is needed to say it and, where it is safe, the sheet with it mended. */
export interface Diagnosis {
  readonly code: DiagnosisCode;
  readonly severity: Severity;
  readonly place: ChartPlace;
  readonly facts: {
    /** The lengths it is about: a gap's or overlap's ends, a step, a bound. */
    readonly lengths: readonly Length[];
    /** The labels it is about. */
    readonly labels: readonly string[];
    readonly unit: WorkingUnit;
  };
  readonly mend: { readonly does: string; readonly sheet: ChartSheet } | null;
}
