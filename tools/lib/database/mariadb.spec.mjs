import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import knex from 'knex';
import { startMariadb } from './mariadb.mjs';

const folder = () => mkdtempSync(join(tmpdir(), 'neat-measure-'));

describe('a MariaDB that is kept', () => {
  it('has a temporary folder of its own, so that another that starts takes nothing from it', async () => {
    const own = [folder(), folder()];
    const both = await Promise.all(own.map((one) => startMariadb(one)));
    const asked = await Promise.all(
      both.map(async (mariadb) => {
        const database = knex({ client: 'mysql2', connection: mariadb.url('neat_measure') });
        const [[row]] = await database.raw('select @@tmpdir as temporary');
        await database.destroy();
        return row.temporary;
      }),
    );
    expect(asked).toEqual(own.map((one) => join(one, 'tmp')));
    await Promise.all(both.map((mariadb) => mariadb.stop()));
    own.forEach((one) => rmSync(one, { recursive: true, force: true }));
  }, 60_000);

  it('is started again on its port when it is killed, with what was committed', async () => {
    const own = folder();
    const mariadb = await startMariadb(own);
    const database = knex({ client: 'mysql2', connection: mariadb.url('neat_measure') });
    try {
      await database.raw('create table kept (n int) engine=InnoDB');
      await database('kept').insert({ n: 7 });
      const pid = Number(readFileSync(join(own, 'data', 'mariadb.pid'), 'utf8'));
      process.kill(pid, 'SIGKILL');
      let rows = [];
      for (let tries = 0; tries < 100 && rows.length === 0; tries++) {
        await wait(100);
        rows = await database('kept').catch(() => []);
      }
      expect(rows).toEqual([{ n: 7 }]);
      expect(Number(readFileSync(join(own, 'data', 'mariadb.pid'), 'utf8'))).not.toBe(pid);
    } finally {
      await database.destroy();
      await mariadb.stop();
      rmSync(own, { recursive: true, force: true });
    }
  }, 60_000);
});
