import { measurement } from '../../body/catalogue';
import {
  MICROMETRES_PER,
  WORKING_UNITS,
  micrometres,
  type Length,
  type WorkingUnit,
} from '../../quantity/length';
import { isDerivedCode } from '../column-code';
import { behindColumn } from '../arithmetic/derivation';
import { garmentKind } from '../../garment/kinds';
import type { Cell } from '../interval';
import type { ChartColumn, ChartPart, ChartSheet } from '../chart-shape';
import { columnName } from '../size-chart';
import { fallsBehind, isOneValue, isSame, isToldApart, saysNothing } from './cells';
import { rulesOf, type Found, type RuleCode } from './rule';

/** What a table's numbers say of themselves, column by column. */
export const COLUMN_RULES = rulesOf(
  [
    'upside-down',
    'not-growing',
    'same-as-before',
    'says-nothing',
    'other-unit-cell',
    'other-unit-column',
    'outside-any-body',
    'negative-ease',
    'stand-in-too-late',
    'moved-by-one',
    'step-jump',
    'whole-number-gap',
    'bare-gap',
    'gap',
    'overlap',
  ],
  (sheet) =>
    sheet.parts.flatMap((part, at) =>
      part.columns.flatMap((column) => examineColumn(sheet, part, at, column)),
    ),
);

interface Ends {
  readonly lower: Length | null;
  readonly upper: Length | null;
}

function endsOf(cell: Cell): Ends {
  if (cell.kind === 'nominal') return { lower: cell.at, upper: cell.at };
  return { lower: cell.lower?.at ?? null, upper: cell.upper?.at ?? null };
}

function examineColumn(sheet: ChartSheet, part: ChartPart, partAt: number, column: ChartColumn): Found[] {
  const found: Found[] = [];
  const columnAt = part.columns.indexOf(column);
  const say = (
    code: RuleCode,
    size: number | null,
    lengths: readonly Length[],
    mend: Found['mend'] = null,
    labels: readonly string[] = size === null ? [] : [part.sizes[size]!],
  ) =>
    found.push({
      code,
      place: { part: part.code, column: column.code, size },
      path: ['parts', partAt, 'columns', columnAt, ...(size === null ? [] : ['cells', size])],
      facts: { lengths, labels, unit: column.unit },
      mend,
    });
  const withCells = (cells: readonly Cell[], changes: Partial<ChartColumn> = {}): ChartSheet =>
    withColumn(sheet, partAt, column, { ...changes, cells: [...cells] });
  const replaced = (size: number, cell: Cell) => column.cells.map((one, at) => (at === size ? cell : one));

  const whole = wholeColumnUnit(column);
  if (whole !== null) {
    const cells = column.cells.map((cell) => inUnit(cell, column.unit, whole));
    say('other-unit-column', null, [], {
      reads: whole,
      sheet: withCells(cells, { unit: whole }),
    });
    return found;
  }
  const deciding = part.columns.filter(({ role }) => role === 'deciding').map(({ cells }) => cells);
  const mute = column.role === 'deciding' ? column.cells.findIndex(saysNothing) : -1;
  if (mute >= 0) say('says-nothing', mute, []);
  for (const code of column.standIns)
    if (behindColumn(sheet.derivations, code).parts.some((one) => !isBefore(sheet, one, partAt)))
      say('stand-in-too-late', null, [], null, [columnName(sheet, code, (one) => measurement(one).name)]);
  const ends = column.cells.map(endsOf);
  const odd = new Set<number>();
  column.cells.forEach((cell, size) => {
    const { lower, upper } = ends[size]!;
    if (lower !== null && upper !== null && lower > upper && cell.kind === 'interval') {
      odd.add(size);
      say('upside-down', size, [lower, upper], {
        reads: null,
        sheet: withCells(
          replaced(size, {
            kind: 'interval',
            lower: { ...cell.lower!, at: upper },
            upper: { ...cell.upper!, at: lower },
          }),
        ),
      });
      return;
    }
    const other = otherUnitCell(column, size);
    if (other !== null) {
      odd.add(size);
      say('other-unit-cell', size, [lower ?? upper!], {
        reads: other,
        sheet: withCells(replaced(size, inUnit(cell, column.unit, other))),
      });
      return;
    }
    if (isOutside(column, ends[size]!)) {
      odd.add(size);
      say('outside-any-body', size, [lower ?? upper!]);
    }
  });

  for (let size = 1; size < ends.length; size++) {
    if (odd.has(size) || odd.has(size - 1)) continue;
    const [before, here] = [ends[size - 1]!, ends[size]!];
    const labels = [part.sizes[size - 1]!, part.sizes[size]!];
    if (isSame(column.cells[size - 1]!, column.cells[size]!)) {
      const told = (isToldApart(deciding, size) && !isOneValue(column.cells)) || areOfferedApart(part, size);
      if (!saysNothing(column.cells[size]!) && !told)
        say('same-as-before', size, [here.lower ?? here.upper!], null, labels);
      continue;
    }
    if (fallsBehind(column.cells[size - 1]!, column.cells[size]!)) {
      say(
        'not-growing',
        size,
        [here.lower ?? here.upper!].filter((one) => one !== null),
        null,
        labels,
      );
      continue;
    }
    if (isOnGrid(sheet, column)) continue;
    examineBorder(column, size, before, here, (code, lengths, mend) => {
      const mended = mend === null ? null : { reads: null, sheet: withCells(replaced(size - 1, mend.cell)) };
      // A part that leans takes what two sizes hold, whatever the wearer likes.
      const lean = code === 'overlap' && part.lean !== null ? [part.lean] : [];
      say(code, size, lengths, mended, [...labels, ...lean]);
    });
  }
  const moved = movedByOne(ends, odd);
  if (moved !== null) say('moved-by-one', moved, [ends[moved]!.lower!]);
  else
    examineSteps(ends, odd, (size, lengths) =>
      say('step-jump', size, lengths, null, [part.sizes[size - 1]!, part.sizes[size]!]),
    );

  if (column.ease !== null && column.ease.least < 0 && garmentKind(sheet.kind).cutWider)
    say('negative-ease', null, [column.ease.least]);
  return found;
}

/** Whether a size is never offered together with the one before, so that nothing need tell them apart. */
function areOfferedApart({ offered, sizes }: ChartPart, size: number): boolean {
  if (offered === null) return false;
  const [before, here] = [sizes[size - 1]!, sizes[size]!];
  return !Object.values(offered.sizes).some((some) => some.includes(before) && some.includes(here));
}

/** Whether the chart rounds this measurement to whole units first, so that nobody falls between whole numbers. */
function isOnGrid({ expects }: ChartSheet, { code, unit }: ChartColumn): boolean {
  const rounding = expects.find((one) => one.code === code)?.rounding ?? null;
  return (
    rounding !== null && rounding.mode !== 'down-to-offered' && rounding.step % MICROMETRES_PER[unit] === 0
  );
}

/** What lies between two neighbouring intervals: nothing, a gap, or an overlap. */
function examineBorder(
  column: ChartColumn,
  size: number,
  before: Ends,
  here: Ends,
  say: (
    code: 'gap' | 'bare-gap' | 'whole-number-gap' | 'overlap',
    lengths: readonly Length[],
    mend: { readonly cell: Cell } | null,
  ) => void,
): void {
  const [cell, next] = [column.cells[size - 1]!, column.cells[size]!];
  if (cell.kind === 'nominal' || next.kind === 'nominal' || before.upper === null || here.lower === null)
    return;
  if (here.lower < before.upper) return say('overlap', [here.lower, before.upper], null);
  if (here.lower === before.upper) {
    // A value that neither side includes is a gap one micrometre wide.
    if (cell.upper!.edge === 'open' && next.lower!.edge === 'open')
      say('bare-gap', [before.upper, here.lower], null);
    return;
  }
  const unit = MICROMETRES_PER[column.unit];
  const wholeNumbers = [before.upper, here.lower].every((end) => end % unit === 0);
  // 86-89 and 90-93 are most likely whole numbers of a printer who forgot what lies between.
  if (wholeNumbers && here.lower - before.upper === unit && cell.upper!.edge === 'printed')
    return say('whole-number-gap', [before.upper, here.lower], {
      cell: { ...cell, upper: { at: here.lower, edge: 'printed' } },
    });
  say('gap', [before.upper, here.lower], null);
}

/** A step more than twice the usual one, or less than half of it, where all the others are alike. */
function examineSteps(
  ends: readonly Ends[],
  odd: ReadonlySet<number>,
  say: (size: number, lengths: readonly Length[]) => void,
): void {
  const steps = ends.flatMap(({ lower }, size) => {
    const before = ends[size - 1]?.lower ?? null;
    return size === 0 || lower === null || before === null || odd.has(size) || odd.has(size - 1)
      ? []
      : [{ size, step: lower - before }];
  });
  if (steps.length < 3) return;
  const sorted = steps.map(({ step }) => step).sort((a, b) => a - b);
  const usual = sorted[Math.floor(sorted.length / 2)]!;
  for (const { size, step } of steps)
    if (step > 0 && (step > 2 * usual || step * 2 < usual))
      say(size, [micrometres(step), micrometres(usual)]);
}

/** From where every cell carries the bound of its neighbour: a column typed one line off. */
function movedByOne(ends: readonly Ends[], odd: ReadonlySet<number>): number | null {
  for (let size = 1; size + 1 < ends.length; size++) {
    if (odd.has(size) || odd.has(size + 1)) continue;
    const [before, here, after] = [ends[size - 1]!, ends[size]!, ends[size + 1]!];
    // The upper end of a row is the lower end of the one after the next: it was typed in its neighbour's cell.
    if (
      here.upper !== null &&
      here.upper !== before.upper &&
      here.upper === after.upper &&
      here.lower !== after.lower
    )
      return size;
  }
  return null;
}

/** Whether a part stands before another, so that its size is known by then. */
function isBefore({ parts }: ChartSheet, code: string, at: number): boolean {
  return parts.slice(0, at).some((part) => part.code === code);
}

function withColumn(
  sheet: ChartSheet,
  partAt: number,
  column: ChartColumn,
  changes: Partial<ChartColumn>,
): ChartSheet {
  return {
    ...sheet,
    parts: sheet.parts.map((part, at) =>
      at === partAt
        ? {
            ...part,
            columns: part.columns.map((one) => (one.code === column.code ? { ...one, ...changes } : one)),
          }
        : part,
    ),
  };
}

/** The limits a bound of this column must respect; none for what is derived or for finished measures. */
function limitsOf({ code, ease }: ChartColumn): { readonly least: number; readonly most: number } | null {
  return isDerivedCode(code) || ease !== null ? null : measurement(code).limits;
}

/** Outside any body at its near end: charts may reach further out than bodies do, but not start there. */
function isOutside(column: ChartColumn, { lower, upper }: Ends): boolean {
  const limits = limitsOf(column);
  if (limits === null) return false;
  return (lower !== null && lower > limits.most) || (upper !== null && upper < limits.least);
}

/** A unit in which every cell of the column would be a body's, where in its own none is. */
function wholeColumnUnit(column: ChartColumn): WorkingUnit | null {
  const ends = column.cells.map(endsOf);
  if (limitsOf(column) === null || !ends.every((one) => isOutside(column, one))) return null;
  return (
    WORKING_UNITS.find(
      (unit) =>
        unit !== column.unit &&
        column.cells.every((cell) => !isOutside(column, endsOf(inUnit(cell, column.unit, unit)))),
    ) ?? null
  );
}

/** A unit in which one cell would fit between its neighbours, where in its own it is far from both. */
function otherUnitCell(column: ChartColumn, size: number): WorkingUnit | null {
  const here = endsOf(column.cells[size]!);
  const at = here.lower ?? here.upper;
  const neighbours = [column.cells[size - 1], column.cells[size + 1]]
    .filter((cell) => cell !== undefined)
    .map((cell) => endsOf(cell))
    .map(({ lower, upper }) => lower ?? upper)
    .filter((length) => length !== null);
  if (at === null || neighbours.length < 2) return null;
  const near = (length: number) => neighbours.some((other) => length > other / 1.35 && length < other * 1.35);
  // Its neighbours must agree with each other, or it may be they that are odd.
  if (near(at) || neighbours[0]! * 1.5 < neighbours[1]! || neighbours[1]! * 1.5 < neighbours[0]!) return null;
  return (
    WORKING_UNITS.find((unit) => {
      const meant = endsOf(inUnit(column.cells[size]!, column.unit, unit));
      return unit !== column.unit && near((meant.lower ?? meant.upper)!);
    }) ?? null
  );
}

/** The same numbers read in another unit. */
function inUnit(cell: Cell, from: WorkingUnit, to: WorkingUnit): Cell {
  const reread = (at: Length) => micrometres(Math.round((at / MICROMETRES_PER[from]) * MICROMETRES_PER[to]));
  if (cell.kind === 'nominal') return { ...cell, at: reread(cell.at) };
  return {
    kind: 'interval',
    lower: cell.lower && { ...cell.lower, at: reread(cell.lower.at) },
    upper: cell.upper && { ...cell.upper, at: reread(cell.upper.at) },
  };
}
