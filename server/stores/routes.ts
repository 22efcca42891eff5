import type { Bench } from '@neat-measure/contract';
import {
  articleSaveSchema,
  countExplainedPath,
  countExplainedSchema,
  countSaveSchema,
  docketShelvesPath,
  docketStockPath,
  docketStockQuerySchema,
  inspectionPath,
  inspectionSchema,
  keepingSaveSchema,
  moveSchema,
  receiptSchema,
  renamedPath,
  renamedSchema,
  roomSaveSchema,
  scanPath,
  stockImportSchema,
  stockQuerySchema,
  STORES,
  stockLabelsPath,
  type Room,
} from '@neat-measure/contract/stores';
import { Router, type Response } from 'express';
import * as z from 'zod';
import { noted } from '../audit/store';
import type { Database } from '../database/database';
import { saveVersioned } from '../database/save-versioned';
import { isDuplicate } from '../database/trouble';
import { notFound, refuseEdit } from '../http/problem-error';
import { fitterOf, readBody, readId, readParam, readQuery } from '../http/request';
import { sendPdf } from '../print/send-pdf';
import type { Print } from '../print/print';
import type { StockLabelsToPrint } from './shelves/stock-labels';
import { accountOf, articleOf, listArticles } from './ledger/articles';
import { shelvesForDocket } from './docket-shelves';
import { stockForDocket } from './docket-stock';
import { keepGarment, listKept } from './ledger/garments';
import { StockRefused } from './ledger/ledger';
import { keepCount, tellCount } from './counting/count';
import { explainCount } from './counting/correct-stock';
import { moveStock, renameArticle } from './shelves/move';
import { inspect, pieceOf } from './ledger/pieces';
import { importStock, receive } from './shelves/receive';
import { scan } from './shelves/scan';
import { stockTable } from './shelves/stock-table';
import { listWarnings } from './warnings';

/** An id of the caller's beside that of the path. */
const batchSchema = z.object({ batchId: z.uuidv7() });

/** What lies in the stores, and what happens to it. All need a session. */
export function stockRoutes(
  database: Database,
  print: Print<StockLabelsToPrint>,
  benchOf: (docketId: string) => Promise<Bench>,
): Router {
  return Router()
    .get(STORES.rooms, async (_request, response) => {
      response.json(await listRooms(database));
    })
    .put(`${STORES.rooms}/:id`, async (request, response) => {
      const id = readId(request);
      const { name, version } = readBody(roomSaveSchema, request);
      await keptInStores(database, response, { room: id, name }, async (transaction) => {
        const named = await transaction('store_rooms').where({ name }).whereNot({ id }).first('id');
        if (named !== undefined)
          throw new StockRefused(`There is already a room called ${name}. Choose another name.`);
        return saveVersioned(transaction, {
          table: 'store_rooms',
          id,
          version,
          columns: { name },
          compared: ['name'],
        });
      });
      response.json((await listRooms(database)).find((one) => one.id === id));
    })
    .get(STORES.keeping, async (_request, response) => {
      response.json(await listKept(database));
    })
    .put(`${STORES.keeping}/:id`, async (request, response) => {
      const id = readId(request);
      const save = readBody(keepingSaveSchema, request);
      await keptInStores(database, response, { series: id, ...save }, (transaction) =>
        keepGarment(transaction, id, save),
      );
      response.json((await listKept(database)).find((one) => one.seriesId === id));
    })
    .get(STORES.table, async (_request, response) => {
      response.json(await stockTable(database));
    })
    .get(STORES.stock, async (request, response) => {
      response.json(await listArticles(database, readQuery(stockQuerySchema, request)));
    })
    .get(`${STORES.articles}/:id`, async (request, response) => {
      response.json(await accountOf(database, readId(request)));
    })
    .put(`${STORES.articles}/:id`, async (request, response) => {
      const id = readId(request);
      const { minimum, makerCode, bin, version } = readBody(articleSaveSchema, request);
      // An article comes with what is received of it: none is made here.
      if (version === 0) throw notFound('article');
      await keptInStores(database, response, { article: id, minimum, makerCode, bin }, (transaction) =>
        saveVersioned(transaction, {
          table: 'articles',
          id,
          version,
          columns: { minimum, maker_code: makerCode, ...(bin === undefined ? {} : { bin }) },
          compared: ['minimum', 'maker_code', ...(bin === undefined ? [] : ['bin'])],
        }),
      ).catch((error: unknown) => {
        throw isDuplicate(error)
          ? new StockRefused(`The code ${makerCode!} belongs to another article. Check the code.`)
          : error;
      });
      response.json(await articleOf(database, id));
    })
    .get(stockLabelsPath(':id'), async (request, response) => {
      const account = await accountOf(database, readId(request));
      sendPdf(response, await print({ sheet: 'stock-labels', account }), 'labels.pdf');
    })
    .put(renamedPath(':id'), async (request, response) => {
      const id = readId(request);
      const { label, batchId } = readBody(renamedSchema.extend(batchSchema.shape), request);
      await renameArticle(database, batchId, id, label, fitterOf(response).id);
      response.status(204).end();
    })
    .put(`${STORES.receipts}/:id`, async (request, response) => {
      const id = readId(request);
      const by = fitterOf(response).id;
      const table = stockImportSchema.safeParse(request.body);
      if (table.success) {
        await importStock(database, id, table.data, by);
        response.status(204).end();
        return;
      }
      // Where it is a table at all, its own faults are told.
      if ((request.body as { rows?: unknown } | null)?.rows !== undefined)
        readBody(stockImportSchema, request);
      const articleId = await receive(database, id, readBody(receiptSchema, request), by);
      response.json(await articleOf(database, articleId));
    })
    .put(`${STORES.movements}/:id`, async (request, response) => {
      const sent = readBody(moveSchema, request);
      await moveStock(database, readId(request), sent, fitterOf(response).id);
      response.json(await articleOf(database, sent.articleId));
    })
    .get(`${STORES.pieces}/:id`, async (request, response) => {
      response.json(await pieceOf(database, readId(request)));
    })
    .put(inspectionPath(':id', ':inspectionId'), async (request, response) => {
      const id = readId(request);
      const inspection = readBody(inspectionSchema, request);
      await inspect(database, id, readParam(request, 'inspectionId'), inspection, fitterOf(response).id);
      response.json(await pieceOf(database, id));
    })
    .put(`${STORES.counts}/:id`, async (request, response) => {
      const sent = readBody(countSaveSchema, request);
      response.json(await keepCount(database, readId(request), sent, fitterOf(response).id));
    })
    .put(countExplainedPath(':id'), async (request, response) => {
      const id = readId(request);
      const { reasons, batchId } = readBody(countExplainedSchema.extend(batchSchema.shape), request);
      const byArticle = new Map(reasons.map(({ articleId, reason }) => [articleId, reason]));
      await explainCount(database, id, batchId, byArticle, fitterOf(response).id);
      response.json(await tellCount(database, id));
    })
    .get(scanPath(':id'), async (request, response) => {
      response.json(await scan(database, String(request.params['id'])));
    })
    .get(STORES.warnings, async (_request, response) => {
      response.json(await listWarnings(database));
    })
    .get(docketShelvesPath(':id'), async (request, response) => {
      response.json(await shelvesForDocket(database, await benchOf(readId(request))));
    })
    .get(docketStockPath(':id'), async (request, response) => {
      const bench = await benchOf(readId(request));
      response.json(await stockForDocket(database, bench, readQuery(docketStockQuerySchema, request)));
    });
}

/** Keeps an edit, and notes it. @throws ProblemError where it does not count */
export async function keptInStores(
  database: Database,
  response: Response,
  detail: object,
  work: (transaction: Database) => Promise<'saved' | 'repeated' | 'changed' | 'missing'>,
): Promise<void> {
  const saved = await noted(database, work, (done) =>
    done === 'saved' ? { by: fitterOf(response).id, kind: 'stores-kept', detail } : null,
  );
  refuseEdit(saved);
}

/** Every store room, by name. */
export async function listRooms(database: Database): Promise<Room[]> {
  return database('store_rooms').orderBy('name').select<Room[]>('id', 'name', 'version');
}
