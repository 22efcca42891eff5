import {
  compileChart,
  judge,
  parseLength,
  sheetAround,
  type ChartSheet,
  type FitPreference,
  type HouseRule,
  type MeasurementCode,
  type MeasuredValue,
} from '@neat-measure/core';
import { chartSheetSchema, importCsv } from '@neat-measure/core/sheets';
import type { TableAnswers } from '@neat-measure/core/imported';
import { readImportedText } from '@neat-measure/core/imported-files';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { UnderstoodTable } from '../core/testing/tables/corpus-case';
import { understand } from '../core/testing/tables/understand';

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

/** The tables of makers on the page: what is answered, the table, and what is understood of it. */
const IMPORTED = [...PAGE.matchAll(/```imported\n([\s\S]*?)```/g)].map(([, text]) => {
  const lines = text!.trim().split('\n');
  const answers = lines[0]!.startsWith('answers: ') ? lines.shift()!.slice('answers: '.length) : '{}';
  return {
    answers: JSON.parse(answers) as Partial<TableAnswers>,
    table: lines.filter((line) => !line.startsWith('=> ')).join('\n'),
    understood: lines.filter((line) => line.startsWith('=> ')).map((line) => line.slice(3)),
  };
});

/** What is understood of a table, a line each. */
function linesOf({ asks, parts, made = {}, called = {} }: UnderstoodTable): string[] {
  return [
    ...asks.map((one) => `asks ${one}`),
    ...parts.flatMap(({ sizes, other = {} }, at) => [
      ...(at === 0 ? [] : ['part']),
      ...sizes,
      ...Object.entries(other).map(([system, labels]) => `${system}: ${labels.join(', ')}`),
    ]),
    ...Object.entries(made).map(([size, others]) => `made ${size}: ${others.join(', ')}`),
    ...Object.entries(called).flatMap(([size, names]) =>
      Object.entries(names).map(([other, name]) => `called ${size}, ${other}: ${name}`),
    ),
  ];
}

describe('the tables of makers in docs/chart-format.md', () => {
  it('are many', () => expect(IMPORTED.length).toBeGreaterThan(15));

  for (const { table, answers, understood } of IMPORTED)
    it(`are understood as it says: ${table.split('\n')[0]!}`, () => {
      const read = readImportedText(table);
      if (!read.ok) return fail(read.problem);
      const got = understand(read.value.tables[0]!, answers);
      expect(typeof got === 'string' ? [got] : linesOf(got)).toEqual(understood);
    });
});
