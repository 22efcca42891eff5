import type { ArticleAccount, StockMovement } from '@neat-measure/contract/stores';
import { dayOf } from '@neat-measure/core/stock';
import { sayDay } from '../stores-account';

/** What happened, in words. */
const HAPPENED: Readonly<Record<StockMovement['kind'], string>> = {
  received: 'came in',
  issued: 'went out',
  returned: 'came back',
  moved: 'was moved',
  released: 'returned to the shelf',
  'written-off': 'was written off',
  counted: 'corrected by a stock count',
  undone: 'corrected after a mistake',
  renamed: 'got another label',
};

/** One thing that happened to an article or a piece of it. */
export interface Happened {
  readonly id: string;
  readonly at: string;
  readonly day: string;
  readonly by: { readonly name: string };
  readonly words: string;
}

/**
 * What happened to an article, in words, the latest first; inspections among it.
 *
 * @param nameOf says a place in words
 */
export function storyOf(
  { movements, inspections }: Pick<ArticleAccount, 'movements' | 'inspections'>,
  nameOf: (place: string) => string,
): Happened[] {
  const moved = movements.map((one) => ({
    id: String(one.place),
    day: dayOf(new Date(one.at)),
    at: one.at,
    by: one.by,
    words: sayMovement(one, nameOf),
  }));
  const inspected = inspections.map(({ id, day, at, by, serial, passed, note }) => ({
    id,
    day,
    at,
    by,
    words: `${serial} ${passed ? 'passed its inspection' : 'did not pass its inspection'}${note === null ? '' : `: ${note}`}`,
  }));
  return [...moved, ...inspected]
    .sort((a, b) => b.at.localeCompare(a.at))
    .map((one) => ({ ...one, day: sayDay(one.day) }));
}

function sayMovement(
  { kind, count, serial, from, to, reason, docket, order }: StockMovement,
  nameOf: (place: string) => string,
): string {
  const what = serial ?? String(count);
  const where = kind === 'received' ? ` into ${nameOf(to)}` : ` from ${nameOf(from)} to ${nameOf(to)}`;
  const by = docket !== null ? `, docket ${docket}` : order !== null ? `, order ${order}` : '';
  return `${what} ${HAPPENED[kind]}${where}${by}${reason === null ? '' : `: ${reason}`}`;
}
