// Columns of a brought table that belong together: two ends of one measurement, or the same in two units.
import { MICROMETRES_PER, type WorkingUnit } from '../../quantity/length';
import type { ColumnQuestion, PlannedColumn } from './planned-column';

/** Lower and upper ends in two columns, `Chest from` and `Chest to`, are one measurement. */
export function withPairs(columns: readonly PlannedColumn[]): PlannedColumn[] {
  const end = (heading: string) =>
    /\b(?:min(?:imum)?|from|low(?:er)?)\b/i.test(heading)
      ? 'lower'
      : /\b(?:max(?:imum)?|to|upper|up)\b/i.test(heading)
        ? 'upper'
        : null;
  const rest = (heading: string) =>
    heading
      .toLowerCase()
      .replace(/\b(?:min(?:imum)?|from|low(?:er)?|max(?:imum)?|to|upper|up)\b\.?/g, ' ')
      .replace(/[^\p{L}\d]+/gu, ' ')
      .trim();
  /** Two ends of the same, by their names. */
  const belong = (one: PlannedColumn | undefined, other: PlannedColumn | undefined): boolean =>
    one !== undefined &&
    other !== undefined &&
    end(one.heading) === 'lower' &&
    end(other.heading) === 'upper' &&
    rest(one.heading) === rest(other.heading);
  return columns.map((column, at) => {
    const next = columns[at + 1];
    if (belong(column, next)) return { ...column, upperIn: next!.index };
    if (belong(columns[at - 1], column)) return { ...column, means: null, asks: null, candidates: [] };
    // One end alone, read as a size's middle, would size by half a size too small or too large.
    const lone = /\b(?:min(?:imum)?|max(?:imum)?|from|until)\b/i.test(column.heading);
    return lone && column.asks === null && column.means !== null && column.says === ''
      ? { ...column, asks: 'lone-end' }
      : column;
  });
}

/**
 * The same measurement in inches and centimetres side by side: the one whose unit is named is taken, the
 * other left out where it says the same. Any other column of the same measurement is asked about.
 */
export function withoutDoubles(
  columns: readonly PlannedColumn[],
  body: readonly (readonly string[])[],
): PlannedColumn[] {
  const groups = new Map<string, PlannedColumn[]>();
  for (const column of columns) {
    const same = column.means ?? (column.asks === 'which-measurement' ? column.candidates.join() : '');
    if (same !== '' && same !== 'size') groups.set(same, [...(groups.get(same) ?? []), column]);
  }
  const left = new Map<number, ColumnQuestion | null>();
  for (const group of groups.values()) {
    const taken = group.find(({ named, asks }) => named !== null && asks !== 'impossible-unit') ?? group[0]!;
    for (const other of group) if (other !== taken) left.set(other.index, twinQuestion(taken, other, body));
  }
  return columns.map((column) => {
    const asks = left.get(column.index);
    return asks === undefined ? column : { ...column, means: null, unit: column.named, asks };
  });
}

/** What is asked of a second column of the same measurement; nothing of a twin in another unit that says the same. */
function twinQuestion(
  taken: PlannedColumn,
  other: PlannedColumn,
  body: readonly (readonly string[])[],
): ColumnQuestion | null {
  const [one, two] = [taken.named, other.named ?? other.proposes];
  if (one === null || two === null || one === two) return 'left-out';
  const same = body.every((cells) => {
    const lengths = (index: number, unit: WorkingUnit) =>
      numbersOf(cells[index] ?? '').map((number) => number * MICROMETRES_PER[unit]);
    const [here, there] = [lengths(taken.index, one), lengths(other.index, two)];
    return here.length === there.length && here.every((at, end) => Math.abs(at - there[end]!) <= TWINS_APART);
  });
  return same ? null : 'twins-differ';
}

/** How far twins may be apart: what rounding to whole centimetres and half inches leaves. */
const TWINS_APART = 13_000;

/** The numbers of a cell, fractions with their whole. */
function numbersOf(cell: string): number[] {
  const plain = cell.replace(/½/g, ' 1/2').replace(/¼/g, ' 1/4').replace(/¾/g, ' 3/4');
  return [...plain.matchAll(/(\d+(?:[.,]\d+)?)(?:\s+(\d+)\/(\d+))?/g)].map(
    ([, whole, top, bottom]) =>
      Number(whole!.replace(',', '.')) + (top === undefined ? 0 : Number(top) / Number(bottom)),
  );
}
