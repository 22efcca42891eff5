import { spawn } from 'node:child_process';
import { setTimeout as wait } from 'node:timers/promises';
import { say } from '../run.mjs';

/** Lines after which a start may take as long as it likes: it installs or builds, or waits for who does. */
const TAKES_ITS_TIME = /^(?:Installing|Building|Waiting for process)\b/;

/**
 * Runs a line as a person gives it.
 *
 * @param folder where they stand
 * @param env what is set for them besides
 * @param input what they type
 * @param aloud whether what it writes is seen at once
 * @returns `{ ended, written(), child }`; `ended` resolves to `{ code, written }`
 */
export function runLine(line, { folder, env = {}, input = '', aloud = false }) {
  say(`$ ${line}`);
  const child = spawn('sh', ['-c', line], {
    cwd: folder,
    env: { ...asOutside(), ...env },
    stdio: ['pipe', 'pipe', 'pipe'],
    // A group of its own, as at a terminal.
    detached: true,
  });
  child.stdin.on('error', () => undefined);
  child.stdin.end(input);
  let written = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (bytes) => {
      written += bytes;
      if (aloud) process.stdout.write(bytes);
    });
  const ended = new Promise((resolve) => child.on('close', (code) => resolve({ code, written })));
  return { ended, written: () => written, child };
}

/** The environment without what npm has set for the script this runs in: nobody has that at their prompt. */
function asOutside() {
  return Object.fromEntries(
    Object.entries(process.env).filter(
      ([name]) => !/^npm_|^INIT_CWD$|^TALLY_FILE$|^NODE_OPTIONS$/.test(name),
    ),
  );
}

/** Asks again until it holds, and gives what was found. */
export async function until(what, holds, within = 60_000) {
  for (const end = Date.now() + within; Date.now() < end; await wait(100)) {
    const found = await holds();
    if (found) return found;
  }
  throw new Error(`${what} did not come about within ${within / 1000} s`);
}

/**
 * Starts the application by a line and waits until it says where it is; installing and building count for no limit.
 *
 * @returns what `runLine` gives, and the address
 */
export async function started(line, options) {
  const running = runLine(line, options);
  let over = null;
  void running.ended.then((end) => (over = end));
  const lines = () => running.written().split('\n').filter(Boolean);
  for (let quiet = 0; quiet < 600; quiet += TAKES_ITS_TIME.test(lines().at(-1) ?? 'Installing') ? 0 : 1) {
    await wait(100);
    if (over !== null) throw new Error(`“${line}” ended with ${over.code}:\n${over.written}`);
    const address = /Neat Measure is ready: (\S+)/.exec(running.written())?.[1];
    if (address !== undefined) return { ...running, address };
  }
  throw new Error(`“${line}” did not come up; it has written:\n${running.written()}`);
}

/** One request to the application; what it answers, read as JSON where it is. */
export async function asks({ address }, method, path, body, cookie) {
  const answer = await fetch(address + path, {
    method,
    headers: {
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      ...(cookie === undefined ? {} : { cookie }),
    },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  const text = await answer.text();
  return {
    status: answer.status,
    retryAfter: answer.headers.get('retry-after'),
    cookie: answer.headers.getSetCookie()[0]?.split(';')[0],
    body: text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : text,
  };
}
