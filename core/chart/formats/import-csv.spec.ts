import fc from 'fast-check';
import {
  chartSheetSchema,
  cm,
  importCsv,
  inches,
  MOST_CHART_BYTES,
  sayFinding,
  settleColumn,
  type Cell,
  type Finding,
} from '../../testing/all';
import { sheetOf } from '../../testing/charts';

const bytes = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0));
const found = (file: string | Uint8Array): readonly Finding[] => {
  const read = importCsv(file);
  return read.ok ? [] : read.problem;
};
const codes = (file: string | Uint8Array) => found(file).map(({ code }) => code as string);
const said = (file: string) => found(file).map(sayFinding);
const cellsOf = (column: string, unit = 'cm') => {
  const rows = column.split('|').map((cell, at) => `${at},"${cell}"`);
  const read = importCsv(`size,chest-girth (${unit})\n${rows.join('\n')}`);
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  return read.value.columns[0]!.cells as Cell[];
};
/** The settled ends of a column, in µm. */
const settled = (column: string, reach?: 'halfway' | 'next-up' | 'next-down') =>
  settleColumn(cellsOf(column), reach).map(({ from, until }) => [from, until]);

describe('importCsv', () => {
  it('refuses an ease that is not an interval, and reads a heading with spaces about it', () => {
    const ease = (words: string) => codes(`size,"chest-girth (cm, ${words})"\nS,86-94\n`);
    expect([ease('ease 4'), ease('ease x'), ease('ease >=4')].map((all) => all.length)).toEqual([1, 1, 1]);
    expect(ease('ease 4-8')).toEqual([]);
    expect(codes('size,"  chest-girth (cm)  "\nS,86-94\n')).toEqual([]);
  });

  it('says that a heading alone has no sizes, and nothing else', () => {
    expect(codes('size,chest-girth (cm)\n')).toEqual(['no-sizes']);
  });

  it('turns an interval round as it was written', () => {
    const mend = (cell: string) =>
      found(`size,chest-girth (cm)\nS,"${cell}"\nM,90-94\n`).map((one) => 'mend' in one && one.mend);
    expect(mend('90-86')).toEqual(['86-90']);
    expect(mend('>=90 <=86')).toEqual(['>=86 <=90']);
    expect([mend('90-<86'), mend('>90-86')].flat()).toEqual(['86-<90', '>86-90']);
  });

  it('takes two sizes of the same interval for the doctor to look at, and two of the same value for a slip', () => {
    expect(codes('size,chest-girth (cm)\nS,86-90\nM,86-90\nL,90-94\n')).toEqual([]);
    expect(codes('size,chest-girth (cm)\nS,86\nM,86\nL,90\n')).toEqual(['not-growing']);
  });

  it('leaves out a line of nothing but spaces, and an ease that is open', () => {
    const read = importCsv('size,chest-girth (cm)\nS,86-90\n  ,   \nM,90-94\n');
    expect(read.ok && read.value.sizes).toEqual(['S', 'M']);
    for (const ease of ['>=2', '<=4', '*'])
      expect(codes(`size,"chest-girth (cm, ease ${ease})"\nS,86-90\nM,90-94\n`))
        .withContext(ease)
        .toContain('heading-words-unknown');
  });

  it('reads a size table', () => {
    const read = importCsv('size,chest-girth (cm),waist-girth (in)\nS,86-94,30-33\nM,94-102,33-36 1/2\n');
    expect(read.ok).toBeTrue();
    if (!read.ok) return;
    expect(read.value.sizes).toEqual(['S', 'M']);
    expect(read.value.columns.map(({ code, unit, role }) => [code, unit, role])).toEqual([
      ['chest-girth', 'cm', 'deciding'],
      ['waist-girth', 'in', 'deciding'],
    ]);
    expect(read.value.columns[1]!.cells[1]).toEqual({
      kind: 'interval',
      lower: { at: inches(33), edge: 'printed' },
      upper: { at: inches(36.5), edge: 'printed' },
    });
  });

  it('passes its own schema', () =>
    expect(chartSheetSchema.safeParse(sheetOf('size,chest-girth (cm)\nS,86-94')).success).toBeTrue());

  it('takes semicolons with decimal commas, tabs, a byte order mark, Windows line ends and empty lines', () => {
    const same = importCsv('size,chest-girth (cm)\nS,"86,5-94"\nM,94-102');
    expect(importCsv('\uFEFFsize;chest-girth (cm)\r\n\r\nS;86,5-94\r\nM;94-102\r\n')).toEqual(same);
    expect(importCsv('size\tchest-girth [CM]\nS\t86,5 – 94\nM\t94 to 102')).toEqual(same);
    expect(importCsv(bytes('\xEF\xBB\xBFsize,Chest Girth (cm)\nS,86.5-94\nM,94-102'))).toEqual(same);
  });

  it('reads every form a cell may take', () => {
    expect(cellsOf('<82|82-86|86 – 90|90—94 1/2|>=130').map((cell) => cell.kind)).toEqual([
      'interval',
      'interval',
      'interval',
      'interval',
      'interval',
    ]);
    expect(cellsOf('34 1/2-36|36-38-1/2', 'in')[0]).toEqual({
      kind: 'interval',
      lower: { at: inches(34.5), edge: 'printed' },
      upper: { at: inches(36), edge: 'printed' },
    });
    expect(cellsOf('38-1/2|39', 'in')[0]).toEqual({ kind: 'nominal', at: inches(38.5) });
    expect(cellsOf('≤ 82|> 82')).toEqual([
      { kind: 'interval', lower: null, upper: { at: cm(82), edge: 'closed' } },
      { kind: 'interval', lower: { at: cm(82), edge: 'open' }, upper: null },
    ]);
  });

  it('tells everything wrong at once, and takes nothing', () => {
    expect(codes('size,chest-girth (cm),waist-girth (cm)\nS,94-86,7o-78\n,94-102,\nS,102-110,86-94')).toEqual(
      ['size-missing', 'size-twice', 'interval-upside-down', 'cell-unreadable', 'cell-missing'],
    );
  });

  it('says where an interval is upside down, and how it should read', () => {
    expect(said('size,chest-girth (cm)\nS,94-86')).toEqual([
      'Size S, chest-girth (cm) (line 2, column 2): “94-86” is reversed. Write 86-94.',
    ]);
  });

  it('offers the nearest codes for a name that is none', () => {
    const [sentence] = said('size,waist (cm)\nS,70-78');
    expect(sentence).toContain('“waist” is not a known measurement. Nearest: waist-girth');
  });

  const faults: [string, string, string[]][] = [
    ['no size column', 'label,chest-girth (cm)\nS,86-94', ['no-size-column']],
    ['no measurement', 'size\nS', ['no-measurement-column']],
    ['no sizes', 'size,chest-girth (cm)', ['no-sizes']],
    ['a missing size', 'size,chest-girth (cm)\n,86-94', ['size-missing']],
    ['a label too long', `size,chest-girth (cm)\n${'X'.repeat(25)},86-94`, ['size-too-long']],
    ['a size twice', 'size,chest-girth (cm)\nS,86-94\nS,94-102', ['size-twice']],
    ['a column twice', 'size,chest-girth (cm),chest-girth (in)\nS,86-94,34-37', ['measurement-twice']],
    ['no unit', 'size,chest-girth\nS,86-94', ['unit-missing']],
    ['an unknown unit', 'size,chest-girth (ell)\nS,86-94', ['unit-unknown']],
    ['an unknown measurement', 'size,chests (cm)\nS,86-94', ['unknown-measurement']],
    ['an empty cell', 'size,chest-girth (cm),waist-girth (cm)\nS,86-94', ['cell-missing']],
    ['letters in a number', 'size,chest-girth (cm)\nS,8o-94', ['cell-unreadable']],
    ['a unit in a cell', 'size,chest-girth (cm)\nS,34 in', ['cell-unreadable']],
    ['an interval of nothing', 'size,chest-girth (cm)\nS,86-86', ['interval-empty']],
    ['a lone value among intervals', 'size,chest-girth (cm)\nS,86-94\nM,98', ['nominal-among-intervals']],
    ['a lone value alone', 'size,chest-girth (cm)\nS,86', ['nominal-alone']],
    ['sizes the wrong way round', 'size,chest-girth (cm)\nM,94-102\nS,86-94', ['not-growing']],
    ['nominal sizes that stand still', 'size,chest-girth (cm)\nS,86\nM,86', ['not-growing']],
    ['a cell beyond the headings', 'size,chest-girth (cm)\nS,86-94,note', ['cell-extra']],
    [
      'too many sizes',
      `size,chest-girth (cm)\n${Array.from({ length: 201 }, (_, at) => `${at},${at + 60}-${at + 61}`).join('\n')}`,
      ['too-many-sizes'],
    ],
    ['an unclosed quotation', 'size,chest-girth (cm)\n"S,86-94', ['file-quotes']],
    ['an empty file', '', ['file-empty']],
  ];
  for (const [name, csv, expected] of faults) {
    it(`refuses ${name}, with a sentence that ends`, () => {
      expect(codes(csv)).toEqual(expected);
      for (const sentence of said(csv)) expect(sentence).toMatch(/^[A-Z“].*[.?]$/);
    });
  }

  it('refuses files that are no text, too large, or in an old encoding', () => {
    expect(codes(bytes('PK\x03\x04\0\0'))).toEqual(['file-binary']);
    expect(codes(new Uint8Array(10_000_000))).toEqual(['file-too-large']);
    expect(codes('x'.repeat(MOST_CHART_BYTES + 1))).toEqual(['file-too-large']);
    expect(codes('size\0')).toEqual(['file-binary']);
    expect(codes(bytes('size,chest-girth (cm)\nGr\xF6\xDFe,86-94'))).toEqual(['file-not-utf8']);
    expect(codes(new Uint8Array(0))).toEqual(['file-empty']);
    expect(sayFinding(found(new Uint8Array(10_000_000))[0]!)).toBe(
      'The file is 10.0 MB; a size table may be 1.0 MB. Check that it is the right file.',
    );
  });

  it('never throws, whatever the text', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom(...'size,chest-girth (cm)\n\t;"0198-<>=½/'), maxLength: 80 }),
        (text) => typeof importCsv(text).ok === 'boolean',
      ),
    );
    fc.assert(
      fc.property(
        fc.string({ maxLength: 40 }),
        (text) => typeof importCsv(`size,chest-girth (cm)\n${text}`).ok === 'boolean',
      ),
    );
  });
});

describe('settleColumn', () => {
  it('gives a value two printed neighbours share to the larger', () => {
    expect(settled('86-90|90-94')).toEqual([
      [860_000, 900_000],
      [900_000, 940_001],
    ]);
  });

  it('lets < > <= >= say their own', () => {
    expect(settled('<86|86-90|>90')).toEqual([
      [-Infinity, 860_000],
      [860_000, 900_001],
      [900_001, Infinity],
    ]);
    expect(settled('<=86|86-90|>=90')).toEqual([
      [-Infinity, 860_001],
      [860_000, 900_000],
      [900_000, Infinity],
    ]);
  });

  it('reaches halfway from nominal values, half a step beyond the outer two', () => {
    expect(settled('84|88|94')).toEqual([
      [820_000, 860_000],
      [860_000, 910_000],
      [910_000, 970_000],
    ]);
    expect(settled('84|88|94', 'next-up')).toEqual([
      [800_001, 840_001],
      [840_001, 880_001],
      [880_001, 940_001],
    ]);
    expect(settled('84|88|94', 'next-down')).toEqual([
      [840_000, 880_000],
      [880_000, 940_000],
      [940_000, 1_000_000],
    ]);
  });

  it('leaves no length in two nominal sizes and none between them', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 500_000, max: 2_000_000 }), { minLength: 2, maxLength: 12 }),
        fc.constantFrom('halfway', 'next-up', 'next-down'),
        (values, reach) => {
          const cells = values
            .sort((a, b) => a - b)
            .map((at): Cell => ({ kind: 'nominal', at: at as never }));
          const intervals = settleColumn(cells, reach as never);
          intervals.slice(1).forEach((interval, at) => expect(interval.from).toBe(intervals[at]!.until));
          intervals.forEach(({ from, until }, at) =>
            expect(from <= values[at]! && values[at]! < until).toBeTrue(),
          );
        },
      ),
    );
  });
});
