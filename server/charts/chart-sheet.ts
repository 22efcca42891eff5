import type { Chart } from '@neat-measure/contract';
import {
  columnName,
  garmentKind,
  measurement,
  RULE_WORDS,
  sayRequirement,
  type InchParts,
} from '@neat-measure/core';
import { tableRows } from '@neat-measure/core/imported';
import type { Content } from 'pdfmake/interfaces';
import { printPdf, words } from '../print/print-pdf';

const LINE = '#D9D4C5';

/** A chart to be printed. */
export interface ChartToPrint {
  readonly sheet: 'chart';
  readonly chart: Chart;
  readonly inchParts: InchParts;
}

/**
 * A chart on paper: what it says beyond its tables, then every part's table as its maker prints it.
 *
 * @param parts into how many parts the house writes an inch
 */
export function printChart({ sheet, version, importedAt }: Chart, parts: InchParts): Promise<Buffer> {
  const title = `${sheet.garment} · ${sheet.maker}`;
  const cautions = [garmentKind(sheet.kind).caution].filter((one) => one !== null);
  const about = `${garmentKind(sheet.kind).words} · ${RULE_WORDS[sheet.rule]} · version ${version} of ${importedAt.slice(0, 10)}`;
  return printPdf(
    [
      words(sheet.garment, { bold: true, fontSize: 20 }),
      { ...words(`${sheet.maker} · ${about}`), margin: [0, 2, 0, 8] },
      ...cautions.map((caution): Content => ({ ...words(`Caution. ${caution}`), margin: [0, 4, 0, 0] })),
      ...sayRequirement(sheet, sheet.unit, parts).map(
        (line): Content => ({ ...words(`${line.about} ${line.words}`), margin: [0, 4, 0, 0] }),
      ),
      ...sheet.parts.map((part): Content => {
        const [, ...rows] = tableRows(sheet, part);
        const head = [
          part.name,
          ...part.columns.map(
            ({ code, unit }) => `${columnName(sheet, code, (one) => measurement(one).name)}, ${unit}`,
          ),
          ...part.otherNames.map(({ system }) => system),
        ];
        const body = rows.map((row, at) => [...row, ...part.otherNames.map(({ labels }) => labels[at]!)]);
        return {
          margin: [0, 14, 0, 0],
          table: {
            headerRows: 1,
            body: [
              head.map((text) => words(text, { bold: true })),
              ...body.map((row) => row.map((text) => words(text))),
            ],
          },
          layout: { hLineColor: () => LINE, vLineColor: () => LINE },
        };
      }),
    ],
    title,
  );
}
