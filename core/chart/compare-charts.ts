import { measurement } from '../body/catalogue';
import type { ColumnCode } from './column-code';
import { writeCell } from './formats/write-cell';
import { writtenSheet } from './formats/chart-json';
import { type ChartPart, type ChartSheet } from './chart-shape';
import { columnName } from './size-chart';

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
  /** Anything else: a rule, a derivation, what is combined. */
  | { readonly kind: 'said'; readonly what: string; readonly before: string; readonly after: string };

/** What a version changes against the one before it, row by row. */
export function compareCharts(before: ChartSheet, after: ChartSheet): ChartChange[] {
  const parts = [...new Set([...before.parts, ...after.parts].map(({ code }) => code))];
  return [
    ...parts.flatMap((code): ChartChange[] => {
      const [was, is] = [before, after].map(({ parts: of }) => of.find((part) => part.code === code));
      if (was === undefined) return [{ kind: 'part-added', part: is!.name }];
      if (is === undefined) return [{ kind: 'part-gone', part: was.name }];
      return comparePart(before, after, was, is);
    }),
    ...compareRest(before, after),
  ];
}

function comparePart(before: ChartSheet, after: ChartSheet, was: ChartPart, is: ChartPart): ChartChange[] {
  const part = is.name;
  const named = (sheet: ChartSheet, code: ColumnCode) =>
    columnName(sheet, code, (one) => measurement(one).name);
  const changes: ChartChange[] = [
    ...is.sizes
      .filter((size) => !was.sizes.includes(size))
      .map((size) => ({ kind: 'size-added' as const, part, size })),
    ...was.sizes
      .filter((size) => !is.sizes.includes(size))
      .map((size) => ({ kind: 'size-gone' as const, part, size })),
    ...is.columns
      .filter(({ code }) => was.columns.every((one) => one.code !== code))
      .map(({ code }) => ({ kind: 'column-added' as const, part, column: named(after, code) })),
    ...was.columns
      .filter(({ code }) => is.columns.every((one) => one.code !== code))
      .map(({ code }) => ({ kind: 'column-gone' as const, part, column: named(before, code) })),
  ];
  for (const column of is.columns) {
    const old = was.columns.find(({ code }) => code === column.code);
    if (old === undefined) continue;
    is.sizes.forEach((size, at) => {
      const from = was.sizes.indexOf(size);
      if (from < 0) return;
      const [a, b] = [old.cells[from]!, column.cells[at]!];
      if (JSON.stringify(a) === JSON.stringify(b)) return;
      const written = (cell: typeof a, unit: typeof column.unit) =>
        `${writeCell(cell, unit) ?? 'written out'} ${unit}`;
      changes.push({
        kind: 'cell',
        part,
        size,
        column: named(after, column.code),
        before: written(a, old.unit),
        after: written(b, column.unit),
      });
    });
  }
  return changes;
}

const SAID: readonly (readonly [keyof ChartSheet, string])[] = [
  ['maker', 'maker'],
  ['garment', 'garment'],
  ['kind', 'kind'],
  ['rule', 'house rule'],
  ['key', 'measurement that decides'],
  ['label', 'label'],
  ['expects', 'how measurements are to be taken'],
  ['derivations', 'arithmetic'],
  ['combinations', 'combinations made'],
  ['options', 'options'],
  ['cautions', 'cautions'],
  ['fitChecks', 'fit checks'],
  ['notes', 'notes'],
];

function compareRest(before: ChartSheet, after: ChartSheet): ChartChange[] {
  const [was, is] = [writtenSheet(before), writtenSheet(after)] as [ChartSheet, ChartSheet];
  const said = (value: unknown) =>
    typeof value === 'string' ? value : value === null ? 'none' : JSON.stringify(value);
  return SAID.flatMap(([field, what]): ChartChange[] => {
    const [a, b] = [said(was[field]), said(is[field])];
    return a === b ? [] : [{ kind: 'said', what, before: a, after: b }];
  });
}

/** A change in one line. */
export function sayChartChange(change: ChartChange): string {
  switch (change.kind) {
    case 'size-added':
      return `${change.part}: size ${change.size} added`;
    case 'size-gone':
      return `${change.part}: size ${change.size} gone`;
    case 'column-added':
      return `${change.part}: ${change.column} added`;
    case 'column-gone':
      return `${change.part}: ${change.column} gone`;
    case 'part-added':
      return `${change.part} added`;
    case 'part-gone':
      return `${change.part} gone`;
    case 'cell':
      return `${change.part} ${change.size}, ${change.column}: ${change.before} is now ${change.after}`;
    case 'said':
      return change.before.length + change.after.length > 160
        ? `${change.what} changed`
        : `${change.what}: ${change.before} is now ${change.after}`;
  }
}
