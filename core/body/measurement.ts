import type { Length } from '../quantity/length';
import type { MeasurementCode } from './catalogue/codes';

/**
 * How the wearer is placed while a measurement is taken: standing and facing the fitter, the
 * same on tiptoe, kneeling on one leg, turned away, seated on a hard armless chair, standing on
 * paper for the foot outline, or not involved at all (the heel of a shoe).
 */
export const STANCES = ['standing', 'tiptoe', 'kneeling', 'turned', 'seated', 'on-paper', 'shoe'] as const;
export type Stance = (typeof STANCES)[number];

/** How the tape lies: touching without pressing, snug, with fingers beneath it, or drawn tight. */
export const TENSIONS = ['skin', 'snug', 'one-finger', 'two-fingers', 'drawn-tight'] as const;
export type Tension = (typeof TENSIONS)[number];

/** What is between tape and body: nothing, close-fitting clothes, what is worn beneath the garment, or more. */
export const CLOTHINGS = ['bare', 'close-fitting', 'worn-beneath', 'thick'] as const;
export type Clothing = (typeof CLOTHINGS)[number];

/** What the tape does on the body; a mass is weighed, and kept in whole grams where a length has micrometres. */
export const MEASUREMENT_KINDS = ['girth', 'length', 'height', 'foot', 'mass'] as const;
export type MeasurementKind = (typeof MEASUREMENT_KINDS)[number];

/** What a reading is taken with. `string` is a marked string laid on a ruler afterwards. */
export const INSTRUMENTS = [
  'tape',
  'string',
  'wall-and-square',
  'paper-and-ruler',
  'ruler',
  'scale',
] as const;
export type Instrument = (typeof INSTRUMENTS)[number];

/** One measurement of the body: where it is, how it is taken, and how far a reading can be trusted. */
export interface Measurement {
  /** The code used in files, in the API and in charts. */
  readonly code: MeasurementCode;
  /** The plain name a fitter says aloud. */
  readonly name: string;
  /** A name of at most some fourteen letters, for the tape and for narrow columns. */
  readonly short: string;
  /** Where the tape goes, from where to where, in one or two sentences. */
  readonly place: string;
  readonly kind: MeasurementKind;
  readonly stance: Stance;
  /** The tension taken unless a chart asks for another. */
  readonly tension: Tension;
  readonly instruments: readonly Instrument[];
  /** What makes the number wrong, as short sentences to check against. */
  readonly spoils: readonly string[];
  /** The measurements whose landmark is near or whose name is alike, and that must not stand in for this one. */
  readonly notToBeConfusedWith: readonly MeasurementCode[];
  /**
   * The standard error of one reading by a trained hand. Working values of ours for a soft
   * tape; the maxima of ISO 20685 for body scanners (from memory) are of the same order.
   */
  readonly standardError: Length;
  /** Outside these, about one adult in a thousand or fewer: ask again. */
  readonly limits: { readonly least: Length; readonly most: Length };
}
