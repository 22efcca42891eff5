import { createHash } from 'node:crypto';
import type { Knex } from 'knex';
import { keyedHash, makeTriggers } from '../triggers';

/**
 * What was noted of acts on dockets is hashed anew by the key of the wearer they are about: a plain hash of a reading is
 * found again by trying every plausible reading. Of whoever has been erased nothing is left to be tried. What was sealed is
 * sealed anew, and that it was, and whether it was whole until then, is noted.
 */
export async function up(database: Knex): Promise<void> {
  await makeTriggers(database);
  // In a new house there is nothing to be hashed anew, and nothing to be told of it.
  if ((await database('acts_noted').first('place')) === undefined) return;
  await database.transaction(async (transaction) => {
    const whole = await reseal(transaction, false);
    await transaction.raw(
      'insert ignore into wearer_keys (wearer_id, secret) select id, to_base64(random_bytes(32)) from wearers',
    );
    await transaction.raw(
      `update acts_noted
         join acts on acts.id = acts_noted.act_id
         join dockets on dockets.id = acts.docket_id
         join wearer_keys on wearer_keys.wearer_id = dockets.wearer_id
       set sha256 = ${keyedHash('wearer_keys.secret', 'acts.body')}`,
    );
    await transaction.raw(
      `update acts_noted left join acts on acts.id = acts_noted.act_id
       set sha256 = sha2(random_bytes(32), 256)
       where acts.id is null and acts_noted.docket_id is not null`,
    );
    await reseal(transaction, true);
    await transaction('audit').insert({ kind: 'log-resealed', detail: JSON.stringify({ whole }) });
  });
}

type Row = Readonly<Record<string, unknown>>;

/** Walks the seals of acts, and writes them anew where that is wanted; whether each was the one it should be. */
async function reseal(database: Knex, write: boolean): Promise<boolean> {
  const seals = await database('audit_seals')
    .where({ list: 'acts_noted' })
    .orderBy('place')
    .select<{ place: number; hash: string }[]>('place', 'hash');
  let [before, from, whole] = ['', 0, true];
  for (const { place, hash: kept } of seals) {
    const rows = await database('acts_noted')
      .whereBetween('place', [from + 1, place])
      .orderBy('place')
      .select<Row[]>();
    const hash = hashOf(before, rows);
    whole &&= hash === kept;
    if (write && hash !== kept)
      await database('audit_seals').where({ list: 'acts_noted', place }).update({ hash });
    [before, from] = [write ? hash : kept, place];
  }
  return whole;
}

/** As seals were made when this was written. */
function hashOf(before: string, rows: readonly Row[]): string {
  const hash = createHash('sha256').update(before);
  for (const row of rows) {
    const fields = ['place', 'at', 'act_id', 'docket_id', 'by_id', 'sha256'];
    if (row['muster_id'] !== null) fields.push('muster_id');
    hash.update(
      JSON.stringify(
        fields.map((field) => (row[field] instanceof Date ? row[field].toISOString() : row[field])),
      ),
    );
  }
  return hash.digest('hex');
}
