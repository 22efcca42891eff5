export type { Author } from '../acts/act';
import type { Author } from '../acts/act';
import type { MeasurementCode } from '../body/catalogue/codes';
import type { Clothing, Instrument, Stance, Tension } from '../body/measurement';
import type { ToldItem } from '../body/told-sizes';
import type { WaistPlace } from '../body/waist';
import type { SkirtCut, WishCode } from '../body/wishes';
import type { Confirmation } from '../capture/checks/confirmations';
import type { FitPreference, HouseRule } from '../chart/chart-shape';
import type { Chosen } from '../chart/choices';
import type { AlteredHow } from '../fit/alterations';
import type { FitArea } from '../garment/areas';
import type { GarmentVerdict } from '../match/verdict';
import type { Length, WorkingUnit } from '../quantity/length';
import type { MeasureUnit } from '../quantity/mass';

/** The most garments, and the most protocols, of one docket. */
export const MOST_GARMENTS = 40;

/** A garment on a docket, by the version of its chart, with what stands in the place of the chart's rule and the docket's preference. */
export interface DocketGarment {
  readonly chartId: string;
  readonly rule: HouseRule | null;
  readonly preference: FitPreference | null;
  /** What was chosen of what its chart leaves to be chosen, by the choice; what is not there is as usual. */
  readonly chosen: Chosen;
}

/** Where a reading comes from. */
export const ORIGINS = ['fitter', 'helper', 'self', 'reported'] as const;
export type Origin = (typeof ORIGINS)[number];

/** Where a value comes from, in words. */
export const ORIGIN_WORDS: Readonly<Record<Origin, string>> = {
  fitter: 'read by a fitter',
  helper: 'read by a helper',
  self: 'read by the wearer',
  reported: 'reported, not measured',
};

/** A reading as it stands on a docket; one that was taken back stays. */
export interface Reading {
  readonly id: string;
  readonly code: MeasurementCode;
  /** What was typed or sent, as it was. */
  readonly typed: string;
  /** The unit a bare number took. */
  readonly unit: MeasureUnit;
  readonly length: Length;
  readonly stance: Stance;
  readonly tension: Tension;
  readonly clothing: Clothing;
  /** Where the waist was, of what is read at it; the natural one where nothing is said. */
  readonly waist?: WaistPlace | undefined;
  readonly instrument: Instrument;
  readonly origin: Origin;
  /** When it was first taken, where it was carried over from an earlier docket; such a value is settled. */
  readonly carriedFrom: string | null;
  /** How many readings it rests on, where it was carried over and that is known. */
  readonly carriedReadings?: number | undefined;
  /** The muster for which it was accepted with those of others; nothing where a fitter took it over. */
  readonly acceptedFor?: string | undefined;
  /** The tape that sent it; `null` when it was typed. */
  readonly device: string | null;
  /** By the clock of the device it was taken on. */
  readonly takenAt: string;
  readonly by: Author;
  /** When it was taken back; `null` while it stands. */
  readonly withdrawnAt: string | null;
}

/** A step that was passed over. */
export interface PassedStep {
  readonly code: MeasurementCode;
  readonly reason: string;
  /** Passed over because no plausible value could change a size: asked again after every act. */
  readonly idle: boolean;
}

/** A length that is wanted of a garment, as it was noted last. */
export interface NotedWish {
  readonly wish: WishCode;
  readonly typed: string;
  readonly unit: WorkingUnit;
  readonly length: Length;
  /** Where along its line on the figure it was pointed at, in thousandths. */
  readonly pointed: number | null;
  /** The cut by which it was estimated from the hip; `null` of what was told or measured. */
  readonly estimatedFor: SkirtCut | null;
  readonly by: Author;
  readonly notedAt: string;
}

/** How a garment is to look, as it was noted last. */
export interface NotedStyle {
  /** `null` for what is to be made without a chart. */
  readonly chartId: string | null;
  readonly style: string;
  readonly by: Author;
  readonly notedAt: string;
}

/** What can be done with a garment; `later` leaves it open. */
export const DECISION_OUTCOMES = ['accepted', 'overridden', 'made-to-measure', 'later'] as const;
export type DecisionOutcome = (typeof DECISION_OUTCOMES)[number];

/** What was decided of a garment, with the verdict it was decided on. The latest of a garment stands. */
export interface Decision {
  readonly id: string;
  readonly chartId: string;
  readonly outcome: DecisionOutcome;
  /** The label handed over; `null` where no size is. */
  readonly size: string | null;
  readonly sizes: Readonly<Record<string, string>>;
  readonly reason: string | null;
  readonly readingIds: readonly string[];
  readonly verdict: GarmentVerdict;
  readonly by: Author;
  readonly decidedAt: string;
}

/** What was seen at one check of a trial, last. */
export interface SeenAtTrial {
  readonly check: string;
  /** `right`, one of the check's answers, or `null` where it was left out. */
  readonly answer: string | null;
  /** Why it was left out. */
  readonly reason: string | null;
  readonly by: Author;
  readonly at: string;
}

/** One size of a garment that was put on. */
export interface GarmentTrial {
  readonly id: string;
  readonly chartId: string;
  readonly sizes: Readonly<Record<string, string>>;
  /** The label of the sizes. */
  readonly size: string;
  /** In which outer carrier a panel was worn, where it was. */
  readonly carrier: string | null;
  readonly seen: readonly SeenAtTrial[];
  readonly by: Author;
  readonly triedAt: string;
}

/** Something that is altered on a garment, as it was noted last. */
export interface GarmentAlteration {
  readonly chartId: string;
  readonly area: FitArea;
  readonly how: AlteredHow;
  readonly typed: string;
  readonly unit: WorkingUnit;
  readonly length: Length;
  readonly by: Author;
  readonly notedAt: string;
}

/** What a trial can come to; `open` leaves it open again. */
export const FITTING_OUTCOMES = ['kept', 'made-to-measure', 'open'] as const;
export type FittingOutcome = (typeof FITTING_OUTCOMES)[number];

/** What trying a garment on came to. The latest of a garment stands, as long as nothing was decided since. */
export interface Fitting {
  readonly id: string;
  readonly chartId: string;
  readonly trialId: string;
  readonly outcome: FittingOutcome;
  /** The label that is kept; `null` where it is made to measure. */
  readonly size: string | null;
  readonly sizes: Readonly<Record<string, string>>;
  /** Why it is kept although something was not right. */
  readonly reason: string | null;
  /** The decision that stood. */
  readonly after: string | null;
  readonly by: Author;
  readonly fittedAt: string;
}

/** How a garment can be handed over. */
export const HANDING_WAYS = ['issued', 'hired', 'sold'] as const;
export type HandingWay = (typeof HANDING_WAYS)[number];

/** A wearer's name under what they took: written by their hand, as strokes on a ground 600 wide and 160 high, or typed. */
export type Signature =
  | { readonly by: 'hand'; readonly strokes: number[][] }
  | { readonly by: 'name'; readonly name: string };

/** Why a garment came back, in the trade's words. */
export const RETURN_REASONS = [
  'tight',
  'loose',
  'short',
  'long',
  'changed-mind',
  'faulty',
  'damaged',
  'lost',
  'hire-over',
] as const;
export type ReturnReason = (typeof RETURN_REASONS)[number];

/** Where a garment goes that came back. */
export const RETURN_WAYS = ['stock', 'drying', 'quarantine', 'waste'] as const;
export type ReturnWay = (typeof RETURN_WAYS)[number];

/** That a garment came back. */
export interface CameBack {
  readonly why: ReturnReason;
  /** Where it was tight, loose, short or long. */
  readonly area: FitArea | null;
  readonly note: string | null;
  readonly goes: ReturnWay;
  /** The store room it was taken back into; nothing where the stores have nothing to do with it. */
  readonly to?: string | undefined;
  readonly by: Author;
  readonly at: string;
  /** What had been tried and decided of the garment by then: what is done after it begins anew. */
  readonly trialId: string | null;
  readonly decisionId: string | null;
}

/** From which store room something was taken, and which piece of those that are numbered. */
export interface TakenFrom {
  readonly roomId: string;
  readonly pieceId: string | null;
}

/** A garment that was handed over. */
export interface Handing {
  /** Of the act, which may have handed over several. */
  readonly actId: string;
  readonly chartId: string;
  readonly way: HandingWay;
  /** The label; `null` of what was made to measure. */
  readonly size: string | null;
  readonly sizes: Readonly<Record<string, string>>;
  /** The last day of a hire. */
  readonly until: string | null;
  /** Why it was handed over without having been tried on, where that must be. */
  readonly untried: string | null;
  /** Where in the stores it was taken from; nothing where it was not from there. */
  readonly from?: TakenFrom | undefined;
  readonly signature: Signature;
  readonly by: Author;
  readonly at: string;
  /** `null` while the wearer has it. */
  readonly back: CameBack | null;
}

/** A docket as its acts make it. */
export interface Docket {
  readonly id: string;
  readonly wearerId: string;
  readonly occasion: string;
  readonly unit: WorkingUnit;
  readonly preference: FitPreference;
  readonly openedAt: string;
  /** Whether the wearer agrees to be measured, to which words, and who heard it; `null` where nobody asked. */
  readonly consent: {
    readonly given: boolean;
    readonly wording: number;
    readonly by: Author;
    readonly at: string;
  } | null;
  readonly garments: readonly DocketGarment[];
  /** Protocols measured besides: for garments that have no chart yet, or for the record. */
  readonly protocolIds: readonly string[];
  /** Single measurements asked for besides: a protocol's steps on demand, or any other. */
  readonly extraCodes: readonly MeasurementCode[];
  /** What is worn while it is measured, where two who ask want it differently and the fitter has said. */
  readonly clothing: Readonly<Partial<Record<MeasurementCode, Clothing>>>;
  /** How the tape lies, where two who ask want it differently and the fitter has said. */
  readonly tension: Readonly<Partial<Record<MeasurementCode, Tension>>>;
  /** Where the cord is tied, where two who ask want it differently and the fitter has said. */
  readonly waist: WaistPlace | null;
  /** Sizes of what the wearer has and that fits, as they tell them. */
  readonly told: Readonly<Partial<Record<ToldItem, string>>>;
  /** In the order they were taken on the device, whatever its clock said. */
  readonly readings: readonly Reading[];
  readonly passed: readonly PassedStep[];
  readonly confirmations: readonly Confirmation[];
  /** One of a kind, the one noted last. */
  readonly wishes: readonly NotedWish[];
  readonly styles: readonly NotedStyle[];
  readonly decisions: readonly Decision[];
  /** Every size that was put on, in the order it was. */
  readonly trials: readonly GarmentTrial[];
  readonly alterations: readonly GarmentAlteration[];
  /** The garments whose alterations are done, each once. */
  readonly altered: readonly { readonly chartId: string; readonly by: Author; readonly at: string }[];
  readonly fittings: readonly Fitting[];
  readonly handings: readonly Handing[];
}

/**
 * The garment of a chart, where it stands on a docket.
 *
 * @example garmentOn(docket, jacket.id).rule // null
 */
export function garmentOn(docket: Docket, chartId: string): DocketGarment | undefined {
  return docket.garments.find((one) => one.chartId === chartId);
}

/**
 * How a garment is to look, in the words that were noted; `null` where nothing was.
 *
 * @param chartId `null` for what is to be made without a chart
 *
 * @example styleOf(docket, jacket.id) // null
 */
export function styleOf({ styles }: Docket, chartId: string | null): string | null {
  return styles.find((one) => one.chartId === chartId)?.style ?? null;
}

/**
 * What was decided last of a garment; `null` where nothing was.
 *
 * @example standingDecision(docket, jacket.id).size // 'M'
 */
export function standingDecision({ decisions }: Docket, chartId: string): Decision | null {
  return decisions.filter((one) => one.chartId === chartId).at(-1) ?? null;
}

/**
 * Whether a decision closes its garment; one put off leaves it open.
 *
 * @example isClosing({ outcome: 'later' }) // false
 */
export function isClosing(decision: Pick<Decision, 'outcome'> | null): boolean {
  return decision !== null && decision.outcome !== 'later';
}

/**
 * The readings that count for some measurements: not taken back, in the order taken.
 *
 * @example standingReadings(docket.readings, ['chest-girth']).map(({ typed }) => typed) // ['98', '98.5']
 */
export function standingReadings(
  readings: readonly Reading[],
  codes: readonly MeasurementCode[],
): readonly Reading[] {
  return readings.filter(({ code, withdrawnAt }) => withdrawnAt === null && codes.includes(code));
}

/**
 * Why a step stands passed over, by who passed it last; `null` where it does not. A reading takes it up again.
 *
 * @example passedStep(docket, 'hip-girth') // null
 */
export function passedStep({ passed, readings }: Docket, code: MeasurementCode): PassedStep | null {
  if (standingReadings(readings, [code]).length > 0) return null;
  return passed.filter((one) => one.code === code).at(-1) ?? null;
}
