import { plainWords } from '@neat-measure/core/imported';
import { STOCK_ROLES, type StockPlan, type StockRole } from '@neat-measure/core/stock-table';
import * as z from 'zod';

const KEPT = 'neat-measure:stock-columns';
const MOST = 200;
const keptSchema = z.array(z.tuple([z.string(), z.enum(STOCK_ROLES)]));

/** What columns of tables of stock were said to be on this device, by the plain words of their headings. */
export function rememberedColumns(): ReadonlyMap<string, StockRole> {
  try {
    return new Map(keptSchema.parse(JSON.parse(localStorage.getItem(KEPT) ?? '[]')));
  } catch {
    return new Map();
  }
}

/** Keeps what was said of a table that was taken in, the latest first. */
export function rememberColumns(columns: StockPlan['columns'], said: ReadonlyMap<number, StockRole>): void {
  const now = [...said].flatMap(([at, role]): [string, StockRole][] => {
    const words = plainWords(columns[at]?.heading ?? '');
    return words === '' ? [] : [[words, role]];
  });
  if (now.length === 0) return;
  const known = new Set(now.map(([words]) => words));
  const before = [...rememberedColumns()].filter(([words]) => !known.has(words));
  localStorage.setItem(KEPT, JSON.stringify([...now, ...before].slice(0, MOST)));
}
