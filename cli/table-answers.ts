// What the command line says of a maker's table that cannot be read by itself: one flag an answer, as Charts has one
// button. A file of answers holds the same flags as JSON, so that the same table is read alike the next time.
import {
  isMeaning,
  NO_ANSWERS,
  sayOfColumn,
  WRITTEN_UNITS,
  type ColumnAnswer,
  type Grid,
  planTable,
  type TableAnswers,
  type TableContext,
  type TablePlan,
  type WrittenUnit,
} from '@neat-measure/core/imported';
import { failure, success, type Outcome } from '@neat-measure/core';
import * as z from 'zod';

const several = z.array(z.string()).default([]);

/** The flags that answer, as a file of answers holds them too. */
export const tableFlagsSchema = z.strictObject({
  /** Which table of the file, counted from 1. */
  table: z.coerce.number().int().min(1).optional(),
  /** Whether the sizes run across. */
  across: z.enum(['yes', 'no']).optional(),
  /** `Chest=chest-girth`; with nothing behind the sign the column is left out. */
  means: several,
  /** `in` for every column that names none, or `Chest=in`. */
  unit: several,
  /** `Chest`: what is asked of the column is so as it stands. */
  so: several,
  /** `Chest=8-14`: the garment is so much larger than the body. */
  ease: several,
  /** `Chest=2`: the column is half the way round; `Chest=1`: it is the body's as it stands. */
  times: several,
  /** `Chest`: each of its open ends reaches to that of the size beside it. */
  'to-next': several,
  /** `Chest ±2 cm`: each of its numbers goes as far to either side as its heading says. */
  'either-side': several,
  /** A line that is no part of the table, by its number; `rest` for all that are asked about. */
  'leave-out': several,
  /** A line that is a size after all. */
  'size-line': several,
  /** The one class of lengths that is taken. */
  'only-class': z.string().optional(),
});
export type TableFlags = z.infer<typeof tableFlagsSchema>;

/** Flags that are given once, and such as may be given again and again. */
export const ONCE = ['table', 'across', 'only-class'] as const;
export const AGAIN = [
  'means',
  'unit',
  'so',
  'ease',
  'times',
  'to-next',
  'either-side',
  'leave-out',
  'size-line',
] as const;

/** Two sets of flags as one; what is given on the command line goes before what a file says. */
export function together(file: TableFlags, line: TableFlags): TableFlags {
  const lists = AGAIN.map((name) => [name, [...file[name], ...line[name]]] as const);
  const single = ONCE.flatMap((name) => {
    const value = line[name] ?? file[name];
    return value === undefined ? [] : [[name, value] as const];
  });
  return tableFlagsSchema.parse(Object.fromEntries([...lists, ...single]));
}

/**
 * Plans a table by what the flags say of it.
 *
 * @returns the plan; or a sentence for each flag that fits nothing in the table
 */
export function planByFlags(
  grid: Grid,
  flags: TableFlags,
  context: TableContext,
): Outcome<TablePlan, readonly string[]> {
  const faults: string[] = [];
  let answers: TableAnswers = {
    ...NO_ANSWERS,
    ...(flags.across === undefined ? {} : { across: flags.across === 'yes' }),
    ...(flags['only-class'] === undefined ? {} : { onlyClass: flags['only-class'] }),
    ...(flags['leave-out'].includes('rest') ? { leftOutRightly: true } : {}),
    rows: Object.fromEntries([
      ...flags['leave-out'].filter((line) => line !== 'rest').map((line) => [line, 'left-out'] as const),
      ...flags['size-line'].map((line) => [line, 'size'] as const),
    ]),
  };
  const say = (flag: string, text: string, said: (value: string) => ColumnAnswer | null) => {
    const at = text.indexOf('=');
    const [heading, value] = at < 0 ? [text, ''] : [text.slice(0, at), text.slice(at + 1)];
    const columns = columnsCalled(planTable(grid, answers, context), heading);
    const answer = said(value.trim());
    if (answer === null) faults.push(`--${flag} '${text}': “${value}” is not an answer to this flag.`);
    else if (columns.length === 0)
      faults.push(
        `--${flag} '${text}': no column has the heading “${heading}”. Write it exactly as in the table.`,
      );
    else for (const { key } of columns) answers = sayOfColumn(answers, key, answer);
  };
  for (const one of flags.means)
    say('means', one, (value) =>
      value === ''
        ? { means: null }
        : value === 'size' || value === 'label' || value === 'class' || isMeaning(value)
          ? { means: value }
          : null,
    );
  for (const one of flags.ease) say('ease', one, (ease) => ({ ease }));
  for (const one of flags.times)
    say('times', one, (value) => (value === '1' || value === '2' ? { times: value === '2' ? 2 : 1 } : null));
  for (const one of flags['to-next']) say('to-next', one, () => ({ toNext: true }));
  for (const one of flags['either-side']) say('either-side', one, () => ({ spreads: true }));
  for (const one of flags.so) say('so', one, () => ({ so: true }));
  for (const one of flags.unit.filter((text) => text.includes('=')))
    say('unit', one, (value) => (isWrittenUnit(value) ? { unit: value } : null));
  // One for all goes to those that are still asked about, and to no other.
  for (const unit of flags.unit.filter((text) => !text.includes('=')))
    if (!isWrittenUnit(unit)) faults.push(`--unit takes ${WRITTEN_UNITS.join(', ')}, or 'Heading=unit'.`);
    else
      for (const { key, asks } of planTable(grid, answers, context).columns)
        if (asks === 'which-unit' || asks === 'impossible-unit')
          answers = sayOfColumn(answers, key, { unit });
  return faults.length > 0 ? failure(faults) : success(planTable(grid, answers, context));
}

function columnsCalled({ columns }: TablePlan, heading: string) {
  const plain = (text: string) => text.trim().toLowerCase().replace(/\s+/g, ' ');
  return columns.filter((one) => plain(one.heading) === plain(heading) || one.key === heading.trim());
}

function isWrittenUnit(text: string): text is WrittenUnit {
  return (WRITTEN_UNITS as readonly string[]).includes(text);
}

/** What a table asks, a sentence each, with the flag that answers it. */
export function sayAsked(plan: TablePlan): string[] {
  const rest = plan.leftOutRightly ? [] : plan.leftOut;
  return [
    ...plan.columns.flatMap((column) => {
      if (column.asks === null) return [];
      const called = column.heading === '' ? column.key : column.heading;
      return [
        `${called}: ${ASKED[column.asks](called, column.candidates[0] ?? 'chest-girth', column.proposes)}`,
      ];
    }),
    ...rest.map(({ line, text }) => `line ${line}, ${text}: --leave-out ${line}, or --size-line ${line}`),
    ...plan.notGiven.map(
      ({ line, label, headings }) =>
        `line ${line}, size ${label} gives no ${headings.join(', ')}: --leave-out ${line}`,
    ),
  ];
}

const leaveOut = (called: string) => `--means '${called}=' leaves it out`;
/** By what is asked of a column, what to say: its heading, what it may mean, and which unit it would be in. */
const ASKED: Readonly<
  Record<
    NonNullable<TablePlan['columns'][number]['asks']>,
    (called: string, may: string, unit: WrittenUnit | null) => string
  >
> = {
  'which-measurement': (called, may) =>
    `what does it measure? --means '${called}=${may}'; ${leaveOut(called)}`,
  'which-unit': (called, _may, unit) =>
    `in which unit? --unit ${unit ?? 'in'}, or --unit '${called}=${unit ?? 'in'}'`,
  'impossible-unit': (called, _may, unit) =>
    `no body has these measurements in its unit. --unit '${called}=${unit ?? 'in'}', or --so '${called}'`,
  'lone-end': (called) =>
    `it gives only one end of each size. --so '${called}' reads it as the middle of a size; ${leaveOut(called)}`,
  'one-sided': (called) =>
    `every size is open on the same side. --to-next '${called}' ends each size at the next; --so '${called}' leaves it so`,
  'either-side': (called) =>
    `its heading says how far each number reaches. --either-side '${called}' makes every size that wide; --so '${called}' takes the numbers alone`,
  'left-out': (called, may) =>
    `it holds numbers that are not read. --means '${called}=${may}'; ${leaveOut(called)}`,
  'twins-differ': (called) =>
    `it repeats another column in another unit, and the two disagree. ${leaveOut(called)}`,
  mass: (called) => `a weight does not decide a size. ${leaveOut(called)}`,
  alike: (called) => `it is the same in every size, so it decides nothing. ${leaveOut(called)}`,
  flat: (called) =>
    `half a girth, or laid flat. --times '${called}=2' doubles it; --times '${called}=1' reads it as it is`,
  garment: (called) =>
    `a measure of the garment. --ease '${called}=8-14' says how much larger it is than the body; --times '${called}=1' reads it as a measure of the body`,
};
