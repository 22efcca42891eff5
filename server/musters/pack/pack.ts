import type { Chart } from '@neat-measure/contract';
import type { Pack, PackedPerson } from '@neat-measure/contract/musters';
import { kindOf } from '@neat-measure/core';
import { chartsInUse, findCharts } from '../../charts/store';
import type { Database } from '../../database/database';
import { latestAct } from '../../dockets/act-store';
import { listKits } from '../../kits/store';
import { listProtocols } from '../../protocols/store';
import { findSettings } from '../../settings/store';
import type { Standings } from '../standing';
import { viewOf } from '../view';
import { packPeople } from './people';
import { packStock } from './stock';

/** So many wearers are asked for at once. */
const AT_ONCE = 100;

/**
 * A muster as a device takes it along; nothing where there is none. It is never older than `place` says: what is done while
 * it is put together stands in it or comes behind.
 *
 * @param house which house it is of
 */
export async function packOf(
  database: Database,
  standings: Standings,
  house: string,
  musterId: string,
): Promise<Pack | undefined> {
  const place = await latestAct(database);
  const view = await viewOf(database, standings, musterId);
  if (view === undefined) return undefined;
  const madeAt = new Date().toISOString();
  const [{ habits }, kits, protocols, inUse] = [
    await findSettings(database),
    await listKits(database),
    await listProtocols(database),
    await chartsInUse(database),
  ];
  const charts = new Map(inUse.map((chart) => [chart.id, chart]));
  const libraryOf = async (ids: readonly string[]) => ({
    habits,
    charts: await chartsOf(database, charts, ids),
  });
  const people: PackedPerson[] = [];
  for (let from = 0; from < view.muster.people.length; from += AT_ONCE)
    people.push(
      ...(await packPeople(
        database,
        view.muster,
        view.muster.people.slice(from, from + AT_ONCE),
        kits,
        libraryOf,
      )),
    );
  const named = people.flatMap(({ acts, others }) =>
    [acts, ...others.map((one) => one.acts)].flat().flatMap(({ act }) => kindOf(act).needs(act).charts),
  );
  await chartsOf(database, charts, named);
  return {
    ...{ house, madeAt, place, view, people, kits, habits },
    charts: [...charts.values()],
    inUse: inUse.map(({ id }) => id),
    protocols: [...protocols],
    stock: await packStock(
      database,
      [...new Set([...charts.values()].map(({ seriesId }) => seriesId))],
      new Set(people.map(({ docketId }) => docketId)),
    ),
  };
}

/** Some versions; what was not known of them is from now on. */
async function chartsOf(
  database: Database,
  known: Map<string, Chart>,
  ids: readonly string[],
): Promise<Chart[]> {
  const wanted = [...new Set(ids)];
  const unknown = wanted.filter((id) => !known.has(id));
  for (const chart of unknown.length === 0 ? [] : await findCharts(database, unknown))
    known.set(chart.id, chart);
  return wanted.flatMap((id) => known.get(id) ?? []);
}
