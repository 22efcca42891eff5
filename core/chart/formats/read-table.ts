import { failure, success, type Outcome } from '../../outcome';
import type { WorkingUnit } from '../../quantity/length';
import type { TableRow } from './csv';
import type { Finding, Place, TableFinding } from '../finding';
import { parseColumnHeading, type HeadedColumn } from './heading';
import type { Cell } from '../interval';
import { fallsBehind, isOneValue, isAlone, isSame, isToldApart, singleAmongIntervals } from '../rules/cells';
import { parseCell } from './parse-cell';
import { LONGEST_SIZE, MOST_SIZES, type ChartColumn, type ChartPart } from '../chart-shape';
import { plainPart } from '../size-chart';

interface Heading {
  readonly index: number;
  readonly text: string;
  readonly column: HeadedColumn;
}

/**
 * Reads a one-part size table: first column `size`, then one column a measurement with its
 * unit in brackets, smallest size first.
 *
 * Reads on after a fault, so that every fault is told at once; one fault and nothing is
 * taken.
 *
 * @param rows the heading and the sizes, as `parseCsv` gives them
 * @param sizesMayBeAlike where sizes are never offered together, so that nothing need tell them apart
 * @returns the part, every measurement deciding; or all findings, in the order of the table
 */
export function readTable(
  rows: readonly TableRow[],
  sizesMayBeAlike = false,
): Outcome<ChartPart, readonly Finding[]> {
  const [head, ...lines] = rows;
  if (head === undefined) return failure([{ code: 'file-empty' }]);
  const findings: TableFinding[] = [];
  const headings = readHeadings(head, findings);
  if (lines.length === 0) findings.push({ code: 'no-sizes' });
  if (lines.length > MOST_SIZES)
    return failure([...findings, { code: 'too-many-sizes', count: lines.length, most: MOST_SIZES }]);

  const sizes = readSizes(lines, findings);
  const read = headings.map((heading) => readColumn(heading, lines, findings));
  if (!sizesMayBeAlike) findAlike(read, findings);
  const columns = read.map(({ column }) => column);
  findExtraCells(head, lines, findings);

  if (findings.length > 0) return failure(findings);
  return success(plainPart(sizes, columns));
}

function readHeadings(head: TableRow, findings: TableFinding[]): Heading[] {
  const [first = '', ...names] = head.cells;
  if (first.toLowerCase() !== 'size')
    findings.push({ code: 'no-size-column', place: { line: head.line, column: 1 }, found: first });
  const seen = new Set<string>();
  const headings: Heading[] = [];
  names.forEach((text, at) => {
    const place: Place = { line: head.line, column: at + 2, heading: text };
    const heading = parseColumnHeading(text);
    if (!heading.ok) findings.push({ place, ...heading.problem });
    else if (seen.has(heading.value.code))
      findings.push({ code: 'measurement-twice', place, name: heading.value.code });
    else {
      seen.add(heading.value.code);
      headings.push({ index: at + 1, text, column: heading.value });
    }
  });
  if (names.length === 0) findings.push({ code: 'no-measurement-column' });
  return headings;
}

function readSizes(lines: readonly TableRow[], findings: TableFinding[]): string[] {
  const firstLines = new Map<string, number>();
  return lines.map(({ line, cells }) => {
    const size = cells[0] ?? '';
    const place: Place = { line, column: 1, heading: 'size', size };
    const firstLine = firstLines.get(size);
    if (size === '') findings.push({ code: 'size-missing', place });
    else if (size.length > LONGEST_SIZE) findings.push({ code: 'size-too-long', place, most: LONGEST_SIZE });
    else if (firstLine !== undefined) findings.push({ code: 'size-twice', place, firstLine });
    else firstLines.set(size, line);
    return size;
  });
}

interface ReadColumn {
  readonly column: ChartColumn;
  readonly read: readonly ReadCell[];
}

function readColumn(heading: Heading, lines: readonly TableRow[], findings: TableFinding[]): ReadColumn {
  const read = lines.map((row) => {
    const place: Place = {
      line: row.line,
      column: heading.index + 1,
      heading: heading.text,
      size: row.cells[0],
    };
    const text = row.cells[heading.index] ?? '';
    return { place, text, cell: readCell(text, heading.column.unit, place, findings) };
  });
  const sound = read.filter((one): one is typeof one & { cell: Cell } => one.cell !== null);
  findMixture(sound, findings);
  findNotGrowing(sound, findings);
  const cells = sound.map(({ cell }) => cell);
  return { column: { ...heading.column, cells }, read: sound };
}

function readCell(text: string, unit: WorkingUnit, place: Place, findings: TableFinding[]): Cell | null {
  if (text === '') {
    findings.push({ code: 'cell-missing', place });
    return null;
  }
  const cell = parseCell(text, unit);
  if (cell.ok) return cell.value;
  const { problem } = cell;
  if (problem.code === 'unreadable')
    findings.push({ code: 'cell-unreadable', place, text, problem: problem.problem });
  else if (problem.code === 'upside-down')
    findings.push({ code: 'interval-upside-down', place, text, mend: problem.mend });
  else findings.push({ code: 'interval-empty', place, text });
  return null;
}

interface ReadCell {
  readonly place: Place;
  readonly text: string;
  readonly cell: Cell;
}

/** One way of writing a column: a lone value among intervals could mean either, so it is asked about. */
function findMixture(read: readonly ReadCell[], findings: TableFinding[]): void {
  const cells = read.map(({ cell }) => cell);
  for (const at of singleAmongIntervals(cells)) {
    const { place, text } = read[at]!;
    findings.push({ code: 'nominal-among-intervals', place, text });
  }
  if (isAlone(cells)) findings.push({ code: 'nominal-alone', place: read[0]!.place, text: read[0]!.text });
}

/** A row that falls behind the one above is a slip, or the list is turned round. */
function findNotGrowing(read: readonly ReadCell[], findings: TableFinding[]): void {
  for (let at = 1; at < read.length; at++) {
    const [before, row] = [read[at - 1]!, read[at]!];
    if (fallsBehind(before.cell, row.cell))
      findings.push({ code: 'not-growing', place: row.place, before: before.text, text: row.text });
  }
}

/** Single values that are the same are a slip, unless another column tells the two sizes apart. */
function findAlike(columns: readonly ReadColumn[], findings: TableFinding[]): void {
  for (const { column, read } of columns)
    for (let at = 1; at < read.length; at++) {
      const [before, row] = [read[at - 1]!, read[at]!];
      if (row.cell.kind !== 'nominal' || !isSame(before.cell, row.cell)) continue;
      const whole = columns.filter((one) => one.column.cells.length === column.cells.length);
      const told =
        isToldApart(
          whole.map((one) => one.column.cells),
          at,
        ) && !isOneValue(column.cells);
      if (!told)
        findings.push({ code: 'not-growing', place: row.place, before: before.text, text: row.text });
    }
}

function findExtraCells(head: TableRow, lines: readonly TableRow[], findings: TableFinding[]): void {
  for (const { line, cells } of lines) {
    const extra = cells.findIndex((cell, index) => index >= head.cells.length && cell !== '');
    if (extra >= 0)
      findings.push({
        code: 'cell-extra',
        place: { line, column: extra + 1, size: cells[0] },
        text: cells[extra]!,
      });
  }
}
