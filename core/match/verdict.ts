import type { MeasurementCode } from '../body/catalogue/codes';
import type { Clothing, Tension } from '../body/measurement';
import type { ColumnCode } from '../chart/column-code';
import type { Derived } from '../chart/arithmetic/derived';
import type { FitPreference, HouseRule } from '../chart/chart-shape';
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

/** One measurement, or something derived, on the sizes of a part, by label. */
export interface PlacedMeasurement {
  readonly code: ColumnCode;
  readonly name: string;
  /** Whether it is a foot's, which is told in millimetres. */
  readonly foot: boolean;
  readonly value: Length;
  /** In micrometres; the half-length of the whiskers on the ruler. */
  readonly standardError: number;
  readonly where: 'inside' | 'gap' | 'below' | 'above';
  /** The sizes that hold the value. */
  readonly sizes: readonly string[];
  readonly below: string | null;
  readonly above: string | null;
  readonly toEdge: Length | null;
  /** What it was estimated from, where the measurement itself was not taken. */
  readonly estimatedFrom: ColumnCode | null;
}

/** The chance of one size; `null` stands for no size of this chart. */
export interface SizeChance {
  readonly size: string | null;
  readonly chance: number;
}

/** The chance of a whole label; `null` stands for none: a part without a size, or not made. */
export interface LabelChance {
  readonly label: string | null;
  readonly chance: number;
}

/** What has to be changed on the proposed size for one measurement, and what that size holds. */
export const ALTERATION_DOES = [
  'take-in',
  'let-out',
  'shorten',
  'lengthen',
  'too-large',
  'too-small',
  'too-long',
  'too-short',
] as const;
export type AlterationDoes = (typeof ALTERATION_DOES)[number];

export interface Alteration {
  readonly code: ColumnCode;
  readonly name: string;
  readonly foot: boolean;
  /** What a tailor does; of what is never altered, what is wrong with the size. */
  readonly does: AlterationDoes;
  readonly by: Length;
  readonly holds: { readonly lower: Length | null; readonly upper: Length | null };
}

/** The least that one measurement would have to differ, with the rest as it is, for another size. */
export interface NearestChange {
  readonly code: ColumnCode;
  readonly name: string;
  readonly foot: boolean;
  readonly towards: 'more' | 'less';
  readonly by: Length;
  /** The size it would be; `null` for no size of this chart. */
  readonly into: string | null;
}

/** Why the verdict is what it is: the facts, for a sentence in either unit. */
export type Reason =
  | {
      readonly verdict: 'settled';
      readonly size: string;
      readonly tightest: PlacedMeasurement;
      /** What it would be just past the edge it lies near; nothing where it lies near none. */
      /** At the end of which size it lies, where the fit that is liked makes it the next one. */
      readonly leaned?: { readonly from: string; readonly preference: FitPreference } | undefined;
      readonly past?: { readonly verdict: Verdict; readonly size: string | null } | undefined;
    }
  | {
      readonly verdict: 'edge';
      readonly size: string;
      readonly neighbour: string | null;
      readonly chance: number;
      readonly tightest: PlacedMeasurement;
      /** It is what nobody measured that may make it the other. */
      readonly unmeasured?: boolean | undefined;
    }
  | {
      readonly verdict: 'overlap';
      readonly sizes: readonly string[];
      readonly preference: FitPreference;
      readonly pick: string;
      /** Whether the part's sizes are longer and shorter. */
      readonly along?: 'girth' | 'length' | undefined;
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
  | {
      readonly verdict: 'beyond';
      readonly outside: readonly PlacedMeasurement[];
      /** What lies outside the maker's own table, by its name. */
      readonly offScale: readonly string[];
      /** The name of a part that has no size, where this one goes by it. */
      readonly without: string | null;
    }
  | {
      readonly verdict: 'suspect';
      readonly suspects: readonly MeasurementCode[];
      readonly possible: readonly string[];
      /** A requirement of the maker's arithmetic that the readings do not meet. */
      readonly requirement: string | null;
    }
  | {
      readonly verdict: 'incomplete';
      readonly missing: readonly MeasurementCode[];
      readonly possible: readonly string[];
      /** The name of the part whose size must be known first. */
      readonly waitsFor: string | null;
    };

/** What is said of one part of a garment. */
export interface PartVerdict {
  readonly part: string;
  readonly name: string;
  readonly verdict: Exclude<Verdict, 'not-made'>;
  /** The size of this part, or `null` where none is proposed. */
  readonly proposed: string | null;
  readonly reason: Reason;
  /** The sizes that came into question, where another part's outcome leaves only some. */
  readonly sizes: readonly string[];
  readonly placements: readonly PlacedMeasurement[];
  /** What the chart reports beside: never decides. */
  readonly advisory: readonly PlacedMeasurement[];
  /** Largest first, those of at least one in a thousand; empty while incomplete. */
  readonly odds: readonly SizeChance[];
  /** Other sizes a fitter might choose: neighbours of a gap, the common sizes, what the other measurement says. */
  readonly alternates: readonly string[];
  readonly alterations: readonly Alteration[];
  /** How little would make it another size; `null` where it has no single size, or nothing is near. */
  readonly change: NearestChange | null;
  readonly rule: HouseRule;
}

/** A measurement that was taken otherwise than the chart expects: said, and never converted. */
export interface TakenOtherwise {
  readonly code: MeasurementCode;
  readonly wanted: { readonly tension: Tension | null; readonly clothing: Clothing | null };
  readonly taken: { readonly tension: Tension | null; readonly clothing: Clothing | null };
}

/** A measurement that nobody took, at what the rest leads one to expect. */
export interface AssumedValue {
  readonly code: MeasurementCode;
  readonly value: Length;
  /** How far people of that build differ, which the odds weigh; `null` where no value could change the size. */
  readonly give: Length | null;
}

/** A measurement that counts at what was read for another. */
export interface CountedAs {
  readonly code: MeasurementCode;
  readonly from: MeasurementCode;
  readonly value: Length;
}

/** What is said of one garment for one wearer, with everything it rests on. */
export interface GarmentVerdict {
  readonly verdict: Verdict;
  /** The label to hand over, or `null`: nothing is proposed while a measurement is missing or no size goes. */
  readonly proposed: string | null;
  /** The size of each part that has one. */
  readonly sizes: Readonly<Record<string, string>>;
  readonly parts: readonly PartVerdict[];
  /** The part that decides the verdict, or `null` where the combination does. */
  readonly worst: string | null;
  /** Labels that are made and near, where the one that was asked for is not. */
  readonly notMade: { readonly asked: string; readonly nearest: readonly string[] } | null;
  /** Other labels a fitter might choose. */
  readonly alternates: readonly string[];
  /** The chance of each label by the tape's error, the likeliest first; empty while incomplete. */
  readonly odds: readonly LabelChance[];
  /** The maker's arithmetic, line by line. */
  readonly derived: readonly Derived[];
  /** Options of the maker whose conditions hold. */
  readonly options: readonly { readonly name: string; readonly adds: string }[];
  /** What was not measured and stands at what the rest leads one to expect. */
  readonly assumed: readonly AssumedValue[];
  readonly takenOtherwise: readonly TakenOtherwise[];
  /** What stands at another measurement's reading, by a custom of the trade: the larger of two hips. */
  readonly countedAs: readonly CountedAs[];
  readonly cautions: readonly string[];
  readonly rule: HouseRule;
  readonly preference: FitPreference;
}

/**
 * The verdict of the part that decides; of a combination that is not made, the first part's.
 *
 * @example decidingPart(judgeOne(docket, jacket, house)).part // 'size'
 */
export function decidingPart({ parts, worst }: Pick<GarmentVerdict, 'parts' | 'worst'>): PartVerdict {
  return parts.find(({ part }) => part === worst) ?? parts[0]!;
}
