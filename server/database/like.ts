import type { Knex } from 'knex';

/** Narrows a query to rows in which every word stands in one of some columns. What means anything to `like` is meant literally. */
export function withWords<Query extends Knex.QueryBuilder>(
  query: Query,
  words: readonly string[],
  columns: readonly string[],
): Query {
  for (const word of words) {
    const pattern = `%${literal(word)}%`;
    void query.where((either) => {
      for (const column of columns) void either.orWhere(column, 'like', pattern);
    });
  }
  return query;
}

/**
 * Puts the rows first that are what was sought, then those in whose name every word begins one: what is taken unseen from the
 * top of a list is whoever was named, and not whoever has those letters somewhere.
 *
 * @param name the column whose words count; `others` are only looked at whole
 */
export function nearestFirst<Query extends Knex.QueryBuilder>(
  query: Query,
  search: string,
  words: readonly string[],
  { name, others }: { readonly name: string; readonly others: readonly string[] },
): Query {
  if (words.length === 0) return query;
  const whole = [name, ...others].map(() => "coalesce(??, '') = ?").join(' or ');
  void query.orderByRaw(
    `(${whole}) desc`,
    [name, ...others].flatMap((column) => [column, search.trim()]),
  );
  const begins = words.map(() => "concat(' ', ??) like ?").join(' and ');
  void query.orderByRaw(
    `(${begins}) desc`,
    words.flatMap((word) => [name, `% ${literal(word)}%`]),
  );
  return query;
}

/** What means anything to `like`, meant literally. */
function literal(word: string): string {
  return word.replace(/[\\%_]/g, '\\$&');
}
