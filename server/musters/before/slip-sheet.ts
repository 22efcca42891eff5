import { sayDay } from '@neat-measure/core';
import bwip from 'bwip-js/node';
import type { Content } from 'pdfmake/interfaces';
import { printedSlip } from '@neat-measure/core/muster';
import { printPdf, words } from '../../print/print-pdf';
import { LINE, SOFT } from '../../print/sheet-parts';
import type { Slip } from './slips';

/** What is printed for those who measure themselves: four to a page, to be cut. */
export interface SlipsToPrint {
  readonly sheet: 'slips';
  readonly muster: string;
  readonly lastDay: string;
  /** Where the page is, without the code: `https://house.example/self`. */
  readonly address: string;
  readonly slips: readonly Slip[];
}

/** A quarter of what a page of A4 has between its margins, in points. */
const HEIGHT = 352;
/** A slip has room for so many lines of what to have at hand; the page of the link says all of it. */
const MOST_LINES = 10;

/** Slips two by two on a page, all equally high, so that a stack of pages is cut at once. */
export function printSlips({ slips, ...of }: SlipsToPrint): Promise<Buffer> {
  const cells = slips.map((slip) => cellOf(slip, of));
  const rows = Array.from({ length: Math.ceil(cells.length / 2) }, (_, row) => [
    cells[row * 2]!,
    cells[row * 2 + 1] ?? { text: '' },
  ]);
  return printPdf(
    [
      {
        table: { widths: ['50%', '50%'], heights: HEIGHT, body: rows, dontBreakRows: true },
        layout: { hLineColor: () => LINE, vLineColor: () => LINE },
      },
    ],
    `Slips · ${of.muster}`,
  );
}

function cellOf(
  { name, number, code, prepare }: Slip,
  { muster, lastDay, address }: Omit<SlipsToPrint, 'slips' | 'sheet'>,
): Content {
  const soft = (text: string) => ({ ...words(text, { fontSize: 8.5 }), color: SOFT });
  const all = ['A soft tape, or a string and a ruler', ...prepare];
  const shown = all.slice(0, MOST_LINES);
  return {
    margin: [8, 8, 8, 8],
    stack: [
      words(name, { bold: true, fontSize: 14 }),
      soft([number, muster].filter((one) => one !== null).join(' · ')),
      { ...words(`Measure yourself until ${sayDay(lastDay)}.`), margin: [0, 8, 0, 2] },
      {
        columns: [
          { width: 92, svg: bwip.toSVG({ bcid: 'qrcode', text: `${address}/${code}` }), fit: [84, 84] },
          {
            width: '*',
            stack: [
              soft('Scan, or open'),
              words(address, { fontSize: 9 }),
              { ...soft('and enter'), margin: [0, 6, 0, 0] },
              words(printedSlip(code), { bold: true, fontSize: 17 }),
            ],
          },
        ],
        margin: [0, 4, 0, 0],
      },
      { ...words('Have at hand', { bold: true, fontSize: 9 }), margin: [0, 8, 0, 0] },
      { ul: shown.map((line) => words(line, { fontSize: 9 })) },
      ...(shown.length < all.length ? [soft('More is on the page.')] : []),
      { ...soft('Keep this slip: it is scanned at the stations.'), margin: [0, 6, 0, 0] },
    ],
  };
}
