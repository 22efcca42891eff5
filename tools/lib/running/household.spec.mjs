import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { pathToFileURL } from 'node:url';
import { beginHousehold } from './household.mjs';
import { marked, MARK } from './marked.mjs';
import { ROOT } from '../paths.mjs';

/** A head that starts a child in a session of its own, which starts another, deaf to being asked. */
const HEAD = `
import { spawn } from 'node:child_process';
import { beginHousehold } from ${JSON.stringify(pathToFileURL(join(ROOT, 'tools/lib/running/household.mjs')).href)};
const household = beginHousehold({ gently: 500 });
household.ownFolder(process.argv[1]);
const deaf = "process.on('SIGTERM', () => 0); setInterval(() => 0, 1000); require('fs').writeFileSync(" + JSON.stringify(process.argv[1] + '/deaf') + ", '')";
const child = "require('child_process').spawn(process.execPath, ['-e', " + JSON.stringify(deaf) + "], { detached: true, stdio: 'ignore' }); setInterval(() => 0, 1000)";
spawn(process.execPath, ['-e', child], { detached: true, stdio: 'ignore' });
setInterval(() => process.stdout.write(household.mark + '\\n'), 200);
`;

async function head() {
  const folder = mkdtempSync(join(tmpdir(), 'neat-measure-'));
  const env = Object.fromEntries(Object.entries(process.env).filter(([name]) => name !== MARK));
  const child = spawn(process.execPath, ['--input-type=module', '-e', HEAD, folder], {
    stdio: ['ignore', 'pipe', 'ignore'],
    env,
  });
  const mark = await new Promise((resolve) =>
    child.stdout.once('data', (bytes) => resolve(String(bytes).trim().split('\n')[0])),
  );
  while (!existsSync(join(folder, 'deaf'))) await wait(50);
  const ended = new Promise((resolve) => child.once('exit', (code, signal) => resolve(code ?? signal)));
  return { child, folder, mark, ended };
}

async function goneWithin(mark, ms) {
  for (const until = Date.now() + ms; Date.now() < until && marked(mark).length > 0; ) await wait(50);
  return marked(mark).length === 0;
}

describe('a household', () => {
  for (const [signal, end] of [
    ['SIGINT', 130],
    ['SIGTERM', 143],
  ])
    it(`has ended all it started by the time ${signal} has ended it`, async () => {
      const { child, folder, mark, ended } = await head();
      child.kill(signal);
      expect(await ended).toBe(end);
      expect(marked(mark)).toEqual([]);
      expect(existsSync(folder)).toBe(false);
    }, 60_000);

  it('is ended by its watcher when its head is killed', async () => {
    const { child, folder, mark, ended } = await head();
    child.kill('SIGKILL');
    expect(await ended).toBe('SIGKILL');
    expect(await goneWithin(mark, 40_000)).toBe(true);
    for (let tries = 0; tries < 100 && existsSync(folder); tries++) await wait(50);
    expect(existsSync(folder)).toBe(false);
  }, 60_000);

  it('ends one part and leaves another', async () => {
    const before = process.env[MARK];
    const household = beginHousehold();
    const [one, other] = ['one', 'other'].map((name) => household.part(name));
    const children = [one, other].map(({ env }) =>
      spawn(process.execPath, ['-e', 'setInterval(() => 0, 1000)'], { env: { ...process.env, ...env } }),
    );
    while (marked(household.mark).length < 2) await wait(20);
    await one.end();
    expect(marked(household.mark)).toEqual([children[1].pid]);
    await household.end();
    expect(marked(household.mark)).toEqual([]);
    process.env[MARK] = before ?? '';
  }, 60_000);
});
