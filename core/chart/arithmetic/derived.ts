import type { MeasurementCode } from '../../body/catalogue/codes';
import type { Length } from '../../quantity/length';
import type { DerivedCode } from '../column-code';
import type { DerivationStep } from './steps';

/** One line of a maker's arithmetic, as it was carried out for somebody. */
export interface DerivedLine {
  readonly step: DerivationStep;
  readonly operands: readonly { readonly text: string; readonly value: Length }[];
  readonly result: Length;
}

/** Why a derivation, or a measurement as a chart takes it, comes to nothing. */
export type DeriveProblem =
  | { readonly code: 'missing'; readonly readings: readonly MeasurementCode[] }
  /** It goes by the size of a part that is not known yet. */
  | { readonly code: 'waits'; readonly part: string }
  /** It goes by the size of a part that no size goes for. */
  | { readonly code: 'no-size'; readonly part: string }
  | { readonly code: 'requirement'; readonly because: string; readonly readings: readonly MeasurementCode[] }
  /** Past the maker's own table, on whichever side. */
  | { readonly code: 'off-scale'; readonly step: string; readonly value: Length };

/** What a derivation comes to, with its lines up to the end or to where it broke off. */
export interface Derived {
  readonly code: DerivedCode;
  readonly name: string;
  readonly lines: readonly DerivedLine[];
  readonly result: Length | null;
  readonly problem: DeriveProblem | null;
  /** The measurements it rests on. */
  readonly readings: readonly MeasurementCode[];
}
