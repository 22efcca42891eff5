import { createInstrumenter } from '@stryker-mutator/instrumenter';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { createInjector } from 'typed-inject';
import { ROOT } from '../paths.mjs';
import { TABLES, THE_SAME } from './the-same.mjs';

const quiet = Object.fromEntries(
  ['trace', 'debug', 'info', 'warn', 'error', 'fatal'].map((level) => [level, () => undefined]),
);
const off = Object.fromEntries(
  ['Trace', 'Debug', 'Info', 'Warn', 'Error', 'Fatal'].map((level) => [`is${level}Enabled`, () => false]),
);
const instrumenter = createInjector()
  .provideValue('logger', { ...quiet, ...off })
  .injectFunction(createInstrumenter);

/**
 * The small changes that can be made in a folder.
 *
 * @param folder from the root: `core/quantity`
 * @returns `{ telling, same }`: those a spec should notice, and how many lie on lines listed as meaning the same
 */
export async function mutantsOf(folder) {
  const files = readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .map((name) => `${folder}/${name}`)
    .filter((name) => name.endsWith('.ts') && !/\.spec\.ts$|\.d\.ts$/.test(name) && !TABLES.test(name))
    .sort();
  const { mutants } = await instrumenter.instrument(
    files.map((name) => ({ name, content: readFileSync(join(ROOT, name), 'utf8'), mutate: true })),
    // A text that is another is noticed by no rule but its own copy.
    { excludedMutations: ['StringLiteral'], ignorers: [], plugins: null },
  );
  const lines = new Map(files.map((name) => [name, readFileSync(join(ROOT, name), 'utf8').split('\n')]));
  // One that spans lines would bring all within it along.
  const small = mutants.filter(({ location: { start, end } }) => start.line === end.line);
  const telling = small.filter(
    ({ fileName, location: { start } }) =>
      !THE_SAME.some(([file, code]) => fileName.includes(file) && code.test(lines.get(fileName)[start.line])),
  );
  return { telling, same: small.length - telling.length };
}

/** Some of many, drawn by a seed without putting back. */
export function sample(of, wanted, seed) {
  const random = xoroshiro128plus(seed);
  const left = [...of];
  const taken = [];
  while (taken.length < wanted && left.length > 0)
    taken.push(...left.splice(uniformInt(random, 0, left.length - 1), 1));
  return taken;
}

/** Where a mutant stands, as Stryker is told it and tells it. */
export function rangeOf({ fileName, location: { start, end } }) {
  return `${fileName}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`;
}
