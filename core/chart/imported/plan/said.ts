// What somebody says of columns, put over what was guessed.
import { KEPT_IN } from '../words/unit-evidence';
import type { ColumnAnswer, TableAnswers } from './answers';
import { withMeaning, type PlannedColumn } from './planned-column';

/** A column as somebody says it is. */
export function withAnswer(column: PlannedColumn, said: ColumnAnswer): PlannedColumn {
  const unit = said.unit ?? column.named;
  const changed: PlannedColumn = {
    ...column,
    recalled: false,
    named: unit,
    namedBy: said.unit === undefined ? column.namedBy : 'said',
    unit: unit === null ? null : KEPT_IN[unit],
    toNext: said.toNext ?? column.toNext,
    spreads: said.spreads ?? column.spreads,
    times: said.times ?? column.times,
    ease: said.ease === undefined || said.ease === '' ? column.ease : said.ease,
    of:
      said.ease === '' || (said.times === 1 && said.ease === undefined)
        ? 'body'
        : said.times === 2 && said.ease === undefined
          ? 'body'
          : column.of,
  };
  const settled = (one: PlannedColumn): PlannedColumn => (said.so === true ? { ...one, asks: null } : one);
  if (said.means === 'size' || said.means === 'class') return { ...changed, means: said.means, asks: null };
  if (said.means === 'label')
    return { ...changed, means: 'label', system: column.system ?? (column.heading || 'Other'), asks: null };
  if (said.means === null) return { ...changed, means: null, asks: null };
  if (said.means !== undefined) return settled(withMeaning(changed, said.means));
  const { means } = column;
  if (means === null || means === 'size' || means === 'label' || means === 'class') return settled(changed);
  return settled(withMeaning(changed, means));
}

/** There is one column of sizes; what was it is a label of something else, and asked about. */
export function withOneSize(columns: readonly PlannedColumn[], answers: TableAnswers): PlannedColumn[] {
  const said = columns.find(({ key }) => answers.columns[key]?.means === 'size');
  if (said === undefined) return [...columns];
  return columns.map((one) =>
    one.means === 'size' && one !== said && answers.columns[one.key] === undefined
      ? { ...one, means: null, asks: 'left-out' }
      : one,
  );
}
