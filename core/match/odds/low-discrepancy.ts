import { normalQuantiles } from '../../capture/normal';

const BITS = 13;

/** How many draws the odds rest on at most. */
export const DRAWS = 1 << BITS;

/**
 * Direction numbers of the Sobol sequence: for each dimension after the first a primitive
 * polynomial, its bits as a number, and the first odd numbers `m`.
 *
 * Source: Joe and Kuo (2008), "Constructing Sobol sequences with better two-dimensional
 * projections", SIAM Journal on Scientific Computing 30(5), the file new-joe-kuo-6.21201; from
 * memory, and compared with the copy that the library SciPy carries.
 */
const DIRECTIONS: readonly (readonly [polynomial: number, m: readonly number[]])[] = [
  [3, [1]],
  [7, [1, 3]],
  [11, [1, 3, 1]],
  [13, [1, 1, 1]],
  [19, [1, 1, 3, 3]],
  [25, [1, 3, 5, 13]],
  [37, [1, 1, 5, 5, 17]],
  [41, [1, 1, 5, 5, 5]],
  [47, [1, 1, 7, 11, 19]],
  [55, [1, 1, 5, 1, 1]],
  [59, [1, 1, 1, 3, 11]],
  [61, [1, 3, 5, 5, 31]],
  [67, [1, 3, 3, 9, 7, 49]],
  [91, [1, 1, 1, 15, 21, 21]],
  [97, [1, 3, 1, 13, 27, 49]],
  [103, [1, 1, 1, 15, 7, 5]],
  [109, [1, 3, 1, 15, 13, 25]],
  [115, [1, 1, 5, 5, 19, 61]],
  [131, [1, 3, 7, 11, 23, 15, 103]],
  [137, [1, 3, 7, 13, 13, 15, 69]],
  [143, [1, 1, 3, 13, 7, 35, 63]],
  [145, [1, 3, 5, 9, 1, 25, 53]],
  [157, [1, 3, 1, 13, 9, 35, 107]],
  [167, [1, 3, 1, 5, 27, 61, 31]],
  [171, [1, 1, 5, 11, 19, 41, 61]],
  [185, [1, 3, 5, 3, 3, 13, 69]],
  [191, [1, 1, 7, 13, 1, 19, 1]],
  [193, [1, 3, 7, 5, 13, 19, 59]],
  [203, [1, 1, 3, 9, 25, 29, 41]],
  [211, [1, 3, 5, 13, 23, 1, 55]],
  [213, [1, 3, 7, 3, 13, 59, 17]],
];

/** Dimensions of the sequence itself; a chart of more measurements gets the rest of them shuffled. */
export const DIMENSIONS = DIRECTIONS.length + 1;

const NORMALS: Float64Array[] = [];

/**
 * One coordinate of a fixed set of 8,192 points that fill the unit cube evenly, as standard normal
 * draws: the first points of the Sobol sequence, scrambled. Every coordinate takes each of 8,192
 * equally likely values once, and the first 1,024 points are an even set by themselves. The same
 * everywhere, so that server and screen say the same odds.
 *
 * @example normalCoordinate(0).length // 8192
 */
export function normalCoordinate(dimension: number): Float64Array {
  return (NORMALS[dimension] ??= Float64Array.from(
    evenCoordinate(dimension),
    (cell) => normalQuantiles(DRAWS)[cell]!,
  ));
}

/**
 * The same coordinate in whole 8,192ths.
 *
 * @example new Set(evenCoordinate(0).slice(0, 8)).size // 8
 */
export function evenCoordinate(dimension: number): Uint16Array {
  if (dimension >= DIMENSIONS) return shuffled(dimension);
  const scrambled = scrambling(dimension);
  return sobolCoordinate(dimension).map((cell) => scrambled[cell]!);
}

/**
 * Every cell's cell after nested scrambling (Owen 1995, "Randomly permuted (t,m,s)-nets and
 * (t,s)-sequences"): each bit is turned over or not by what stands before it. The set stays as even
 * as it was, and loses the pattern along the diagonals by which the sequence itself would weigh two
 * readings wrongly that are just alike.
 */
function scrambling(dimension: number): Uint16Array {
  let from = Uint16Array.of(0);
  for (let bit = 0; bit < BITS; bit++) {
    const finer = new Uint16Array(from.length * 2);
    from.forEach((to, prefix) => {
      const turned = mixed(dimension * 0x10000 + from.length + prefix) & 1;
      finer[prefix * 2] = to * 2 + turned;
      finer[prefix * 2 + 1] = to * 2 + (1 - turned);
    });
    from = finer;
  }
  return from;
}

/** A number well mixed from another (the finaliser of MurmurHash3, from memory). */
function mixed(number: number): number {
  let state = Math.imul(number ^ (number >>> 16), 0x85ebca6b);
  state = Math.imul(state ^ (state >>> 13), 0xc2b2ae35);
  return (state ^ (state >>> 16)) >>> 0;
}

/**
 * One coordinate of the Sobol sequence itself, in whole 8,192ths, in the order of the Gray code
 * (Antonov and Saleev 1979): from point to point one direction changes.
 *
 * @example sobolCoordinate(0).length === evenCoordinate(0).length // true
 */
export function sobolCoordinate(dimension: number): Uint16Array {
  const directions = directionsOf(dimension);
  const column = new Uint16Array(DRAWS);
  for (let point = 1; point < DRAWS; point++) {
    const changed = Math.log2(point & -point);
    column[point] = column[point - 1]! ^ directions[changed]!;
  }
  return column;
}

function directionsOf(dimension: number): number[] {
  if (dimension === 0) return Array.from({ length: BITS }, (_, bit) => 1 << (BITS - 1 - bit));
  const [polynomial, first] = DIRECTIONS[dimension - 1]!;
  const degree = first.length;
  const m = [...first];
  for (let at = degree; at < BITS; at++) {
    let next = m[at - degree]! ^ (m[at - degree]! << degree);
    for (let term = 1; term < degree; term++)
      if ((polynomial >> (degree - term)) & 1) next ^= m[at - term]! << term;
    m.push(next);
  }
  return m.slice(0, BITS).map((one, at) => one << (BITS - 1 - at));
}

/** Beyond the sequence: a coordinate in an order of its own, by a small fixed generator (xorshift, Marsaglia 2003). */
function shuffled(dimension: number): Uint16Array {
  const column = evenCoordinate(dimension % DIMENSIONS);
  let state = 0x9e3779b9 ^ dimension;
  for (let at = DRAWS - 1; at > 0; at--) {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    const other = (state >>> 0) % (at + 1);
    [column[at], column[other]] = [column[other]!, column[at]!];
  }
  return column;
}
