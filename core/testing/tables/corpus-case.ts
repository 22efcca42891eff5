// What a case of the corpus of tables is: a file, and what a person would understand of it.
import type { TableAnswers } from '../../testing/all';

/** A part as a person reads it: a line a size, `S | chest-girth 86-94 cm`. */
export interface UnderstoodPart {
  readonly sizes: readonly string[];
  /** Labels of other systems, by system. */
  readonly other?: Readonly<Record<string, readonly string[]>>;
  /** By the size of the first part, those that are offered with it. */
  readonly offered?: Readonly<Record<string, readonly string[]>>;
}

/** A table of a file as a person reads it. */
export interface UnderstoodTable {
  /** What must be asked before it is taken, `which-measurement 2`, `left-out 4`; nothing may be asked besides. */
  readonly asks: readonly string[];
  /** What that person answers. */
  readonly answers?: Partial<TableAnswers>;
  readonly parts: readonly UnderstoodPart[];
  /** What is made with what, where not all of it is. */
  readonly made?: Readonly<Record<string, readonly string[]>>;
  readonly label?: string;
  /** What sizes are called together. */
  readonly called?: Readonly<Record<string, Readonly<Record<string, string>>>>;
}

/** A file and all the tables in it, or why it is refused. */
export interface CorpusCase {
  readonly what: string;
  readonly file: string;
  readonly tables?: readonly (UnderstoodTable | null)[];
  readonly refused?: string;
  /** What is said of the file besides, each in part. */
  readonly remarks?: readonly string[];
}
