import { readImportedFile } from './sources/read-imported';
import { BESIDE_SIZES } from '../../testing/tables/published/beside-sizes';
import { ENDS_OF_SIZES } from '../../testing/tables/published/ends-of-sizes';
import { LISTS_OF_SIZES } from '../../testing/tables/published/lists-of-sizes';
import { OF_ALL_KINDS } from '../../testing/tables/published/of-all-kinds';
import { PLACES_AND_GARMENTS } from '../../testing/tables/published/places-and-garments';
import { SAID_BESIDE } from '../../testing/tables/published/said-beside';
import { SIGNS_AND_LINES } from '../../testing/tables/published/signs-and-lines';
import { understand } from '../../testing/tables/understand';
import type { ImportedTable } from './sources/imported';

/** What is understood of a table, as the lists of published tables have it. */
function linesOf(table: ImportedTable): string[] {
  const told = understand(table);
  if (typeof told === 'string') {
    const asked = /^still asks: .*; at first: (.*)$/.exec(told);
    return [asked === null ? `refused: ${told.split(/(?<=\.) /)[0]!}` : `asks ${asked[1]!}`];
  }
  return [
    ...(told.asks.length === 0 ? [] : [`asks ${told.asks.join(', ')}`]),
    ...told.parts.flatMap(({ sizes, other = {} }) => [
      ...sizes,
      ...Object.entries(other).map(([system, labels]) => `${system}: ${labels.join(' ')}`),
    ]),
  ];
}

describe('a table as its maker publishes it', () => {
  for (const { what, text, understood } of [
    ...PLACES_AND_GARMENTS,
    ...SIGNS_AND_LINES,
    ...BESIDE_SIZES,
    ...OF_ALL_KINDS,
    ...SAID_BESIDE,
    ...ENDS_OF_SIZES,
    ...LISTS_OF_SIZES,
  ])
    it(`is never wrong without a word: ${what}`, async () => {
      const read = await readImportedFile(new TextEncoder().encode(`${text}\n`));
      expect(read.ok && read.value.tables.map(linesOf)).toEqual(understood as string[][]);
    });
});
