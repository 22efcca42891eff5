/**
 * Any table before it is understood: rows of texts, as they stand in a file, a pasted block, a
 * spreadsheet or a web page. Merged cells stand in each of the places they cover.
 */
export interface Grid {
  readonly rows: readonly GridRow[];
}

/** A row of a table with the line it came from, counted from 1 as a text editor counts. */
export interface GridRow {
  readonly line: number;
  readonly cells: readonly string[];
}

/**
 * Rows as a grid: spaces of every kind made one, empty lines dropped, the numbers of the others kept.
 *
 * @example gridOf([{ line: 1, cells: ['Size', ' Chest  (cm) '] }, { line: 2, cells: ['', ''] }]).rows // [{ line: 1, cells: ['Size', 'Chest (cm)'] }]
 */
export function gridOf(rows: Grid['rows']): Grid {
  return {
    rows: rows
      .map(({ line, cells }) => ({ line, cells: cells.map(plainCell) }))
      .filter(({ cells }) => cells.some((cell) => cell !== '')),
  };
}

/**
 * Rows become columns: for sheets with the sizes across. Lines count what were columns.
 *
 * @example turned(textGrid('Size,M,L\nChest,94,102').value).rows.map(({ cells }) => cells) // [['Size', 'Chest'], ['M', '94'], ['L', '102']]
 */
export function turned({ rows }: Grid): Grid {
  const width = Math.max(0, ...rows.map(({ cells }) => cells.length));
  return {
    rows: Array.from({ length: width }, (_, column) => ({
      line: column + 1,
      cells: rows.map(({ cells }) => cells[column] ?? ''),
    })),
  };
}

function plainCell(text: string): string {
  return text
    .replace(/[\u200b-\u200f\u2060\ufeff\u00ad]/g, '')
    .replace(/[\s\u00a0\u2007\u202f]+/g, ' ')
    .trim();
}
