import type { Bench } from '@neat-measure/contract';
import { finalSize, replay } from '@neat-measure/core';
import bwip from 'bwip-js/node';
import type { Content } from 'pdfmake/interfaces';
import { LINE, SOFT } from '../print/parts';
import { printPdf, words } from '../print/print-pdf';

/** What is printed of each garment, to be cut out and tied to it. */
export interface LabelsToPrint {
  readonly bench: Bench;
}

/** The code of one garment of a docket, as a label has it and a scanner reads it: `D57-2`. */
export function labelCode(number: number, place: number): string {
  return `D${number}-${place + 1}`;
}

/** Labels for parcels and hangers: the size at its largest, what it is, whose, and a code to be scanned. */
export function printLabels({ bench }: LabelsToPrint): Promise<Buffer> {
  const docket = replay(bench.acts.map(({ act }) => act))!;
  const labels = docket.garments.map(({ chartId }, place): Content => {
    const sheet = bench.charts.find(({ id }) => id === chartId)!.sheet;
    const code = labelCode(bench.number, place);
    return {
      margin: [8, 8, 8, 8],
      stack: [
        words(finalSize(docket, chartId)?.size ?? 'made to measure', { bold: true, fontSize: 26 }),
        words(sheet.garment, { bold: true }),
        words(bench.wearer.name),
        { ...words(`${sheet.maker} · docket ${bench.number}`, { fontSize: 8.5 }), color: SOFT },
        {
          svg: bwip.toSVG({ bcid: 'code128', text: code, height: 9, includetext: false }),
          width: 150,
          margin: [0, 6, 0, 0],
        },
        { text: code, fontSize: 8.5 },
      ],
    };
  });
  const rows = Array.from({ length: Math.ceil(labels.length / 2) }, (_, row) => [
    labels[row * 2]!,
    labels[row * 2 + 1] ?? { text: '' },
  ]);
  return printPdf(
    rows.length === 0
      ? [words('There is no garment on this docket.')]
      : [
          {
            table: { widths: ['50%', '50%'], body: rows, dontBreakRows: true },
            layout: { hLineColor: () => LINE, vLineColor: () => LINE },
          },
        ],
    `Labels · docket ${bench.number}`,
  );
}
