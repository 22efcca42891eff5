import {
  failure,
  LONGEST_SIZE,
  parseCell,
  success,
  writtenLength,
  writtenLengthSchema,
  type Cell,
  type ChartPart,
  type Length,
  type Outcome,
} from '@neat-measure/core';
import { sayFinding, writeCell } from '@neat-measure/core/sheets';

/** A row of the table editor: a size, with everything that stands beside it, as texts. */
export interface TextRow {
  /** The same for as long as the row is the same, whatever is typed in it. */
  readonly id: number;
  /** In the order of `columnsOf`. */
  readonly cells: readonly string[];
}

/**
 * A part as the table editor shows it: a row a size. What cannot be read yet stays a text and is
 * never lost; the part is made of it once all of it can be.
 */
export type PartText = readonly TextRow[];

/** What a column of the editor holds. */
export type TextColumn =
  | { readonly holds: 'label' }
  /** What the size itself measures, where arithmetic needs it. */
  | { readonly holds: 'value' }
  | { readonly holds: 'cell'; readonly at: number }
  /** What the size is called in another system. */
  | { readonly holds: 'name'; readonly at: number };

/** The columns of the editor for a part, the label first. */
export function columnsOf({ values, columns, otherNames }: ChartPart): TextColumn[] {
  return [
    { holds: 'label' },
    ...(values === null ? [] : [{ holds: 'value' } as const]),
    ...columns.map((_, at) => ({ holds: 'cell', at }) as const),
    ...otherNames.map((_, at) => ({ holds: 'name', at }) as const),
  ];
}

let lastId = 0;

/** A row's cells with an identity of their own. */
export function newRow(cells: readonly string[]): TextRow {
  return { id: ++lastId, cells };
}

/** A part's table as texts. */
export function textOf(part: ChartPart): PartText {
  return part.sizes.map((size, row) =>
    newRow(
      columnsOf(part).map((column) => {
        switch (column.holds) {
          case 'label':
            return size;
          case 'value':
            return writtenLength(part.values![row]!);
          case 'cell': {
            const { cells, unit } = part.columns[column.at]!;
            return writeCell(cells[row]!, unit);
          }
          case 'name':
            return part.otherNames[column.at]!.labels[row]!;
        }
      }),
    ),
  );
}

/** What is wrong with one cell of the texts; `null` for a sound one. */
export function faultOf(part: ChartPart, text: PartText, row: number, column: number): string | null {
  const cell = text[row]?.cells[column]?.trim() ?? '';
  const kind = columnsOf(part)[column]!;
  switch (kind.holds) {
    case 'label': {
      if (cell === '') return 'Enter the size label.';
      if (cell.length > LONGEST_SIZE) return `At most ${LONGEST_SIZE} letters.`;
      const twice = text.some((other, at) => at !== row && other.cells[0]?.trim() === cell);
      return twice ? 'This size label is used twice.' : null;
    }
    case 'value':
      return readValue(cell) === null ? 'Enter what this size measures with its unit, such as 18 in.' : null;
    case 'name':
      if (cell === '') return 'Enter the size’s other name.';
      return cell.length > LONGEST_SIZE ? `At most ${LONGEST_SIZE} letters.` : null;
    case 'cell': {
      const read = readCell(part, cell, row, kind.at);
      return read.ok ? null : read.problem;
    }
  }
}

/** Whether texts have so many columns: those of a part that has lost or gained one since have others. */
export function hasColumns(text: PartText, count: number): boolean {
  return text.every(({ cells }) => cells.length === count);
}

/** The part that the texts make, or nothing while a cell cannot be read. */
export function partOf(part: ChartPart, text: PartText): ChartPart | null {
  const kinds = columnsOf(part);
  if (text.length === 0 || !hasColumns(text, kinds.length)) return null;
  if (text.some((_, row) => kinds.some((__, column) => faultOf(part, text, row, column) !== null)))
    return null;
  const column = (holds: TextColumn['holds'], at = 0): string[] => {
    const index = kinds.findIndex((kind) => kind.holds === holds && (!('at' in kind) || kind.at === at));
    return text.map(({ cells }) => cells[index]!.trim());
  };
  return {
    ...part,
    sizes: column('label'),
    values: part.values === null ? null : column('value').map((cell) => readValue(cell)!),
    otherNames: part.otherNames.map((system, at) => ({ ...system, labels: column('name', at) })),
    columns: part.columns.map((one, at) => ({
      ...one,
      cells: column('cell', at).map((cell, row) => (readCell(part, cell, row, at) as { value: Cell }).value),
    })),
  };
}

function readValue(cell: string): Length | null {
  const read = writtenLengthSchema.safeParse(cell);
  return read.success ? read.data : null;
}

function readCell(part: ChartPart, cell: string, row: number, column: number): Outcome<Cell, string> {
  if (cell === '') return failure('Enter an interval such as 86-90, or an open end such as >=130.');
  const read = parseCell(cell, part.columns[column]!.unit);
  if (read.ok) return success(read.value);
  const place = { line: row + 1, column: column + 2 };
  const { problem } = read;
  const finding =
    problem.code === 'unreadable'
      ? ({ code: 'cell-unreadable', place, text: cell, problem: problem.problem } as const)
      : problem.code === 'upside-down'
        ? ({ code: 'interval-upside-down', place, text: cell, mend: problem.mend } as const)
        : ({ code: 'interval-empty', place, text: cell } as const);
  return failure(sayFinding(finding).replace(/^[^:]*: /, ''));
}

/** Puts a block of cells, as a spreadsheet copies it, in from one cell on; rows are added where it reaches further. */
export function pasteInto(text: PartText, row: number, column: number, block: string): PartText {
  const lines = block
    .replace(/\r/g, '')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t'));
  const width = text[0]?.cells.length ?? 1;
  const rows = [...text];
  lines.forEach((pasted, down) => {
    const at = row + down;
    const before = rows[at] ?? newRow(Array.from({ length: width }, () => ''));
    const cells = [...before.cells];
    pasted.forEach((cell, along) => {
      if (column + along < width) cells[column + along] = cell.trim();
    });
    rows[at] = { ...before, cells };
  });
  return rows;
}
