import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BUILD } from '../paths.mjs';
import { GivenUp, node as runNode, runAside, say } from '../run.mjs';

/**
 * Runs one part of the tests to its end, or to the end of its limit, and ends whatever it has left.
 *
 * @param household what the part belongs to, see household.mjs
 * @param part `{ minutes, run }`, see parts.mjs
 * @param aside whether what it writes is put aside until it has ended, as another part writes beside it
 * @param clone the clean clone that is walked, where one is
 * @returns `{ name, passed, failed, why }`; `why` tells what went wrong besides specs that failed
 */
export async function runPart(household, name, part, aside, clone) {
  const tallyFile = join(BUILD, `tally-${name}.json`);
  rmSync(tallyFile, { force: true });
  say(`\n== ${name} ==`);
  const own = household.part(name);
  // What a part leaves in the temporary folder goes with it, however it ends.
  const scratch = household.ownFolder(mkdtempSync(join(tmpdir(), 'neat-measure-')));
  const node = async (args, { env = {}, cwd } = {}) => {
    const options = {
      env: { ...env, ...own.env, TALLY_FILE: tallyFile, TMPDIR: scratch },
      ...(cwd === undefined ? {} : { cwd }),
    };
    if (!aside) return runNode(args, options);
    const { code, written } = await runAside(process.execPath, args, options);
    say(`\n== what ${name} wrote ==`);
    process.stdout.write(written);
    return code;
  };
  const why = await endOf(part, node, clone);
  await own.end();
  const tally = readTally(tallyFile);
  // A run that ended badly but counted no failure (a spec that could not load) is one.
  if (why !== null && tally.failed === 0) tally.failed = 1;
  return { name, ...tally, why };
}

/** Why a part did not end well; `null` where it did. */
async function endOf(part, node, clone) {
  let timer;
  const late = new Promise((resolve) => {
    timer = setTimeout(() => resolve(`did not end within ${part.minutes} minutes`), part.minutes * 60_000);
  });
  try {
    return await Promise.race([
      part.run(node, clone).then((code) => (code === 0 ? null : `ended with code ${code}`)),
      late,
    ]);
  } catch (error) {
    return error instanceof GivenUp ? error.message : error.stack;
  } finally {
    clearTimeout(timer);
  }
}

function readTally(file) {
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const tally = JSON.parse(readFileSync(file, 'utf8'));
  if (!('stats' in tally)) return tally;
  const { expected, unexpected, flaky } = tally.stats;
  // Only where nobody sits by is a path tried twice (see the configuration of the paths); that it was is told.
  if (flaky > 0) say(`\n${flaky} were right only when tried a second time: see above why not at first.`);
  return { passed: expected + flaky, failed: unexpected + tally.errors.length };
}
