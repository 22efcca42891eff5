// Several tables that were imported together, as the parts of one chart.
import type { ChartSheet } from '../../chart-shape';
import { named } from '../../named';
import type { ImportedParts } from './imported-parts';

/** A table with what it is called, read. */
export interface NamedTable {
  readonly name: string;
  readonly read: ImportedParts;
}

/**
 * The parts of several tables as those of one chart: each is called after its table, and the label of the
 * garment is made of the labels of all of them, in their order.
 *
 * @example joinTables(['Coat', 'Skirt'].map((name) => ({ name, read: readPlanned(planTable(textGrid('Size,Chest (cm)\nM,94-102\nL,102-110').value)).value }))).label // '{coat} {skirt}'
 */
export function joinTables(tables: readonly NamedTable[]): ImportedParts {
  if (tables.length === 1) return tables[0]!.read;
  const taken = new Set<string>();
  const renamed = tables.map(({ name, read }, at) => withCodes(name, read, at, taken));
  const derivations = renamed.flatMap((one) => one.derivations);
  return {
    parts: renamed.flatMap(({ parts }) => parts),
    combinations: renamed.flatMap(({ combinations }) => combinations),
    label: renamed
      .map(({ label, parts }) => label ?? parts.map(({ code }) => `{${code}}`).join(' '))
      .join(' '),
    derivations: derivations.filter(
      ({ code }, at) => derivations.findIndex((one) => one.code === code) === at,
    ),
  };
}

function withCodes(name: string, read: ImportedParts, at: number, taken: Set<string>): ImportedParts {
  const own = codeOf(name) || `table-${at + 1}`;
  const codes: Record<string, string> = {};
  for (const { code } of read.parts) {
    const wanted = read.parts.length === 1 ? own : `${own}-${code}`.slice(0, 36);
    let free = wanted;
    for (let count = 2; taken.has(free); count++) free = `${wanted}-${count}`;
    taken.add(free);
    codes[code] = free;
  }
  const renamed = (code: string) => named(codes, code) ?? code;
  return {
    ...read,
    parts: read.parts.map((part): ChartSheet['parts'][number] => ({
      ...part,
      code: renamed(part.code),
      name: (read.parts.length === 1 ? name : `${name} ${part.name.toLowerCase()}`).slice(0, 80) || part.name,
      offered: part.offered && { ...part.offered, by: renamed(part.offered.by) },
    })),
    combinations: read.combinations.map((one) => ({
      ...one,
      parts: [renamed(one.parts[0]), renamed(one.parts[1])],
    })),
    label: read.label?.replace(/\{([^}]*)\}/g, (_, code: string) => `{${renamed(code)}}`) ?? null,
  };
}

function codeOf(name: string): string {
  return name
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 30);
}
