import type { Database } from '../../database/database';

/** What stands in the place of a name that is forgotten. */
export const FORGOTTEN = 'somebody';

/** Forgets for whom pieces were hired on some dockets: that they were out, and when, stays with the pieces. */
export async function forgetHiresOf(transaction: Database, docketIds: readonly string[]): Promise<void> {
  await transaction('bookings')
    .whereIn('docket_id', [...docketIds])
    .update({ who: FORGOTTEN, note: null, docket_id: null, chart_id: null });
}

/** Forgets the names of hires without a docket that ended before a moment; how many. */
export async function forgetOldHires(database: Database, before: Date): Promise<number> {
  return database('bookings')
    .whereNull('docket_id')
    .whereNot({ who: FORGOTTEN })
    .where('until_day', '<', before)
    .update({ who: FORGOTTEN, note: null });
}
