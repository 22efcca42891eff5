import { Parser } from 'htmlparser2';
import { failure, success, type Outcome } from '../../../outcome';
import { gridOf } from '../layout/grid';
import { LIMITS, type BroughtProblem, type BroughtTable, type BroughtTables } from './brought';

/** A table while its page is read. */
interface OpenTable {
  name: string;
  readonly rows: string[][];
  /** Cells that reach down into rows to come: by column, how many rows and what they hold. */
  reaching: Map<number, { rows: number; text: string }>;
  cell: { text: string; down: number; along: number; notes: string } | null;
  row: string[] | null;
  caption: boolean;
}

/** What holds nothing that is shown. */
const UNSEEN = new Set(['script', 'style', 'template', 'noscript', 'head', 'title', 'select', 'button']);
/** Letters that are read before it is looked whether to go on. */
const PIECE = 4_096;
const CLOSING_LINES = new Set(['p', 'div', 'li', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6']);

/**
 * The tables of a page or of a block copied from one, every spanned cell in each of the places it covers.
 * Nothing of the page is fetched, run or shown. What is hidden is left out and counted; raised figures over
 * lowered ones are fractions, other raised marks point at notes and are set in brackets.
 */
export function htmlTables(html: string): Outcome<BroughtTables, BroughtProblem> {
  const tables: BroughtTable[] = [];
  const open: OpenTable[] = [];
  let problem: BroughtProblem | null = null;
  let [filled, spans, hidden, unseen, hiding] = [0, 0, 0, 0, 0];
  let raised: 'sup' | 'sub' | null = null;
  let before = '';
  /** Open elements, each with whether it is hidden, so that leaving it is known. */
  const path: { readonly name: string; readonly hides: boolean; readonly skips: boolean }[] = [];
  const stop = (found: BroughtProblem) => {
    problem ??= found;
  };
  const write = (text: string) => {
    const table = open.at(-1);
    if (table === undefined) before = `${before}${text}`.slice(-300);
    else if (table.caption) table.name = `${table.name}${text}`.slice(0, 200);
    else if (table.cell !== null) {
      if (raised === 'sup' && !/^\s*[\d½¼¾]+\s*$/.test(text)) table.cell.notes += text;
      else table.cell.text += raised === 'sup' ? `\ue000${text.trim()}\ue001` : text;
      if (table.cell.text.length > LIMITS.cell * 4)
        stop({
          code: 'cell-too-long',
          where: table.name,
          line: table.rows.length + 1,
          column: (table.row?.length ?? 0) + 1,
        });
    }
  };
  const place = (table: OpenTable, text: string, along: number, down: number) => {
    const row = table.row!;
    takeReaching(table, row);
    for (let at = 0; at < along; at++) {
      if (down > 1) table.reaching.set(row.length, { rows: down - 1, text });
      row.push(text);
    }
    filled += text === '' ? 0 : along * down;
    if (row.length > LIMITS.columns)
      stop({ code: 'too-far-out', where: table.name, rows: table.rows.length, columns: row.length });
    if (filled > LIMITS.cells || spans > LIMITS.spans) stop({ code: 'too-many-cells', where: table.name });
  };
  const endCell = () => {
    const table = open.at(-1);
    if (table === undefined || table.cell === null) return;
    const { text, along, down, notes } = table.cell;
    table.cell = null;
    table.row ??= [];
    const plain = plainText(text, notes);
    if (plain.length > LIMITS.cell)
      stop({
        code: 'cell-too-long',
        where: table.name,
        line: table.rows.length + 1,
        column: table.row.length + 1,
      });
    else place(table, plain, along, down);
  };
  const endRow = () => {
    endCell();
    const table = open.at(-1);
    if (table === undefined || table.row === null) return;
    takeReaching(table, table.row);
    table.rows.push(table.row);
    table.row = null;
    if (table.rows.length > LIMITS.rows)
      stop({ code: 'too-far-out', where: table.name, rows: table.rows.length, columns: 1 });
  };
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (problem !== null) return;
        const hides = isHidden(attributes);
        const skips = UNSEEN.has(name);
        path.push({ name, hides, skips });
        if (path.length > LIMITS.depth) return stop({ code: 'nested-too-deep' });
        if (hides) hiding += 1;
        if (skips) unseen += 1;
        if (hides && (name === 'tr' || name === 'td' || name === 'th' || name === 'table')) hidden += 1;
        if (hiding > 0 || unseen > 0) return;
        const table = open.at(-1);
        if (name === 'table') {
          open.push({ name: '', rows: [], reaching: new Map(), cell: null, row: null, caption: false });
        } else if (name === 'caption' && table !== undefined) table.caption = true;
        else if (name === 'tr' && table !== undefined) {
          endRow();
          table.row = [];
        } else if ((name === 'td' || name === 'th') && table !== undefined) {
          endCell();
          table.row ??= [];
          const along = spanOf(attributes['colspan']);
          const down = spanOf(attributes['rowspan']);
          if (along * down > 1) spans += 1;
          if (along > LIMITS.columns || down > LIMITS.rows || along * down > LIMITS.cells)
            return stop({ code: 'too-far-out', where: table.name, rows: down, columns: along });
          table.cell = { text: '', along, down, notes: '' };
        } else if (name === 'br' || CLOSING_LINES.has(name)) write('\n');
        else if (name === 'sup' || name === 'sub') raised = name;
      },
      ontext(text) {
        if (problem === null && hiding === 0 && unseen === 0) write(text);
      },
      onclosetag(name) {
        if (problem !== null) return;
        const left = path.pop();
        const inside = hiding === 0 && unseen === 0;
        if (left?.hides === true) hiding -= 1;
        if (left?.skips === true) unseen -= 1;
        if (!inside) return;
        const table = open.at(-1);
        if (name === 'sup' || name === 'sub') raised = null;
        else if (name === 'caption' && table !== undefined) table.caption = false;
        else if (name === 'td' || name === 'th') endCell();
        else if (name === 'tr') endRow();
        else if (name === 'table' && table !== undefined) {
          endRow();
          open.pop();
          const above = plainText(before, '').split('\n').filter(Boolean).at(-1) ?? '';
          before = '';
          const rows = table.rows.map((cells, at) => ({ line: at + 1, cells }));
          if (rows.some(({ cells }) => cells.some(Boolean)))
            tables.push({ name: (plainText(table.name, '') || above).slice(0, 120), grid: gridOf(rows) });
        } else if (CLOSING_LINES.has(name)) write('\n');
      },
    },
    { decodeEntities: true, lowerCaseTags: true },
  );
  // Piece by piece, so that what is too large is found before all of it has been read.
  for (let at = 0; at < html.length && problem === null; at += PIECE)
    parser.write(html.slice(at, at + PIECE));
  if (problem === null) parser.end();
  if (problem !== null) return failure(problem);
  if (tables.length === 0) return failure({ code: 'no-table' });
  return success({
    tables,
    remarks:
      hidden === 0
        ? []
        : [`Left out: ${hidden} ${hidden === 1 ? 'row or cell' : 'rows or cells'} that the page hides.`],
  });
}

/** Takes into a row what reaches down into it from above, as far as it is written. */
function takeReaching(table: OpenTable, row: string[]): void {
  for (
    let found = table.reaching.get(row.length);
    found !== undefined;
    found = table.reaching.get(row.length)
  ) {
    if (found.rows <= 1) table.reaching.delete(row.length);
    else found.rows -= 1;
    row.push(found.text);
    if (row.length > LIMITS.columns * 2) return;
  }
}

function spanOf(text: string | undefined): number {
  const span = Number.parseInt(text ?? '1', 10);
  return Number.isFinite(span) && span > 0 ? span : 1;
}

function isHidden({ hidden, style, class: names = '' }: Readonly<Record<string, string>>): boolean {
  return (
    hidden !== undefined ||
    /display\s*:\s*none|visibility\s*:\s*(?:hidden|collapse)/i.test(style ?? '') ||
    /(?:^|\s)(?:visually-hidden|sr-only|screen-reader-text|hidden)(?:\s|$)/.test(names)
  );
}

/**
 * The text of a cell: raised figures before a stroke are a fraction's, behind a number alone they point at a
 * note; every other space is one space.
 */
function plainText(text: string, notes: string): string {
  const plain = text
    .replace(/\s*\ue000(\d+)\ue001\s*[/⁄∕]\s*(\d+)/g, ' $1/$2')
    .replace(/\s*\ue000([½¼¾])\ue001/g, ' $1')
    .replace(/\s*\ue000(\d+)\ue001/g, ' [$1]')
    .replace(/[ \t\u00a0\u2007\u202f\r]+/g, ' ')
    .replace(/ ?\n[\n ]*/g, '\n')
    .trim();
  return notes.trim() === '' ? plain : `${plain} [${notes.trim()}]`;
}
