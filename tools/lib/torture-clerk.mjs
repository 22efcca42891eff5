import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';

/** An id of version 7, by the moment. */
function freshId() {
  const hex = Date.now().toString(16).padStart(12, '0');
  const random = randomUUID();
  return `${hex.slice(0, 8)}-${hex.slice(8)}-7${random.slice(15, 18)}-${random.slice(19)}`;
}

/**
 * Receives, moves and orders garments while the application is ill-treated: whatever is not acknowledged is sent again
 * under its id, and what was acknowledged must have happened once.
 */
export class Clerk {
  #base;
  #cookie;
  #random;
  #articles;
  #rooms;
  /** How many the shelf of each room had of each article before, and what was acknowledged since. */
  #before = new Map();
  #changes = new Map();
  /** How many each order is of that was acknowledged. */
  #ordered = new Map();
  #odd = [];
  #done = { receipts: 0, moves: 0, orders: 0, refused: 0 };

  static async at(base, cookie, random) {
    const clerk = new Clerk();
    clerk.#base = base;
    clerk.#cookie = cookie;
    clerk.#random = random;
    const get = async (path) => (await fetch(`${base}${path}`, { headers: { cookie } })).json();
    clerk.#rooms = (await get('/api/stores/rooms')).map(({ id }) => id);
    clerk.#articles = (await get('/api/stores/stock')).items.filter(({ numbered }) => !numbered).slice(0, 6);
    for (const { id, there } of clerk.#articles)
      for (const { roomId, shelf } of there) clerk.#before.set(`${id} ${roomId}`, shelf);
    return clerk;
  }

  /** Does one thing until it is acknowledged, or nobody wants it any more. */
  async does(going) {
    const article = this.#one(this.#articles);
    const chance = this.#random();
    if (chance < 0.5) await this.#receives(article, going);
    else if (chance < 0.85) await this.#moves(article, going);
    else await this.#orders(article, going);
  }

  async #receives({ id, seriesId, label }, going) {
    const [roomId, count] = [this.#one(this.#rooms), 1 + Math.floor(this.#random() * 3)];
    const body = { seriesId, label, roomId, count, pieces: [] };
    const answer = await this.#untilSaid(`/api/stores/receipts/${freshId()}`, body, going);
    if (answer !== 200) return this.#unsaid(answer, [[id, roomId, count]]);
    this.#done.receipts += 1;
    this.#add(id, roomId, count);
  }

  async #moves({ id }, going) {
    const [from, to] = [this.#one(this.#rooms), this.#one(this.#rooms)];
    if (from === to) return;
    const way = { kind: 'moved', articleId: id, from: `${from}/shelf`, to: `${to}/shelf`, count: 1 };
    const body = { ...way, pieceIds: [], reason: null, condition: null };
    const answer = await this.#untilSaid(`/api/stores/movements/${freshId()}`, body, going);
    if (answer !== 200)
      return this.#unsaid(answer, [
        [id, from, -1],
        [id, to, 1],
      ]);
    this.#done.moves += 1;
    this.#add(id, from, -1);
    this.#add(id, to, 1);
  }

  async #orders({ seriesId, label, maker }, going) {
    const [orderId, count] = [freshId(), 1 + Math.floor(this.#random() * 5)];
    const lines = [{ seriesId, label, count, wantedFor: [] }];
    const body = { maker, roomId: this.#one(this.#rooms), lines };
    const answer = await this.#untilSaid(`/api/stores/orders/${orderId}`, body, going);
    if (answer !== 200) return this.#unsaid(answer, []);
    this.#done.orders += 1;
    this.#ordered.set(orderId, count);
  }

  /** What the end came between: it may have happened, and is not looked at; what was refused has not. */
  #unsaid(answer, changes) {
    if (answer === 409) return void (this.#done.refused += 1);
    if (answer !== 0 && answer !== 503) this.#odd.push(`a clerk was answered ${answer}`);
    for (const [articleId, roomId] of changes) this.#add(articleId, roomId, NaN);
  }

  #add(articleId, roomId, count) {
    const key = `${articleId} ${roomId}`;
    this.#changes.set(key, (this.#changes.get(key) ?? 0) + count);
  }

  #one(list) {
    return list[Math.floor(this.#random() * list.length)];
  }

  async #untilSaid(path, body, going) {
    for (;;) {
      const status = await fetch(`${this.#base}${path}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', cookie: this.#cookie },
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(25_000),
      }).then(
        async (response) => {
          await response.text();
          return response.status;
        },
        () => 0,
      );
      if (status !== 0 && status !== 503) return status;
      if (!going()) return status;
      await wait(30);
    }
  }

  /** Holds what the database has against what was acknowledged. */
  async check(database) {
    const wrong = [...this.#odd];
    for (const [key, change] of this.#changes) {
      if (Number.isNaN(change)) continue;
      const [articleId, roomId] = key.split(' ');
      const [[row]] = await database.raw(
        `select coalesce(sum(if(to_place = ?, count, 0) - if(from_place = ?, count, 0)), 0) as n
           from stock_movements where article_id = ?`,
        [`${roomId}/shelf`, `${roomId}/shelf`, articleId],
      );
      const expected = (this.#before.get(key) ?? 0) + change;
      if (Number(row.n) !== expected)
        wrong.push(`room ${roomId} has ${row.n} of article ${articleId}, and should have ${expected}`);
    }
    for (const [id, count] of this.#ordered) {
      const lines = await database('order_lines').where({ order_id: id });
      if (lines.length !== 1 || lines[0].count !== count) wrong.push(`order ${id} has ${lines.length} lines`);
    }
    const { receipts, moves, orders, refused } = this.#done;
    const words = `torture: ${receipts} receipts, ${moves} moves (${refused} refused as nothing was there), ${orders} orders; ${wrong.length} wrong of ${this.#changes.size} balances and ${this.#ordered.size} orders`;
    return { wrong, words };
  }
}
