import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seededNormal, seededRandom } from '../core/testing/random';

const WEARERS = 100_000;
/** Six of one part, four of several, two whose parts go by other parts' sizes. */
const CHARTS = [
  ...['tidewall-vest', 'breakwater-vest', 'harbour-parka', 'jetty-shirt', 'warden-trousers'],
  ...['mudlark-coverall', 'field-jacket', 'gannet-smock', 'boathouse-shirt', 'ranger-trousers'],
  ...['estuary-fleece', 'marsh-cap'],
] as const;

interface Ran {
  readonly wearers: number;
  readonly read: number;
  readonly sized: number;
  readonly kept: number;
  readonly all: number;
  readonly told: readonly string[];
}

/**
 * A hundred thousand wearers for twelve garments: the file read, everybody sized with their odds, tallied, packed and
 * written, by one process with two threads. How long each takes, and the most memory it held.
 */
export async function benchRoll(root: string, say: (line: string) => void): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'roll-'));
  try {
    const list = join(folder, 'people.csv');
    writeFileSync(list, peopleList());
    const script = join(root, '.build', 'bench-script', 'bench', 'roll-run.js');
    const charts = CHARTS.map((name) => join(root, 'demo', 'charts', `${name}.json`));
    const child = spawn(process.execPath, [script, list, join(folder, 'kept'), ...charts], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let [text, most] = ['', 0];
    child.stdout.on('data', (chunk: Buffer) => (text += chunk.toString()));
    const watch = setInterval(() => {
      try {
        const held = /VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'));
        most = Math.max(most, Number(held?.[1] ?? 0));
      } catch {
        // It has ended.
      }
    }, 50);
    await once(child, 'exit');
    clearInterval(watch);
    const ran = JSON.parse(text) as Ran;
    for (const line of ran.told) say(`  ${line}`);
    say(
      `a roll, ${ran.wearers} wearers x ${CHARTS.length} garments: ${(ran.all / 1_000).toFixed(1)} s (read ${ran.read} ms, sized and tallied ${ran.sized} ms, kept ${ran.kept} ms), at most ${Math.round(most / 1_024)} MB`,
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** What everybody measures, to a millimetre as tapes are read: by how tall and how stout somebody is, and by chance. In centimetres. */
const MEASURES: readonly (readonly [string, number, number, number, number])[] = [
  ['height', 172, 9, 0, 0],
  ['chest-girth', 100, 3, 8, 2],
  ['waist-girth', 88, 2, 9, 3],
  ['trouser-waist-girth', 90, 2, 9, 3],
  ['abdominal-girth', 94, 2, 9, 3],
  ['hip-girth', 103, 3, 7, 2],
  ['neck-girth', 39, 1, 2, 0.8],
  ['head-girth', 57, 0.8, 0.4, 1.2],
  ['inside-leg-length', 79, 4, 0, 1.6],
  ['trunk-girth', 163, 6, 5, 2.5],
  ['cervicale-to-wrist', 82, 4, 0.5, 1.4],
  ['notch-to-belt-seated', 39, 1.6, 0.8, 1.2],
  ['notch-to-belt-standing', 44, 1.8, 0.6, 1.2],
  ['collar-to-belt', 47, 2, 0.4, 1.4],
  ['underbust-girth', 85, 2, 7, 2],
  ['above-bust-girth', 93, 2, 7, 2],
  ['clavicle-to-apex', 27, 1, 1.4, 0.9],
  ['apex-to-belt', 22, 1, 1, 0.9],
];

function peopleList(): string {
  const normal = seededNormal(seededRandom(32));
  const lines = [`id,${MEASURES.map(([code]) => `${code} (cm)`).join()}`];
  for (let row = 0; row < WEARERS; row++) {
    const [tall, stout] = [normal(), normal()];
    const values = MEASURES.map(([, mean, byTall, byStout, own]) =>
      (mean + byTall * tall + byStout * stout + own * normal()).toFixed(1),
    );
    lines.push(`w${row},${values.join()}`);
  }
  return `${lines.join('\n')}\n`;
}
