/** A drawing of a term: sizes along a tape in parts of a hundred, a reading on it, and how far it may be off. */
export interface TermPicture {
  readonly sizes: readonly { readonly label: string; readonly from: number; readonly to: number }[];
  readonly at: number;
  /** To either side of the reading, where that is what the term is about. */
  readonly error?: number;
  /** Sizes that are meant, by their labels. */
  readonly meant: readonly string[];
}

/** A word a newcomer stops at: what it means here, and what to do about it. */
export interface Term {
  readonly name: string;
  readonly means: string;
  readonly does: string;
  readonly picture?: TermPicture;
}

const THREE = [
  { label: 'S', from: 4, to: 34 },
  { label: 'M', from: 34, to: 66 },
  { label: 'L', from: 66, to: 96 },
] as const;
const APART = [
  { label: 'S', from: 4, to: 30 },
  { label: 'M', from: 38, to: 62 },
  { label: 'L', from: 70, to: 96 },
] as const;
const OVERLAPPING = [
  { label: 'S', from: 4, to: 38 },
  { label: 'M', from: 30, to: 70 },
  { label: 'L', from: 62, to: 96 },
] as const;

/** The words that are explained where they stand on the screen, by the names the screen asks for them. The docs have them too. */
export const TERMS = {
  settled: {
    name: 'Settled',
    means: 'Every measurement that decides is inside one size, well clear of its ends.',
    does: 'Accept the size; the tape’s own error is unlikely to change it.',
    picture: { sizes: THREE, at: 50, meant: ['M'] },
  },
  edge: {
    name: 'At an edge',
    means:
      'The reading is inside one size, but so near its end that the tape’s own error could make it the next.',
    does: 'Look at the odds, measure again if they are close, and try the size on.',
    picture: { sizes: THREE, at: 63, error: 6, meant: ['M', 'L'] },
  },
  overlap: {
    name: 'More than one fits',
    means: 'The chart’s sizes overlap, and the readings are inside two of them.',
    does: 'Ask the wearer whether the garment should be close or roomy.',
    picture: { sizes: OVERLAPPING, at: 66, meant: ['M', 'L'] },
  },
  between: {
    name: 'Between sizes',
    means: 'The chart leaves a gap between two sizes, and the reading is in it.',
    does: 'The house rule proposes one of the two; try it on before you decide.',
    picture: { sizes: APART, at: 66, meant: ['M', 'L'] },
  },
  split: {
    name: 'Split',
    means: 'Two measurements ask for different sizes, for example chest M and waist L.',
    does: 'The house rule proposes one size; the other measurement is altered, or another cut is tried.',
  },
  beyond: {
    name: 'Beyond the range',
    means: 'The reading is outside every size of the chart.',
    does: 'Try another chart, have the garment made to measure, or take the nearest size with a reason.',
    picture: { sizes: THREE, at: 99, meant: [] },
  },
  'not-made': {
    name: 'Not made',
    means: 'Each part of the size exists, but the maker does not make this combination.',
    does: 'Choose one of the nearest combinations that are made.',
  },
  incomplete: {
    name: 'Incomplete',
    means: 'A measurement that decides is missing.',
    does: 'Take the measurements that are named; the sizes that are still possible are listed.',
  },
  suspect: {
    name: 'Suspect',
    means: 'A reading does not fit the other readings, or differs too much from its repetition.',
    does: 'Measure again, or confirm the reading if the wearer is built like that.',
  },
  odds: {
    name: 'Odds',
    means: 'How likely each size is, given that every reading of the tape is off by a little.',
    does: 'Close odds mean that the tape cannot decide: try the size on.',
    picture: { sizes: THREE, at: 62, error: 8, meant: ['M', 'L'] },
  },
  runs: {
    name: 'How a chart runs',
    means:
      'Whether garments of this chart fit smaller or larger than the chart states, estimated from fittings and returns.',
    does: 'The bar shows the 95 % interval; where it does not reach the middle line, a lead fitter can adopt the difference as a new version.',
  },
  doctor: {
    name: 'Chart doctor',
    means:
      'It checks a chart for mistakes such as swapped columns, wrong units, gaps and sizes out of order.',
    does: 'Correct what is wrong, or mark it as intended; notes can stay.',
  },
  allocation: {
    name: 'To order',
    means:
      'Decided garments that are neither in stock, reserved nor on order, and what is below its minimum stock.',
    does: 'Tick the lines, correct the counts, and order them from their maker.',
  },
} as const satisfies Readonly<Record<string, Term>>;

export type TermCode = keyof typeof TERMS;

/**
 * A term by the name the screen asks for it.
 *
 * @example termOf('between').name // 'Between sizes'
 */
export function termOf(code: TermCode): Term {
  return TERMS[code];
}

/**
 * A term as the docs list it, in one line.
 *
 * @example sayTerm(termOf('incomplete')) // '- **Incomplete**: A measurement that decides is missing. Take the measurements that are named; the sizes that are still possible are listed.'
 */
export function sayTerm({ name, means, does }: Term): string {
  return `- **${name}**: ${means} ${does}`;
}
