import type { MeasurementCode } from '../../body/catalogue/codes';

/** How a measurement goes with one that the statistics know. */
export interface Proportion {
  readonly from: 'height' | 'chest-girth' | 'waist-girth' | 'navel-girth';
  /** A usual value of that, in millimetres, and what this one then is. */
  readonly at: number;
  readonly is: number;
  /** By which power it grows with the other. */
  readonly power: number;
  /** How far people differ, as a share: a standard deviation of the logarithm. */
  readonly spread: number;
  /** What differs in the same way: a left foot goes with the right. */
  readonly like: string;
}

/**
 * Measurements that the statistics do not have, as they usually go with those they have: working values of ours, from
 * memory, no source. They are wide, and good for an order of many and for nobody alone; none of a protective garment is
 * among them.
 */
export const PROPORTIONS: Readonly<Partial<Record<MeasurementCode, Proportion>>> = {
  'neck-girth': { from: 'chest-girth', at: 980, is: 380, power: 0.6, spread: 0.045, like: 'neck' },
  'abdominal-girth': { from: 'navel-girth', at: 880, is: 890, power: 1, spread: 0.03, like: 'belly' },
  'trouser-waist-girth': { from: 'waist-girth', at: 800, is: 850, power: 0.95, spread: 0.035, like: 'belly' },
  'underbust-girth': { from: 'chest-girth', at: 920, is: 790, power: 0.9, spread: 0.04, like: 'underbust' },
  'inside-leg-length': { from: 'height', at: 1_720, is: 780, power: 1.2, spread: 0.035, like: 'leg' },
  outseam: { from: 'height', at: 1_720, is: 1_040, power: 1.1, spread: 0.03, like: 'leg' },
  'cervicale-to-wrist': { from: 'height', at: 1_720, is: 800, power: 1, spread: 0.035, like: 'arm' },
  'trunk-girth': { from: 'height', at: 1_720, is: 1_620, power: 0.9, spread: 0.045, like: 'trunk' },
  'head-girth': { from: 'height', at: 1_720, is: 565, power: 0.35, spread: 0.026, like: 'head' },
  'hand-girth': { from: 'height', at: 1_720, is: 203, power: 1.1, spread: 0.06, like: 'hand' },
  'hand-length': { from: 'height', at: 1_720, is: 186, power: 1, spread: 0.045, like: 'hand' },
  'foot-length-left': { from: 'height', at: 1_720, is: 256, power: 1, spread: 0.037, like: 'foot' },
  'foot-length-right': { from: 'height', at: 1_720, is: 256, power: 1, spread: 0.037, like: 'foot' },
  'foot-width-left': { from: 'height', at: 1_720, is: 98, power: 0.9, spread: 0.055, like: 'foot width' },
  'foot-width-right': { from: 'height', at: 1_720, is: 98, power: 0.9, spread: 0.055, like: 'foot width' },
};
