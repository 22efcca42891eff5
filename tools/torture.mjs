// npm run torture [KILLS] [SEED]: readings are saved without pause while server and database are killed at random
// moments, stopped for seconds as on a slow disk, and find the disk full; whatever was acknowledged must be there, once.
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildChanged } from './lib/build.mjs';
import { waysInto } from './lib/database/database.mjs';
import { beginHousehold } from './lib/running/household.mjs';
import { npmPackages } from './lib/install.mjs';
import { startMariadb } from './lib/database/mariadb.mjs';
import { DATA } from './lib/paths.mjs';
import { node, say } from './lib/run.mjs';
import { torture } from './lib/torture.mjs';

const [kills = '200', seed = '1'] = process.argv.slice(2);
const household = beginHousehold();
await npmPackages();
await buildChanged('server');
const folder = household.ownFolder(join(DATA, `torture-${process.pid}`));
mkdirSync(folder, { recursive: true });
// A disk of its own that can be filled, where this user may mount one.
const small =
  spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=400m', 'tmpfs', folder], { stdio: 'ignore' }).status === 0;
const mariadb = await startMariadb(join(folder, 'mariadb'));
const ways = waysInto(mariadb);
const filler = join(folder, 'filler');
const found = await torture({
  ways,
  databasePid: () => Number(readFileSync(join(folder, 'mariadb', 'data', 'mariadb.pid'), 'utf8')),
  kills: Number(kills),
  seed: Number(seed),
  fill: small ? () => spawnSync('dd', ['if=/dev/zero', `of=${filler}`, 'bs=1M'], { stdio: 'ignore' }) : null,
  empty: () => rmSync(filler, { force: true }),
});
const code = await node(['server/dist/commands/check-log.js'], {
  env: { DATABASE_URL: ways.url, DATABASE_OWNER_URL: ways.owner },
});
await mariadb.stop();
if (small) spawnSync('umount', [folder]);
rmSync(folder, { recursive: true, force: true });
say(found.words);
process.exit(found.good && code === 0 ? 0 : 1);
