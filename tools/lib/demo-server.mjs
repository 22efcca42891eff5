import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildChanged } from './build.mjs';
import { waysInto } from './database.mjs';
import { startMariadb } from './mariadb.mjs';
import { DATA, ROOT } from './paths.mjs';
import { startServer } from './serve.mjs';

/**
 * Starts the built server on a database of its own with the demo in it.
 *
 * @param name tells its data folder from others
 * @param parts what has to be built besides the server: all, without any
 * @returns `{ base, port, pid, ways, stop() }`
 */
export async function demoServer(name, ...parts) {
  await buildChanged(...parts);
  const folder = join(DATA, `${name}-${process.pid}`);
  const mariadb = await startMariadb(folder);
  const ways = waysInto(mariadb);
  const server = await startServer({
    DATABASE_URL: ways.url,
    DATABASE_OWNER_URL: ways.owner,
    PORT: '0',
    WEB_ROOT: join(ROOT, 'web', 'dist', 'browser'),
    OUTBOX: `${folder}-outbox`,
    DEMO_FOLDER: join(ROOT, 'demo'),
    LOG_LEVEL: 'error',
  });
  const { port, pid } = server;
  return {
    base: `http://127.0.0.1:${port}`,
    port,
    pid,
    ways,
    async stop() {
      await server.stop();
      await mariadb.stop();
      for (const own of [folder, `${folder}-outbox`]) rmSync(own, { recursive: true, force: true });
    },
  };
}
