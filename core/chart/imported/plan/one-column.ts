// One column by its heading, its cells, and what is said of the whole table.
import { isDerivedCode } from '../../column-code';
import { parseColumnHeading } from '../../formats/heading';
import { numbersIn } from '../cells/dual-cell';
import { isMark, isNotGiven } from '../cells/not-given';
import { guessHeading, type HeadingGuess } from '../words/guess-heading';
import type { Meaning } from '../words/meaning';
import { classRank } from '../words/size-words';
import { unitsOfCell, KEPT_IN, type WrittenUnit } from '../words/unit-evidence';
import { plainWords } from '../words/vocabulary';
import type { PlannedRow } from '../layout/outline';
import type { General } from './general';
import type { Heading } from './headings';
import { asThousands, large, withMeaning, type PlannedColumn, type UnitSource } from './planned-column';

/** What of a table its columns are planned from. */
export interface Table {
  readonly body: readonly PlannedRow[];
  readonly headings: readonly Heading[];
  /** Lines around it. */
  readonly notes: readonly string[];
  readonly general: General;
  readonly remembered: ReadonlyMap<string, Meaning>;
}

/** A column that is no measurement. */
export function plain(
  index: number,
  heading: string,
  cells: readonly string[],
  means: 'size' | 'class' | 'label',
): PlannedColumn {
  return { ...blank(String(index), index, null, heading, cells), means };
}

function blank(
  key: string,
  index: number,
  half: 0 | 1 | null,
  heading: string,
  cells: readonly string[],
): PlannedColumn {
  return {
    key,
    index,
    half,
    heading,
    means: null,
    system: null,
    class: null,
    follows: null,
    unit: null,
    named: null,
    namedBy: null,
    proposes: null,
    of: 'body',
    times: 1,
    ease: null,
    candidates: [],
    recalled: false,
    unknown: [],
    slip: null,
    asks: null,
    apartAt: -1,
    numbers: [],
    thousands: false,
    sample: cells.filter(Boolean).slice(0, 3),
    upperIn: null,
    eitherSide: null,
    spreads: false,
    toNext: false,
    says: '',
  };
}

/** Plans a column: what it means and in which unit, by its own words; what those leave open is asked. */
export function planColumn(
  { general, remembered, headings }: Table,
  place: Pick<PlannedColumn, 'key' | 'index' | 'half'>,
  heading: Heading,
  cells: readonly string[],
  unitOfHalf: WrittenUnit | null,
): PlannedColumn {
  const { text } = heading;
  const base = blank(place.key, place.index, place.half, joined(heading), cells);
  const numbers = large(cells.flatMap(numbersIn));
  // A heading as exports write it says of its column what the cells are, and is taken at its word.
  const own = parseColumnHeading(text);
  if (own.ok && !isDerivedCode(own.value.code)) {
    const { code, unit } = own.value;
    const says = /\(\w+(,.*)\)$/.exec(text.trim())?.[1] ?? '';
    const column: PlannedColumn = {
      ...base,
      means: code,
      unit,
      named: unit,
      namedBy: 'heading',
      numbers,
      candidates: [code],
      says,
    };
    // What a heading says of ease is of garments, and those may be of any size.
    return says === '' ? withMeaning(asThousands(column, cells, code), code) : column;
  }
  const guess = withSides(besideTorso(guessHeading(text), headings), text, cells);
  const [named, namedBy] = unitOf(cells, guess.unit ?? heading.unit, general.unit, unitOfHalf, place.half);
  const column: PlannedColumn = {
    ...base,
    numbers,
    named,
    namedBy,
    unit: named === null ? null : KEPT_IN[named],
    class: heading.class ?? guess.class,
    candidates: text === '' && heading.class === null ? [] : guess.candidates,
    of: guess.of === 'body' ? general.of : guess.of,
    unknown: guess.unknown,
    slip: guess.slip,
    eitherSide: guess.eitherSide,
  };
  // Marks say what is made, in a length or with something: left out only where somebody says so.
  const marks =
    (classRank(text) !== null || (guess.candidates.length > 0 && guess.unknown.length === 0)) &&
    cells.some(isMark) &&
    cells.every((cell) => isMark(cell) || isNotGiven(cell));
  if (numbers.length === 0) return { ...column, candidates: [], asks: marks ? 'left-out' : null };
  if (text === '' && heading.class === null) return { ...column, candidates: [], asks: 'left-out' };
  if (guess.candidates.length === 1 && guess.candidates[0] === 'weight') return { ...column, asks: 'mass' };
  const recalled = guess.code === null ? remembered.get(plainWords(text)) : undefined;
  const code = recalled ?? guess.code;
  const sure = recalled !== undefined ? { ...column, recalled: true } : column;
  return withMeaning(asThousands(sure, cells, code ?? guess.candidates[0]), code, 'which-measurement');
}

/** How far its numbers go is heard where they are single and the heading names one unit; else it is not understood. */
function withSides(guess: HeadingGuess, heading: string, cells: readonly string[]): HeadingGuess {
  if (guess.eitherSide === null) return guess;
  const single = cells.every((cell) => isNotGiven(cell) || numbersIn(cell).length === 1);
  const units = new Set(heading.match(/(?<!\p{L})(?:cm|mm|in(?:ch(?:es)?)?)(?!\p{L})|["″”]/giu));
  if (single && units.size < 2) return guess;
  return { ...guess, code: null, eitherSide: null, unknown: [...guess.unknown, `± ${guess.eitherSide}`] };
}

/** What a table with several torso lengths down the back means otherwise than others: costumes have their hip at the hip bones. */
const TORSO: readonly Meaning[] = ['back-waist-length', 'nape-to-high-hip', 'nape-to-hip', 'nape-to-crotch'];
const OF_COSTUMES: Readonly<Partial<Record<Meaning, readonly Meaning[]>>> = {
  'hip-girth': ['high-hip-girth', 'hip-girth'],
  'nape-to-hip': ['nape-to-high-hip', 'nape-to-hip'],
  'inside-leg-length': ['inside-leg-to-ankle-top', 'inside-leg-length'],
};

/** A guess beside the other headings: `hip` and `inseam` beside two or more torso lengths are asked about. */
function besideTorso(guess: HeadingGuess, headings: readonly Heading[]): HeadingGuess {
  const others = guess.code === null ? undefined : OF_COSTUMES[guess.code];
  if (others === undefined) return guess;
  const torso = headings.filter(({ text }) => {
    const { code } = guessHeading(text);
    return code !== null && TORSO.includes(code);
  });
  return torso.length < 2 ? guess : { ...guess, code: null, candidates: others };
}

/** The unit of a column, with whence: its cells, its heading, what stands around the table. */
function unitOf(
  cells: readonly string[],
  heading: WrittenUnit | null,
  general: WrittenUnit | null,
  ofHalf: WrittenUnit | null,
  half: 0 | 1 | null,
): readonly [WrittenUnit | null, UnitSource | null] {
  const inCells = new Set(cells.flatMap(unitsOfCell));
  if (half !== null) return ofHalf === null ? [null, null] : [ofHalf, inCells.size > 0 ? 'cells' : 'heading'];
  // Feet in the cells are feet, whatever the heading says of inches.
  if (inCells.size === 1 && inCells.has('ft') && (heading === null || heading === 'in' || heading === 'ft'))
    return ['ft', 'cells'];
  // A column whose cells name several units, or another than its heading, names none.
  const named = new Set([...inCells, ...(heading === null ? [] : [heading])]);
  if (named.size === 0) return general === null ? [null, null] : [general, 'note'];
  return named.size === 1 ? [[...named][0]!, heading === null ? 'cells' : 'heading'] : [null, null];
}

/** The whole heading of a column, its class with it. */
export function joined({ text, class: named }: Heading): string {
  return [text, named].filter(Boolean).join(' ');
}
