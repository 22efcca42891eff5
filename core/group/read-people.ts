import type { MeasurementCode } from '../body/catalogue/codes';
import { readReading, type ReadingProblem } from '../capture/read-reading';
import { parseCsv, type TableRow } from '../chart/formats/csv';
import type { FileFinding, Place } from '../chart/finding';
import { parseHeading, type HeadingProblem } from '../chart/formats/heading';
import { failure, success, type Outcome } from '../outcome';
import type { Length } from '../quantity/length';
import type { MeasureUnit } from '../quantity/mass';
import { CUT_OUT_FROM, SeenIds } from './seen-ids';

/** What keeps a whole list of people from being read. */
export type PeopleFinding =
  | FileFinding
  | { readonly code: 'no-id-column'; readonly found: string }
  | { readonly code: 'heading-unreadable'; readonly place: Place; readonly problem: HeadingProblem }
  | { readonly code: 'measurement-twice'; readonly place: Place; readonly name: MeasurementCode };

/** What keeps one row from being read. */
export type PersonProblem =
  | { readonly code: 'id-missing'; readonly line: number }
  | { readonly code: 'id-twice'; readonly line: number; readonly id: string; readonly firstLine: number }
  | { readonly code: 'too-many-cells'; readonly line: number; readonly id: string }
  | {
      readonly code: 'value-unreadable';
      readonly line: number;
      readonly id: string;
      readonly heading: string;
      readonly unit: MeasureUnit;
      readonly problem: ReadingProblem;
    };

/** One person's row. */
export interface Person {
  readonly line: number;
  readonly id: string;
  readonly values: ReadonlyMap<MeasurementCode, Length>;
}

/** The list: each row a person or what is wrong with it, in the order of the file. */
export type PeopleRow = Outcome<Person, readonly PersonProblem[]>;

/** One measured column of a list. */
export interface PeopleHeading {
  readonly index: number;
  readonly text: string;
  readonly code: MeasurementCode;
  readonly unit: MeasureUnit;
}

/**
 * Reads a list of people: first column `id`, then `code (unit)` columns. An empty cell is a
 * measurement not taken. A row that cannot be read does not stop the others.
 *
 * @example readPeople('id,chest-girth (cm)\nil,98').value[0].value.values.get('chest-girth') // cm(98)
 */
export function readPeople(text: string): Outcome<PeopleRow[], readonly PeopleFinding[]> {
  const rows = parseCsv(text);
  if (!rows.ok) return failure([rows.problem]);
  const [head, ...lines] = rows.value;
  if (head === undefined) return failure([{ code: 'file-empty' }]);
  const headings = readPeopleHeadings(head);
  if (!headings.ok) return headings;
  const firstLines = new SeenIds();
  return success(lines.map((row) => readPersonRow(row, head.cells.length, headings.value, firstLines)));
}

/**
 * Reads the heading of a list.
 *
 * @example readPeopleHeadings({ line: 1, cells: ['id', 'chest-girth (cm)'] }).value.length // 1
 */
export function readPeopleHeadings(head: TableRow): Outcome<PeopleHeading[], readonly PeopleFinding[]> {
  const findings: PeopleFinding[] = [];
  const [first = '', ...names] = head.cells;
  if (first.toLowerCase() !== 'id') findings.push({ code: 'no-id-column', found: first });
  const headings: PeopleHeading[] = [];
  names.forEach((text, at) => {
    const place: Place = { line: head.line, column: at + 2, heading: text };
    const heading = parseHeading(text);
    if (!heading.ok) findings.push({ code: 'heading-unreadable', place, problem: heading.problem });
    else if (headings.some(({ code }) => code === heading.value.code))
      findings.push({ code: 'measurement-twice', place, name: heading.value.code });
    else headings.push({ index: at + 1, text, ...heading.value });
  });
  return findings.length > 0 ? failure(findings) : success(headings);
}

/**
 * Reads one row of a list.
 *
 * @param width how many cells the heading has
 * @param firstLines where each id stood first; grows a little with every row
 * @example readPersonRow({ line: 2, cells: ['il', '98'] }, 2, readPeopleHeadings({ line: 1, cells: ['id', 'chest-girth (cm)'] }).value, new Map()).value.id // 'il'
 */
export function readPersonRow(
  { line, cells }: TableRow,
  width: number,
  headings: readonly PeopleHeading[],
  firstLines: Pick<SeenIds, 'get' | 'set'>,
): PeopleRow {
  const problems: PersonProblem[] = [];
  const id = cells[0] ?? '';
  const firstLine = firstLines.get(id);
  if (id === '') problems.push({ code: 'id-missing', line });
  else if (firstLine !== undefined) problems.push({ code: 'id-twice', line, id, firstLine });
  else firstLines.set(id, line);
  if (cells.slice(width).some((cell) => cell !== '')) problems.push({ code: 'too-many-cells', line, id });
  const values = new Map<MeasurementCode, Length>();
  for (const heading of headings) {
    const text = cells[heading.index] ?? '';
    if (text === '') continue;
    const reading = readCell(heading, text);
    if (reading.ok) values.set(heading.code, reading.value.length);
    else
      problems.push({
        code: 'value-unreadable',
        line,
        id,
        heading: heading.text,
        unit: heading.unit,
        problem: reading.problem,
      });
  }
  return problems.length > 0 ? failure(problems) : success({ line, id, values });
}

/** So many different cells of a column are remembered; then it begins anew. */
const REMEMBERED = 1 << 14;
const READ = new WeakMap<PeopleHeading, Map<string, ReturnType<typeof readReading>>>();

/** Bodies are read to an eighth or a millimetre, so the same cells come again and again: what was read is remembered. */
function readCell(heading: PeopleHeading, text: string): ReturnType<typeof readReading> {
  // What no number is, and would keep the whole text in memory that it is cut out of.
  if (text.length >= CUT_OUT_FROM) return readReading(text, heading.code, heading.unit);
  const known = READ.get(heading) ?? new Map<string, ReturnType<typeof readReading>>();
  READ.set(heading, known);
  const before = known.get(text);
  if (before !== undefined) return before;
  const reading = readReading(text, heading.code, heading.unit);
  if (known.size >= REMEMBERED) known.clear();
  known.set(text, reading);
  return reading;
}
