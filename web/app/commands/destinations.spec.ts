import { matching, type Destination } from './destinations';

describe('matching', () => {
  const line = (name: string): Destination => ({ name, about: '', run: () => undefined });
  const all = ['House: how we size', 'House log', 'Siobhán Qureshi'].map(line);
  const found = (words: string) => matching(all, words).map(({ name }) => name);

  it('wants every word to begin a word of the name', () => {
    expect(found('ho')).toEqual(['House: how we size', 'House log']);
    expect(found('log house')).toEqual(['House log']);
    expect(found('ouse')).toEqual([]);
  });

  it('is not held up by accents or case, and shows all where nothing is typed', () => {
    expect(found('SIOBHAN')).toEqual(['Siobhán Qureshi']);
    expect(found(' ').length).toBe(3);
  });
});
