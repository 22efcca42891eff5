import { distance } from 'fastest-levenshtein';
import { CATALOGUE, isMeasurementCode, measurement } from '../../../body/catalogue';
import { nearestCodes } from '../../../body/nearest-codes';
import { behindMeaning, type Meaning } from './meaning';
import { CLASS_WORDS, MODIFIERS, NEUTRAL, PHRASES, plainWords, WORD_LIST } from './vocabulary';
import { possibleUnits, unitOfHeading, type WrittenUnit } from './unit-evidence';

/** What a heading may mean. One that could be several is for the fitter to say. */
export interface HeadingGuess {
  /** What it means, where it can mean nothing else. */
  readonly code: Meaning | null;
  readonly candidates: readonly Meaning[];
  readonly unit: WrittenUnit | null;
  /** Whether it speaks of the garment, or of half the way round it. */
  readonly of: 'body' | 'garment' | 'flat';
  /** The class of lengths it names besides, `Inside leg Short`. */
  readonly class: string | null;
  /** A word that was read as another, a slip of typing. */
  readonly slip: { readonly wrote: string; readonly read: string } | null;
  /** How far a measure goes to either side, where it says that: `2` of `± 2 cm`. */
  readonly eitherSide: string | null;
  /** Words that say something that is not known here. */
  readonly unknown: readonly string[];
}

/** Measurements by the names they have here. */
const BY_NAME: ReadonlyMap<string, Meaning> = new Map(
  // A single word may be a word for several places; those stand in the list of phrases.
  CATALOGUE.filter(({ kind, name }) => kind !== 'mass' && plainWords(name).includes(' ')).map(
    ({ code, name }) => [plainWords(name), code] as const,
  ),
);

/** The longest phrase is of four words. */
const LONGEST_PHRASE = 5;

/**
 * What a heading, or the rows of one joined, may mean.
 *
 * @example guessHeading('Brustumfang').candidates // ['chest-girth', 'bust-girth']
 */
export function guessHeading(text: string): HeadingGuess {
  const unit = unitOfHeading(text);
  const bare = text
    .replace(ENUMERATED, '')
    .replace(/[([][^)\]]*[)\]]/g, ' ')
    .trim();
  const asCode = bare.toLowerCase().replace(/[\s_]+/g, '-');
  // How far a measure goes to either side is said in a heading, and the cells do not have it.
  const eitherSide = EITHER_SIDE.exec(text)?.[1] ?? null;
  const nothing = { unit, of: 'body', class: null, slip: null, eitherSide, unknown: [] } as const;
  if (isMeasurementCode(asCode) && measurement(asCode).kind !== 'mass')
    return { ...nothing, code: asCode, candidates: [asCode] };
  const isHalf = text.search(HALF) >= 0;
  const words = text.replace(ENUMERATED, '').replace(HALF, ' ').replace(END_BEHIND, ' ');
  const byName = BY_NAME.get(plainWords(bare.replace(HALF, ' ')));
  if (byName !== undefined) {
    const beside = plainWords(bracketed(words))
      .split(' ')
      .filter((word) => word !== '' && !NEUTRAL.has(word));
    const of = isHalf ? 'flat' : ofWhat(beside);
    const unknown = beside.filter((word) => !MODIFIERS.garment.has(word) && !MODIFIERS.flat.has(word));
    return { ...nothing, of, unknown, code: unknown.length === 0 ? byName : null, candidates: [byName] };
  }
  const plain = plainWords(words.replace(/["″”]|''/g, ' '));
  const read = phraseIn(plain.split(' ')) ?? mended(plain.split(' '));
  if (read === null) {
    const candidates = plain === '' ? [] : nearestCodes(bare).slice(0, 4);
    return {
      ...nothing,
      code: null,
      candidates,
      unknown: plain.split(' ').filter((one) => !NEUTRAL.has(one)),
    };
  }
  const others = read.others.filter((word) => !NEUTRAL.has(word) && !/^\d+$/.test(word));
  const named = others.filter((word) => !MODIFIERS.garment.has(word) && !MODIFIERS.flat.has(word));
  // `Inside leg Short`: a class stands behind the place, and a letter alone is none.
  const classed = named.join(' ');
  const ofClass = classed.length > 1 && CLASS_WORDS.has(classed) ? asWritten(text, classed) : null;
  const unknown = ofClass === null ? named : [];
  const codes = goingRound(read.codes, read.others);
  const [code] = codes;
  const alone = codes.length === 1 && unknown.every((word) => isLengthOf(word, code!));
  return {
    code: alone ? code! : null,
    candidates: codes,
    unit,
    of: isHalf ? 'flat' : ofWhat(others),
    class: ofClass,
    slip: read.slip,
    eitherSide,
    unknown: unknown.filter((word) => !isLengthOf(word, code!)),
  };
}

/** A letter or a number before what it counts: `A - Chest`, `2. Hip`, `(b) Waist`. */
const ENUMERATED = /^\(?(?:[A-Z]|\d{1,2})(?:\)\s*[.:–-]?|\s*[.:=]|\s+[–-])\s*(?=\p{L})/iu;

/** An end of a size, said behind the place: `Chest lower`, `Chest, upper limit`. Before it they are another place. */
const END_BEHIND =
  /(?<=\p{L}{3,}[^\p{L}]+)(?:low(?:er)?|upper)(?:\s+(?:limit|end|bound|value))?(?=[^\p{L}]*(?:$|[([]|\b(?:cm|mm|in|inch(?:es)?)\b))/giu;

/** Half the way round, in figures. */
const HALF = /(?<![\d.,/])(?:1\s*\/\s*2|½)(?![\d/])/g;

const EITHER_SIDE = /(?:±|\+\s*\/?\s*-)\s*(\d+(?:[.,]\d+)?)/;

/** What stands in brackets. */
function bracketed(text: string): string {
  return [...text.matchAll(/[([]([^)\]]*)[)\]]/g)].map(([, inside]) => inside!).join(' ');
}

/** What words beside a place say a measure is of. */
function ofWhat(words: readonly string[]): HeadingGuess['of'] {
  if (words.some((word) => MODIFIERS.flat.has(word))) return 'flat';
  return words.some((word) => MODIFIERS.garment.has(word)) ? 'garment' : 'body';
}

const ROUND = /^(?:girth|circ|circumference|umfang|weite|contorno|perimetro|tour|circonference)$/;

/** Of what a word may mean, what goes round, where that is said: `hand circumference` is no length of the hand. */
function goingRound(codes: readonly Meaning[], others: readonly string[]): readonly Meaning[] {
  if (!others.some((word) => ROUND.test(word))) return codes;
  const round = codes.filter((code) => measurement(behindMeaning(code)).kind === 'girth');
  return round.length === 0 ? codes : round;
}

/** Words as they stand in a heading, capitals and all. */
function asWritten(text: string, words: string): string {
  return new RegExp(words.replace(/ /g, '[^\\p{L}]+'), 'iu').exec(text)?.[0] ?? words;
}

interface FoundPhrase {
  readonly codes: readonly Meaning[];
  readonly others: readonly string[];
  readonly slip: HeadingGuess['slip'];
}

/** The longest phrase among some words, with the words beside it. */
function phraseIn(words: readonly string[]): FoundPhrase | null {
  for (let count = Math.min(LONGEST_PHRASE, words.length); count > 0; count--)
    for (let at = 0; at + count <= words.length; at++) {
      const codes = PHRASES.get(words.slice(at, at + count).join(' '));
      if (codes === undefined) continue;
      const others = [...words.slice(0, at), ...words.slice(at + count)];
      // Two places in one heading are neither: `chest and hip`, `knee to ankle`.
      const second = phraseIn(others.filter((word) => !NEUTRAL.has(word)));
      if (second === null) return { codes, others, slip: null };
      // `Chest / Brust` is what both of its words may mean.
      const both = codes.filter((code) => second.codes.includes(code));
      return both.length > 0
        ? { codes: both, others: second.others.filter((word) => word !== 'and'), slip: null }
        : { codes: [...codes, ...second.codes], others: [...second.others, 'and'], slip: null };
    }
  return null;
}

/** The same with one word as it was most likely meant: only where one word of the list is near. */
function mended(words: readonly string[]): FoundPhrase | null {
  for (const [at, word] of words.entries()) {
    if (word.length < 5) continue;
    const near = WORD_LIST.filter((one) => isNear(word, one));
    const codes = new Set(near.map((one) => PHRASES.get(one)?.join() ?? one));
    if (near.length === 0 || codes.size !== 1) continue;
    const found = phraseIn(words.map((one, index) => (index === at ? near[0]! : one)));
    if (found !== null) return { ...found, slip: { wrote: word, read: near[0]! } };
  }
  return null;
}

/** One letter more, less or other, or two changed over; two letters in a long word. */
function isNear(word: string, meant: string): boolean {
  if (Math.abs(word.length - meant.length) > 2) return false;
  const apart = distance(word, meant);
  if (apart <= (meant.length >= 9 ? 2 : 1)) return true;
  return (
    word.length === meant.length &&
    [...word].some(
      (_, at) => word.slice(0, at) + (word[at + 1] ?? '') + word[at]! + word.slice(at + 2) === meant,
    )
  );
}

/** Beside these a length is what they are anyway. */
function isLengthOf(word: string, code: Meaning): boolean {
  return /^(?:length|lange|longueur|largo)$/.test(word) && /-length$|^outseam$|^height$/.test(code);
}

/**
 * What a column of numbers could measure, the likelier first: what its heading may mean, then whatever is so
 * long on bodies.
 *
 * @param numbers of the column, in its unit
 * @example likelyMeanings(['chest-girth'], 'cm', [94, 102])[0] // 'chest-girth'
 */
export function likelyMeanings(
  candidates: readonly Meaning[],
  unit: WrittenUnit | null,
  numbers: readonly number[],
): Meaning[] {
  const fits = (code: Meaning) => {
    const units = possibleUnits(code, numbers);
    return unit === null ? units.length > 0 : units.includes(unit);
  };
  const others = CATALOGUE.filter(
    ({ code, kind }) => kind !== 'mass' && !candidates.includes(code) && fits(code),
  );
  const [first, later] = [candidates.filter(fits), candidates.filter((code) => !fits(code))];
  return [...first, ...later, ...(numbers.length === 0 ? [] : others.map(({ code }) => code))].slice(0, 12);
}
