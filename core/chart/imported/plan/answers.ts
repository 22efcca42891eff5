import type { WrittenUnit } from '../words/unit-evidence';
import type { ColumnMeaning } from './planned-column';

/** What somebody said of one column. */
export interface ColumnAnswer {
  /** Nothing said, or left out. */
  readonly means?: ColumnMeaning | null;
  readonly unit?: WrittenUnit;
  readonly times?: 1 | 2;
  /** By how much the garment is larger, `8-14`; empty for a measure of the body after all. */
  readonly ease?: string;
  /** Each of its numbers goes as far to either side as its heading says. */
  readonly spreads?: boolean;
  /** Each of its open ends reaches to that of the size beside it. */
  readonly toNext?: boolean;
  /** What was asked of it is so as it stands. */
  readonly so?: boolean;
}

/** What somebody said of a table: everything else is guessed. */
export interface TableAnswers {
  /** Whether the sizes stand across. */
  readonly across?: boolean;
  readonly columns: Readonly<Record<string, ColumnAnswer>>;
  /** What a line is, by its number. */
  readonly rows: Readonly<Record<number, 'size' | 'left-out'>>;
  /** What a cell holds instead, by line and column of what was imported: `4:2`. */
  readonly cells: Readonly<Record<string, string>>;
  /** The lines that are left out are left out rightly. */
  readonly leftOutRightly?: boolean;
  /** Only this class of lengths is taken. */
  readonly onlyClass?: string;
}

/** Nothing said yet. */
export const NO_ANSWERS: TableAnswers = { columns: {}, rows: {}, cells: {} };

/**
 * Answers with more said of a column.
 *
 * @example sayOfColumn(NO_ANSWERS, '1', { unit: 'in' }).columns // { 1: { unit: 'in' } }
 */
export function sayOfColumn(answers: TableAnswers, key: string, said: ColumnAnswer): TableAnswers {
  return { ...answers, columns: { ...answers.columns, [key]: { ...answers.columns[key], ...said } } };
}
