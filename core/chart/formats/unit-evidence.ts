// What of a table counts as a maker's word on its unit. A unit is taken only where a unit stands:
// a chart read in the wrong one sizes everybody wrongly, and nobody sees it.
import type { WorkingUnit } from '../../quantity/length';

/** Each unit as makers write it, in English, German, French and Spanish. */
const WRITTEN: readonly (readonly [WorkingUnit, string])[] = [
  ['mm', 'mm|millimet(?:er|re)s?|millimètres?|milímetros?'],
  ['cm', 'cms?|centimet(?:er|re)s?|zentimeter|centimètres?|centímetros?'],
  ['in', 'inch(?:es)?|zoll|pouces?|pulgadas?'],
];
/** Marks and the short word that mean inches only where nothing but a unit can stand. */
const SHORT_INCH = "ins?|[\"″”]|''";
const LONG = WRITTEN.map(([, words]) => words).join('|');
const ANY = `${LONG}|${SHORT_INCH}`;

/** `(cm)`, `[in]`, `(in cm)`, `("; to fit)`. */
const BRACKET = new RegExp(
  `[([]\\s*(?:(?:all |measured )?(?:in|en)\\s+)?(${ANY})\\.?\\s*(?:[,;][^)\\]]*)?[)\\]]`,
  'i',
);
/** `Chest, in`, `Chest / cm`, `Chest: inches`. */
const AFTER_A_SIGN = new RegExp(`\\S\\s*[,/:;|–-]\\s*(?:(?:in|en)\\s+)?(${ANY})\\.?$`, 'i');
/** `Chest cm`, `Chest in cm`, `cm Chest`: the short word for inches might be the preposition here. */
const LAST_WORD = new RegExp(`\\S\\s+(?:(?:in|en)\\s+)?(${LONG})\\.?$`, 'i');
const FIRST_WORD = new RegExp(`^(${LONG})\\b\\.?\\s`, 'i');
const ALONE = new RegExp(`^[([]?\\s*(?:(?:in|en)\\s+)?(${ANY})\\.?\\s*[)\\]]?$`, 'i');

/** The unit that a heading names in the place of a unit; a row of units under it is read the same way. */
export function unitOfHeading(text: string): WorkingUnit | null {
  const plain = text.replace(/_/g, ' ').trim();
  for (const place of [ALONE, BRACKET, AFTER_A_SIGN, LAST_WORD, FIRST_WORD]) {
    const found = place.exec(plain);
    if (found !== null) return unitWritten(found[1]!);
  }
  return null;
}

/** What sentences about a whole table speak of. */
const ABOUT_ALL =
  '(?:all|sizes?|sizing|measure(?:ment)?s?|dimensions?|charts?|tables?|values?|figures|maße|masse|angaben|größen|alle|mesures?|tailles?|valeurs|medidas?|tallas?)';
const IS_ABOUT_ALL = new RegExp(`\\b${ABOUT_ALL}\\b`, 'i');
/** `All measurements in inches`, `Size chart (cm)`, `Alle Maße in cm`, `Mesures en cm`. */
const SENTENCE = new RegExp(
  `\\b${ABOUT_ALL}\\b[^.!?;\\d]*?(?:\\b(?:in|en)\\s+(?:the unit\\s+)?|[(:]\\s*)(${LONG})\\b`,
  'i',
);

/** The unit that a line above or below a table says the whole of it is in; never somebody's height, nor how to wash. */
export function unitOfNote(text: string): WorkingUnit | null {
  const alone = ALONE.exec(text.trim());
  if (alone !== null) return unitWritten(alone[1]!);
  const said = SENTENCE.exec(text) ?? (IS_ABOUT_ALL.test(text) ? BRACKET.exec(text) : null);
  return said === null ? null : unitWritten(said[1]!);
}

const BEHIND_A_NUMBER = new RegExp(`[\\d½¼¾⅛⅜⅝⅞]\\s*(${ANY})(?![\\p{L}])`, 'giu');

/** The units that stand behind numbers in a cell. */
export function unitsOfCell(text: string): WorkingUnit[] {
  return [...text.matchAll(BEHIND_A_NUMBER)].map((found) => unitWritten(found[1]!));
}

function unitWritten(words: string): WorkingUnit {
  return WRITTEN.find(([, all]) => new RegExp(`^(?:${all})$`, 'i').test(words))?.[0] ?? 'in';
}
