import {
  exportCsv,
  importCsv,
  isAsked,
  planTable,
  readPlanned,
  sayFinding,
  sheetAround,
  tableRows,
  turned,
  NO_ANSWERS,
  textGrid,
  withMeaning,
  writeCell,
  type ChartPart,
  type MeasurementCode,
  type TableAnswers,
  type WorkingUnit,
} from '../../../testing/all';
import { sheetOf } from '../../../testing/charts';
import { wholeSheet } from '../../../testing/whole-sheet';

const gridOf = (text: string) => {
  const grid = textGrid(text);
  if (!grid.ok) throw new Error(JSON.stringify(grid.problem));
  return grid.value;
};
const planOf = (text: string, answers?: TableAnswers) => planTable(gridOf(text), answers);
const read = (text: string, answers?: TableAnswers) => readPlanned(planOf(text, answers));
/** The cells of a part as text, a row a size. */
const written = (part: ChartPart) =>
  part.sizes.map((size, at) =>
    [size, ...part.columns.map(({ cells, unit }) => writeCell(cells[at]!, unit))].join(' | '),
  );
const writtenOf = (text: string, answers?: TableAnswers) => {
  const outcome = read(text, answers);
  return outcome.ok ? written(outcome.value.parts[0]!) : outcome.problem.map(sayFinding);
};
describe('planTable, of a costume with torso lengths', () => {
  const rows = (...headings: string[]) =>
    [['Size', ...headings], ...['S', 'M'].map((size, at) => [size, ...headings.map(() => String(30 + at))])]
      .map((row) => row.join(','))
      .join('\n');
  const asked = (...headings: string[]) =>
    planOf(rows(...headings)).columns.flatMap((one) =>
      one.asks === 'which-measurement' ? [[one.heading, ...one.candidates]] : [],
    );

  it('asks which hip and which inside leg are meant beside two torso lengths or more', () => {
    const torso = ['Nape to waist (in)', 'Nape to hip (in)', 'Nape to inseam (in)'];
    expect(asked(...torso, 'Hip (in)', 'Inseam (in)')).toEqual([
      ['Hip (in)', 'high-hip-girth', 'hip-girth'],
      ['Inseam (in)', 'inside-leg-to-ankle-top', 'inside-leg-length'],
    ]);
    expect(asked('Nape to waist (in)', 'Hip (in)', 'Inseam (in)')).toEqual([]);
  });
});

describe('planTable, of columns that say nothing', () => {
  it('asks whether a column of numbers without a heading is left out rightly', () => {
    const [, bare] = planOf('Size,,Chest (cm)\nS,1,86-90\nM,2,90-94').columns;
    expect([bare!.unit, bare!.candidates, bare!.asks]).toEqual([null, [], 'left-out']);
  });
  it('asks nothing of a column without a number', () => {
    const [, colour] = planOf('Size,Chest colour,Chest (cm)\nS,red,86-90\nM,blue,90-94').columns;
    expect(colour!.asks).toBeNull();
  });
  it('drops empty lines and keeps the numbers of the others', () => {
    expect(gridOf('Size,Chest (cm)\n,\nS,86-90\n').rows.map(({ line }) => line)).toEqual([1, 3]);
  });
});

/** Says which measurement a column means. */
const meaning = (column: number, means: MeasurementCode, unit?: WorkingUnit): TableAnswers => ({
  ...NO_ANSWERS,
  columns: { [column]: { means, ...(unit === undefined ? {} : { unit }) } },
});

describe('planTable', () => {
  it('reads a block copied from a spreadsheet, tabs and all', () => {
    expect(
      writtenOf('Size\tChest (cm)\tHeight (cm)\nS\t86–94\t164 - 172\nM\t94 to 102\t172 to 180\n'),
    ).toEqual(['S | 86-94 | 164-172', 'M | 94-102 | 172-180']);
  });

  it('finds what parts the columns beneath a title that has none of it', () => {
    const table = 'Size;Chest (cm)\nS;86,5-94\nM;94-102,5\n';
    expect(writtenOf(`Harbour parka\n${table}`)).toEqual(['S | 86.5-94', 'M | 94-102.5']);
    expect(writtenOf(`Harbour parka, all weathers\n${table.replace(/;/g, '\t')}`)).toEqual([
      'S | 86.5-94',
      'M | 94-102.5',
    ]);
    expect(writtenOf('Size,Chest (cm)\nS,86-94\nM,94-102\n"Dry flat; no iron"\n')).toEqual([
      'S | 86-94',
      'M | 94-102',
    ]);
  });

  it('asks which waist is meant, and reads the column once it is said', () => {
    const text = 'Size,Chest (in),Waist (in)\nS,34-37,28-31\nM,38-41,32-35\n';
    const waist = planOf(text).columns[2]!;
    expect([waist.means, waist.asks, waist.candidates.length]).toEqual([null, 'which-measurement', 4]);
    expect(writtenOf(text, meaning(2, 'trouser-waist-girth'))).toEqual([
      'S | 34-37 | 28-31',
      'M | 38-41 | 32-35',
    ]);
  });

  it('takes two rows of heading, marks of inches and fractions', () => {
    const text = '"",Chest,Neck\nSize,inches,inches\nS,"34"" - 36""",14 1/2-15\nM,"38½"" – 40 in",15-15½\n';
    expect(writtenOf(text)).toEqual(['S | 34-36 | 14 1/2-15', 'M | 38 1/2-40 | 15-15 1/2']);
  });

  it('takes inches and centimetres side by side once, that whose unit is plain', () => {
    const { columns } = planOf('Size,Chest in,Chest cm\nS,34-36,86-91\nM,38-40,97-102\n');
    expect(columns.map(({ means, unit }) => [means, unit])).toEqual([
      ['size', null],
      [null, null],
      ['chest-girth', 'cm'],
    ]);
  });

  it('takes the word before a size away, and no letters of one that begins like it', () => {
    const text =
      'Size,Chest (cm),Hip (cm)\nSize M,94-102,94-102\nsize  L,102-110,102-110\nSizeable,110-118,110-118\n';
    expect(writtenOf(text)).toEqual([
      'M | 94-102 | 94-102',
      'L | 102-110 | 102-110',
      'Sizeable | 110-118 | 110-118',
    ]);
  });

  it('takes as many sizes as a part may have, and no more', () => {
    const table = (count: number) => {
      const cell = (at: number) => `${(60 + at / 10).toFixed(1)}-${(60.1 + at / 10).toFixed(1)}`;
      const rows = Array.from({ length: count }, (_, at) => `N${at},${cell(at)},${cell(at)}`);
      return ['Size,Chest (cm),Hip (cm)', ...rows].join('\n');
    };
    expect(writtenOf(table(200)).length).toBe(200);
    expect(writtenOf(table(201)).join()).toMatch(/201/);
  });

  it('turns a table round that has the sizes across', () => {
    const text = ',S,M,L\nChest (cm),86-94,94-102,102-110\nHip (cm),90-98,98-106,106-114\n';
    expect(planOf(text).across).toBeTrue();
    expect(writtenOf(text)).toEqual(['S | 86-94 | 90-98', 'M | 94-102 | 98-106', 'L | 102-110 | 106-114']);
    expect(turned(turned(gridOf(text))).rows.map(({ cells }) => cells)).toEqual(
      gridOf(text).rows.map(({ cells }) => cells),
    );
  });

  it('leaves titles and notes out, and takes their unit', () => {
    const text =
      'Harbour parka,,\nAll measures in cm,,\nSize,Chest,Hip\nS,86-94,90-98\nM,94-102,98-106\n* measured over a fleece,,\n';
    const plan = planOf(text);
    expect(plan.notes).toEqual(['Harbour parka', 'All measures in cm', '* measured over a fleece']);
    expect(writtenOf(text)).toEqual(['S | 86-94 | 90-98', 'M | 94-102 | 98-106']);
  });

  it('takes no unit that nobody names, and proposes the one in which somebody could be so', () => {
    const asked = (text: string) => {
      const { unit, proposes, asks } = planOf(text).columns[1]!;
      return [unit, proposes, asks];
    };
    expect(asked('Size,Chest\nS,34-36\nM,38-40\n')).toEqual([null, 'in', 'which-unit']);
    expect(asked('Size,Chest\nS,86-94\nM,94-102\n')).toEqual([null, 'cm', 'which-unit']);
    // A garment laid flat: half a chest in centimetres would be a very large one in inches.
    expect(asked('Size,Chest\nS,52\nM,55\n')).toEqual([null, 'in', 'which-unit']);
    // Two digits behind the point are no second number.
    expect(asked('Size,Neck\nS,14.75-14.95\nM,14.95-15.15\n')).toEqual([null, 'in', 'which-unit']);
    expect(asked('Size,Hand length\n7,18-19\n8,19-20\n')).toEqual([null, 'cm', 'which-unit']);
  });

  it('asks about a unit in which nobody could be so, until a measurement is said in which somebody could', () => {
    const [, chest] = planOf('Size,Chest (cm)\nS,34-36\nM,38-40\n').columns;
    expect([chest!.unit, chest!.asks]).toEqual(['cm', 'impossible-unit']);
    expect(withMeaning(chest!, 'neck-girth').asks).toBeNull();
    const [, waist] = planOf('Size,Waist (in)\nS,28-31\nM,32-35\n').columns;
    expect([waist!.asks, withMeaning(waist!, 'waist-girth').asks]).toEqual(['which-measurement', null]);
    expect(withMeaning(waist!, 'height').asks).toBe('impossible-unit');
    expect(withMeaning(waist!, null).asks).withContext('left out, as was said').toBeNull();
  });

  it('leaves no line out unasked that holds a size or a number', () => {
    const leftOut = (text: string) => planOf(text).leftOut.map(({ line }) => line);
    const head = 'Size,Chest (cm),Hip (cm)\nS,86-94,90-98\nM,94-102,98-106\n';
    expect(leftOut(`${head}Tel. 0123,x y,\nS,86-94,90-98\n`)).toEqual([4]);
    expect(leftOut(`${head},,\n"Model is 188 cm tall, wears M",,\nWash at 30 degrees,,\n`)).toEqual([]);
    expect(leftOut(`${head}102-110,,\n`))
      .withContext('a cell that slipped')
      .toEqual([4]);
    const slipped = `${head}102-110,,\n`;
    expect(isAsked(planOf(slipped))).toBeTrue();
    expect(isAsked(planOf(slipped, { ...NO_ANSWERS, leftOutRightly: true }))).toBeFalse();
    expect(isAsked(planOf(slipped, { ...NO_ANSWERS, rows: { 4: 'left-out' } }))).toBeFalse();
    expect(isAsked(planOf(head))).toBeFalse();
  });

  it('asks about sizes of which something is not given, until they are left out or it is typed', () => {
    const text = 'Size,Chest (cm),Hip (cm)\nS,86-94,90-98\nM,sold out,sold out\nL,tbc,106-114\n';
    const plan = planOf(text);
    expect(plan.notGiven.map(({ label, text: said }) => [label, said])).toEqual([
      ['M', 'sold out'],
      ['L', 'tbc'],
    ]);
    expect(isAsked(plan)).toBeTrue();
    const answers: TableAnswers = { ...NO_ANSWERS, rows: { 3: 'left-out' }, cells: { '4:2': '102-110' } };
    expect(isAsked(planOf(text, answers))).toBeFalse();
    expect(writtenOf(text, answers)).toEqual(['S | 86-94 | 90-98', 'L | 102-110 | 106-114']);
  });

  it('takes what is typed where a line had ended before the others', () => {
    const text = 'Size\tChest (cm)\tHip (cm)\nS\t86-94\t90-98\nM\t94-102\n';
    expect(planOf(text).notGiven.map(({ line }) => line)).toEqual([3]);
    const answers: TableAnswers = { ...NO_ANSWERS, cells: { '3:3': '98-106' } };
    expect(isAsked(planOf(text, answers))).toBeFalse();
    expect(writtenOf(text, answers)).toEqual(['S | 86-94 | 90-98', 'M | 94-102 | 98-106']);
  });

  it('asks about twins that say otherwise, and about a second column of the same', () => {
    const asks = (text: string) => planOf(text).columns.map((one) => one.asks);
    expect(asks('Size,Chest (in),Chest (cm)\nS,34-36,86-91\nM,38 1/2-40,98-102\n')).toEqual([
      null,
      null,
      null,
    ]);
    expect(asks('Size,Chest (in),Chest (cm)\nS,34-36,86-91\nM,38-40,107-112\n')).toEqual([
      null,
      null,
      'twins-differ',
    ]);
    expect(asks('Size,Chest (cm),Chest (cm)\nS,86-91,96-101\nM,91-96,101-106\n')).toEqual([
      null,
      null,
      'left-out',
    ]);
  });

  it('tells thousands from fractions over the whole column, and only by the unit that is named', () => {
    expect(writtenOf('Size;Height (mm)\nS;1,650-1,700\nM;1,700-1,750\n')).toEqual([
      'S | 1650-1700',
      'M | 1700-1750',
    ]);
    expect(writtenOf('Size;Chest (in)\nS;34,125-36,125\nM;36,125-38,125\n')).toEqual([
      'S | 34 1/8-36 1/8',
      'M | 36 1/8-38 1/8',
    ]);
    expect(planOf('Size;Height (mm)\nS;1,65-1,70\nM;1,70-1,75\n').columns[1]!.asks).toBe('impossible-unit');
  });

  it('joins two columns only where their names are of the same', () => {
    const { columns } = planOf('Size;Chest min (cm);Waist max (cm)\nS;66;80\nM;74;88\n');
    expect(columns.map(({ upperIn }) => upperIn)).toEqual([null, null, null]);
    expect(columns.map(({ asks }) => asks)).toEqual([null, 'lone-end', 'which-measurement']);
    expect(isAsked(planOf('Size;To fit chest (in)\nS;34-36\nM;38-40\n'))).toBeFalse();
  });

  it('plans a table from the side that is said, whatever it looks like', () => {
    const text = 'Size,Chest (cm),Hip (cm)\nS,86-94,90-98\nM,94-102,98-106\n';
    const turnedRound = planTable(gridOf(text), { ...NO_ANSWERS, across: true });
    expect([turnedRound.across, turnedRound.columns.map(({ heading }) => heading)]).toEqual([
      true,
      ['Size', 'S', 'M'],
    ]);
    expect(isAsked(turnedRound)).toBeTrue();
    expect(planTable(gridOf(text), { ...NO_ANSWERS, across: false })).toEqual(planOf(text));
  });

  it('joins lower and upper ends that stand in two columns, and open ends in words', () => {
    const text = 'Size;Chest from (cm);Chest to (cm)\nS;86,5;94\nM;94;102\nL;102;\n';
    expect(writtenOf(text)).toEqual(['S | 86.5-94', 'M | 94-102', 'L | >=102']);
    // A lower end beside something else is no half of a pair.
    const lone = planOf('Size;Chest from (cm);Hip (cm)\nS;86;90-98\nM;94;98-106\n').columns;
    expect(lone.map(({ upperIn }) => upperIn)).toEqual([null, null, null]);
    const open = 'Size;Chest from (cm);Chest to (cm);Hip (cm)\nS;;94;90-98\nM;94;102;98-106\nL;;;106-114\n';
    expect(writtenOf(open)).toEqual([
      'Size L, chest-girth (cm) (line 4, column 2): the cell is empty. Write an interval such as 86-90, or an open end such as >=130.',
    ]);
    expect(writtenOf(open.replace('L;;;', 'L;102;;'))).toEqual([
      'S | <=94 | 90-98',
      'M | 94-102 | 98-106',
      'L | >=102 | 106-114',
    ]);
    expect(writtenOf('Size,Chest (cm)\nS,up to 94\nM,94-102\nL,102 and over\n')).toEqual([
      'S | <=94',
      'M | 94-102',
      'L | >=102',
    ]);
    expect(writtenOf('Size,Chest (cm)\nS,under 94\nM,94-102\nL,102+\n')).toEqual([
      'S | <94',
      'M | 94-102',
      'L | >=102',
    ]);
  });

  it('takes the column’s own unit off its cells, with a stop or without, and ends in whatever words', () => {
    expect(writtenOf('Size,Chest (cm)\nS,86 cm - 94 cm\nM,94 cms - 102 cms\nL,102 cm. - 110 cm.\n')).toEqual([
      'S | 86-94',
      'M | 94-102',
      'L | 102-110',
    ]);
    for (const [low, high] of [
      ['low', 'up'],
      ['lower', 'upper'],
      ['min', 'max'],
      ['minimum', 'maximum'],
    ])
      expect(writtenOf(`Size,Chest ${low} (cm),Chest ${high} (cm)\nS,86,94\nM,94,102\n`))
        .withContext(low!)
        .toEqual(['S | 86-94', 'M | 94-102']);
  });

  it('finds the sizes where they stand, by their heading or by their letters', () => {
    const sizesOf = (text: string) => planOf(text).columns.findIndex(({ means }) => means === 'size');
    expect(sizesOf('Chest (cm),Size,Hip (cm)\n86-94,38,90-98\n94-102,40,98-106\n')).toBe(1);
    expect(sizesOf('Chest (cm),Hip (cm),Size\n86-94,90-98,38\n94-102,98-106,40\n')).toBe(2);
    expect(sizesOf('Chest (cm),,Hip (cm)\n86-94,S,90-98\n94-102,M,98-106\n')).toBe(1);
    expect(sizesOf('Chest (cm),Hip (cm),Mark\n86-94,90-98,S\n94-102,98-106,M\n')).toBe(2);
  });

  it('plans nothing of a table without numbers, and all of one that begins with them', () => {
    const plan = planOf('Size,Chest (cm)\nsmall,large\n');
    expect(readPlanned(plan).ok).toBeFalse();
    expect(planOf('S,86-94,90-98\nM,94-102,98-106\n').columns.map(({ sample }) => sample.length)).toEqual([
      2, 2, 2,
    ]);
  });

  it('tells faults where they stand in what was imported', () => {
    const [fault] = writtenOf('Size,Colour,Chest (cm)\nS,blue,86-94\nM,green,102-94\n');
    expect(fault).toBe('Size M, chest-girth (cm) (line 3, column 3): “102-94” is reversed. Write 94-102.');
  });

  it('refuses a column without a unit and a table without sizes', () => {
    expect(writtenOf('Size,Chest\nS,86-94\nM,94-102\n')[0]).toContain('the unit is missing');
    const noSizes: TableAnswers = { ...NO_ANSWERS, columns: { 0: { means: null } } };
    expect(writtenOf('Size,Chest (cm)\nS,86-94\nM,94-102\n', noSizes)[0]).toContain('must be headed “size”');
  });

  it('reads two thousand rows and stops at what no table has', () => {
    const rows = Array.from({ length: 2_000 }, (_, at) => `${at},${600 + at * 0.5}-${600.5 + at * 0.5}`);
    const [fault] = writtenOf(`Size,Chest (mm)\n${rows.join('\n')}`);
    expect(fault).toContain('2000 sizes; at most 200 are allowed');
  });
});

describe('a part written as a table', () => {
  it('reads back as it was', () => {
    const sheet = sheetOf(
      'size,chest-girth (in),waist-girth (cm)\nS,34 1/2-36,<80\nM,36-38,80-90\nL,>=38,>=90\n',
    );
    const part = sheet.parts[0]!;
    expect(tableRows(sheet, part)[1]).toEqual(['S', '34 1/2-36', '<80']);
    expect(sheetOf(exportCsv(sheet, part)).parts[0]).toEqual(part);
  });

  it('starts no formula in a spreadsheet', () => {
    const sheet = sheetOf('size,chest-girth (cm)\nS,86-94\nM,94-102\n');
    const [part] = sheet.parts;
    const evil = { ...part!, sizes: ['=1+1', '@SUM(A1)'] };
    const csv = exportCsv(
      sheetAround(evil, { maker: 'Ostrel Workwear', garment: 'Cap', rule: 'widest-decides' }),
      evil,
    );
    for (const line of csv.split('\n').slice(1)) expect(line).not.toMatch(/^[=@+-]/);
  });
});

describe('a table written out', () => {
  it('comes back as it was: ease, what is reported, reach and stand-ins too', () => {
    const sheet = wholeSheet({
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['S', 'M'],
          columns: [
            {
              code: 'chest-girth',
              unit: 'cm',
              ease: { least: '8 cm', most: '14 cm' },
              standIns: ['overarm-girth', 'bust-girth'],
              cells: ['96-104', '104-<112'],
            },
            { code: 'waist-girth', unit: 'in', role: 'advisory', reach: 'next-up', cells: ['30', '32'] },
            {
              code: 'hip-girth',
              unit: 'mm',
              ease: { least: '-20 mm', most: '10 mm' },
              cells: ['900-960', '>960'],
            },
          ],
        },
      ],
    });
    const csv = exportCsv(sheet, sheet.parts[0]!);
    expect(csv).toContain('"chest-girth (cm, ease 8-14, or overarm-girth or bust-girth)"');
    expect(importCsv(csv)).toEqual({ ok: true, value: sheet.parts[0]! });
    // Imported to Charts, where headings are guessed, as well.
    const imported = read(csv);
    expect(imported.ok && imported.value.parts).toEqual(sheet.parts);
  });

  it('is refused where a heading says what nobody knows, instead of being read as body measures', () => {
    const said = (heading: string) => {
      const table = importCsv(`size,"${heading}"\nS,86-94\nM,94-102`);
      return table.ok ? 'taken' : table.problem.map(sayFinding).join();
    };
    expect(said('chest-girth (cm, finished)')).toContain('“finished” is not a known remark on a column');
    expect(said('chest-girth (cm, ease lots)')).toContain('“ease lots”');
    expect(said('chest-girth (cm, or somewhere)')).toContain('“or somewhere”');
    expect(said('weight (kg)')).toContain('weight is recorded and never decides a size');
  });
});
