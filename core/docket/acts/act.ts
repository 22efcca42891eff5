import { DONE_BASE, idSchema, type DoneAct } from '../../acts/act';
import type { Kind } from '../../acts/kind';
import type { MeasurementCode } from '../../body/catalogue/codes';
import type { WaistPlace } from '../../body/waist';
import type { InchParts } from '../../quantity/format-length';
import type { Length } from '../../quantity/length';
import type { Docket } from '../docket';
import type { Refusal } from '../refusal';
import type { Library } from '../library';
import type { ActCapability } from '../trust';

export { idSchema, instantSchema, wordsSchema } from '../../acts/act';

/** What every act on a docket has: what all acts have, and its docket. */
export const ACT_BASE = { ...DONE_BASE, docketId: idSchema };

/** An act on a docket as far as all of them are alike. */
export interface BaseAct extends DoneAct {
  readonly docketId: string;
}

/** Names of what an act speaks of, for its sentence; what is not known goes by a plain word. */
export interface ActNames {
  readonly garment: (chartId: string) => string;
  readonly protocol: (protocolId: string) => string;
  /** Into how many parts the house writes an inch. */
  readonly inchParts: InchParts;
}

/** A value on record that an act carries over to its docket. */
export interface RecordedReading {
  readonly code: MeasurementCode;
  readonly carriedFrom: string;
  readonly waist?: WaistPlace | undefined;
  /** What it says was read there. */
  readonly length: Length;
}

/** What of that which an act names has to be found before it can be let in, or be read again. */
export interface ActNeeds {
  /** Versions of charts. */
  readonly charts: readonly string[];
  readonly protocols: readonly string[];
  /** A reading that the wearer has on another docket, or has sent. */
  readonly recorded: RecordedReading | null;
  /** A tape that the house has heard, or lets in. */
  readonly tape: string | null;
}

const NOTHING: ActNeeds = { charts: [], protocols: [], recorded: null, tape: null };
/**
 * For acts that name nothing which has to be found.
 *
 * @example needsNothing().charts // []
 */
export const needsNothing = (): ActNeeds => NOTHING;
/**
 * For acts about one garment: its chart.
 *
 * @example needsChart({ chartId: jacket.id }).charts // [jacket.id]
 */
export const needsChart = ({ chartId }: { readonly chartId: string }): ActNeeds => ({
  ...NOTHING,
  charts: [chartId],
});
/**
 * For acts that name other things besides.
 *
 * @example needs({ protocols: ['full-record'] }).charts // []
 */
export const needs = (some: Partial<ActNeeds>): ActNeeds => ({ ...NOTHING, ...some });

/**
 * For acts that are about no garment, or move none.
 *
 * @example noGarments() // []
 */
export const noGarments = (): readonly string[] => [];
/**
 * For acts that are about one garment, or move it.
 *
 * @example itsGarment({ chartId: jacket.id }) // [jacket.id]
 */
export const itsGarment = ({ chartId }: { readonly chartId: string }): readonly string[] => [chartId];

/** A kind of act on a docket: everything there is to know of it, in one place. What it asks of others is asked here and nowhere else. */
export interface ActKind<Act extends BaseAct>
  extends Kind<Docket, Act, Library, Refusal, ActNames, ActCapability> {
  /**
   * Why it cannot be done whatever was done before. A kind that has it rests on nothing else, but that the wearer still
   * agrees, which the database holds: it is let in without its docket being read.
   */
  readonly refuseAlone?: (act: Act) => Refusal | null;
  /** The garments it is about, by their charts. */
  readonly about: (act: Act) => readonly string[];
  /** The garments whose stage, or size to go with, it may move; lists are kept by this. */
  readonly stages: (before: Docket, act: Act) => readonly string[];
  /** Whether it tells how the chart of its garment runs, or takes that back. */
  readonly evidence: boolean;
  /** What has to be found for it. */
  readonly needs: (act: Act) => ActNeeds;
  /** What it is looked up by among many: a chart, a measurement, a reading, a protocol; `null` for nothing. */
  readonly lookedUpBy: (act: Act) => string | null;
}
