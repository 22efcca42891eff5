import * as common from '@neat-measure/core';
import * as ahead from '@neat-measure/core/ahead';
import * as coverage from '@neat-measure/core/coverage';
import * as bodies from '@neat-measure/core/bodies-507';
import * as group from '@neat-measure/core/group';
import * as imported from '@neat-measure/core/imported';
import * as importedFiles from '@neat-measure/core/imported-files';
import * as fitDrawing from '@neat-measure/core/fit-drawing';
import * as names from '@neat-measure/core/iso8559-names';
import * as muster from '@neat-measure/core/muster';
import * as ownChart from '@neat-measure/core/own-chart';
import * as peopleTable from '@neat-measure/core/people-table';
import * as placing from '@neat-measure/core/placing';
import * as reference from '@neat-measure/core/reference';
import * as sheets from '@neat-measure/core/sheets';
import * as stock from '@neat-measure/core/stock';
import * as stockTable from '@neat-measure/core/stock-table';
import * as terms from '@neat-measure/core/terms';
import highsLoader from 'highs';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as fixtures from '../core/testing/examples';

/** All that core offers, by every door: what everybody loads, and what only some places do. */
const core = {
  ...common,
  ...ahead,
  ...bodies,
  ...group,
  ...imported,
  ...importedFiles,
  ...fitDrawing,
  ...names,
  ...muster,
  ...coverage,
  ...ownChart,
  ...peopleTable,
  ...placing,
  ...reference,
  ...sheets,
  ...stock,
  ...stockTable,
  ...terms,
};
/** What solves programs, where an example asks for it. */
const highs = await highsLoader();
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

/** Evaluates an expression that names what core exports, or what `core/testing/examples.ts` speaks of. */
function evaluate(expression: string): unknown {
  const scope = { ...core, ...fixtures, highs };
  // The examples are the project's own, read from its own files.
  const run = new Function(...Object.keys(scope), `return (${expression});`) as (
    ...values: unknown[]
  ) => unknown;
  return run(...Object.values(scope));
}

describe('the examples in the doc comments of core', () => {
  it('are of every function behind its doors', () => {
    const without = Object.entries(core)
      .filter(
        ([name, one]) =>
          typeof one === 'function' &&
          !/^class\b/.test(Function.prototype.toString.call(one)) &&
          !EXAMPLES.some(({ gives }) => gives !== null && new RegExp(`\\b${name}\\b`).test(gives[0])),
      )
      .map(([name]) => name);
    expect(without).toEqual([]);
  });

  for (const { file, line, gives } of EXAMPLES)
    it(`${file}: ${line}`, async () => {
      if (gives === null) return fail('an example says what it gives, behind //');
      const [expression, result] = gives;
      expect(await evaluate(expression)).toEqual(await evaluate(result));
    });
});
