// Nothing of what was imported disappears unasked, whatever is wrong with it.
import * as fc from 'fast-check';
import { planTable, readPlanned, type Grid, type TablePlan } from '../../testing/all';
import { CASES } from '../../testing/tables/cases';
import { questionsOf } from '../../testing/tables/understand';
import { isMeasure } from './cells/not-given';
import { aroundIt } from './layout/around';
import { turned } from './layout/grid';
import { readImportedFile } from './sources/read-imported';

/** A table with something of it spoiled, as hands and machines spoil them. */
type Spoil = (grid: Grid, row: number, column: number) => Grid;
const cellAs =
  (text: (cell: string) => string): Spoil =>
  ({ rows }, row, column) => ({
    rows: rows.map((one, at) =>
      at === row ? { ...one, cells: one.cells.map((cell, by) => (by === column ? text(cell) : cell)) } : one,
    ),
  });
const SPOILS: Readonly<Record<string, Spoil>> = {
  'a cell is emptied': cellAs(() => ''),
  'a cell says tbc': cellAs(() => 'tbc'),
  'a word is written into a cell': cellAs((cell) => `${cell} see note`),
  'a cell is written twice': cellAs((cell) => `${cell} ${cell}`),
  'a figure is left out': cellAs((cell) => cell.replace(/\d/, '')),
  'a point is added': cellAs((cell) => cell.replace(/(\d)(\d)/, '$1.$2')),
  'a line is left out': ({ rows }, row) => ({ rows: rows.filter((_, at) => at !== row) }),
  'a line is written twice': ({ rows }, row) => ({
    rows: [...rows.slice(0, row + 1), { ...rows[row]!, line: 9_000 }, ...rows.slice(row + 1)],
  }),
  'a line of numbers is added': ({ rows }, row) => ({
    rows: [
      ...rows.slice(0, row),
      { line: 9_000, cells: rows[row]!.cells.map((_, at) => String(80 + at)) },
      ...rows.slice(row),
    ],
  }),
  'two columns are changed over': ({ rows }, _, column) => ({
    rows: rows.map(({ line, cells }) => ({
      line,
      cells: cells.map((cell, at) =>
        at === column ? (cells[column + 1] ?? cell) : at === column + 1 ? (cells[column] ?? cell) : cell,
      ),
    })),
  }),
};

/** Whether a line is one with the size above it, or says again what a size before it has said. */
function isSaidAbove({ rows }: TablePlan, at: number): boolean {
  const { role, cells } = rows[at]!;
  if (role === 'with-above') return rows[at - 1]!.role === 'size';
  const before = rows.slice(0, at).filter((row) => row.role === 'size');
  return role === 'repeated' && before.some((row) => row.cells.join('|') === cells.join('|'));
}

/** Lines and columns that hold measures and are neither taken nor asked about. */
function lost(grid: Grid, plan: TablePlan): string[] {
  // Where no size is found at all, nothing is taken, and that is said.
  if (plan.rows.every(({ role }) => role !== 'size')) return readPlanned(plan).ok ? ['everything'] : [];
  const { rows } = plan.across ? turned(aroundIt(grid).within) : grid;
  const lines = rows.flatMap(({ cells }, at) => {
    const { role, line } = plan.rows[at]!;
    const measures = cells.filter((cell) => isMeasure(cell)).length;
    const asked = plan.leftOut.some((one) => one.line === line);
    const taken = ['size', 'heading', 'unit'].includes(role) || isSaidAbove(plan, at);
    return measures > 0 &&
      cells.filter(Boolean).length > 1 &&
      new Set(cells.filter(Boolean)).size > 1 &&
      !taken &&
      !asked
      ? [`line ${line}: ${cells.join('|')}`]
      : [];
  });
  if (plan.inside !== 'measures') return lines;
  const width = Math.max(0, ...rows.map(({ cells }) => cells.length));
  const sizes = plan.rows.filter(({ role }) => role === 'size');
  const columns = Array.from({ length: width }, (_, index) => index).filter((index) => {
    const holds = sizes.some(({ cells }) => isMeasure(cells[index] ?? ''));
    const known = plan.columns.some((one) => one.index === index || one.upperIn === index);
    return holds && !known;
  });
  return [...lines, ...columns.map((index) => `column ${index}`)];
}

/** Milliseconds; some hundred files are read. */
const SOME_TIME = 60_000;

describe('a table with something spoiled', () => {
  const text = CASES.filter(({ refused }) => refused === undefined);
  for (const [name, spoil] of Object.entries(SPOILS))
    it(
      `is taken whole or asked about: ${name}`,
      async () => {
        await fc.assert(
          fc.asyncProperty(
            fc.constantFrom(...text),
            fc.nat(),
            fc.nat(),
            async ({ bytes, file }, one, other) => {
              const read = await readImportedFile(bytes);
              if (!read.ok) throw new Error(file);
              for (const { grid, name: called } of read.value.tables) {
                const row = one % grid.rows.length;
                const column = other % Math.max(1, grid.rows[row]!.cells.length);
                const spoiled = spoil(grid, row, column);
                const plan = planTable(spoiled, undefined, { name: called });
                const missing = lost(spoiled, plan);
                if (missing.length > 0) throw new Error(`${file}: ${missing.join('; ')}`);
                // Whatever it comes to, it comes to an end and is said.
                const outcome = readPlanned(plan);
                if (!outcome.ok && outcome.problem.length === 0) throw new Error(`${file}: nothing said`);
                questionsOf(plan);
              }
            },
          ),
          { numRuns: 60 },
        );
        expect(text.length).toBeGreaterThan(150);
      },
      SOME_TIME,
    );
});
