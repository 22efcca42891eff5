import { PAGE, wordsOf, type ListQuery, type Page } from '@neat-measure/contract';
import { type MusterSummary, type MusterWearer } from '@neat-measure/contract/musters';
import { countsOf, type Muster } from '@neat-measure/core/muster';
import type { Database } from '../database/database';
import { withWords } from '../database/like';

interface MusterRow {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  readonly day: string;
  readonly last_day: string;
  readonly closed_at: Date | null;
  readonly people: number;
  readonly here: number;
  readonly gone: number;
}

/** What lists know of a muster, as it stands. */
function columnsOf(muster: Muster): object {
  const { all, here, done, owed, without } = countsOf(muster);
  return {
    name: muster.name,
    place: muster.place,
    day: muster.day,
    last_day: muster.lastDay,
    closed_at: muster.closedAt === null ? null : new Date(muster.closedAt),
    people: all,
    here,
    gone: done + owed + without,
  };
}

/** Keeps the row of a muster that was opened. Rejects when its id is taken. */
export async function addMuster(transaction: Database, muster: Muster): Promise<void> {
  const row = { id: muster.id, opened_at: new Date(muster.openedAt), ...columnsOf(muster) };
  await transaction('musters').insert(row);
}

/** Keeps what lists look at beside the acts. */
export async function keepMuster(transaction: Database, muster: Muster): Promise<void> {
  await transaction('musters').where({ id: muster.id }).update(columnsOf(muster));
}

/** Holds a muster until the transaction ends; `false` for one that is not there. */
export async function lockMuster(transaction: Database, id: string): Promise<boolean> {
  return (await transaction('musters').where({ id }).forUpdate().first('id')) !== undefined;
}

/** A part of the musters that match a search: those that are open, the latest day first, then those that are closed. */
export async function listMusters(
  database: Database,
  { search, from }: ListQuery,
): Promise<Page<MusterSummary>> {
  const matching = () => withWords(database<MusterRow>('musters'), wordsOf(search), ['name', 'place']);
  const counted = await matching().count<{ n: number }[]>({ n: '*' });
  const rows = (await matching()
    .orderByRaw('closed_at is not null, day desc, opened_at desc, id')
    .offset(from)
    .limit(PAGE)
    .select(
      'musters.*',
      database.raw("date_format(day, '%Y-%m-%d') as day"),
      database.raw("date_format(last_day, '%Y-%m-%d') as last_day"),
    )) as MusterRow[];
  return { items: rows.map(toSummary), total: Number(counted[0]!.n) };
}

/** So many others of the same days are looked at, the latest: a house hardly has more than two. */
const MOST_BESIDE = 30;

/** The other musters that are open on days of one. */
export function mustersBeside(
  database: Database,
  { id, day, lastDay }: Pick<Muster, 'id' | 'day' | 'lastDay'>,
): Promise<string[]> {
  return database('musters')
    .whereNot({ id })
    .whereNull('closed_at')
    .where('day', '<=', lastDay)
    .where('last_day', '>=', day)
    .orderBy('opened_at', 'desc')
    .limit(MOST_BESIDE)
    .pluck<string[]>('id');
}

function toSummary({
  last_day,
  closed_at,
  id,
  name,
  place,
  day,
  people,
  here,
  gone,
}: MusterRow): MusterSummary {
  const closedAt = closed_at?.toISOString() ?? null;
  return { id, name, place, day, lastDay: last_day, closedAt, people, here, gone };
}

/** Who some wearers are; those who are not there, or have been erased, are left out. */
export async function wearersOf(database: Database, ids: readonly string[]): Promise<MusterWearer[]> {
  const found: MusterWearer[] = [];
  for (let from = 0; from < ids.length; from += AT_ONCE)
    found.push(
      ...(await database('wearers')
        .whereIn('id', ids.slice(from, from + AT_ONCE))
        .select<MusterWearer[]>('id', 'name', 'role', 'house_number as number')),
    );
  return found;
}

/** So many ids go into one question. */
const AT_ONCE = 1_000;

/** Whose some dockets are, of those that are open already. */
export async function ownersOf(
  database: Database,
  docketIds: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  const owners = new Map<string, string>();
  for (let from = 0; from < docketIds.length; from += AT_ONCE)
    for (const { id, wearer_id } of await database('dockets')
      .whereIn('id', docketIds.slice(from, from + AT_ONCE))
      .select<{ id: string; wearer_id: string }[]>('id', 'wearer_id'))
      owners.set(id, wearer_id);
  return owners;
}
