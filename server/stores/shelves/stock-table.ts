import { COMPARTMENT_WORDS, COMPARTMENTS, placeOf } from '@neat-measure/core/stock';
import { STOCK_TABLE_HEAD } from '@neat-measure/core/stock-table';
import type { Database } from '../../database/database';
import { tellArticles } from '../ledger/articles';
import type { ArticleRow } from '../ledger/ledger';
import { listPieces } from '../ledger/pieces';

/** Everything that lies in rooms: an article of a compartment a row, and of what is numbered a row a piece. */
export async function stockTable(database: Database): Promise<string[][]> {
  const articles = await tellArticles(database, await database<ArticleRow>('articles').orderBy('number'));
  const pieces = await listPieces(database, () => undefined);
  const named = await database('store_rooms').select<{ id: string; name: string }[]>('id', 'name');
  const rooms = new Map(named.map(({ id, name }) => [id, name]));
  const rows = articles.flatMap(({ id, garment, maker, label, makerCode, bin, minimum, numbered, there }) => {
    const row = (place: string, count: number, serial: string, made: string): string[] => {
      const where = placeOf(place);
      if (where.in !== 'room') return [];
      const lies = COMPARTMENT_WORDS[where.compartment];
      const [code, room] = [makerCode ?? '', rooms.get(where.roomId) ?? ''];
      const numbers = [String(count), String(minimum), serial, made];
      return [garment, maker, label, code, room, lies, bin ?? '', ...numbers];
    };
    const own = numbered
      ? pieces
          .filter(({ articleId }) => articleId === id)
          .map(({ place, serial, made }) => row(place, 1, serial, made ?? ''))
      : there.flatMap((one) =>
          COMPARTMENTS.filter((part) => one[part] > 0).map((part) =>
            row(`${one.roomId}/${part}`, one[part], '', ''),
          ),
        );
    return own.filter(({ length }) => length > 0);
  });
  return [[...STOCK_TABLE_HEAD], ...rows];
}
