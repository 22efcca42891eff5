import { pathOf, ROUTES, wearersSchema } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { problem, Records } from '../testing/records';

describe('the routes of wearers', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());
  beforeEach(async () => {
    if (app.cookie.endsWith('=')) await app.signIn();
  });

  describe('wearers', () => {
    it('are added, edited and listed; the same save again changes nothing', async () => {
      const id = uuidv7();
      const save = { name: '  Maren Okonjo ', role: 'Ranger', version: 0 };
      const first = await app.put(pathOf(ROUTES.wearers, id), save);
      expect(first.body).toEqual(jasmine.objectContaining({ id, name: 'Maren Okonjo', version: 1 }));
      expect((await app.put(pathOf(ROUTES.wearers, id), save)).body).toEqual(first.body);
      const edit = { ...save, role: 'Guide', version: 1 };
      expect((await app.put(pathOf(ROUTES.wearers, id), edit)).body.version).toBe(2);
      expect((await app.put(pathOf(ROUTES.wearers, id), edit)).body.version)
        .withContext('the edit again')
        .toBe(2);
      expect(
        wearersSchema.parse((await app.get(ROUTES.wearers)).body).filter((one) => one.id === id).length,
      ).toBe(1);
    });

    it('keep the first of two edits that started from the same version', async () => {
      const id = await records.save(ROUTES.wearers, { name: 'Wen', role: '', version: 0 });
      await app.put(pathOf(ROUTES.wearers, id), { name: 'Wen Castellanos', role: '', version: 1 });
      expect(
        problem(await app.put(pathOf(ROUTES.wearers, id), { name: 'Wen C.', role: '', version: 1 })),
      ).toEqual([409, 'changed-meanwhile']);
    });

    it('need a name, and an edit needs a record', async () => {
      expect(
        problem(await app.put(pathOf(ROUTES.wearers, uuidv7()), { name: ' ', role: '', version: 0 })),
      ).toEqual([400, 'invalid']);
      expect(
        problem(await app.put(pathOf(ROUTES.wearers, uuidv7()), { name: 'Wen', role: '', version: 3 })),
      ).toEqual([404, 'not-found']);
    });

    it('keep any letter a name is written in', async () => {
      const id = await records.save(ROUTES.wearers, { name: 'Nguyễn Thị 明 🧵', role: 'Ranger', version: 0 });
      const wearers = wearersSchema.parse((await app.get(ROUTES.wearers)).body);
      expect(wearers.find((one) => one.id === id)?.name).toBe('Nguyễn Thị 明 🧵');
    });
  });
});
