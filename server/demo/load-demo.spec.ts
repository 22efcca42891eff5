import { join } from 'node:path';
import { Harness } from '../testing/harness';
import { listExceptions } from '../services/exceptions';
import { listDockets } from '../store/docket-store';
import { listCharts } from '../store/chart-store';
import { listWearers } from '../store/wearer-store';
import { loadDemo } from './load-demo';

const FOLDER = join(process.cwd(), 'demo');

describe('loadDemo', () => {
  it('loads once into an empty database and leaves one in use alone', async () => {
    const app = await Harness.start();
    try {
      expect(await loadDemo(app.database, FOLDER))
        .withContext('somebody is in it')
        .toBeFalse();
      await app.database('sessions').delete();
      await app.database('fitters').delete();
      expect(await loadDemo(app.database, FOLDER)).toBeTrue();
      expect((await listWearers(app.database)).length).toBeGreaterThanOrEqual(12);
      expect((await listCharts(app.database)).map(({ sheet }) => sheet.garment)).toContain(
        'Ranger field jacket',
      );
      const dockets = await listDockets(app.database);
      expect(dockets.length).toBeGreaterThan(40);
      // A season behind, decided; and a day's work that waits.
      const open = dockets.filter(({ garments }) => garments.some(({ decided }) => decided === null));
      expect(open.length).toBeGreaterThan(10);
      expect(Math.min(...dockets.map(({ docket }) => Date.parse(docket.openedAt)))).toBeLessThan(
        Date.now() - 100 * 86_400_000,
      );
      const flags = new Set((await listExceptions(app.database)).map(({ verdict }) => verdict.verdict));
      expect([...flags].sort()).toEqual(['between', 'beyond', 'not-made', 'split']);
      expect(await loadDemo(app.database, FOLDER)).toBeFalse();
    } finally {
      await app.stop();
    }
  });
});
