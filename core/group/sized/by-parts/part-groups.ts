import type { MeasurementCode } from '../../../body/catalogue/codes';
import { behindColumn } from '../../../chart/arithmetic/derivation';
import type { ColumnCode } from '../../../chart/column-code';
import type { CompiledChart } from '../../../chart/compile-chart';

/** Parts of a chart that share what they rest on with each other, and nothing with the rest. */
export interface PartGroup {
  /** By their place in the chart. */
  readonly parts: readonly number[];
  readonly codes: ReadonlySet<MeasurementCode>;
  /** Of those what is only looked up, as it was read or in one derivation of its own: it says the same all along a stretch. */
  readonly placed: readonly { readonly code: MeasurementCode; readonly column: ColumnCode }[];
  /** What goes into several columns, with others, or with what a size measures. */
  readonly mixed: readonly MeasurementCode[];
}

/**
 * A chart taken apart: what is read for one group of its parts tells nothing of another's, so that each can be sized, and
 * its odds weighed, by itself.
 */
export function partGroups({ sheet, parts }: CompiledChart): PartGroup[] {
  const behind = parts.map(({ whole, by }, at) => {
    const columns = whole.deciding.flatMap(({ code, standIns }) => [code, ...standIns]);
    const each = columns.map((code) => behindColumn(sheet.derivations, code));
    const others = [...each.flatMap((one) => one.parts), ...(by === null ? [] : [by])];
    return {
      parts: new Set([at, ...others.map((code) => sheet.parts.findIndex((part) => part.code === code))]),
      codes: new Set(each.flatMap(({ readings }) => readings)),
      columns,
    };
  });
  const groups: { parts: Set<number>; codes: Set<MeasurementCode>; columns: ColumnCode[] }[] = [];
  for (const one of behind) {
    const own = groups.filter(
      ({ parts: some, codes }) =>
        [...one.parts].some((part) => some.has(part)) || [...one.codes].some((code) => codes.has(code)),
    );
    for (const group of own) groups.splice(groups.indexOf(group), 1);
    const all = [...own, one];
    groups.push({
      parts: new Set(all.flatMap((group) => [...group.parts])),
      codes: new Set(all.flatMap((group) => [...group.codes])),
      columns: all.flatMap(({ columns }) => columns),
    });
  }
  return groups.map((group) => {
    const columns = [...new Set(group.columns)].map((code) => ({
      code,
      ...behindColumn(sheet.derivations, code),
    }));
    const each = [...group.codes].map((code) => {
      const own = columns.filter(({ readings }) => readings.includes(code));
      const isAlone = own.length === 1 && own[0]!.readings.length === 1 && own[0]!.parts.length === 0;
      return { code, column: isAlone ? own[0]!.code : null };
    });
    return {
      parts: [...group.parts].sort((one, other) => one - other),
      codes: group.codes,
      placed: each.flatMap(({ code, column }) => (column === null ? [] : [{ code, column }])),
      mixed: each.flatMap(({ code, column }) => (column === null ? [code] : [])),
    };
  });
}
