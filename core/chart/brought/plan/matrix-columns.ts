// The two axes of a table between them.
import type { PlannedRow } from '../layout/outline';
import type { TableAnswers } from './answers';
import { axesOf } from './headings';
import { planColumn, type Table } from './plan-column';
import type { PlannedColumn } from './planned-column';

/** The two axes of a matrix as columns that are said like any other. */
export function matrixColumns(
  table: Table,
  head: readonly (readonly string[])[],
  answers: TableAnswers,
): PlannedColumn[] {
  const { body } = table;
  const axis = head.at(-1) ?? [];
  const labelAt = Math.max(
    0,
    body[0]?.cells.findIndex((cell, at) => cell !== '' && !isSameDown(body, at)) ?? 0,
  );
  const beside = labelAt > 0 ? (body[0]?.cells[labelAt - 1] ?? '') : '';
  const above =
    head
      .slice(0, -1)
      .flatMap((row) => row.slice(labelAt + 1))
      .find((text) => text !== '') ?? '';
  const named = axesOf(axis[labelAt] === beside ? '' : (axis[labelAt] ?? ''), above);
  const fields = [
    {
      key: 'down',
      index: labelAt,
      heading: beside || named.down,
      cells: body.map(({ cells }) => cells[labelAt] ?? ''),
    },
    { key: 'across', index: -1, heading: named.across, cells: axis.slice(labelAt + 1).filter(Boolean) },
  ];
  return fields.map(({ key, index, heading, cells }) => {
    const column = planColumn(
      table,
      { key, index, half: null },
      { text: heading || '?', class: null, unit: null },
      cells,
      null,
    );
    // Classes along an axis measure nothing; what they stand for is said by somebody.
    const asked: PlannedColumn = column.numbers.length === 0 ? { ...column, candidates: [] } : column;
    return { ...asked, heading, asks: answers.columns[key]?.so === true ? null : asked.asks };
  });
}

/** Whether a column holds one and the same text in every row: the name of an axis, merged. */
function isSameDown(body: readonly PlannedRow[], at: number): boolean {
  const texts = new Set(body.map(({ cells }) => cells[at] ?? ''));
  return body.length > 1 && texts.size === 1;
}
