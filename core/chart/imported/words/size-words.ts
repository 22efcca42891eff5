// Words and letters of sizes: what labels one, what names a class of lengths, what names a system of labels.
import {
  ARTICLE_WORDS,
  BESIDE_ARTICLE,
  BESIDE_SIZE,
  CLASS_WORDS,
  PEOPLE,
  plainWords,
  SIZE_WORDS,
  SYSTEMS,
} from './vocabulary';

const LETTER_SIZE =
  /^(?:\d{0,2}x{0,5}[sl]|m|[2-9]x|x{2,5}|small|medium|large|x-?(?:small|large)|xx-?(?:small|large)|extra (?:small|large)|one size|os|o\/s)(?:[\s/-].*)?$/i;

/**
 * Whether a text is a size in letters, `S`, `2XL`, `M/L`, `Large`.
 *
 * @example isLetterSize('2XL') // true
 */
export function isLetterSize(text: string): boolean {
  return LETTER_SIZE.test(text.trim());
}

/**
 * Whether a heading is that of numbers by which sizes are ordered: `Article no.`, `SKU`, `Art.-Nr.`.
 *
 * @example headsArticles('Art.-Nr.') // true
 */
export function headsArticles(heading: string): boolean {
  const parts = plainWords(heading).split(' ');
  return (
    parts.some((one) => ARTICLE_WORDS.has(one)) &&
    parts.every((one) => ARTICLE_WORDS.has(one) || BESIDE_ARTICLE.has(one))
  );
}

/**
 * Whether a heading is the one of the sizes.
 *
 * @example headsSizes('Größe') // true
 */
export function headsSizes(heading: string): boolean {
  const parts = plainWords(heading).split(' ');
  return (
    parts.some((one) => SIZE_WORDS.has(one)) &&
    parts.every((one) => SIZE_WORDS.has(one) || BESIDE_SIZE.has(one))
  );
}

/**
 * The system of labels that a heading names, `EU`, `UK size`, `US women`; else nothing.
 *
 * @example systemOf('EU size') // 'EU'
 */
export function systemOf(heading: string): string | null {
  const parts = plainWords(heading).split(' ');
  const systems = parts.flatMap((one) => SYSTEMS.get(one) ?? []);
  const known = parts.every((one) => SYSTEMS.has(one) || BESIDE_SIZE.has(one) || SIZE_WORDS.has(one));
  if (systems.length !== 1 || !known) return null;
  const people = parts.filter((one) => PEOPLE.has(one));
  return [systems[0]!, ...people].join(' ');
}

/**
 * How long a class of lengths is, `Short` less than `Regular`; nothing for what is none.
 *
 * @example [classRank('Short'), classRank('Long')] // [1, 3]
 */
export function classRank(text: string): number | null {
  const plain = plainWords(text);
  const bare = plain.replace(
    /^(?:length|leg|lange|longueur|largo) | (?:length|leg|legs|fit|lange|longueur|sizes?)$/g,
    '',
  );
  return CLASS_WORDS.get(plain) ?? CLASS_WORDS.get(bare) ?? null;
}

const NO_SIZE =
  /^(?:(?:our |the )?models?\b|example|sample|tolerances?|toleranz|tolérance|tolerancia|difference|average|mean|total|grading|grade rule|step)\b/i;

/**
 * Whether what stands where a size would is none: a model's measures, a tolerance, an average.
 *
 * @example isNoSize('Model') // true
 */
export function isNoSize(label: string): boolean {
  return NO_SIZE.test(label.trim());
}

/**
 * Whether a text says whom what follows is for, `Men`, `Damen`.
 *
 * @example namesPeople('Women') // true
 */
export function namesPeople(text: string): boolean {
  const parts = plainWords(text).split(' ');
  return parts.length <= 4 && parts.some((one) => PEOPLE.has(one));
}

/** A size taken apart into itself and its class of lengths: `40R`, `40 Long`, `M Tall`. */
export interface SizeAndClass {
  readonly size: string;
  /** What stands between them, to write the label again. */
  readonly between: string;
  readonly class: string;
}

const SUFFIXED =
  /^(?:size )?(\d{1,3}(?:[.,]\d)?|\d?x{0,4}[sml])([\s/-]*)(xs|xl|xt|s|r|l|t|p|n|k|short|reg(?:ular)?|long|tall|petite|extra[ -](?:long|short)|kurz|normal|lang|court|long(?:ue)?|corto|largo)$/i;

/** Two numbers that are a size each: `W30 L32`, `30/32`, `30 x 32`, `30W 32L`. */
const PAIRED =
  /^((?:w|waist )?\d{2,3}(?:[.,]\d)?w?)(\s*[/x×]\s*|\s+(?=l|\d+l))((?:l|leg )?\d{2,3}(?:[.,]\d)?l?)$/i;

/**
 * A label that ends in its class of lengths; behind a letter only what can be no letter of a size.
 *
 * @example sizeAndClass('40R') // { size: '40', between: '', class: 'R' }
 */
export function sizeAndClass(label: string): SizeAndClass | null {
  const pair = PAIRED.exec(label.trim());
  if (pair !== null) return { size: pair[1]!, between: pair[2]!, class: pair[3]! };
  const found = SUFFIXED.exec(label.trim());
  if (found === null) return null;
  const [, size, between, named] = found as unknown as [string, string, string, string];
  const letters = !/\d$/.test(size);
  // `M/L` is one size; `MT` and `M Tall` are a length of M.
  if (letters && named.length === 1 && !/^[tpr]$/i.test(named)) return null;
  if (letters && /^x[ls]$/i.test(named)) return null;
  return { size, between, class: named };
}
