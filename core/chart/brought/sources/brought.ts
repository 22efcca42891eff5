import type { Grid } from '../layout/grid';

/** One table as it was found in a file or a pasted block, before anything of it is understood. */
export interface BroughtTable {
  /** What it is called where it was found: its worksheet, its caption, the line above it; else nothing. */
  readonly name: string;
  readonly grid: Grid;
}

/** What was brought: the tables in it, and what was done or left out on the way, for people to see. */
export interface BroughtTables {
  readonly tables: readonly BroughtTable[];
  /** `Read as Windows-1252.`, `Left out: 2 hidden rows of “Sizes”.` */
  readonly remarks: readonly string[];
}

/**
 * What is looked at before any work is done. A size table is a page; whatever is larger is another kind
 * of file, a mistake, or meant to keep a machine busy.
 */
export const LIMITS = {
  /** Bytes of a file of text, and letters of a pasted block. */
  text: 2_000_000,
  /** Bytes of a workbook, and of all that is packed in it. */
  workbook: 5_000_000,
  unpacked: 25_000_000,
  /** How far down and across a table may reach. */
  rows: 2_000,
  columns: 200,
  /** Cells that hold something, merged and spanned ones counted in each place. */
  cells: 60_000,
  /** Letters of one cell. */
  cell: 400,
  worksheets: 40,
  /** Elements of a page within each other. */
  depth: 300,
  /** Cells that are merged or span others. */
  spans: 5_000,
} as const;

/** Why something that was brought is not even looked at: told at once, with what to do. */
export type BroughtProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'too-many-bytes'; readonly bytes: number; readonly most: number }
  | { readonly code: 'unpacks-too-large'; readonly most: number }
  | { readonly code: 'too-far-out'; readonly where: string; readonly rows: number; readonly columns: number }
  | { readonly code: 'too-many-cells'; readonly where: string }
  | { readonly code: 'cell-too-long'; readonly where: string; readonly line: number; readonly column: number }
  | { readonly code: 'nested-too-deep' }
  | { readonly code: 'no-text' }
  | { readonly code: 'no-workbook' }
  | { readonly code: 'no-table' }
  | { readonly code: 'open-quotes'; readonly line: number };

/**
 * A problem as a sentence: what it is, where, and what to do.
 *
 * @example sayBroughtProblem({ code: 'no-table' }) // 'There is no table in this page. Copy the table itself.'
 */
export function sayBroughtProblem(problem: BroughtProblem): string {
  const where = 'where' in problem && problem.where !== '' ? ` of “${problem.where}”` : '';
  switch (problem.code) {
    case 'empty':
      return 'There is nothing in it. A size table needs a heading line and one line a size.';
    case 'too-many-bytes':
      return `It holds ${megabytes(problem.bytes)} MB; a size table may hold ${megabytes(problem.most)} MB. Check that it is the right file, or copy only the table.`;
    case 'unpacks-too-large':
      return `What is packed in the file is larger than ${megabytes(problem.most)} MB. Copy the table into a workbook of its own and bring that.`;
    case 'too-far-out':
      return `The table${where} reaches ${problem.rows} rows down and ${problem.columns} columns across; at most ${LIMITS.rows} and ${LIMITS.columns} are looked at. Copy only the table.`;
    case 'too-many-cells':
      return `The table${where} fills more than ${LIMITS.cells} cells, or merges too many. Copy only the table.`;
    case 'cell-too-long':
      return `Line ${problem.line}, column ${problem.column}${where} holds more than ${LIMITS.cell} letters. Take out what is no size, and bring it again.`;
    case 'nested-too-deep':
      return `The page nests more than ${LIMITS.depth} elements into each other. Copy only the table, or save the page as text.`;
    case 'no-text':
      return 'This is neither text nor a workbook: it may be a picture or a PDF. Copy the table out of it, or save it as CSV or XLSX.';
    case 'no-workbook':
      return 'The file is no workbook that can be read. Save it as XLSX, ODS or CSV and bring that.';
    case 'no-table':
      return 'There is no table in this page. Copy the table itself.';
    case 'open-quotes':
      return `A quotation mark opened near line ${problem.line} is never closed. Close it, or take it out.`;
  }
}

function megabytes(bytes: number): string {
  return (bytes / 1_000_000).toFixed(1);
}
