import bwip from 'bwip-js/node';
import type { Content } from 'pdfmake/interfaces';
import { LINE, SOFT } from './sheet-parts';
import { printPdf, words } from './print-pdf';

/** A label to be cut out: what is read from afar, what stands below it, and a code to be scanned. */
export interface Label {
  readonly large: string;
  readonly bold: string;
  readonly lines: readonly string[];
  readonly fine: string;
  /** Read by any scanner; letters of ASCII only. What may hold others goes as a square code. */
  readonly code: {
    readonly as: 'bars' | 'square';
    readonly text: string;
    /** Nobody types it: it does not stand below in letters. */
    readonly unread?: boolean;
  };
}

/** Labels two to a row. */
export function printLabelGrid(labels: readonly Label[], title: string, none: string): Promise<Buffer> {
  const cells = labels.map(cellOf);
  const rows = Array.from({ length: Math.ceil(cells.length / 2) }, (_, row) => [
    cells[row * 2]!,
    cells[row * 2 + 1] ?? { text: '' },
  ]);
  return printPdf(
    rows.length === 0
      ? [words(none)]
      : [
          {
            table: { widths: ['50%', '50%'], body: rows, dontBreakRows: true },
            layout: { hLineColor: () => LINE, vLineColor: () => LINE },
          },
        ],
    title,
  );
}

function cellOf({ large, bold, lines, fine, code }: Label): Content {
  const bars = code.as === 'bars';
  return {
    margin: [8, 8, 8, 8],
    stack: [
      words(large, { bold: true, fontSize: 26 }),
      words(bold, { bold: true }),
      ...lines.map((line) => words(line)),
      { ...words(fine, { fontSize: 8.5 }), color: SOFT },
      {
        svg: bars
          ? bwip.toSVG({ bcid: 'code128', text: code.text, height: 9, includetext: false })
          : bwip.toSVG({ bcid: 'qrcode', text: code.text }),
        width: bars ? 150 : 64,
        margin: [0, 6, 0, 0],
      },
      ...(code.unread === true ? [] : [words(code.text, { fontSize: 8.5 })]),
    ],
  };
}
