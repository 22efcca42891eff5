import { cm, inches, mm, toldEstimate, TOLD_ITEMS, type ToldItem } from '../index';

const length = (item: ToldItem, text: string) => toldEstimate(item, text)?.length ?? null;

describe('a size that is told', () => {
  it('says of a body what the trade takes it for (common practice, no source)', () => {
    expect(length('jacket-inches', '42 long')).toBe(inches(42));
    expect(length('jacket-half-cm', '52')).toBe(cm(104));
    expect(length('bra', '34D')).toBe(inches(34));
    expect(length('bra', '75 B')).toBe(cm(75));
    expect(length('collar', '15.5')).toBe(inches(15.5));
    expect(length('collar', '41')).toBe(cm(41));
  });

  it('says the foot of a shoe by its last (from memory), toes given room', () => {
    // English 8: a last of 11 in.
    expect(length('shoe-english', '8')).toBe((inches(11) - mm(15)) as never);
    expect(length('shoe-american-mens', '9')).toBe((inches(11) - mm(15)) as never);
    expect(length('shoe-paris-point', '42')).toBe((cm(28) - mm(15)) as never);
  });

  it('makes nothing of words, and nothing of a number no such size has', () => {
    for (const item of TOLD_ITEMS) {
      expect(length(item, 'the usual')).withContext(item).toBeNull();
      expect(length(item, '300')).withContext(item).toBeNull();
    }
    expect(toldEstimate('bra', '34D')).toEqual({
      item: 'bra',
      text: '34D',
      code: 'underbust-girth',
      length: inches(34),
    });
  });
});
