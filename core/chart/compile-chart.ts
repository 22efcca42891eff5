import type { MeasurementCode } from '../body/catalogue/codes';
import { settleColumn, type Interval } from './interval';
import { onlyPart, type ChartSheet, type FitPreference, type HouseRule } from './size-chart';

/** A deciding or advisory column, settled: what matching works on. */
export interface CompiledColumn {
  readonly code: MeasurementCode;
  /** One a size, smallest size first. */
  readonly intervals: readonly Interval[];
}

/** A chart made ready for matching, once per chart version. */
export interface CompiledChart {
  readonly part: string;
  readonly sizes: readonly string[];
  readonly deciding: readonly CompiledColumn[];
  readonly advisory: readonly CompiledColumn[];
  readonly rule: HouseRule;
  /** The deciding column that wins under `key-decides`; the first one where the sheet names none. */
  readonly key: MeasurementCode;
}

/** The rule and preference a docket puts in the place of the chart's own. */
export interface RuleOverride {
  readonly rule?: HouseRule;
  readonly key?: MeasurementCode;
  readonly preference?: FitPreference;
}

/** Settles every column of a chart into whole-number intervals. */
export function compileChart(sheet: ChartSheet): CompiledChart {
  const part = onlyPart(sheet);
  const settled = (role: 'deciding' | 'advisory') =>
    part.columns
      .filter((column) => column.role === role)
      .map((column) => ({ code: column.code, intervals: settleColumn(column.cells, column.reach) }));
  const deciding = settled('deciding');
  return {
    part: part.code,
    sizes: part.sizes,
    deciding,
    advisory: settled('advisory'),
    rule: sheet.rule,
    key: sheet.key ?? deciding[0]!.code,
  };
}
