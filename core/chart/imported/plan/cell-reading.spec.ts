import {
  cellReader,
  NO_ANSWERS,
  planTable,
  textGrid,
  withTyped,
  type TableAnswers,
} from '../../../testing/all';

const gridOf = (text: string) => {
  const grid = textGrid(text);
  if (!grid.ok) throw new Error(JSON.stringify(grid.problem));
  return grid.value;
};
const readerOf = (text: string, answers: Partial<TableAnswers> = {}, unit: 'cm' | 'in' = 'cm') => {
  const said = { ...NO_ANSWERS, ...answers };
  const grid = gridOf(text);
  return cellReader(withTyped(grid, said.cells), planTable(grid, said), unit);
};
const rolesOf = (text: string, answers?: Partial<TableAnswers>) => {
  const read = readerOf(text, answers);
  return gridOf(text).rows.map(({ cells }, row) => cells.map((_, column) => read(row, column).role));
};

describe('cellReader', () => {
  it('says of a measure its unit, whence, and what it comes to', () => {
    const read = readerOf('All measurements in inches,\nSize,Chest\nS,34–36\nM,38–40*\n');
    expect(read(2, 1).says).toBe(
      '“34–36”: Chest, in inches from a line around the table; 34 in to 36 in, 86.4 cm to 91.4 cm.',
    );
    expect(read(3, 1).says).toContain('“*” is dropped');
    expect(read(2, 0).says).toBe('“S” is the size S.');
  });

  it('names every cell, whichever way the table stands', () => {
    expect(
      rolesOf(
        'Jacket,,\nSize,Chest (cm),Colour\nShort,,\nS,86-94,blue\nM,94-102,red\nnote,,\nRing us,room 2,\n',
      ),
    ).toEqual([
      ['title', 'empty', 'empty'],
      ['heading', 'heading', 'heading'],
      ['section', 'empty', 'empty'],
      ['size', 'measure', 'left-out'],
      ['size', 'measure', 'left-out'],
      ['note', 'empty', 'empty'],
      ['left-out', 'left-out', 'empty'],
    ]);
    expect(rolesOf('Jacket,,\n,S,M\nChest (cm),86-94,94-102\nHip (cm),90-98,98-106\n')).toEqual([
      ['note', 'empty', 'empty'],
      ['empty', 'size', 'size'],
      ['heading', 'measure', 'measure'],
      ['heading', 'measure', 'measure'],
    ]);
  });

  it('names the cells of a matrix, and the halves of a cell that holds two units', () => {
    expect(rolesOf('Collar (in) \\ Sleeve (in),32,33\n15,x,\n16,x,x\n')).toEqual([
      ['heading', 'heading', 'heading'],
      ['size', 'mark', 'empty'],
      ['size', 'mark', 'mark'],
    ]);
    const read = readerOf('Size,Chest (in/cm)\nS,34-36 (86-91)\nM,38-40 (97-102)\n');
    expect(read(1, 1).keys).toEqual(['1a', '1b']);
    expect(read(1, 1).says).toContain('in inches from the heading');
  });

  it('shows what is asked, and what was typed instead', () => {
    const text = 'Size,Waist (cm)\nS,70-78\nM,tbc\n';
    expect(readerOf(text)(1, 1).asked).toBeTrue();
    expect(readerOf(text)(1, 1).says).toContain('until you say what the column means');
    const said = { columns: { 1: { means: 'waist-girth' } }, cells: { '3:2': '78-86' } } as const;
    expect(readerOf(text, said)(2, 1).says).toContain('“78-86”: Natural waist, in centimetres');
    expect(readerOf(text, { columns: { 1: { means: 'waist-girth', unit: 'in' } } })(1, 1).says).toContain(
      'inches as you said',
    );
  });

  it('says that a spreadsheet had made a date of it', () => {
    expect(readerOf('Size,Foot width (cm)\nA,06-Aug\nB,08-Oct\n')(1, 1).says).toContain(
      'A spreadsheet had turned this into a date: 6-8.',
    );
  });

  it('says of a line of upper ends that it is taken with the one above, and of that one both ends', () => {
    const text = 'Size,,Chest (cm)\nS,min,86\n,max,94\nM,min,94\n,max,102\n';
    expect(rolesOf(text).map((row) => row[2])).toEqual([
      'heading',
      'measure',
      'with-above',
      'measure',
      'with-above',
    ]);
    const read = readerOf(text);
    expect(read(1, 2).says).toContain('“86”: Chest, in centimetres from the heading; 86 cm to 94 cm');
    expect(read(1, 1).says).toBe('“min” is a heading.');
    expect(read(2, 2).says).toBe('“94” is taken together with the line above.');
  });

  it('says how far a number goes where its heading does, once somebody has said that it counts', () => {
    const text = 'Size,Chest ±2 cm\nS,90\nM,96\n';
    expect(readerOf(text, { columns: { 1: { spreads: true } } })(1, 1).says).toContain(
      'in centimetres from the heading, 2 to either side; 88 cm to 92 cm',
    );
    expect(readerOf(text)(1, 1).asked).toBeTrue();
  });
});
