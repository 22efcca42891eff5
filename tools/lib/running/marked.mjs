import { readdirSync, readFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';

/** The environment variable that whatever a household starts is known by. */
export const MARK = 'NEAT_MEASURE_HOUSEHOLD';

/** How long a process may take to end once it was asked to, where nobody says otherwise. */
export const GENTLY_MS = 10_000;
/** How long it may take once it was killed. */
const KILLED_MS = 5_000;

/**
 * The processes that bear a mark. A program that was started in their environment bears it too, whatever group or
 * session it has made for itself.
 *
 * @param mark all of it, or `mark/part` for a part
 * @returns their ids, this process left out
 */
export function marked(mark) {
  return readdirSync('/proc')
    .map(Number)
    .filter((pid) => pid > 0 && pid !== process.pid && bears(pid, mark));
}

function bears(pid, mark) {
  try {
    return readFileSync(`/proc/${pid}/environ`, 'utf8')
      .split('\0')
      .some((one) => one.startsWith(`${MARK}=`) && `${one}/`.includes(`${mark}/`));
  } catch {
    // It has just ended, or is somebody else's.
    return false;
  }
}

/**
 * Ends whatever bears a mark: first gently, then for good.
 *
 * @param gently how long the first may take, in ms
 * @returns how many had to be killed
 */
export async function endMarked(mark, gently = GENTLY_MS) {
  if (await allEnd(mark, 'SIGTERM', gently)) return 0;
  const stubborn = marked(mark).length;
  await allEnd(mark, 'SIGKILL', KILLED_MS);
  return stubborn;
}

async function allEnd(mark, signal, within) {
  const told = new Set();
  for (const until = Date.now() + within; ; await wait(50)) {
    const left = marked(mark);
    if (left.length === 0) return true;
    if (Date.now() > until) return false;
    // One may start another while it is being ended.
    for (const pid of left) if (!told.has(pid)) tell(pid, signal);
    left.forEach((pid) => told.add(pid));
  }
}

function tell(pid, signal) {
  try {
    process.kill(pid, signal);
  } catch {
    // It has just ended.
  }
}
