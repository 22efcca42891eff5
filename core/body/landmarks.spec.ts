import { CATALOGUE, landmarksOf } from '../index';

describe('landmarksOf', () => {
  it('tells how to find every landmark that a length or a trunk girth speaks of', () => {
    const names = (code: Parameters<typeof landmarksOf>[0]) =>
      landmarksOf(code, 'natural').map(({ name }) => name);
    expect(names('back-waist-length')).toEqual(['Nape bone', 'Natural waist']);
    expect(names('apex-to-side')).toEqual(['Armhole fold and armpit', 'Bust point', 'Side seam']);
    expect(names('inside-leg-length')).toEqual(['Fork', 'Ankle bone']);
    expect(names('across-back')).toEqual(['Armhole fold and armpit']);
    expect(landmarksOf('back-waist-length', 'navel').map(({ name }) => name)).toEqual(['Nape bone', 'Navel']);
  });

  it('leaves no length of the body without one, but for what is taken from floor to crown or on paper', () => {
    const without = CATALOGUE.filter(
      ({ code, kind, stance }) =>
        kind === 'length' && stance !== 'on-paper' && landmarksOf(code, 'natural').length === 0,
    ).map(({ code }) => code);
    expect(without.map(String).sort()).toEqual([
      'bust-front-arc',
      'collar-to-belt',
      'crown-to-hairline',
      'hand-length',
      'head-arc',
      'heel-height',
      'hip-back-arc',
    ]);
  });

  it('speaks to the wearer, never about them', () => {
    for (const { code } of CATALOGUE)
      for (const { find } of landmarksOf(code, 'natural'))
        expect(find).not.toMatch(/\b(they|their|them|wearer)\b/i);
  });
});
