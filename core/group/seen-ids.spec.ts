import { SeenIds } from './seen-ids';

describe('SeenIds', () => {
  it('knows the first line of a hundred thousand ids, and of none it has not met', () => {
    const seen = new SeenIds();
    const id = (at: number) => `${'wearer-'.repeat(at % 3)}${at * 7}`;
    for (let at = 0; at < 100_000; at++) {
      if (seen.get(id(at)) !== undefined) fail(`${id(at)} was not met before`);
      seen.set(id(at), at + 2);
    }
    for (let at = 0; at < 100_000; at += 97) expect(seen.get(id(at))).toBe(at + 2);
    expect(seen.get('somebody else')).toBeUndefined();
    expect(seen.get('')).toBeUndefined();
  });
});
