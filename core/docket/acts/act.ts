import * as z from 'zod';
import type { MeasurementCode } from '../../body/catalogue/codes';
import type { WaistPlace } from '../../body/waist';
import type { InchParts } from '../../quantity/format-length';
import type { Author, Docket } from '../docket';
import type { Refusal } from '../refusal';
import type { Library } from '../library';
import type { ActCapability } from '../trust';

/** A UUID v7 made where the act is done, so that sending it again changes nothing. */
export const idSchema = z.uuidv7();

const EARLIEST = Date.UTC(1970, 0, 1);
const LATEST = Date.UTC(2200, 0, 1);

/** A moment in UTC, as ISO 8601, to the millisecond: however it is written, the same moment is the same text. */
export const instantSchema = z.iso
  .datetime()
  .refine((text) => Date.parse(text) >= EARLIEST && Date.parse(text) < LATEST, {
    error: 'The time of this change is not plausible. Set the clock of this device.',
  })
  .transform((text) => new Date(text).toISOString());

/**
 * One line of words.
 *
 * @example wordsSchema(40).safeParse('  ').success // false
 */
export const wordsSchema = (most: number) => z.string().trim().min(1).max(most);

const authorSchema = z.object({ id: idSchema, name: z.string().max(120) });

/**
 * What every act has: an id, its docket, the moment it was done by the clock of the device, who did it,
 * and the act it takes back, where it does.
 */
export const ACT_BASE = {
  id: idSchema,
  docketId: idSchema,
  at: instantSchema,
  by: authorSchema,
  undoes: idSchema.optional(),
};

/** An act as far as all of them are alike. */
export interface BaseAct {
  readonly id: string;
  readonly docketId: string;
  readonly kind: string;
  readonly at: string;
  readonly by: Author;
  readonly undoes?: string | undefined;
}

/** Names of what an act speaks of, for its sentence; what is not known goes by a plain word. */
export interface ActNames {
  readonly garment: (chartId: string) => string;
  readonly protocol: (protocolId: string) => string;
  /** Into how many parts the house writes an inch. */
  readonly inchParts: InchParts;
}

/** What takes an act back: an act of some kind, before it is said by whom and when. */
export type Undoing = { readonly kind: string } & Readonly<Record<string, unknown>>;

/** How an act is taken back that was done last: the act that does it, or `null` where nothing has to be. */
export type Undo<Act> = (before: Docket, act: Act, now: Docket, library: Library) => Undoing | null;

/** A value on record that an act carries over to its docket. */
export interface RecordedReading {
  readonly code: MeasurementCode;
  readonly carriedFrom: string;
  readonly waist?: WaistPlace | undefined;
}

/** What of that which an act names has to be found before it can be let in, or be read again. */
export interface ActNeeds {
  /** Versions of charts. */
  readonly charts: readonly string[];
  readonly protocols: readonly string[];
  /** A reading that the wearer has on another docket, or has sent. */
  readonly recorded: RecordedReading | null;
}

const NOTHING: ActNeeds = { charts: [], protocols: [], recorded: null };
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

/** A kind of act: everything there is to know of it, in one place. What it asks of others is asked here and nowhere else. */
export interface ActKind<Act extends BaseAct> {
  readonly kind: Act['kind'];
  readonly schema: z.ZodType<Act, unknown>;
  /** Why it cannot be done on a docket as it stands; `null` where it can. */
  readonly refuse: (docket: Docket, act: Act, library: Library) => Refusal | null;
  /**
   * Why it cannot be done whatever was done before. A kind that has it rests on nothing else: it is let in without its
   * docket being read.
   */
  readonly refuseAlone?: (act: Act) => Refusal | null;
  /** The docket it makes where there is none. Only such an act can be the first. */
  readonly opens?: (act: Act) => Docket;
  /** What is found when it is let in, and kept with it so that it stays as it was; never taken from who sends it. */
  readonly finds?: {
    readonly complete: (docket: Docket, act: Act, library: Library) => Act;
    /** The act as it was sent. */
    readonly without: (act: Act) => Act;
  };
  /** The docket after it. What stands in the list has been let in, so nothing is asked here. */
  readonly carryOut: (docket: Docket, act: Act) => Docket;
  /**
   * What takes it back while nothing was done after it; it gets the docket the act was done on, the act, and the docket
   * as it stands. `never` stands in the way of what was done before; `opening` is what a docket is opened with, which is
   * passed over.
   */
  readonly undo: Undo<Act> | 'never' | 'opening';
  /** What was done, for the log: what follows "Odalys Wren". */
  readonly say: (act: Act, names: ActNames) => string;
  /** What whoever does it has to be trusted with. */
  readonly takes: ActCapability;
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
