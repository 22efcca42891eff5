// Cells as makers write them, in English, German, French and Spanish, made into what `parseCell` reads.
import type { WorkingUnit } from '../../quantity/length';

/** Ends in words before a number: what they say of it. */
const BEFORE: readonly (readonly [sign: '<' | '<=' | '>' | '>=', words: string])[] = [
  ['<', 'under|below|less than|unter|moins de|menos de'],
  ['<=', "up to|max(?:imum|\\.)?|bis(?: zu)?|höchstens|jusqu['’]à|hasta"],
  ['>', 'over|above|more than|über|mehr als|plus de|más de'],
  ['>=', 'from|min(?:imum|\\.)?|ab|mindestens|à partir de|desde'],
];
/** Words behind a number that leave it open above. */
const BEHIND =
  /^(.*?\d.*?)\s*(?:\+|(?:and|or|&)\s+(?:up|over|more|above|larger)|und mehr|und größer|et plus|y más|o más)$/iu;
const BETWEEN = /^(?:(?:from|von|de|desde)\s+)?(\d.*?)\s+(?:to|bis|à|a|hasta)\s+(\d.*)$/iu;
/** Two whole numbers: nobody measures less than one of any unit, so it is no fraction by itself. */
const SLASHED = /^(\d+(?:[.,]\d+)?)\s*\/\s*(\d+(?:[.,]\d+)?)$/;

/** A unit where it stands behind a number; the column's own is no news. */
const OWN: Readonly<Record<WorkingUnit, RegExp>> = {
  in: /(?<=[\d½¼¾⅛⅜⅝⅞])\s*(?:["″”]|''|in(?:ch(?:es)?|s)?\b\.?|zoll\b|pouces?\b|pulgadas?\b)/giu,
  cm: /(?<=[\d½¼¾⅛⅜⅝⅞])\s*cms?\b\.?/giu,
  mm: /(?<=[\d½¼¾⅛⅜⅝⅞])\s*mm\b\.?/giu,
};

/** Whether a cell is an end in words, such as `up to 94`. */
export function endsInWords(text: string): boolean {
  return BEFORE.some(([, words]) => new RegExp(`^(?:${words})\\s*\\d`, 'iu').test(text));
}

/**
 * One cell as `parseCell` reads it: words of ends become signs, every way to write a range the same, and
 * the column's own unit is taken off its numbers. What is not understood stays as it is, to be told.
 *
 * @param thousands whether commas and points part thousands
 *
 * @example rewriteCell('von 86 bis 94 cm', 'cm', false) // '86 - 94'
 * @example rewriteCell('102 and over', 'cm', false) // '>=102'
 */
export function rewriteCell(text: string, unit: WorkingUnit, thousands: boolean): string {
  const plain = (thousands ? text.replace(/(\d)[.,](\d{3})(?!\d)/g, '$1$2') : text)
    .replace(OWN[unit], '')
    .replace(/\s*[~∼～]\s*/g, ' - ')
    .trim();
  const between = BETWEEN.exec(plain) ?? SLASHED.exec(plain);
  if (between !== null) return `${between[1]!} - ${between[2]!}`;
  const behind = BEHIND.exec(plain);
  if (behind !== null) return `>=${behind[1]!}`;
  for (const [sign, words] of BEFORE) {
    const before = new RegExp(`^(?:${words})\\s*(\\d.*)$`, 'iu').exec(plain);
    if (before !== null) return `${sign}${before[1]!}`;
  }
  return plain;
}
