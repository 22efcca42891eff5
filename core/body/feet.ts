import type { Length } from '../quantity/length';
import type { MeasurementCode } from './catalogue/codes';

/** The foot that counts: the longer of the two, and the wider, whichever foot each is on. */
export interface CountingFeet {
  readonly length: Length | null;
  readonly width: Length | null;
}

/**
 * Takes the longer and the wider foot; `null` until both feet have been measured that way.
 *
 * @example countingFeet(new Map([['foot-length-left', mm(262)], ['foot-length-right', mm(265)]])).length // 265000
 */
export function countingFeet(values: ReadonlyMap<MeasurementCode, Length>): CountingFeet {
  const larger = (left: Length | undefined, right: Length | undefined): Length | null =>
    left === undefined || right === undefined ? null : left > right ? left : right;
  return {
    length: larger(values.get('foot-length-left'), values.get('foot-length-right')),
    width: larger(values.get('foot-width-left'), values.get('foot-width-right')),
  };
}
