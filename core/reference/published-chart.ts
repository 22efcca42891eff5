import type { ColumnCode } from '../chart/column-code';
import type { GarmentKind } from '../garment/kinds';
import type { Cell } from '../chart/interval';
import { type ChartColumn, type ChartPart, type ChartSheet } from '../chart/chart-shape';
import { plainPart, sheetAround } from '../chart/size-chart';
import type { Length, WorkingUnit } from '../quantity/length';

/**
 * A published size table as a chart of the same model as a maker's, to check the matching by
 * and to begin a chart from. `from memory` in a source says that the publication was not at
 * hand when the table was written down: look it up before anything is decided by it.
 */
export interface PublishedChart {
  readonly source: string;
  readonly sheet: ChartSheet;
}

/**
 * A column of sizes that follow one another without a gap.
 *
 * @param edges one more than there are sizes, rising: each size reaches from its own edge up to
 *   the next, its own included and the next not
 * @example adjoining('chest-girth', 'cm', [cm(82), cm(86), cm(90)]).cells.length // 2
 */
export function adjoining(code: ColumnCode, unit: WorkingUnit, edges: readonly Length[]): ChartColumn {
  return column(
    code,
    unit,
    edges.slice(1).map(
      (upper, index): Cell => ({
        kind: 'interval',
        lower: { at: edges[index]!, edge: 'closed' },
        upper: { at: upper, edge: 'open' },
      }),
    ),
  );
}

/**
 * A column of single values, each size reaching halfway to its neighbours.
 *
 * @example nominal('chest-girth', 'cm', [cm(84), cm(88)]).cells.length // 2
 */
export function nominal(code: ColumnCode, unit: WorkingUnit, values: readonly Length[]): ChartColumn {
  return column(
    code,
    unit,
    values.map((at): Cell => ({ kind: 'nominal', at })),
  );
}

/**
 * `count` numbers from `first` on, `step` apart.
 *
 * @example graded(84, 4, 3) // [84, 88, 92]
 */
export function graded(first: number, step: number, count: number): number[] {
  return Array.from({ length: count }, (_, index) => first + index * step);
}

/**
 * A part of a published table, with the names of its sizes.
 *
 * @example namedPart('size', 'Size', [84, 88], [nominal('chest-girth', 'cm', [cm(84), cm(88)])]).sizes // ['84', '88']
 */
export function namedPart(
  code: string,
  name: string,
  sizes: readonly (string | number)[],
  columns: readonly ChartColumn[],
): ChartPart {
  return { ...plainPart(sizes.map(String), columns), code, name };
}

/**
 * The sheet of a published table; its source is repeated in the notes, which travel with a copy.
 *
 * @example published('Ostrel Workwear', 'Field jacket', 'jacket', 'made up', jacket.sheet.parts).sheet.notes // 'Source: made up.'
 */
export function published(
  maker: string,
  garment: string,
  kind: GarmentKind,
  source: string,
  parts: readonly [ChartPart, ...ChartPart[]],
  rest: Partial<Pick<ChartSheet, 'derivations' | 'label'>> = {},
): PublishedChart {
  const sheet = sheetAround(parts[0], { maker, garment, kind, rule: 'widest-decides' });
  return { source, sheet: { ...sheet, parts: [...parts], notes: `Source: ${source}.`, ...rest } };
}

function column(code: ColumnCode, unit: WorkingUnit, cells: Cell[]): ChartColumn {
  return { code, role: 'deciding', unit, reach: 'halfway', ease: null, standIns: [], cells };
}
