import { Lookout, type Placed } from './lookout';

interface Item extends Placed {
  readonly about: string;
}
const until = (done: () => boolean) =>
  new Promise<void>((resolve, reject) => {
    const stop = Date.now() + 5_000;
    const look = () =>
      done() ? resolve() : Date.now() > stop ? reject(new Error('nothing came')) : setTimeout(look, 10);
    look();
  });

describe('a lookout', () => {
  const stopping = new AbortController();
  afterAll(() => stopping.abort());
  const kept: Item[] = [];
  let away = false;
  let looks = 0;
  const lookout = new Lookout<Item>(
    {
      latest: () => {
        looks += 1;
        return away ? Promise.reject(new Error('away')) : Promise.resolve(kept.at(-1)?.place ?? 0);
      },
      behind: (place, subjects) =>
        Promise.resolve(
          kept
            .filter((item) => item.place > place && subjects.includes(item.about))
            .map((item) => ({ subject: item.about, item })),
        ),
    },
    stopping.signal,
  );

  it('tells at once what was kept here, in time what was kept elsewhere, and nothing twice', async () => {
    const [heard, others]: [Item[], Item[]] = [[], []];
    kept.push({ place: 1, about: 'one' });
    const leave = await lookout.listen('one', (item) => heard.push(item));
    await lookout.listen('two', (item) => others.push(item));
    await until(() => looks > 0);
    const here = { place: 2, about: 'one' };
    kept.push(here);
    lookout.tell('one', here);
    expect(heard.map(({ place }) => place))
      .withContext('what was there before is no news')
      .toEqual([2]);
    kept.push({ place: 3, about: 'one' }, { place: 4, about: 'two' });
    await until(() => heard.length > 1 && others.length > 0);
    expect([heard, others].map((all) => all.map(({ place }) => place))).toEqual([[2, 3], [4]]);

    away = true;
    const before = looks;
    await until(() => looks > before);
    away = false;
    kept.push({ place: 5, about: 'one' });
    await until(() => heard.length > 2);
    leave();
    lookout.tell('one', { place: 6, about: 'one' });
    expect(heard.at(-1)!.place).toBe(5);
  });
});
