import type { Article, Order, Piece, Scanned } from '@neat-measure/contract/stores';
import { v7 as uuidv7 } from 'uuid';

/** A size of a garment in the stores of a spec: a counted cap in M, three in stock. */
export function articleOf(changes: Partial<Article> = {}): Article {
  const id = uuidv7();
  return {
    id,
    code: 'NM000007',
    seriesId: uuidv7(),
    chartId: uuidv7(),
    garment: 'Marsh cap',
    maker: 'Pindlemere Mill',
    kind: 'hat',
    label: 'M',
    numbered: false,
    minimum: 0,
    makerCode: null,
    bin: null,
    version: 1,
    there: [],
    out: 0,
    loose: 0,
    coming: 0,
    wanted: 0,
    ...changes,
  };
}

/** A numbered piece of an article, on a shelf and fine. */
export function pieceOf(articleId: string, serial: string, changes: Partial<Piece> = {}): Piece {
  return {
    id: uuidv7(),
    articleId,
    label: 'M',
    serial,
    made: null,
    goodUntil: null,
    received: '2026-01-01',
    place: `${uuidv7()}/shelf`,
    says: '',
    blocked: false,
    byDocket: null,
    lastDay: null,
    inspectedBy: null,
    ...changes,
  };
}

/** What a scanner found. */
export function scannedOf(article: Article, piece: Piece | null = null): Scanned {
  return { article, piece };
}

/** An order that was sent, with a line for each article, five of each. */
export function orderOf(articles: readonly Article[], changes: Partial<Order> = {}): Order {
  return {
    id: uuidv7(),
    number: 4,
    maker: 'Pindlemere Mill',
    roomId: uuidv7(),
    at: '2026-06-01T08:00:00.000Z',
    stage: 'acknowledged',
    promised: '2026-06-04',
    late: false,
    silentSince: null,
    byHand: false,
    lines: articles.map(({ id, seriesId, garment, label, code, makerCode, numbered }, at) => ({
      line: at + 1,
      articleId: id,
      seriesId,
      garment,
      label,
      orderedAs: null,
      code,
      makerCode,
      numbered,
      count: 5,
      wantedFor: [],
      received: 0,
      closed: 0,
      open: 5,
      underWay: 0,
      backOrdered: null,
      substitute: null,
      pieces: [],
    })),
    story: [],
    ...changes,
  };
}
