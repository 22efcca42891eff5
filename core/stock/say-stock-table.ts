// What is asked about a table of stock, and what is wrong with its rows, in words.
import { COMPARTMENT_WORDS } from './say-compartment';

/** What a column of a table of stock can hold. */
export const STOCK_ROLES = [
  'garment',
  'maker',
  'size',
  'count',
  'minimum',
  'serial',
  'made',
  'code',
  'room',
  'place',
  'bin',
  'left-out',
] as const;
export type StockRole = (typeof STOCK_ROLES)[number];

/** Each as a person calls it. */
export const STOCK_ROLE_WORDS: Readonly<Record<StockRole, string>> = {
  garment: 'garment',
  maker: 'maker',
  size: 'size',
  count: 'how many',
  minimum: 'minimum stock',
  serial: 'piece number',
  made: 'date of manufacture',
  code: 'maker’s code',
  room: 'store room',
  place: 'place in the room',
  bin: 'shelf',
  'left-out': 'left out',
};

/** What is to be answered before anything of a table is taken. */
export type StockAsk =
  | { readonly code: 'heading'; readonly heading: string }
  | { readonly code: 'twice' | 'missing'; readonly role: StockRole }
  | { readonly code: 'how-many' };

/**
 * A question about a table of stock.
 *
 * @example sayStockAsk({ code: 'missing', role: 'size' }) // 'Which column is the size?'
 */
export function sayStockAsk(ask: StockAsk): string {
  switch (ask.code) {
    case 'heading':
      return `What is “${ask.heading}”?`;
    case 'twice':
      return `Two columns are ${STOCK_ROLE_WORDS[ask.role]}. Leave one of them out.`;
    case 'missing':
      return `Which column is the ${STOCK_ROLE_WORDS[ask.role]}?`;
    case 'how-many':
      return 'Which column has the count, or the piece number?';
  }
}

/** Why a row of a table of stock cannot be taken. */
export type StockFault =
  | { readonly code: 'no-chart'; readonly garment: string; readonly maker: string }
  | { readonly code: 'several-makers'; readonly garment: string; readonly makers: readonly string[] }
  | { readonly code: 'no-size'; readonly label: string; readonly garment: string }
  | { readonly code: 'number-missing' | 'not-numbered'; readonly garment: string }
  | { readonly code: 'no-count' | 'no-minimum' | 'no-day' | 'no-place'; readonly text: string }
  | { readonly code: 'piece-count'; readonly serial: string; readonly count: number }
  | { readonly code: 'piece-twice'; readonly serial: string }
  | { readonly code: 'no-room'; readonly name: string }
  | { readonly code: 'shelf-too-long'; readonly text: string; readonly most: number }
  /** An article has one shelf. */
  | { readonly code: 'shelf-twice'; readonly what: string; readonly shelf: string };

/**
 * Why a row cannot be taken, and what to do.
 *
 * @example sayStockFault({ code: 'no-size', label: '3XS', garment: 'Field jacket' }) // '“3XS” is not a size of Field jacket.'
 */
export function sayStockFault(fault: StockFault): string {
  switch (fault.code) {
    case 'no-chart':
      return `There is no chart called “${fault.garment}”${fault.maker === '' ? '' : ` of ${fault.maker}`}.`;
    case 'several-makers':
      return `“${fault.garment}” is made by ${fault.makers.join(' and ')}. Add the maker.`;
    case 'no-size':
      return `“${fault.label}” is not a size of ${fault.garment}.`;
    case 'number-missing':
      return `${fault.garment} is numbered. Enter one row per piece, with its number.`;
    case 'not-numbered':
      return `${fault.garment} is not numbered here. Leave the number out, or set it to numbered under Storage rules.`;
    case 'no-count':
      return `“${fault.text}” is not a count. Enter a whole number.`;
    case 'no-minimum':
      return `“${fault.text}” is not a minimum. Enter a whole number.`;
    case 'no-day':
      return `“${fault.text}” is not a date. Write it as 2026-03-31.`;
    case 'no-place':
      return `“${fault.text}” is not a place in a room. Write ${Object.values(COMPARTMENT_WORDS).join(', ')}, or leave it empty.`;
    case 'piece-count':
      return `Piece ${fault.serial} has a count of ${fault.count}; a numbered piece counts as 1.`;
    case 'piece-twice':
      return `Piece ${fault.serial} is listed twice.`;
    case 'shelf-too-long':
      return `The shelf “${fault.text.slice(0, 20)}…” is longer than ${fault.most} letters. Shorten it.`;
    case 'shelf-twice':
      return `${fault.what} is on shelf ${fault.shelf} in an earlier line. Enter the same shelf, or leave it empty.`;
    case 'no-room':
      return `There is no room called “${fault.name}”. Add it under Storage rules, or leave that column out.`;
  }
}
