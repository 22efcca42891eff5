// Columns of an imported table that belong together: two ends of one measurement, or the same in two units.
import { sayTheSame } from '../cells/dual-cell';
import type { PlannedColumn } from './planned-column';

const LOWER =
  /\b(?:min(?:imum)?|from|(?<=\p{L}[^\p{L}]+)low(?:er)?|von|ab|mindestens|de|desde|mín(?:imo)?)(?![\p{L}])|[≥>]=?/iu;
const UPPER =
  /\b(?:max(?:imum)?|to|(?<=\p{L}[^\p{L}]+)upper|up|bis|höchstens|hasta|máx(?:imo)?)(?![\p{L}])|(?<![\p{L}])à(?![\p{L}])|[≤<]=?/iu;
const ENDS = new RegExp(`(?:${LOWER.source}|${UPPER.source})\\.?`, 'giu');

/** The unit a heading ends with, as it stands in another heading of its kind. */
function unitBehind(heading: string): string {
  return /(?:^|[^\p{L}])(cm|mm|in|inch(?:es)?)[^\p{L}]*$/iu.exec(heading)?.[1]?.toLowerCase() ?? '';
}

/** Lower and upper ends in two columns, `Chest from` and `Chest to`, are one measurement. */
export function withPairs(
  columns: readonly PlannedColumn[],
  cellsOf: (column: PlannedColumn) => readonly string[],
): PlannedColumn[] {
  const end = (heading: string) => (LOWER.test(heading) ? 'lower' : UPPER.test(heading) ? 'upper' : null);
  const rest = (heading: string) =>
    heading
      .toLowerCase()
      .replace(ENDS, ' ')
      .replace(/[^\p{L}\d]+/gu, ' ')
      .trim();
  /** Two ends of the same, by their names. */
  const belong = (one: PlannedColumn | undefined, other: PlannedColumn | undefined): boolean =>
    one !== undefined &&
    other !== undefined &&
    end(one.heading) === 'lower' &&
    !UPPER.test(one.heading.replace(/\bto fit\b/i, '')) &&
    UPPER.test(other.heading) &&
    !/\b(?:min(?:imum)?|from)\b|(?<=\p{L}[^\p{L}]+)low(?:er)?\b/iu.test(other.heading) &&
    // `to` alone, behind `Chest from`, is the other end of the same.
    (rest(one.heading) === rest(other.heading) ||
      (rest(other.heading).replace(unitBehind(one.heading), '') === '' &&
        /\p{L}{3}/u.test(rest(one.heading))));
  return columns.map((column, at) => {
    const next = columns[at + 1];
    const goesWith = (one: PlannedColumn | undefined, other: PlannedColumn | undefined) =>
      belong(one, other) || areEnds(one, other, cellsOf);
    if (goesWith(column, next)) return { ...column, upperIn: next!.index };
    if (goesWith(columns[at - 1], column)) return { ...column, means: null, asks: null, candidates: [] };
    // One end alone, read as a size's middle, would size by half a size too small or too large.
    const lone = LONE.test(column.heading) && !BOTH.test(column.heading);
    return lone && column.asks === null && column.means !== null && column.says === '' && singles(column)
      ? { ...column, asks: 'lone-end' }
      : column;
  });
}

/**
 * Whether two columns below one heading, merged or written above the first alone, hold the ends of one measurement: single
 * numbers, each second larger than its first, and none much beyond where the next size begins.
 */
function areEnds(
  one: PlannedColumn | undefined,
  other: PlannedColumn | undefined,
  cellsOf: (column: PlannedColumn) => readonly string[],
): boolean {
  if (one === undefined || other === undefined || other.index !== one.index + 1) return false;
  if (one.half !== null || other.half !== null || one.heading === '') return false;
  if (other.heading !== '' && other.heading !== one.heading) return false;
  if (one.means === 'size' || one.means === 'label' || one.class !== null || other.class !== null)
    return false;
  const single = (column: PlannedColumn) =>
    cellsOf(column).map((cell) => (SINGLE.test(cell) ? Number(cell.replace(',', '.')) : NaN));
  const [lower, upper] = [single(one), single(other)];
  return (
    lower.length > 1 &&
    lower.every((from, at) => {
      const [to, next] = [upper[at]!, lower[at + 1] ?? Infinity];
      return from < to && to <= from * 1.3 && to <= next * 1.04 && from < next;
    })
  );
}
const SINGLE = /^\d+(?:[.,]\d+)?$/;

const LONE =
  /\b(?:min(?:imum|\.)?|max(?:imum|\.)?|from|until|up to|at least|at most|mindestens|höchstens|hasta|desde|jusqu)(?![\p{L}])|(?<![\p{L}])(?:to|bis|von|ab|à)(?=\s*(?:$|[([,]))|[<>≤≥]/iu;
const BOTH = /\bfrom\b.*\bto\b|\bmin\b.*\bmax\b|\bvon\b.*\bbis\b|\bde\b.*\bà|\bdesde\b.*\bhasta\b/iu;

/** Whether its cells hold one number each: ranges have both ends. */
function singles({ sample }: PlannedColumn): boolean {
  return !sample.some((cell) => /\d\s*(?:[-–—~]|to|bis|à)\s*\d/u.test(cell));
}

/**
 * The same measurement in inches and centimetres side by side: the one whose unit is named is taken, the
 * other left out where it says the same. Any other column of the same measurement is asked about.
 */
export function withoutDoubles(
  columns: readonly PlannedColumn[],
  cellsOf: (column: PlannedColumn) => readonly string[],
): PlannedColumn[] {
  const groups = new Map<string, PlannedColumn[]>();
  for (const column of columns) {
    const { means, asks, candidates } = column;
    if (means === 'size' || means === 'label' || means === 'class') continue;
    const same = means ?? (asks === 'which-measurement' ? candidates.join() : '');
    const group = `${same}|${column.class ?? ''}`;
    if (same !== '') groups.set(group, [...(groups.get(group) ?? []), column]);
  }
  const left = new Map<string, Pick<PlannedColumn, 'asks' | 'apartAt'>>();
  for (const group of groups.values()) {
    const sound = group.filter(({ named, asks }) => named !== null && asks !== 'impossible-unit');
    const taken = sound[0] ?? group[0]!;
    for (const other of group) if (other !== taken) left.set(other.key, twinQuestion(taken, other, cellsOf));
  }
  return columns.map((column) => {
    const twin = left.get(column.key);
    return twin === undefined ? column : { ...column, means: null, ...twin };
  });
}

/** What is asked of a second column of the same measurement; nothing of a twin in another unit that says the same. */
function twinQuestion(
  taken: PlannedColumn,
  other: PlannedColumn,
  cellsOf: (column: PlannedColumn) => readonly string[],
): Pick<PlannedColumn, 'asks' | 'apartAt'> {
  const [one, two] = [taken.named ?? taken.proposes, other.named ?? other.proposes];
  if (one === null || two === null || one === two) return { asks: 'left-out', apartAt: -1 };
  const at = apartAt(taken, other, cellsOf);
  return { asks: at === -1 ? null : 'twins-differ', apartAt: at };
}

/** The first cell in which two columns of one measurement differ by more than rounding; -1 where none does. */
function apartAt(
  taken: PlannedColumn,
  other: PlannedColumn,
  cellsOf: (column: PlannedColumn) => readonly string[],
): number {
  const [one, two] = [taken.named ?? taken.proposes ?? 'cm', other.named ?? other.proposes ?? 'cm'];
  const there = cellsOf(other);
  return cellsOf(taken).findIndex((cell, at) => !sayTheSame(cell, one, there[at] ?? '', two));
}
