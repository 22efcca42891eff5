import * as z from 'zod';

/** What a list gives at once. */
export const PAGE = 50;

/** Which part of a list is wanted: what matches some words, from a place on. */
export const listQuerySchema = z.object({
  /** Each word must stand somewhere in what is looked through; nothing finds everything. */
  search: z.string().trim().max(120).default(''),
  from: z.coerce.number().int().min(0).max(10_000_000).default(0),
});
export type ListQuery = z.infer<typeof listQuerySchema>;

/** A part of a list, and how long the whole is: nothing is cut off without saying so. */
export interface Page<Item> {
  readonly items: readonly Item[];
  readonly total: number;
}

/** The schema of a part of a list. */
export function pageSchema<Item>(item: z.ZodType<Item, unknown>): z.ZodType<Page<Item>, unknown> {
  return z.object({ items: z.array(item), total: z.int() });
}

/** The address of a part of a list. */
export function listPath(
  route: string,
  { search, from, ...more }: Partial<ListQuery> & Readonly<Record<string, unknown>>,
): string {
  const asked = new URLSearchParams();
  if (search) asked.set('search', search);
  if (from) asked.set('from', String(from));
  for (const [name, value] of Object.entries(more)) if (typeof value === 'string') asked.set(name, value);
  return asked.size === 0 ? route : `${route}?${asked.toString()}`;
}

/** The words of a search. */
export function wordsOf(search: string): string[] {
  return search.split(/\s+/).filter(Boolean);
}
