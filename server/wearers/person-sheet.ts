import type { WearerExport } from '@neat-measure/contract';
import {
  bareUnit,
  formatLength,
  list,
  measurement,
  TOLD_ITEM_WORDS,
  type MeasurementCode,
  type ToldItem,
} from '@neat-measure/core';
import type { Content } from 'pdfmake/interfaces';
import { words, type Printed } from '../print/print-pdf';

const SOFT = '#5C6765';

/** All that is kept of somebody, to be printed. */
export interface PersonToPrint {
  readonly sheet: 'person';
  readonly person: WearerExport;
}

/** Everything that is known of a wearer, on paper, to be handed to them. */
export function personSheet({
  person,
  writtenAt,
  measurements,
  dockets,
  musters,
  groups,
  told,
  sent,
  late,
  looks,
}: WearerExport): Printed {
  const title = `Everything kept about ${person.name}`;
  const head = (text: string): Content => ({
    ...words(text, { bold: true, fontSize: 13 }),
    margin: [0, 14, 0, 4],
  });
  const row = (at: string, text: string): Content => ({
    columns: [
      { ...words(moment(at)), width: 96, color: SOFT },
      { ...words(text), width: '*' },
    ],
    margin: [0, 1.5, 0, 1.5],
  });
  return {
    title,
    content: [
      words(title, { bold: true, fontSize: 20 }),
      words(`${person.role === '' ? '' : `${person.role}. `}Written on ${moment(writtenAt)} (UTC).`),
      head('Measurements'),
      ...measurements.map(({ name, value, takenAt, code }) =>
        row(takenAt, `${name}: ${formatLength(value, bareUnit(code as MeasurementCode, 'cm'))}`),
      ),
      ...dockets.flatMap(({ number, occasion, acts }): Content[] => [
        head(`Docket ${number}, ${occasion}`),
        ...acts.map(({ at, words: text }) => row(at, text)),
      ]),
      ...(groups.length + musters.length + told.length === 0 ? [] : [head('Musters and groups')]),
      ...(groups.length === 0 ? [] : [words(`In the groups ${list(groups)}.`)]),
      ...musters.map(({ at, words: text }) => row(at, text)),
      ...told.map(({ at, muster, readings, sizes }) =>
        row(at, `A list for ${muster} told ${list(toldOf(readings, sizes))}.`),
      ),
      head('Sent by the wearer'),
      ...sent.map(({ sentAt, measured }) => row(sentAt, `${measured.length} measurements`)),
      ...(late.length === 0 ? [] : [head('Sent after a sign-in had ended, and not yet accepted')]),
      ...late.map(({ doneAt, words: text }) => row(doneAt, text)),
      head('Who viewed or changed this record'),
      ...looks.map(({ at, by, kind }) =>
        row(at, `${by?.name ?? 'A former user'}: ${kind.replaceAll('-', ' ')}`),
      ),
    ],
  };
}

/** What a list told, as it was written. */
function toldOf(
  readings: WearerExport['told'][number]['readings'],
  sizes: WearerExport['told'][number]['sizes'],
): string[] {
  return [
    ...readings.map(({ code, typed, unit }) => {
      const name = measurement(code as MeasurementCode).name.toLowerCase();
      return `${name} ${/[a-z]/i.test(typed) ? typed : `${typed} ${unit}`}`;
    }),
    ...sizes.map(({ item, told }) => `${TOLD_ITEM_WORDS[item as ToldItem].toLowerCase()} ${told}`),
  ];
}

function moment(at: string): string {
  return at.slice(0, 16).replace('T', ' ');
}
