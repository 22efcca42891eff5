import { list } from './list';

describe('list', () => {
  it('joins as a sentence does', () => {
    expect(list([])).toBe('');
    expect(list(['S'])).toBe('S');
    expect(list(['S', 'M'])).toBe('S and M');
    expect(list(['S', 'M', 'L'], 'or')).toBe('S, M or L');
  });
});
