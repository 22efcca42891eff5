// Tables between two axes: marks where a size is made, or the sizes themselves in the cells.
import { failure, success, type Outcome } from '../../../outcome';
import type { ChartPart } from '../../chart-shape';
import type { Finding } from '../../finding';
import { isNotGiven } from '../cells/not-given';
import { axisOf } from '../layout/axis';
import { nameOfMeaning } from '../words/meaning';
import type { PlannedColumn } from '../plan/planned-column';
import type { TablePlan } from '../plan/table-plan';
import { beginsAt, readPiece, takenCell, type Placed, type TakenColumn } from './pieces';
import { isMeasurement, labelIn, type ImportedParts } from './imported-parts';

/** Reads a matrix: a part an axis, what is made of each with each, and what that is called where it has a name. */
export function readMatrix(plan: TablePlan): Outcome<Omit<ImportedParts, 'derivations'>, readonly Finding[]> {
  const [down, across] = ['down', 'across'].map((key) => plan.columns.find((one) => one.key === key)!);
  const unsaid = [down!, across!].find((one) => !isMeasurement(one));
  if (unsaid !== undefined)
    return failure([{ code: 'axis-unsaid', axis: unsaid.key === 'down' ? 'down' : 'across' }]);
  const rows = plan.rows.filter(({ role }) => role === 'size');
  const head = plan.rows.slice(0, plan.rows.indexOf(rows[0]!)).findLast(({ role }) => role === 'heading')!;
  const names = axisOf(head, down!.index, rows);
  const first = axisPart(
    rows.map(({ line, cells }) => ({ text: cells[down!.index] ?? '', line, column: down!.index })),
    down as TakenColumn,
  );
  const second = axisPart(names, across as TakenColumn, first.code);
  const made: Record<string, string[]> = {};
  const called: Record<string, Record<string, string>> = {};
  for (const { cells } of rows) {
    const label = labelIn(cells[down!.index] ?? '');
    for (const { text, column } of names) {
      const cell = cells[column] ?? '';
      if (isNotGiven(cell) && cell !== '*') continue;
      (made[label] ??= []).push(labelIn(text));
      if (plan.inside === 'labels') (called[label] ??= {})[labelIn(text)] = labelIn(cell);
    }
    made[label] ??= [];
  }
  const parts = [first.read, second.read];
  if (!first.read.ok || !second.read.ok)
    return failure(parts.flatMap((one) => (one.ok ? [] : [...one.problem])));
  const every = Object.values(made).every((labels) => labels.length === names.length);
  const combination = { parts: [first.code, second.code] as [string, string], made };
  return success({
    parts: [first.read.value, second.read.value],
    label: null,
    combinations: plan.inside === 'labels' ? [{ ...combination, called }] : every ? [] : [combination],
  });
}

/** An axis as a part: its labels are the sizes, and what they measure. */
function axisPart(
  labels: readonly Placed[],
  column: TakenColumn,
  other = '',
): { readonly code: string; readonly read: Outcome<ChartPart, readonly Finding[]> } {
  const name = nameOfMeaning(column.means);
  const short = name
    .toLowerCase()
    .replace(/\s*(?:girth|length)$/, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 36);
  const code = short === '' || short === other ? `${short}-2` : short;
  const cells = labels.map((one) => {
    const place: Pick<PlannedColumn, 'index' | 'half'> = { index: 0, half: null };
    return { ...one, text: takenCell([one.text], { ...column, ...place, upperIn: null }) };
  });
  const order = labels.map((_, at) => at);
  const begins = (at: number) => beginsAt(cells[at]!.text, column.unit) ?? 0;
  // The largest may stand first.
  if (order.every((at) => at === 0 || begins(at) <= begins(at - 1))) order.reverse();
  const rows = order.map((at) => [{ ...labels[at]!, text: labelIn(labels[at]!.text) }, cells[at]!]);
  return { code, read: readPiece({ columns: [column], rows }, code, name) };
}
