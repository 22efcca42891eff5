import { inches, mm, micrometres, type Length } from '../quantity/length';
import type { MeasurementCode } from './catalogue/codes';

/** Garments whose size a wearer can tell, each by the system it is printed in. */
export const TOLD_ITEMS = [
  'jacket-inches',
  'jacket-half-cm',
  'bra',
  'collar',
  'shoe-english',
  'shoe-american-mens',
  'shoe-paris-point',
] as const;
export type ToldItem = (typeof TOLD_ITEMS)[number];

/** Each in words, for a label. */
export const TOLD_ITEM_WORDS: Readonly<Record<ToldItem, string>> = {
  'jacket-inches': 'Jacket, chest in inches',
  'jacket-half-cm': 'Jacket, half the chest in cm',
  bra: 'Bra',
  collar: 'Shirt collar',
  'shoe-english': 'Shoe, English',
  'shoe-american-mens': 'Shoe, American men’s',
  'shoe-paris-point': 'Shoe, Paris points',
};

/** A value that a size which fits leads to: an estimate, never a reading. */
export interface ToldEstimate {
  readonly item: ToldItem;
  readonly text: string;
  readonly code: MeasurementCode;
  readonly length: Length;
}

/** Room for the toes between the foot and its last, where nothing better is known: a working value of ours. */
const TOE_ROOM = mm(15);

/** A number of `text` between two bounds. */
function within(text: string, least: number, most: number): number | null {
  const found = /\d+(?:[.,]\d+)?/.exec(text)?.[0];
  const count = found === undefined ? NaN : Number(found.replace(',', '.'));
  return count >= least && count <= most ? count : null;
}

/** The foot in a last so many inches long. */
function footIn(lastInches: number): Length {
  return micrometres(inches(lastInches) - TOE_ROOM);
}

/**
 * What each size says of a body. A jacket's number is its chest in inches, or half of it in cm; a bra's number its
 * band; a collar its neck (common practice, no source). An English adult shoe is three times the last in inches less
 * 25, an American men's less 24, a Paris point two thirds of a centimetre (from memory).
 */
const ESTIMATES: Readonly<
  Record<ToldItem, (text: string) => { code: MeasurementCode; length: Length } | null>
> = {
  'jacket-inches': (text) => of('chest-girth', within(text, 28, 66), inches),
  'jacket-half-cm': (text) => of('chest-girth', within(text, 36, 84), (count) => mm(count * 20)),
  bra: (text) =>
    of('underbust-girth', within(text, 28, 56), inches) ??
    of('underbust-girth', within(text, 60, 140), (count) => mm(count * 10)),
  collar: (text) =>
    of('neck-girth', within(text, 12, 24), inches) ??
    of('neck-girth', within(text, 30, 60), (count) => mm(count * 10)),
  'shoe-english': (text) => of('foot-length-left', within(text, 1, 16), (size) => footIn((size + 25) / 3)),
  'shoe-american-mens': (text) =>
    of('foot-length-left', within(text, 1, 18), (size) => footIn((size + 24) / 3)),
  'shoe-paris-point': (text) =>
    of('foot-length-left', within(text, 32, 54), (size) =>
      micrometres(Math.round((size * 20_000) / 3) - TOE_ROOM),
    ),
};

function of(
  code: MeasurementCode,
  count: number | null,
  lengthOf: (count: number) => Length,
): { code: MeasurementCode; length: Length } | null {
  return count === null ? null : { code, length: lengthOf(count) };
}

/**
 * What a told size leads to; `null` where nothing can be made of it.
 *
 * @example toldEstimate('jacket-inches', '42 long').length === inches(42) // true
 * @example toldEstimate('bra', '75B').length === cm(75) // true
 * @example toldEstimate('bra', 'the usual') // null
 */
export function toldEstimate(item: ToldItem, text: string): ToldEstimate | null {
  const estimate = ESTIMATES[item](text);
  return estimate === null ? null : { item, text, ...estimate };
}
