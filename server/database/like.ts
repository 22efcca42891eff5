import type { Knex } from 'knex';

/** Narrows a query to rows in which every word stands in one of some columns. What means anything to `like` is meant literally. */
export function withWords<Query extends Knex.QueryBuilder>(
  query: Query,
  words: readonly string[],
  columns: readonly string[],
): Query {
  for (const word of words) {
    const pattern = `%${word.replace(/[\\%_]/g, '\\$&')}%`;
    void query.where((either) => {
      for (const column of columns) void either.orWhere(column, 'like', pattern);
    });
  }
  return query;
}
