import { compileChart, type CompiledChart } from '../chart/compile-chart';
import type { ChartColumn, ChartSheet } from '../chart/chart-shape';
import type { Cell } from '../chart/interval';
import type { ColumnCode } from '../chart/column-code';
import { micrometres, type Length } from '../quantity/length';
import { howItRuns, type ColumnRun } from './chart-run';
import type { Sight } from './seen-chances';

/** One look at a worn garment, by what its chart calls things, whatever its version. */
export interface GarmentLook {
  readonly wearer: string;
  readonly part: string;
  readonly code: ColumnCode;
  /** The label of the part's size that was on. */
  readonly size: string;
  readonly sight: Sight;
  /** What the column goes by came to for the wearer, and its standard error, in micrometres. */
  readonly value: number;
  readonly standardError: number;
}

/** How the garments of a chart run in one of its columns. */
export interface ChartRun extends ColumnRun {
  readonly part: string;
  readonly code: ColumnCode;
  /** What the column goes by, as it is called. */
  readonly name: string;
  /** Told in millimetres whatever the reader's unit. */
  readonly foot: boolean;
}

/**
 * How a chart runs, column by column. Looks at garments of an earlier version count as well, by the labels
 * of their sizes: the same garments hang on the rail, whatever the table says of them.
 *
 * @example chartRuns(compileChart(jacket.sheet), looksOn(worn, jacket, house)).map(({ code, runs }) => [code, runs]) // [['chest-girth', 'no-sign']]
 */
export function chartRuns(compiled: CompiledChart, looks: readonly GarmentLook[]): ChartRun[] {
  return compiled.parts.flatMap(({ whole }) =>
    whole.deciding.flatMap((column) => {
      const own = looks.flatMap(({ part, code, size, ...look }) => {
        const at = whole.sizes.indexOf(size);
        return part === whole.code && code === column.code && at >= 0 ? [{ ...look, size: at }] : [];
      });
      const run = howItRuns(column, own);
      if (run === null) return [];
      return [{ ...run, part: whole.code, code: column.code, name: column.name, foot: column.foot }];
    }),
  );
}

/**
 * Those that run otherwise than their chart says.
 *
 * @example tellingRuns([{ runs: 'small' }, { runs: 'no-sign' }]) // [{ runs: 'small' }]
 */
export function tellingRuns<Run extends Pick<ChartRun, 'runs'>>(runs: readonly Run[]): Run[] {
  return runs.filter((one) => one.runs !== 'no-sign');
}

/**
 * How much of what was found is adopted: to the millimetre, as nobody cuts finer.
 *
 * @example adopted({ small: cm(2.2), runs: 'small' }) // 22000
 */
export function adopted({ small }: Pick<ChartRun, 'small'>): Length {
  return micrometres(Math.round(small / 1_000) * 1_000);
}

/**
 * The sheet as the garments run: what a column's sizes hold is moved by what was found, as an ease, so
 * that the maker's own numbers stay readable; single values are moved themselves.
 *
 * @param runs of which columns, and by how much; those that show no sign are left alone
 * @example withRuns(jacket.sheet, []).parts[0].sizes // ['M', 'L', 'XL']
 */
export function withRuns(
  sheet: ChartSheet,
  runs: readonly Pick<ChartRun, 'part' | 'code' | 'small' | 'runs'>[],
): ChartSheet {
  const parts = sheet.parts.map((part) => ({
    ...part,
    columns: part.columns.map((column) => {
      const run = tellingRuns(runs).find((one) => one.part === part.code && one.code === column.code);
      return run === undefined ? column : moved(column, adopted(run));
    }),
  }));
  return { ...sheet, parts };
}

function moved(column: ChartColumn, by: Length): ChartColumn {
  const { ease, cells } = column;
  if (ease !== null)
    return { ...column, ease: { least: micrometres(ease.least + by), most: micrometres(ease.most + by) } };
  if (cells.every(({ kind }) => kind === 'interval')) return { ...column, ease: { least: by, most: by } };
  const single = (cell: Cell): Cell =>
    cell.kind === 'nominal' ? { ...cell, at: micrometres(cell.at - by) } : cell;
  return { ...column, cells: cells.map(single) };
}

const RUNNING = new WeakMap<ChartSheet, { readonly on: string; readonly compiled: CompiledChart }>();

/**
 * A chart compiled as its garments run; kept for as long as its sheet lives and runs so.
 *
 * @example compiledAsItRuns(jacket.sheet, []).parts.length // 1
 */
export function compiledAsItRuns(
  sheet: ChartSheet,
  runs: readonly Pick<ChartRun, 'part' | 'code' | 'small' | 'runs'>[],
): CompiledChart {
  const on = JSON.stringify(runs.map(({ part, code, small }) => [part, code, small]));
  const known = RUNNING.get(sheet);
  if (known?.on === on) return known.compiled;
  const compiled = compileChart(withRuns(sheet, runs));
  RUNNING.set(sheet, { on, compiled });
  return compiled;
}
