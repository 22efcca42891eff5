// The two axes of a table between them.
import type { PlannedRow } from '../layout/outline';
import type { TableAnswers } from './answers';
import { axisOf } from '../layout/axis';
import { axesOf } from '../layout/corner';
import { plain, planColumn, type Table } from './one-column';
import type { PlannedColumn } from './planned-column';

/** The two axes of a matrix as columns that are said like any other. */
export function matrixColumns(
  table: Table,
  head: readonly PlannedRow[],
  answers: TableAnswers,
): PlannedColumn[] {
  const { body } = table;
  const axis = head.at(-1)?.cells ?? [];
  const labelAt = Math.max(
    0,
    body[0]?.cells.findIndex((cell, at) => cell !== '' && !isSameDown(body, at)) ?? 0,
  );
  const beside = labelAt > 0 ? (body[0]?.cells[labelAt - 1] ?? '') : '';
  const above =
    head
      .slice(0, -1)
      .flatMap(({ cells }) => cells.slice(labelAt + 1))
      .find((text) => text !== '') ?? '';
  const named = axesOf(axis[labelAt] === beside ? '' : (axis[labelAt] ?? ''), above);
  const along = head.length === 0 ? [] : axisOf(head.at(-1)!, labelAt, body);
  const fields = [
    {
      key: 'down',
      index: labelAt,
      heading: beside || named.down,
      cells: body.map(({ cells }) => cells[labelAt] ?? ''),
    },
    { key: 'across', index: -1, heading: named.across, cells: along.map(({ text }) => text) },
  ];
  const axes = fields.map(({ key, index, heading, cells }) => {
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
  // What stands beside the axes and is none of them is left out, and asked about.
  const beyond = axis.flatMap((text, index) =>
    index > labelAt && text !== '' && !along.some(({ column }) => column === index) ? [index] : [],
  );
  const others = beyond.map((index): PlannedColumn => {
    const cells = body.map((row) => row.cells[index] ?? '');
    return { ...plain(index, axis[index]!, cells, 'label'), means: null, asks: 'left-out' };
  });
  return [...axes, ...others];
}

/** Whether a column holds one and the same text in every row: the name of an axis, merged. */
function isSameDown(body: readonly PlannedRow[], at: number): boolean {
  const texts = new Set(body.map(({ cells }) => cells[at] ?? ''));
  return body.length > 1 && texts.size === 1;
}
