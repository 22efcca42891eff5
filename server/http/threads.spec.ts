import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { askedBy } from './asker';
import { ProblemError } from './problem-error';
import { Thread } from './threads';

describe('a thread', () => {
  let folder: string;
  let script: string;
  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'neat-measure-thread-'));
    const file = join(folder, 'work.mjs');
    await writeFile(
      file,
      'export default async ({ name, ms, forever }) => { if (forever) for (;;); await new Promise((done) => setTimeout(done, ms)); return name; };',
    );
    script = pathToFileURL(file).href;
  });
  afterAll(() => rm(folder, { recursive: true }));
  const start = (most?: number) => new Thread<object, string>(script, most === undefined ? {} : { most });
  const by = <Value>(who: string, work: () => Promise<Value>) =>
    new Promise<Value>((resolve, reject) => askedBy(who, () => void work().then(resolve, reject)));
  const kind = (work: Promise<unknown>) =>
    work.then(
      () => 'done',
      (error: unknown) => (error instanceof ProblemError ? error.kind : 'else'),
    );

  it('lets everybody else between the tasks of whoever has many', async () => {
    const thread = start();
    const order: string[] = [];
    const asks = (who: string, name: string) =>
      by(who, () => thread.run({ name, ms: 40 })).then((done) => order.push(done));
    const many = ['a1', 'a2', 'a3', 'a4'].map((name) => asks('a', name));
    const others = [asks('b', 'b1'), asks('c', 'c1')];
    await Promise.all([...many, ...others]);
    expect(order.indexOf('b1')).toBeLessThan(order.indexOf('a3'));
    expect(order.indexOf('c1')).toBeLessThan(order.indexOf('a3'));
    await thread.stop();
  });

  it('is asked by one for so much at once, and for no more', async () => {
    const thread = start();
    const asked = Array.from({ length: 12 }, () => by('a', () => kind(thread.run({ name: 'a', ms: 20 }))));
    const other = by('b', () => kind(thread.run({ name: 'b', ms: 20 })));
    const became = await Promise.all(asked);
    expect(became.filter((one) => one === 'unavailable').length).toBe(4);
    expect(await other).toBe('done');
    await thread.stop();
  });

  it('gives up what does not end, says so, and does what comes after it', async () => {
    const thread = start(1_500);
    expect(await kind(thread.run({ name: 'never', forever: true }))).toBe('unavailable');
    expect(await thread.run({ name: 'next', ms: 0 })).toBe('next');
    await thread.stop();
  }, 30_000);
});
