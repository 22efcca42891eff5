import { inches, type Length } from '../quantity/length';

/**
 * The hat size of a head: its girth in inches over pi, to the nearest eighth.
 *
 * Source: common practice of hatters, from memory.
 *
 * @example hatSize(inches(22.75)) // 7.25
 */
export function hatSize(headGirth: Length): number {
  return Math.round((headGirth / inches(1) / Math.PI) * 8) / 8;
}
