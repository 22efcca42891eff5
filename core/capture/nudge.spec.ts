import { inches, nudgeEntry } from '../index';

describe('nudgeEntry', () => {
  it('moves by an eighth of an inch or half a centimetre', () => {
    expect(nudgeEntry('38 1/2', null, 'in/8', 1)).toBe('38 5/8');
    expect(nudgeEntry('38', null, 'in/8', -1)).toBe('37 7/8');
    expect(nudgeEntry('97', null, 'cm', 1)).toBe('97.5');
    expect(nudgeEntry('250', null, 'mm', -1)).toBe('245');
  });
  it('starts from the reading before when nothing is typed', () =>
    expect(['', '  '].map((typed) => nudgeEntry(typed, inches(38), 'in/8', 1))).toEqual([
      '38 1/8',
      '38 1/8',
    ]));
  it('leaves alone what cannot be read, and goes no lower than nothing', () => {
    expect(nudgeEntry('abc', inches(38), 'in/8', 1)).toBeNull();
    expect(nudgeEntry('', null, 'in/8', 1)).toBeNull();
    expect(nudgeEntry('0', null, 'in/8', -1)).toBe('0');
  });
});
