import type { Random } from './plausible-bodies';

/**
 * Draws from 0 up to 1 that are the same for the same seed (mulberry32, public domain, from memory): better spread than
 * `steadyRandom`, for where millions are drawn, and for simulations in specs.
 *
 * @example seededRandom(7)() === seededRandom(7)() // true
 */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}
