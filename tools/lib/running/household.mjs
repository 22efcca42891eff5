// What a command starts ends with it, however it ends: by itself, by Ctrl+C, by a signal, or killed.
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { constants } from 'node:os';
import { endMarked, GENTLY_MS, MARK } from './marked.mjs';
import { ROOT } from '../paths.mjs';

/** The household of this process, once it has begun one. */
let current = null;

/** Has a folder removed at the end of this process's household, where it has one; gives it back. */
export function ownFolder(path) {
  current?.ownFolder(path);
  return path;
}

/**
 * Makes this process the head of a household: from now on everything it starts, and everything that those start, bears
 * its mark. When this process ends, in any way, whatever still bears the mark is ended by a watcher that runs beside
 * it, and the folders that were given to it are removed.
 *
 * @param gently how long what is ended may take before it is killed, in ms
 * @returns `{ mark, part(name), ownFolder(path), end() }`: `part` gives the environment of a part of the household,
 * which can be ended by itself; `ownFolder` gives a folder to be removed at the end; `end` ends the household now
 * @see endMarked, which does the ending
 */
export function beginHousehold({ gently = GENTLY_MS } = {}) {
  const mark = randomUUID();
  const watcher = spawn(
    process.execPath,
    [join(ROOT, 'tools', 'lib', 'running', 'watch-over.mjs'), mark, String(gently)],
    {
      stdio: ['pipe', 'ignore', 'inherit'],
      // Out of reach of Ctrl+C, which goes to all of a terminal's group.
      detached: true,
    },
  );
  watcher.unref();
  watcher.stdin.unref?.();
  watcher.stdin.on('error', () => undefined);
  process.env[MARK] = [process.env[MARK], mark].filter(Boolean).join('/');
  const own = process.env[MARK];
  const folders = new Set();

  const household = {
    mark,
    part: (name) => ({
      env: { [MARK]: `${own}/${name}` },
      end: () => endMarked(`${mark}/${name}`, gently),
    }),
    ownFolder(path) {
      folders.add(path);
      watcher.stdin.write(`${path}\n`);
      return path;
    },
    async end() {
      await endMarked(mark, gently);
      for (const folder of folders) rmSync(folder, { recursive: true, force: true });
    },
  };
  endOnSignal(household);
  current = household;
  return household;
}

/** A signal ends the household first and then the process, so that the prompt comes back to a quiet machine. */
function endOnSignal(household) {
  let ending = false;
  const end = async (signal) => {
    if (ending) return;
    ending = true;
    process.stderr.write('\nEnding what was started ...\n');
    await household.end();
    process.exit(128 + constants.signals[signal]);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void end(signal));
  // npm that was killed cannot pass a signal on: whoever runs under it ends as soon as it is gone.
  if (process.env.npm_lifecycle_event === undefined) return;
  const before = above();
  setInterval(() => {
    if (above() !== before) void end('SIGHUP');
  }, 500).unref();
}

/** What this process runs under: its parent, and where that is only the shell npm runs a script in, npm itself. */
function above() {
  const { ppid } = process;
  try {
    const shell = readFileSync(`/proc/${ppid}/cmdline`, 'utf8').startsWith('sh\0-c\0');
    return shell ? /^PPid:\t(\d+)$/m.exec(readFileSync(`/proc/${ppid}/status`, 'utf8'))[1] : String(ppid);
  } catch {
    return null;
  }
}
