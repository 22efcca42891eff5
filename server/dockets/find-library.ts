import type { Chart, Protocol } from '@neat-measure/contract';
import { kindOf, type Act, type Library } from '@neat-measure/core';
import { findCharts } from '../charts/store';
import type { Database } from '../database/database';
import { findProtocols } from '../protocols/store';
import { findSettings } from '../settings/store';

/** What some acts speak of: every version of a chart and every protocol they name; and how the house sizes now. */
export async function shelfFor(
  database: Database,
  acts: readonly Act[],
): Promise<Omit<Library<Chart>, 'protocols'> & { readonly protocols: readonly Protocol[] }> {
  const needed = acts.map((act) => kindOf(act).needs(act));
  const [charts, protocols, { habits }] = await Promise.all([
    findCharts(database, [...new Set(needed.flatMap((one) => one.charts))]),
    findProtocols(database, [...new Set(needed.flatMap((one) => one.protocols))]),
    findSettings(database),
  ]);
  return { charts, protocols, habits };
}
