import type { Knex } from 'knex';
import { makeTriggers } from '../triggers';

/** When a wearer took back, on a docket, that they agree to be measured: nothing is read there from then on. */
export async function up(database: Knex): Promise<void> {
  await database.raw('alter table dockets add column if not exists consent_withdrawn_at datetime(3) null');
  await database.raw(
    `update dockets set consent_withdrawn_at = (
       select if(json_value(acts.body, '$.given') in ('true', '1'), null, acts.done_at) from acts
       where acts.docket_id = dockets.id and acts.kind = 'consent-recorded'
       order by acts.place desc limit 1)`,
  );
  await makeTriggers(database);
}
