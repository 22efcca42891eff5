import { fitChecksOf, GARMENT_KINDS } from '../index';

describe('fitChecksOf', () => {
  it('knows what to look at for every kind of garment but the unnamed, and what to do otherwise', () => {
    const without = GARMENT_KINDS.filter((kind) => fitChecksOf({ kind, fitChecks: [] }).length === 0);
    expect(without).toEqual(['other']);
    for (const kind of GARMENT_KINDS)
      for (const { look, otherwise } of fitChecksOf({ kind, fitChecks: [] })) {
        expect(look).not.toMatch(/\.$/);
        expect(otherwise).toMatch(/\.$/);
      }
  });

  it('looks at a vest standing and seated', () => {
    const looks = fitChecksOf({ kind: 'vest', fitChecks: [] }).map(({ look }) => look.split(':')[0]);
    expect(looks).toEqual(jasmine.arrayContaining(['Standing', 'Seated']));
  });

  it('puts what the maker adds last', () => {
    const own = { look: 'The hood clears the eyes', otherwise: 'The other hood.' };
    expect(fitChecksOf({ kind: 'outerwear', fitChecks: [own] }).at(-1)).toEqual(own);
    expect(fitChecksOf({ kind: 'other', fitChecks: [own] })).toEqual([own]);
  });
});
