import { join } from 'node:path';
import { loadDemo } from '../demo/load-demo';
import { newDatabase } from '../testing/new-database';
import { killedAfter } from '../testing/killed-after';
import type { Database } from './database';
import { alone, migrate, migrateAlone } from './prepare';

/** Every table as it would be made, its keys in no order. */
async function schemaOf(database: Database): Promise<string[]> {
  const [rows] = (await database.raw('show tables')) as [Record<string, string>[]];
  const made: string[] = [];
  for (const name of rows.map((row) => Object.values(row)[0]!).filter((one) => !/^schema_/.test(one))) {
    const [[row]] = (await database.raw(`show create table ${name}`)) as [[Record<string, string>]];
    made.push(row['Create Table']!.replace(/,$/gm, '').split('\n').sort().join('\n'));
  }
  return made;
}

describe('preparing a database', () => {
  it('is taken up again wherever it was killed, statement by statement', async () => {
    const [killed, undisturbed] = [await newDatabase(), await newDatabase()];
    try {
      await migrate(undisturbed.url);
      const done = async () =>
        (await killed.database.schema.hasTable('schema_migrations'))
          ? (await killed.database('schema_migrations').pluck('name')).length
          : 0;
      const all = (await undisturbed.database('schema_migrations').pluck('name')).length;
      // Every migration is killed behind each of its statements before it comes through.
      let [statements, before, kills] = [1, 0, 0];
      while ((await done()) < all) {
        await alone(killed.url, killedAfter(statements)).catch((error: Error) =>
          expect(error.message).toContain('killed'),
        );
        const now = await done();
        statements = now > before ? 1 : statements + 1;
        before = now;
        kills += 1;
      }
      expect(kills).toBeGreaterThan(all * 3);
      await migrate(killed.url);
      expect(await schemaOf(killed.database)).toEqual(await schemaOf(undisturbed.database));
    } finally {
      await killed.drop();
      await undisturbed.drop();
    }
  }, 120_000);

  it('is done by one of three that start at once, demo and all, and waited for by the others', async () => {
    const { database, url, drop } = await newDatabase();
    try {
      const loaded = await Promise.all(
        [1, 2, 3].map(() =>
          alone(url, async (own) => {
            await migrateAlone(own);
            return loadDemo(own, join(process.cwd(), 'demo'));
          }),
        ),
      );
      expect(loaded.filter(Boolean).length).toBe(1);
      expect((await database('fitters').pluck('sign_in')).sort()).toEqual([
        'brisa',
        'corin',
        'odalys',
        'tiernan',
      ]);
    } finally {
      await drop();
    }
  }, 60_000);
});
