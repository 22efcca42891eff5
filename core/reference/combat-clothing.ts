import { failure, success, type Outcome } from '../outcome';
import { cm, MICROMETRES_PER, type Length } from '../quantity/length';
import { adjoining, namedPart } from './published-chart';
import type { ChartPart } from '../chart/chart-shape';

/**
 * A size of combat clothing: the body's height and chest girth it is for.
 *
 * Source: STANAG 2335, from memory.
 */
export interface CombatSize {
  readonly height: { readonly from: Length; readonly to: Length };
  readonly chest: { readonly from: Length; readonly to: Length };
}

/** Why a text is no size of combat clothing. */
export type CombatSizeProblem =
  | { readonly reason: 'shape' }
  | { readonly reason: 'no-range'; readonly of: 'height' | 'chest' };

/** The least each may be, in cm: what decides the hundreds that the figures leave out. */
const LEAST = { height: 130, chest: 60 } as const;
/** No size spans more than this, in cm. */
const MOST_SPAN = 40;

/**
 * Reads the eight figures of a size: height from and to, chest from and to, in cm, each
 * without its hundreds.
 *
 * @example parseCombatSize('8090/9505').value.height // { from: cm(180), to: cm(190) }
 */
export function parseCombatSize(text: string): Outcome<CombatSize, CombatSizeProblem> {
  const figures = /^\s*(\d\d)\s?(\d\d)\s?[/-]?\s?(\d\d)\s?(\d\d)\s*$/.exec(text);
  if (figures === null) return failure({ reason: 'shape' });
  const [heightFrom, heightTo, chestFrom, chestTo] = figures.slice(1).map(Number) as [
    number,
    number,
    number,
    number,
  ];
  const height = rangeOf(LEAST.height, heightFrom, heightTo);
  if (height === null) return failure({ reason: 'no-range', of: 'height' });
  const chest = rangeOf(LEAST.chest, chestFrom, chestTo);
  if (chest === null) return failure({ reason: 'no-range', of: 'chest' });
  return success({ height, chest });
}

/**
 * Says what is wrong with such a text, and what to write.
 *
 * @example sayCombatSizeProblem({ reason: 'span', of: 'height' }) // 'The height of this size ends no higher than it begins, or spans more than 40 cm. Look at the label again.'
 */
export function sayCombatSizeProblem(problem: CombatSizeProblem): string {
  return problem.reason === 'shape'
    ? 'A combat clothing size is eight figures, such as 8090/9505: height from and to, chest from and to, in cm without the hundreds.'
    : `The ${problem.of} of this size ends no higher than it begins, or spans more than ${MOST_SPAN} cm. Look at the label again.`;
}

/**
 * Writes a size as its eight figures; whole centimetres, the hundreds left out.
 *
 * @example writeCombatSize({ height: { from: cm(180), to: cm(190) }, chest: { from: cm(95), to: cm(105) } }) // '8090/9505'
 */
export function writeCombatSize({ height, chest }: CombatSize): string {
  return `${figuresOf(height.from)}${figuresOf(height.to)}/${figuresOf(chest.from)}${figuresOf(chest.to)}`;
}

/**
 * Sizes of combat clothing as a part of a chart, in the order given, by height and chest.
 *
 * @example combatClothingPart([parseCombatSize('8090/9505').value]).columns.map(({ code }) => code) // ['height', 'chest-girth']
 */
export function combatClothingPart(sizes: readonly CombatSize[]): ChartPart {
  const cellsOf = (of: 'height' | 'chest') =>
    sizes.flatMap((size) => adjoining('height', 'cm', [size[of].from, size[of].to]).cells);
  const column = adjoining('height', 'cm', [cm(0), cm(1)]);
  return namedPart('size', 'Size', sizes.map(writeCombatSize), [
    { ...column, code: 'height', cells: cellsOf('height') },
    { ...column, code: 'chest-girth', cells: cellsOf('chest') },
  ]);
}

function rangeOf(least: number, from: number, to: number): CombatSize['height'] | null {
  const lower = withHundreds(from, least);
  const upper = withHundreds(to, lower + 1);
  return upper - lower > MOST_SPAN ? null : { from: cm(lower), to: cm(upper) };
}

/** The least number not below `least` that ends in these two figures. */
function withHundreds(figures: number, least: number): number {
  return figures + 100 * Math.max(0, Math.ceil((least - figures) / 100));
}

function figuresOf(length: Length): string {
  return String(Math.round(length / MICROMETRES_PER.cm) % 100).padStart(2, '0');
}
