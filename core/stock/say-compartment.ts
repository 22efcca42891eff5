import type { Compartment } from './movement';

/** Where in a room something lies, in words; in a table of stock, too. */
export const COMPARTMENT_WORDS: Readonly<Record<Compartment, string>> = {
  shelf: 'shelf',
  drying: 'drying',
  quarantine: 'set aside',
  reserved: 'reserved',
};
