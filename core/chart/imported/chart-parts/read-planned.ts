import { failure, success, type Outcome } from '../../../outcome';
import { WORKING_UNITS } from '../../../quantity/length';
import type { ChartPart } from '../../chart-shape';
import type { Finding } from '../../finding';
import type { PlannedColumn } from '../plan/planned-column';
import type { PlannedRow } from '../layout/outline';
import type { TablePlan } from '../plan/table-plan';
import { behindMeaning, derivationOf, type Meaning } from '../words/meaning';
import { isMeasurement, labelIn, type ImportedParts } from './imported-parts';
import { readMatrix } from './matrix';
import { labelColumns, otherNamesOf } from './other-names';
import { falls, readPiece, toNext, takenCell, type Placed, type TakenColumn } from './pieces';
import { entriesOf, readTwoWay } from './two-way';

/**
 * Reads a table as its plan says: all of it, or every fault with its place.
 *
 * @example readPlanned(planTable(textGrid('Size,Chest (cm)\nM,94-102\nL,102-110').value)).value.parts[0].sizes // ['M', 'L']
 */
export function readPlanned(plan: TablePlan): Outcome<ImportedParts, readonly Finding[]> {
  const asked = plan.columns.find((one) => isMeasurement(one) && one.unit === null);
  if (asked !== undefined)
    return failure([
      {
        code: 'unit-missing',
        units: WORKING_UNITS,
        name: behindMeaning(asked.means as Meaning),
        place: { line: 1, column: asked.index + 1, heading: asked.heading },
      },
    ]);
  const read = readAs(plan);
  if (!read.ok) return read;
  const derivations = plan.columns.flatMap((one) =>
    isMeasurement(one) ? (derivationOf(one.means as Meaning) ?? []) : [],
  );
  return success({ ...read.value, derivations });
}

/** The parts of a table by what its cells are, before what they derive is known. */
function readAs(plan: TablePlan): Outcome<Omit<ImportedParts, 'derivations'>, readonly Finding[]> {
  if (plan.inside !== 'measures') return readMatrix(plan);
  if (plan.rows.every(({ role }) => role !== 'size')) return failure([{ code: 'no-sizes' }]);
  const size = plan.columns.find(({ means }) => means === 'size');
  if (size === undefined)
    return failure([
      { code: 'no-size-column', place: { line: 1, column: 1 }, found: plan.columns[0]?.heading ?? '' },
    ]);
  const taken = plan.columns.filter((one): one is TakenColumn => isMeasurement(one));
  const rows = plan.rows.filter(({ role }) => role === 'size');
  const entries = entriesOf(rows, plan, size, taken);
  if (entries !== null) return readTwoWay(entries, plan);
  const part = readList(rows, size, taken, plan);
  return part.ok ? success({ parts: [part.value], label: null, combinations: [] }) : part;
}

/** A list of sizes, one a line, as one part; one that begins with the largest is turned round. */
function readList(
  rows: readonly PlannedRow[],
  size: PlannedColumn,
  taken: readonly TakenColumn[],
  plan: TablePlan,
): Outcome<ChartPart, readonly Finding[]> {
  const placed = rows.map(({ line, cells }): Placed[] => [
    { text: labelIn(cells[size.index] ?? ''), line, column: size.index },
    ...taken.map((column) => ({ text: takenCell(cells, column), line, column: column.index })),
  ]);
  const down = falls(placed, taken);
  const whole = toNext(down ? [...placed].reverse() : placed, taken);
  const read = readPiece({ columns: taken, rows: whole }, 'size', 'Size');
  if (!read.ok) return read;
  const ordered = down ? [...rows].reverse() : rows;
  const otherNames = otherNamesOf(
    labelColumns(plan.columns),
    read.value.sizes.map((label, at) => ({ size: label, rows: [ordered[at]!] })),
  );
  return otherNames.ok ? success({ ...read.value, otherNames: otherNames.value }) : otherNames;
}
