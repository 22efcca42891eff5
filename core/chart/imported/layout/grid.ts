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

/** No cell of a table is longer; what is, is a page that was pasted into one, and takes minutes to look through. */
const LONGEST_CELL = 400;

function plainCell(whole: string): string {
  const text = whole.length > LONGEST_CELL ? `${whole.slice(0, LONGEST_CELL)} …` : whole;
  return foldedSigns(text.replace(/[\u200b-\u200f\u2060\ufeff\u00ad]/g, ''))
    .replace(/[\s\u00a0\u2007\u202f]+/g, ' ')
    .trim()
    .replace(BRACKETED_RANGE, '$1');
}

/** A range that stands in brackets by itself, `(86-94)`, is that range. */
const BRACKETED_RANGE = /^[([] ?(\d[\d.,]* ?[-–—~] ?\d[\d.,]*) ?[)\]]$/;

const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const LOWERED = '₀₁₂₃₄₅₆₇₈₉';

/** One sign for each way to print it: wave dashes, strokes of fractions, raised fractions and signs, wide figures. */
function foldedSigns(text: string): string {
  return text
    .replace(/[\uff10-\uff19]/g, (figure) => String.fromCharCode(figure.charCodeAt(0) - 0xff10 + 48))
    .replace(/[\u301c\uff5e\u223c\u223d\u02dc]/g, '~')
    .replace(/[\u2012\u2212\u2010\u2011\u2043\ufe63\uff0d]/g, '-')
    .replace(/[\u207a\uff0b]/g, '+')
    .replace(
      /(\d)?([⁰¹²³⁴⁵⁶⁷⁸⁹]+)\s*[\u2044\u2215/]\s*([₀₁₂₃₄₅₆₇₈₉⁰¹²³⁴⁵⁶⁷⁸⁹]+|\d+)/g,
      (_, whole: string | undefined, top: string, bottom: string) =>
        `${whole === undefined ? '' : `${whole} `}${figures(top)}/${figures(bottom)}`,
    )
    .replace(/[\u2044\u2215]/g, '/');
}

function figures(text: string): string {
  return [...text]
    .map((one) => {
      const at = Math.max(RAISED.indexOf(one), LOWERED.indexOf(one));
      return at < 0 ? one : String(at);
    })
    .join('');
}
