import {
  failure,
  LONGEST_SIZE,
  parseCell,
  sayFinding,
  success,
  writeCell,
  type Cell,
  type ChartPart,
  type Outcome,
} from '@neat-measure/core';

/**
 * A part as the table editor shows it: texts, a row a size, the label first. What cannot be
 * read yet stays a text and is never lost; the part is made of it once all of it can be.
 */
export type PartText = readonly (readonly string[])[];

/** A part's table as texts. A cell no text can write stands as its lower end and is left as it is. */
export function textOf(part: ChartPart): PartText {
  return part.sizes.map((size, at) => [
    size,
    ...part.columns.map(({ cells, unit }) => writeCell(cells[at]!, unit) ?? ''),
  ]);
}

/** What is wrong with one cell of the texts; `null` for a sound one. */
export function faultOf(part: ChartPart, text: PartText, row: number, column: number): string | null {
  const cell = text[row]?.[column]?.trim() ?? '';
  if (column === 0) {
    if (cell === '') return 'Write the label of the size.';
    if (cell.length > LONGEST_SIZE) return `At most ${LONGEST_SIZE} letters.`;
    return text.some((other, at) => at !== row && other[0]?.trim() === cell)
      ? 'This size stands twice.'
      : null;
  }
  const read = readCell(part, text, row, column);
  return read.ok ? null : read.problem;
}

/** The part that the texts make, or nothing while a cell cannot be read. */
export function partOf(part: ChartPart, text: PartText): ChartPart | null {
  if (text.length === 0) return null;
  const columns = part.columns.map((column, at) => ({
    ...column,
    cells: text.map((_, row) => readCell(part, text, row, at + 1)),
  }));
  if (columns.some(({ cells }) => cells.some((cell) => !cell.ok))) return null;
  if (text.some((_, row) => faultOf(part, text, row, 0) !== null)) return null;
  const sizes = text.map((row) => row[0]!.trim());
  const kept = sizes.map((size) => part.sizes.indexOf(size));
  return {
    ...part,
    sizes,
    // What stood beside the sizes goes with them; of a new size there is nothing.
    values: part.values === null || kept.includes(-1) ? null : kept.map((at) => part.values![at]!),
    otherNames: part.otherNames.map((system) => ({
      ...system,
      labels: kept.map((at) => system.labels[at] ?? '–'),
    })),
    columns: columns.map((column) => ({
      ...column,
      cells: column.cells.map((cell) => (cell as { value: Cell }).value),
    })),
  };
}

function readCell(part: ChartPart, text: PartText, row: number, column: number): Outcome<Cell, string> {
  const { unit, cells } = part.columns[column - 1]!;
  const cell = text[row]?.[column]?.trim() ?? '';
  // A cell that no text can write is kept for as long as it is left alone.
  const before = cells[row];
  if (cell === '' && before !== undefined && writeCell(before, unit) === null) return success(before);
  if (cell === '') return failure('Write an interval such as 86-90, or an open end such as >=130.');
  const read = parseCell(cell, unit);
  if (read.ok) return read;
  const place = { line: row + 1, column: column + 1 };
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
  const width = text[0]?.length ?? 1;
  const rows = text.map((cells) => [...cells]);
  lines.forEach((cells, down) => {
    const at = row + down;
    rows[at] ??= Array.from({ length: width }, () => '');
    cells.forEach((cell, along) => {
      if (column + along < width) rows[at]![column + along] = cell.trim();
    });
  });
  return rows;
}
