import type { JournalRow } from './journal-db';

const KEPT_AS = 'neat-measure.under-way.';

/**
 * Acts on their way into the browser's database, which takes some milliseconds for it: until then they
 * stand here, written at once, so that a page that is closed or loaded anew that very moment loses
 * nothing it has shown as done.
 */
export const underWay = {
  note(row: JournalRow): void {
    try {
      localStorage.setItem(KEPT_AS + row.id, JSON.stringify(row));
    } catch {
      // No room, or none allowed: the database is on its way all the same.
    }
  },

  over(id: string): void {
    localStorage.removeItem(KEPT_AS + id);
  },

  /** What a page that ended left here, in the order it was done; what cannot be read stays where it is. */
  left(): JournalRow[] {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(KEPT_AS))
      .sort()
      .flatMap((key) => {
        try {
          const { docketId, ...kept } = JSON.parse(localStorage.getItem(key) ?? '') as Record<
            string,
            unknown
          >;
          // A version of before called what it was done on its docket.
          const row: unknown = { subject: docketId, ...kept };
          return isRow(row) ? [row] : [];
        } catch {
          return [];
        }
      });
  },
};

function isRow(row: unknown): row is JournalRow {
  const wanted = ['id', 'subject', 'pen'] as const;
  return (
    typeof row === 'object' &&
    row !== null &&
    'act' in row &&
    wanted.every((key) => typeof (row as Record<string, unknown>)[key] === 'string')
  );
}
