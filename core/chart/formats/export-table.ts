import Papa from 'papaparse';
import { measurement } from '../../body/catalogue';
import { type ChartPart, type ChartSheet } from '../chart-shape';
import { columnName } from '../size-chart';
import { isDerivedCode } from '../column-code';
import { writeColumnHeading } from './heading';
import { writeCell } from './write-cell';

/**
 * A part as the rows of a table: the heading, which says of a column what its cells are, then a row a size.
 *
 * @example tableRows(jacket.sheet, jacket.sheet.parts[0])[1] // ['M', '94-102', '82-90']
 */
export function tableRows(sheet: Pick<ChartSheet, 'derivations'>, part: ChartPart): string[][] {
  const head = part.columns.map((column) => {
    const heading = writeColumnHeading(column);
    // A derivation cannot come back from a table; its name tells a reader more than its code.
    return isDerivedCode(column.code)
      ? heading.replace(
          column.code,
          columnName(sheet, column.code, (one) => measurement(one).name),
        )
      : heading;
  });
  return [
    ['size', ...head],
    ...part.sizes.map((size, at) => [
      size,
      ...part.columns.map(({ cells, unit }) => writeCell(cells[at]!, unit)),
    ]),
  ];
}

/**
 * A part as a page to print: one table, its caption the garment and the part.
 *
 * @example exportHtml(jacket.sheet, jacket.sheet.parts[0]).includes('<table') // true
 */
export function exportHtml(
  sheet: Pick<ChartSheet, 'derivations' | 'garment' | 'maker'>,
  part: ChartPart,
): string {
  const [head, ...rows] = tableRows(sheet, part);
  const line = (cells: readonly string[], name: 'td' | 'th') =>
    `<tr>${cells.map((cell) => `<${name}>${escaped(cell)}</${name}>`).join('')}</tr>`;
  const title = escaped(`${sheet.maker}: ${sheet.garment}`);
  return `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>${title}</title>
<style>body{font:12pt sans-serif}table{border-collapse:collapse}th,td{border:1px solid;padding:4px 8px;text-align:left}</style></head>
<body><h1>${title}</h1>
<table><caption>${escaped(part.name)}</caption>
<thead>${line(head!, 'th')}</thead>
<tbody>
${rows.map((row) => line(row, 'td')).join('\n')}
</tbody></table></body></html>
`;
}

function escaped(text: string): string {
  const signs: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
  return text.replace(/[&<>"]/g, (sign) => signs[sign]!);
}

/**
 * A part as CSV. No cell can start a formula in a spreadsheet.
 *
 * @example exportCsv(jacket.sheet, jacket.sheet.parts[0]).split('\n')[0].trim() // 'size,chest-girth (cm),waist-girth (cm)'
 */
export function exportCsv(sheet: Pick<ChartSheet, 'derivations'>, part: ChartPart): string {
  return `${Papa.unparse(tableRows(sheet, part), { newline: '\n', escapeFormulae: true })}\n`;
}
