import {
  COMPARTMENTS,
  placeKey,
  refuseMovement,
  type MovementKind,
  type Whereabouts,
} from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import { allOrNothing } from '../../database/all-or-nothing';
import { Harness } from '../../testing/harness';
import { Stores, SUIT } from '../../testing/stock';
import { balancesOf } from './balances';
import { holdArticles, move, StockRefused } from './ledger';

/** A generator of numbers that is the same for the same seed (mulberry32). */
function random(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const STEPS = 5_000;
const WALKERS = 10;

describe('the ledger of the stores', () => {
  let app: Harness;
  const stores = new Stores(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  it(`adds up after ${STEPS} movements that ${WALKERS} hands make at once`, async () => {
    const [roomId, hall, series] = [await stores.room(), await stores.room(), await stores.chart()];
    const articles: string[] = [];
    for (const label of ['32', '34', '36'])
      articles.push((await stores.receive(roomId, series, label, 20)).id);
    const places: readonly Whereabouts[] = [
      ...[roomId, hall].flatMap((room) =>
        COMPARTMENTS.map((compartment): Whereabouts => ({ in: 'room', roomId: room, compartment })),
      ),
      { in: 'maker' },
      { in: 'wearer' },
      { in: 'waste' },
      { in: 'difference' },
    ];
    const kinds: readonly MovementKind[] = [
      'received',
      'issued',
      'returned',
      'moved',
      'released',
      'written-off',
      'counted',
      'undone',
    ];
    const seed = 20_261_127;
    let [done, refused] = [0, 0];
    /** One hand: only ways that each kind has, so that most of what refuses is that too little is there. */
    async function walk(hand: number): Promise<void> {
      const next = random(seed + hand);
      const one = <Item>(items: readonly Item[]): Item => items[Math.floor(next() * items.length)]!;
      for (let step = 0; step < STEPS / WALKERS; ) {
        const [kind, from, to, articleId] = [one(kinds), one(places), one(places), one(articles)];
        const count = 1 + Math.floor(next() * 4);
        if (refuseMovement({ kind, from, to, count, reason: 'So it is' }, count) !== null) continue;
        step += 1;
        try {
          await allOrNothing(app.database, async (transaction) => {
            await holdArticles(transaction, [articleId]);
            const moving = { batchId: uuidv7(), what: 'a garment', by: app.fitter.id, reason: 'So it is' };
            await move(transaction, { ...moving, kind, articleId, from, to, count });
          });
          done += 1;
        } catch (error) {
          if (!(error instanceof StockRefused)) throw error;
          refused += 1;
        }
      }
    }
    await Promise.all(Array.from({ length: WALKERS }, (_, hand) => walk(hand)));
    expect(done + refused).toBe(STEPS);
    expect(refused).withContext('some found too little').toBeGreaterThan(20);
    expect(done).toBeGreaterThan(STEPS / 4);
    const balances = await balancesOf(app.database, articles);
    for (const [articleId, own] of balances) {
      const sum = [...own.values()].reduce((all, count) => all + count, 0);
      expect(sum).withContext('nothing comes from nowhere').toBe(0);
      for (const place of places.filter((at) => at.in === 'room'))
        expect(own.get(placeKey(place)) ?? 0)
          .withContext(`seed ${seed}, ${placeKey(place)}`)
          .toBeGreaterThanOrEqual(0);
      // What the application tells is what the list sums to.
      const { article, moved } = await stores.account(articleId);
      const told = article.there.reduce(
        (all, one) => all + one.shelf + one.drying + one.quarantine + one.reserved,
        0,
      );
      const listed = places.reduce(
        (all, at) => (at.in === 'room' ? all + (own.get(placeKey(at)) ?? 0) : all),
        0,
      );
      expect(told).toBe(listed);
      expect(moved).toBeGreaterThan(100);
    }
    const rows = await app
      .database('stock_movements')
      .whereIn('article_id', articles)
      .count<{ n: number }[]>({ n: '*' });
    expect(Number(rows[0]!.n)).toBe(done + articles.length);
  }, 120_000);

  it('lets nobody change or take out what is in it', async () => {
    const roomId = await stores.room();
    await stores.receive(roomId, await stores.chart(SUIT), 'M', 1, [uuidv7()]);
    const { FEWER } = await import('../../database/grants');
    for (const table of ['stock_movements', 'order_events', 'piece_inspections', 'stock_batches'])
      expect(FEWER[table]).toBe('select, insert');
  });
});
