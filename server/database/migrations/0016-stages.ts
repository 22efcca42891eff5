import type { Knex } from 'knex';

/** How far a garment of a docket has come, and the size the wearer goes with: for lists, beside the acts they follow from. */
export async function up(database: Knex): Promise<void> {
  await database.raw(
    `alter table docket_garments
       add column if not exists stage varchar(20) character set ascii not null default 'not-decided',
       add column if not exists final_size varchar(200) null`,
  );
  await database('docket_garments')
    .whereIn('outcome', ['accepted', 'overridden'])
    .where({ stage: 'not-decided' })
    .update({ stage: 'to-try', final_size: database.ref('size') });
  await database('docket_garments')
    .where({ outcome: 'made-to-measure', stage: 'not-decided' })
    .update({ stage: 'made-to-measure' });
}
