import { join } from 'node:path';
import { Harness } from '../testing/harness';
import { listCharts } from '../charts/store';
import { Exceptions } from '../dockets/exceptions/exceptions';
import { judgeOpen } from '../dockets/exceptions/judge-open';
import { listDockets } from '../dockets/store';
import { listMusters } from '../musters/store';
import { listWearers } from '../wearers/store';
import { loadDemo } from './load-demo';

const ALL = { search: '', from: 0 };
const FOLDER = join(process.cwd(), 'demo');

describe('loadDemo', () => {
  it('loads once into an empty database and leaves one in use alone', async () => {
    const app = await Harness.start();
    try {
      expect(await loadDemo(app.database, FOLDER))
        .withContext('somebody is in it')
        .toBeFalse();
      await app.database('sessions').delete();
      await app.database('pens').delete();
      await app.database('fitters').delete();
      expect(await loadDemo(app.database, FOLDER)).toBeTrue();
      expect((await listWearers(app.database, ALL)).total).toBeGreaterThanOrEqual(12);
      expect((await listCharts(app.database, ALL)).items.map(({ garment }) => garment)).toContain(
        'Ranger field jacket',
      );
      const { items: dockets, total } = await listDockets(app.database, ALL);
      expect(total).toBeGreaterThan(40);
      // A season behind, decided; and a day's work that waits.
      expect(Math.min(...dockets.map(({ openedAt }) => Date.parse(openedAt)))).toBeLessThan(
        Date.now() - 100 * 86_400_000,
      );
      expect(await judgeOpen(app.database, 'specs')).toBeGreaterThan(10);
      const exceptions = new Exceptions(app.database, 'specs', () => Promise.resolve());
      const { items } = await exceptions.list({ by: 'kind', from: 0 });
      const flags = new Set(items.map(({ verdict }) => verdict.verdict));
      expect([...flags].sort()).toEqual(['between', 'beyond', 'not-made', 'split']);
      // A muster for today, begun, with people to come; the dockets of those who are here are the season's.
      const [muster] = (await listMusters(app.database, ALL)).items;
      expect(muster!.people).toBeGreaterThan(40);
      expect(muster!.here).toBeGreaterThan(5);
      expect(muster!.gone).toBeGreaterThan(5);
      expect(muster!.people - muster!.here - muster!.gone).toBeGreaterThan(10);
      expect(await loadDemo(app.database, FOLDER)).toBeFalse();
    } finally {
      await app.stop();
    }
  });
});
