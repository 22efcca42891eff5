import type { Chart, Protocol } from '@neat-measure/contract';
import type { Act, Shelf } from '@neat-measure/core';
import { findCharts } from '../charts/store';
import type { Database } from '../database/database';
import { findProtocols } from '../protocols/store';
import { findSettings } from '../settings/store';

/** What some acts speak of: every version of a chart and every protocol they name; and how the house sizes now. */
export async function shelfFor(
  database: Database,
  acts: readonly Act[],
): Promise<Omit<Shelf<Chart>, 'protocols'> & { readonly protocols: readonly Protocol[] }> {
  const named = <Key extends string>(key: Key) => [
    ...new Set(acts.flatMap((act) => (key in act ? [(act as Act & Record<Key, string>)[key]] : []))),
  ];
  const [charts, protocols, { habits }] = await Promise.all([
    findCharts(database, named('chartId')),
    findProtocols(database, named('protocolId')),
    findSettings(database),
  ]);
  return { charts, protocols, habits };
}
