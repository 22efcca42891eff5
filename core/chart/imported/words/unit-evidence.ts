// What of a table counts as a maker's word on its unit. A unit is taken only where a unit stands:
// a chart read in the wrong one sizes everybody wrongly, and nobody sees it.
import { measurement } from '../../../body/catalogue';
import type { WorkingUnit } from '../../../quantity/length';
import { behindMeaning, type Meaning } from './meaning';

/** Units as tables are written in: beyond those that charts are kept in, metres, and feet with inches. */
export const WRITTEN_UNITS = ['cm', 'in', 'mm', 'm', 'ft'] as const;
export type WrittenUnit = (typeof WRITTEN_UNITS)[number];

/** The unit that a column written in another is kept in. */
export const KEPT_IN: Readonly<Record<WrittenUnit, WorkingUnit>> = {
  mm: 'mm',
  cm: 'cm',
  in: 'in',
  m: 'cm',
  ft: 'in',
};

/** Micrometres in each. */
export const MICROMETRES_WRITTEN: Readonly<Record<WrittenUnit, number>> = {
  mm: 1_000,
  cm: 10_000,
  in: 25_400,
  m: 1_000_000,
  ft: 304_800,
};

/** Each unit as makers write it, in English, German, French and Spanish. */
const WRITTEN: readonly (readonly [WrittenUnit, string])[] = [
  [
    'ft',
    "(?:ft|feet|foot|['’′])\\s*(?:/|,|&|\\+|and|und|et|y|-)?\\s*(?:ins?|inch(?:es)?|[\"″”]|'')|feet|fuß|pieds",
  ],
  ['mm', 'mm|millimet(?:er|re)s?|millimètres?|milímetros?'],
  ['cm', 'cms?|centimet(?:er|re)s?|zentimeter|centimètres?|centímetros?'],
  ['m', 'met(?:er|re)s?|mètres?|metros?'],
  ['in', 'inch(?:es)?|zoll|pouces?|pulgadas?'],
];
/** Marks and short words that mean a unit only where nothing but a unit can stand. */
const SHORT: readonly (readonly [WrittenUnit, string])[] = [
  ['in', "ins?|[\"″”]|''"],
  ['m', 'm'],
  ['ft', "ft|['’′]"],
];
const LONG = WRITTEN.map(([, words]) => words).join('|');
const ANY = `${LONG}|${SHORT.map(([, words]) => words).join('|')}`;
const IN = '(?:in|en|em)\\s+';

/** `(cm)`, `[in]`, `(in cm)`, `("; to fit)`. */
const BRACKET = new RegExp(
  `[([]\\s*(?:[^()[\\]]*[,;]\\s*)?(?:(?:all |measured )?${IN})?(${ANY})\\.?\\s*(?:[,;][^)\\]]*)?[)\\]]`,
  'i',
);
/** `Chest, in`, `Chest / cm`, `Chest: inches`. */
const AFTER_A_SIGN = new RegExp(`\\S\\s*[,/:;|–-]\\s*(?:${IN})?(${ANY})\\.?$`, 'i');
/** `Chest cm`, `Chest in cm`, `cm Chest`: the short word for inches might be the preposition here. */
const LAST_WORD = new RegExp(`\\S\\s+(?:${IN})?(${LONG})\\.?$`, 'i');
const FIRST_WORD = new RegExp(`^(${LONG})\\b\\.?\\s`, 'i');
const ALONE = new RegExp(`^[([]?\\s*(?:${IN})?(${ANY})\\.?\\s*[)\\]]?$`, 'i');
/** `(in/cm)`, `inches (cm)`, `in | cm`. */
const PAIR = new RegExp(
  `(?:^|[\\s([,:])(${ANY})\\.?\\s*(?:[/|&+(\\[]|and|und|et|y)\\s*(${ANY})\\.?\\s*[)\\]]*$`,
  'i',
);

/**
 * The unit that a heading names in the place of a unit; a row of units under it is read the same way.
 *
 * @example unitOfHeading('Chest (in)') // 'in'
 */
export function unitOfHeading(text: string): WrittenUnit | null {
  const plain = plainly(text);
  for (const place of [ALONE, BRACKET, AFTER_A_SIGN, LAST_WORD, FIRST_WORD]) {
    const found = place.exec(plain);
    if (found !== null) return unitWritten(found[1]!);
  }
  return null;
}

/**
 * The two units that a heading names of cells that hold both, `Chest (in/cm)`, in their order; else nothing.
 *
 * @example unitPairOfHeading('Chest in/cm') // ['in', 'cm']
 */
export function unitPairOfHeading(text: string): readonly [WrittenUnit, WrittenUnit] | null {
  const plain = plainly(text);
  if (ALONE.test(plain)) return null;
  const found = PAIR.exec(plain);
  if (found === null) return null;
  const pair = [unitWritten(found[1]!), unitWritten(found[2]!)] as const;
  return pair[0] === pair[1] ? null : pair;
}

/**
 * Whether a text is a unit and nothing else.
 *
 * @example isUnit('cm') // true
 */
export function isUnit(text: string): boolean {
  // A capital M is a size.
  return text.trim() !== 'M' && ALONE.test(text.trim());
}

/** What sentences about a whole table speak of. */
const ABOUT_ALL =
  '(?:all|sizes?|sizing|measure(?:ment)?s?|dimensions?|charts?|tables?|guide|values?|figures|maße|masse|angaben|werte|größen|größentabelle|maßtabelle|alle|mesures?|tailles?|tableau|valeurs|medidas?|tallas?|tabla)';
const IS_ABOUT_ALL = new RegExp(`(?:^|[^\\p{L}])${ABOUT_ALL}(?![\\p{L}])`, 'iu');
/** `All measurements in inches`, `Size chart (cm)`, `Alle Maße in cm`, `Mesures en cm`. */
const SENTENCE = new RegExp(
  `(?:^|[^\\p{L}])${ABOUT_ALL}(?![\\p{L}])[^.!?;\\d]*?(?:(?:^|[^\\p{L}])(?:in|en)\\s+(?:the unit\\s+)?|[(:]\\s*)(${LONG})(?![\\p{L}])`,
  'iu',
);

/** A title that ends in a unit in brackets, `Harbour jacket (cm)`; never a line that speaks of a number. */
const IN_TITLE = new RegExp(`^[^\\d]*[([]\\s*(?:${IN})?(${ANY})\\.?\\s*[)\\]]$`, 'i');

/**
 * The unit that a line above or below a table says the whole of it is in; never somebody's height, nor how to wash.
 *
 * @example unitOfNote('All measurements in inches') // 'in'
 */
export function unitOfNote(text: string): WrittenUnit | null {
  const alone = ALONE.exec(text.trim());
  if (alone !== null && isUnit(text)) return unitWritten(alone[1]!);
  const said = SENTENCE.exec(text) ?? (IS_ABOUT_ALL.test(text) ? BRACKET.exec(text) : IN_TITLE.exec(text));
  return said === null ? null : unitWritten(said[1]!);
}

/**
 * The two units of which a line says that every cell holds both.
 *
 * @example unitPairOfNote('Measurements in cm and inches') // ['cm', 'in']
 */
export function unitPairOfNote(text: string): readonly [WrittenUnit, WrittenUnit] | null {
  return IS_ABOUT_ALL.test(text) || PAIR.exec(text)?.index === 0 ? unitPairOfHeading(text) : null;
}

const BEHIND_A_NUMBER = new RegExp(`[\\d½¼¾⅛⅜⅝⅞]\\s*(${ANY})(?![\\p{L}]|\\d{3})`, 'giu');
const FEET = /\d\s*(?:['’′](?!\d{3})|ft|feet|foot)(?:\s*\d|\s*$|\s*[^'’′\p{L}])/iu;

/**
 * The units that stand behind numbers in a cell; feet with their inches are one.
 *
 * @example unitsOfCell('38 in') // ['in']
 */
export function unitsOfCell(text: string): WrittenUnit[] {
  if (FEET.test(text) && !/''/.test(text)) return ['ft'];
  return [...text.matchAll(BEHIND_A_NUMBER)].map((found) => unitWritten(found[1]!));
}

/**
 * The units in which numbers would be a body's at this place, those that charts are kept in first.
 *
 * @example possibleUnits('chest-girth', [94, 102]) // ['cm']
 */
export function possibleUnits(code: Meaning, numbers: readonly number[]): WrittenUnit[] {
  const { least, most } = measurement(behindMeaning(code)).limits;
  return WRITTEN_UNITS.filter(
    (unit) =>
      unit !== 'ft' &&
      numbers.every((number) => {
        const length = number * MICROMETRES_WRITTEN[unit];
        return length >= least * 0.9 && length <= most * 1.1;
      }),
  );
}

function plainly(text: string): string {
  return text.replace(/_/g, ' ').trim();
}

function unitWritten(words: string): WrittenUnit {
  const found = [...WRITTEN, ...SHORT].find(([, all]) => new RegExp(`^(?:${all})$`, 'i').test(words));
  return found?.[0] ?? 'in';
}
