import { mkdtemp, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readHouseKey } from './house-key';

describe('the key of a house', () => {
  let folder: string;
  let file: string;
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'neat-measure-key-'));
    file = join(folder, 'deep', 'house-key');
  });
  afterEach(() => rm(folder, { recursive: true }));
  const read = async () => (await readHouseKey({ KEY_FILE: file })).for('known devices').toString('hex');

  it('is made once, by whoever of many starts first, and is its owner’s alone to read', async () => {
    const keys = await Promise.all(Array.from({ length: 12 }, read));
    expect(new Set(keys).size).toBe(1);
    expect(await read()).toBe(keys[0]!);
    expect(await readdir(join(folder, 'deep'))).toEqual(['house-key']);
    expect((await stat(file)).mode & 0o777).toBe(0o600);
    expect((await readFile(file, 'utf8')).trim().length).toBeGreaterThanOrEqual(43);
  });

  it('is another for another use, and given it is read from no file', async () => {
    const key = await readHouseKey({ HOUSE_KEY: 'x'.repeat(32), KEY_FILE: file });
    expect(key.for('known devices').equals(key.for('second factors'))).toBeFalse();
    expect(await readdir(folder)).toEqual([]);
  });

  it('is refused where the file holds none, with what to do', async () => {
    await read();
    await writeFile(file, 'short');
    await expectAsync(read()).toBeRejectedWithError(/put back the file that stood there/);
  });
});
