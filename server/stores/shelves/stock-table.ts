import type { Database } from '../../database/database';
import { tellArticles } from '../ledger/articles';
import type { ArticleRow } from '../ledger/ledger';
import { listPieces } from '../ledger/pieces';

/** The headings of a table of stock: each is read back as what it is. */
const HEAD = ['garment', 'maker', 'size', 'code', 'room', 'count', 'minimum', 'serial', 'made'] as const;

/** Everything that lies on shelves: an article of a room a row, and of what is numbered a row a piece. */
export async function stockTable(database: Database): Promise<string[][]> {
  const articles = await tellArticles(database, await database<ArticleRow>('articles').orderBy('number'));
  const pieces = await listPieces(database, () => undefined);
  const named = await database('store_rooms').select<{ id: string; name: string }[]>('id', 'name');
  const rooms = new Map(named.map(({ id, name }) => [id, name]));
  const rows = articles.flatMap(({ id, garment, maker, label, makerCode, minimum, numbered, there }) => {
    const row = (roomId: string, count: number, serial: string, made: string) => [
      garment,
      maker,
      label,
      makerCode ?? '',
      rooms.get(roomId) ?? '',
      String(count),
      String(minimum),
      serial,
      made,
    ];
    if (!numbered)
      return there.filter(({ shelf }) => shelf > 0).map(({ roomId, shelf }) => row(roomId, shelf, '', ''));
    return pieces
      .filter((one) => one.articleId === id && one.place.endsWith('/shelf'))
      .map(({ place, serial, made }) => row(place.split('/')[0]!, 1, serial, made ?? ''));
  });
  return [[...HEAD], ...rows];
}
