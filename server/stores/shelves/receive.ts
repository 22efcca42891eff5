import type { Receipt, StockImport } from '@neat-measure/contract/stores';
import type { Whereabouts } from '@neat-measure/core/stock';
import type { Database } from '../../database/database';
import { isDuplicate } from '../../database/trouble';
import { notFound, ProblemError } from '../../http/problem-error';
import { once } from '../ledger/batches';
import { garmentOf, refuseLabel, type Garment } from '../ledger/garments';
import { holdArticle, move, StockRefused, type ArticleRow } from '../ledger/ledger';
import { keepPiece } from '../ledger/pieces';

/** What comes in of one article, within a transaction. */
export interface Incoming {
  readonly batchId: string;
  readonly garment: Garment;
  readonly article: ArticleRow;
  readonly to: Whereabouts;
  readonly count: number;
  readonly pieces: Receipt['pieces'];
  readonly orderId?: string;
  readonly by: string;
}

/**
 * Takes something in: each piece by itself where it is numbered, else by count.
 *
 * @returns the pieces; none of what is counted
 * @throws StockRefused
 */
export async function takeIn(transaction: Database, incoming: Incoming): Promise<readonly string[]> {
  const { batchId, garment, article, to, count, pieces, orderId, by } = incoming;
  const base = {
    batchId,
    kind: 'received',
    articleId: article.id,
    from: { in: 'maker' },
    to,
    by,
    orderId: orderId ?? null,
  } as const;
  if (!garment.keeping.numbered) {
    if (pieces.length > 0)
      throw new StockRefused(`${garment.garment} is counted here, not numbered. Leave the numbers out.`);
    await move(transaction, { ...base, what: `${garment.garment} ${article.label}`, count });
    return [];
  }
  if (pieces.length !== count)
    throw new StockRefused(
      `${garment.garment} is numbered. Enter the number of each of the ${count} pieces.`,
    );
  const taken: string[] = [];
  for (const piece of pieces) {
    const pieceId = await keepPiece(transaction, garment, article, piece);
    await move(transaction, { ...base, what: `${garment.garment} ${piece.serial}`, count: 1, pieceId });
    taken.push(pieceId);
  }
  return taken;
}

/** @throws ProblemError `not-found` where there is no such room */
export async function refuseRoom(database: Database, roomId: string): Promise<void> {
  if ((await database('store_rooms').where({ id: roomId }).first('id')) === undefined)
    throw notFound('store room');
}

/** Takes in what came beside orders. */
export async function receive(database: Database, id: string, receipt: Receipt, by: string): Promise<string> {
  const garment = await garmentOf(database, receipt.seriesId);
  await refuseLabel(database, garment, receipt.label);
  await refuseRoom(database, receipt.roomId);
  await once(database, { id, what: 'receipt', body: receipt, by }, async (transaction) => {
    const article = await holdArticle(transaction, receipt.seriesId, receipt.label);
    const { roomId, compartment, count, pieces } = receipt;
    await takeIn(transaction, {
      batchId: id,
      garment,
      article,
      to: { in: 'room', roomId, compartment },
      count,
      pieces,
      by,
    });
  });
  const row = await database('articles')
    .where({ series_id: receipt.seriesId, label: receipt.label })
    .first<{ id: string }>('id');
  return row.id;
}

/**
 * Takes in a table, all of it or nothing; what is wrong with it is told row by row, and not only the first.
 *
 * @throws ProblemError `stock-refused` with a finding a row
 */
export async function importStock(
  database: Database,
  id: string,
  table: StockImport,
  by: string,
): Promise<void> {
  for (const roomId of new Set([table.roomId, ...table.rows.flatMap((row) => row.roomId ?? [])]))
    await refuseRoom(database, roomId);
  const findings: string[] = [];
  const known = new Map<string, Garment>();
  for (const [at, { seriesId, label }] of table.rows.entries()) {
    try {
      const garment = known.get(seriesId) ?? (await garmentOf(database, seriesId));
      known.set(seriesId, garment);
      await refuseLabel(database, garment, label);
    } catch (error) {
      findings.push(`Row ${at + 1}: ${(error as Error).message}`);
    }
  }
  if (findings.length > 0) throw refusedRows(findings);
  // Articles in one order, so that two tables at once do not wait for each other.
  const rows = table.rows
    .map((row, at) => ({ ...row, at }))
    .sort((a, b) => (`${a.seriesId} ${a.label}` < `${b.seriesId} ${b.label}` ? -1 : 1));
  await once(database, { id, what: 'import', body: table, by }, async (transaction) => {
    for (const row of rows) {
      const article = await holdArticle(transaction, row.seriesId, row.label);
      try {
        await saveMore(transaction, article, row);
        if (row.count === 0) continue;
        await takeIn(transaction, {
          batchId: id,
          garment: known.get(row.seriesId)!,
          article,
          to: { in: 'room', roomId: row.roomId ?? table.roomId, compartment: row.compartment },
          count: row.count,
          pieces: row.serial === null ? [] : [{ serial: row.serial, made: row.made, goodUntil: null }],
          by,
        });
      } catch (error) {
        if (error instanceof StockRefused) throw refusedRows([`Row ${row.at + 1}: ${error.message}`]);
        throw error;
      }
    }
  });
}

async function saveMore(
  transaction: Database,
  { id, version }: ArticleRow,
  { minimum, makerCode, bin }: StockImport['rows'][number],
): Promise<void> {
  if (minimum === null && makerCode === null && bin === null) return;
  try {
    await transaction('articles')
      .where({ id })
      .update({
        ...(minimum === null ? {} : { minimum }),
        ...(makerCode === null ? {} : { maker_code: makerCode }),
        ...(bin === null ? {} : { bin }),
        version: version + 1,
      });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    throw new StockRefused(`The maker’s code ${makerCode!} belongs to another article. Check the code.`);
  }
}

function refusedRows(findings: readonly string[]): ProblemError {
  const [first] = findings;
  const more = findings.length === 1 ? '' : ` And ${findings.length - 1} more.`;
  return new ProblemError('stock-refused', `Nothing was added to stock. ${first!}${more}`, {
    findings: [...findings],
  });
}
