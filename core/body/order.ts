import { CHAINS, type ChainCode } from './chains';
import { measurement } from './catalogue';
import { MEASUREMENT_CODES, type MeasurementCode } from './catalogue/codes';
import { STANCES } from './measurement';

/** One laying of the tape: a measurement, or several that are read in passing along a chain. */
export interface Placing {
  /** `null` where the tape is laid for one measurement alone. */
  readonly chain: ChainCode | null;
  readonly codes: readonly MeasurementCode[];
}

/**
 * Orders measurements as they are taken: each once, all of a stance together, shoes off once,
 * one foot after the other, and otherwise from the catalogue's top to its bottom. What shares its
 * landmark and stance is read in one placing of the tape, wherever two or more are asked for. Every
 * stance is entered once and the shoes come off at most once, so no order has fewer changes.
 *
 * @param wayOf how each is taken, as a text: what is taken otherwise is no mark of the same tape
 *
 * @example placingsOf(['waist-to-hip', 'chest-girth', 'waist-to-knee']).length // 2
 */
export function placingsOf(
  codes: readonly MeasurementCode[],
  wayOf: (code: MeasurementCode) => string = () => '',
): Placing[] {
  const wanted = [...new Set(codes)];
  const chained = Object.values(CHAINS).flatMap(({ code: chain, marks }) => {
    const own = marks.map(({ code }) => code).filter((code) => wanted.includes(code));
    return [...new Set(own.map(wayOf))].flatMap((way): Placing[] => {
      const together = own.filter((code) => wayOf(code) === way);
      return together.length < 2 ? [] : [{ chain, codes: together }];
    });
  });
  // Where something is taken in shoes they stay on for it first.
  const worn = wanted.some((code) => shoesFor(code) === 'on');
  const joined = new Set(chained.flatMap((placing) => placing.codes));
  const alone = wanted.filter((code) => !joined.has(code));
  return [...chained, ...alone.map((code): Placing => ({ chain: null, codes: [code] }))].sort((a, b) => {
    const [left, right] = [rank(a, worn), rank(b, worn)];
    return left.map((one, index) => one - right[index]!).find((differs) => differs !== 0) ?? 0;
  });
}

/**
 * The measurements of `placingsOf`, one after the other.
 *
 * @example planSteps(['foot-length-left', 'height', 'notch-to-belt-seated', 'chest-girth']) // ['height', 'chest-girth', 'notch-to-belt-seated', 'foot-length-left']
 */
export function planSteps(
  codes: readonly MeasurementCode[],
  wayOf?: (code: MeasurementCode) => string,
): MeasurementCode[] {
  return placingsOf(codes, wayOf).flatMap((placing) => placing.codes);
}

function rank({ codes }: Placing, shoesWorn: boolean): number[] {
  const first = codes[0]!;
  const stances = codes.map((code) => STANCES.indexOf(measurement(code).stance));
  return [
    stances[0]!,
    // A height is taken first, at the wall: nothing has been marked or tied yet.
    !shoesWorn && isAtTheWall(first) ? 0 : 1,
    Math.max(...codes.map(shoesRank)),
    // A chain that ends in another stance comes last in its own, so that nobody stands up twice.
    Math.max(...stances),
    sideRank(first),
    isAtTheWall(first) ? 0 : 1,
    Math.min(...codes.map((code) => MEASUREMENT_CODES.indexOf(code))),
  ];
}

function isAtTheWall(code: MeasurementCode): boolean {
  return measurement(code).instruments[0] === 'wall-and-square';
}

/** What is taken to the floor or to the sole, and so without shoes. */
const BAREFOOT: ReadonlySet<MeasurementCode> = new Set<MeasurementCode>([
  'height',
  'weight',
  'heel-girth',
  'outside-leg-length',
  'waist-to-floor-tiptoe',
  'trouser-waist-to-floor',
  'shoulder-to-floor',
  'knee-to-floor',
  'hip-to-floor',
]);

/** What is taken in the shoes that will be worn. */
const IN_SHOES: ReadonlySet<MeasurementCode> = new Set<MeasurementCode>([
  'height-in-shoes',
  'outseam',
  'hollow-to-hem',
]);

/**
 * What a step needs of the shoes: those to be worn, none, or either.
 *
 * @example shoesFor('height') // 'off'
 */
export function shoesFor(code: MeasurementCode): 'on' | 'off' | 'either' {
  if (IN_SHOES.has(code)) return 'on';
  return BAREFOOT.has(code) || measurement(code).kind === 'foot' ? 'off' : 'either';
}

/**
 * Which side of the body a step is taken on, where it has one.
 *
 * @example sideOf('foot-length-left') // 'left'
 */
export function sideOf(code: MeasurementCode): 'left' | 'right' | null {
  return code.endsWith('-left') ? 'left' : code.endsWith('-right') ? 'right' : null;
}

/**
 * How often an order bothers the wearer: changes of stance, of shoes and of side. What the
 * plan minimises, and what its spec compares with every other order.
 *
 * @example bother(['chest-girth', 'notch-to-belt-seated']) > bother(['chest-girth', 'waist-girth']) // true
 */
export function bother(codes: readonly MeasurementCode[]): number {
  let changes = 0;
  let shoes: 'on' | 'off' | 'either' = 'either';
  codes.forEach((code, index) => {
    const before = codes[index - 1];
    if (before !== undefined) {
      if (measurement(code).stance !== measurement(before).stance) changes += 1;
      else if (sideOf(code) !== sideOf(before)) changes += 1;
    }
    const wanted = shoesFor(code);
    if (wanted === 'either') return;
    if (shoes !== 'either' && shoes !== wanted) changes += 1;
    shoes = wanted;
  });
  return changes;
}

function shoesRank(code: MeasurementCode): number {
  return { on: 0, either: 1, off: 2 }[shoesFor(code)];
}

function sideRank(code: MeasurementCode): number {
  return sideOf(code) === 'right' ? 1 : 0;
}
