import {
  chartSheetSchema,
  findTables,
  joinTables,
  planTable,
  readPlanned,
  sheetAround,
  textGrid,
  twinOf,
  type ImportedParts,
} from '../../../testing/all';

const readOf = (text: string): ImportedParts => {
  const grid = textGrid(text);
  if (!grid.ok) throw new Error(JSON.stringify(grid.problem));
  const read = readPlanned(planTable(grid.value));
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  return read.value;
};
const JACKET = 'Size,Chest (cm)\nS,86-94\nM,94-102\n';
const TROUSERS =
  'Size,Hip (cm),Inside leg (cm)\nS Short,90-98,70-76\nS Long,90-98,76-82\nM Short,98-106,70-76\nM Long,98-106,76-82\n';

describe('joinTables', () => {
  it('makes one chart of several tables, each part called after its own', () => {
    const joined = joinTables([
      { name: 'Jacket', read: readOf(JACKET) },
      { name: 'Trousers', read: readOf(TROUSERS) },
    ]);
    expect(joined.parts.map(({ code, name }) => [code, name])).toEqual([
      ['jacket', 'Jacket'],
      ['trousers-size', 'Trousers size'],
      ['trousers-length', 'Trousers length'],
    ]);
    expect(joined.label).toBe('{jacket} {trousers-size} {trousers-length}');
    const sheet = {
      ...sheetAround(joined.parts[0]!, { maker: 'm', garment: 'Suit', rule: 'widest-decides' }),
      ...joined,
    };
    expect(chartSheetSchema.safeParse(sheet).success).toBeTrue();
  });

  it('leaves one table as it is, and tells two of one name apart', () => {
    const one = readOf(JACKET);
    expect(joinTables([{ name: 'Jacket', read: one }])).toEqual(one);
    const twice = joinTables([
      { name: 'Größe', read: one },
      { name: 'Größe', read: one },
      { name: '12', read: one },
    ]);
    expect(twice.parts.map(({ code }) => code)).toEqual(['grosse', 'grosse-2', 'table-3']);
  });

  it('follows what is offered and made together under their new names', () => {
    const bra = readOf(
      'Band,Underbust (cm),Bust A (cm),Bust B (cm)\n70,68-72,82-84,84-86\n75,73-77,87-89,89-91\n',
    );
    const made = readOf('Collar (cm) \\ Head (cm),54,56\n38,x,\n39,x,x\n');
    const joined = joinTables([
      { name: 'Bra', read: bra },
      { name: 'Set', read: made },
    ]);
    expect(joined.parts[1]!.offered!.by).toBe('bra-size');
    expect(joined.combinations[0]!.parts).toEqual(['set-neck', 'set-head']);
    expect(joined.label).toBe('{bra-cup} {set-neck} {set-head}');
  });
});

describe('twinOf', () => {
  const cm = (cells: readonly string[]) => readOf(`Size,Chest (cm)\nS,${cells[0]!}\nM,${cells[1]!}\n`);
  const inches = readOf('Size,Chest (in)\nS,34-36\nM,38-40\n');

  it('knows a table that says the same in another unit', () => {
    expect(twinOf(inches, cm(['86-91', '97-102']))).toEqual({ same: true });
    expect(twinOf(inches, cm(['86-91', '102-107']))).toEqual({ same: false, size: 'M', code: 'chest-girth' });
  });

  it('knows no twin where other things are measured, other sizes made, or the unit is the same', () => {
    expect(twinOf(inches, readOf('Size,Hip (cm)\nS,86-91\nM,97-102\n'))).toBeNull();
    expect(twinOf(inches, readOf('Size,Chest (cm)\nS,86-91\nL,97-102\n'))).toBeNull();
    expect(twinOf(inches, readOf('Size,Chest (in)\nS,34-36\nM,38-40\n'))).toBeNull();
  });
});

describe('findTables', () => {
  const namesOf = (text: string) => {
    const grid = textGrid(text);
    if (!grid.ok) throw new Error(JSON.stringify(grid.problem));
    return findTables({ name: 'File', grid: grid.value }).map(({ name }) => name);
  };
  it('calls each table after the line above it', () => {
    expect(namesOf(`Jacket,\n${JACKET}\nShirt,\n${JACKET.replace('S,', 'XS,')}`)).toEqual([
      'File: Jacket',
      'File: Shirt',
    ]);
  });
  it('leaves one table alone, whatever stands around it', () => {
    expect(namesOf(`Jacket,\n${JACKET}wash cold,\n`)).toEqual(['File']);
    expect(namesOf('nothing,here\n')).toEqual(['File']);
  });
});
