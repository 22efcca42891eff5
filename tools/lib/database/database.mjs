import { join } from 'node:path';
import { standIn, untilTold } from '../door.mjs';
import { APPLICATION, borrowMariadb, startMariadb } from './mariadb.mjs';
import { DATA } from '../paths.mjs';
import { giveUp, say } from '../run.mjs';

/** Where the application of this folder keeps its database. */
export const DATABASE_FOLDER = join(DATA, 'mariadb');

const MOST_WAITS = 60;

/**
 * The database of this folder, started for this process; nobody else of this folder may start it
 * meanwhile.
 *
 * @param doing the command, for whoever comes while it runs
 * @param busy what to do about somebody who has it; without it this one waits for their end
 * @returns what `startMariadb` gives, and `tell(more)` for what others should know
 */
export async function ownDatabase(doing, busy = () => undefined) {
  for (let waited = 0; waited < MOST_WAITS; waited++) {
    const door = await standIn(DATABASE_FOLDER, { doing });
    if (door !== null) {
      const mariadb = await startMariadb(DATABASE_FOLDER);
      door.tell({ databasePort: mariadb.port });
      return {
        ...mariadb,
        tell: door.tell,
        stop: async () => {
          await mariadb.stop();
          await door.leave();
        },
      };
    }
    const who = await untilTold(DATABASE_FOLDER, 'databasePort');
    if (who === null) continue;
    busy(who);
    say(`Waiting for ${who.doing} (process ${who.pid}) to end ...`);
    await new Promise((resolve) => setTimeout(resolve, 1_000));
  }
  return giveUp('Another command has had the data of this folder for a minute. End it, then run this again.');
}

/**
 * A way into the application's database for a command that works beside it: the one `DATABASE_URL`
 * names, the one that runs in this folder, or one started for this command alone.
 *
 * @returns `{ url, owner, beside, stop() }`; `beside` tells whether somebody else works in it too
 */
export async function databaseBeside(doing) {
  const external = process.env.DATABASE_URL;
  if (external !== undefined)
    return {
      url: external,
      owner: process.env.DATABASE_OWNER_URL ?? external,
      beside: true,
      stop: () => Promise.resolve(),
    };
  for (;;) {
    const door = await standIn(DATABASE_FOLDER, { doing });
    if (door !== null) {
      const mariadb = await startMariadb(DATABASE_FOLDER);
      door.tell({ databasePort: mariadb.port });
      return {
        ...waysInto(mariadb),
        beside: false,
        stop: async () => {
          await mariadb.stop();
          await door.leave();
        },
      };
    }
    const who = await untilTold(DATABASE_FOLDER, 'databasePort');
    if (who?.databasePort !== undefined)
      return {
        ...waysInto(borrowMariadb(DATABASE_FOLDER, who.databasePort)),
        beside: true,
        stop: () => Promise.resolve(),
      };
  }
}

/** The URLs of a MariaDB of this folder: for the application, and for whoever changes tables. */
export function waysInto(mariadb) {
  return { url: mariadb.url('neat_measure', APPLICATION), owner: mariadb.url('neat_measure') };
}
