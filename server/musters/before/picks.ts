import type { Picks } from '@neat-measure/contract/musters';
import type { Muster } from '@neat-measure/core/muster';
import type { Database } from '../../database/database';
import { tellArticles } from '../../stores/ledger/articles';
import { garmentsOf } from '../../stores/ledger/garments';
import type { ArticleRow } from '../../stores/ledger/ledger';
import { listWanted, type Wanted } from '../../stores/orders/wanted';
import { keptFor, reserveMany, type ReservationRow } from '../../stores/reserved/reserved';
import { listReserved } from '../../stores/reserved/reserved-list';
import type { Reservation } from '@neat-measure/contract/stores';

type Pick = Picks['numbered'][number];

/** Where something is fetched. */
interface Found {
  readonly roomId: string;
  readonly bin: string | null;
  readonly pick: Pick;
}

/**
 * What is to be fetched for those of a muster who are decided, room by room: each size from the room that has most of it,
 * whoever waits longest first. What is hired out is fetched by its booking.
 */
export async function listPicks(database: Database, muster: Muster): Promise<Picks> {
  const whose = new Map(muster.people.map(({ docketId, wearerId }) => [docketId, wearerId]));
  const wanted = (await listWanted(database)).filter(({ docketId, hired }) => whose.has(docketId) && !hired);
  const series = [...new Set(wanted.map(({ seriesId }) => seriesId))];
  const [garments, articles, rooms] = await Promise.all([
    garmentsOf(database, series),
    database<ArticleRow>('articles')
      .whereIn('series_id', series)
      .then((rows) => tellArticles(database, rows)),
    database('store_rooms').orderBy('name').select<{ id: string; name: string }[]>('id', 'name'),
  ]);
  const left = new Map(
    articles.map((one) => [
      `${one.seriesId} ${one.label}`,
      new Map(one.there.map(({ roomId, shelf, blocked }) => [roomId, shelf - blocked])),
    ]),
  );
  const bins = new Map(articles.map(({ seriesId, label, bin }) => [`${seriesId} ${label}`, bin]));
  const coming = new Map(articles.map((one) => [`${one.seriesId} ${one.label}`, one.coming]));
  const found: Found[] = [];
  const [numbered, short]: [Pick[], Picks['short']] = [[], []];
  for (const one of wanted) {
    const garment = garments.get(one.seriesId);
    if (garment === undefined) continue;
    const pick = asPick(one, garment.garment);
    const key = `${one.seriesId} ${one.label}`;
    if (garment.keeping.numbered) {
      numbered.push(pick);
      continue;
    }
    const there = [...(left.get(key) ?? [])].filter(([, count]) => count > 0);
    const [best] = there.sort(([, one_], [, other]) => other - one_);
    if (best === undefined) short.push({ ...pick, coming: coming.get(key) ?? 0 });
    else {
      left.get(key)!.set(best[0], best[1] - 1);
      found.push({ roomId: best[0], bin: bins.get(key) ?? null, pick });
    }
  }
  return {
    rooms: rooms.flatMap(({ id, name }) => {
      const here = found.filter(({ roomId }) => roomId === id);
      return here.length === 0 ? [] : [{ roomId: id, room: name, lines: together(here) }];
    }),
    numbered,
    short,
    ready: await readyFor(database, whose, wanted),
  };
}

function asPick({ docketId, chartId, docketNumber, wearer, label }: Wanted, garment: string): Pick {
  return { docketId, chartId, docketNumber, wearer, garment, label };
}

/** What lies together is fetched together: in the order of the shelves, then by garment and size; what has no shelf last. */
function together(picks: readonly Found[]): Picks['rooms'][number]['lines'] {
  const lines = new Map<string, Picks['rooms'][number]['lines'][number]>();
  for (const { pick, bin } of picks) {
    const key = `${pick.garment}\n${pick.label}`;
    const line = lines.get(key) ?? { garment: pick.garment, label: pick.label, bin, for: [] };
    line.for.push(pick);
    lines.set(key, line);
  }
  const name = ({ garment, label }: { readonly garment: string; readonly label: string }) =>
    `${garment} ${label}`;
  const inOrder = (one: string, other: string) => one.localeCompare(other, 'en', { numeric: true });
  return [...lines.values()].sort(
    (one, other) =>
      Number(one.bin === null) - Number(other.bin === null) ||
      inOrder(one.bin ?? '', other.bin ?? '') ||
      inOrder(name(one), name(other)),
  );
}

async function readyFor(
  database: Database,
  whose: ReadonlyMap<string, string>,
  wanted: readonly Wanted[],
): Promise<Picks['ready']> {
  const kept = await keptOf(database, whose);
  if (kept.length === 0) return [];
  const dockets = await database('dockets')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .whereIn('dockets.id', [...new Set(kept.map(({ docket_id }) => docket_id))])
    .orderBy('wearers.name')
    .select<{ id: string; number: number; name: string }[]>('dockets.id', 'number', 'wearers.name');
  return dockets.map(({ id, number, name }) => ({
    ...{ wearerId: whose.get(id)!, docketNumber: number, wearer: name },
    reserved: kept.filter(({ docket_id }) => docket_id === id).length,
    waits: wanted.filter(({ docketId }) => docketId === id).length,
  }));
}

async function keptOf(
  database: Database,
  whose: ReadonlyMap<string, string>,
): Promise<readonly ReservationRow[]> {
  const rows: ReservationRow[] = await keptFor(database);
  return rows.filter(({ docket_id }) => whose.has(docket_id));
}

/** Reserves everything that is on the pick list; how much that was. */
export async function reservePicks(database: Database, muster: Muster, by: string): Promise<number> {
  const { rooms } = await listPicks(database, muster);
  return reserveMany(
    database,
    rooms.flatMap(({ roomId, lines }) =>
      lines.flatMap((line) => line.for.map(({ docketId, chartId }) => ({ docketId, chartId, roomId }))),
    ),
    by,
  );
}

/** Everything that is reserved for a muster and is still theirs, by wearer: to be labelled. */
export async function reservedFor(database: Database, muster: Muster): Promise<Reservation[]> {
  const dockets = new Set(muster.people.map(({ docketId }) => docketId));
  const kept = (await listReserved(database)).filter(
    ({ docketId, astray }) => dockets.has(docketId) && astray === null,
  );
  return kept.sort((one, other) => (one.wearer ?? '').localeCompare(other.wearer ?? ''));
}
