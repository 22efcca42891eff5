import type { Length, WorkingUnit } from '../../quantity/length';
import type { ChartSheet } from '../chart-shape';
import type { ColumnCode } from '../column-code';

/**
 * How much it matters. `fault`: it is no chart and nothing is sized by it; `wrong`: it sizes people
 * wrongly; `look`: may be meant, should be looked at; `note`: good to know.
 */
export type Severity = 'fault' | 'wrong' | 'look' | 'note';

/** Where in a chart: a part, and within it a column and a size as far as the finding goes. */
export interface ChartPlace {
  readonly part: string | null;
  readonly column: ColumnCode | null;
  /** The index of the size. */
  readonly size: number | null;
}

/** Something found in a chart, with what is needed to say it and, where it is safe, the sheet with it mended. */
export interface ChartFinding {
  readonly code: RuleCode;
  readonly severity: Severity;
  readonly place: ChartPlace;
  /** Where in the file. */
  readonly path: readonly (string | number)[];
  readonly facts: {
    /** The lengths it is about: a gap's or overlap's ends, a step, a bound. */
    readonly lengths: readonly Length[];
    /** The labels and names it is about. */
    readonly labels: readonly string[];
    readonly unit: WorkingUnit;
  };
  /** The sheet with it mended, and the unit that is read then where that is what mends it. */
  readonly mend: { readonly reads: WorkingUnit | null; readonly sheet: ChartSheet } | null;
}

/** A finding before its rule has said how much it matters. */
export type Found = Omit<ChartFinding, 'severity'>;

/** How much each rule's findings matter: the one table of what makes a chart one, and a good one. */
export const SEVERITY = {
  'too-many-cells': 'fault',
  'derived-twice': 'fault',
  'step-named-as-measurement': 'fault',
  'step-twice': 'fault',
  'operand-unknown': 'fault',
  'derived-later': 'fault',
  'step-part-unknown': 'fault',
  'step-part-without-values': 'fault',
  'step-choice-unknown': 'fault',
  'choice-twice': 'fault',
  'choice-usual-unknown': 'fault',
  'part-twice': 'fault',
  'size-twice': 'fault',
  'values-count': 'fault',
  'names-count': 'fault',
  'nothing-decides': 'fault',
  'cells-count': 'fault',
  'cells-mixed': 'fault',
  'nominal-alone': 'fault',
  'ease-upside-down': 'fault',
  'column-twice': 'fault',
  'not-derived': 'fault',
  'part-needed-before': 'fault',
  'offered-by-unknown': 'fault',
  'offered-for-unknown': 'fault',
  'offered-unknown': 'fault',
  'nothing-offered': 'fault',
  'key-missing': 'fault',
  'key-unknown': 'fault',
  'label-unknown': 'fault',
  'label-leaves-out': 'fault',
  'label-reads-twice': 'fault',
  'combination-parts': 'fault',
  'combination-unknown': 'fault',
  'option-unknown': 'fault',
  'check-part-unknown': 'fault',
  'upside-down': 'wrong',
  'not-growing': 'wrong',
  'same-as-before': 'wrong',
  'says-nothing': 'wrong',
  'other-unit-cell': 'wrong',
  'other-unit-column': 'wrong',
  'outside-any-body': 'wrong',
  'unreachable-size': 'wrong',
  'letters-out-of-order': 'wrong',
  'off-the-scale': 'wrong',
  'lookup-not-growing': 'wrong',
  'negative-ease': 'wrong',
  'stand-in-too-late': 'wrong',
  'moved-by-one': 'look',
  'step-jump': 'look',
  'whole-number-gap': 'look',
  'bare-gap': 'look',
  'letters-alike': 'look',
  'never-combined': 'look',
  'size-missing-in-run': 'look',
  'never-offered': 'look',
  'ankle-not-heel': 'look',
  gap: 'note',
  overlap: 'note',
} as const satisfies Readonly<Record<string, Severity>>;
export type RuleCode = keyof typeof SEVERITY;

/** One rule of the table: what it is called, how much it matters, and what it finds. */
export interface Rule {
  readonly code: RuleCode;
  readonly severity: Severity;
  readonly find: (sheet: ChartSheet) => readonly ChartFinding[];
}

/**
 * Rules that find theirs on one way through the chart.
 *
 * @example rulesOf(['size-twice'], (sheet) => [about(sheet, 'size-twice', ['parts', 0], ['Size'])])[0].find(jacket.sheet).length // 1
 */
export function rulesOf(
  codes: readonly RuleCode[],
  findAll: (sheet: ChartSheet) => readonly Found[],
): Rule[] {
  const last = new WeakMap<ChartSheet, readonly Found[]>();
  const found = (sheet: ChartSheet) => {
    const known = last.get(sheet) ?? findAll(sheet);
    last.set(sheet, known);
    return known;
  };
  return codes.map((code) => ({
    code,
    severity: SEVERITY[code],
    find: (sheet) =>
      found(sheet)
        .filter((one) => one.code === code)
        .map((one) => ({ ...one, severity: SEVERITY[code] })),
  }));
}

/**
 * What is told of names and counts: where in the file, and whom it is about.
 *
 * @example about(jacket.sheet, 'size-twice', ['parts', 0], ['Size']).facts.labels // ['Size']
 */
export function about(
  sheet: ChartSheet,
  code: RuleCode,
  path: Found['path'],
  labels: readonly string[],
  place: Partial<ChartPlace> = {},
): Found {
  return {
    code,
    path,
    place: { part: null, column: null, size: null, ...place },
    facts: { lengths: [], labels, unit: sheet.unit },
    mend: null,
  };
}
