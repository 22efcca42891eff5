import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';

/**
 * Starts one instance of the built server and waits until it listens.
 *
 * @param env its configuration, see server/config.ts
 * @returns `{ port, ended, stop() }`; `ended` resolves when it ends by itself or is stopped
 */
export async function startServer(env) {
  const child = spawn(process.execPath, ['--enable-source-maps', join(ROOT, 'server', 'dist', 'main.js')], {
    cwd: ROOT,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  const ended = new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)));
  const port = await new Promise((resolve, reject) => {
    child.once('message', (message) => resolve(message.port));
    void ended.then((code) => reject(new Error(`the server ended with code ${code} before it listened`)));
  });
  return {
    port,
    ended,
    stop: async () => {
      if (child.exitCode === null) child.kill('SIGTERM');
      await ended;
    },
  };
}
