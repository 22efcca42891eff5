import { understoodSizes, numberOf, type CorpusColumn, type CorpusGarment } from '../garments';
import type { CorpusCase, UnderstoodTable } from '../corpus-case';

/** A case with the bytes of its file. */
export interface MadeCase extends CorpusCase {
  readonly bytes: Uint8Array;
}

type File = readonly [ending: string, content: string | Uint8Array];

/** A file of one table. */
export function one(
  name: string,
  what: string,
  [ending, content]: File,
  table: UnderstoodTable,
  more: Partial<CorpusCase> = {},
): MadeCase {
  return several(name, what, [ending, content], [table], more);
}

/** A file of several tables; those that are not part of the chart are nothing. */
export function several(
  name: string,
  what: string,
  [ending, content]: File,
  tables: readonly (UnderstoodTable | null)[],
  more: Partial<CorpusCase> = {},
): MadeCase {
  const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
  return { file: `${name}.${ending}`, what, tables, bytes, ...more };
}

/** What a person understands of a garment's table as it stands, asked nothing. */
export function plainly(garment: CorpusGarment, more: Partial<UnderstoodTable> = {}): UnderstoodTable {
  return { asks: [], parts: [{ sizes: understoodSizes(garment) }], ...more };
}

/** How a table is written. */
export interface Style {
  readonly language?: 'en' | 'de' | 'fr' | 'es';
  readonly size?: string;
  readonly heading?: (name: string, unit: string) => string;
  readonly cell?: (from: string | null, to: string | null, unit: string) => string;
  readonly number?: (value: number, unit: string) => string;
}

/** The rows of a garment's table: the heading, then one a size. */
export function rowsOf({ sizes, columns }: CorpusGarment, style: Style = {}): string[][] {
  const { language = 'en', size = 'Size', heading = bracket, cell = range('-'), number = numberOf } = style;
  const written = (value: number | null, unit: string) => (value === null ? null : number(value, unit));
  return [
    [size, ...columns.map(({ name, unit }) => heading(name[language], unit))],
    ...sizes.map((label, at) => [
      label,
      ...columns.map(({ cells, unit }: CorpusColumn) => {
        const [from, to] = cells[at]!;
        return from === to ? number(from!, unit) : cell(written(from, unit), written(to, unit), unit);
      }),
    ]),
  ];
}

/** `Chest (cm)` */
export const bracket = (name: string, unit: string) => `${name} (${unit})`;
/** `Chest` */
export const bare = (name: string) => name;

/** Both ends with something between, and signs for the only one. */
export function range(between: string, below = '<=', above = '>=') {
  return (from: string | null, to: string | null) =>
    from === null ? `${below}${to!}` : to === null ? `${above}${from}` : `${from}${between}${to}`;
}
