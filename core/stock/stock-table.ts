import Papa from 'papaparse';
import {
  columnRoles,
  roleByWords,
  type RoledColumn,
  type RoleWords,
} from '../chart/imported/words/column-roles';
import { plainWords } from '../chart/imported/words/vocabulary';
import type { Grid } from '../chart/imported/layout/grid';
import { LONGEST_BIN } from './article';
import { OPEN_COMPARTMENTS, type OpenCompartment } from './movement';
import { failure, success, type Outcome } from '../outcome';
import { COMPARTMENT_WORDS } from './say-compartment';
import { sayStockAsk, sayStockFault, STOCK_ROLES, type StockFault, type StockRole } from './say-stock-table';

export { sayStockAsk, sayStockFault, STOCK_ROLE_WORDS, STOCK_ROLES, type StockRole } from './say-stock-table';

// A door of its own: reading tables takes packages that nobody else of the stores needs.

/** Words of headings; one that could be several is asked about. */
const WORDS: RoleWords<StockRole> = {
  garment: ['garment', 'item', 'article', 'product', 'style', 'description', 'artikel', 'article name'],
  maker: ['maker', 'brand', 'manufacturer', 'supplier', 'hersteller', 'marque'],
  size: ['size', 'label', 'größe', 'groesse', 'grosse', 'taille', 'talla'],
  count: [
    'count',
    'quantity',
    'qty',
    'on hand',
    'in stock',
    'stock',
    'pieces',
    'pcs',
    'anzahl',
    'menge',
    'quantité',
  ],
  minimum: ['minimum', 'min', 'least', 'reorder point', 'minimum stock'],
  serial: ['serial', 'serial number', 'serial no', 'piece', 'number', 'nr', 'no'],
  made: ['made', 'manufactured', 'date of manufacture', 'made on', 'production date'],
  code: ['code', 'ean', 'gtin', 'barcode', 'sku', 'maker code'],
  room: ['room', 'store', 'store room', 'storeroom', 'lager', 'raum', 'dépôt', 'magasin'],
  place: ['lies', 'place in the room', 'compartment'],
  bin: ['shelf', 'bin', 'rack', 'location', 'regal', 'fach', 'rayon'],
};

/** The headings of a table of stock as this application writes it: each is read back as what it is. */
export const STOCK_TABLE_HEAD = [
  'garment',
  'maker',
  'size',
  'code',
  'room',
  'lies',
  'shelf',
  'count',
  'minimum',
  'serial',
  'made',
] as const;

/** A chart as a table of stock may name it. */
export interface KnownGarment {
  readonly seriesId: string;
  readonly garment: string;
  readonly maker: string;
  readonly numbered: boolean;
  /** The label as the chart writes it; `null` for one that it does not make. */
  readonly labelAs: (written: string) => string | null;
}

/** A row that was understood. */
export interface StockRow {
  readonly line: number;
  readonly seriesId: string;
  readonly garment: string;
  readonly label: string;
  readonly count: number;
  readonly minimum: number | null;
  readonly serial: string | null;
  readonly made: string | null;
  readonly code: string | null;
  /** The room it names; `null` where the table names none. */
  readonly roomId: string | null;
  readonly compartment: OpenCompartment;
  /** The shelf it stands on, as the house calls it; `null` where the table names none. */
  readonly bin: string | null;
}

/** What a table of stock may speak of, and what was said of such tables before. */
export interface StockKnown {
  readonly garments: readonly KnownGarment[];
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  /** What headings were said to be the last time, by their plain words. */
  readonly remembered: ReadonlyMap<string, StockRole>;
}

/** A table of stock as far as it is understood. */
export interface StockPlan {
  readonly columns: readonly RoledColumn<StockRole>[];
  /** What is to be said before anything of it is taken. */
  readonly asks: readonly string[];
  readonly rows: readonly StockRow[];
  readonly faults: readonly { readonly line: number; readonly says: string }[];
}

/**
 * A table as CSV. No cell can start a formula in a spreadsheet.
 *
 * @example tableAsCsv([['garment', 'size'], ['Sluice gloves', '9']]) // 'garment,size\nSluice gloves,9\n'
 */
export function tableAsCsv(rows: readonly (readonly string[])[]): string {
  return `${Papa.unparse(rows as string[][], { newline: '\n', escapeFormulae: true })}\n`;
}

/**
 * What a heading is taken for by its words; `null` where that is to be said.
 *
 * @example roleOfHeading('Qty') // 'count'
 */
export function roleOfHeading(heading: string): StockRole | null {
  return roleByWords<StockRole>(heading, WORDS);
}

const same = (one: string, other: string) => plainWords(one) === plainWords(other);

/**
 * Reads a table of stock: the first row is its heading. Nothing is guessed that could be another thing:
 * a heading that is not known, a garment of two makers, a size that is not made are asked about or told.
 *
 * @param said what a person said a column is, by its place
 * @example planStock(textGrid('Garment,Size,Qty\nField jacket,M,12').value, new Map(), { garments: [{ seriesId: 'fj', garment: 'Field jacket', maker: 'Ostrel Workwear', numbered: false, labelAs: (label) => label }], rooms: [], remembered: new Map() }).rows.map(({ label, count }) => [label, count]) // [['M', 12]]
 */
export function planStock(
  { rows }: Grid,
  said: ReadonlyMap<number, StockRole>,
  known: StockKnown,
): StockPlan {
  const body = rows.slice(1);
  const columns = columnRoles<StockRole>({ rows }, said, known.remembered, WORDS);
  const placeOfRole = (role: StockRole) => columns.findIndex((column) => column.role === role);
  const asks = [
    ...columns.flatMap(({ heading, role }) =>
      role === null ? [sayStockAsk({ code: 'heading', heading })] : [],
    ),
    ...STOCK_ROLES.filter(
      (role) => role !== 'left-out' && columns.filter((column) => column.role === role).length > 1,
    ).map((role) => sayStockAsk({ code: 'twice', role })),
    ...(['garment', 'size'] as const)
      .filter((role) => placeOfRole(role) < 0)
      .map((role) => sayStockAsk({ code: 'missing', role })),
    ...(placeOfRole('count') < 0 && placeOfRole('serial') < 0 ? [sayStockAsk({ code: 'how-many' })] : []),
  ];
  if (asks.length > 0) return { columns, asks, rows: [], faults: [] };
  const taken: StockRow[] = [];
  const faults: { line: number; says: string }[] = [];
  const serials = new Set<string>();
  const shelves = new Map<string, string>();
  for (const { line, cells } of body) {
    const cell = (role: StockRole) => (cells[placeOfRole(role)] ?? '').trim();
    const read = readRow(cell, known);
    if (!read.ok) {
      faults.push({ line, says: sayStockFault(read.problem) });
      continue;
    }
    const { seriesId, serial, garment, label, bin } = read.value;
    const shelf = shelves.get(`${seriesId} ${label}`);
    if (bin !== null && shelf !== undefined && shelf !== bin) {
      const says = sayStockFault({ code: 'shelf-twice', what: `${garment} ${label}`, shelf });
      faults.push({ line, says });
      continue;
    }
    if (bin !== null) shelves.set(`${seriesId} ${label}`, bin);
    if (serial !== null && serials.has(`${seriesId} ${serial}`))
      faults.push({ line, says: sayStockFault({ code: 'piece-twice', serial }) });
    else {
      if (serial !== null) serials.add(`${seriesId} ${serial}`);
      taken.push({ line, ...read.value });
    }
  }
  return { columns, asks, rows: taken, faults };
}

/** A row, or why it cannot be taken. */
function readRow(
  cell: (role: StockRole) => string,
  { garments, rooms }: StockKnown,
): Outcome<Omit<StockRow, 'line'>, StockFault> {
  const named = garments.filter(({ garment }) => same(garment, cell('garment')));
  const found = cell('maker') === '' ? named : named.filter(({ maker }) => same(maker, cell('maker')));
  if (found.length === 0)
    return failure({ code: 'no-chart', garment: cell('garment'), maker: cell('maker') });
  if (found.length > 1)
    return failure({
      code: 'several-makers',
      garment: cell('garment'),
      makers: found.map(({ maker }) => maker),
    });
  const [{ seriesId, garment, numbered, labelAs }] = found as [KnownGarment];
  const label = labelAs(cell('size'));
  if (label === null) return failure({ code: 'no-size', label: cell('size'), garment });
  const serial = cell('serial') === '' ? null : cell('serial').slice(0, 60);
  if (numbered && serial === null) return failure({ code: 'number-missing', garment });
  if (!numbered && serial !== null) return failure({ code: 'not-numbered', garment });
  const count = cell('count') === '' && serial !== null ? 1 : wholeNumber(cell('count'));
  if (count === null) return failure({ code: 'no-count', text: cell('count') });
  if (serial !== null && count !== 1) return failure({ code: 'piece-count', serial, count });
  const minimum = cell('minimum') === '' ? null : wholeNumber(cell('minimum'));
  if (cell('minimum') !== '' && minimum === null)
    return failure({ code: 'no-minimum', text: cell('minimum') });
  const made = cell('made') === '' ? null : cell('made');
  if (made !== null && !isDay(made)) return failure({ code: 'no-day', text: made });
  const room = roomCalled(cell('room'), rooms);
  if (cell('room') !== '' && room === null) return failure({ code: 'no-room', name: cell('room') });
  if (cell('bin').length > LONGEST_BIN)
    return failure({ code: 'shelf-too-long', text: cell('bin'), most: LONGEST_BIN });
  // Reserved for whom, no table says: it goes to the shelf again. Tables written earlier say it in other words.
  const compartment = [COMPARTMENT_WORDS.reserved, 'put by'].some((one) => same(one, cell('place')))
    ? 'shelf'
    : OPEN_COMPARTMENTS.find((one) => same(COMPARTMENT_WORDS[one], cell('place')));
  if (cell('place') !== '' && compartment === undefined)
    return failure({ code: 'no-place', text: cell('place') });
  return success({
    seriesId,
    garment,
    label,
    count,
    minimum,
    serial,
    made,
    code: cell('code') === '' ? null : cell('code'),
    roomId: room,
    compartment: compartment ?? 'shelf',
    bin: cell('bin') === '' ? null : cell('bin'),
  });
}

/** The one room that is called so; `null` where none is, or several might be meant. */
function roomCalled(name: string, rooms: StockKnown['rooms']): string | null {
  const exact = rooms.filter((one) => one.name === name);
  const found = exact.length > 0 || name === '' ? exact : rooms.filter((one) => same(one.name, name));
  return found.length === 1 ? found[0]!.id : null;
}

/** A whole number as it is written for counts, nothing or more; a number with a comma or point is none. */
function wholeNumber(text: string): number | null {
  return /^\d{1,5}$/.test(text) ? Number(text) : null;
}

/**
 * Whether a text is a day of the calendar, `2026-03-31`.
 *
 * @example isDay('2026-02-30') // false
 */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d\d-\d\d$/.test(text)) return false;
  const at = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().slice(0, 10) === text;
}
