import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { CHART_FORMAT, type ChartColumn, type ChartPart, type ChartSheet } from './chart-shape';
import { isDerivedCode, type ColumnCode } from './column-code';
import { behindColumn } from './arithmetic/derivation';

/**
 * The part that is asked for first, and the only one of a plain size table.
 *
 * @example firstPart(jacket.sheet).sizes // ['M', 'L', 'XL']
 */
export function firstPart(sheet: Pick<ChartSheet, 'parts'>): ChartPart {
  return sheet.parts[0]!;
}

/**
 * A one-part sheet around a table, as it comes from a file: everything the table does not say is left at rest.
 *
 * @example sheetAround(jacket.sheet.parts[0], { maker: 'Ostrel Workwear', garment: 'Smock', rule: 'closest' }).rule // 'closest'
 */
export function sheetAround(
  part: ChartPart,
  head: Pick<ChartSheet, 'maker' | 'garment' | 'rule'> & Partial<Pick<ChartSheet, 'key' | 'kind'>>,
): ChartSheet {
  return {
    format: CHART_FORMAT,
    kind: 'other',
    key: null,
    ...head,
    unit: part.columns[0]!.unit,
    expects: [],
    derivations: [],
    choices: [],
    parts: [part],
    label: null,
    combinations: [],
    options: [],
    cautions: [],
    fitChecks: [],
    notes: '',
  };
}

/**
 * A part of a plain table: nothing but sizes and columns.
 *
 * @example plainPart(['M'], []).code // 'size'
 */
export function plainPart(sizes: readonly string[], columns: readonly ChartColumn[]): ChartPart {
  return {
    code: 'size',
    name: 'Size',
    sizes: [...sizes],
    values: null,
    otherNames: [],
    columns: [...columns],
    lean: null,
    rule: null,
    offered: null,
  };
}

/**
 * The measurements a column, or what is derived for it, rests on.
 *
 * @example readingsBehind(jacket.sheet, 'chest-girth') // ['chest-girth']
 */
export function readingsBehind(
  { derivations }: Pick<ChartSheet, 'derivations'>,
  code: ColumnCode,
): readonly MeasurementCode[] {
  return behindColumn(derivations, code).readings;
}

/**
 * The measurements a chart decides by, its arithmetic's among them, in the order of its parts and columns.
 *
 * @example decidingCodes(jacket.sheet) // ['chest-girth', 'waist-girth']
 */
export function decidingCodes(sheet: ChartSheet): MeasurementCode[] {
  const columns = sheet.parts.flatMap((part) => part.columns.filter(({ role }) => role === 'deciding'));
  return [...new Set(columns.flatMap(({ code }) => readingsBehind(sheet, code)))];
}

/**
 * Whether all that a part decides by are lengths, so that its sizes are longer and shorter.
 *
 * @example isOfLengths(jacket.sheet, jacket.sheet.parts[0]) // false
 */
export function isOfLengths(sheet: ChartSheet, { columns }: Pick<ChartPart, 'columns'>): boolean {
  const read = columns
    .filter(({ role }) => role === 'deciding')
    .flatMap(({ code }) => readingsBehind(sheet, code));
  return read.every((code) => measurement(code).kind !== 'girth');
}

/**
 * What a chart wants taken of a wearer: what it decides by, then what it only reports, and what its options go by.
 *
 * @example askedCodes(jacket.sheet) // ['chest-girth', 'waist-girth']
 */
export function askedCodes(sheet: ChartSheet): MeasurementCode[] {
  const reported = sheet.parts.flatMap((part) => part.columns.filter(({ role }) => role === 'advisory'));
  const options = sheet.options.flatMap(({ when }) => when);
  const besides = [...reported.map(({ code }) => code), ...options.map(({ of }) => of)];
  return [...new Set([...decidingCodes(sheet), ...besides.flatMap((code) => readingsBehind(sheet, code))])];
}

/**
 * Every measurement a chart reads, for whatever purpose: to decide, to report, to offer an option, to be taken its way.
 *
 * @example codesRead(jacket.sheet) // ['chest-girth', 'waist-girth']
 */
export function codesRead(sheet: ChartSheet): MeasurementCode[] {
  const columns = sheet.parts.flatMap((part) =>
    part.columns.flatMap(({ code, standIns }) => [code, ...standIns]),
  );
  const conditions = sheet.options.flatMap(({ when }) => when.map(({ of }) => of));
  const derived = sheet.derivations.map(({ code }) => code);
  return [
    ...new Set([
      ...[...columns, ...conditions, ...derived].flatMap((code) => readingsBehind(sheet, code)),
      ...sheet.expects.map(({ code }) => code),
    ]),
  ];
}

/**
 * The name of what a column is about.
 *
 * @example columnName(jacket.sheet, 'chest-girth', (code) => measurement(code).name) // 'Chest'
 */
export function columnName(
  sheet: Pick<ChartSheet, 'derivations'>,
  code: ColumnCode,
  measured: (code: MeasurementCode) => string,
): string {
  if (!isDerivedCode(code)) return measured(code);
  return sheet.derivations.find((one) => one.code === code)?.name ?? code;
}
