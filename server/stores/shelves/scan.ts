import type { Scanned } from '@neat-measure/contract/stores';
import type { Database } from '../../database/database';
import { ProblemError } from '../../http/problem-error';
import { articleOf } from '../ledger/articles';
import { listPieces } from '../ledger/pieces';
import { articleNow } from '../ledger/renames';

/**
 * What a code stands for that was scanned or typed: the house's own of an article, a maker's, or the number of
 * a piece.
 *
 * @throws ProblemError `not-found` for none; `stock-refused` where it could be several things
 */
export async function scan(database: Database, code: string): Promise<Scanned> {
  const text = code.trim();
  const number = /^nm0*(\d{1,9})$/i.exec(text)?.[1];
  const ids = await database('articles')
    .where((either) => {
      void either.where({ maker_code: text.slice(0, 40) });
      if (number !== undefined) void either.orWhere({ number: Number(number) });
    })
    .pluck<string[]>('id');
  const pieces = await listPieces(database, (all) => void all.where('pieces.serial', text.slice(0, 60)));
  if (ids.length + pieces.length > 1)
    throw new ProblemError(
      'stock-refused',
      `“${text}” is used for ${ids.length + pieces.length} articles. Scan the house’s own label instead.`,
    );
  const [piece] = pieces;
  const id = piece?.articleId ?? ids[0];
  if (id === undefined)
    throw new ProblemError(
      'not-found',
      `Nothing in stock has the code “${text.slice(0, 60)}”. Scan again, or type it.`,
    );
  // The label on the garment may be from before its size was called otherwise.
  return { article: await articleOf(database, await articleNow(database, id)), piece: piece ?? null };
}
