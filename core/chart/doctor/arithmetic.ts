import { measurement } from '../../body/catalogue';
import { micrometres, type Length } from '../../quantity/length';
import { roundLength } from '../../quantity/rounding';
import { isDerivedCode, type ColumnCode } from '../column-code';
import { compileChart, type CompiledColumn } from '../compile-chart';
import { derive, type Algebra } from '../derive';
import type { ChartSheet } from '../size-chart';
import type { Diagnosis } from './diagnosis';

/** From the least to the most a value can be, over all bodies. */
interface Range {
  readonly least: number;
  readonly most: number;
}

/**
 * What can be said of a chart's arithmetic without any wearer: derivations that never reach
 * the scale they are looked up on, look-up tables that fall back, sizes no body comes to.
 * There is no division but by a fixed count, so nothing can be divided by zero.
 */
export function diagnoseArithmetic(sheet: ChartSheet): Diagnosis[] {
  const ranges = derive(sheet.derivations, rangeAlgebra(sheet));
  const rangeOf = (code: ColumnCode): Range | null => {
    if (isDerivedCode(code)) return ranges.get(code)?.result ?? null;
    const { least, most } = measurement(code).limits;
    return { least, most };
  };
  const compiled = compileChart(sheet);
  const scales = compiled.parts.flatMap(({ whole }) =>
    whole.deciding.flatMap((column): Diagnosis[] => {
      const place = { part: whole.code, column: column.code, size: null };
      const unit = sheet.parts
        .find(({ code }) => code === whole.code)!
        .columns.find(({ code }) => code === column.code)!.unit;
      const range = rangeOf(column.code);
      if (range === null) return [];
      if (isDerivedCode(column.code) && misses(column, range))
        return [
          {
            code: 'off-the-scale',
            severity: 'wrong',
            place,
            facts: {
              lengths: [range.least, range.most].map((one) => micrometres(Math.round(one))),
              labels: [column.name],
              unit,
            },
            mend: null,
          },
        ];
      return whole.sizes.flatMap((label, size): Diagnosis[] => {
        const { from, until } = column.intervals[size]!;
        if (from < until && until > range.least && from <= range.most) return [];
        return [
          {
            code: 'unreachable-size',
            severity: 'wrong',
            place: { ...place, size },
            facts: { lengths: [], labels: [label, column.name], unit },
            mend: null,
          },
        ];
      });
    }),
  );
  return [...scales, ...lookups(sheet)];
}

function misses({ intervals }: CompiledColumn, { least, most }: Range): boolean {
  return intervals.every(({ from, until }) => until <= least || from > most);
}

function lookups(sheet: ChartSheet): Diagnosis[] {
  return sheet.derivations.flatMap(({ name, steps }) =>
    steps.flatMap((step): Diagnosis[] => {
      if (step.do !== 'lookup') return [];
      const at = step.rows.findIndex(({ upTo }, row) => row > 0 && upTo <= step.rows[row - 1]!.upTo);
      if (at < 0) return [];
      return [
        {
          code: 'lookup-not-growing',
          severity: 'wrong',
          place: { part: null, column: null, size: null },
          facts: { lengths: [step.rows[at]!.upTo], labels: [name, step.as], unit: sheet.unit },
          mend: null,
        },
      ];
    }),
  );
}

/** The chart's arithmetic on ranges: every operation grows with its operands, but subtraction with what it takes. */
function rangeAlgebra(sheet: ChartSheet): Algebra<Range> {
  const each = (one: Range, change: (length: Length) => number): Range => ({
    least: change(micrometres(Math.round(one.least))),
    most: change(micrometres(Math.round(one.most))),
  });
  const sum = (values: readonly Range[]) => ({
    least: values.reduce((total, { least }) => total + least, 0),
    most: values.reduce((total, { most }) => total + most, 0),
  });
  const minus = (from: Range, take: Range) => ({
    least: from.least - take.most,
    most: from.most - take.least,
  });
  return {
    reading: (code) => measurement(code).limits,
    sizeOf: (part) => {
      const values = sheet.parts.find(({ code }) => code === part)?.values ?? null;
      return values === null ? undefined : { least: Math.min(...values), most: Math.max(...values) };
    },
    length: (length) => ({ least: length, most: length }),
    add: sum,
    subtract: minus,
    multiply: (value, by) => ({ least: value.least * by, most: value.most * by }),
    average: (values) => {
      const { least, most } = sum(values);
      return { least: least / values.length, most: most / values.length };
    },
    difference: (one, other) => {
      const { least, most } = minus(one, other);
      return least <= 0 && most >= 0
        ? { least: 0, most: Math.max(-least, most) }
        : {
            least: Math.min(Math.abs(least), Math.abs(most)),
            most: Math.max(Math.abs(least), Math.abs(most)),
          };
    },
    max: (values) => ({
      least: Math.max(...values.map(({ least }) => least)),
      most: Math.max(...values.map(({ most }) => most)),
    }),
    lookup: (_, rows) => ({
      least: Math.min(...rows.map(({ gives }) => gives)),
      most: Math.max(...rows.map(({ gives }) => gives)),
    }),
    round: (value, to) =>
      to.mode === 'down-to-offered'
        ? { least: Math.min(...to.offered), most: Math.max(...to.offered) }
        : each(value, (length) => roundLength(length, to)!),
    clamp: (value, least, most) =>
      each(value, (length) => Math.min(Math.max(length, least ?? -Infinity), most ?? Infinity)),
    isAtLeast: () => true,
  };
}
