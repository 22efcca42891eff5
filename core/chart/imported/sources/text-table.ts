import Papa from 'papaparse';
import { failure, success, type Outcome } from '../../../outcome';
import { likelyDelimiter, parseCsv } from '../../formats/csv';
import { gridOf, type Grid } from '../layout/grid';
import { blankParted } from './blank-parted';
import type { ImportProblem } from './imported';

/** Lines that are looked at to tell how a block is laid out. */
const LOOKED_AT = 60;

/**
 * A block of text as a grid: parted by commas, semicolons, tabs or upright strokes, or set in columns by
 * spaces as letters and pages print them. It is judged over all lines, for a title has none of it.
 *
 * @example textGrid('Size;Chest\nM;94-102').value.rows.map(({ cells }) => cells) // [['Size', 'Chest'], ['M', '94-102']]
 */
export function textGrid(text: string): Outcome<Grid, ImportProblem> {
  const lines = text.split(/\r\n|\r|\n/);
  const filled = lines.filter((line) => line.trim() !== '').slice(0, LOOKED_AT);
  const having = (sign: RegExp) => filled.filter((line) => sign.test(line)).length;
  const most = Math.max(2, filled.length * 0.5);
  if (having(/^[^|]+\||^\s*\|.+\|/) >= most) return success(gridOf(strokes(lines)));
  const delimiter = likelyDelimiter(text);
  const parted = having(delimiter === '\t' ? /\t/ : delimiter === ';' ? /;/ : /,/);
  // Blanks that part columns unevenly, or one alone, are told by what stands at the ends of lines.
  const blanks = parted < most ? blankParted(lines) : null;
  if (blanks !== null && !alike(aligned(lines), blanks)) return success(gridOf(blanks));
  // Two spaces part columns where most lines have them and nothing else parts them.
  if (parted < most && having(/\S {2,}\S/) >= most) return success(gridOf(aligned(lines)));
  if (parted < most && having(LISTED) >= most) return success(gridOf(listed(lines)));
  const rows = parseCsv(text);
  if (!rows.ok)
    return failure({
      code: 'open-quotes',
      line: rows.problem.code === 'file-quotes' ? rows.problem.line : 1,
    });
  return success(gridOf(rows.value));
}

/** Whether columns by two blanks come to as many in each line as those by what stands in them. */
function alike(rows: Grid['rows'], blanks: Grid['rows']): boolean {
  const width = blanks.reduce((most, { cells }) => Math.max(most, cells.length), 0);
  const many = (all: Grid['rows']) => all.filter(({ cells }) => cells.length > 1).length;
  return (
    many(rows) >= many(blanks) &&
    rows.every(({ cells }) => cells.length === 1 || cells.filter(Boolean).length === width)
  );
}

/** `S: 86-94 cm`, as people write in a mail. */
const LISTED = /^\s*(?:[-–•*]\s+)?([^:\d][^:]{0,20}|\d{1,3}[A-Z]?):\s+(\S.*\d.*)$/;

function listed(lines: readonly string[]): Grid['rows'] {
  return lines.map((line, at) => {
    const parts = LISTED.exec(line);
    return { line: at + 1, cells: parts === null ? [line] : [parts[1]!, parts[2]!] };
  });
}

/** What such tables set in bold or slanted letters. */
const EMPHASIS = /(\*{1,3})(?=\S)([^*]*\S)\1|^(_{1,3}|`|~~)(?=\S)([^_`~]*\S)\3$/g;

/** `| S | 86-94 |`, with or without the outer strokes; a line of dashes between is drawn, not said. */
function strokes(lines: readonly string[]): Grid['rows'] {
  return lines.flatMap((line, at) => {
    if (line.trim() === '' || /^[\s|:+=-]+$/.test(line)) return [];
    const inner = line.trim().replace(/^\|/, '').replace(/\|$/, '');
    const cells = Papa.parse<string[]>(inner, { delimiter: '|', quoteChar: '\0' }).data[0]!;
    return [{ line: at + 1, cells: cells.map((cell) => cell.trim().replace(EMPHASIS, '$2$4')) }];
  });
}

/**
 * Columns set by spaces: a column begins wherever, in every line that reaches so far, a blank stands
 * before. Where that cannot be said of all of them, two spaces part the cells of each line.
 */
function aligned(lines: readonly string[]): Grid['rows'] {
  const body = new Set(lines.filter((line) => /\S {2,}\S/.test(line)));
  const filled = filledPlaces(body);
  const begins = filled.flatMap((isFilled, at) => (isFilled && filled[at - 1] !== true ? [at] : []));
  const cellsOf = (line: string) => line.trim().split(/ {2,}/);
  const [first = ''] = body;
  const many = cellsOf(first).length;
  const even = [...body].every((line) => cellsOf(line).length === many);
  const joins = begins.map((begin, index) => index > 0 && !isWide(begin, body));
  return lines.flatMap((line, at) => {
    if (line.trim() === '' || /^[\s=_-]+$/.test(line)) return [];
    if (!body.has(line) || even) return [{ line: at + 1, cells: cellsOf(line) }];
    // One space may stand within a cell; a border is where nothing stands in any line, twice.
    const cells = begins.map((begin, index) => line.slice(begin, begins[index + 1] ?? line.length).trim());
    return [{ line: at + 1, cells: joinedWords(cells, joins) }];
  });
}

/** Where something stands in any of the lines, by its place in them. */
function filledPlaces(lines: Iterable<string>): boolean[] {
  const filled: boolean[] = [];
  for (const line of lines)
    for (let at = 0; at < line.length; at++) filled[at] = filled[at] === true || line[at] !== ' ';
  return filled;
}

/** Whether nothing stands in any line where a column begins, nor before that: twice. */
function isWide(begin: number, lines: Iterable<string>): boolean {
  for (const line of lines) if (line.slice(Math.max(0, begin - 2), begin).trim() !== '') return false;
  return true;
}

/** Puts together again what one space parts in every line: `36 to 38` is one cell, whatever stands above. */
function joinedWords(cells: readonly string[], joins: readonly boolean[]): string[] {
  const joined: string[] = [];
  cells.forEach((cell, index) => {
    if (joins[index] === true) joined[joined.length - 1] = `${joined.at(-1)!} ${cell}`.trim();
    else joined.push(cell);
  });
  return joined;
}
