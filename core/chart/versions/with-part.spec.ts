import { faultsOfSheet, withPart } from '../../testing/all';
import { scale, wholeSheet } from '../../testing/whole-sheet';

describe('withPart', () => {
  const sheet = wholeSheet({
    parts: [
      scale('front', 'chest-girth', ['40', '42', '44']),
      scale(
        'length',
        'height',
        ['S', 'R'],
        { offered: { by: 'front', sizes: { 40: ['S'], 42: ['S', 'R'], 44: ['R'] } } },
        ['60-66', '66-72'],
      ),
    ],
    combinations: [{ parts: ['front', 'length'], made: { 40: ['S'], 42: ['S', 'R'], 44: ['R'] } }],
  });
  const [front, length] = sheet.parts;

  it('renames a size wherever it is named', () => {
    const changed = withPart(sheet, { ...front!, sizes: ['40', '42+', '44'] }, [0, 1, 2]);
    expect(changed.parts[1]!.offered!.sizes).toEqual({ 40: ['S'], '42+': ['S', 'R'], 44: ['R'] });
    expect(changed.combinations[0]!.made).toEqual({ 40: ['S'], '42+': ['S', 'R'], 44: ['R'] });
    expect(faultsOfSheet(changed)).toEqual([]);
    const short = withPart(sheet, { ...length!, sizes: ['Short', 'R'] }, [0, 1]);
    expect(short.parts[1]!.offered!.sizes).toEqual({ 40: ['Short'], 42: ['Short', 'R'], 44: ['R'] });
    expect(short.combinations[0]!.made).toEqual({ 40: ['Short'], 42: ['Short', 'R'], 44: ['R'] });
    expect(faultsOfSheet(short)).toEqual([]);
  });

  it('names a size that is gone no longer, and tells two apart that change names', () => {
    const cells = (kept: readonly number[]) =>
      front!.columns.map((column) => ({ ...column, cells: kept.map((at) => column.cells[at]!) }));
    const dropped = withPart(sheet, { ...front!, sizes: ['40', '44'], columns: cells([0, 2]) }, [0, 2]);
    expect(dropped.combinations[0]!.made).toEqual({ 40: ['S'], 44: ['R'] });
    expect(faultsOfSheet(dropped)).toEqual([]);
    const swapped = withPart(sheet, { ...front!, sizes: ['42', '40', '44'] }, [0, 1, 2]);
    expect(swapped.combinations[0]!.made).toEqual({ 42: ['S'], 40: ['S', 'R'], 44: ['R'] });
  });
});
