import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROWS = 1_000_000;

/** `npm run size` on a million rows along a pipe: how long, and the most memory it held. */
export async function benchSizeCommand(root: string, say: (line: string) => void): Promise<void> {
  const args = [
    '--import',
    'tsx',
    join('cli', 'size.ts'),
    '--chart',
    join('demo', 'charts', 'field-jacket.json'),
    '--people',
    '-',
  ];
  const start = performance.now();
  const child = spawn(process.execPath, args, { cwd: root, stdio: ['pipe', 'pipe', 'ignore'] });
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
    block += `w${row},${80 + ((row * 7) % 450) / 10},${70 + ((row * 11) % 420) / 10}\n`;
    if (block.length > 200_000) {
      if (!child.stdin.write(block)) await once(child.stdin, 'drain');
      block = '';
    }
  }
  child.stdin.end(block);
  await once(child, 'exit');
  clearInterval(watch);
  const seconds = (performance.now() - start) / 1_000;
  say(
    `npm run size, ${ROWS} rows: ${seconds.toFixed(0)} s, at most ${Math.round(most / 1_024)} MB, ${lines - 1} rows out`,
  );
}
