import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { takePackagesFrom } from './install.mjs';

/** A checkout of these files, by path. */
function checkout(files) {
  const root = mkdtempSync(join(tmpdir(), 'neat-measure-'));
  for (const [path, text] of Object.entries({
    'package.json': '{ "workspaces": ["house", "shed"] }',
    'package-lock.json': 'the lock',
    'house/package.json': '{}',
    'shed/package.json': '{}',
    ...files,
  })) {
    mkdirSync(dirname(join(root, path)), { recursive: true });
    writeFileSync(join(root, path), text);
  }
  return root;
}

const installed = (lock) => ({
  'node_modules/.neat-measure-lock': createHash('sha256').update(lock).digest('hex'),
  'node_modules/limit/index.js': 'version 3',
  'house/node_modules/limit/index.js': 'version 7',
});

describe('npm packages taken over from a clone', () => {
  const made = [];
  const checkoutOf = (files) => {
    made.push(checkout(files));
    return made.at(-1);
  };
  afterEach(() => made.splice(0).forEach((root) => rmSync(root, { recursive: true })));

  it('are those of every workspace too, which may want another version than the rest', async () => {
    const [clone, root] = [checkoutOf(installed('the lock')), checkoutOf({})];
    await takePackagesFrom(clone, root);
    const read = (path) => readFileSync(join(root, path), 'utf8');
    expect(read('node_modules/limit/index.js')).toBe('version 3');
    expect(read('house/node_modules/limit/index.js')).toBe('version 7');
    expect(existsSync(join(root, 'shed/node_modules'))).toBeFalse();
  });

  it('are not those of another lock file', async () => {
    const [clone, root] = [checkoutOf(installed('another lock')), checkoutOf({})];
    await takePackagesFrom(clone, root);
    expect(existsSync(join(root, 'node_modules'))).toBeFalse();
    expect(existsSync(join(root, 'house/node_modules'))).toBeFalse();
  });

  it('leave alone what is there, and lay nothing into what a try before left half-way', async () => {
    const clone = checkoutOf(installed('the lock'));
    const own = checkoutOf({ 'node_modules/own.js': 'own' });
    await takePackagesFrom(clone, own);
    expect(existsSync(join(own, 'node_modules/limit'))).toBeFalse();

    const half = checkoutOf({ 'house/node_modules/old.js': '', 'node_modules.part/old.js': '' });
    await takePackagesFrom(clone, half);
    expect(existsSync(join(half, 'house/node_modules/old.js'))).toBeFalse();
    expect(existsSync(join(half, 'node_modules/old.js'))).toBeFalse();
    expect(existsSync(join(half, 'node_modules.part'))).toBeFalse();
    expect(existsSync(join(half, 'node_modules/.neat-measure-lock'))).toBeTrue();
  });
});
