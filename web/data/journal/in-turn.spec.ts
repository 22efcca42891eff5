import { inTurn } from './in-turn';

describe('what stands and what waits behind it', () => {
  const acts = (letters: string) => [...letters].map((id) => ({ id }));
  const turn = (kept: string, done: string) => {
    const { standing, waiting } = inTurn(acts(kept), acts(done));
    return [standing, waiting].map((some) => some.map(({ id }) => id).join(''));
  };

  it('is what is kept, then what was done here and is not kept', () => {
    expect(turn('abc', 'de')).toEqual(['abc', 'de']);
    expect(turn('abc', '')).toEqual(['abc', '']);
    expect(turn('', 'de')).toEqual(['', 'de']);
  });

  it('counts nothing twice that is kept and not crossed out yet', () => {
    expect(turn('abc', 'bcd')).toEqual(['abc', 'd']);
    expect(turn('abc', 'bc')).toEqual(['abc', '']);
  });

  it('lets nothing that was done here stand before what was done before it', () => {
    // Of what was kept (d, then w, which takes d back) only w has been told.
    expect(turn('abw', 'dwe')).toEqual(['ab', 'dwe']);
    // What others did meanwhile stands where it is.
    expect(turn('awxz', 'dwez')).toEqual(['ax', 'dwez']);
  });

  it('is the same list as long as nothing of what waits is kept', () => {
    const kept = acts('abc');
    expect(inTurn(kept, acts('de')).standing).toBe(kept);
    expect(inTurn(kept, acts('cde')).standing).toBe(kept);
  });
});
