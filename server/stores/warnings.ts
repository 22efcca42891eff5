import type { HireBooking, Piece, Reservation, Warning } from '@neat-measure/contract/stores';
import { addDays, dayOf, sayDay, sizesOfLabel } from '@neat-measure/core/stock';
import { findCharts } from '../charts/store';
import type { Database } from '../database/database';
import { lowArticles, onShelves } from './ledger/articles';
import { balancesOf } from './ledger/balances';
import { garmentsOf } from './ledger/garments';
import { listBookings } from './hire/hire';
import type { ArticleRow } from './ledger/ledger';
import { openOrders } from './orders/order-talk';
import { findOrders } from './orders/orders';
import { listReserved } from './reserved/reserved-list';
import { listPieces, today } from './ledger/pieces';

const NONE = { articleId: null, orderId: null, bookingId: null, docketId: null };

/** So many days before it is due, what is hired is said to come back. */
const DUE_DAYS = 1;

/** A day of a warning as people read it. */
function say(day: string): string {
  return sayDay(day, today());
}

/** Everything that runs out, over or late, the gravest first. */
export async function listWarnings(database: Database): Promise<Warning[]> {
  const all = [
    ...(await ofPieces(database)),
    ...(await ofHires(database)),
    ...(await ofOrders(database)),
    ...(await ofShelves(database)),
    ...(await ofReserved(database)),
    ...(await ofLabels(database)),
  ];
  const grave: Warning['kind'][] = [
    'piece-blocked',
    'overdue',
    'clash',
    'order-late',
    'order-unsent',
    'low',
    'label-gone',
    'reserved-astray',
    'to-call',
    'due-back',
    'dry',
    'piece-soon',
  ];
  return all.sort((a, b) => grave.indexOf(a.kind) - grave.indexOf(b.kind));
}

async function ofPieces(database: Database): Promise<Warning[]> {
  const pieces = await listPieces(database, () => undefined);
  const garments = await garmentsOf(database, [...new Set(pieces.map(({ seriesId }) => seriesId))]);
  const drying = await sinceWhenDrying(database);
  const on = today();
  return pieces.flatMap(({ id, articleId, seriesId, label, serial, place, says, blocked }): Warning[] => {
    if (place === 'waste' || place === 'difference') return [];
    const { garment, keeping } = garments.get(seriesId)!;
    const what = `${garment} ${label}, ${serial}`;
    const where = place === 'wearer' ? ' It is with a wearer.' : '';
    const told: Warning[] = [];
    if (says !== '')
      told.push({
        ...NONE,
        kind: blocked ? 'piece-blocked' : 'piece-soon',
        says: `${what}: ${says}${where}`,
        articleId,
      });
    const since = drying.get(id);
    if (since !== undefined && addDays(since, keeping.dryingDays) <= on)
      told.push({
        ...NONE,
        kind: 'dry',
        says: `${what} has been dry since ${say(since)}. Check it and return it to the shelf.`,
        articleId,
      });
    return told;
  });
}

/** Since which day pieces dry that do. */
async function sinceWhenDrying(database: Database): Promise<Map<string, string>> {
  const rows = await database('stock_movements as m')
    .whereNotNull('m.piece_id')
    .where('m.to_place', 'like', '%/drying')
    .whereRaw('m.place = (select max(l.place) from stock_movements l where l.piece_id = m.piece_id)')
    .select<{ piece_id: string; at: Date }[]>('m.piece_id', 'm.at');
  return new Map(rows.map(({ piece_id, at }) => [piece_id, dayOf(at)]));
}

async function ofHires(database: Database): Promise<Warning[]> {
  const on = today();
  const open = await listBookings(database, (query) => void query.whereNull('outcome'));
  const held = open.map(({ pieceId }) => pieceId);
  const pieces = await listPieces(database, (all) => void all.whereIn('pieces.id', held));
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const garments = await garmentsOf(database, [...new Set(pieces.map(({ seriesId }) => seriesId))]);
  const wet = await listBookings(
    database,
    (query) =>
      void query.whereIn('held_piece_id', held).where('outcome', 'back').where('bookings.dry_day', '>', on),
  );
  return open.flatMap((one): Warning[] => {
    const base = { ...NONE, bookingId: one.id, docketId: one.docketId };
    const what = `${one.garment} ${one.label}, ${one.serial}`;
    const piece = byId.get(one.pieceId)!;
    if (one.out !== null && one.until < on) {
      const dry = addDays(on, 1 + garments.get(piece.seriesId)!.keeping.dryingDays);
      const late = `${one.late} ${one.late === 1 ? 'day' : 'days'} late`;
      return [
        {
          ...base,
          kind: 'overdue',
          says: `${what} was due on ${say(one.until)}: ${late} with ${one.who}.`,
        },
        // Were it back today, it would not be dry before then.
        ...open
          .filter((next) => next.pieceId === one.pieceId && next.out === null && next.from <= dry)
          .map((next) => clash(what, next, 'is not back')),
      ];
    }
    if (one.out !== null && one.until <= addDays(on, DUE_DAYS))
      return [{ ...base, kind: 'due-back', says: `${what} is due on ${say(one.until)} from ${one.who}.` }];
    if (one.out !== null) return [];
    if (one.until < on)
      return [
        {
          ...base,
          kind: 'overdue',
          says: `${what} was booked for ${one.who} until ${say(one.until)} but was not collected. Cancel the booking.`,
        },
      ];
    const why = hindrance(one, piece, wet);
    return why === null ? [] : [clash(what, one, why)];
  });
}

/** Why a piece will not go to whom it is promised, as things stand; `null` where it will. */
function hindrance(
  { pieceId, from }: HireBooking,
  { place, blocked }: Piece,
  wet: readonly HireBooking[],
): string | null {
  if (place === 'waste' || place === 'difference') return 'is no longer in stock';
  if (blocked) return 'must not be handed out';
  if (place.endsWith('/quarantine')) return 'is set aside';
  const dry = wet.find((one) => one.pieceId === pieceId && one.free > from);
  return dry !== undefined && place.endsWith('/drying') ? `dries until ${say(dry.free)}` : null;
}

function clash(what: string, { id, who, from, docketId }: HireBooking, why: string): Warning {
  return {
    ...NONE,
    kind: 'clash',
    bookingId: id,
    docketId,
    says: `${what} ${why}, and ${who} has it booked from ${say(from)}. Give them another piece.`,
  };
}

async function ofOrders(database: Database): Promise<Warning[]> {
  const orders = await findOrders(database, await openOrders(database));
  return orders.flatMap(({ id, number, maker, promised, late, silentSince, stage, lines }): Warning[] => {
    const told = { ...NONE, orderId: id };
    const count = lines.reduce((sum, one) => sum + one.open, 0);
    if (stage === 'draft')
      return [
        {
          ...told,
          kind: 'order-unsent',
          says: `Order ${number} at ${maker} is not sent yet (${count} ${count === 1 ? 'garment' : 'garments'}). Send the order.`,
        },
      ];
    if (late)
      return [
        {
          ...told,
          kind: 'order-late',
          says: `Order ${number} at ${maker} was promised for ${say(promised!)} but is incomplete. Ask the maker.`,
        },
      ];
    return silentSince === null
      ? []
      : [
          {
            ...told,
            kind: 'order-late',
            says: `Order ${number} went to ${maker} on ${say(silentSince)}, and they have named no day. Ask, or call them.`,
          },
        ];
  });
}

async function ofShelves(database: Database): Promise<Warning[]> {
  const unsent = await unsentOf(database);
  return (await lowArticles(database)).map((article) => {
    const there = onShelves(article);
    const coming = sayComing(article.coming, unsent.get(article.id) ?? 0);
    return {
      ...NONE,
      kind: 'low',
      articleId: article.id,
      says: `${article.garment} ${article.label}: ${there} on the shelf, at least ${article.minimum} should be. ${coming}`,
    };
  });
}

/** Whose goods have come and who was not told; and what is reserved that nobody waits for any more. */
async function ofReserved(database: Database): Promise<Warning[]> {
  const kept = await listReserved(database);
  const astray = kept.flatMap((one): Warning[] =>
    one.astray === null
      ? []
      : [
          {
            ...NONE,
            kind: 'reserved-astray',
            says: `${one.garment} ${one.label} is reserved for ${one.wearer ?? 'an erased docket'}, but ${ASTRAY_WORDS[one.astray]}. Return it to the shelf.`,
          },
        ],
  );
  const toCall = kept.filter((one) => one.astray === null && one.called === null);
  const dockets = [...new Set(toCall.map(({ docketId }) => docketId))];
  const calls = dockets.map((docketId): Warning => {
    const own = toCall.filter((one) => one.docketId === docketId);
    const come = own.length === 1 ? '1 garment has come' : `${own.length} garments have come`;
    return {
      ...NONE,
      kind: 'to-call',
      says: `${own[0]!.wearer ?? ''}, docket ${own[0]!.docketNumber ?? ''}: ${come} and ${own.length === 1 ? 'is' : 'are'} reserved. Call the wearer.`,
    };
  });
  return [...astray, ...calls];
}

/** Why something that is reserved is waited for no more. */
const ASTRAY_WORDS: Readonly<Record<NonNullable<Reservation['astray']>, string>> = {
  'docket-gone': 'nothing is waited for',
  'other-size': 'another size is decided',
  'has-theirs': 'the wearer has one already',
};

/** How many of each article stand in orders that were not sent. */
async function unsentOf(database: Database): Promise<Map<string, number>> {
  const orders = await findOrders(database, await openOrders(database));
  const lines = orders.filter(({ stage }) => stage === 'draft').flatMap((one) => one.lines);
  return lines.reduce(
    (sums, { articleId, open }) => sums.set(articleId, (sums.get(articleId) ?? 0) + open),
    new Map<string, number>(),
  );
}

function sayComing(coming: number, unsent: number): string {
  if (coming === 0) return 'None is ordered.';
  const sent = coming - unsent;
  const waits = `${unsent} in an order that is not sent yet.`;
  if (unsent === 0) return `${sent} ordered.`;
  return sent === 0 ? waits : `${sent} ordered, ${waits}`;
}

/** What lies in the stores in a label that the latest version of its chart has no more. */
async function ofLabels(database: Database): Promise<Warning[]> {
  const rows = await database<ArticleRow>('articles');
  const garments = await garmentsOf(database, [...new Set(rows.map(({ series_id }) => series_id))]);
  const charts = new Map(
    (
      await findCharts(
        database,
        [...garments.values()].map(({ chartId }) => chartId),
      )
    ).map((one) => [one.id, one]),
  );
  const gone = rows.filter((row) => {
    const { chartId } = garments.get(row.series_id)!;
    return row.old_of !== chartId && sizesOfLabel(charts.get(chartId)!.sheet, row.label) === null;
  });
  const balances = await balancesOf(
    database,
    gone.map(({ id }) => id),
  );
  return gone.flatMap((row): Warning[] => {
    const own = [...balances.get(row.id)!].filter(([place]) => place.includes('/') || place === 'wearer');
    const count = own.reduce((sum, [, n]) => sum + Math.max(0, n), 0);
    const { garment } = garments.get(row.series_id)!;
    return count === 0
      ? []
      : [
          {
            ...NONE,
            kind: 'label-gone',
            articleId: row.id,
            says: `${garment} ${row.label}: the chart no longer has this size, and ${count} ${count === 1 ? 'is' : 'are'} in stock. Rename the article.`,
          },
        ];
  });
}
