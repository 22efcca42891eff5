import {
  chartSheetSchema,
  compileChart,
  importCsv,
  judge,
  parseLength,
  sheetAround,
  type ChartSheet,
  type FitPreference,
  type HouseRule,
  type MeasurementCode,
  type MeasuredValue,
} from '@neat-measure/core';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const PAGE = readFileSync(join(process.cwd(), 'docs', 'chart-format.md'), 'utf8');

interface Example {
  readonly table: string;
  readonly settings: Readonly<Record<string, string>>;
  readonly cases: readonly { readonly body: string; readonly size: string; readonly verdict: string }[];
}

/** The examples of the page: settings, a table or a chart in JSON, and what somebody comes to. */
const EXAMPLES = [...PAGE.matchAll(/```example\n([\s\S]*?)```/g)].map(([, text]): Example => {
  const lines = text!.trim().split('\n');
  const settings = lines.filter((line) => /^(?:rule|key|preference): /.test(line));
  const cases = lines.filter((line) => line.startsWith('=> '));
  return {
    settings: Object.fromEntries(settings.map((line) => line.split(': ') as [string, string])),
    table: lines.filter((line) => !settings.includes(line) && !cases.includes(line)).join('\n'),
    cases: cases.map((line) => {
      const [, body, size, verdict] = /^=> (.*): (.*), (\S+)$/.exec(line)!;
      return { body: body!, size: size!, verdict: verdict! };
    }),
  };
});

function sheetOf({ table, settings }: Example): ChartSheet {
  const head = { maker: 'Ostrel Workwear', garment: 'Example' };
  if (table.startsWith('{')) return chartSheetSchema.parse({ ...head, ...(JSON.parse(table) as object) });
  const part = importCsv(table);
  if (!part.ok) throw new Error(JSON.stringify(part.problem));
  const rule = (settings['rule'] ?? 'widest-decides') as HouseRule;
  return chartSheetSchema.parse({
    ...sheetAround(part.value, { ...head, rule }),
    key: settings['key'] ?? null,
  });
}

describe('docs/chart-format.md', () => {
  it('has an example of everything it leaves to meaning', () => expect(EXAMPLES.length).toBeGreaterThan(9));

  for (const example of EXAMPLES)
    for (const { body, size, verdict } of example.cases)
      it(`${JSON.stringify(example.settings)} ${example.table.slice(0, 60)}… ${body} comes to ${size}, ${verdict}`, () => {
        const values = body.split(', ').map((one): [MeasurementCode, MeasuredValue] => {
          const [, code, text] = /^(\S+) (.*)$/.exec(one)!;
          const read = parseLength(text!, 'cm');
          if (!read.ok) throw new Error(one);
          return [code as MeasurementCode, { value: read.value.length }];
        });
        const said = judge(compileChart(sheetOf(example)), new Map(values), {
          preference: example.settings['preference'] as FitPreference | undefined,
        });
        expect([said.proposed ?? 'none', said.verdict]).toEqual([size, verdict as never]);
      });
});
