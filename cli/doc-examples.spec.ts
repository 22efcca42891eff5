import * as common from '@neat-measure/core';
import * as brought from '@neat-measure/core/brought';
import * as partCoverage from '@neat-measure/core/part-coverage';
import * as reference from '@neat-measure/core/reference';
import * as sheets from '@neat-measure/core/sheets';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** All that core offers: what everybody loads, and what only some places do. */
const core = { ...common, ...brought, ...sheets, ...reference, ...partCoverage };
const FOLDER = join(process.cwd(), 'core');
const files = readdirSync(FOLDER, { recursive: true, encoding: 'utf8' }).filter(
  (name) => name.endsWith('.ts') && !/node_modules|\.spec\.ts$|^testing/.test(name),
);

/** What stands behind `@example` in the doc comments of core: an expression, and what it gives. */
const EXAMPLES = files.flatMap((file) =>
  [...readFileSync(join(FOLDER, file), 'utf8').matchAll(/\*\s+@example (.*)$/gm)].map(([, line]) => {
    const at = line!.lastIndexOf(' // ');
    return { file, line: line!, gives: at < 0 ? null : ([line!.slice(0, at), line!.slice(at + 4)] as const) };
  }),
);

/** Evaluates an expression that names what core exports. */
function evaluate(expression: string): unknown {
  const names = Object.keys(core);
  // The examples are the project's own, read from its own files.
  const run = new Function(...names, `return (${expression});`) as (...values: unknown[]) => unknown;
  return run(...Object.values(core));
}

describe('the examples in the doc comments of core', () => {
  it('are many', () => expect(EXAMPLES.length).toBeGreaterThan(30));

  for (const { file, line, gives } of EXAMPLES)
    it(`${file}: ${line}`, () => {
      if (gives === null) return fail('an example says what it gives, behind //');
      const [expression, result] = gives;
      expect(evaluate(expression)).toEqual(evaluate(result));
    });
});
