import { breaths } from './breaths';

describe('long work on the page’s own thread', () => {
  it('lets other things be done once it has taken long enough, and not before', async () => {
    let others = 0;
    const turn = () => setTimeout(() => (others += 1));
    const short = breaths(60_000);
    turn();
    for (let parts = 0; parts < 100; parts += 1) await short();
    expect(others).toBe(0);
    const long = breaths(0);
    await long();
    expect(others).toBe(1);
  });
});
