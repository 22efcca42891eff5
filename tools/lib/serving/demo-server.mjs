import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildChanged } from '../build.mjs';
import { waysInto } from '../database/database.mjs';
import { ownFolder } from '../running/household.mjs';
import { startMariadb } from '../database/mariadb.mjs';
import { DATA, ROOT } from '../paths.mjs';
import { startMakerDesk, startServer } from './serve.mjs';

/**
 * Starts the built server on a database of its own with the demo in it.
 *
 * @param name tells its data folder from others
 * @param parts what has to be built besides the server: all, without any
 * @returns `{ base, port, pid, ways, desk, stop() }`; `desk` is the address of the maker's desk
 */
export async function demoServer(name, ...parts) {
  await buildChanged(...(parts.length > 0 ? [...parts, 'maker-desk'] : []));
  return openHouse(demoFolder(name), { lasting: true });
}

/** The folder of a database with the demo in it, which is removed with whatever started it. */
export function demoFolder(name) {
  return ownFolder(join(DATA, `${name}-${process.pid}`));
}

/**
 * Opens what is in a folder, or makes the demo there: a database, the built server and a maker's desk.
 *
 * @param lasting see `startMariadb`
 * @returns what `demoServer` gives, and `close()`: stops it and leaves the folder as it is; `kill()`: ends the server as a
 *   machine does that loses its power, and starts it again
 */
export async function openHouse(folder, { lasting }) {
  const outbox = ownFolder(`${folder}-outbox`);
  const mariadb = await startMariadb(folder, { lasting });
  const ways = waysInto(mariadb);
  const desk = await startMakerDesk({});
  const env = {
    MAKER_DESK: `http://127.0.0.1:${desk.port}`,
    DATABASE_URL: ways.url,
    DATABASE_OWNER_URL: ways.owner,
    PORT: '0',
    WEB_ROOT: join(ROOT, 'web', 'dist', 'browser'),
    OUTBOX: outbox,
    HOUSE_KEY: 'the key of every house that is only a trial',
    DEMO_FOLDER: join(ROOT, 'demo'),
    LOG_LEVEL: 'error',
  };
  let server = await startServer(env);
  const { port, pid } = server;
  const close = async () => {
    await server.stop();
    await desk.stop();
    await mariadb.stop();
  };
  return {
    base: `http://127.0.0.1:${port}`,
    port,
    pid,
    ways,
    outbox,
    desk: `http://127.0.0.1:${desk.port}`,
    close,
    async kill() {
      process.kill(server.pid, 'SIGKILL');
      await server.ended;
      server = await startServer({ ...env, PORT: String(port), PORT_MAY_MOVE: 'false' });
    },
    async stop() {
      await close();
      for (const own of [folder, outbox]) rmSync(own, { recursive: true, force: true });
    },
  };
}
