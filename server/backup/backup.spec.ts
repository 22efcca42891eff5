import { createHash } from 'node:crypto';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { v7 as uuidv7 } from 'uuid';
import { checkAudit, sealAudit } from '../audit/seals';
import { loadDemo } from '../demo/load-demo';
import { alone, migrate, migrateAlone } from '../database/prepare';
import { refuseUnfinished, wantTriggers } from '../database/whole';
import { Harness } from '../testing/harness';
import { newDatabase } from '../testing/new-database';
import { Records, reading } from '../testing/records';
import { backUp, backUpNightly, nameOfDay, openPatiently, restore, thinned } from './backup';
import { countTables, dumpLines } from './dump';
import { finishLoading, loadLines } from './load';

const SECRET = 'a passphrase for this spec';
/** A key that takes no time to make. */
const QUICK = 8;

describe('a backup', () => {
  let folder: string;
  let file: string;
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'neat-measure-backup-'));
    file = join(folder, 'one.backup');
  });
  afterEach(() => rm(folder, { recursive: true }));

  it('comes back as it was, sealed and noted, beside an application at work', async () => {
    const app = await Harness.start();
    const records = new Records(() => app);
    const empty = await newDatabase();
    try {
      const { id } = await records.measured('98', '90');
      await sealAudit(app.database, -1);
      let going = true;
      const work = (async () => {
        // As fast as hands are, not as fast as a machine: every reading makes its docket longer.
        while (going) {
          await records.does(id, reading('hip-girth', '101'));
          await wait(50);
        }
      })();
      const kept = await backUp(app.url, file, SECRET, QUICK);
      going = false;
      await work;
      expect(kept['acts']!.rows).toBeGreaterThan(3);
      // Nothing of anybody can be read in it.
      expect((await readFile(file)).includes('Ibrahima')).toBeFalse();
      await restore(empty.url, file, SECRET);
      const found = await countTables(empty.database);
      for (const table of ['acts', 'audit', 'charts', 'dockets', 'fitters', 'wearers'])
        expect(found[table]).withContext(table).toEqual(kept[table]);
      expect((await checkAudit(empty.database)).broken).toEqual([]);
      // And it goes on: what is done afterwards is noted.
      const [act] = await empty.database('acts').orderBy('place').limit(1);
      await empty
        .database('acts')
        .insert({ ...act, place: undefined, id: uuidv7(), body: JSON.stringify(act.body) });
      expect((await countTables(empty.database))['acts_noted']!.rows).toBe(kept['acts_noted']!.rows + 1);
      // Of a muster, too: the database notes as it does today, not as it once did.
      const muster = { ...act, place: undefined, id: uuidv7(), docket_id: null, muster_id: uuidv7() };
      await empty.database.transaction(async (transaction) => {
        await transaction.raw('set session foreign_key_checks = 0');
        await transaction('acts').insert({ ...muster, body: JSON.stringify(act.body) });
        await transaction.raw('set session foreign_key_checks = 1');
      });
      const [noted] = await empty.database('acts_noted').where({ act_id: muster.id });
      expect(noted.muster_id).toBe(muster.muster_id);
      await wantTriggers(empty.database);
    } finally {
      await app.stop();
      await empty.drop();
    }
  }, 60_000);

  it('can hold every column there is: it is letters, and bytes would come back as something else', async () => {
    const { database, url, drop } = await newDatabase();
    try {
      await migrate(url);
      const [bytes] = (await database.raw(
        `select concat(table_name, '.', column_name) as name from information_schema.columns
         where table_schema = database() and data_type regexp 'blob|binary|bit'`,
      )) as [{ name: string }[]];
      expect(bytes.map(({ name }) => name)).toEqual([]);
    } finally {
      await drop();
    }
  });

  it('takes away what a proof that was killed left, and nothing of one that is under way', async () => {
    const app = await Harness.start();
    const other = await newDatabase();
    const [left, busy] = [`neat_measure_proof_1_${Date.now()}`, `neat_measure_proof_2_${Date.now()}`];
    const proofs = async () => {
      const [rows] = (await other.database.raw('show databases')) as [{ Database: string }[]];
      return rows.map((row) => row.Database).filter((name) => [left, busy].includes(name));
    };
    const holder = openPatiently(other.url);
    try {
      for (const name of [left, busy]) await other.database.raw('create database ??', [name]);
      await holder.raw('select get_lock(?, 0)', [busy]);
      await backUp(app.url, file, SECRET, QUICK);
      expect(await proofs()).toEqual([busy]);
    } finally {
      await holder.destroy();
      await backUp(app.url, join(folder, 'two.backup'), SECRET, QUICK);
      expect(await proofs()).toEqual([]);
      await app.stop();
      await other.drop();
    }
  }, 60_000);

  it('is put back into an empty database only, with its passphrase, and whole', async () => {
    const [one, other] = [await newDatabase(), await newDatabase()];
    try {
      await alone(one.url, async (database) => {
        await migrateAlone(database);
        await loadDemo(database, join(process.cwd(), 'demo'));
      });
      await backUp(one.url, file, SECRET, QUICK);
      const why = (work: Promise<unknown>) =>
        work.then(
          () => 'done',
          (error: Error) => error.message,
        );
      expect(await why(restore(one.url, file, SECRET))).toContain('only be restored into an empty database');
      expect(await why(restore(other.url, file, 'another'))).toContain('passphrase does not fit');
      expect(await why(restore(other.url, join(folder, 'none.backup'), SECRET))).toContain(
        'There is no file',
      );
      await writeFile(join(folder, 'text.backup'), 'size,chest\nM,90-98\n');
      expect(await why(restore(other.url, join(folder, 'text.backup'), SECRET))).toContain('not a backup');
      const bytes = await readFile(file);
      await writeFile(file, bytes.subarray(0, bytes.length - 200));
      expect(await why(restore(other.url, file, SECRET))).toMatch(/breaks off, after line \d+/);
      // Nothing is left of it, and nobody starts on what is not whole.
      expect(((await other.database.raw('show tables')) as [object[]])[0]).toEqual([]);
      await alone(other.url, migrateAlone);
      await other.database.raw('drop trigger acts_are_noted');
      expect(await why(wantTriggers(other.database))).toContain('would not be noted');
    } finally {
      await one.drop();
      await other.drop();
    }
  }, 60_000);

  it('that is put back half-way when everything is killed is no house, whatever is made of it later', async () => {
    const [one, other] = [await newDatabase(), await newDatabase()];
    try {
      await alone(one.url, migrateAlone);
      let seen = '';
      async function* halfWay() {
        for await (const line of dumpLines(one.database)) {
          yield* line.split('\n').filter(Boolean);
          // What a start would meet if nothing went on from here.
          seen = await refuseUnfinished(other.database).then(
            () => 'started',
            (error: Error) => error.message,
          );
        }
      }
      const loading = openPatiently(other.url);
      await loadLines(loading, (until) => migrate(other.url, until), halfWay());
      await loading.destroy();
      expect(seen).toContain('was not finished');
      await expectAsync(refuseUnfinished(other.database)).toBeRejected();
      await alone(other.url, finishLoading);
      await refuseUnfinished(other.database);
      await wantTriggers(other.database);
    } finally {
      await one.drop();
      await other.drop();
    }
  }, 60_000);

  it('of an earlier version comes up to this one', async () => {
    const [old, empty] = [await newDatabase(), await newDatabase()];
    try {
      await alone(old.url, (database) => migrateAlone(database, '0010-what-tapes-say'));
      const fitter = { id: uuidv7(), name: 'Odalys Wren', sign_in: 'odalys', passphrase_hash: 'x:y' };
      await old.database('fitters').insert(fitter);
      await backUp(old.url, file, SECRET, QUICK);
      await restore(empty.url, file, SECRET);
      const [row] = await empty.database('fitters');
      expect([row.name, row.role]).toEqual(['Odalys Wren', 'administrator']);
    } finally {
      await old.drop();
      await empty.drop();
    }
  }, 60_000);

  it('of every night is made once, and thinned as it grows old', async () => {
    const day = (ago: number) => nameOfDay(new Date(Date.UTC(2026, 10, 26) - ago * 86_400_000));
    const all = Array.from({ length: 800 }, (_, ago) => day(ago));
    const gone = new Set(thinned(all, new Date(Date.UTC(2026, 10, 26))));
    const left = all.filter((name) => !gone.has(name));
    expect(left.slice(0, 8)).toEqual(all.slice(0, 8));
    expect(left.length).toBeGreaterThan(8 + 3 + 10);
    expect(left.length).toBeLessThan(8 + 5 + 13 + 4);
    expect(thinned(['another.file', ...left], new Date(Date.UTC(2026, 10, 26)))).toEqual([]);

    const { url, drop } = await newDatabase();
    try {
      await alone(url, (database) => migrateAlone(database));
      await backUpNightly(url, folder, SECRET);
      const hash = async () =>
        createHash('sha256')
          .update(await readFile(join(folder, nameOfDay(new Date()))))
          .digest('hex');
      const first = await hash();
      await backUpNightly(url, folder, SECRET);
      expect(await hash()).toBe(first);
    } finally {
      await drop();
    }
  }, 60_000);
});
