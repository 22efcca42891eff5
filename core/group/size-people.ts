import Papa from 'papaparse';
import type { CompiledChart } from '../chart/compile-chart';
import { judge, type JudgeOptions } from '../match/judge';
import { sayReason } from '../match/say-verdict';
import type { GarmentVerdict } from '../match/verdict';
import type { WorkingUnit } from '../quantity/length';
import type { Person } from './read-people';

/** Sizes one row of a list. */
export function sizePerson(chart: CompiledChart, person: Person, options: JudgeOptions = {}): GarmentVerdict {
  return judge(chart, new Map([...person.values].map(([code, value]) => [code, { value }])), options);
}

/** The heading of the sizes written out. */
export const SIZED_HEADING = ['id', 'verdict', 'size', 'alternates', 'reason'] as const;

/** One line of the sizes written out; several alternates are parted by a bar. */
export function sizedRow(person: Person, verdict: GarmentVerdict, unit: WorkingUnit): string[] {
  return [
    person.id,
    verdict.verdict,
    verdict.proposed ?? '',
    verdict.alternates.join('|'),
    sayReason(verdict, unit),
  ];
}

/** Rows as CSV. A cell that a spreadsheet would take for a formula is quoted out of being one. */
export function writeCsv(rows: readonly (readonly string[])[]): string {
  return `${Papa.unparse(rows as string[][], { newline: '\n', escapeFormulae: true })}\n`;
}
