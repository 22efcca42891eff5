import { spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from '../paths.mjs';

/**
 * Clones this checkout as somebody gets it who has never built it: only what is tracked (and what will be, once it is
 * added), in a folder elsewhere, so that no package, build or data of this checkout is found from there.
 *
 * @param household removes it in the end
 * @returns its path
 */
export function cleanClone(household) {
  const { stdout, status } = spawnSync(
    'git',
    ['ls-files', '-z', '--cached', '--others', '--exclude-standard', '--deduplicate'],
    { cwd: ROOT, encoding: 'utf8', maxBuffer: 1 << 26 },
  );
  if (status !== 0) throw new Error('Only a checkout of git can be cloned.');
  const clone = household.ownFolder(mkdtempSync(join(tmpdir(), 'neat-measure-clone-')));
  for (const file of stdout.split('\0').filter((name) => name !== '' && existsSync(join(ROOT, name))))
    cpSync(join(ROOT, file), join(clone, file), { recursive: true, force: true, errorOnExist: false });
  return clone;
}
