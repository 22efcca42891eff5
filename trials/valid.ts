import { pathOf, PATHS, ROUTES, sheetPath, verdictsPath, docketStreamPath } from '@neat-measure/contract';
import { STORES, type Article } from '@neat-measure/contract/stores';
import { v7 as uuidv7 } from 'uuid';
import type { Draw } from './draw';

/** A request that the server should do as it says. */
export interface ValidRequest {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** What requests that are right are made of. */
export interface Knowing {
  readonly pen: string;
  readonly by: { readonly id: string; readonly name: string };
  readonly docketIds: readonly string[];
  /** Articles that are counted, and not numbered. */
  readonly articles: readonly Article[];
  readonly roomIds: readonly string[];
  readonly chartIds: readonly string[];
}

const WAY = {
  unit: 'cm',
  stance: 'standing',
  tension: 'skin',
  clothing: 'close-fitting',
  instrument: 'tape',
  origin: 'fitter',
  carriedFrom: null,
  device: null,
};

/** Requests that change something, or take long, as a house makes them: between the odd ones, on the same things. */
export class ValidRequests {
  constructor(
    private readonly draw: Draw,
    private readonly known: Knowing,
  ) {}

  one(): ValidRequest {
    return this.draw.one([
      () => this.reading(),
      () => this.reading(),
      () => this.docket(),
      () => this.wearer(),
      () => this.receipt(),
      () => this.move(),
      () => this.looks(),
    ])();
  }

  /** A chart whose label could be read in more ways than there is time: it is refused, or read at once. */
  hostileChart(sheet: object): ValidRequest {
    const sizes = Array.from({ length: 24 }, (_, at) => 'a'.repeat(at + 1));
    const parts = Array.from({ length: 8 }, (_, at) => ({
      name: `p${at}`,
      sizes: sizes.map((size) => ({ size, ranges: [] })),
    }));
    const label = parts.map(({ name }) => `{${name}}`).join('');
    const body = { sheet: { ...sheet, parts, label }, source: 'label.csv', replaces: null };
    return { method: 'PUT', path: pathOf(ROUTES.charts, uuidv7()), body };
  }

  /** So many brackets within each other, whatever was to be sent. */
  nested(): ValidRequest {
    const depth = 10 + this.draw.int(40_000);
    return {
      method: 'POST',
      path: this.draw.one([ROUTES.session, ROUTES.acts, PATHS.takeCode]),
      body: new Raw(`${'['.repeat(depth)}${']'.repeat(depth)}`),
    };
  }

  private acts(...doings: object[]): ValidRequest {
    const { pen, by } = this.known;
    const acts = doings.map((doing) => ({ id: uuidv7(), at: new Date().toISOString(), by, ...doing }));
    return { method: 'POST', path: ROUTES.acts, body: { pen, acts } };
  }

  private reading(): ValidRequest {
    const tenths = 700 + this.draw.int(600);
    const [docketId, length] = [this.draw.one(this.known.docketIds), tenths * 1_000];
    const code = this.draw.one(['chest-girth', 'waist-girth', 'hip-girth']);
    return this.acts({ docketId, kind: 'reading-taken', code, typed: String(tenths / 10), length, ...WAY });
  }

  private docket(): ValidRequest {
    const docketId = uuidv7();
    const wearerId = this.wearerId ?? uuidv7();
    const opened = { wearerId, occasion: 'Trial', unit: 'cm', preference: 'regular' };
    return this.acts(
      { docketId, kind: 'docket-opened', ...opened },
      { docketId, kind: 'garment-asked', chartId: this.draw.one(this.known.chartIds) },
    );
  }

  private wearerId: string | null = null;
  private wearer(): ValidRequest {
    const id = uuidv7();
    this.wearerId = id;
    const body = { name: `Trial ${this.draw.int(9_999)}`, role: 'Ranger', version: 0 };
    return { method: 'PUT', path: pathOf(ROUTES.wearers, id), body };
  }

  private receipt(): ValidRequest {
    const { seriesId, label } = this.draw.one(this.known.articles);
    const body = {
      ...{ seriesId, label, roomId: this.draw.one(this.known.roomIds) },
      ...{ count: 1 + this.draw.int(4), pieces: [] },
    };
    return { method: 'PUT', path: pathOf(STORES.receipts, uuidv7()), body };
  }

  private move(): ValidRequest {
    const article = this.draw.one(this.known.articles);
    const place = () => `${this.draw.one(this.known.roomIds)}/shelf`;
    const body = {
      ...{ kind: 'moved', articleId: article.id, from: place(), to: place(), count: 1 },
      ...{ pieceIds: [], reason: null, condition: null },
    };
    return { method: 'PUT', path: pathOf(STORES.movements, uuidv7()), body };
  }

  /** What is looked at, printed or followed. */
  private looks(): ValidRequest {
    const id = this.draw.one(this.known.docketIds);
    const path = this.draw.one([
      sheetPath(id),
      verdictsPath(id),
      docketStreamPath(id),
      ROUTES.exceptions,
      `${ROUTES.bodies}?codes=chest-girth`,
    ]);
    return { method: 'GET', path, body: null };
  }
}

/** A body that is sent as it is. */
export class Raw {
  constructor(readonly text: string) {}
}
