import { type ChartPart } from '@neat-measure/core';
import { importCsv } from '@neat-measure/core/sheets';
import { faultOf, newRow, partOf, pasteInto, textOf, type PartText } from './part-text';

const part = (csv: string): ChartPart => {
  const read = importCsv(csv);
  if (!read.ok) throw new Error('a faulty table in a spec');
  return read.value;
};
const cellsOf = (text: PartText) => text.map(({ cells }) => [...cells]);
const CAP = part('size,head-girth (cm),neck-girth (in)\nS,54-56,14-15\nM,56-58,15-16\n');

describe('a part as texts', () => {
  it('is the part again when nothing is changed', () => {
    expect(cellsOf(textOf(CAP))).toEqual([
      ['S', '54-56', '14-15'],
      ['M', '56-58', '15-16'],
    ]);
    expect(partOf(CAP, textOf(CAP))).toEqual(CAP);
  });

  it('keeps what cannot be read as it was typed, and makes no part of it', () => {
    const text = [
      ['S', '54-5x', '14-15'],
      ['S', '58-56', ''],
    ].map(newRow);
    expect(partOf(CAP, text)).toBeNull();
    expect(faultOf(CAP, text, 0, 1)).toContain('is not an interval');
    expect(faultOf(CAP, text, 1, 1)).toContain('is reversed. Write 56-58.');
    expect(faultOf(CAP, text, 1, 2)).toContain('Enter an interval');
    expect(faultOf(CAP, text, 1, 0)).toBe('This size label is used twice.');
    expect(faultOf(CAP, [newRow(['', '54-56', '14-15'])], 0, 0)).toBe('Enter the size label.');
  });

  it('takes a block from a spreadsheet from one cell on, rows added where it reaches further', () => {
    expect(cellsOf(pasteInto(textOf(CAP), 1, 1, '57-59\t15 1/2-16\r\n59-61\t16-17\n'))).toEqual([
      ['S', '54-56', '14-15'],
      ['M', '57-59', '15 1/2-16'],
      ['', '59-61', '16-17'],
    ]);
  });
});
