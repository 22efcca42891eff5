import type { HireBooking } from '@neat-measure/contract/stores';
import type { Database } from '../../database/database';
import { listBookings } from './hire';

/** What stands in the place of a name that is forgotten. */
export const FORGOTTEN = 'somebody';

/** Forgets for whom pieces were hired on some dockets: that they were out, and when, stays with the pieces. */
export async function forgetHiresOf(transaction: Database, docketIds: readonly string[]): Promise<void> {
  await transaction('bookings')
    .whereIn('docket_id', [...docketIds])
    .update({ who: FORGOTTEN, note: null, docket_id: null, chart_id: null });
}

/** Hires without a docket under a name, however it is written large or small. */
export async function hiresNamed(database: Database, name: string): Promise<HireBooking[]> {
  return listBookings(
    database,
    (query) => void query.whereNull('bookings.docket_id').where('bookings.who', name.trim()),
  );
}

/** Forgets for whom some hires without a docket were, as far as they are under a name. */
export async function forgetHiresNamed(
  transaction: Database,
  name: string,
  ids: readonly string[],
): Promise<void> {
  await transaction('bookings')
    .whereNull('docket_id')
    .where({ who: name.trim() })
    .whereIn('id', [...ids])
    .update({ who: FORGOTTEN, note: null });
}

/** Forgets the names of hires without a docket that ended before a moment; how many. */
export async function forgetOldHires(database: Database, before: Date): Promise<number> {
  return database('bookings')
    .whereNull('docket_id')
    .whereNot({ who: FORGOTTEN })
    .where('until_day', '<', before)
    .update({ who: FORGOTTEN, note: null });
}
