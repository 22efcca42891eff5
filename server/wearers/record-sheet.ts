import type { WearerRecord } from '@neat-measure/contract';
import {
  bareUnit,
  buildOf,
  CLOTHING_WORDS,
  drawSvg,
  formatLength,
  measurement,
  ORIGIN_WORDS,
  TENSION_WORDS,
  WAIST_WORDS,
  nameAt,
} from '@neat-measure/core';
import type { Content, TableCell } from 'pdfmake/interfaces';
import { LINE, SOFT } from '../print/sheet-parts';
import { printPdf, words } from '../print/print-pdf';

type Point = WearerRecord['points'][number];

/** Somebody's record, to be printed. */
export interface RecordToPrint {
  readonly sheet: 'record';
  readonly record: WearerRecord;
}

/** A person's record on paper: the figure as they are built, and of every measurement each value with how it was taken. */
export function printRecord({ person, points, due }: WearerRecord): Promise<Buffer> {
  const title = `Record of ${person.name}`;
  const latest = new Map(points.map((point) => [point.code, point]));
  const build = buildOf(new Map([...latest].map(([code, { value }]) => [code, value])));
  const cord = latest.has('waist-girth');
  const figures = (['front', 'side', 'back'] as const).map(
    (view): Content => ({
      svg: drawSvg({ code: null, view, build, cord }),
      width: 96,
    }),
  );
  return printPdf(
    [
      words(title, { bold: true, fontSize: 20 }),
      {
        ...words(
          `${person.role === '' ? '' : `${person.role}. `}${latest.size} measurements, ${points.length} values.`,
        ),
        margin: [0, 4, 0, 8],
      },
      { columns: figures, columnGap: 20 },
      ...(points.length === 0
        ? [words('Nothing has been measured yet.')]
        : [
            {
              margin: [0, 12, 0, 0] as [number, number, number, number],
              layout: { hLineColor: () => LINE, vLineWidth: () => 0 },
              table: {
                headerRows: 1,
                widths: ['*', 62, 62, 54, '*'],
                body: [
                  ['Measurement', 'Value', 'Taken', 'Docket', 'How, and by whom'].map(
                    (text): TableCell => ({ text, fontSize: 8.5, color: SOFT }),
                  ),
                  ...points.map((point, at) =>
                    rowOf(
                      point,
                      points[at - 1]?.code !== point.code || points[at - 1]!.waist !== point.waist,
                      due.includes(point.code),
                    ),
                  ),
                ],
              },
            },
          ]),
    ],
    title,
  );
}

function rowOf(point: Point, first: boolean, due: boolean): TableCell[] {
  const { instruments } = measurement(point.code);
  const how = [
    ORIGIN_WORDS[point.origin],
    ...(instruments.includes('tape') ? [TENSION_WORDS[point.tension], CLOTHING_WORDS[point.clothing]] : []),
    ...(point.waist === null ? [] : [`waist ${WAIST_WORDS[point.waist]}`]),
    point.by.name,
  ];
  return [
    words(first ? `${nameAt(point.code, point.waist)}${due ? ' (due)' : ''}` : '', { bold: true }),
    words(formatLength(point.value, bareUnit(point.code, 'cm'))),
    words(point.takenAt.slice(0, 10)),
    words(String(point.docket)),
    { ...words(how.join(', '), { fontSize: 8.5 }), color: SOFT },
  ];
}
