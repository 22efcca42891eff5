import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { endMarked } from './marked.mjs';

// Waits for the end of whoever started it, which closes its standard input, and then ends what bears their mark and
// removes the folders whose names came along. Signals meant for a terminal's group do not reach it.
const [mark, gently] = process.argv.slice(2);
for (const signal of ['SIGINT', 'SIGHUP', 'SIGTERM']) process.on(signal, () => undefined);
let told = '';
process.stdin.on('data', (bytes) => (told += bytes));
process.stdin.on('error', () => undefined);
process.stdin.on('close', () => void end());

async function end() {
  await endMarked(mark, Number(gently));
  for (const folder of told.split('\n').filter((path) => path.startsWith('/'))) {
    // A folder may have been mounted to be filled up.
    spawnSync('umount', ['-l', folder], { stdio: 'ignore' });
    rmSync(folder, { recursive: true, force: true });
  }
}
