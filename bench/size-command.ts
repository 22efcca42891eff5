import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROWS = 1_000_000;

interface Run {
  readonly seconds: number;
  readonly megabytes: number;
  readonly lines: number;
}

/**
 * `npm run size` on a million different people along a pipe, against reading and writing the same
 * list alone, in turn and in the same run: how long, and the most memory it held.
 */
export async function benchSizeCommand(root: string, say: (line: string) => void): Promise<void> {
  const chart = join(root, 'demo', 'charts', 'field-jacket.json');
  const copied: Run[] = [];
  const sized: Run[] = [];
  for (let round = 0; round < 2; round++) {
    copied.push(await pipe([join(root, '.build', 'bench-script', 'bench', 'copy-list.js')]));
    sized.push(
      await pipe([join(root, '.build', 'bench-script', 'cli', 'size.js'), '--chart', chart, '--people', '-']),
    );
  }
  const [copy, size] = [quickest(copied), quickest(sized)];
  say(
    `npm run size, ${ROWS} rows: ${size.seconds.toFixed(1)} s, at most ${size.megabytes} MB, ${size.lines - 1} rows out; reading and writing alone ${copy.seconds.toFixed(1)} s, ratio ${(size.seconds / copy.seconds).toFixed(1)}`,
  );
}

function quickest(runs: readonly Run[]): Run {
  return runs.reduce((one, other) => (other.seconds < one.seconds ? other : one));
}

async function pipe(args: readonly string[]): Promise<Run> {
  const start = performance.now();
  const child = spawn(process.execPath, args, { stdio: ['pipe', 'pipe', 'ignore'] });
  let [lines, most] = [0, 0];
  child.stdout.on('data', (chunk: Buffer) => {
    for (const byte of chunk) if (byte === 10) lines += 1;
  });
  const watch = setInterval(() => {
    try {
      const held = /VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'));
      most = Math.max(most, Number(held?.[1] ?? 0));
    } catch {
      // It has ended.
    }
  }, 200);
  let block = 'id,chest-girth (cm),waist-girth (cm)\n';
  for (let row = 0; row < ROWS; row++) {
    // To a millimetre, as tapes are read: some 36,000 different pairs.
    const chest = 80 + ((row * 7_919) % 450) / 10;
    const waist = chest - 14 + ((row * 104_729) % 83) / 10;
    block += `w${row},${chest.toFixed(1)},${waist.toFixed(1)}\n`;
    if (block.length > 200_000) {
      if (!child.stdin.write(block)) await once(child.stdin, 'drain');
      block = '';
    }
  }
  child.stdin.end(block);
  await once(child, 'exit');
  clearInterval(watch);
  return { seconds: (performance.now() - start) / 1_000, megabytes: Math.round(most / 1_024), lines };
}
