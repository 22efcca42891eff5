// Tables of sizes and of classes of lengths: blocks, rows such as 40R, columns a class, band by cup.
import { failure, success, type Outcome } from '../../../outcome';
import type { ChartPart } from '../../chart-shape';
import type { Finding } from '../../finding';
import { classRank, sizeAndClass } from '../words/size-words';
import type { PlannedColumn } from '../plan/planned-column';
import type { PlannedRow } from '../layout/outline';
import type { TablePlan } from '../plan/table-plan';
import { hasOneEach, labelColumns, otherNamesOf } from './other-names';
import { beginsAt, falls, readPiece, takenCell, type Placed, type TakenColumn } from './pieces';
import { labelIn, type ImportedParts } from './imported-parts';

/** One size of one class, with what it measures. */
export interface Entry {
  readonly size: string;
  readonly class: string;
  readonly row: PlannedRow;
  readonly line: number;
  readonly sizeColumn: number;
  /** By measurement. */
  readonly cells: ReadonlyMap<string, Placed>;
}

/** The sizes and classes of a table that has both. */
export interface Entries {
  readonly all: readonly Entry[];
  readonly columns: readonly TakenColumn[];
  /** What stands between a size and its class in a label: nothing, or a space. */
  readonly between: string;
  readonly name: string;
}

/** The sizes and classes of a table; nothing of one that has no classes. */
export function entriesOf(
  rows: readonly PlannedRow[],
  plan: TablePlan,
  size: PlannedColumn,
  taken: readonly TakenColumn[],
): Entries | null {
  const classed = taken.filter((column) => column.class !== null);
  const common = taken.filter((column) => column.class === null);
  const byColumn = plan.columns.find(({ means }) => means === 'class');
  const measured = (row: PlannedRow, columns: readonly TakenColumn[]) =>
    new Map(
      columns.flatMap((column) => {
        const text = takenCell(row.cells, column);
        return text === '' ? [] : [[column.means, { text, line: row.line, column: column.index }] as const];
      }),
    );
  const entry = (row: PlannedRow, label: string, named: string, columns: readonly TakenColumn[]): Entry => ({
    size: label,
    class: named,
    row,
    line: row.line,
    sizeColumn: size.index,
    cells: measured(row, columns),
  });
  const label = (row: PlannedRow) => labelIn(row.cells[size.index] ?? '');
  const once = [...new Map([...common, ...classed].map((column) => [column.means, column])).values()];
  const cups = classed.length > 0 && classed.every((column) => classRank(column.class!) === null);
  const name = cups ? 'Cup' : 'Length';
  const whole = { columns: once, between: ' ', name };
  if (classed.length > 1) {
    const names = [...new Set(classed.map((column) => column.class!))];
    const all = rows.flatMap((row) =>
      names.flatMap((named) => {
        const own = classed.filter((column) => column.class === named);
        const found = entry(row, label(row), named, [...common, ...own]);
        // A class of which nothing is given is not made in this size.
        return own.some(({ means }) => found.cells.has(means)) ? [found] : [];
      }),
    );
    return { ...whole, all, between: cups ? '' : ' ' };
  }
  if (byColumn !== undefined) {
    let last = '';
    const all = rows.map((row) => {
      last = (row.cells[byColumn.index] ?? '') || last;
      return entry(row, label(row), last, taken);
    });
    return { ...whole, all: withSizesBelow(all) };
  }
  if (new Set(rows.map(({ section }) => section)).size > 1)
    return { ...whole, all: rows.map((row) => entry(row, label(row), row.section ?? 'Regular', taken)) };
  const written = rows.map((row) => sizeAndClass(label(row)));
  const lettered = new Set(written.flatMap((one) => (one === null ? [] : [one.size])));
  // `S` beside `ST` is that of the regular length.
  const apart = written.map((one, at) => {
    const bare = label(rows[at]!);
    return one ?? (lettered.has(bare) ? { size: bare, between: ' ', class: 'Regular' } : null);
  });
  const found = apart.filter((one) => one !== null);
  const sizes = new Set(found.map((one) => one.size));
  if (found.length < rows.length || sizes.size === found.length || rows.length < 2) return null;
  const between = new Set(found.map((one) => one.between));
  return {
    ...whole,
    all: rows.map((row, at) => entry(row, apart[at]!.size, apart[at]!.class, taken)),
    between: between.size === 1 ? [...between][0]! : ' ',
  };
}

/** A size that is written only beside the first of its classes stands beside each of them. */
function withSizesBelow(entries: readonly Entry[]): Entry[] {
  let last = '';
  return entries.map((one) => {
    last = one.size === '' ? last : one.size;
    return { ...one, size: last };
  });
}

/**
 * Two parts of a table of sizes and classes. What goes by the size alone makes the first; what goes by the
 * class makes the second: by the class alone where every size has the same, else one length a size and class,
 * of which those of a size are offered with it.
 */
export function readTwoWay(
  entries: Entries,
  { onlyClass, columns }: TablePlan,
): Outcome<Omit<ImportedParts, 'derivations'>, readonly Finding[]> {
  const all = onlyClass === null ? entries.all : entries.all.filter((one) => one.class === onlyClass);
  const read = readParts(entries, all);
  const labels = labelColumns(columns);
  if (!read.ok || labels.length === 0) return read;
  // Labels of other systems are those of the sizes, or else of each size in each of its lengths.
  const [first, second] = read.value.parts;
  const rowsOf = (part: ChartPart, labelOf: (one: Entry) => string) =>
    part.sizes.map((size) => ({
      size,
      rows: all.filter((one) => labelOf(one) === size).map((one) => one.row),
    }));
  const bySize = rowsOf(first!, (one) => one.size);
  const ofSize = labels.filter((column) => hasOneEach(column, bySize));
  const others = labels.filter((column) => !ofSize.includes(column));
  const names = otherNamesOf(ofSize, bySize);
  const byBoth =
    second === undefined || second.offered === null
      ? bySize
      : rowsOf(second, (one) => labelOfBoth(entries, one));
  const further = otherNamesOf(others, byBoth);
  if (!names.ok) return names;
  if (!further.ok) return further;
  return success({
    ...read.value,
    parts: [
      { ...first!, otherNames: names.value },
      ...(second === undefined ? [] : [{ ...second, otherNames: further.value }]),
    ],
  });
}

/** What a size of a class is called where both make one label. */
function labelOfBoth({ between }: Entries, one: Entry): string {
  return `${one.size}${between}${one.class}`;
}

function readParts(
  entries: Entries,
  all: readonly Entry[],
): Outcome<Omit<ImportedParts, 'derivations'>, readonly Finding[]> {
  const twice = all.find(
    (one, at) => all.findIndex((other) => other.size === one.size && other.class === one.class) < at,
  );
  if (twice !== undefined)
    return failure([
      {
        code: 'size-twice',
        place: { line: twice.line, column: twice.sizeColumn + 1, size: `${twice.size} ${twice.class}` },
        firstLine: all.find((one) => one.size === twice.size && one.class === twice.class)!.line,
      },
    ]);
  const sizes = [...new Set(all.map((one) => one.size))];
  const classes = ordered([...new Set(all.map((one) => one.class))], all, entries.columns);
  const goesBy = (code: string) => ({
    size: differs(all, code, (one) => one.class),
    class: differs(all, code, (one) => one.size),
  });
  const columns = entries.columns.map((column) => ({ column, by: goesBy(column.means) }));
  const ofSize = columns.filter(({ by }) => !by.class).map(({ column }) => column);
  const ofClass = columns.filter(({ by }) => by.class && !by.size).map(({ column }) => column);
  const ofBoth = columns.filter(({ by }) => by.class && by.size).map(({ column }) => column);
  const row = (one: Entry, label: string, taken: readonly TakenColumn[]): Placed[] => [
    { text: label, line: one.line, column: one.sizeColumn },
    ...taken.map(({ means, index }) => one.cells.get(means) ?? { text: '', line: one.line, column: index }),
  ];
  if (classes.length === 1 || (ofClass.length === 0 && ofBoth.length === 0)) {
    const firsts = sizes.map((size) => all.find((one) => one.size === size)!);
    const part = readPiece(
      {
        columns: ofSize.length > 0 ? ofSize : entries.columns,
        rows: firsts.map((one) => row(one, one.size, ofSize.length > 0 ? ofSize : entries.columns)),
      },
      'size',
      'Size',
    );
    if (classes.length === 1)
      return part.ok ? success({ parts: [part.value], label: null, combinations: [] }) : part;
    return failure([{ code: 'classes-alike', classes }]);
  }
  if (ofSize.length === 0) return failure([{ code: 'nothing-by-size', classes }]);
  const fuller = (pick: (one: Entry) => boolean, taken: readonly TakenColumn[]) => {
    const some = all.filter(pick);
    return some.find((one) => taken.every(({ means }) => one.cells.has(means))) ?? some[0]!;
  };
  const rowOf = (label: string) =>
    row(
      fuller((one) => one.size === label, ofSize),
      label,
      ofSize,
    );
  const bySize = sizes.map(rowOf);
  const smallestFirst = falls(bySize, ofSize) ? [...bySize].reverse() : bySize;
  const size = readPiece({ columns: ofSize, rows: smallestFirst }, 'size', 'Size');
  const cup = entries.name === 'Cup';
  const code = cup ? 'cup' : 'length';
  if (ofBoth.length === 0) {
    const lengths = readPiece(
      {
        columns: ofClass,
        rows: classes.map((label) =>
          row(
            fuller((one) => one.class === label, ofClass),
            label,
            ofClass,
          ),
        ),
      },
      code,
      entries.name,
    );
    return together(size, lengths, (first, second) => {
      const made = madeOf(all);
      const whole = sizes.every((one) => made[one]!.length === classes.length);
      return {
        parts: [first, second],
        label: entries.between === ' ' ? null : `{size}${entries.between}{${code}}`,
        combinations: whole ? [] : [{ parts: ['size', code], made }],
      };
    });
  }
  const taken = [...ofBoth, ...ofClass];
  const label = (one: Entry) => labelOfBoth(entries, one);
  const sorted = all
    .filter((one) => taken.some(({ means }) => one.cells.has(means)))
    .map((one, at) => ({
      one,
      at,
      begins: taken.map(({ means, unit }) => beginsAt(one.cells.get(means)?.text ?? '', unit) ?? 0),
    }))
    .sort((a, b) => a.begins.reduce((so, begin, at) => so || begin - b.begins[at]!, 0) || a.at - b.at)
    .map(({ one }) => one);
  const lengths = readPiece(
    { columns: taken, rows: sorted.map((one) => row(one, label(one), taken)), mayBeAlike: true },
    code,
    entries.name,
  );
  return together(size, lengths, (first, second) => ({
    parts: [
      first,
      {
        ...second,
        offered: {
          by: 'size',
          sizes: Object.fromEntries(
            sizes.map((one) => [one, sorted.filter((other) => other.size === one).map(label)]),
          ),
        },
      },
    ],
    label: `{${code}}`,
    combinations: [],
  }));
}

function together(
  first: Outcome<ChartPart, readonly Finding[]>,
  second: Outcome<ChartPart, readonly Finding[]>,
  make: (first: ChartPart, second: ChartPart) => Omit<ImportedParts, 'derivations'>,
): Outcome<Omit<ImportedParts, 'derivations'>, readonly Finding[]> {
  if (first.ok && second.ok) return success(make(first.value, second.value));
  return failure([...(first.ok ? [] : first.problem), ...(second.ok ? [] : second.problem)]);
}

/** Whether a measurement differs among entries that are alike in one respect: then it goes by the other. */
function differs(all: readonly Entry[], code: string, alike: (one: Entry) => string): boolean {
  const texts = new Map<string, string>();
  return all.some((one) => {
    const text = one.cells.get(code)?.text;
    if (text === undefined) return false;
    const before = texts.get(alike(one));
    texts.set(alike(one), before ?? text);
    return before !== undefined && before !== text;
  });
}

/** Classes from the shortest: by their words, else by what they measure. */
function ordered(
  classes: readonly string[],
  all: readonly Entry[],
  columns: readonly TakenColumn[],
): string[] {
  const begins = (named: string) => {
    const found = all.filter((one) => one.class === named);
    const at = columns.map(({ means, unit }) => beginsAt(found[0]?.cells.get(means)?.text ?? '', unit) ?? 0);
    return at.reduce((sum, one) => sum + one, 0);
  };
  return [...classes].sort(
    (a, b) => (classRank(a) ?? begins(a)) - (classRank(b) ?? begins(b)) || begins(a) - begins(b),
  );
}

function madeOf(all: readonly Entry[]): Record<string, string[]> {
  const made: Record<string, string[]> = {};
  for (const one of all) (made[one.size] ??= []).push(one.class);
  return made;
}
