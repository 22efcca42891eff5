import type { ChartSheet } from '../chart-shape';
import { ARITHMETIC_RULES } from './arithmetic';
import { COLUMN_RULES } from './columns';
import { CUSTOM_RULES } from './customs';
import { NAME_RULES } from './names';
import type { ChartFinding, Rule, Severity } from './rule';
import { SIZE_RULES } from './sizes';

/** Every rule a chart is held to. Those of a fault are held to first: the others look at what is a chart. */
export const RULES: readonly Rule[] = [
  ...NAME_RULES,
  ...COLUMN_RULES,
  ...SIZE_RULES,
  ...ARITHMETIC_RULES,
  ...CUSTOM_RULES,
];

/**
 * What keeps a sheet from being a chart; one without such findings compiles.
 *
 * @example faultsOfSheet(jacket.sheet) // []
 */
export function faultsOfSheet(sheet: ChartSheet): ChartFinding[] {
  return RULES.filter(({ severity }) => severity === 'fault').flatMap(({ find }) => find(sheet));
}

const ORDER: readonly Severity[] = ['wrong', 'look', 'note'];

/**
 * Examines a chart: what in it sizes people wrongly, what may be a slip, and what is good to
 * know. The sheet is one whose parts go together (`faultsOfSheet`); this asks whether its
 * numbers make sense.
 *
 * @returns the findings, worst first, in the order of the chart within
 * @example examineChart(jacket.sheet).map(({ code }) => code) // ['whole-number-gap', 'gap']
 */
export function examineChart(sheet: ChartSheet): ChartFinding[] {
  const found = RULES.filter(({ severity }) => severity !== 'fault').flatMap(({ find }) => find(sheet));
  const at = ({ place: { part, column, size } }: ChartFinding) => {
    const index = sheet.parts.findIndex(({ code }) => code === part);
    const columns = sheet.parts[index]?.columns ?? [];
    return [
      index < 0 ? Infinity : index,
      column === null ? Infinity : columns.findIndex(({ code }) => code === column),
      size ?? -1,
    ];
  };
  return found.sort((one, other) => {
    const worse = ORDER.indexOf(one.severity) - ORDER.indexOf(other.severity);
    if (worse !== 0) return worse;
    const [a, b] = [at(one), at(other)];
    const differs = a.findIndex((place, index) => place !== b[index]);
    return differs < 0 ? 0 : a[differs]! - b[differs]!;
  });
}
