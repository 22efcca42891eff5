import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import knex from 'knex';
import { aloneIn, standIn, whoStandsIn } from '../door.mjs';
import { startMariadb } from './mariadb.mjs';

const folder = () => mkdtempSync(join(tmpdir(), 'neat-measure-'));

describe('the door of a folder', () => {
  it('holds one at a time, says who, and is free when they leave', async () => {
    const own = folder();
    const first = await standIn(own, { doing: 'the first' });
    expect(await standIn(own, { doing: 'the second' })).toBeNull();
    first.tell({ address: 'http://127.0.0.1:1' });
    expect(await whoStandsIn(own)).toEqual({
      doing: 'the first',
      pid: process.pid,
      address: 'http://127.0.0.1:1',
    });
    await first.leave();
    expect(await whoStandsIn(own)).toBeNull();
    const second = await standIn(own, { doing: 'the second' });
    expect(second).not.toBeNull();
    await second.leave();
    rmSync(own, { recursive: true });
  });

  it('is free when whoever stood there was killed', async () => {
    const own = folder();
    const script = `import(${JSON.stringify(join(dirname(fileURLToPath(import.meta.url)), 'door.mjs'))}).then(async ({ standIn }) => {
      await standIn(${JSON.stringify(own)}, { doing: 'a child' });
      setInterval(() => undefined, 1000);
      process.stdout.write('there');
    })`;
    const child = spawn(process.execPath, ['-e', script]);
    await new Promise((resolve) => child.stdout.once('data', resolve));
    expect((await whoStandsIn(own)).doing).toBe('a child');
    child.kill('SIGKILL');
    await new Promise((resolve) => child.once('exit', resolve));
    expect(await whoStandsIn(own)).toBeNull();
    rmSync(own, { recursive: true });
  });

  it('lets many do the same thing one after the other', async () => {
    const own = folder();
    let [inside, most] = [0, 0];
    await Promise.all(
      [1, 2, 3].map(() =>
        aloneIn(own, 'counting', async () => {
          most = Math.max(most, (inside += 1));
          await wait(20);
          inside -= 1;
        }),
      ),
    );
    expect(most).toBe(1);
    rmSync(own, { recursive: true });
  });
});

describe('a MariaDB that is kept', () => {
  it('has a temporary folder of its own, so that another that starts takes nothing from it', async () => {
    const own = [folder(), folder()];
    const both = await Promise.all(own.map(startMariadb));
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
