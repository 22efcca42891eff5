import Papa from 'papaparse';
import { measurement } from '../../body/catalogue';
import { type ChartPart, type ChartSheet } from '../chart-shape';
import { columnName } from '../size-chart';
import { isDerivedCode } from '../column-code';
import { writeCell } from './write-cell';

/** A part as the rows of a table: the heading, then a row a size. Cells no text can write stand as close as one can. */
export function tableRows(sheet: Pick<ChartSheet, 'derivations'>, part: ChartPart): string[][] {
  const head = part.columns.map(({ code, unit }) => {
    const name = isDerivedCode(code) ? columnName(sheet, code, (one) => measurement(one).name) : code;
    return `${name} (${unit})`;
  });
  return [
    ['size', ...head],
    ...part.sizes.map((size, at) => [
      size,
      ...part.columns.map(({ cells, unit }) => writeCell(cells[at]!, unit) ?? ''),
    ]),
  ];
}

/** A part as CSV. No cell can start a formula in a spreadsheet. */
export function exportCsv(sheet: Pick<ChartSheet, 'derivations'>, part: ChartPart): string {
  return `${Papa.unparse(tableRows(sheet, part), { newline: '\n', escapeFormulae: true })}\n`;
}
