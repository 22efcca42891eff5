import { measurement } from '../../body/catalogue';
import type { ChartPart, ChartSheet } from '../chart-shape';
import type { ColumnCode } from '../column-code';
import { writtenSheet } from '../formats/chart-json';
import { writeCell } from '../formats/write-cell';
import { columnName } from '../size-chart';

/** One thing that differs between two versions of a chart. */
export type ChartChange =
  | { readonly kind: 'size-added' | 'size-gone'; readonly part: string; readonly size: string }
  | { readonly kind: 'column-added' | 'column-gone'; readonly part: string; readonly column: string }
  | {
      readonly kind: 'cell';
      readonly part: string;
      readonly size: string;
      readonly column: string;
      readonly before: string;
      readonly after: string;
    }
  | { readonly kind: 'part-added' | 'part-gone'; readonly part: string }
  /** Anything else that is said: of the chart, of a part, of a column of it. */
  | {
      readonly kind: 'said';
      readonly part: string | null;
      readonly column: string | null;
      readonly what: Said;
      readonly before: string;
      readonly after: string;
    };

/** What a chart, a part or a column says of itself, by the field it stands in. */
export type Said = SaidOfChart | SaidOfPart | SaidOfColumn | 'order-of-parts' | 'order-of-columns';
type SaidOfChart = Exclude<keyof ChartSheet, 'parts'>;
type SaidOfPart = Exclude<keyof ChartPart, 'code' | 'columns'>;
type SaidOfColumn = Exclude<keyof ChartPart['columns'][number], 'code' | 'cells'>;

/**
 * What a version changes against the one before it, row by row. Every field of the form is looked
 * at: two versions between which nothing is found are the same chart.
 *
 * @example compareCharts(jacket.sheet, jacket.sheet) // []
 */
export function compareCharts(before: ChartSheet, after: ChartSheet): ChartChange[] {
  const [was, is] = [before, after].map((sheet) => writtenSheet(sheet) as ChartSheet) as [
    ChartSheet,
    ChartSheet,
  ];
  const parts = [...new Set([...before.parts, ...after.parts].map(({ code }) => code))];
  const { parts: _was, ...restWas } = was;
  const { parts: _is, ...restIs } = is;
  return [
    ...parts.flatMap((code): ChartChange[] => {
      const [old, now] = [before, after].map(({ parts: of }) => of.find((part) => part.code === code));
      if (old === undefined) return [{ kind: 'part-added', part: now!.name }];
      if (now === undefined) return [{ kind: 'part-gone', part: old.name }];
      const [oldSays, nowSays] = [was, is].map(({ parts: of }) => of.find((part) => part.code === code)!);
      return comparePart(before, after, [old, now], [oldSays!, nowSays!]);
    }),
    ...compareOrder(before.parts, after.parts, { part: null, what: 'order-of-parts' }),
    ...compareSaid(restWas, restIs, { part: null, column: null }),
  ];
}

function comparePart(
  before: ChartSheet,
  after: ChartSheet,
  [old, now]: readonly [ChartPart, ChartPart],
  [oldSays, nowSays]: readonly [ChartPart, ChartPart],
): ChartChange[] {
  const part = now.name;
  const named = (sheet: ChartSheet, code: ColumnCode) =>
    columnName(sheet, code, (one) => measurement(one).name);
  const both = now.sizes.filter((size) => old.sizes.includes(size));
  const { code: _a, columns: oldColumns, sizes: _b, ...restOld } = oldSays;
  const { code: _c, columns: nowColumns, sizes: _d, ...restNow } = nowSays;
  return [
    ...added(old.sizes, now.sizes).map((size) => ({ kind: 'size-added' as const, part, size })),
    ...added(now.sizes, old.sizes).map((size) => ({ kind: 'size-gone' as const, part, size })),
    ...compareSaid(
      { sizes: old.sizes.filter((size) => both.includes(size)) },
      { sizes: both },
      { part, column: null },
    ),
    ...added(codesOf(old), codesOf(now)).map((code) => ({
      kind: 'column-added' as const,
      part,
      column: named(after, code),
    })),
    ...added(codesOf(now), codesOf(old)).map((code) => ({
      kind: 'column-gone' as const,
      part,
      column: named(before, code),
    })),
    ...now.columns.flatMap((column, at): ChartChange[] => {
      const index = codesOf(old).indexOf(column.code);
      if (index < 0) return [];
      const { code: _e, cells: _f, ...saidOld } = oldColumns[index]!;
      const { code: _g, cells: _h, ...saidNow } = nowColumns[at]!;
      const name = named(after, column.code);
      return [
        ...compareCells(old, now, index, at, name),
        ...compareSaid(saidOld, saidNow, { part, column: name }),
      ];
    }),
    ...compareOrder(old.columns, now.columns, { part, what: 'order-of-columns' }),
    ...compareSaid(restOld, restNow, { part, column: null }),
  ];
}

function compareCells(
  old: ChartPart,
  now: ChartPart,
  from: number,
  to: number,
  column: string,
): ChartChange[] {
  return now.sizes.flatMap((size, at): ChartChange[] => {
    const index = old.sizes.indexOf(size);
    if (index < 0) return [];
    const [a, b] = [old.columns[from]!, now.columns[to]!];
    if (JSON.stringify(a.cells[index]) === JSON.stringify(b.cells[at])) return [];
    return [
      {
        kind: 'cell',
        part: now.name,
        size,
        column,
        before: `${writeCell(a.cells[index]!, a.unit)} ${a.unit}`,
        after: `${writeCell(b.cells[at]!, b.unit)} ${b.unit}`,
      },
    ];
  });
}

/** Every field that is not the same on both sides. */
function compareSaid<Of extends object>(
  was: Of,
  is: Of,
  place: { readonly part: string | null; readonly column: string | null },
): ChartChange[] {
  const fields = [...new Set([...Object.keys(was), ...Object.keys(is)])] as (keyof Of)[];
  return fields.flatMap((field): ChartChange[] => {
    const [before, after] = [written(was[field]), written(is[field])];
    return before === after ? [] : [{ kind: 'said', ...place, what: field as Said, before, after }];
  });
}

function compareOrder(
  was: readonly { readonly code: string }[],
  is: readonly { readonly code: string }[],
  { part, what }: { readonly part: string | null; readonly what: Said },
): ChartChange[] {
  const common = (of: typeof was, other: typeof was) =>
    of.map(({ code }) => code).filter((code) => other.some((one) => one.code === code));
  const [before, after] = [common(was, is).join(', '), common(is, was).join(', ')];
  return before === after ? [] : [{ kind: 'said', part, column: null, what, before, after }];
}

function added<One>(to: readonly One[], of: readonly One[]): One[] {
  return of.filter((one) => !to.includes(one));
}

function codesOf({ columns }: ChartPart): ColumnCode[] {
  return columns.map(({ code }) => code);
}

function written(value: unknown): string {
  if (typeof value === 'string') return value;
  if (value === null || value === undefined || (Array.isArray(value) && value.length === 0)) return 'none';
  if (Array.isArray(value) && value.every((one) => typeof one === 'string')) return value.join(', ');
  return JSON.stringify(value);
}
