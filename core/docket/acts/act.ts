import * as z from 'zod';
import type { Author, Docket } from '../docket';
import type { Refusal } from '../refusal';
import type { Shelf } from '../shelf';

/** A UUID v7 made where the act is done, so that sending it again changes nothing. */
export const idSchema = z.uuidv7();

const EARLIEST = Date.UTC(1970, 0, 1);
const LATEST = Date.UTC(2200, 0, 1);

/** A moment in UTC, as ISO 8601, to the millisecond: however it is written, the same moment is the same text. */
export const instantSchema = z.iso
  .datetime()
  .refine((text) => Date.parse(text) >= EARLIEST && Date.parse(text) < LATEST, {
    error: 'This moment is not of our time. Set the clock of the device.',
  })
  .transform((text) => new Date(text).toISOString());

/** One line of words. */
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
}

/** What takes an act back: an act of some kind, before it is said by whom and when. */
export type Undoing = { readonly kind: string } & Readonly<Record<string, unknown>>;

/** A kind of act: everything there is to know of it, in one place. */
export interface ActKind<Act extends BaseAct> {
  readonly kind: Act['kind'];
  readonly schema: z.ZodType<Act, unknown>;
  /** Why it cannot be done on a docket as it stands; `null` where it can. */
  readonly refuse: (docket: Docket, act: Act, shelf: Shelf) => Refusal | null;
  /** The act with what is found when it is let in, which is kept so that it stays as it was. */
  readonly complete?: (docket: Docket, act: Act, shelf: Shelf) => Act;
  /** The docket after it. What stands in the list has been let in, so nothing is asked here. */
  readonly carryOut: (docket: Docket, act: Act) => Docket;
  /**
   * What takes it back while nothing was done after it; `null` where nothing has to be. A kind without
   * it cannot be taken back.
   *
   * @param before the docket it was done on
   * @param now the docket as it stands after it
   */
  readonly undo?: (before: Docket, act: Act, now: Docket, shelf: Shelf) => Undoing | null;
  /** What was done, for the log: what follows "Odalys Wren". */
  readonly say: (act: Act, names: ActNames) => string;
}
