// Houses with the demo in them, as many as are asked for: what is done in one is not met in another.
import { randomUUID } from 'node:crypto';
import { cp } from 'node:fs/promises';
import { createServer } from 'node:http';
import { buildChanged } from '../build.mjs';
import { freePort } from '../database/ports.mjs';
import { demoFolder, openHouse } from './demo-server.mjs';

/**
 * Makes the demo once and copies it for everybody who asks. One is always open ahead of who asks next.
 *
 * `POST` opens a house and answers `{ id, base, desk, outbox, databaseUrl }`, `PUT /<id>` kills its server and starts it
 * again, `DELETE /<id>` ends it; any failure is answered with 500 and its words.
 *
 * @param name tells its data folders from others
 * @returns `{ url, stop() }`: where houses are asked for, on loopback
 */
export async function demoHouses(name) {
  await buildChanged();
  const first = demoFolder(name);
  await (await openHouse(first, { lasting: false })).close();
  const open = new Map();
  let made = 0;
  const another = async () => {
    const folder = demoFolder(`${name}-${++made}`);
    await cp(first, folder, { recursive: true });
    const house = await openHouse(folder, { lasting: false });
    const id = randomUUID();
    open.set(id, house);
    const { base, desk, outbox, ways } = house;
    return { id, base, desk, outbox, databaseUrl: ways.url };
  };
  let ahead = another();
  const answers = {
    POST: async () => {
      const asked = ahead;
      ahead = another();
      // Who asks for it is told what went wrong; nobody else waits for it.
      ahead.catch(() => undefined);
      return asked;
    },
    PUT: async (id) => {
      await open.get(id)?.kill();
      return {};
    },
    DELETE: async (id) => {
      await open.get(id)?.stop();
      open.delete(id);
      return {};
    },
  };
  const door = createServer((request, response) => {
    const answer = answers[request.method] ?? (() => Promise.reject(new Error('POST, PUT or DELETE')));
    answer(request.url.slice(1)).then(
      (said) => response.end(JSON.stringify(said)),
      (error) => response.writeHead(500).end(String(error.message)),
    );
  });
  const port = await freePort();
  await new Promise((resolve) => door.listen(port, '127.0.0.1', resolve));
  return {
    url: `http://127.0.0.1:${port}/`,
    async stop() {
      door.close();
      door.closeAllConnections();
      await ahead.catch(() => undefined);
      await Promise.all([...open.values()].map((house) => house.stop()));
    },
  };
}
