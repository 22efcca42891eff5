// A table goes out as it came in, in every form, and comes in again without a change.
import * as fc from 'fast-check';
import {
  exportCsv,
  exportHtml,
  exportWorkbook,
  isAsked,
  measurement,
  planTable,
  readPlanned,
  sheetAround,
  type ChartColumn,
  type ChartPart,
  type Cell,
  type Length,
  type MeasurementCode,
  type WorkingUnit,
} from '../../testing/all';
import { readImportedFile } from './sources/read-imported';
import { plainPart } from '../size-chart';
import { MICROMETRES_PER } from '../../quantity/length';

const CODES = ['chest-girth', 'hip-girth', 'neck-girth', 'height'] as const;
const unit = fc.constantFrom<WorkingUnit>('cm', 'in', 'mm');
/** Growing lengths of a body at a place: in whole units, in halves, and in odd parts of one. */
const lengths = (code: MeasurementCode, count: number, per: WorkingUnit) => {
  const { least, most } = measurement(code).limits;
  const widest = (most - least) / MICROMETRES_PER[per] / (count + 1);
  return fc
    .record({
      steps: fc.array(fc.integer({ min: 1, max: 100 }), { minLength: count, maxLength: count }),
      parts: fc.constantFrom(1, 2, 8, 10),
    })
    .map(({ steps, parts }) => {
      let at = Math.ceil(least / MICROMETRES_PER[per]);
      return steps.map((step) => {
        at += Math.max(1 / parts, Math.floor((step / 100) * widest * parts) / parts);
        return Math.round(at * MICROMETRES_PER[per]) as Length;
      });
    });
};

function column(code: MeasurementCode, count: number): fc.Arbitrary<ChartColumn> {
  return unit.chain((per) =>
    fc
      .record({
        at: lengths(code, count + 1, per),
        nominal: fc.boolean(),
        edges: fc.array(fc.constantFrom<'printed' | 'closed' | 'open'>('printed', 'closed', 'open'), {
          minLength: count * 2,
          maxLength: count * 2,
        }),
        open: fc.tuple(fc.boolean(), fc.boolean()),
        role: fc.constantFrom<'deciding' | 'advisory'>('deciding', 'advisory'),
      })
      .map(({ at, nominal, edges, open, role }) => ({
        code,
        role: code === CODES[0] ? 'deciding' : role,
        unit: per,
        reach: 'halfway' as const,
        ease: null,
        standIns: [],
        cells: Array.from(
          { length: count },
          (_, index): Cell =>
            nominal && count > 1
              ? { kind: 'nominal', at: at[index]! }
              : {
                  kind: 'interval',
                  lower: index === 0 && open[0] ? null : { at: at[index]!, edge: edges[index * 2]! },
                  upper:
                    index === count - 1 && open[1]
                      ? null
                      : { at: at[index + 1]!, edge: edges[index * 2 + 1]! },
                },
        ),
      })),
  );
}

const part: fc.Arbitrary<ChartPart> = fc
  .record({ count: fc.integer({ min: 1, max: 7 }), columns: fc.integer({ min: 1, max: 4 }) })
  .chain(({ count, columns }) =>
    fc.tuple(...CODES.slice(0, columns).map((code) => column(code, count))).map((all) =>
      plainPart(
        Array.from({ length: count }, (_, at) => `N${at + 1}`),
        all,
      ),
    ),
  )
  // An end that nobody is at, between open ends, is not written.
  .filter(({ columns }) =>
    columns.every(({ cells }) =>
      cells.every((cell) => cell.kind === 'nominal' || cell.lower !== null || cell.upper !== null),
    ),
  );

/** As text, whatever order its fields were written in. */
function inOrder(of: unknown): string {
  return JSON.stringify(of, (_, one: unknown) =>
    typeof one === 'object' && one !== null && !Array.isArray(one)
      ? Object.fromEntries(Object.entries(one).sort(([a], [b]) => a.localeCompare(b)))
      : one,
  );
}

async function back(bytes: Uint8Array): Promise<ChartPart | string> {
  const read = await readImportedFile(bytes);
  if (!read.ok) return read.problem.code;
  const plan = planTable(read.value.tables[0]!.grid);
  if (read.value.tables.length !== 1 || isAsked(plan)) return 'asked';
  const parts = readPlanned(plan);
  return parts.ok ? parts.value.parts[0]! : JSON.stringify(parts.problem);
}

/** Milliseconds; some hundred files are read. */
const SOME_TIME = 60_000;

describe('a table that goes out and comes in again', () => {
  const text = (content: string) => new TextEncoder().encode(content);
  const head = { maker: 'Ostrel Workwear', garment: 'Cap <&> "tide"', rule: 'widest-decides' } as const;
  const ways: readonly (readonly [string, number, (one: ChartPart) => Uint8Array | Promise<Uint8Array>])[] = [
    ['CSV', 150, (one) => text(exportCsv(sheetAround(one, head), one))],
    ['a page', 150, (one) => text(exportHtml(sheetAround(one, head), one))],
    ['a workbook', 25, (one) => exportWorkbook(sheetAround(one, head))],
  ];
  for (const [name, numRuns, write] of ways)
    it(
      `is what it was, as ${name}`,
      async () => {
        await fc.assert(
          fc.asyncProperty(part, async (one) => {
            const came = await back(await write(one));
            // Said by throwing, so that the smallest table that fails is found.
            if (inOrder(came) !== inOrder(one))
              throw new Error(
                `came back as ${typeof came === 'string' ? came : exportCsv({ derivations: [] }, came)}`,
              );
          }),
          { numRuns },
        );
        expect(numRuns).toBeGreaterThan(0);
      },
      SOME_TIME,
    );
});
