// What the program understands of a table, written as the corpus writes it.
import {
  NO_ANSWERS,
  planTable,
  readPlanned,
  sayFinding,
  writeCell,
  type ImportedTable,
  type TableAnswers,
  type TablePlan,
} from '../../testing/all';
import type { UnderstoodPart, UnderstoodTable } from './corpus-case';

/** What is asked of a table, as the corpus writes it. */
export function questionsOf(plan: TablePlan): string[] {
  return [
    ...plan.columns.filter(({ asks }) => asks !== null).map(({ asks, key }) => `${asks!} ${key}`),
    ...(plan.leftOutRightly ? [] : plan.leftOut.map(({ line }) => `left-out line ${line}`)),
    ...plan.notGiven.map(({ line }) => `not-given line ${line}`),
  ].sort();
}

/** What is understood of a table once its questions are answered. */
export function understand(
  table: ImportedTable,
  answers: Partial<TableAnswers> = {},
): UnderstoodTable | string {
  const context = { name: table.name };
  const asks = questionsOf(planTable(table.grid, NO_ANSWERS, context));
  const plan = planTable(table.grid, { ...NO_ANSWERS, ...answers }, context);
  const open = questionsOf(plan);
  if (open.length > 0) return `still asks: ${open.join(', ')}; at first: ${asks.join(', ')}`;
  const read = readPlanned(plan);
  if (!read.ok) return read.problem.map(sayFinding).join(' ');
  const { parts, combinations, label } = read.value;
  const [combination] = combinations;
  return {
    asks,
    parts: parts.map(
      (part): UnderstoodPart => ({
        sizes: part.sizes.map((size, at) =>
          [
            size,
            ...part.columns.map(({ code, cells, unit, ease }) => {
              const written = `${code} ${writeCell(cells[at]!, unit)} ${unit}`;
              return ease === null
                ? written
                : `${written}, larger by ${ease.least / 10_000}-${ease.most / 10_000} cm`;
            }),
          ].join(' | '),
        ),
        ...(part.otherNames.length === 0
          ? {}
          : { other: Object.fromEntries(part.otherNames.map(({ system, labels }) => [system, labels])) }),
        ...(part.offered === null ? {} : { offered: part.offered.sizes }),
      }),
    ),
    ...(label === null ? {} : { label }),
    ...(combination === undefined ? {} : { made: combination.made }),
    ...(combination?.called === undefined ? {} : { called: combination.called }),
  };
}
