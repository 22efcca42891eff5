import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { aloneIn, standIn, whoStandsIn } from './door.mjs';

const folder = () => mkdtempSync(join(tmpdir(), 'neat-measure-'));

describe('the door of a folder', () => {
  it('holds one at a time, says who, and is free when they leave', async () => {
    const own = folder();
    const first = await standIn(own, { doing: 'the first' });
    expect(await standIn(own, { doing: 'the second' })).toBeNull();
    first.tell({ address: 'http://127.0.0.1:1' });
    expect(await whoStandsIn(own)).toEqual({
      doing: 'the first',
      pid: process.pid,
      address: 'http://127.0.0.1:1',
    });
    await first.leave();
    expect(await whoStandsIn(own)).toBeNull();
    const second = await standIn(own, { doing: 'the second' });
    expect(second).not.toBeNull();
    await second.leave();
    rmSync(own, { recursive: true });
  });

  it('is free when whoever stood there was killed', async () => {
    const own = folder();
    const script = `import(${JSON.stringify(fileURLToPath(import.meta.resolve('./door.mjs')))}).then(async ({ standIn }) => {
      await standIn(${JSON.stringify(own)}, { doing: 'a child' });
      setInterval(() => undefined, 1000);
      process.stdout.write('there');
    })`;
    const child = spawn(process.execPath, ['-e', script]);
    await new Promise((resolve) => child.stdout.once('data', resolve));
    expect((await whoStandsIn(own)).doing).toBe('a child');
    child.kill('SIGKILL');
    await new Promise((resolve) => child.once('exit', resolve));
    expect(await whoStandsIn(own)).toBeNull();
    rmSync(own, { recursive: true });
  });

  it('lets many do the same thing one after the other', async () => {
    const own = folder();
    let [inside, most] = [0, 0];
    await Promise.all(
      [1, 2, 3].map(() =>
        aloneIn(own, 'counting', async () => {
          most = Math.max(most, (inside += 1));
          await wait(20);
          inside -= 1;
        }),
      ),
    );
    expect(most).toBe(1);
    rmSync(own, { recursive: true });
  });
});
