/** The routes of the stores, by what they are for. */
export const STORES = {
  /** GET all; PUT one by id. */
  rooms: '/api/stores/rooms',
  /** GET how every garment is kept; PUT one by the series of its chart. */
  keeping: '/api/stores/keeping',
  /** GET a part of what lies where. */
  stock: '/api/stores/stock',
  /** GET one by id; PUT what is said of it. */
  articles: '/api/stores/articles',
  /** PUT, by an id of the caller's: what came in, beside orders. */
  receipts: '/api/stores/receipts',
  /** PUT, by an id of the caller's: what went from somewhere to somewhere. */
  movements: '/api/stores/movements',
  /** GET one by id. */
  pieces: '/api/stores/pieces',
  /** PUT, by an id of the caller's: what was counted in a place. */
  counts: '/api/stores/counts',
  /** GET those of some days; GET or PUT one by id. */
  bookings: '/api/stores/bookings',
  /** GET what is kept for dockets; PUT one by an id of the caller's. */
  reserved: '/api/stores/reserved',
  /** GET: which pieces of a garment are free for some days. */
  free: '/api/stores/free',
  /** GET all that are open, or done lately; PUT one by id. */
  orders: '/api/stores/orders',
  /** GET: what the decided dockets need, less what is there and coming. */
  needs: '/api/stores/needs',
  /** GET: what runs out, over, or late. */
  warnings: '/api/stores/warnings',
  /** GET: everything that lies on shelves, as the rows of a table. */
  table: '/api/stores/table',
} as const;

/** GET: what a code stands for that was scanned or typed. */
export function scanPath(code: string): string {
  return `/api/stores/scan/${code === ':id' ? code : encodeURIComponent(code)}`;
}

/** GET: what lies on shelves of the garments of a docket, in every size. */
export function docketShelvesPath(docketId: string): string {
  return `/api/dockets/${docketId}/shelves`;
}

/** GET: what the stores have for the garments of a docket. */
export function docketStockPath(docketId: string): string {
  return `/api/dockets/${docketId}/stock`;
}

/** PUT: whether the wearer was told that something has come. */
export function reservedCalledPath(id: string): string {
  return `${STORES.reserved}/${id}/called`;
}

/** PUT: returns a garment to the shelf that was reserved for a docket. */
export function putBackPath(id: string): string {
  return `${STORES.reserved}/${id}/back`;
}

/** GET: the labels of what is kept for a docket. */
export function reservedLabelsPath(docketId: string): string {
  return `${STORES.reserved}/${docketId}/labels.pdf`;
}

/** PUT: an inspection of a piece. */
export function inspectionPath(pieceId: string, inspectionId: string): string {
  return `${STORES.pieces}/${pieceId}/inspections/${inspectionId}`;
}

/** PUT: what an article is called by now, whose label its chart has no more. */
export function renamedPath(articleId: string): string {
  return `${STORES.articles}/${articleId}/label`;
}

/** PUT: why a count found otherwise; the stock is corrected. */
export function countExplainedPath(countId: string): string {
  return `${STORES.counts}/${countId}/explained`;
}

/** PUT: sends an order to its maker. */
export function orderSentPath(orderId: string): string {
  return `${STORES.orders}/${orderId}/sent`;
}

/** PUT: asks the maker how an order stands. */
export function orderAskedPath(orderId: string): string {
  return `${STORES.orders}/${orderId}/asked`;
}

/** PUT: waits no more for the rest of some lines. */
export function orderClosedPath(orderId: string): string {
  return `${STORES.orders}/${orderId}/closed`;
}

/** PUT: what came of an order, checked off. */
export function deliveryPath(orderId: string, deliveryId: string): string {
  return `${STORES.orders}/${orderId}/deliveries/${deliveryId}`;
}

/** GET: the open form of an order. */
export function orderFilePath(orderId: string, ending: 'json' | 'csv'): string {
  return `${STORES.orders}/${orderId}/order.${ending}`;
}

/** GET: labels for articles, or for pieces, with their codes. */
export function stockLabelsPath(articleId: string): string {
  return `${STORES.articles}/${articleId}/labels.pdf`;
}
