import { plainName } from '../../words/plain-name';
import { shownRows, type RowFilter } from './shown-rows';
import type { Sizing } from './sizing';

/** What of the table of a group is wanted: which rows, of which group, and whose name has these letters. */
export interface TableFilter extends RowFilter {
  /** Parts of a name, a role or a house's number, in any order. */
  readonly search: string;
  /** A group by its name; `null` for everybody. */
  readonly group: string | null;
  /** By name, or by the size of the garment at that place. */
  readonly sortBy: 'name' | number;
}

/** Everybody, by name. */
export const EVERYBODY: TableFilter = {
  ...{ search: '', group: null, sortBy: 'name' },
  ...{ garment: null, shows: 'all', between: null },
};

/** A sizing with who its wearers are: whoever was erased since is not among them. */
export interface SizedPeople {
  readonly sizing: Sizing;
  readonly wearers: readonly TableWearer[];
  readonly groups: readonly TableGroup[];
}

export interface TableWearer {
  readonly id: string;
  readonly name: string;
  readonly role: string | null;
  readonly number: string | null;
}

export interface TableGroup {
  readonly name: string;
  readonly wearerIds: readonly string[];
}

/** The table of a group: who stands in which row, and which rows are wanted. */
export interface GroupTable {
  /** Who stands in a row; `undefined` for whoever was erased. */
  wearerAt(row: number): TableWearer | undefined;
  /**
   * The rows that are wanted, in the order that is wanted.
   *
   * @param matching those whose sizes are wanted, where that is known already
   */
  rows(filter: TableFilter, matching?: readonly number[]): number[];
}

/**
 * The table of a group. Names are compared once, however often it is filtered.
 *
 * @example groupTable({ sizing: { habits: 1, wearerIds: ['b', 'a'], docketIds: ['', ''], rests: [3, 3], acts: [0, 0], garments: [] }, wearers: [{ id: 'a', name: 'Ada', role: null, number: null }, { id: 'b', name: 'Bo', role: null, number: null }], groups: [] }).rows(EVERYBODY) // [1, 0]
 */
export function groupTable({ sizing, wearers, groups }: SizedPeople): GroupTable {
  const byId = new Map(wearers.map((one) => [one.id, one]));
  const wearerAt = (row: number) => byId.get(sizing.wearerIds[row] ?? '');
  let order: readonly number[] | undefined;
  return {
    wearerAt,
    rows(filter, matching) {
      const { search, group, sortBy } = filter;
      const members =
        group === null ? null : new Set(groups.find(({ name }) => name === group)?.wearerIds ?? []);
      const words = plainName(search)
        .split(/\s+/u)
        .filter((word) => word !== '');
      const isWanted = (row: number): boolean => {
        const wearer = wearerAt(row);
        if (members !== null && !members.has(wearer?.id ?? '')) return false;
        if (words.length === 0) return true;
        const said = plainName(`${wearer?.name ?? ''} ${wearer?.role ?? ''} ${wearer?.number ?? ''}`);
        return words.every((word) => said.includes(word));
      };
      const places = (order ??= placesByName(sizing.wearerIds.map((_, row) => wearerAt(row)?.name ?? '')));
      const sizes = sortBy === 'name' ? undefined : sizing.garments[sortBy]?.sizes;
      // Whoever has no size comes last.
      const sizeOf = (row: number) => (sizes?.[row] ?? 0) >>> 0;
      return (matching ?? shownRows(sizing, filter))
        .filter(isWanted)
        .sort((one, other) => sizeOf(one) - sizeOf(other) || places[one]! - places[other]!);
    },
  };
}

/** By row, where its name stands among all. */
function placesByName(names: readonly string[]): number[] {
  const { compare } = new Intl.Collator();
  const sorted = names.map((_, row) => row).sort((one, other) => compare(names[one]!, names[other]!));
  const places = new Array<number>(names.length);
  sorted.forEach((row, at) => (places[row] = at));
  return places;
}
