import type { MusterList } from '@neat-measure/contract/musters';
import { PART_WORDS, type Gone, type Muster, type MusterPerson } from '@neat-measure/core/muster';
import type { Database } from '../database/database';
import { wearersOf } from './store';

/** So many dockets go into one question. */
const AT_ONCE = 1_000;

const GONE_WORDS: Readonly<Record<Gone, string>> = {
  done: 'done',
  owed: 'left, something owed',
  without: 'left',
};

const STAGE_WORDS: Readonly<Record<string, string>> = {
  'handed-over': 'handed over',
  'made-to-measure': 'made to measure',
  'came-back': 'returned',
};

/**
 * Everybody on a muster as rows of a table, by name: the columns an import knows, then where they are, what is missing,
 * and a column for each garment with its size and whether it was handed over. Who was erased is left out.
 */
export async function listOut(database: Database, muster: Muster): Promise<MusterList> {
  const wearers = await wearersOf(
    database,
    muster.people.map(({ wearerId }) => wearerId),
  );
  const byId = new Map(wearers.map((one) => [one.id, one]));
  const garments = await garmentsOf(
    database,
    muster.people.map(({ docketId }) => docketId),
  );
  const columns = [...new Set([...garments.values()].flatMap((own) => [...own.keys()]))].sort();
  const rows = muster.people.flatMap((person) => {
    const wearer = byId.get(person.wearerId);
    if (wearer === undefined) return [];
    const own = garments.get(person.docketId);
    return [
      [
        ...[wearer.name, wearer.role, wearer.number ?? ''],
        ...[standingOf(person), person.day.arrivedAt?.slice(0, 16).replace('T', ' ') ?? ''],
        person.day.missing?.map((part) => PART_WORDS[part]).join(', ') ?? '',
        ...columns.map((garment) => own?.get(garment) ?? ''),
      ],
    ];
  });
  rows.sort(([one], [other]) => one!.localeCompare(other!));
  return [['name', 'role', 'house number', 'state', 'arrived (UTC)', 'missing', ...columns], ...rows];
}

function standingOf({ day: { standing } }: MusterPerson): string {
  if (standing.is === 'gone') return GONE_WORDS[standing.how];
  return standing.is === 'expected' ? 'expected' : 'here';
}

/** What each docket has, by the garment's name: its size, and how far it has come. */
async function garmentsOf(
  database: Database,
  docketIds: readonly string[],
): Promise<ReadonlyMap<string, ReadonlyMap<string, string>>> {
  const all = new Map<string, Map<string, string>>();
  for (let from = 0; from < docketIds.length; from += AT_ONCE)
    for (const { docket_id, garment, stage, final_size } of await database('docket_garments')
      .join('charts', 'charts.id', 'docket_garments.chart_id')
      .whereIn('docket_id', docketIds.slice(from, from + AT_ONCE))
      .select<{ docket_id: string; garment: string; stage: string; final_size: string | null }[]>(
        'docket_id',
        'charts.garment',
        'stage',
        'final_size',
      )) {
      const words = [final_size ?? '', STAGE_WORDS[stage] ?? ''].filter((one) => one !== '').join(', ');
      const own = all.get(docket_id) ?? new Map<string, string>();
      all.set(docket_id, own.set(garment, words));
    }
  return all;
}
