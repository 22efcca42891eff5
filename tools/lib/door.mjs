import { createHash } from 'node:crypto';
import { mkdirSync, realpathSync } from 'node:fs';
import { connect, createServer } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { say } from './run.mjs';

/**
 * The door of a data folder: whoever works in it stands in the door, and whoever comes is told who
 * that is. It is a socket in Linux's abstract namespace, so that it ends with its process, however that
 * ends, and nothing is left to tidy.
 */
function nameOf(folder) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return `\0neat-measure-${createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 40)}`;
}

/**
 * Stands in the door of a folder, unless somebody does.
 *
 * @param who `{ doing }`: what this process is, for whoever comes
 * @returns `{ tell(more), leave() }`, or `null` where somebody stands there
 */
export function standIn(folder, who) {
  let told = { ...who, pid: process.pid };
  const server = createServer((socket) => {
    socket.on('error', () => undefined);
    socket.end(JSON.stringify(told));
  });
  server.unref();
  return new Promise((resolve, reject) => {
    server.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(null) : reject(error)));
    server.listen(nameOf(folder), () =>
      resolve({
        tell: (more) => (told = { ...told, ...more }),
        leave: () => new Promise((left) => server.close(left)),
      }),
    );
  });
}

/** Who stands in the door of a folder, as they tell it; `null` for nobody. */
export function whoStandsIn(folder) {
  return new Promise((resolve) => {
    let text = '';
    const socket = connect(nameOf(folder));
    socket.setTimeout(2_000, () => socket.destroy());
    socket.on('data', (bytes) => (text += bytes));
    socket.on('error', () => resolve(null));
    socket.on('close', () => resolve(text === '' ? null : JSON.parse(text)));
  });
}

/** Waits until a holder tells something, or is gone; at most a minute. */
export async function untilTold(folder, key) {
  for (let tries = 0; tries < 240; tries++) {
    const who = await whoStandsIn(folder);
    if (who === null || who[key] !== undefined) return who;
    await wait(250);
  }
  return whoStandsIn(folder);
}

/** Does something that only one process may do in a folder at a time; the others wait, however long. */
export async function aloneIn(folder, doing, work) {
  for (let waited = 0; ; waited++) {
    const door = await standIn(folder, { doing });
    if (door !== null) {
      try {
        return await work();
      } finally {
        await door.leave();
      }
    }
    if (waited === 8) {
      const who = await whoStandsIn(folder);
      if (who !== null) say(`Waiting for process ${who.pid}: ${who.doing} ...`);
    }
    await wait(250);
  }
}
