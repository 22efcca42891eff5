import type { ImportedTable } from '../sources/imported';
import { classRank, headsSizes, isLetterSize, namesPeople } from '../words/size-words';
import { numbersIn } from '../cells/dual-cell';
import { distinct, filled, holdsMeasure, isHeadingRow, isSingle, isSizeRow } from './cells-of';
import type { Grid, GridRow } from './grid';
import { byColumnOfWords } from './word-column';

/**
 * The tables that stand on one sheet or page, each by itself: side by side where nothing stands between,
 * below each other where another heading begins, and one for each of those it is for, `Men` and `Women`, whether
 * that stands above its sizes or in a column beside them.
 * Sections of one garment, `Short` and `Long`, stay together.
 *
 * @example findTables({ name: 'Page', grid: textGrid('Men\nSize,Chest (cm)\nM,94\nWomen\nSize,Bust (cm)\nM,88').value }).map(({ name }) => name) // ['Page: Men', 'Page: Women']
 */
export function findTables({ name, grid }: ImportedTable): ImportedTable[] {
  const found = sideBySide(grid)
    .flatMap(belowEachOther)
    .flatMap((rows) => byColumnOfWords(rows) ?? byWhomTheyAreFor(rows))
    .map(({ rows, title }) => ({ name: [name, title].filter(Boolean).join(': '), grid: { rows } }));
  return found.length === 1 ? [{ name, grid: found[0]!.grid }] : found;
}

/** Blocks of columns with an empty column between, where each has a heading and sizes of its own. */
function sideBySide(grid: Grid): Grid[] {
  const width = Math.max(0, ...grid.rows.map(({ cells }) => cells.length));
  const blank = Array.from({ length: width }, (_, at) =>
    grid.rows.every(({ cells }) => (cells[at] ?? '') === ''),
  );
  const blocks: [from: number, to: number][] = [];
  for (let at = 0; at < width; at++) {
    if (blank[at]) continue;
    if (at > 0 && !blank[at - 1]) blocks[blocks.length - 1]![1] = at + 1;
    else blocks.push([at, at + 1]);
  }
  const parts = blocks.map(([from, to]) => ({
    rows: grid.rows
      // A block keeps the place of its columns, so that cells are pointed at where they stand.
      .map(({ line, cells }) => ({
        line,
        cells: cells.map((cell, at) => (at >= from && at < to ? cell : '')),
      }))
      .filter(({ cells }) => cells.some((cell) => cell !== '')),
  }));
  const whole = parts.filter(({ rows }) => {
    const own = rows.map(({ cells }) => cells.filter((cell) => cell !== ''));
    return own.some(isHeadingRow) && own.filter(isSizeRow).length >= 2;
  });
  return whole.length > 1 && whole.length === blocks.length ? parts : withSizesAgain(grid);
}

/** Tables beside each other with nothing between: the sizes are headed a second time, and are the same. */
function withSizesAgain(grid: Grid): Grid[] {
  const head = grid.rows.findIndex(
    ({ cells }) => isHeadingRow(trim(cells)) && headsSizes(cells.find(Boolean)!),
  );
  if (head < 0) return [grid];
  const { cells } = grid.rows[head]!;
  const first = cells.findIndex((cell) => cell !== '');
  const second = cells.findIndex((cell, at) => at > first + 1 && cell === cells[first]);
  const rows = grid.rows.slice(head + 1);
  const same = rows.filter(
    (row) => (row.cells[first] ?? '') !== '' && row.cells[first] === row.cells[second],
  );
  if (second < 0 || cells.slice(second + 1).every((cell) => cell === '') || same.length < 2) return [grid];
  return [
    [0, second],
    [second, Infinity],
  ].map(([from, to]) => ({
    rows: grid.rows
      .map(({ line, cells: own }) => ({
        line,
        cells: own.map((cell, at) => (at >= from! && at < to! ? cell : '')),
      }))
      .filter((row) => row.cells.some((cell) => cell !== '')),
  }));
}

/** A table ends where, behind its sizes, another heading stands. */
function belowEachOther({ rows }: Grid): GridRow[][] {
  const tables: GridRow[][] = [];
  let current: GridRow[] = [];
  let sizes = 0;
  let heading: string | null = null;
  for (const row of rows) {
    const trimmed = trim(row.cells);
    const heads = isHeadingRow(trimmed) || isSizesAcross(trimmed);
    if (heads && sizes > 0) {
      const titles = titlesOf(current, row);
      const same = row.cells.join('|') === heading;
      if (same && goesOn(current, titles, rows.slice(rows.indexOf(row) + 1))) {
        current.push(row);
        continue;
      }
      const section = titles.length > 0 && classRank(titles.at(-1)!.cells.find(Boolean)!) !== null;
      if (!same || !section) {
        tables.push(current.slice(0, current.length - titles.length));
        current = titles;
        sizes = 0;
      }
      heading = row.cells.join('|');
    } else if (heads) heading ??= row.cells.join('|');
    if (isSizeRow(trimmed) && !heads) sizes += 1;
    current.push(row);
  }
  tables.push(current);
  return tables.filter((table) => table.length > 0);
}

/** Whether a row has whom it is for, and sizes in letters behind it: the sizes stand across. */
function isSizesAcross([first = '', ...others]: readonly string[]): boolean {
  const some = others.filter((cell) => cell !== '');
  return namesPeople(first) && some.length > 1 && some.every(isLetterSize);
}

/** What stands above the rest of a table on its next page, or nothing. */
const PAGE =
  /^(?:.*\b)?(?:page|seite|p\.|pagina|página|continued|cont\.?|cont'd|fortsetzung|suite|continuación)(?:\b.*)?$/iu;

/** Whether below a heading that is printed again the sizes go on: other labels, and larger than those before. */
function goesOn(before: readonly GridRow[], titles: readonly GridRow[], after: readonly GridRow[]): boolean {
  const paged = titles.filter((title) => before.indexOf(title) > 0);
  if (!paged.every(({ cells }) => PAGE.test(cells.find(Boolean)!))) return false;
  const sizes = (rows: readonly GridRow[]) =>
    rows.map(({ cells }) => trim(cells)).filter((cells) => isSizeRow(cells) && !isHeadingRow(cells));
  const ends = after.findIndex(({ cells }) => isHeadingRow(trim(cells)));
  const [above, below] = [sizes(before), sizes(ends < 0 ? after : after.slice(0, ends))];
  const labels = new Set(above.map(([label]) => label));
  const [last, first] = [above.at(-1), below[0]];
  if (last === undefined || first === undefined || below.some(([label]) => labels.has(label))) return false;
  const at = last.findIndex((cell, index) => index > 0 && holdsMeasure(cell));
  const [here, next] = [numbersIn(last[at] ?? ''), numbersIn(first[at] ?? '')];
  return here.length > 0 && next.length > 0 && next[0]! > here[0]!;
}

/** The lines of one text right above a heading: its title, and not the last note of the table before. */
function titlesOf(rows: readonly GridRow[], heading: GridRow): GridRow[] {
  let from = rows.length;
  let below = heading.line;
  while (from > 0 && isSingle(rows[from - 1]!.cells) && below - rows[from - 1]!.line <= 1) {
    from -= 1;
    below = rows[from]!.line;
  }
  return rows.slice(from);
}

/** One table for each of those it is for, or for each section that begins the sizes anew; each with the heading. */
function byWhomTheyAreFor(
  rows: readonly GridRow[],
): { readonly rows: readonly GridRow[]; readonly title: string }[] {
  const first = rows.findIndex(({ cells }) => isSizeRow(trim(cells)) && !isHeadingRow(trim(cells)));
  const title = rows.slice(0, Math.max(0, first)).find(({ cells }) => isSingle(cells));
  const corner = rows[first - 1]?.cells.find(Boolean) ?? '';
  const named = title === undefined ? '' : distinct(title.cells)[0]!;
  const whole = [{ rows, title: named || (namesPeople(corner) ? corner : '') }];
  if (first < 0) return whole;
  const begins = rows.flatMap(({ cells }, at) => {
    const next = rows[at + 1];
    const between = at >= first - 1 && next !== undefined && isSingle(cells) && isSizeRow(trim(next.cells));
    return between && !isSizeRow(trim(cells)) ? [at] : [];
  });
  const names = begins.map((at) => distinct(rows[at]!.cells)[0]!);
  if (begins.length === 0 || names.every((one) => classRank(one) !== null)) return whole;
  const ends = [...begins.slice(1), rows.length];
  const head = rows.slice(0, Math.min(begins[0]!, first));
  const sections = begins.map((at, index) => ({
    title: names[index]!,
    rows: rows.slice(at + 1, ends[index]),
  }));
  if (begins[0]! > first) sections.unshift({ title: '', rows: rows.slice(first, begins[0]) });
  const labels = sections.map((one) => one.rows.map(({ cells }) => cells.find(Boolean)));
  const anew = labels.some((own, at) =>
    labels.slice(0, at).some((other) => own.some((label) => other.includes(label))),
  );
  if (!anew && !names.some(namesPeople)) return whole;
  return sections.map((one) => ({
    title: one.title || (whole[0]!.title ?? ''),
    rows: [...head, ...one.rows],
  }));
}

/** A row without the empty cells before it, as a block at the side has them. */
function trim(cells: readonly string[]): readonly string[] {
  const from = cells.findIndex((cell) => cell !== '');
  return filled(cells) === 0 ? [] : cells.slice(Math.max(0, from));
}
