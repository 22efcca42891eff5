import { Parser } from 'htmlparser2';
import { failure, success, type Outcome } from '../../../../outcome';
import { gridOf } from '../../layout/grid';
import { LIMITS, type ImportProblem, type ImportedTable, type ImportedTables } from '../imported';
import { OpenTable, type PageBudget } from './open-table';
import { plainText } from './plain-text';
import { WhatShows } from './what-shows';
import { sayImportRemark } from '../say-import-remark';

/** Letters that are read before it is looked whether to go on. */
const PIECE = 4_096;
const CLOSING_LINES = new Set(['p', 'div', 'li', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6']);
/** So much of what stands before a table may be what it is called. */
const MOST_BEFORE = 300;

/**
 * The tables of a page or of a block copied from one, every spanned cell in each of the places it covers.
 * Nothing of the page is fetched, run or shown. What is hidden is left out and counted; raised figures over
 * lowered ones are fractions, other raised marks point at notes and are set in brackets.
 */
export function htmlTables(html: string): Outcome<ImportedTables, ImportProblem> {
  const page = new Page();
  const parser = new Parser(page, { decodeEntities: true, lowerCaseTags: true });
  // Piece by piece, so that what is too large is found before all of it has been read.
  for (let at = 0; at < html.length && page.problem === null; at += PIECE)
    parser.write(html.slice(at, at + PIECE));
  if (page.problem === null) parser.end();
  if (page.problem !== null) return failure(page.problem);
  const { tables, remarks } = page;
  return tables.length === 0 ? failure({ code: 'no-table' }) : success({ tables, remarks });
}

/** A page while it is read, as the parser tells of it. */
class Page {
  readonly tables: ImportedTable[] = [];
  problem: ImportProblem | null = null;
  private readonly shows = new WhatShows();
  private readonly budget: PageBudget = {
    filled: 0,
    spans: 0,
    stop: (problem) => (this.problem ??= problem),
  };
  /** Tables within each other, the innermost last. */
  private readonly open: OpenTable[] = [];
  private raised = false;
  /** What stood last before a table. */
  private before = '';

  get remarks(): string[] {
    const { hidden } = this.shows;
    if (hidden === 0) return [];
    return [sayImportRemark({ code: 'hidden-by-page', count: hidden })];
  }

  onopentag(name: string, attributes: Readonly<Record<string, string>>): void {
    if (this.problem !== null) return;
    this.shows.enter(name, attributes);
    if (this.shows.depth > LIMITS.depth) return this.budget.stop({ code: 'nested-too-deep' });
    if (!this.shows.now) return;
    const table = this.open.at(-1);
    if (name === 'table') this.open.push(new OpenTable(this.budget));
    else if (name === 'caption' && table !== undefined) table.inCaption = true;
    else if (name === 'tr') table?.beginRow();
    else if (name === 'td' || name === 'th')
      table?.beginCell(spanOf(attributes['colspan']), spanOf(attributes['rowspan']));
    else if (name === 'br' || CLOSING_LINES.has(name)) this.write('\n');
    else if (name === 'sup' || name === 'sub') this.raised = name === 'sup';
  }

  ontext(text: string): void {
    if (this.problem === null && this.shows.now) this.write(text);
  }

  onclosetag(name: string): void {
    if (this.problem !== null || !this.shows.leave()) return;
    const table = this.open.at(-1);
    if (name === 'sup' || name === 'sub') this.raised = false;
    else if (name === 'caption' && table !== undefined) table.inCaption = false;
    else if (name === 'td' || name === 'th') table?.endCell();
    else if (name === 'tr') table?.endRow();
    else if (name === 'table' && table !== undefined) this.close(table);
    else if (CLOSING_LINES.has(name)) this.write('\n');
  }

  private write(text: string): void {
    const table = this.open.at(-1);
    if (table === undefined) this.before = `${this.before}${text}`.slice(-MOST_BEFORE);
    else table.write(text, this.raised);
  }

  private close(table: OpenTable): void {
    table.endRow();
    this.open.pop();
    const above = plainText(this.before, '').split('\n').filter(Boolean).at(-1) ?? '';
    this.before = '';
    if (!table.rows.some((cells) => cells.some(Boolean))) return;
    const rows = table.rows.map((cells, at) => ({ line: at + 1, cells }));
    this.tables.push({ name: (plainText(table.name, '') || above).slice(0, 120), grid: gridOf(rows) });
  }
}

function spanOf(text: string | undefined): number {
  const span = Number.parseInt(text ?? '1', 10);
  return Number.isFinite(span) && span > 0 ? span : 1;
}
