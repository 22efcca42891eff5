import Papa from 'papaparse';
import { measurement } from '../../body/catalogue';
import { type ChartPart, type ChartSheet } from '../chart-shape';
import { columnName } from '../size-chart';
import { isDerivedCode } from '../column-code';
import { writeColumnHeading } from './heading';
import { writeCell } from './write-cell';

/** A part as the rows of a table: the heading, which says of a column what its cells are, then a row a size. */
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

/** A part as CSV. No cell can start a formula in a spreadsheet. */
export function exportCsv(sheet: Pick<ChartSheet, 'derivations'>, part: ChartPart): string {
  return `${Papa.unparse(tableRows(sheet, part), { newline: '\n', escapeFormulae: true })}\n`;
}
