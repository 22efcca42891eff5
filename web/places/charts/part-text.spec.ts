import { importCsv, type ChartPart } from '@neat-measure/core';
import { faultOf, partOf, pasteInto, textOf } from './part-text';

const part = (csv: string): ChartPart => {
  const read = importCsv(csv);
  if (!read.ok) throw new Error('a faulty table in a spec');
  return read.value;
};
const CAP = part('size,head-girth (cm),neck-girth (in)\nS,54-56,14-15\nM,56-58,15-16\n');

describe('a part as texts', () => {
  it('is the part again when nothing is changed', () => {
    expect(textOf(CAP)).toEqual([
      ['S', '54-56', '14-15'],
      ['M', '56-58', '15-16'],
    ]);
    expect(partOf(CAP, textOf(CAP))).toEqual(CAP);
  });

  it('keeps what cannot be read as it was typed, and makes no part of it', () => {
    const text = [
      ['S', '54-5x', '14-15'],
      ['S', '58-56', ''],
    ];
    expect(partOf(CAP, text)).toBeNull();
    expect(faultOf(CAP, text, 0, 1)).toContain('is no interval');
    expect(faultOf(CAP, text, 1, 1)).toContain('is upside down. Write 56-58.');
    expect(faultOf(CAP, text, 1, 2)).toContain('Write an interval');
    expect(faultOf(CAP, text, 1, 0)).toBe('This size stands twice.');
    expect(faultOf(CAP, [['', '54-56', '14-15']], 0, 0)).toBe('Write the label of the size.');
  });

  it('takes a block from a spreadsheet from one cell on, rows added where it reaches further', () => {
    expect(pasteInto(textOf(CAP), 1, 1, '57-59\t15 1/2-16\r\n59-61\t16-17\n')).toEqual([
      ['S', '54-56', '14-15'],
      ['M', '57-59', '15 1/2-16'],
      ['', '59-61', '16-17'],
    ]);
  });

  it('leaves a cell alone that no text can write', () => {
    const odd: ChartPart = {
      ...CAP,
      columns: [
        {
          ...CAP.columns[0]!,
          cells: [
            {
              kind: 'interval',
              lower: { at: 540_000 as never, edge: 'printed' },
              upper: { at: 560_000 as never, edge: 'open' },
            },
            CAP.columns[0]!.cells[1]!,
          ],
        },
        CAP.columns[1]!,
      ],
    };
    expect(textOf(odd)[0]![1]).toBe('');
    expect(partOf(odd, textOf(odd))).toEqual(odd);
  });
});
