import * as z from 'zod';

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

/** Who did an act. */
export interface Author {
  readonly id: string;
  readonly name: string;
}

/**
 * What every act has beside what it is done on: an id, the moment it was done by the clock of the device, who did it,
 * and the act it takes back, where it does.
 */
export const DONE_BASE = {
  id: idSchema,
  at: instantSchema,
  by: authorSchema,
  undoes: idSchema.optional(),
};

/** An act as far as all of them are alike, whatever they are done on. */
export interface DoneAct {
  readonly id: string;
  readonly kind: string;
  readonly at: string;
  readonly by: Author;
  readonly undoes?: string | undefined;
}

/** What takes an act back: an act of some kind, before it is said by whom and when. */
export type Undoing = { readonly kind: string } & Readonly<Record<string, unknown>>;
