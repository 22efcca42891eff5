import type { Database } from '../database/database';

/** The people nothing was done for since a day: neither kept, nor a docket opened, nor anything done on one. */
export function lapsedWearers(database: Database, since: Date): Promise<string[]> {
  return database('wearers')
    .where('updated_at', '<', since)
    .whereNotExists(
      database('dockets')
        .whereRaw('dockets.wearer_id = wearers.id')
        .where((recent) =>
          recent
            .where('opened_at', '>=', since)
            .orWhereExists(
              database('acts')
                .whereRaw('acts.docket_id = dockets.id')
                .where('received_at', '>=', since)
                .select(database.raw('1')),
            ),
        )
        .select(database.raw('1')),
    )
    .pluck<string[]>('id');
}

/** Takes links out that ended before a day, with what came back on them; how many. */
export function removeEndedLinks(database: Database, before: Date): Promise<number> {
  return database('self_links').where('expires_at', '<', before).delete();
}

/** Takes out what tapes sent before a day; how many lines. */
export function removeOldLines(database: Database, before: Date): Promise<number> {
  return database('device_lines').where('received_at', '<', before).delete();
}

/** Forgets who failed to sign in before a day. */
export function removeOldTrials(database: Database, before: Date): Promise<number> {
  return database('sign_in_trials').where('last_at', '<', before).delete();
}

/** Takes out pens nobody has asked for since a day: what they sign is long past the moment that is taken of any act. */
export function removeOldPens(database: Database, before: Date): Promise<number> {
  return database('pens').where('renewed_at', '<', before).delete();
}
