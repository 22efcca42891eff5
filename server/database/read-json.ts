import type { z } from 'zod';

/**
 * Reads a JSON column back through its schema: MariaDB keeps JSON as text, and what an
 * older version wrote must still be what this one expects.
 *
 * @param what names the row in the error, for the log
 * @throws Error when the column holds something else
 */
export function readJson<Value>(schema: z.ZodType<Value, unknown>, column: unknown, what: string): Value {
  const read = schema.safeParse(typeof column === 'string' ? JSON.parse(column) : column);
  if (!read.success) throw new Error(`${what} does not match its schema: ${read.error.message}`);
  return read.data;
}
