import { join } from 'node:path';
import { Harness } from '../testing/harness';
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
      expect(await loadDemo(app.database, FOLDER)).toBeFalse();
    } finally {
      await app.stop();
    }
  });
});
