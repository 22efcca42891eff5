// Tables of one file that say the same in another unit.
import type { Cell } from '../../interval';
import type { ImportedParts } from './imported-parts';

/** How one table compares with another of the same sizes and measurements. */
export type Twin =
  | { readonly same: true }
  | { readonly same: false; readonly size: string; readonly code: string };

/** How far twins may be apart: what rounding to whole centimetres and half inches leaves. */
const APART = 13_000;

/**
 * Whether two tables are twins: the same sizes and measurements. Nothing where they are of different things.
 *
 * @example twinOf(jacket.sheet, jacket.sheet) // null
 */
export function twinOf(one: ImportedParts, other: ImportedParts): Twin | null {
  if (one.parts.length !== other.parts.length) return null;
  for (const [at, part] of one.parts.entries()) {
    const twin = other.parts[at]!;
    if (part.sizes.join('|') !== twin.sizes.join('|')) return null;
    if (
      part.columns
        .map(({ code }) => code)
        .sort()
        .join() !==
      twin.columns
        .map(({ code }) => code)
        .sort()
        .join()
    )
      return null;
  }
  // Of one unit they are two tables that only look alike.
  const unit = (parts: ImportedParts) => parts.parts[0]?.columns[0]?.unit;
  if (unit(one) === unit(other)) return null;
  for (const [at, part] of one.parts.entries())
    for (const column of part.columns) {
      const twin = other.parts[at]!.columns.find(({ code }) => code === column.code)!;
      const size = column.cells.findIndex((cell, index) => !isNear(cell, twin.cells[index]!));
      if (size >= 0) return { same: false, size: part.sizes[size]!, code: column.code };
    }
  return { same: true };
}

function isNear(one: Cell, other: Cell): boolean {
  const ends = (cell: Cell) =>
    cell.kind === 'nominal' ? [cell.at] : [cell.lower?.at ?? null, cell.upper?.at ?? null];
  const [here, there] = [ends(one), ends(other)];
  return (
    here.length === there.length &&
    here.every((at, end) => {
      const against = there[end] ?? null;
      return at === null || against === null ? at === against : Math.abs(at - against) <= APART;
    })
  );
}
