// Whatever stands in a table, it is planned, read and explained, or told; nothing breaks off.
import * as fc from 'fast-check';
import {
  cellReader,
  chartSheetSchema,
  compileChart,
  examineChart,
  findTables,
  joinTables,
  NO_ANSWERS,
  planTable,
  readPlanned,
  sayFinding,
  sheetAround,
  twinOf,
  withTyped,
  type Grid,
  type TableAnswers,
} from '../../testing/all';

const WORDS = [
  '', '', '', '-', 'x', '*', 'S', 'M', 'L', 'XL', '36R', '36S', '30/32', 'Short', 'Long', 'Kurz', 'Men', 'Damen', 'Size', 'Größe', 'EU', 'UK',
  'Chest (cm)', 'Waist', 'Hip (in)', 'Height', 'Foot length (mm)', 'Weight (kg)', 'Half chest', 'Finished hip (cm)', 'Collar \\ Sleeve (in)',
  'cm', 'in', 'inches', '(mm)', '86-94', '94-102', '34–36 (86–91)', '5\'7"', '<94', 'up to 94', '102+', '90', '06-Aug', '1,640', '½', '0', '999999',
  'sold out', 'All measurements in inches', 'Model is 188 cm', 'A', 'B', '__proto__', 'constructor', 'toString', '=1+1', '😀', 'x'.repeat(300),
]; // prettier-ignore
const grid: fc.Arbitrary<Grid> = fc
  .array(fc.array(fc.constantFrom(...WORDS), { minLength: 1, maxLength: 7 }), { minLength: 1, maxLength: 12 })
  .map((rows) => ({ rows: rows.map((cells, at) => ({ line: at + 1, cells })) }));
const answers: fc.Arbitrary<TableAnswers> = fc.record({
  across: fc.constantFrom(undefined, true, false),
  columns: fc.dictionary(
    fc.constantFrom('0', '1', '2', '1a', 'down', 'across', '0m'),
    fc.record(
      {
        means: fc.constantFrom('size', 'label', 'class', 'chest-girth', 'height', 'longer-foot', null),
        unit: fc.constantFrom('cm', 'in', 'mm', 'm', 'ft'),
        times: fc.constantFrom(1, 2),
        ease: fc.constantFrom('', '8-14', 'x'),
        so: fc.boolean(),
      },
      { requiredKeys: [] },
    ),
  ),
  rows: fc.dictionary(fc.constantFrom('1', '2', '3'), fc.constantFrom('size', 'left-out')),
  cells: fc.dictionary(fc.constantFrom('1:1', '2:2', '3:1'), fc.constantFrom(...WORDS)),
  leftOutRightly: fc.boolean(),
  onlyClass: fc.constantFrom(undefined, 'Short', 'B'),
}) as fc.Arbitrary<TableAnswers>;

describe('any table at all', () => {
  it('is planned, read and explained, whatever is said of it', () => {
    fc.assert(
      fc.property(grid, fc.option(answers, { nil: NO_ANSWERS }), (any, said) => {
        const tables = findTables({ name: 'any', grid: any });
        const lines = new Set(tables.flatMap(({ grid: one }) => one.rows.map(({ line }) => line)));
        if (lines.size === 0 && any.rows.some(({ cells }) => cells.some(Boolean)))
          throw new Error('a table was lost');
        const reads = tables.flatMap(({ name, grid: one }) => {
          const plan = planTable(one, said, { name });
          const explain = cellReader(withTyped(one, said.cells), plan, 'cm');
          one.rows.forEach(({ cells }, row) =>
            cells.forEach((_, column) => explain(row, column).says.length),
          );
          const read = readPlanned(plan);
          if (!read.ok) read.problem.map(sayFinding);
          return read.ok ? [{ name, read: read.value }] : [];
        });
        if (reads.length > 0) {
          const joined = joinTables(reads);
          const [first] = joined.parts;
          if (first!.columns.length > 0) {
            const sheet = {
              ...sheetAround(first!, { maker: 'm', garment: 'g', rule: 'widest-decides' }),
              ...joined,
            };
            const kept = chartSheetSchema.safeParse(sheet);
            // What is let in can be sized by, and looked over.
            if (kept.success) {
              compileChart(kept.data);
              examineChart(kept.data);
            }
          }
        }
        if (reads.length > 1) twinOf(reads[0]!.read, reads[1]!.read);
      }),
      { numRuns: 500 },
    );
    expect(WORDS.length).toBeGreaterThan(40);
  });
});
