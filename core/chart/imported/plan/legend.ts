// Columns that are headed by letters or numbers, with what each means in lines around the table.
import { guessHeading } from '../words/guess-heading';

/** A letter or a number alone, in brackets or not: `A`, `(1)`, `b.`. */
const KEY = /^\(?([A-Z]|\d{1,2})\)?[.:]?$/i;
/** `A = Chest (cm)`, `(1) Hip in cm`, `B: Waist`, one or several in a line. */
const SAID =
  /(?:^|[,;·|]\s*|\s{2,})\(?([A-Z]|\d{1,2})(?:\)\s*[=:.–-]?|\s*[=:.–-])\s*(\p{L}[^,;·|=:]*?(?:\([^)]*\))?)(?=\s*(?:$|[,;·|]|\s\(?(?:[A-Z]|\d{1,2})\)?\s*[=:)]))/giu;

/**
 * The rows of a heading with what their letters stand for, where lines around the table say so of at least two; the same
 * rows else.
 *
 * @param rows of the heading
 * @param notes lines around the table
 */
export function withLegend(
  rows: readonly (readonly string[])[],
  notes: readonly string[],
): readonly (readonly string[])[] {
  const means = new Map(
    notes.flatMap((note) =>
      [...note.matchAll(SAID)]
        .filter(([, , words]) => guessHeading(words!).candidates.length > 0)
        .map(([, key, words]) => [key!.toUpperCase(), words!.trim()] as const),
    ),
  );
  const wordsOf = (cell: string) => means.get(KEY.exec(cell)?.[1]?.toUpperCase() ?? '');
  const told = rows.flat().filter((cell) => wordsOf(cell) !== undefined);
  if (new Set(told).size < 2) return rows;
  return rows.map((row) => row.map((cell) => wordsOf(cell) ?? cell));
}
