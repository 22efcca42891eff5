import { sizedCsv, sizedRow, writeCsv, type BriefSize } from './size-people';

describe('sizes written out', () => {
  const settled: BriefSize = { verdict: 'settled', proposed: 'M', alternates: [], reason: '' };
  const between: BriefSize = {
    verdict: 'between',
    proposed: null,
    alternates: ['M', 'L'],
    reason: 'Chest 103 cm lies between M, and L.',
  };
  const written = (ids: readonly string[], sizes: readonly BriefSize[]) =>
    sizedCsv(
      ids.map((id) => ({ id })),
      sizes,
    );
  const plainly = (ids: readonly string[], sizes: readonly BriefSize[]) =>
    writeCsv(ids.map((id, at) => sizedRow({ id }, sizes[at]!)));

  it('are those of row after row, whatever an id is made of', () => {
    for (const ids of [
      ['ada', 'ben'],
      ['Lund, Ibrahima', '“x”'],
      ['=1+1', '-2'],
      ['a"b', "o'n"],
    ])
      expect(written(ids, [settled, between])).toBe(plainly(ids, [settled, between]));
  });

  it('are so where a line breaks within an id', () => {
    const ids = ['two\nlines', 'ben'];
    expect(written(ids, [between, settled])).toBe(plainly(ids, [between, settled]));
  });

  it('are those of the same size once and again', () =>
    expect(written(['a', 'b', 'c'], [settled, between, settled])).toBe(
      plainly(['a', 'b', 'c'], [settled, between, settled]),
    ));

  it('are nothing of nobody', () => expect(written([], [])).toBe(plainly([], [])));
});
