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
  const folder = ownFolder(join(DATA, `${name}-${process.pid}`));
  const outbox = ownFolder(`${folder}-outbox`);
  const mariadb = await startMariadb(folder);
  const ways = waysInto(mariadb);
  const desk = await startMakerDesk({});
  const server = await startServer({
    MAKER_DESK: `http://127.0.0.1:${desk.port}`,
    DATABASE_URL: ways.url,
    DATABASE_OWNER_URL: ways.owner,
    PORT: '0',
    WEB_ROOT: join(ROOT, 'web', 'dist', 'browser'),
    OUTBOX: outbox,
    DEMO_FOLDER: join(ROOT, 'demo'),
    LOG_LEVEL: 'error',
  });
  const { port, pid } = server;
  return {
    base: `http://127.0.0.1:${port}`,
    port,
    pid,
    ways,
    desk: `http://127.0.0.1:${desk.port}`,
    async stop() {
      await server.stop();
      await desk.stop();
      await mariadb.stop();
      for (const own of [folder, outbox]) rmSync(own, { recursive: true, force: true });
    },
  };
}
