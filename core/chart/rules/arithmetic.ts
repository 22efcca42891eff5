import { measurement } from '../../body/catalogue';
import { micrometres } from '../../quantity/length';
import { isDerivedCode, type ColumnCode } from '../column-code';
import { boundedRange, type Arithmetic } from '../arithmetic/compile-arithmetic';
import { compileChart, type CompiledColumn } from '../compile-chart';
import type { ChartSheet } from '../chart-shape';
import { kindOfStep, type Range } from '../arithmetic/steps';
import { rulesOf, type Found } from './rule';

/**
 * What can be said of a chart's arithmetic without any wearer: derivations that never reach
 * the scale they are looked up on, look-up tables that fall back, sizes no body comes to.
 * There is no division but by a fixed count, so nothing can be divided by zero.
 */
export const ARITHMETIC_RULES = rulesOf(
  ['off-the-scale', 'unreachable-size', 'lookup-not-growing'],
  examineArithmetic,
);

function examineArithmetic(sheet: ChartSheet): Found[] {
  const compiled = compileChart(sheet);
  const rangeOf = rangesOf(sheet, compiled.arithmetic);
  const scales = compiled.parts.flatMap(({ whole }) =>
    whole.deciding.flatMap((column): Found[] => {
      const place = { part: whole.code, column: column.code, size: null };
      const partAt = sheet.parts.findIndex(({ code }) => code === whole.code);
      const columnAt = sheet.parts[partAt]!.columns.findIndex(({ code }) => code === column.code);
      const path = ['parts', partAt, 'columns', columnAt];
      const unit = sheet.parts
        .find(({ code }) => code === whole.code)!
        .columns.find(({ code }) => code === column.code)!.unit;
      const range = rangeOf(column.code);
      if (isDerivedCode(column.code) && misses(column, range))
        return [
          {
            code: 'off-the-scale',
            place,
            path,
            facts: {
              lengths: [range.least, range.most].map((one) => micrometres(Math.round(one))),
              labels: [column.name],
              unit,
            },
            mend: null,
          },
        ];
      return whole.sizes.flatMap((label, size): Found[] => {
        const { from, until } = column.intervals[size]!;
        if (from < until && until > range.least && from <= range.most) return [];
        return [
          {
            code: 'unreachable-size',
            place: { ...place, size },
            path: [...path, 'cells', size],
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

function lookups(sheet: ChartSheet): Found[] {
  return sheet.derivations.flatMap(({ name, steps }, index) =>
    steps.flatMap((step, stepAt): Found[] => {
      if (step.do !== 'lookup') return [];
      const at = step.rows.findIndex(({ upTo }, row) => row > 0 && upTo <= step.rows[row - 1]!.upTo);
      if (at < 0) return [];
      return [
        {
          code: 'lookup-not-growing',
          place: { part: null, column: null, size: null },
          path: ['derivations', index, 'steps', stepAt],
          facts: { lengths: [step.rows[at]!.upTo], labels: [name, step.as], unit: sheet.unit },
          mend: null,
        },
      ];
    }),
  );
}

/** Between which lengths every column of a chart can lie, over all bodies. */
function rangesOf(
  sheet: ChartSheet,
  { readings, columns, sizes, constants, roundings, derivations }: Arithmetic,
) {
  const ranges = new Map<number, Range>();
  const rangeAt = (slot: number) => ranges.get(slot)!;
  for (const [code, slot] of readings) ranges.set(slot, measurement(code).limits);
  for (const { slot, value } of constants) ranges.set(slot, { least: value, most: value });
  sheet.parts.forEach(({ values }, at) => {
    const all = values ?? [0];
    ranges.set(sizes[at]!, { least: Math.min(...all), most: Math.max(...all) });
  });
  for (const { code, rounding } of sheet.expects) {
    const rounded = roundings.find(({ operands: [from] }) => from === readings.get(code));
    if (rounded === undefined || rounding === null) continue;
    const round = kindOfStep({ do: 'round' });
    ranges.set(
      rounded.out,
      round.range({ do: 'round', as: 'taken', of: code, to: rounding }, [rangeAt(rounded.operands[0]!)]),
    );
  }
  for (const { steps } of derivations)
    for (const { step, kind, operands, out } of steps)
      ranges.set(out, boundedRange(kind.range(step, operands.map(rangeAt))));
  return (code: ColumnCode) => rangeAt(columns.get(code)!);
}
