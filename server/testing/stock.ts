import type { Answer, Harness } from './harness';
import { chartSave, Records, sheetFrom } from './records';
import { ROUTES, pathOf } from '@neat-measure/contract';
import {
  orderSchema,
  STORES,
  type Article,
  type ArticleAccount,
  type Order,
} from '@neat-measure/contract/stores';
import { fitChecksOf, RIGHT, type Doing } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';

/** Trousers in two sizes, counted. */
export const TROUSERS = sheetFrom('size,trouser-waist-girth (cm)\n32,80-84\n34,84-88\n36,88-92\n', {
  kind: 'trousers',
  garment: 'Warden trousers',
});
/** A dry suit in letters, numbered and hired. */
export const SUIT = sheetFrom('size,chest-girth (cm)\nM,94-102\nL,102-110\n', {
  kind: 'dry-suit',
  garment: 'Grebe dry suit',
});

/** The stores of a spec: rooms, articles and what becomes of them, by the routes. */
export class Stores {
  readonly records: Records;

  constructor(private readonly app: () => Harness) {
    this.records = new Records(app);
  }

  async room(name = `Room ${uuidv7()}`): Promise<string> {
    return this.records.save(STORES.rooms, { name, version: 0 });
  }

  chart(sheet: object = TROUSERS): Promise<string> {
    return this.records.save(ROUTES.charts, chartSave({ sheet }));
  }

  /** Takes so many in; the article. */
  async receive(
    roomId: string,
    seriesId: string,
    label: string,
    count: number,
    serials: string[] = [],
  ): Promise<Article> {
    const pieces = serials.map((serial) => ({ serial, made: null, goodUntil: null }));
    const { status, body } = await this.app().put(pathOf(STORES.receipts, uuidv7()), {
      seriesId,
      label,
      roomId,
      count,
      pieces,
    });
    if (status !== 200) throw new Error(JSON.stringify(body));
    return body as Article;
  }

  async account(id: string): Promise<ArticleAccount> {
    return (await this.app().get(pathOf(STORES.articles, id))).body as ArticleAccount;
  }

  async shelf(id: string): Promise<number> {
    const { article } = await this.account(id);
    return article.there.reduce((sum, { shelf }) => sum + shelf, 0);
  }

  move(articleId: string, fields: object): Promise<Answer> {
    return this.app().put(pathOf(STORES.movements, uuidv7()), {
      articleId,
      count: 1,
      pieceIds: [],
      reason: null,
      ...fields,
    });
  }

  /** A docket whose wearer goes with a size of a chart, decided without a reading. */
  async sized(chartId: string, size: string): Promise<string> {
    const { id } = await this.records.docket([chartId]);
    await this.keeps(id, chartId, size);
    return id;
  }

  /** A size of a chart is put on at a docket, looked at, and kept. */
  async keeps(id: string, chartId: string, size: string): Promise<void> {
    const chart = (await this.records.bench(id)).charts.find((one) => one.id === chartId)!;
    const part = chart.sheet.parts[0]!.code;
    const fields = { chartId, sizes: { [part]: size }, carrier: null, found: null } as const;
    const trialId = await this.records.does(id, { kind: 'garment-tried', ...fields });
    for (const { code } of fitChecksOf(chart.sheet).filter(({ must }) => must))
      await this.records.does(id, {
        kind: 'fit-checked',
        chartId,
        trialId,
        check: code,
        answer: RIGHT,
        reason: null,
      });
    const outcome = { outcome: 'kept', reason: 'It fits', found: null } as const;
    await this.records.does(id, { kind: 'garment-fitted', chartId, trialId, ...outcome });
  }

  async order(fields: object): Promise<Order> {
    const { status, body } = await this.app().put(pathOf(STORES.orders, uuidv7()), fields);
    if (status !== 200) throw new Error(JSON.stringify(body));
    return orderSchema.parse(body);
  }
}

/** A garment that is handed over, from the stores or not. */
export function handing(chartId: string, changes: object = {}): Doing {
  return {
    kind: 'garments-handed-over',
    garments: [{ chartId, way: 'issued', until: null, untried: null, found: null, ...changes }],
    signature: { by: 'name', name: 'Ibrahima Lund' },
  };
}
