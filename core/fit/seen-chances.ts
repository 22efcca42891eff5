import { roughlyBelow } from '../capture/normal';
import type { Interval } from '../chart/interval';

/**
 * How what is seen of a garment goes with what the body measures: an ordered model. Whoever looks sees a
 * body that is off by a normal error; what they see is too small where it lies beyond what the size holds,
 * too large where it lies short of it, and right within. So of one body and one size the three chances
 * add up to one, whatever the size holds.
 */

/** What is seen of a place. */
export type Sight = 'small' | 'right' | 'large';

/**
 * How far off the eye is, and how far what a wearer wants and how one garment was cut lie from what the
 * chart says, each as a share of the distance from one size to the next. Working values of ours, no source.
 */
export const EYE_SHARE = 0.15;
export const WEARING_SHARE = 0.35;

/**
 * The chance that something is seen of a body at a size.
 *
 * @param body in micrometres, as the chart means it
 * @param interval what the size holds, in micrometres
 * @param error of the eye, as a standard deviation in micrometres
 * @example chanceOfSight('right', cm(98), { from: cm(94), until: cm(102) }, cm(1)) > 0.99 // true
 */
export function chanceOfSight(
  sight: Sight,
  body: number,
  { from, until }: Pick<Interval, 'from' | 'until'>,
  error: number,
): number {
  const small = roughlyBelow((body - until) / error);
  const large = roughlyBelow((from - body) / error);
  return sight === 'small' ? small : sight === 'large' ? large : Math.max(0, 1 - small - large);
}
