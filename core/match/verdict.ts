import type { MeasurementCode } from '../body/catalogue/codes';
import type { FitPreference, HouseRule } from '../chart/size-chart';
import type { Length } from '../quantity/length';

/** Every verdict, the best first: a garment's verdict is its worst part's. */
export const VERDICTS = [
  'settled',
  'edge',
  'overlap',
  'split',
  'between',
  'not-made',
  'beyond',
  'incomplete',
  'suspect',
] as const;
export type Verdict = (typeof VERDICTS)[number];

/** The verdicts that go on the exceptions list until somebody decides. */
export const FLAGS: readonly Verdict[] = ['between', 'split', 'beyond', 'not-made'];

/** One deciding measurement on the sizes of a part, by label. */
export interface PlacedMeasurement {
  readonly code: MeasurementCode;
  readonly value: Length;
  /** In micrometres; the half-length of the whiskers on the ruler. */
  readonly standardError: number;
  readonly where: 'inside' | 'gap' | 'below' | 'above';
  /** The sizes that hold the value. */
  readonly sizes: readonly string[];
  readonly below: string | null;
  readonly above: string | null;
  readonly toEdge: Length | null;
}

/** The chance of one size; `null` stands for no size of this chart. */
export interface SizeChance {
  readonly size: string | null;
  readonly chance: number;
}

/** Why the verdict is what it is: the facts, for a sentence in either unit. */
export type Reason =
  | { readonly verdict: 'settled'; readonly size: string; readonly tightest: PlacedMeasurement }
  | {
      readonly verdict: 'edge';
      readonly size: string;
      readonly neighbour: string | null;
      readonly chance: number;
      readonly tightest: PlacedMeasurement;
    }
  | {
      readonly verdict: 'overlap';
      readonly sizes: readonly string[];
      readonly preference: FitPreference;
      readonly pick: string;
    }
  | {
      readonly verdict: 'between';
      readonly gaps: readonly PlacedMeasurement[];
      readonly rule: HouseRule;
      readonly pick: string | null;
    }
  | {
      readonly verdict: 'split';
      readonly says: readonly PlacedMeasurement[];
      readonly rule: HouseRule;
      readonly pick: string | null;
    }
  | { readonly verdict: 'beyond'; readonly outside: readonly PlacedMeasurement[] }
  | {
      readonly verdict: 'suspect';
      readonly suspects: readonly MeasurementCode[];
      readonly possible: readonly string[];
    }
  | {
      readonly verdict: 'incomplete';
      readonly missing: readonly MeasurementCode[];
      readonly possible: readonly string[];
    };

/** What is said of one garment for one wearer, with everything it rests on. */
export interface GarmentVerdict {
  readonly verdict: Verdict;
  /** The label to hand over, or `null`: nothing is proposed while a measurement is missing or no size goes. */
  readonly proposed: string | null;
  readonly reason: Reason;
  readonly placements: readonly PlacedMeasurement[];
  /** Largest first, those of at least one in a thousand; empty while incomplete. */
  readonly odds: readonly SizeChance[];
  /** Other sizes a fitter might choose: neighbours of a gap, the common sizes, what the other measurement says. */
  readonly alternates: readonly string[];
  readonly rule: HouseRule;
  readonly preference: FitPreference;
}
