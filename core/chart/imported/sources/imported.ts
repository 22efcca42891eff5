import type { Grid } from '../layout/grid';

/** One table as it was found in a file or a pasted block, before anything of it is understood. */
export interface ImportedTable {
  /** What it is called where it was found: its worksheet, its caption, the line above it; else nothing. */
  readonly name: string;
  readonly grid: Grid;
}

/** What was imported: the tables in it, and what was done or left out on the way, for people to see. */
export interface ImportedTables {
  readonly tables: readonly ImportedTable[];
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

/** Why something that was imported is not even looked at: told at once, with what to do. */
export type ImportProblem =
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
