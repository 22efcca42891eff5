import { counted, dayOf, sayDay, VERDICT_WORDS } from '@neat-measure/core';
import {
  besideSize,
  groupTable,
  SHOWS_WORDS,
  sizedOne,
  type SizedOne,
  type SizedPeople,
  type TableFilter,
} from '@neat-measure/core/group';
import type { Column, Content, Margins, TableCell } from 'pdfmake/interfaces';
import { words, type Printed } from '../../print/print-pdf';
import { LINE, SOFT } from '../../print/sheet-parts';

/** The table of a sizing as it is printed: those rows of it that are shown, group by group. */
export interface GroupSizesToPrint {
  readonly sheet: 'group-sizes';
  /** The name of the muster or the group. */
  readonly of: string;
  readonly madeAt: string;
  readonly by: string;
  readonly people: SizedPeople;
  readonly filter: TableFilter;
}

const PROTECTS =
  'Protective wear: follow the maker’s instructions and trained local practice, and check each garment on its wearer.';
/** More garments than these have no column each, but stand below each other. */
const MOST_COLUMNS = 6;
/** Under which heading whoever is in no group stands. */
const NO_GROUP = 'In no group';

/** Everybody who is shown with their sizes, every group on a page of its own; who is in two groups stands in both. */
export function groupSizesSheet(sheet: Omit<GroupSizesToPrint, 'sheet'>): Printed {
  const { of, people, filter } = sheet;
  const { garments } = people.sizing;
  const rows = groupTable(people).rows(filter);
  const content = sectionsOf(people, filter, rows).flatMap(({ name, rows: own }, at): Content[] => [
    {
      ...words(name ?? of, { bold: true, fontSize: 15 }),
      ...(at > 0 ? { pageBreak: 'before' as const } : {}),
    },
    { ...words(about(sheet, own.length, rows.length)), color: SOFT, margin: [0, 2, 0, 8] },
    tableOf(people, own),
    ...(garments.some(({ protects }) => protects)
      ? [{ ...words(PROTECTS), margin: [0, 8, 0, 0] as Margins }]
      : []),
  ]);
  return {
    title: `Sizes · ${of}`,
    content: rows.length === 0 ? [words('No wearers match.')] : content,
  };
}

interface Section {
  /** `null` where nobody is in any group: then it is the whole list. */
  readonly name: string | null;
  readonly rows: readonly number[];
}

function sectionsOf(
  { sizing, groups }: SizedPeople,
  { group }: TableFilter,
  rows: readonly number[],
): Section[] {
  const asked = group === null ? groups : groups.filter(({ name }) => name === group);
  const within = asked.map(({ name, wearerIds }) => {
    const ids = new Set(wearerIds);
    return { name, rows: rows.filter((row) => ids.has(sizing.wearerIds[row]!)) };
  });
  const grouped = new Set(within.flatMap((section) => section.rows));
  const left = rows.filter((row) => !grouped.has(row));
  const named = grouped.size === 0 ? null : NO_GROUP;
  return [...within, { name: named, rows: left }].filter((section) => section.rows.length > 0);
}

/** Of when it is, and whether it is everybody. */
function about(
  { of, madeAt, by, people, filter }: Omit<GroupSizesToPrint, 'sheet'>,
  here: number,
  shown: number,
): string {
  const { garment, shows, between, search } = filter;
  const one = garment === null ? undefined : people.sizing.garments[garment];
  const count = people.sizing.wearerIds.filter((id) => id !== '').length;
  const pair = between === null || one === undefined ? [] : between.map((at) => one.labels[at] ?? '');
  const wanted = [
    ...(one === undefined ? [] : [one.garment]),
    ...(shows === 'all' ? [] : [SHOWS_WORDS[shows]]),
    ...(pair.length === 0 ? [] : [`between ${pair.join(' and ')}`]),
    ...(search.trim() === '' ? [] : [`“${search.trim()}”`]),
  ];
  return [
    of,
    `as of ${sayDay(dayOf(new Date(madeAt)))}, by ${by}`,
    counted(here, 'wearer'),
    ...(shown < count
      ? [`${shown} of ${count} shown${wanted.length > 0 ? `: ${wanted.join(', ')}` : ''}`]
      : []),
  ].join(' · ');
}

/** A column for each garment that is got here, or, where those are many, a list for each wearer. */
function tableOf({ sizing, wearers }: SizedPeople, rows: readonly number[]): Content {
  const byId = new Map(wearers.map((one) => [one.id, one]));
  const got = sizing.garments.filter(({ verdicts }) => rows.some((row) => verdicts[row]! >= 0));
  const isWide = got.length > MOST_COLUMNS;
  const body = rows.map((row): TableCell[] => {
    const wearer = byId.get(sizing.wearerIds[row]!);
    const beside = [wearer?.role, wearer?.number].filter((one) => (one ?? '') !== '').join(' · ');
    const name: TableCell = {
      stack: [
        words(wearer?.name ?? '', { bold: true, fontSize: 9.5 }),
        ...(beside === '' ? [] : [soft(beside)]),
      ],
    };
    const sized = got.map((garment) => ({ garment: garment.garment, one: sizedOne(garment, row) }));
    if (!isWide)
      return [name, ...sized.map(({ one }) => (one === null ? { text: '' } : { stack: sizeOf(one) }))];
    const own = sized.flatMap(({ garment, one }) => (one === null ? [] : [{ garment, one }]));
    return [
      name,
      {
        stack: own.map(({ garment, one }) => ({
          columns: [{ width: 190, ...words(garment, { fontSize: 9.5 }) }, ...sizeOf(one).map(asColumn)],
        })),
      },
    ];
  });
  const head = ['Wearer', ...(isWide ? ['Garments'] : got.map(({ garment }) => garment))];
  return {
    layout: { hLineColor: () => LINE, vLineWidth: () => 0 },
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: isWide ? [150, '*'] : ['auto', ...got.map(() => '*')],
      body: [head.map((text) => ({ ...words(text, { bold: true, fontSize: 9.5 }), color: SOFT })), ...body],
    },
  };
}

/** The size, and below or beside it what else is told: a glyph of a few points is not read on paper. */
function sizeOf(one: SizedOne): { text: Content[] }[] {
  const flagged = one.stands === 'open' && one.verdict !== 'settled' ? VERDICT_WORDS[one.verdict] : '';
  const told = [flagged, besideSize(one)].filter((part) => part !== '').join(', ');
  return [
    ...(one.size === null ? [] : [words(one.size, { bold: true, fontSize: 10.5 })]),
    ...(told === '' ? [] : [soft(told)]),
  ];
}

function soft(text: string) {
  return { ...words(text, { fontSize: 8 }), color: SOFT };
}

function asColumn(content: { text: Content[] }): Column {
  return { width: 'auto', margin: [0, 0, 8, 0], ...content };
}
