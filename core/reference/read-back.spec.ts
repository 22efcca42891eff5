// The published tables, written out the ways tables come and read back as anybody's would be.
import { measurement, planTable, readPlanned, type ChartColumn, type MeasurementCode } from '../testing/all';
import { questionsOf } from '../testing/tables/understand';
import { SHAPES, type PlainTable } from '../testing/tables/shapes';
import { readImportedFile } from '../chart/imported/sources/read-imported';
import { MICROMETRES_PER } from '../quantity/length';
import { PUBLISHED_CHARTS } from '.';

/** The ends of a column as numbers in its unit. */
function numbersOf({ cells, unit }: ChartColumn): [number, number][] {
  return cells.map((cell) => {
    const ends = cell.kind === 'nominal' ? [cell.at, cell.at] : [cell.lower!.at, cell.upper!.at];
    return ends.map((at) => Number((at / MICROMETRES_PER[unit]).toFixed(3))) as [number, number];
  });
}

/** What a maker would head a column with; of a waist, which of the four. */
function headingOf(code: string): string {
  const name: Readonly<Record<string, string>> = {
    'waist-girth': 'Natural waist',
    'derived:longer-foot': 'Foot length',
    'derived:wider-foot': 'Foot width',
  };
  return name[code] ?? measurement(code as MeasurementCode).name;
}

const TABLES = PUBLISHED_CHARTS.flatMap(({ sheet }) =>
  sheet.parts
    .filter(({ columns }) => columns.every(({ code }) => !code.startsWith('derived:') || /-foot$/.test(code)))
    .map((part) => ({
      name: `${sheet.maker}: ${sheet.garment}, ${part.name}`,
      part,
      table: {
        size: 'Size',
        labels: part.sizes,
        columns: part.columns.map((column) => ({
          name: headingOf(column.code),
          unit: column.unit,
          cells: numbersOf(column),
        })),
      } satisfies PlainTable,
    })),
);

describe('a published table that is imported', () => {
  for (const { name, part, table } of TABLES)
    for (const { name: shape, write } of SHAPES)
      it(`comes back as it was: ${name}, as ${shape}`, async () => {
        const read = await readImportedFile(write(table));
        if (!read.ok) return fail(read.problem);
        expect(read.value.tables.length).toBe(1);
        const plan = planTable(read.value.tables[0]!.grid);
        expect(questionsOf(plan)).toEqual([]);
        const back = readPlanned(plan);
        if (!back.ok) return fail(back.problem);
        const [own] = back.value.parts;
        expect(own!.sizes).toEqual(part.sizes);
        expect(own!.columns.map(({ code, unit }) => [code, unit])).toEqual(
          part.columns.map(({ code, unit }) => [code, unit]),
        );
        expect(own!.columns.map(numbersOf)).toEqual(part.columns.map(numbersOf));
      });

  it('is one of all kinds', () => {
    expect(SHAPES.length).toBeGreaterThanOrEqual(8);
    expect(new Set(TABLES.map(({ name }) => name.split(',')[0])).size).toBeGreaterThanOrEqual(5);
  });
});

describe('a published bra table that is imported', () => {
  const { sheet } = PUBLISHED_CHARTS.find(({ sheet: one }) => one.kind === 'bra')!;
  const [bands, cups] = [sheet.parts[0]!, sheet.parts[1]!];
  const under = numbersOf(bands.columns[0]!);
  const difference = numbersOf(cups.columns[0]!);
  // The bust of a band and a cup: that of the band's own number and the difference.
  const bust = (band: number, cup: number): [number, number] => {
    const [from, to] = difference[cup]!;
    return [Number(bands.sizes[band]!) + from, Number(bands.sizes[band]!) + to];
  };
  const table: PlainTable = {
    size: 'Band',
    labels: bands.sizes,
    columns: [
      { name: 'Underbust', unit: 'cm', cells: under },
      ...cups.sizes.map((cup, at) => ({
        name: `Bust ${cup}`,
        unit: 'cm',
        cells: bands.sizes.map((_, band) => bust(band, at)),
      })),
    ],
  };
  for (const { name: shape, write } of SHAPES.filter(({ name }) => !/across/.test(name)))
    it(`comes back with every cup of every band, as ${shape}`, async () => {
      const read = await readImportedFile(write(table));
      if (!read.ok) return fail(read.problem);
      const plan = planTable(read.value.tables[0]!.grid);
      expect(questionsOf(plan)).toEqual([]);
      const back = readPlanned(plan);
      if (!back.ok) return fail(back.problem);
      const [first, second] = back.value.parts;
      expect(first!.sizes).toEqual(bands.sizes);
      expect(numbersOf(first!.columns[0]!)).toEqual(under);
      expect(second!.sizes.length).toBe(bands.sizes.length * cups.sizes.length);
      for (const [band, label] of bands.sizes.entries())
        for (const [cup, letter] of cups.sizes.entries()) {
          const at = second!.sizes.indexOf(`${label}${letter}`);
          expect(numbersOf(second!.columns[0]!)[at]).toEqual(bust(band, cup));
          expect(second!.offered!.sizes[label]).toContain(`${label}${letter}`);
        }
    });
});
