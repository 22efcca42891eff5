// Cells as makers write them, in English, German, French and Spanish, made into what `parseCell` reads.
import { KEPT_IN, type WrittenUnit } from '../words/unit-evidence';
import { fromDate } from './spreadsheet-date';

/** A cell as `parseCell` reads it, with what was done to it that people should see. */
export interface RewrittenCell {
  readonly text: string;
  /** What was dropped: marks and notes; nothing, usually. */
  readonly dropped: string;
  /** Whether a spreadsheet had made a date of it. */
  readonly wasDate: boolean;
}

/** How the numbers of a column are written. */
export interface Writing {
  readonly unit: WrittenUnit;
  /** Whether commas, points and spaces part thousands. */
  readonly thousands: boolean;
}

/** Ends in words before a number: what they say of it. */
const BEFORE: readonly (readonly [sign: '<' | '<=' | '>' | '>=', words: string])[] = [
  [
    '<',
    'under|below|less than|smaller than|unter|weniger als|kleiner als|moins de|inférieur à|sous|menos de|menor de',
  ],
  [
    '<=',
    "up to|upto|to|max(?:imum|imal|\\.)?|at most|bis(?: zu)?|höchstens|jusqu['’]à|à|au plus|hasta|a|máx(?:imo|\\.)?",
  ],
  [
    '>',
    'over|above|more than|larger than|greater than|über|mehr als|größer als|plus de|supérieur à|más de|mayor de',
  ],
  [
    '>=',
    'from|min(?:imum|\\.)?|at least|ab|von|mindestens|à partir de|dès|desde|a partir de|mín(?:imo|\\.)?',
  ],
];
/** Words behind a number that leave it open above, and below. */
const BEHIND_UP =
  /^(.*?\d.*?)\s*(?:\+|(?:and|or|&)\s+(?:up|upwards|over|more|above|larger|bigger)|(?:und|oder)\s+(?:mehr|größer|darüber|höher)|(?:et|ou)\s+(?:plus|au-dessus|\+)|(?:y|o)\s+(?:más|mayor(?:es)?))$/iu;
const BEHIND_DOWN =
  /^(.*?\d.*?)\s*(?:(?:and|or|&)\s+(?:under|below|less|smaller|down)|(?:und|oder)\s+(?:weniger|kleiner|darunter)|(?:et|ou)\s+(?:moins|au-dessous)|(?:y|o)\s+(?:menos|menor(?:es)?))$/iu;
const BETWEEN =
  /^(?:(?:from|between|von|zwischen|de|entre|desde)\s+)?(\d.*?)\s+(?:to|till|until|and|bis|und|à|et|a|y|hasta)\s+(\d.*)$/iu;
/** Both ends with their signs or words: `≥86 and <94`, `86 bis unter 94`, `from 86 to less than 94`. */
const SIGNED = /^([≥>]=?)\s*(\d[\d.,/ ]*?)\s*(?:and|&|und|et|y|,|;|to|bis)?\s*([≤<]=?)\s*(\d[\d.,/ ]*)$/iu;
const TO_UNDER =
  /^(?:from|von|ab|de|desde)?\s*(\d[\d.,/ ]*?)\s*(?:to|bis|à|a)\s*(?:under|below|less than|unter|moins de|menos de|<)\s*(\d[\d.,/ ]*)$/iu;
/** Two whole numbers: nobody measures less than one of any unit, so it is no fraction by itself. */
const SLASHED = /^(\d+(?:[.,]\d+)?)\s*\/\s*(\d+(?:[.,]\d+)?)$/;
/** Two numbers with nothing but a space or a line break between; the second is no fraction, and larger. */
const SPACED = /^(\d{2,4}(?:[.,]\d+)?)\s+(\d{2,4}(?:[.,]\d+)?)$/;

/** A unit where it stands behind a number; the column's own is no news. */
const OWN: Readonly<Record<WrittenUnit, RegExp>> = {
  in: /(?<=[\d½¼¾⅛⅜⅝⅞])\s*(?:["″”]|''|in(?:ch(?:es)?|s)?\b\.?|zoll\b|pouces?\b|pulgadas?\b)/giu,
  cm: /(?<=[\d½¼¾⅛⅜⅝⅞])\s*(?:cms?|centimet(?:er|re)s?|zentimeter|centimètres?|centímetros?)\b\.?/giu,
  mm: /(?<=[\d½¼¾⅛⅜⅝⅞])\s*mm\b\.?/giu,
  m: /(?<=\d)\s*m(?:et(?:er|re)s?|ètres?|etros?)?(?![\p{L}])\.?/giu,
  ft: /$^/g,
};
const FEET =
  /(\d{1,2})\s*(?:['’′](?!\d{3})|ft\.?|feet|foot)\s*(?:(\d{1,2}(?:[.,]\d+)?(?:[ -]?[½¼¾]|\s+\d\/\d{1,2})?|[½¼¾])\s*(?:["″”]|''|in(?:ch(?:es)?|s)?\b\.?)?)?/giu;

/** A raised figure, a star or a letter in brackets behind what is said points at a note. */
const MARKS = /(?<=[)\d½¼¾⅛⅜⅝⅞"″”'+\p{L}])\s*(?:[*†‡§¹²³⁴⁵⁶⁷⁸⁹]+|\*?\[[^\]]{1,24}\]|\((?:[a-z]|\d)\))+$/iu;
/** Words in brackets that hold no number, and a word that says it is about so much. */
const NOTE = /\s*\([^()\d]{2,60}\)$/u;
const ABOUT =
  /^(?:approx(?:imately|\.)?|about|circa|ca\.?|c\.|etwa|ungefähr|environ|env\.?|aprox\.?|unos|[~≈])\s*(?=\d)/iu;

/**
 * Whether a cell is an end in words, such as `up to 94`.
 *
 * @example endsInWords('up to 94') // true
 */
export function endsInWords(text: string): boolean {
  return BEFORE.some(([, words]) => new RegExp(`^(?:${words})\\s*\\d`, 'iu').test(text));
}

/**
 * One cell as `parseCell` reads it in the unit its column is kept in: words of ends become signs, every way
 * to write a range the same, marks of notes are dropped, dates that a spreadsheet made taken back, metres and
 * feet made what they are kept in. What is not understood stays as it is, to be told.
 *
 * @example rewriteCell('von 86 bis 94 cm', { unit: 'cm', thousands: false }).text // '86 - 94'
 * @example rewriteCell('5\'7"-5\'9"', { unit: 'ft', thousands: false }).text // '67-69'
 */
export function rewriteCell(text: string, { unit, thousands }: Writing): RewrittenCell {
  const date = fromDate(text);
  if (date !== null) return { text: date.replace('-', ' - '), dropped: '', wasDate: true };
  const marks = MARKS.exec(text)?.[0] ?? '';
  // A star behind a dash is an end that is none, as we write it ourselves.
  const unmarked = text.slice(0, text.length - marks.length);
  const about = ABOUT.exec(unmarked)?.[0] ?? '';
  const note = NOTE.exec(unmarked)?.[0] ?? '';
  const bare = unmarked.slice(about.length, unmarked.length - note.length);
  const dropped = [about, note, marks]
    .map((one) => one.trim())
    .filter(Boolean)
    .join(' ');
  return { text: inKept(rangeOf(numbersOf(bare, unit, thousands)), unit), dropped, wasDate: false };
}

/** Numbers alone: separators of thousands, noise of rounding and the column's own unit are off them. */
function numbersOf(text: string, unit: WrittenUnit, thousands: boolean): string {
  const whole = thousands ? text.replace(/(\d)[.,'’ ](\d{3})(?!\d)/g, '$1$2') : text;
  const inches =
    unit === 'ft' ? whole.replace(FEET, (_, feet: string, rest?: string) => feetOf(feet, rest)) : whole;
  return inches
    .replace(/(\d+)([.,])(\d{7,})/g, (_, before: string, __, digits: string) =>
      String(Number(Number(`${before}.${digits}`).toFixed(4))),
    )
    .replace(OWN[unit], '')
    .replace(/\s*[~∼～→]\s*/g, ' - ')
    .replace(/(?<=\d)\s*\.{2,3}\s*(?=\d)|(?<=\d)\s*…\s*(?=\d)/g, ' - ')
    .trim();
}

/** A number and how far it goes to either side: `90±2`. */
const EITHER_SIDE = /^(\d+(?:[.,]\d+)?)\s*(?:±|\+\/-|\+-)\s*(\d+(?:[.,]\d+)?)$/;

function rangeOf(plain: string): string {
  const sides = EITHER_SIDE.exec(plain);
  if (sides !== null) {
    const [at, by] = [sides[1]!, sides[2]!].map((one) => Number(one.replace(',', '.'))) as [number, number];
    return `${Number((at - by).toFixed(4))} - ${Number((at + by).toFixed(4))}`;
  }
  const signed = SIGNED.exec(plain);
  if (signed !== null) {
    const [, above, from, below, to] = signed as unknown as [string, string, string, string, string];
    return `${above === '≥' ? '>=' : above}${from} ${below === '≤' ? '<=' : below}${to}`;
  }
  const under = TO_UNDER.exec(plain);
  if (under !== null) return `>=${under[1]!} <${under[2]!}`;
  const between = BETWEEN.exec(plain) ?? SLASHED.exec(plain);
  if (between !== null) return `${between[1]!} - ${between[2]!}`;
  const spaced = SPACED.exec(plain);
  if (spaced !== null && growsLikeARange(spaced[1]!, spaced[2]!)) return `${spaced[1]!} - ${spaced[2]!}`;
  const up = BEHIND_UP.exec(plain);
  if (up !== null) return `>=${up[1]!}`;
  const down = BEHIND_DOWN.exec(plain);
  if (down !== null) return `<=${down[1]!}`;
  for (const [sign, words] of BEFORE) {
    const before = new RegExp(`^(?:${words})\\s*(\\d.*)$`, 'iu').exec(plain);
    if (before !== null) return `${sign}${before[1]!}`;
  }
  return plain;
}

function growsLikeARange(lower: string, upper: string): boolean {
  const [from, to] = [lower, upper].map((one) => Number(one.replace(',', '.'))) as [number, number];
  return from < to && to <= from * 1.5;
}

/** Feet and the inches behind them as inches, a fraction kept as it is written. */
function feetOf(feet: string, rest: string | undefined): string {
  const plain = (rest ?? '0').replace(/½/, ' 1/2').replace(/¼/, ' 1/4').replace(/¾/, ' 3/4').trim();
  const [, whole = '0', fraction = ''] = /^(\d+(?:[.,]\d+)?)?\s*(\d+\/\d+)?$/.exec(plain) ?? [];
  const inches = Number(feet) * 12 + Number((whole || '0').replace(',', '.'));
  return fraction === '' ? String(Number(inches.toFixed(4))) : `${inches} ${fraction}`;
}

/** Metres as the centimetres they are kept in. */
function inKept(text: string, unit: WrittenUnit): string {
  if (unit === KEPT_IN[unit] || unit === 'ft') return text;
  return text.replace(/\d+(?:[.,]\d+)?/g, (number) =>
    String(Number((Number(number.replace(',', '.')) * 100).toFixed(4))),
  );
}
