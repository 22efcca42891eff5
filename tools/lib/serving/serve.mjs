import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { ROOT } from '../paths.mjs';
import { say } from '../run.mjs';

/**
 * Starts one instance of the built server and waits until it listens.
 *
 * @param env its configuration, see server/config.ts
 * @returns `{ port, secure, fingerprint, elsewhere, pid, ended, stop() }`: whether it speaks https, the fingerprint of a
 *   certificate it made for itself, the names by which other machines reach it; `ended` resolves when it ends by itself or is stopped
 */
export function startServer(env) {
  return startBuilt(join('server', 'dist', 'main.js'), env);
}

/**
 * Starts the maker's desk of the demo: a process of its own, which stands for everybody that is ordered of.
 *
 * @param env see demo/maker-desk/main.ts
 */
export function startMakerDesk(env) {
  return startBuilt(join('.build', 'maker-desk', 'main.js'), env);
}

async function startBuilt(script, env) {
  const child = spawn(process.execPath, ['--enable-source-maps', join(ROOT, script)], {
    cwd: ROOT,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  const ended = new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)));
  const { port, secure, fingerprint, elsewhere } = await new Promise((resolve, reject) => {
    child.once('message', (message) => resolve(message));
    void ended.then((code) => reject(new Error(`${script} ended with code ${code} before it listened`)));
  });
  return {
    port,
    secure,
    fingerprint,
    elsewhere,
    pid: child.pid,
    ended,
    stop: async () => {
      if (child.exitCode === null) child.kill('SIGTERM');
      await ended;
    },
  };
}

/** One that ends so often within a minute has something that starting it again does not mend. */
const MOST_ENDS = 5;

/**
 * The same, started again on its port whenever it ends by itself: what was done is in the database, and
 * the screens take up where they were.
 *
 * @param mostEnds how often it may end within a minute
 * @returns `{ port, pid, ended, stop() }`; `ended` resolves when it is stopped, or ends again and again
 */
export async function keepServer(env, mostEnds = MOST_ENDS) {
  let server = await startServer(env);
  const { port, secure, fingerprint, elsewhere } = server;
  let stopping = false;
  const ended = (async () => {
    let ends = [];
    for (;;) {
      const code = await server.ended;
      if (stopping || code === 0) return code;
      ends = [...ends.filter((at) => at > Date.now() - 60_000), Date.now()];
      if (ends.length >= mostEnds) return code;
      say(`The server has ended (code ${code}); starting it again ...`);
      await wait(Math.min(200 * ends.length, 1_000));
      if (stopping) return code;
      server = await startServer({ ...env, PORT: String(port), PORT_MAY_MOVE: 'false' }).catch(() => server);
    }
  })();
  return {
    port,
    secure,
    fingerprint,
    elsewhere,
    get pid() {
      return server.pid;
    },
    ended,
    stop: async () => {
      stopping = true;
      await server.stop();
    },
  };
}
